import { readFileSync } from "node:fs";
import fc from "fast-check";
import { steppingClock } from "../../../tests/support/stepping";
import { climate, NOW_MIN, product, steadyAir } from "../../../tests/support/world";
import type { Milestone, Product } from "../model";
import { saturationHPa, volumeSolidsOf } from "../reference";
import {
  airAt,
  chanceNotYet,
  gateReason,
  gateSpans,
  milestoneAfter,
  prefixClock,
  progressAt,
  type RateLaw,
  REFERENCE_AIR,
  rateIn,
  recoatWindows,
  shutFactor,
  type WaitClock,
  waitFactor,
} from ".";
import { milestonesByModel } from "./model-run";
import { CLOCK_LAWS, dryingLaw } from "./rates";
import { arrhenius } from "./solver/substance";

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
  const DEPTH = dryingLaw({ depth: 1, water: false, limit: 1, dryPower: 0, dampPower: 0 });
  const WATERY = dryingLaw({ depth: 0.4, water: true, limit: 0.82, dryPower: 1, dampPower: 1 });
  it.each([...CLOCK_LAWS, DEPTH, WATERY])("%p is one in reference air", (law: RateLaw) => {
    expect(rateIn(law, REFERENCE_AIR)).toBeCloseTo(1, 9);
  });
  it("water dries by the room left below its own balance, and never stands quite still", () => {
    expect(rateIn(WATERY, { tempC: 20, rhPct: 66, airflowMS: 0.1 })).toBeCloseTo(0.5);
    expect(rateIn(WATERY, { tempC: 20, rhPct: 100, airflowMS: 0.1 })).toBeGreaterThan(0);
    expect(rateIn(WATERY, { tempC: 20, rhPct: 100, airflowMS: 0.1 })).toBeLessThan(1e-5);
  });
  it("a washed part dries by the air's vapour-pressure deficit", () => {
    const ratio = rateIn("part-dry", { tempC: 10, rhPct: 70, airflowMS: 0.1 });
    expect(ratio).toBeCloseTo((saturationHPa(10) * 0.3) / (saturationHPa(20) * 0.5), 9);
  });
  it("a fan at 0.6 m/s dries a surface √6 as fast, and does nothing in the depth", () => {
    const fan = { ...REFERENCE_AIR, airflowMS: 0.6 };
    expect(rateIn("wipe", fan)).toBeCloseTo(Math.sqrt(6));
    expect(rateIn(DEPTH, fan)).toBeCloseTo(1);
  });
});

describe("what thickness does", () => {
  const single = (id: string) => product(id, { label: { ...product(id).label, coats: 1 } });
  it.each([
    ["grey-primer", 3.2, 4.1],
    ["bronze-lacquer", 3.2, 4.1],
    // what reacts is not dried to sandable: an enamel goes with its thickness, a two-pack hardly
    ["lightship-white", 1.9, 2.1],
    ["epoxy-primer", 1, 2],
  ] as const)("%s twice as thick is sandable %d to %d × as late", (id, least, most) => {
    const p = single(id);
    const ratio = waitMin(p, "sandable", 20, 50, 2 * p.label.wftUm) / waitMin(p, "sandable", 20, 50);
    expect(ratio).toBeGreaterThan(least);
    expect(ratio).toBeLessThan(most);
  });
  it("a label of two coats means both: one coat alone sands sooner, and not in a few minutes", () => {
    const one = waitMin(product("build-primer"), "sandable", 20, 50);
    expect(one).toBeLessThan(120 / 1.1);
    expect(one).toBeGreaterThan(120 / 2);
  });
  it("the label’s own coats are one film, also where there is hardly anything to dry", () => {
    const base = product("grey-primer");
    const solid = { ...base, volumeSolids: 0.97, label: { ...base.label, coats: 2, gapMin: 10, tapeSafeMin: 600 } };
    const last = milestoneAfter([coat(solid, 40, 0), coat(solid, 40, 10)], "tape-safe", clockIn(20, 50));
    if (last.outcome !== "reached") throw new Error("not reached");
    expect((last.atMin - 10) / 600).toBeCloseTo(1, 2);
  });
  it.each(["grey-primer", "build-primer", "bronze-lacquer", "water-primer"])(
    "%s: thinner is never later, and the thinnest still waits its share of the label",
    (id) => {
      const p = product(id);
      const waits = [0.05, 0.15, 0.3, 0.45, 0.6, 0.8, 1, 1.4, 1.8].map((x) =>
        waitMin(p, "sandable", 20, 50, x * p.label.wftUm * p.label.coats),
      );
      for (const [i, w] of waits.slice(1).entries()) expect(w).toBeGreaterThanOrEqual(waits[i]! - 1e-6);
      // half of it for a film as thin as mists, all of it from light coats on
      expect(waits[2]).toBeGreaterThanOrEqual(0.5 * p.label.sandableMin! - 0.5);
      expect(waits[4]).toBeGreaterThanOrEqual(p.label.sandableMin! - 0.5);
    },
  );
  it.each([
    [10, 2, 4.2],
    [1440, 0.85, 1.5],
  ])(
    "a second coat %i min after the first: %d to %d × as late, the first being wet or a dry film below",
    (gapMin, least, most) => {
      const p = single("grey-primer");
      const a = milestoneAfter([coat(p, 40, 0), coat(p, 40, gapMin)], "sandable", clockIn(20, 50));
      if (a.outcome !== "reached") throw new Error("not reached");
      const ratio = (a.atMin - gapMin) / waitMin(p, "sandable", 20, 50, 40);
      expect(ratio).toBeGreaterThan(least);
      expect(ratio).toBeLessThan(most);
    },
  );
  it("a rub through several coats leaves a pile that still dries", () => {
    const under = product("grey-primer");
    const putty = product("red-stopper");
    const on = (takesUm: number) =>
      milestoneAfter(
        [
          coat(putty, 240, 0),
          coat(under, 40, 1000),
          { ...coat(under, 40, 1050), rubbed: { atMin: 4000, takesUm } },
          coat(putty, 144, 4010),
        ],
        "sandable",
        clockIn(20, 50),
      );
    const [light, through] = [on(2), on(40)];
    if (light.outcome !== "reached" || through.outcome !== "reached") throw new Error(through.outcome);
    expect(Math.abs(through.atMin - light.atMin)).toBeLessThan(60);
  });
  it("what was rubbed off no longer has to dry", () => {
    const p = single("grey-primer");
    const rubbed = { atMin: 500, takesUm: 8 };
    const at = (coats: Parameters<typeof milestoneAfter>[0]) => {
      const a = milestoneAfter(coats, "sandable", clockIn(20, 50));
      return a.outcome === "reached" ? a.atMin : Number.NaN;
    };
    expect(at([{ ...coat(p, 40, 0), rubbed }, coat(p, 40, 600)])).toBeLessThan(
      at([coat(p, 40, 0), coat(p, 40, 600)]) - 5,
    );
  });
  it("light loses its strength with depth: a lamp-cured film one depth thicker takes e times as long", () => {
    const p = single("lamp-filler");
    const depth = p.cureDepthUm!;
    const solids = volumeSolidsOf(p);
    const thick = waitMin(p, "cured", 20, 50, p.label.wftUm + depth / solids);
    expect(thick / waitMin(p, "cured", 20, 50)).toBeCloseTo(Math.E, 2);
  });
  it("an enamel piled up while soft hardens as slowly as all of it together", () => {
    const p = single("lightship-white");
    const at20 = clockIn(20, 50);
    const cured = (gapMin: number) => {
      const a = milestoneAfter([coat(p, p.label.wftUm, 0), coat(p, p.label.wftUm, gapMin)], "cured", at20);
      return a.outcome === "reached" ? a.atMin - gapMin : Number.NaN;
    };
    expect(cured(60) / waitMin(p, "cured", 20, 50)).toBeCloseTo(2, 1);
    expect(cured(30_000)).toBeCloseTo(waitMin(p, "cured", 20, 50), -1);
  });
});

describe("the film model is monotone: never sooner when thicker, colder, with more coats, or (one water-borne coat) damper", () => {
  const films = fc.constantFrom(
    "grey-primer",
    "estuary-blue",
    "lightship-white",
    "epoxy-primer",
    "foam-sealer",
    "red-stopper",
  );
  /** from the first coat on */
  const sandMin = (id: string, coats: number, thick: number, tempC: number, rhPct: number) => {
    const p = product(id);
    const gapMin = 30;
    const pile = Array.from({ length: coats }, (_, n) => coat(p, p.label.wftUm * thick, n * gapMin));
    const [at] = milestonesByModel(pile, ["sandable"], steadyAir(tempC, rhPct), clockIn(tempC, rhPct), 1e6);
    return at ?? 1e6;
  };
  const coats = fc.integer({ min: 1, max: 4 });
  const thick = fc.double({ min: 0.4, max: 2, noNaN: true });
  const temp = fc.double({ min: 5, max: 32, noNaN: true });
  // the step's own error shows where two runs differ by next to nothing
  const never = (later: number, sooner: number) => later >= sooner * 0.995 - 0.05;
  it("thicker, colder, more coats", () => {
    fc.assert(
      fc.property(
        films,
        coats,
        thick,
        temp,
        fc.double({ min: 1, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        (id, n, f, t, more, less) => {
          const plain = sandMin(id, n, f, t, 50);
          expect(never(sandMin(id, n, f * more, t, 50), plain)).toBe(true);
          expect(never(sandMin(id, n, f, t - less, 50), plain)).toBe(true);
          expect(never(sandMin(id, n + 1, f, t, 50), plain)).toBe(true);
        },
      ),
      { seed: 3, numRuns: 60 },
    );
  });
  it("damper", () => {
    const water = fc.constantFrom("estuary-blue", "foam-sealer", "light-filler", "water-gloss");
    const milestones: readonly Milestone[] = ["flash", "touch", "recoat", "handle", "sandable", "tape-safe", "cured"];
    fc.assert(
      fc.property(
        water,
        fc.double({ min: 20, max: 85, noNaN: true }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        (id, rh, more) => {
          const at = (rhPct: number) =>
            milestonesByModel([coat(product(id))], milestones, steadyAir(18, rhPct), clockIn(18, rhPct), 1e6).map(
              (x) => x ?? 1e6,
            );
          const dry = at(rh);
          at(rh + more).forEach((damp, i) => {
            expect(never(damp, dry[i]!)).toBe(true);
          });
        },
      ),
      { seed: 5, numRuns: 40 },
    );
  });
});

describe("windows", () => {
  it("two windows leave the enamel's forbidden gap between them", () => {
    const [first, second] = recoatWindows([coat(product("lightship-white"))], clockIn(20, 50));
    expect(first!.openMin).toBeCloseTo(60, 0);
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
    for (const law of [
      ...CLOCK_LAWS,
      dryingLaw({ depth: 0.6, water: true, limit: 0.9, dryPower: 1, dampPower: 0.8 }),
    ]) {
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
    expect(progressAt([coat(p)], "sandable", clockIn(20, 50), 30)).toBeCloseTo(0.5, 2);
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
  const reason = (id: string, tempC: number, rhPct: number) => gateReason(product(id), steadyAir(tempC, rhPct), 0);
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
    const spans = gateSpans(product("estuary-blue"), climate({ kind: "day", meanC: 10, swingC: 6, rhPct: 50 }), [
      { startMin: NOW_MIN, endMin: NOW_MIN + 2 * 1440 },
    ]);
    expect(spans.length).toBeGreaterThan(0);
    for (const s of spans)
      expect(airAt(climate({ kind: "day", meanC: 10, swingC: 6, rhPct: 50 }), s.startMin).tempC).toBeGreaterThanOrEqual(
        10,
      );
  });
});

describe("hours that are kept", () => {
  const CANS = ["estuary-blue", "grey-primer", "water-matt", "keel-black", "two-pack-gloss", "shellac-sealer"];
  const within = [{ startMin: NOW_MIN, endMin: NOW_MIN + 2 * 1440 }];
  const cold = climate({ kind: "day", meanC: 11, swingC: 5, rhPct: 70 });
  it.each(CANS)("%s: every quarter of an hour is as it is judged by itself, asked once or twice", (id) => {
    const open = gateSpans(product(id), cold, within);
    expect(gateSpans(product(id), cold, within)).toEqual(open);
    for (let t = NOW_MIN; t < NOW_MIN + 2 * 1440; t += 15)
      expect([t, open.some((s) => s.startMin <= t && t < s.endMin)]).toEqual([
        t,
        gateReason(product(id), cold, t) === null,
      ]);
  });
  it("another limit, a warmed part and another air are other hours", () => {
    const plain = gateSpans(product("estuary-blue"), cold, within);
    const tender = { ...product("estuary-blue"), limits: { minTempC: 14, maxTempC: null, maxRhPct: 95 } };
    expect(gateSpans(tender, cold, within)).not.toEqual(plain);
    expect(
      gateSpans(product("estuary-blue"), climate({ kind: "day", meanC: 22, swingC: 2, rhPct: 40 }), within),
    ).toEqual(within);
    const damp = climate({ kind: "day", meanC: 16, swingC: 1, rhPct: 84 });
    const dewOnly = { ...product("keel-black"), limits: { minTempC: null, maxTempC: null, maxRhPct: null } };
    expect(gateSpans(dewOnly, damp, within, 40)).not.toEqual(gateSpans(dewOnly, damp, within));
  });
});

describe("what a shed has taught of a product", () => {
  const pace = (factor: number, spread = 0.1) => ({
    logFactors: [-1, -0.5, 0, 0.5, 1].map((x) => Math.log(factor) + spread * x),
    looks: 4,
  });
  const taught = (factor: number): Product => ({ ...product("grey-primer"), pace: pace(factor) });
  const sandable = (p: Product, factor: number | null = null) => {
    const a = milestoneAfter([{ product: p, wftUm: p.label.wftUm, endMin: 0 }], "sandable", clockIn(20, 50), factor);
    return a.outcome === "reached" ? a.atMin : Number.NaN;
  };
  it("is in every wait that names no factor of its own, and in none that does", () => {
    expect(sandable(taught(1.5)) / sandable(product("grey-primer"))).toBeCloseTo(1.5, 1);
    expect(sandable(taught(1.5), 1)).toBeCloseTo(sandable(product("grey-primer"), 1), 6);
  });
  it("opens and shuts windows with it", () => {
    const p = { ...product("epoxy-primer") };
    const window = (of: Product) =>
      recoatWindows([{ product: of, wftUm: of.label.wftUm, endMin: 0 }], clockIn(20, 50))[0]!;
    const slow = window({ ...p, pace: pace(1.4) });
    const plain = window(p);
    expect(slow.openMin).toBeGreaterThan(plain.openMin * 1.2);
    if (plain.shutMin !== null) expect(slow.shutMin! / plain.shutMin).toBeCloseTo(1.4, 1);
  });
  it.each([
    ["sure of it", 0.05],
    ["not so sure", 0.4],
  ])("%s: safe is later than likely, and a window shuts sooner than that", (_, spread) => {
    const own = pace(1.3, spread);
    const [likely, safe, shut] = [
      waitFactor("likely", null, own),
      waitFactor("safe", null, own),
      shutFactor("safe", own),
    ];
    expect(likely).toBeCloseTo(1.3, 1);
    expect(safe).toBeGreaterThan(likely);
    expect(shut).toBeLessThan(likely);
    // the surer one is, the nearer they lie; before any look they lay at 1.57 and 0.64
    expect(safe / likely).toBeLessThan(spread === 0.05 ? 1.25 : 1.9);
  });
  it("not there yet at twice what was reckoned: longer than that, whatever was taught", () => {
    for (const factor of [0.7, 1, 1.5, 2.5]) {
      const likely = waitFactor("likely", 2, pace(factor));
      expect(likely).toBeGreaterThan(2);
      expect(waitFactor("safe", 2, pace(factor))).toBeGreaterThanOrEqual(likely);
      expect(chanceNotYet(2, pace(factor))).toBeGreaterThanOrEqual(0);
    }
    expect(chanceNotYet(1, pace(1.5))).toBeGreaterThan(0.9);
    expect(chanceNotYet(1, pace(0.7))).toBeLessThan(0.1);
  });
});
