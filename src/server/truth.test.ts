import { readdirSync, readFileSync, statSync, truncateSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { logTitle } from "@/messages";
import { freshStore, must, rawDb, refusal } from "../../tests/support/store";
import { layer, product } from "../../tests/support/world";
import { closeDb } from "../db";
import * as server from ".";

/** Hangs, lost work, and buttons that started what must not start: each told as it was met. */

const store = freshStore();
const iso = (minutesAgo: number) => new Date(Date.parse("2026-03-02T19:00:00Z") - minutesAgo * 60_000).toISOString();

function demo() {
  must(server.loadDemo(true));
  return must(server.getModels()).current!.id;
}
const docOf = (modelId: string) => JSON.parse(must(server.exportDocument(modelId)));
const layerOf = (id: string, productId: string, over: object = {}) => layer(productId, { id, ...over });

describe("names and figures from outside", () => {
  it.each(["constructor", "toString", "valueOf", "hasOwnProperty"])(
    "a region called %s is planned like any other",
    async (id) => {
      const doc = docOf(demo());
      const part = doc.parts[0];
      const document = {
        ...doc,
        log: [],
        plan: null,
        planning: undefined,
        parts: [{ ...part, regions: [{ ...part.regions[0], id }] }],
      };
      document.air = undefined;
      const told = must(await server.planDocument({ document: JSON.parse(JSON.stringify(document)) }));
      expect(["planned", "refused"]).toContain(told.answer.outcome);
    },
  );
  it.each([
    [
      "a log entry of the year 9999",
      (d: { log: { at: string }[] }) => (d.log[0]!.at = "9999-01-01T00:00:00.000Z"),
      "log.0.at",
    ],
    ["one of the year 1", (d: { log: { at: string }[] }) => (d.log[0]!.at = "0001-01-01T00:00:00.000Z"), "log.0.at"],
    ["a thousand million coats", (d: { log: { coats: number | null }[] }) => (d.log[0]!.coats = 1e9), "log.0.coats"],
    ["a film of 5e-324 µm", (d: { log: { wftUm: number | null }[] }) => (d.log[0]!.wftUm = 5e-324), "log.0.wftUm"],
  ])("%s is refused by its field", (_, spoil, path) => {
    const id = demo();
    const doc = docOf(id);
    spoil(doc);
    expect(refusal(server.importDocument(doc, { onExisting: "replace", takeShop: false }))).toBe(`invalid ${path}`);
  });
  it("now in the year 0 is refused by its field", async () => {
    const document = docOf(demo());
    expect(refusal(await server.planDocument({ document, now: "0000-01-01T00:00:00Z" }))).toBe("invalid now");
  });
  it.each(["null", "[null]", '{"format":"elm-bench-shelf/1","products":[{"name":{"toString":1}}]}', "7"])(
    "%s as a shelf is told, not fallen over",
    (text) => {
      expect(must(server.previewShelf(text, "json")).faults.length).toBeGreaterThan(0);
    },
  );
  it("eighty kilobytes of empty lines are read line by line, and the line of a fault is right", () => {
    const text = `name,role\n${"\n".repeat(80_000)}x,nonsense\n`;
    const { faults } = must(server.previewShelf(text, "csv"));
    expect(faults[0]!.line).toBe(80_002);
  });
  it("ids of another model in a document that replaces one are named, and nothing is changed", () => {
    const id = demo();
    const other = must(server.addModel({ name: "Skiff", scale: "", note: "" })).id;
    const foreign = docOf(id).parts[0].id;
    const before = must(server.exportDocument(other));
    const doc = { ...docOf(other), parts: [{ id: foreign, name: "x", count: 1, note: "", regions: [] }] };
    expect(refusal(server.importDocument(doc, { onExisting: "replace", takeShop: false }))).toBe("invalid parts.0.id");
    expect(must(server.exportDocument(other))).toBe(before);
  });
  it("no way of working at all is refused, and the screens go on", () => {
    demo();
    expect(refusal(server.chooseWay(null as never))).toContain("invalid");
    expect(must(server.getWays()).ways.length).toBeGreaterThan(0);
  });
  it("work logged eleven months ago is no reason to reckon eleven months of air", () => {
    const id = demo();
    const doc = docOf(id);
    for (const e of doc.log) e.at = new Date(Date.parse(e.at) - 330 * 86_400_000).toISOString();
    must(server.importDocument(doc, { onExisting: "replace", takeShop: false }));
    const { input } = must(server.getPlanInput());
    expect(input.nowMin - input.climate.points[0]!.atMin).toBeLessThan(100 * 1440);
    expect(must(server.getBench(id)).tiles.length).toBeGreaterThan(5);
  });
});

describe("the database file", () => {
  it("with a row nobody can read opens, shows the rest, and says so", () => {
    const id = demo();
    const entries = must(server.getLog(id)).length;
    closeDb();
    const raw = rawDb(store.file());
    raw
      .prepare(
        "update log set entry = json_set(entry, '$.at', '9999-12-31T00:00:00.000Z') where seq = (select min(seq) from log)",
      )
      .run();
    raw.close();
    expect(must(server.getLog(id))).toHaveLength(entries - 1);
    expect(must(server.getBench(id)).tiles.length).toBeGreaterThan(5);
    expect(must(server.getFrame()).unreadable).toContainEqual({ what: "log entry", count: 1 });
  });
  it("with settings of which one cannot be read keeps the others, and says so", () => {
    demo();
    const shop = must(server.getShop());
    must(server.saveShop(shop.rev, { caution: "safe", protection: ["gloves"] }));
    closeDb();
    const raw = rawDb(store.file());
    raw.prepare(`update shop set settings = json_set(settings, '$.air', json('{"kind":"moon"}'))`).run();
    raw.close();
    const read = must(server.getShop()).shop;
    expect(read).toMatchObject({ caution: "safe", protection: ["gloves"], air: { kind: "day" } });
    expect(must(server.getFrame()).unreadable).toContainEqual({ what: "settings of the shed", count: 1 });
    expect(must(server.getBench(must(server.getModels()).current!.id)).tiles.length).toBeGreaterThan(5);
  });
  it("is served by one process: the second is refused in words, and may when the first has gone", () => {
    demo();
    closeDb();
    const first = rawDb(join(store.dir(), "elm-bench.lock"));
    first.exec("begin exclusive");
    expect(refusal(server.getModels())).toBe("storage-in-use");
    first.close();
    must(server.getModels());
  });
  it("emptied is told as damaged, not begun anew, and no emptiness is backed up", () => {
    demo();
    closeDb();
    const backups = () => {
      try {
        return readdirSync(join(store.dir(), "backups"));
      } catch {
        return [];
      }
    };
    const before = backups();
    truncateSync(store.file(), 0);
    expect(refusal(server.getModels())).toBe("storage-damaged");
    expect(statSync(store.file()).size).toBe(0);
    expect(backups()).toEqual(before);
  });
  it("emptied under a running server is noticed before anything more is acknowledged", () => {
    demo();
    truncateSync(store.file(), 0);
    expect(refusal(server.addModel({ name: "Skiff", scale: "", note: "" }))).toBe("storage-damaged");
  });
  it("has its copy counted only once it has been opened and read", () => {
    demo();
    closeDb();
    const folder = join(store.dir(), "backups");
    must(server.getModels());
    closeDb();
    const [copy] = readdirSync(folder).filter((f) => f.endsWith(".db"));
    expect(readFileSync(join(folder, copy!)).subarray(0, 15).toString()).toBe("SQLite format 3");
    writeFileSync(join(folder, "elm-bench-20991231T000000.db.part"), "");
    must(server.getModels());
    expect(readdirSync(folder).every((f) => f.endsWith(".db") || f.endsWith(".part"))).toBe(true);
  });
});

describe("starting", () => {
  function metal(air: object = {}) {
    const model = must(server.addModel({ name: "Bracket", scale: "", note: "" })).id;
    const part = must(server.addPart(model, { name: "Bracket", count: 1, note: "" })).id;
    const region = must(server.addRegion(part, { name: "All over" })).id;
    must(server.editNode("region", region, 0, { material: "aluminium", conditions: ["keyed", "clean"], areaCm2: 40 }));
    const etch = must(server.addProduct(product("etch-green"))).id;
    const primer = must(server.addProduct(product("grey-primer"))).id;
    must(server.saveStack(region, 0, { prep: [], layers: [layerOf("e", etch), layerOf("p", primer)] }));
    const shop = must(server.getShop());
    must(
      server.saveShop(shop.rev, {
        protection: ["extraction", "a2p3", "p3"],
        air: {
          kind: "steady",
          meanC: 20,
          swingC: 0,
          warmestHour: 15,
          rhPct: 50,
          airflowMS: 0.1,
          tonight: null,
          ...air,
        },
      }),
    );
    const tile = () => must(server.getBench(model)).tiles.find((t) => t.regionId === region)!;
    const start = (opId: string, reason: string | null = null) =>
      server.startOp(region, { opId, reason }, logTitle, (code) => code);
    return { model, region, tile, start };
  }
  it("in air the product does not stand is no start: named, and only with a reason", () => {
    const b = metal({ rhPct: 86, meanC: 8 });
    expect(b.tile().zone).toBe("held");
    expect(refusal(b.start("e:coat:1"))).toBe("refused reason");
    const entry = must(b.start("e:coat:1", "the part is a scrap"));
    expect(entry.override).toContain("the part is a scrap");
  });
  it("a primer over an etch three days old is a stop, and a scuff is no way on", () => {
    const b = metal();
    must(b.start("e:coat:1"));
    const done = { opId: "e:coat:1", minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
    must(server.finishOp(b.region, done, logTitle));
    const doc = docOf(b.model);
    for (const e of doc.log) e.at = iso(3 * 1440);
    must(server.importDocument(doc, { onExisting: "replace", takeShop: false }));
    expect(b.tile().zone).toBe("held");
    expect(b.tile().check!.stops.map((v) => v.rule)).toContain("etch-missed");
    expect(refusal(b.start("p:coat:1"))).toBe("refused reason");
  });
  it("on a light-cured skin found tacky waits for the lamp, not for the clock", () => {
    const b = metal();
    const model = must(server.addModel({ name: "Bow", scale: "", note: "" })).id;
    const part = must(server.addPart(model, { name: "Bow", count: 1, note: "" })).id;
    const region = must(server.addRegion(part, { name: "Seam" })).id;
    must(server.editNode("region", region, 0, { material: "petg", conditions: ["keyed", "clean"], areaCm2: 5 }));
    const skin = must(
      server.addProduct(
        product("fairing-putty", { family: "uv-acrylate", carriers: ["reactive-diluent"], name: "Lamp skin" }),
      ),
    ).id;
    const sandAfter = { grit: 240, wet: true, takesUm: 20 };
    must(server.saveStack(region, 0, { prep: [], layers: [{ ...layerOf("l", skin), sandAfter }] }));
    const tile = () => must(server.getBench(model)).tiles.find((t) => t.regionId === region)!;
    must(server.startOp(region, { opId: "l:coat:1", reason: "own trial" }, logTitle, (code) => code));
    const done = { opId: "l:coat:1", minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
    must(server.finishOp(region, done, logTitle));
    must(server.notYet(region, { opId: "l:sand", sign: "tacky", note: "" }, logTitle));
    const doc = docOf(model);
    for (const e of doc.log) e.at = iso(20 * 1440);
    must(server.importDocument(doc, { onExisting: "replace", takeShop: false }));
    expect(tile()).toMatchObject({ zone: "held", check: { leftTacky: true, barred: true } });
    expect(refusal(server.startOp(region, { opId: "l:sand", reason: null }, logTitle, (c) => c))).toBe(
      "refused reason",
    );
    must(server.startOp(region, { opId: "l:sand", reason: "two more minutes under the lamp" }, logTitle, (c) => c));
    expect(b.tile().check!.leftTacky).toBe(false);
  });
  it("too early stands in the log as early", () => {
    const b = metal();
    must(b.start("e:coat:1"));
    const done = { opId: "e:coat:1", minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
    must(server.finishOp(b.region, done, logTitle));
    const early = b.start("p:coat:1", "in a hurry");
    expect(must(early).override).toMatch(/early: likely not ready for another \d+ min/);
  });
});
