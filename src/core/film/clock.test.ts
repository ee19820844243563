import { climate, NOW_MIN, steadyAir } from "../../../tests/support/world";
import { MIN_PER_DAY, seededRandom } from "../base";
import { airAlong, airAt } from "./climate";
import { prefixClock, steadyClock } from "./clock";
import { dryingLaw, type RateLaw } from "./rates";

const LAWS: readonly (readonly [string, RateLaw])[] = [
  ["solvent", dryingLaw({ depth: 0.5, water: false, limit: 1, dryPower: 0, dampPower: 0 })],
  ["water", dryingLaw({ depth: 0.3, water: true, limit: 0.95, dryPower: 1, dampPower: 1.5 })],
];
const YEARS = 20 * 365 * MIN_PER_DAY;
const to = NOW_MIN + 30 * MIN_PER_DAY;
const shed = climate({ kind: "day", meanC: 12, swingC: 6, rhPct: 60 });

describe("a clock over a climate", () => {
  const near = prefixClock(shed, NOW_MIN - MIN_PER_DAY, to);
  const far = prefixClock(shed, NOW_MIN - YEARS, to);

  it.each(LAWS)("%s: that begins years before its air gives the same waits within it", (_, law) => {
    const random = seededRandom(3);
    for (let n = 0; n < 200; n++) {
      const start = NOW_MIN + random() * 10 * MIN_PER_DAY;
      const ref = random() * 3000;
      const a = near.reach(law, start, ref);
      const b = far.reach(law, start, ref);
      if (a === null || b === null) expect(b).toBe(a);
      else expect(Math.abs(a - b)).toBeLessThan(0.5);
    }
  });
  it.each(LAWS)("%s: before its first air it goes as steadily as that air, and reaching undoes elapsing", (_, law) => {
    const first = shed.points[0]!;
    const still = steadyClock(first, first.atMin - YEARS, first.atMin);
    const start = first.atMin - YEARS / 2;
    expect(far.elapsedRef(law, start, start + 5000)).toBeCloseTo(still.elapsedRef(law, start, start + 5000), 3);
    const end = far.reach(law, start, 777)!;
    expect(far.elapsedRef(law, start, end)).toBeCloseTo(777, 3);
  });
  it.each(LAWS)("%s: after its last air too, up to its end and no further", (_, law) => {
    const last = shed.points.at(-1)!.atMin;
    const long = prefixClock(shed, NOW_MIN, last + 100 * MIN_PER_DAY);
    const end = long.reach(law, last + 10, 500)!;
    expect(long.elapsedRef(law, last + 10, end)).toBeCloseTo(500, 3);
    expect(long.reach(law, last + 10, 1e9)).toBeNull();
  });
  it.each(LAWS)("%s: of one point only is the steady clock", (_, law) => {
    const one = prefixClock(steadyAir(15, 55), NOW_MIN, to);
    const still = steadyClock({ ...steadyAir(15, 55).points[0]! }, NOW_MIN, to);
    expect(one.reach(law, NOW_MIN + 7, 900)).toBeCloseTo(still.reach(law, NOW_MIN + 7, 900)!, 6);
  });
});

it("air asked along is the air asked at, in whatever order", () => {
  const along = airAlong(shed);
  const random = seededRandom(11);
  for (let n = 0; n < 500; n++) {
    const at = NOW_MIN + (random() - 0.2) * 5 * MIN_PER_DAY;
    expect(along(at)).toEqual(airAt(shed, at));
  }
});
