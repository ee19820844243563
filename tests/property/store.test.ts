import { seededRandom } from "@/core/base";
import {
  CONDITIONS,
  COUPON_RESULTS,
  EXPOSURES,
  type ExtraWork,
  FILM_ROLES,
  FINISHES,
  HEAVINESSES,
  isOneOf,
  type Layer,
  MATERIALS,
  PREP_STEPS,
  WETTINGS,
} from "@/core/model";
import { benchNow } from "@/core/plan";
import { openDb } from "@/db";
import { logTitle, toldTitle } from "@/messages";
import * as server from "@/server";
import { DEMO_SHELF } from "@/server/demo/shelf";
import { loadWorkspace } from "@/server/workspace/load";
import { snapshotOf } from "@/server/workspace/snapshot";
import { freshStore, must } from "../support/store";

freshStore();

const ROUNDS = process.env.ELM_BENCH_HARD === "1" ? 700 : 70;
const FILMS = DEMO_SHELF.filter((p) => isOneOf(FILM_ROLES)(p.role));

/** A user who does anything that may be done, in any order, and undoes some of it. */
class Tinkerer {
  private readonly random: () => number;
  private serial = 0;
  readonly trail: string[] = [];

  constructor(
    private readonly modelId: string,
    seed: number,
  ) {
    this.random = seededRandom(seed);
  }

  private pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)]!;
  }

  private some<T>(list: readonly T[]): T[] {
    return list.filter(() => this.random() < 0.15);
  }

  private get nodes() {
    return must(server.getTree(this.modelId)).flatMap((p) => p.regions.map((r) => ({ part: p, ...r })));
  }

  private layer(): Layer {
    this.serial += 1;
    return {
      id: `t${this.serial}`,
      productId: this.pick(FILMS).id,
      coats: 1 + Math.floor(this.random() * 3),
      heaviness: this.pick(HEAVINESSES),
      wftUm: this.random() < 0.2 ? 20 + Math.round(this.random() * 80) : null,
      gapMin: this.random() < 0.15 ? Math.round(this.random() * 3000) : null,
      before: this.random() < 0.3 ? ["scuff"] : [],
      sandAfter: this.random() < 0.2 ? { grit: 400, wet: true, takesUm: 4 } : null,
    };
  }

  private readonly deeds: Readonly<Record<string, () => void | Promise<void>>> = {
    addPart: () =>
      void must(
        server.addPart(this.modelId, {
          name: `Part ${this.trail.length}`,
          count: 1 + Math.floor(this.random() * 4),
          note: "",
        }),
      ),
    addRegion: () => {
      const node = this.pick(this.nodes);
      if (node) must(server.addRegion(node.part.id, { name: `Region ${this.trail.length}` }));
    },
    editRegion: () => {
      const node = this.pick(this.nodes);
      if (!node) return;
      const fields = {
        material: this.pick(MATERIALS),
        conditions: this.some(CONDITIONS),
        exposure: this.some(EXPOSURES),
        finish: this.pick(FINISHES),
        areaCm2: Math.round(this.random() * 4000 + 10) / 10,
        ...(this.random() < 0.4 ? { fillDepthUm: 100 + Math.floor(this.random() * 900), lead: "unknown" } : {}),
        ...(this.random() < 0.3 ? { keepBare: ["bore"], sealedBy: null } : {}),
      };
      must(server.editNode("region", node.region.id, node.rev, fields));
    },
    stack: () => {
      const node = this.pick(this.nodes);
      if (!node) return;
      const layers = this.random() < 0.3 ? node.stack.layers.slice(1) : [...node.stack.layers, this.layer()].slice(-5);
      const prep = PREP_STEPS.filter(() => this.random() < 0.4);
      const saved = server.saveStack(node.region.id, node.stackRev, { prep, layers });
      // what lies on the part stays in its pile
      if (!saved.ok) expect(saved.problem.fields[0]?.message).toBe("lies on the part by the log");
    },
    tell: () => {
      const tile = this.pick(must(server.getBench(this.modelId)).tiles);
      if (!tile) return;
      const work = this.pick<ExtraWork>([
        { kind: "wash", how: this.pick(WETTINGS) },
        { kind: "wipe" },
        { kind: "rub", grit: 400, wet: this.random() < 0.5, takesUm: 5 },
        { kind: "strip", downTo: null },
      ]);
      const done = this.random() < 0.5 ? { kind: "worked", minutesAgo: 0 } : { kind: "asked" };
      const told = server.tell(tile.regionId, { ...done, work, note: "" }, toldTitle, String);
      if (!told.ok) expect(told.problem.fields[0]?.path).toMatch(/^work\./);
    },
    takeBack: () => {
      const last = must(server.getLog(this.modelId)).at(-1);
      if (last) server.takeBack(last.regionId, last.opId);
    },
    coupon: () => {
      const node = this.pick(this.nodes.filter((n) => n.stack.layers.length > 0 && n.region.material !== null));
      if (!node) return;
      const planned = server.planCoupon(node.region.id, 24);
      if (!planned.ok) return;
      const id = planned.value.ids[0]!;
      must(server.couponMade(id, 0));
      must(
        server.couponTested(id, 1, {
          result: this.pick(COUPON_RESULTS),
          score: 1 + Math.floor(this.random() * 5),
          throughCured: this.random() < 0.7,
          tapeTested: this.random() < 0.7,
          note: "",
          photo: null,
        }),
      );
    },
    deleteAndRestore: () => {
      const node = this.pick(this.nodes);
      if (!node) return;
      const before = must(server.exportDocument(this.modelId));
      const [kind, id] =
        this.random() < 0.5 ? (["part", node.part.id] as const) : (["region", node.region.id] as const);
      must(server.deleteNode(kind, id));
      if (this.random() < 0.3) return;
      must(server.restoreNode(kind, id));
      expect(must(server.exportDocument(this.modelId))).toBe(before);
    },
    staleEdit: () => {
      const node = this.pick(this.nodes);
      if (!node || node.rev === 0) return;
      const before = must(server.exportDocument(this.modelId));
      expect(server.editNode("region", node.region.id, node.rev - 1, { areaCm2: 1 }).ok).toBe(false);
      expect(must(server.exportDocument(this.modelId))).toBe(before);
    },
    say: () => {
      const node = this.pick(this.nodes);
      if (!node) return;
      const { planning, rev } = must(server.getPlanScreen(this.modelId)).plannings[this.modelId]!;
      const rounds = { ...planning.rounds, [node.region.id]: Math.floor(this.random() * 3) };
      must(server.savePlanning(this.modelId, rev, { ...planning, rounds }));
    },
    air: () =>
      void must(
        server.addReading({
          minutesAgo: Math.floor(this.random() * 90),
          tempC: 8 + Math.round(this.random() * 14),
          rhPct: 55,
        }),
      ),
    shed: () => {
      const { rev } = must(server.getShop());
      must(server.saveShop(rev, { caution: this.random() < 0.5 ? "safe" : "likely" }));
    },
    plan: async () => void must(await server.makePlan(this.modelId)),
    work: () => {
      const tile = this.pick(must(server.getBench(this.modelId)).tiles.filter((t) => t.op !== null));
      if (!tile?.op) return;
      const done = { opId: tile.op.id, minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
      if (tile.zone === "in-hand") must(server.finishOp(tile.regionId, done, logTitle));
      else server.startOp(tile.regionId, { opId: tile.op.id, reason: null }, logTitle, String);
    },
  };

  async step(): Promise<void> {
    const name = this.pick(Object.keys(this.deeds));
    this.trail.push(name);
    await this.deeds[name]!();
  }
}

/** What the screens are shown is what the database says, however often they were shown something before. */
function expectNothingStale(): void {
  const db = openDb();
  const atMs = server.nowMs();
  const snapshot = snapshotOf(db);
  expect(snapshot.data).toEqual(loadWorkspace(db, atMs));
  for (const { id } of snapshot.data.models) {
    const m = snapshot.model(id)!;
    const { answer } = m.plan ?? {};
    const delaysMin = answer?.outcome === "planned" && m.plan!.inputsHash === m.hash ? answer.delaysMin : undefined;
    expect(m.tiles).toEqual(benchNow(m.input, { delaysMin }));
  }
}

describe.each([11, 12, 13])("anything that may be done, in any order (seed %i)", (seed) => {
  it("leaves a document that goes out and comes in byte for byte, and a model that can be shown", async () => {
    const demo = must(server.loadDemo(true)).modelId;
    // what is tinkered with is planned by itself: several models on one bench have tests of their own
    must(server.editNode("model", demo, 0, { state: "resting" }));
    const modelId = must(server.addModel({ name: "Odds and ends", scale: "", note: "" })).id;
    const tinkerer = new Tinkerer(modelId, seed);
    for (let round = 0; round < ROUNDS; round++) {
      await tinkerer.step();
      expectNothingStale();
    }
    const text = must(server.exportDocument(modelId));
    expect(must(server.getPlanScreen(modelId)).regions.length).toBe(must(server.getJudged(modelId)).length);
    for (const { node } of must(server.getJudged(modelId))) must(await server.getStack(node.region.id));
    must(server.getBenchScreen(modelId));
    must(server.importText(text, { onExisting: "replace", takeShop: false }));
    expect(must(server.exportDocument(modelId))).toBe(text);
    const copy = must(server.importText(text, { onExisting: "copy", takeShop: false })).modelId;
    expect(must(server.getBench(copy)).tiles.map(({ zone, done, of }) => ({ zone, done, of }))).toEqual(
      must(server.getBench(modelId)).tiles.map(({ zone, done, of }) => ({ zone, done, of })),
    );
  });
});

it("the demo can be loaded twice; each is a model of its own and both use one shelf", () => {
  const first = must(server.loadDemo(true)).modelId;
  const shelf = must(server.getShelf()).length;
  const second = must(server.loadDemo(false)).modelId;
  expect(second).not.toBe(first);
  expect(must(server.getShelf())).toHaveLength(shelf);
  must(server.editNode("part", must(server.getTree(second))[0]!.id, 0, { name: "Other hull" }));
  expect(must(server.getTree(first))[0]!.name).toBe("Hull");
});

it("every demo product is used by its contract, and every demo stack may be planned", async () => {
  const id = must(server.loadDemo(true)).modelId;
  expect(must(server.getShelf())).toHaveLength(DEMO_SHELF.length);
  for (const { answer } of must(server.getJudged(id))) expect(answer).toMatchObject({ outcome: "judged" });
  for (const { answer } of must(server.getJudged(id)))
    expect(answer.outcome === "judged" && answer.worst).not.toBe("stop");
  expect(must(await server.makePlan(id)).outcome).toBe("planned");
});
