import { readFileSync } from "node:fs";
import fc from "fast-check";
import { climate, NOW_MIN, product, steadyAir } from "../../../tests/support/world";
import type { Milestone, Product } from "../model";
import { dewPointC } from "../numbers";
import { labelTimes } from "../reference";
import {
  airAt,
  arrhenius,
  gateReason,
  gateSpans,
  milestoneAfter,
  prefixClock,
  progressAt,
  type RateLaw,
  REFERENCE_AIR,
  rateIn,
  recoatWindows,
  steppingClock,
  type WaitClock,
  waitFactor,
} from ".";
import { loadSinceSandable } from "./milestone";
import { RATE_LAWS } from "./rates";

/** In air that stays the same a wait is a division: the plainest clock there is. */
function clockIn(tempC: number, rhPct: number): WaitClock {
  const rate = (law: RateLaw) => rateIn(law, { tempC, rhPct, airflowMS: 0.1 });
  return {
    fromMin: 0,
    toMin: Number.MAX_SAFE_INTEGER,
    reach: (law, startMin, refMin) => startMin + refMin / rate(law),
    elapsedRef: (law, a, b) => (b - a) * rate(law),
  };
}
const coat = (p: Product, wftUm = p.label.wftUm, endMin = 0) => ({ product: p, wftUm, endMin });
const waitMin = (p: Product, m: Milestone, tempC: number, rhPct: number, wftUm = p.label.wftUm): number => {
  const a = milestoneAfter([coat(p, wftUm)], m, clockIn(tempC, rhPct));
  if (a.outcome !== "reached") throw new Error("beyond the horizon");
  return a.atMin;
};

describe("rates", () => {
  const rates: { kind: string; dH?: number; Ea?: number; temp_c: number; factor: number }[] = JSON.parse(
    readFileSync("tests/vectors/numbers.json", "utf8"),
  ).rates;
  it.each(rates)("$kind at $temp_c °C", ({ dH, Ea, temp_c, factor }) => {
    expect(arrhenius((dH ?? Ea)!, temp_c)).toBeCloseTo(factor, 4);
  });
  it.each(RATE_LAWS)("%s is one in reference air", (law) => {
    expect(rateIn(law, REFERENCE_AIR)).toBeCloseTo(1, 12);
  });
  it("water dries by the room left in the air, and never stands quite still", () => {
    expect(rateIn("evaporation-water", { tempC: 20, rhPct: 75, airflowMS: 0.1 })).toBeCloseTo(0.5);
    expect(rateIn("evaporation-water", { tempC: 20, rhPct: 100, airflowMS: 0.1 })).toBeCloseTo(2 / 50);
  });
  it("a fan at 0.6 m/s dries a surface √6 as fast, and does nothing in the depth", () => {
    const fan = { ...REFERENCE_AIR, airflowMS: 0.6 };
    expect(rateIn("evaporation-solvent", fan)).toBeCloseTo(Math.sqrt(6));
    expect(rateIn("diffusion-solvent", fan)).toBeCloseTo(1);
  });
});

describe("label times come back at label conditions", () => {
  it.each(["grey-primer", "lightship-white", "estuary-blue", "two-pack-gloss", "etch-green", "grip-promoter"])(
    "%s",
    (id) => {
      // one coat of a label that speaks of one, so that first and last are the same
      const p = product(id, { label: { ...product(id).label, coats: 1 } });
      for (const m of ["flash", "touch", "sandable", "cured"] as const) {
        expect(waitMin(p, m, p.label.tempC, p.label.rhPct)).toBeCloseTo(labelTimes(p)[m].min, 6);
      }
    },
  );
  it("a label of two coats means both: one coat alone is sandable in a quarter of the time", () => {
    const p = product("build-primer");
    expect(waitMin(p, "sandable", 20, 50)).toBeCloseTo(120 / 4);
  });
});

describe("what thickness does", () => {
  const single = (id: string) => product(id, { label: { ...product(id).label, coats: 1 } });
  it.each([
    ["grey-primer", 4],
    ["estuary-blue", 4],
    ["lightship-white", 2],
    ["epoxy-primer", 1],
  ] as const)("%s twice as thick is sandable %i × as late", (id, times) => {
    const p = single(id);
    expect(waitMin(p, "sandable", 20, 50, 2 * p.label.wftUm) / waitMin(p, "sandable", 20, 50)).toBeCloseTo(times, 6);
  });
  it("flash goes with the thickness itself", () => {
    const p = single("grey-primer");
    expect(waitMin(p, "flash", 20, 50, 2 * p.label.wftUm)).toBeCloseTo(20);
  });
  it("a mist is never sandable before it is touch dry", () => {
    const p = single("grey-primer");
    expect(waitMin(p, "sandable", 20, 50, 0.2 * p.label.wftUm)).toBeGreaterThanOrEqual(
      waitMin(p, "touch", 20, 50, 0.2 * p.label.wftUm),
    );
  });
});

describe("coats laid on coats", () => {
  const p = product("grey-primer", { label: { ...product("grey-primer").label, coats: 1 } });
  const at20 = clockIn(20, 50);
  it("count together until the pile is sandable", () => {
    expect(loadSinceSandable([coat(p, 40, 0), coat(p, 40, 15)], at20).inCoats).toBeCloseTo(2);
    expect(loadSinceSandable([coat(p, 40, 0), coat(p, 40, 61)], at20).inCoats).toBeCloseTo(1);
  });
  it("a second coat put on too soon makes both wait longer", () => {
    const soon = milestoneAfter([coat(p, 40, 0), coat(p, 40, 15)], "sandable", at20);
    const late = milestoneAfter([coat(p, 40, 0), coat(p, 40, 61)], "sandable", at20);
    if (soon.outcome !== "reached" || late.outcome !== "reached") throw new Error("not reached");
    expect(soon.atMin - 15).toBeCloseTo(240);
    expect(late.atMin - 61).toBeCloseTo(60);
  });
});

describe("monotone: never sooner when thicker, colder, or (water-borne) damper", () => {
  const ids = fc.constantFrom(
    "grey-primer",
    "estuary-blue",
    "lightship-white",
    "epoxy-primer",
    "foam-sealer",
    "red-stopper",
  );
  const milestones = fc.constantFrom<Milestone>("flash", "touch", "recoat", "sandable", "tape-safe", "cured");
  const temps = fc.double({ min: 2, max: 35, noNaN: true });
  const humid = fc.double({ min: 20, max: 97, noNaN: true });
  it("thicker", () => {
    fc.assert(
      fc.property(
        ids,
        milestones,
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        (id, m, f, more) => {
          const p = product(id);
          return waitMin(p, m, 18, 55, p.label.wftUm * f * more) >= waitMin(p, m, 18, 55, p.label.wftUm * f) - 1e-6;
        },
      ),
      { seed: 3, numRuns: 60 },
    );
  });
  it("colder", () => {
    fc.assert(
      fc.property(
        ids,
        milestones,
        temps,
        fc.double({ min: 0, max: 8, noNaN: true }),
        (id, m, t, less) => waitMin(product(id), m, t - less, 55) >= waitMin(product(id), m, t, 55) - 1e-6,
      ),
      { seed: 4, numRuns: 60 },
    );
  });
  it("damper", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("estuary-blue", "foam-sealer", "light-filler"),
        milestones,
        humid,
        fc.double({ min: 0, max: 20, noNaN: true }),
        (id, m, rh, more) =>
          waitMin(product(id), m, 18, Math.min(100, rh + more)) >= waitMin(product(id), m, 18, rh) - 1e-6,
      ),
      { seed: 5, numRuns: 60 },
    );
  });
});

describe("windows", () => {
  it("two windows leave the enamel's forbidden gap between them", () => {
    const [first, second] = recoatWindows([coat(product("lightship-white"))], clockIn(20, 50));
    expect(first!.openMin).toBeCloseTo(60);
    expect(first!.shutMin).toBeCloseTo(360);
    expect(second!.openMin).toBeCloseTo(4320);
    expect(second!.shutMin).toBeNull();
  });
  it("cold moves both ends of a two-pack's window", () => {
    const [w] = recoatWindows([coat(product("epoxy-primer"))], clockIn(8, 50));
    expect(w!.shutMin!).toBeCloseTo(1440 / 0.3817, -1);
    expect(w!.openMin).toBeGreaterThan(90);
  });
});

describe("clocks", () => {
  it("prefix sums and minute-by-minute stepping agree through cold nights", () => {
    const air = climate({ kind: "day", meanC: 13, swingC: 7, rhPct: 70 });
    const fast = prefixClock(air, NOW_MIN - 1440, NOW_MIN + 20 * 1440);
    const plain = steppingClock(air, NOW_MIN - 1440, NOW_MIN + 20 * 1440);
    for (const law of RATE_LAWS) {
      for (const ref of [7, 95, 800, 6000]) {
        const a = fast.reach(law, NOW_MIN + 13, ref);
        const b = plain.reach(law, NOW_MIN + 13, ref);
        if (a === null || b === null) expect(a).toBe(b);
        else expect(Math.abs(a - b)).toBeLessThan(1 + 0.0005 * (a - NOW_MIN));
      }
    }
  });
  it("says nothing of what lies beyond its horizon", () => {
    expect(prefixClock(steadyAir(20, 50), 0, 1000).reach("reaction", 0, 1001)).toBeNull();
  });
  it("progress is half way at half the wait", () => {
    const p = product("grey-primer", { label: { ...product("grey-primer").label, coats: 1 } });
    expect(progressAt([coat(p)], "sandable", clockIn(20, 50), 30)).toBeCloseTo(0.5);
  });
});

describe("how cautious", () => {
  it("likely is the even-odds time, safe the time nine in ten have met", () => {
    expect(waitFactor("likely")).toBeCloseTo(1, 6);
    // ninth decile of a log-normal, σ = 0.35: exp(0.35 · 1.28155)
    expect(waitFactor("safe")).toBeCloseTo(1.566, 2);
  });
  it("not yet at its likely time: at least a tenth more, and more the later it was looked at", () => {
    const once = waitFactor("likely", 1);
    expect(once).toBeGreaterThanOrEqual(1.1);
    expect(waitFactor("likely", 1.6)).toBeGreaterThan(once);
    expect(waitFactor("safe", 1)).toBeGreaterThan(once);
  });
});

describe("typical day", () => {
  const air = climate({
    kind: "day",
    meanC: 12,
    swingC: 5,
    warmestHour: 15,
    rhPct: 60,
    tonight: { date: "2026-03-02", coldestC: 1 },
  });
  const at = (hoursFromNow: number) => airAt(air, NOW_MIN + hoursFromNow * 60);
  it("is warmest at its hour and coldest twelve hours later", () => {
    expect(at(-28).tempC).toBeCloseTo(17, 1);
    expect(at(32).tempC).toBeCloseTo(7, 1);
  });
  it("bends only the night it is told to", () => {
    expect(at(8).tempC).toBeCloseTo(1, 1);
    expect(at(8 + 24).tempC).toBeCloseTo(7, 1);
  });
  it("is damper when colder: the vapour stays", () => {
    expect(at(32).rhPct).toBeGreaterThan(at(-28).rhPct);
  });
});

describe("air gate", () => {
  const reason = (id: string, tempC: number, rhPct: number) =>
    gateReason(product(id), steadyAir(tempC, rhPct), 0, dewPointC);
  it.each([
    ["grey-primer", 20, 50, null],
    ["grey-primer", 6, 50, "too-cold"],
    ["grey-primer", 33, 30, "too-hot"],
    ["bronze-lacquer", 20, 78, "too-damp"],
    ["lightship-white", 20, 84, "near-dew-point"],
    ["foam-sealer", 9, 50, "too-cold-to-form"],
  ] as const)("%s at %i °C, %i %% → %s", (id, t, rh, want) => {
    expect(reason(id, t, rh)).toBe(want);
  });
  it("opens with the warmth of the day", () => {
    const spans = gateSpans(
      product("estuary-blue"),
      climate({ kind: "day", meanC: 10, swingC: 6, rhPct: 50 }),
      dewPointC,
      [{ startMin: NOW_MIN, endMin: NOW_MIN + 2 * 1440 }],
    );
    expect(spans.length).toBeGreaterThan(0);
    for (const s of spans)
      expect(airAt(climate({ kind: "day", meanC: 10, swingC: 6, rhPct: 50 }), s.startMin).tempC).toBeGreaterThanOrEqual(
        10,
      );
  });
});
