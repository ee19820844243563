import type { Product } from "@/core/model";
import { logTitle } from "@/messages";
import { DONE, hatch } from "../../tests/support/hatch";
import { WORDS } from "../../tests/support/mishap-words";
import { redPng } from "../../tests/support/png";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

/** The record against what was really logged: taken back it is gone, and of nothing it says so. */
freshStore();

const punt = (over: Partial<Product> = {}) =>
  hatch("grey-primer", { packMl: 400, leftMl: 400, price: 20, ...over }, { coats: 1, count: 3 });
type Punt = ReturnType<typeof punt>;
const lay = ({ regionId }: Punt, opId = "p:coat:1") => {
  must(server.startOp(regionId, { opId, reason: "for the test" }, logTitle, String));
  must(server.finishOp(regionId, { ...DONE, opId, wftUm: 60 }, logTitle));
};
const record = ({ model }: Punt) => must(server.getRecord(model));

describe("the record", () => {
  it("of an empty model says that nothing was done to it yet", () => {
    const model = must(server.addModel({ name: "Nothing yet", scale: "", note: "" })).id;
    expect(must(server.getRecord(model))).toMatchObject({ empty: true, faces: [], money: null, pieces: 1 });
    expect(refusal(server.getRecord("nowhere"))).toBe("not-found");
  });
  it("has the film, its air, what it took out of the can, and what that cost", () => {
    const b = punt();
    lay(b);
    const r = record(b);
    const [face] = r.faces;
    expect(face!.films).toEqual([
      expect.objectContaining({
        coats: 1,
        dftUm: expect.closeTo(60 * product("grey-primer").volumeSolids!, 3),
        measured: false,
      }),
    ]);
    expect(face!.films[0]!.air!.leastC).toBeGreaterThan(0);
    const can = must(server.getShelf()).find((i) => i.product.id === b.can)!.product;
    const out = 400 - can.leftMl!;
    expect(out).toBeGreaterThan(0);
    expect(r.spent[0]).toMatchObject({ ml: expect.closeTo(out, 1), reckoned: false });
    expect(r.money).toBeCloseTo((out / 400) * 20, 2);
    expect(r.pieces).toBe(3);
  });
  it("has the picture taken when a step was done, which the document takes along; one nobody kept is refused", () => {
    const b = punt();
    const { hash } = must(server.addPhoto(redPng(12)));
    const opId = "p:coat:1";
    must(server.startOp(b.regionId, { opId, reason: "for the test" }, logTitle, String));
    const finish = (photo: string) => server.finishOp(b.regionId, { ...DONE, opId, wftUm: 60, photo }, logTitle);
    expect(refusal(finish("0".repeat(64)))).toBe("invalid photo");
    must(finish(hash));
    expect(record(b).faces[0]!.photos).toEqual([expect.objectContaining({ hash })]);
    expect(Object.keys(JSON.parse(must(server.exportDocument(b.model))).photos)).toEqual([hash]);
  });
  it("a coat taken back leaves no film and no money", () => {
    const b = punt();
    lay(b);
    must(server.takeBack(b.regionId, "p:coat:1"));
    const r = record(b);
    expect(r.faces[0]!.films).toEqual([]);
    expect(r.spent).toEqual([]);
    expect(r.faces[0]!.touchUp).toBeNull();
  });
  it("a price without a pack is told and counts nothing", () => {
    const b = punt({ packMl: null, leftMl: null });
    lay(b);
    expect(record(b)).toMatchObject({
      money: null,
      spent: [expect.objectContaining({ packMissing: true, reckoned: true })],
    });
  });
  it("a chip is judged today: the lacquer over itself needs no scuff; a can that is gone is not on the shelf", () => {
    const b = punt();
    lay(b);
    const chip = () => record(b).faces[0]!.touchUp!;
    expect(chip()).toMatchObject({ onShelf: true, how: "wipe" });
    const can = must(server.getShelf()).find((i) => i.product.id === b.can)!;
    must(server.saveProduct(can.rev, { ...can.product, useBy: "2020-01-01" }));
    expect(chip().pastDate).toBe(true);
  });
  it("twenty faces with fifty entries each are put together in less than the second they may take", () => {
    const b = punt();
    lay(b);
    const doc = JSON.parse(must(server.exportDocument(b.model)));
    const one = doc.parts[0];
    const parts = Array.from({ length: 20 }, (_, n) => ({
      ...one,
      id: `part-${n}`,
      regions: [
        {
          ...one.regions[0],
          id: `region-${n}`,
          stack: { prep: [], layers: [{ ...one.regions[0].stack.layers[0], id: `layer-${n}` }] },
        },
      ],
    }));
    const entry = doc.log.find((e: { kind: string }) => e.kind === "done");
    const log = parts.flatMap((_, n) =>
      Array.from({ length: 50 }, (__, i) => ({
        ...entry,
        id: `entry-${n}-${i}`,
        regionId: `region-${n}`,
        opId: `layer-${n}:coat:1`,
      })),
    );
    const { modelId } = must(
      server.importDocument({ ...doc, parts, log, plan: null }, { onExisting: "copy", takeShop: false }),
    );
    const r = must(server.getRecord(modelId));
    expect(r.faces).toHaveLength(20);
    expect(r.faces.every((f) => f.films.length === 1)).toBe(true);
  });
});

describe("a look at a finished face", () => {
  const clock = globalThis as unknown as { elmBenchClockShiftMs: number };
  const DAY_MS = 86_400_000;
  const due = (b: Punt) => must(server.getBenchScreen(b.model)).looksDue[b.regionId];

  it("whose day has come stands at the bench until somebody looks; the next comes with its own day", () => {
    server.nowMs();
    const began = clock.elmBenchClockShiftMs;
    try {
      const b = punt();
      lay(b);
      const [first, second] = record(b).faces[0]!.followUps.map((l) => l.days);
      expect(second!).toBeGreaterThan(first! + 2);
      expect(due(b)).toBeNull();
      clock.elmBenchClockShiftMs = began + (first! + 0.5) * DAY_MS;
      expect(due(b)).toMatchObject({ days: first });
      must(server.lookAt(b.regionId, { marks: [], note: "as it was" }, WORDS));
      expect(due(b)).toBeNull();
      clock.elmBenchClockShiftMs = began + (second! + 1) * DAY_MS;
      expect(due(b)).toMatchObject({ days: second });
    } finally {
      clock.elmBenchClockShiftMs = began;
    }
  });
});

describe("what was used of a can", () => {
  it("counts coats, faces and models by the log, and less again once a coat is taken back", () => {
    const b = punt();
    lay(b);
    const used = () => must(server.getUsed())[b.can];
    expect(used()).toMatchObject({ coats: 1, faces: 1, models: 1, reckoned: false });
    must(server.takeBack(b.regionId, "p:coat:1"));
    expect(used()).toBeUndefined();
  });
});
