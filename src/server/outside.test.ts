import { redPng } from "../../tests/support/png";
import { freshStore, must, refusal } from "../../tests/support/store";
import * as server from ".";

/** What comes in from outside and goes out again: files, pictures, documents under an address, names. */

freshStore();

const demo = () => must(server.loadDemo(true)).modelId;
const docOf = (modelId: string) => JSON.parse(must(server.exportDocument(modelId)));

describe("what is refused by its field", () => {
  const forecast = (row: string) => must(server.previewForecast(`time,temp_c,rh_pct\n${row},8,80\n`, "csv")).faults;
  it.each([
    ["2026-13-01 10:00", "is a day no calendar has"],
    ["2026-02-30 10:00", "is a day no calendar has"],
    ["2026-02-30T10:00:00Z", "is a day no calendar has"],
    ["2026-11-31T10:00:00+01:00", "is a day no calendar has"],
    ["2026-11-30 24:00", "is an hour no clock shows"],
    ["2026-11-30 10:61", "is an hour no clock shows"],
    ["0001-01-01T00:00:00Z", "must lie between the years 2000 and 2100"],
    ["9999-01-01 00:00", "must lie between the years 2000 and 2100"],
  ])("a forecast for %s: %s", (row, message) => {
    expect(forecast(row)).toEqual([{ line: 2, column: "time", message }]);
  });
  it("a forecast of more hours than anybody foretells, before it is read", () => {
    const text = `time,temp_c,rh_pct\n${"2026-11-29T10:00:00Z,8,80\n".repeat(12_000)}`;
    expect(must(server.previewForecast(text, "csv")).faults[0]!.message).toBe("holds more than 5000 hours");
  });
  it("a shelf of more products than any shelf holds, and not a fault for each of them", () => {
    const rows = must(server.previewShelf(`name,role\n${"x,y,z\n".repeat(300_000)}`, "csv")).faults;
    expect(rows.some((f) => f.message.includes("more than 5000 products"))).toBe(true);
    const faults = must(server.previewShelf(`name,role\n${"x,y,z\n".repeat(900)}`, "csv")).faults;
    expect(faults).toHaveLength(201);
    expect(faults.at(-1)!.message).toMatch(/^and \d+ more from here on$/);
  });
  it.each([
    ["of 60 000 pixels a side", 60_000, "too-large photo"],
    ["of nothing", 0, "invalid photo"],
  ])("a picture %s", (_, side, want) => {
    const bytes = redPng(8);
    bytes.writeUInt32BE(side, 16);
    bytes.writeUInt32BE(side, 20);
    expect(refusal(server.addPhoto(bytes))).toBe(want);
  });
  it("a picture in a document that is another kind than it says", () => {
    const id = demo();
    const { hash } = must(server.addPhoto(redPng(9)));
    const doc = docOf(id);
    doc.photos = { [hash]: { type: "image/jpeg", base64: redPng(9).toString("base64") } };
    expect(refusal(server.importDocument(doc, { onExisting: "replace", takeShop: false }))).toBe(
      `invalid photos.${hash}`,
    );
  });
});

describe("a document under its own address", () => {
  it("whose ids another model has is refused, not brought in under others: sent twice it would be here twice", () => {
    const doc = docOf(demo());
    doc.model.id = "elsewhere";
    expect(refusal(server.importDocument(doc, { onExisting: "replace", takeShop: false }))).toBe("invalid parts.0.id");
    expect(must(server.getModels()).models).toHaveLength(1);
  });
  it("has a version that a reading of the shed’s air does not change, and an edit does", () => {
    const id = demo();
    const version = () => must(server.versionOf(id));
    const before = version();
    must(server.addReading({ minutesAgo: 0, tempC: 9, rhPct: 70 }));
    expect(version()).toBe(before);
    const part = must(server.getTree(id))[0]!;
    must(server.editNode("part", part.id, part.rev, { note: "by the window" }));
    expect(version()).not.toBe(before);
  });
});

describe("names and cells", () => {
  it("a name is one line, whatever is put into it, so that nothing is smuggled into a calendar", async () => {
    const id = demo();
    const doc = docOf(id);
    doc.model.name = "A\r\nBEGIN:VEVENT\u202eb";
    doc.parts[0].name = "Hull\nSUMMARY:x";
    must(server.importDocument(doc, { onExisting: "replace", takeShop: false }));
    expect(must(server.getModels()).current!.name).toBe("A BEGIN:VEVENT b");
    must(await server.makePlan(id));
    const lines = must(server.planCalendar(id, () => "Rub")).split("\r\n");
    expect(lines.filter((l) => l === "BEGIN:VEVENT").length).toBe(lines.filter((l) => l === "END:VEVENT").length);
    expect(lines.some((l) => l.startsWith("SUMMARY:x"))).toBe(false);
  });
  it.each(["=cmd|' /C calc'!A0", "@SUM(A1)", "+1", "-3", "'=already", "''+twice", "plain", "'quoted"])(
    "%s goes into a table as text and comes back as it was",
    (name) => {
      demo();
      const shelf = JSON.parse(must(server.exportShelf("json")));
      const own = { ...shelf.products[0], id: "odd-name", name };
      must(server.importShelf(JSON.stringify([own]), "json", "keep"));
      const text = must(server.exportShelf("csv"));
      const cells = text.split(/[\r\n,]+/).map((c) => c.replace(/^"|"$/g, ""));
      expect(cells.filter((c) => /^[=@+]/.test(c) || (c.startsWith("-") && Number.isNaN(Number(c))))).toEqual([]);
      must(server.importShelf(text, "csv", "replace"));
      const after = JSON.parse(must(server.exportShelf("json")));
      expect(after.products.find((p: { id: string }) => p.id === "odd-name").name).toBe(name);
      expect(after).toEqual(JSON.parse(must(server.exportShelf("json"))));
    },
  );
});
