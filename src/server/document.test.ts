import { readFileSync } from "node:fs";
import type { ModelDocument } from "@/contracts";
import { logTitle } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import * as server from ".";

freshStore();

const demo = () => must(server.loadDemo(true)).modelId;
const asObject = (id: string) => JSON.parse(must(server.exportDocument(id)));
const REFUSE = { onExisting: "refuse", takeShop: false } as const;

describe("elm-bench/2", () => {
  it("export, import, export gives the same bytes", async () => {
    const id = demo();
    must(await server.makePlan(id));
    const first = must(server.exportDocument(id));
    must(server.deleteNode("model", id));
    must(server.importText(first, { onExisting: "replace", takeShop: true }));
    expect(must(server.exportDocument(id))).toBe(first);
  });
  it("the same model over itself changes nothing either", () => {
    const id = demo();
    const first = must(server.exportDocument(id));
    must(server.importText(first, { onExisting: "replace", takeShop: false }));
    expect(must(server.exportDocument(id))).toBe(first);
  });
  it("a model that is here is not replaced unasked, and a copy stands beside it", () => {
    const id = demo();
    const text = must(server.exportDocument(id));
    expect(refusal(server.importText(text, REFUSE))).toBe("conflict");
    const copy = must(server.importText(text, { onExisting: "copy", takeShop: false })).modelId;
    expect(copy).not.toBe(id);
    expect(must(server.getModels()).models).toHaveLength(2);
    const strip = (json: string) =>
      json.replaceAll(/"(id|opId|regionId|partId|ontoId|layerId|over|reportId)": "[^"]*"/g, "");
    expect(strip(must(server.exportDocument(copy)))).toBe(strip(text));
    expect(must(server.getBench(copy)).tiles.map((t) => t.zone)).toEqual(
      must(server.getBench(id)).tiles.map((t) => t.zone),
    );
  });
  it("a copy keeps the reasons written for its layers, also where a product came in beside the shelf’s", () => {
    const id = demo();
    const doc = asObject(id);
    const region = doc.parts
      .flatMap((p: { regions: object[] }) => p.regions)
      .find((r: { stack: { layers: unknown[] } }) => r.stack.layers.length > 1);
    const [below, over] = region.stack.layers;
    region.overrides = [
      {
        key: `seam-bite-stop@seam:${below.id}=${below.productId}+${over.id}=${over.productId}`,
        reason: "tried it on scrap",
      },
    ];
    doc.products.find((p: { id: string }) => p.id === below.productId).name = "Something else";
    const { modelId } = must(server.importText(JSON.stringify(doc), { onExisting: "copy", takeShop: false }));
    const copied = asObject(modelId).parts.flatMap((p: { regions: object[] }) => p.regions);
    const own = copied.find((r: { overrides: object[] }) => r.overrides.length > 0);
    const [b, o] = own.stack.layers;
    expect(b.id).not.toBe(below.id);
    expect(b.productId).not.toBe(below.productId);
    expect(own.overrides).toEqual([
      { key: `seam-bite-stop@seam:${b.id}=${b.productId}+${o.id}=${o.productId}`, reason: "tried it on scrap" },
    ]);
  });
  it("a product that differs from the shelf's comes in beside it", () => {
    const id = demo();
    const doc = asObject(id);
    doc.products[0].name = "Something else";
    doc.model.id = "other-model";
    const report = must(server.importText(JSON.stringify(doc), { onExisting: "copy", takeShop: false }));
    expect(report.products.broughtInBeside).toEqual(["Something else"]);
    expect(report.leftOut).toContain("shop");
  });
});

describe("a broken file is refused with the path of the fault and changes nothing", () => {
  const cases: readonly [string, (doc: Record<string, never>) => unknown, string][] = [
    ["not an object", () => 7, "invalid format"],
    ["another format", (d) => ({ ...d, format: "paint-list" }), "invalid format"],
    ["a newer one", (d) => ({ ...d, format: "elm-bench/9" }), "newer-format format"],
    ["an impossible area", (d) => patched(d, "parts.0.regions.0.areaCm2", -1), "invalid parts.0.regions.0.areaCm2"],
    [
      "a window the wrong way round",
      (d) => patched(d, "products.0.label.recoat", [[90, 3]]),
      "invalid products.0.label.recoat.0",
    ],
    [
      "a layer of nothing",
      (d) => patched(d, "parts.0.regions.0.stack.layers.0.productId", "gone"),
      "invalid parts.0.regions.0.stack.layers.0.productId",
    ],
    ["an id used twice", (d) => patched(d, "parts.1.id", "ml-hull"), "invalid parts.1.id"],
    ["a log entry without a time", (d) => patched(d, "log.0.at", "yesterday"), "invalid log.0.at"],
    [
      "a layer of a mend that another face’s mend has too",
      (d) => {
        const { log, parts } = d as unknown as ModelDocument;
        const [other] = parts.flatMap((p) => p.regions);
        const mended = log.find((e) => e.kind === "mended");
        return { ...d, log: [...log, { ...mended, id: "l-again", regionId: other!.id }] };
      },
      "invalid log.N.mend.layers.0.id",
    ],
    [
      "work asked for that is told of another face",
      (d) => {
        const { log, parts } = d as unknown as ModelDocument;
        const [one, other] = parts.flatMap((p) => p.regions);
        const { air, at } = log[0]!;
        const asked = { id: "l-asked", kind: "asked", regionId: one!.id, at, title: "", override: null, note: "", air };
        return { ...d, log: [...log, { ...asked, opId: `${other!.id}:extra:wipe`, work: { kind: "wipe" } }] };
      },
      "invalid log.N.opId",
    ],
    ["a field nobody knows", (d) => patched(d, "shop.mood", "blue"), "invalid shop.mood"],
  ];
  function patched(doc: unknown, path: string, value: unknown): unknown {
    const copy = structuredClone(doc) as Record<string, never>;
    const keys = path.split(".");
    let node: Record<string, never> = copy;
    for (const k of keys.slice(0, -1)) node = node[k]!;
    node[keys.at(-1)!] = value as never;
    return copy;
  }
  it.each(cases)("%s", (_what, breakIt, want) => {
    const id = demo();
    const before = must(server.exportDocument(id));
    const broken = breakIt(asObject(id));
    const told = refusal(server.importText(JSON.stringify(broken), { onExisting: "replace", takeShop: true }));
    expect(told.replace(/log\.[1-9]\d+\./, "log.N.")).toBe(want);
    expect(must(server.exportDocument(id))).toBe(before);
    expect(must(server.getModels()).models).toHaveLength(1);
  });
  it("not JSON at all", () => expect(refusal(server.importText("{ nearly", REFUSE))).toMatch(/^invalid/));
  it("a failure half way through leaves nothing behind", () => {
    const id = demo();
    const doc = asObject(id);
    doc.model.id = "half";
    // the same log id twice in the database: only the write itself can notice
    doc.log = [];
    doc.coupons = [];
    doc.parts = doc.parts.map((p: { id: string; regions: object[] }) => ({ ...p, id: `${p.id}-b`, regions: [] }));
    must(server.importText(JSON.stringify(doc), REFUSE));
    expect(must(server.getModels()).models.map((m) => m.id)).toEqual([id, "half"]);
  });
});

describe("HTTP answers as values", () => {
  it("plans a sent document as of a moment, and keeps nothing", async () => {
    const id = demo();
    const document = asObject(id);
    const before = must(server.exportDocument(id));
    const now = new Date(Date.parse(document.log.at(-1).at) + 60_000).toISOString();
    const a = must(await server.planDocument({ document, now }));
    expect(a.answer.outcome).toBe("planned");
    expect(must(await server.planDocument({ document, now })).answer).toEqual(a.answer);
    expect(must(server.exportDocument(id))).toBe(before);
  });
  it("names the path of a fault inside the sent document", async () => {
    const document = asObject(demo());
    document.parts[0].regions[0].areaCm2 = -1;
    expect(refusal(await server.planDocument({ document }))).toBe("invalid document.parts.0.regions.0.areaCm2");
    expect(refusal(await server.planDocument({ document: { format: "elm-bench/3" } }))).toBe(
      "newer-format document.format",
    );
    expect(refusal(await server.planDocument({}))).toBe("invalid document");
  });
  it("checks inline products and products of the shelf alike", () => {
    demo();
    const region = { material: "xps", finish: "seen" };
    const inline = { role: "primer", family: "acrylic-lacquer", carriers: ["ester"] };
    expect(must(server.checkStack({ region, layers: [{ product: inline }] })).worst).toBe("stop");
    expect(must(server.checkStack({ region, layers: [{ product: "foam-sealer", method: "brush" }] })).worst).toBe("ok");
    expect(refusal(server.checkStack({ region, layers: [{ product: "nothing" }] }))).toBe("invalid layers.0.product");
    expect(refusal(server.checkStack({ region: { finish: "seen" }, layers: [{ product: inline }] }))).toBe(
      "invalid region.material",
    );
  });
  it("the calendar holds every piece of work still to do, once", async () => {
    const id = demo();
    expect(refusal(server.planCalendar(id, logTitle))).toBe("not-found");
    const plan = must(await server.makePlan(id));
    if (plan.outcome !== "planned") throw new Error(plan.outcome);
    const ics = must(server.planCalendar(id, logTitle));
    const open = plan.ops.filter((o) => o.state !== "done");
    const events = open.length + plan.followUps.length;
    expect(ics.match(/BEGIN:VEVENT/g)).toHaveLength(events);
    expect(new Set(ics.match(/UID:.*/g)).size).toBe(events);
    expect(ics).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2.0/);
    expect(ics.split("\r\n").every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    expect(must(server.planCalendar(id, logTitle))).toBe(ics);
  });
});

describe("elm-bench/1", () => {
  it.each(["elm-bench-1-first", "elm-bench-1"])("%s is read, brought up to date, and goes out as today's", (name) => {
    const old = readFileSync(`tests/fixtures/${name}.json`, "utf8");
    const told = JSON.parse(old);
    const { modelId } = must(server.importText(old, { onExisting: "refuse", takeShop: true }));
    const doc = asObject(modelId);
    expect(doc.format).toBe("elm-bench/2");
    expect(doc.log.map((e: { id: string }) => e.id)).toEqual(told.log.map((e: { id: string }) => e.id));
    const coats = doc.log.filter((e: { kind: string; coats?: number }) => e.kind === "done" && e.coats);
    expect(coats.length).toBeGreaterThan(0);
    for (const e of coats) expect(doc.products.map((p: { id: string }) => p.id)).toContain(e.laid.productId);
    expect(must(server.getBench(modelId)).tiles.some((t) => t.done > 0)).toBe(true);
  });
  it("names the field of what is wrong in it, as of today's", () => {
    const doc = JSON.parse(readFileSync("tests/fixtures/elm-bench-1.json", "utf8"));
    doc.log[0].at = "yesterday";
    expect(refusal(server.importText(JSON.stringify(doc), REFUSE))).toBe("invalid log.0.at");
    expect(refusal(server.importText(JSON.stringify({ format: "elm-bench/1", parts: 3 }), REFUSE))).toMatch(
      /^invalid /,
    );
  });
});

describe("cards", () => {
  const laid = (doc: { log: { kind: string; coats?: number; laid?: object; opId: string }[] }) =>
    doc.log.find((e) => e.kind === "done" && e.coats)!;
  it("whose name is not what they hold, or that a coat misses, are refused", () => {
    const doc = asObject(demo());
    const hash = "a".repeat(64);
    expect(refusal(server.importText(JSON.stringify({ ...doc, cards: { [hash]: doc.products[0] } }), REFUSE))).toBe(
      `invalid cards.${hash}`,
    );
    Object.assign(laid(doc).laid!, { card: hash });
    expect(refusal(server.importText(JSON.stringify(doc), REFUSE))).toMatch(/^invalid log\.\d+\.laid\.card$/);
  });
});
