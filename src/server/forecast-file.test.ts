import { readForecastFile } from "./forecast-file";

const say = (ms: number) => new Date(ms).toISOString().slice(5, 16);
const csv = (lines: readonly string[], head = "time,temp_c,rh_pct", zone = "Europe/London") =>
  readForecastFile([head, ...lines].join("\n"), "csv", zone, say);
const hour = (h: number, tempC = 12, rh = 60) => `2026-11-27T${String(h).padStart(2, "0")}:00:00Z,${tempC},${rh}`;

describe("a forecast file", () => {
  it("is read in order with nothing taken for granted", () => {
    const f = csv([hour(0), hour(1, 11.5), hour(2)]);
    expect(f).toMatchObject({ faults: [], assumptions: [] });
    expect(f.points.map((p) => p.tempC)).toEqual([12, 11.5, 12]);
  });
  it("says the same in JSON", () => {
    const points = [0, 1].map((h) => ({ at: `2026-11-27T0${h}:00:00Z`, temp_c: 9 + h, rh_pct: 70, airflow_m_s: 0.2 }));
    const text = JSON.stringify({ format: "elm-bench-forecast/1", points });
    const f = readForecastFile(text, "json", "UTC", say);
    expect(f.faults).toEqual([]);
    expect(f.points).toEqual([
      { atMs: Date.UTC(2026, 10, 27, 0), tempC: 9, rhPct: 70, airflowMS: 0.2 },
      { atMs: Date.UTC(2026, 10, 27, 1), tempC: 10, rhPct: 70, airflowMS: 0.2 },
    ]);
  });
  it("in °F by its heading is turned, and said so", () => {
    const f = csv(["2026-11-27T00:00:00Z,50,60"], "time,temp_f,rh_pct");
    expect(f.points[0]!.tempC).toBeCloseTo(10);
    expect(f.assumptions.join()).toContain("°F");
  });
  it.each([
    [
      "a cell in another unit than its heading",
      [hour(0), "2026-11-27T01:00:00Z,52 °F,60"],
      3,
      "temp_c",
      "units are mixed",
    ],
    ["a leap that only a change of units makes", [hour(0), hour(1, 54)], 3, "temp_c", "are units mixed"],
    ["the same hour with other air", [hour(0), hour(0, 9)], 3, "time", "stands on line 2"],
    ["a humidity that cannot be", [hour(0, 10, 140)], 2, "rh_pct", "between 0 and 100"],
    ["no number", ["2026-11-27T00:00:00Z,cold,60"], 2, "temp_c", "must be a number"],
    ["no time", ["soon,12,60"], 2, "time", "is not a time"],
    ["a temperature off the earth", [hour(0, 300)], 2, "temp_c", "between -40 and 60"],
  ] as const)("refuses %s, by line and column", (_, lines, line, column, words) => {
    const { faults } = csv(lines);
    expect(faults[0]).toMatchObject({ line, column, message: expect.stringContaining(words) });
  });
  it("refuses two temperature columns, unknown ones and missing ones in the heading", () => {
    expect(csv([], "time,temp_c,temp_f,rh_pct").faults[0]!.message).toContain("units are mixed");
    expect(csv([hour(0)], "time,temp_c,damp").faults.map((f) => f.column)).toEqual(["rh_pct", "damp"]);
    expect(readForecastFile("", "csv", "UTC", say).faults[0]!.message).toContain("holds nothing");
    expect(readForecastFile("{ nearly", "json", "UTC", say).faults[0]!.message).toContain("is not JSON");
  });
  it("sorts rows out of order, drops what is told twice alike, and says both", () => {
    const f = csv([hour(2), hour(0), hour(1), hour(1)]);
    expect(f.faults).toEqual([]);
    expect(f.points.map((p) => new Date(p.atMs).getUTCHours())).toEqual([0, 1, 2]);
    expect(f.assumptions.join(" ")).toMatch(/out of order.*1 hour was told twice/);
  });
  it("names the holes the typical day fills", () => {
    expect(csv([hour(0), hour(9)]).assumptions.join()).toContain("a hole from 11-27T00:00 to 11-27T09:00");
  });
  it("times without an offset are the shed's own; summer time ends with an hour twice, in order", () => {
    const lines = ["2026-10-25 00:30", "2026-10-25 01:30", "2026-10-25 01:30", "2026-10-25 02:30"].map(
      (t, i) => `${t},${12 - i},60`,
    );
    const f = csv(lines);
    expect(f.faults).toEqual([]);
    expect(f.points.map((p) => (p.atMs - f.points[0]!.atMs) / 3_600_000)).toEqual([0, 1, 2, 3]);
    expect(f.assumptions.join()).toContain("Europe/London");
  });
  it("an hour the clocks skip is refused", () => {
    expect(csv(["2026-03-29 01:30,8,70"]).faults[0]).toMatchObject({
      line: 2,
      column: "time",
      message: expect.stringContaining("does not exist"),
    });
  });
});
