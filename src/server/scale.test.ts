import { freshStore, must, refusal } from "../../tests/support/store";
import * as server from ".";

/** A can on the scale before a coat and after it: what it is lighter by, whatever else was weighed between. */
freshStore();
const HOUR_MS = 3_600_000;
const clock = globalThis as unknown as { elmBenchClockShiftMs?: number; elmBenchWeighed?: unknown };
const weigh = (...masses: number[]) => {
  for (const mass_g of masses) must(server.takeScaleReading({ mass_g }));
};
beforeEach(() => {
  clock.elmBenchWeighed = undefined;
});
afterEach(() => {
  clock.elmBenchClockShiftMs = 0;
});

it.each<[string, readonly number[], number]>([
  ["before and after", [183.4, 171.2], 12.2],
  [
    "a scale that says the same again and again, and an empty pan between",
    [183.4, 183.41, 183.38, 0, 0.02, 171.2, 171.22],
    12.2,
  ],
  ["a light part weighed between", [183.4, 9.7, 171.2], 12.2],
])("%s", (_, masses, lighterG) => {
  weigh(...masses);
  expect(must(server.getLighter()).lighterG).toBeCloseTo(lighterG, 1);
});

it.each<[string, readonly number[]]>([
  ["nothing was weighed", []],
  ["one thing was", [183.4]],
  ["what came last is the heavier", [171.2, 183.4]],
])("%s: it is told what to do", (_, masses) => {
  weigh(...masses);
  expect(refusal(server.getLighter())).toBe("refused");
});

it("a can weighed yesterday was weighed for something else", () => {
  weigh(183.4);
  clock.elmBenchClockShiftMs = 20 * HOUR_MS;
  weigh(171.2);
  expect(refusal(server.getLighter())).toBe("refused");
});
