import { freshStore, must, rawDb, refusal } from "../../tests/support/store";
import * as server from ".";

/** Looking for something in a log: by words, by days, and as a file. */
const store = freshStore();

const demo = () => {
  must(server.loadDemo(true));
  return must(server.getModels()).current!.id;
};
const found = (id: string, asked: object) => must(server.getLogbook(id, asked)).entries;

describe("the logbook", () => {
  it.each<[string, object, RegExp]>([
    ["a word of the work", { q: "etch" }, /etch/i],
    ["the beginning of a word", { q: "degr" }, /degrease/i],
    ["two words, both of them", { q: "silver coat" }, /silver.*coat/i],
    ["a word of a note", { q: "eaves" }, /primer/i],
    ["whatever its case and accents", { q: "DÉGREASE" }, /degrease/i],
  ])("%s", (_, asked, title) => {
    const id = demo();
    const lines = found(id, asked);
    expect(lines.length).toBeGreaterThan(0);
    for (const e of lines) expect(`${e.title} ${e.note}`).toMatch(title);
    // newest first
    expect([...lines].sort((a, b) => b.at.localeCompare(a.at))).toEqual(lines);
  });
  it.each([
    ["nonsense finds nothing", { q: "zzyzx" }],
    ["signs that are no words find nothing, and break nothing", { q: '"*) OR (:^' }],
    ["a day nothing was done on", { from: "2020-01-01", to: "2020-01-02" }],
  ])("%s", (_, asked) => expect(found(demo(), asked)).toEqual([]));
  it("everything stands where nothing is looked for; a day and a word narrow it together", () => {
    const id = demo();
    const all = must(server.getLogbook(id, {}));
    expect(all.entries).toHaveLength(all.total);
    const day = all.entries[0]!.at.slice(0, 10);
    const own = found(id, { from: day, to: day });
    expect(own.length).toBeGreaterThan(0);
    expect(own.length).toBeLessThan(all.total);
    expect(found(id, { from: day, to: day, q: "primer" }).length).toBeLessThan(own.length);
  });
  it("a part and a kind narrow it too, also as a file", () => {
    const id = demo();
    const asked = { region: "ml-hull-topsides", kind: "done" };
    const own = found(id, asked);
    expect(own.length).toBeGreaterThan(0);
    for (const e of own) expect([e.regionId, e.kind]).toEqual(["ml-hull-topsides", "done"]);
    expect(JSON.parse(must(server.exportLog(id, asked, "json"))).log).toHaveLength(own.length);
  });
  it.each([
    ["a paired device by the name it was given", encodeURIComponent("Ada’s phone"), "Ada’s phone"],
    ["this machine by none", null, undefined],
    ["a name that is none by none", "%E0%A4%A", undefined],
  ])("what was told on %s", (_, header, by) => {
    const id = demo();
    const tile = must(server.getBench(id)).tiles.find((t) => t.zone === "drying")!;
    const told = { opId: tile.op!.id, sign: "tacky", note: "", minutesAgo: 0 };
    must(server.forDevice(header, () => server.notYet(tile.regionId, told, () => "Not yet")));
    const [last] = found(id, { kind: "not-yet" });
    expect(last!.by).toBe(by);
    expect(must(server.exportLog(id, { kind: "not-yet" }, "csv"))).toContain("told_on");
    // and it goes with the document
    expect(JSON.parse(must(server.exportDocument(id, false))).log.some((e: { by?: string }) => e.by === by)).toBe(true);
  });
  it("what is no day is refused by its field", () => {
    const id = demo();
    expect(refusal(server.getLogbook(id, { from: "yesterday" }))).toBe("invalid from");
    expect(refusal(server.getLogbook("nowhere", {}))).toBe("not-found");
  });
  it("as a file: a line an entry; what begins like a formula is no formula", () => {
    const id = demo();
    const csv = must(server.exportLog(id, { q: "etch" }, "csv"));
    expect(csv.split("\r\n")[0]).toContain("at,kind,part,what");
    expect(csv.trim().split("\r\n")).toHaveLength(found(id, { q: "etch" }).length + 1);
    const json = JSON.parse(must(server.exportLog(id, {}, "json")));
    expect(json.log).toHaveLength(must(server.getLogbook(id, {})).total);
  });
  it("what is changed or gone in the log is changed and gone in what is looked through", () => {
    const id = demo();
    const raw = rawDb(store.file());
    raw
      .prepare("update log set entry = json_set(entry, '$.note', 'kingfisher') where seq = (select max(seq) from log)")
      .run();
    const count = (word: string) =>
      raw.prepare("select count(*) from log_text where log_text match ?").pluck().get(word);
    expect(count("kingfisher")).toBe(1);
    raw.prepare("delete from log where seq = (select max(seq) from log)").run();
    expect(count("kingfisher")).toBe(0);
    raw.close();
    expect(found(id, { q: "kingfisher" })).toEqual([]);
  });
});
