import { NOW_MIN } from "../../../tests/support/world";
import { dewPointC, saturationHPa } from "../reference";
import { airAt, climateOf } from "./climate";
import { type AirWord, assembleClimate, climateAt } from "./series";

const HOUR = 60;
const flat = (tempC: number, rhPct: number, hours = 96) =>
  climateOf(
    Array.from({ length: 2 * hours + 1 }, (_, i) => ({
      atMin: NOW_MIN - 24 * HOUR + 30 * i,
      tempC,
      rhPct,
      airflowMS: 0.1,
    })),
  );
const word = (afterMin: number, tempC: number, rhPct: number): AirWord => ({
  atMin: NOW_MIN + afterMin,
  tempC,
  rhPct,
  airflowMS: null,
});
const typical = flat(15, 60);

describe("one climate from all that is known", () => {
  it("is the typical day where nothing was measured or foretold, and says it assumes", () => {
    const { climate, spans } = assembleClimate({ typical, forecast: [], readings: [] });
    expect(airAt(climate, NOW_MIN + 77).tempC).toBe(15);
    expect(spans).toEqual([
      { fromMin: typical.points[0]!.atMin, toMin: typical.points.at(-1)!.atMin, from: "assumed" },
    ]);
  });
  it("goes through every reading, straight between near ones", () => {
    const { climate, spans } = assembleClimate({
      typical,
      forecast: [],
      readings: [word(-120, 10, 70), word(0, 12, 66)],
    });
    expect(airAt(climate, NOW_MIN - 60).tempC).toBeCloseTo(11, 9);
    expect(airAt(climate, NOW_MIN - 60).rhPct).toBeCloseTo(68, 9);
    expect(spans.map((s) => s.from)).toEqual(["assumed", "measured", "assumed"]);
  });
  it("a reading colder than expected makes the next hours colder, and fades", () => {
    const { climate } = assembleClimate({ typical, forecast: [], readings: [word(0, 9, 60)] });
    const off = (hours: number) => airAt(climate, NOW_MIN + hours * HOUR).tempC - 15;
    expect(off(3)).toBeCloseTo(-6 / Math.E, 2);
    expect(off(24)).toBeGreaterThan(-0.01);
    expect(off(-3)).toBeCloseTo(-6 / Math.E, 2);
  });
  it("keeps the vapour it measured, not the relative humidity", () => {
    const { climate } = assembleClimate({ typical, forecast: [], readings: [word(0, 9, 80)] });
    const later = airAt(climate, NOW_MIN + 3 * HOUR);
    const expected = 0.6 * saturationHPa(15) + (0.8 * saturationHPa(9) - 0.6 * saturationHPa(15)) / Math.E;
    expect((later.rhPct / 100) * saturationHPa(later.tempC)).toBeCloseTo(expected, 2);
  });
  it("takes the forecast before the typical day, and readings before the forecast", () => {
    const forecast = [0, 60, 120, 180].map((m) => word(m, 8, 80));
    const { climate, spans } = assembleClimate({ typical, forecast, readings: [word(0, 8, 80)] });
    expect(airAt(climate, NOW_MIN + 90).tempC).toBeCloseTo(8, 6);
    expect(airAt(climate, NOW_MIN + 10 * HOUR).tempC).toBe(15);
    expect(spans.find((s) => s.fromMin <= NOW_MIN + 90 && NOW_MIN + 90 < s.toMin)!.from).toBe("forecast");
  });
  it("later truth replaces what had been foretold for that time", () => {
    const forecast = [-180, -120, -60, 0, 60].map((m) => word(m, 8, 80));
    const { climate } = assembleClimate({ typical, forecast, readings: [word(-120, 13, 60), word(-60, 13, 60)] });
    expect(airAt(climate, NOW_MIN - 90).tempC).toBeCloseTo(13, 9);
  });
  it("leaves a hole in the forecast to the typical day", () => {
    const { climate, spans } = assembleClimate({ typical, forecast: [word(0, 8, 80), word(600, 8, 80)], readings: [] });
    expect(airAt(climate, NOW_MIN + 300).tempC).toBe(15);
    expect(spans.some((s) => s.from === "assumed" && s.fromMin <= NOW_MIN + 300 && s.toMin > NOW_MIN + 300)).toBe(true);
  });
  it("a hygrometer that posts every minute is thinned, its newest word kept", () => {
    const readings = Array.from({ length: 61 }, (_, i) => word(i - 60, 10 + i / 60, 60));
    const { climate } = assembleClimate({ typical, forecast: [], readings });
    expect(airAt(climate, NOW_MIN).tempC).toBeCloseTo(11, 6);
    expect(climate.points.length).toBeLessThan(typical.points.length + 10);
  });
  it("spans cover the whole of it, one after another", () => {
    const { climate, spans } = assembleClimate({
      typical,
      forecast: [0, 60].map((m) => word(m, 9, 70)),
      readings: [word(-300, 9, 70), word(-200, 9, 70)],
    });
    expect(spans[0]!.fromMin).toBe(climate.points[0]!.atMin);
    expect(spans.at(-1)!.toMin).toBe(climate.points.at(-1)!.atMin);
    spans.forEach((s, i) => {
      if (i > 0) expect(s.fromMin).toBe(spans[i - 1]!.toMin);
    });
  });
});

describe("a part in air of its own", () => {
  const room = flat(18, 55);
  it("brought in cold it warms with its own lag, and water may stand on it", () => {
    const here = climateAt(
      room,
      [{ kind: "brought-in", fromMin: NOW_MIN, toMin: NOW_MIN, tempC: 3, airflowMS: null }],
      60,
    );
    const at = (min: number) => airAt(here, NOW_MIN + min);
    expect(at(0).tempC).toBe(3);
    expect(at(60).tempC).toBeCloseTo(18 - 15 / Math.E, 1);
    expect(at(0).rhPct).toBeGreaterThan(100);
    expect(dewPointC(at(60).tempC, at(60).rhPct)).toBeCloseTo(dewPointC(18, 55), 6);
    expect(at(600).tempC).toBeCloseTo(18, 6);
  });
  it("in a warm box it is warmer and drier, and cools again after", () => {
    const here = climateAt(
      room,
      [{ kind: "warm-box", fromMin: NOW_MIN, toMin: NOW_MIN + 120, tempC: 38, airflowMS: 0.4 }],
      15,
    );
    const at = (min: number) => airAt(here, NOW_MIN + min);
    expect(at(100).tempC).toBeGreaterThan(37.5);
    expect(at(100).rhPct).toBeLessThan(20);
    expect(at(100).airflowMS).toBe(0.4);
    expect(at(-30).tempC).toBe(18);
    expect(at(135).tempC).toBeCloseTo(18 + 20 / Math.E, 0);
    expect(at(400).tempC).toBe(18);
  });
  it("in a booth only the air moves faster", () => {
    const here = climateAt(
      room,
      [{ kind: "booth", fromMin: NOW_MIN, toMin: NOW_MIN + 30, tempC: null, airflowMS: 0.3 }],
      15,
    );
    expect(airAt(here, NOW_MIN + 15)).toMatchObject({ tempC: 18, airflowMS: 0.3 });
    expect(airAt(here, NOW_MIN + 45).airflowMS).toBe(0.1);
  });
  it("without stays elsewhere it is the room's own", () => expect(climateAt(room, [], 15)).toBe(room));
});
