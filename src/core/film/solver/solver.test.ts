import { readFileSync } from "node:fs";
import fc from "fast-check";
import { type CaseCoat, type CasePoint, caseEvents, caseWeather } from "../cases";
import { type FilmEvent, type FilmWeather, largestBelow, runFilm, steadyWeather, topMeanBelow } from "./drive";
import { emptyPile, layCoat, meanRatio, rubDown, volatileUm } from "./pile";
import { type AirSource, begin, makeStepper, tryStep } from "./step";
import {
  activityAt,
  activitySlope,
  equilibriumRatio,
  phiOf,
  potentialAt,
  potentialOf,
  potentialSlope,
  ratioOf,
  type Substance,
} from "./substance";

interface VectorCase {
  id: string;
  layers: CaseCoat[];
  climate: CasePoint[];
  phi_max_threshold: number;
  expect: {
    t_phi_max_below: number;
    dft_um: number;
    samples: {
      minutes_after_last_coat: number;
      mean_phi_top_coat: number;
      phi_max: number;
      volatile_left_um: number;
      volatile_released_um: number;
    }[];
  };
}
const { cases }: { cases: VectorCase[] } = JSON.parse(readFileSync("tests/vectors/film.json", "utf8"));
const sheets: {
  sheet_infinite_k: { Fo: number; mean_over_initial: number }[];
  sheet_finite_k: { Bi: number; Fo: number; mean_over_initial: number }[];
} = JSON.parse(readFileSync("tests/vectors/numbers.json", "utf8"));

describe("the reference cases", () => {
  it.each(cases.map((c) => [c.id, c] as const))("%s", (_, c) => {
    const last = c.layers.at(-1)!.applied_at_min;
    const run = runFilm(caseEvents(c.layers), caseWeather(c.climate), last + 20_000, {
      watches: [{ measure: largestBelow(c.phi_max_threshold), fromMin: last }],
      sampleMin: c.expect.samples.map((s) => last + s.minutes_after_last_coat),
    });
    const t = run.reachedMin[0]! - last;
    expect(Math.abs(t / c.expect.t_phi_max_below - 1)).toBeLessThan(0.01);
    c.expect.samples.forEach((want, i) => {
      const got = run.samples[i]!;
      expect(Math.abs(got.meanPhiTop - want.mean_phi_top_coat)).toBeLessThan(0.005);
      expect(Math.abs(got.largestPhi - want.phi_max)).toBeLessThan(0.005);
      const applied = want.volatile_left_um + want.volatile_released_um;
      expect(Math.abs(got.leftUm - want.volatile_left_um) / applied).toBeLessThan(0.005);
    });
    expect(run.dftUm).toBeCloseTo(c.expect.dft_um, 6);
    expect(Math.abs((run.mass.releasedUm + run.mass.leftUm) / run.mass.appliedUm - 1)).toBeLessThan(1e-6);
  });
});

const PLAIN: Substance = {
  kUmMin: 1,
  d0Um2Min: 1,
  beta: 0,
  diffusionJ: 60_000,
  evaporationJ: 38_000,
  activity: "linear",
  kappa: 1,
  phiFormed: 0,
};
const AT_20 = steadyWeather({ tempC: 20, activity: 0, airflow: 1 });
const L = 10;
/** Mean over initial of a sheet of 10 µm after Fo·L²/D minutes. */
function sheetMean(kUmMin: number, fo: number, cells: number, relative: number): number {
  const at = fo * L * L;
  const run = runFilm(
    [{ kind: "coat", atMin: 0, substance: { ...PLAIN, kUmMin }, solidsUm: L, phi0: 0.5 }],
    AT_20,
    at,
    {
      cellsPerCoat: cells,
      tolerance: { relative, absolute: relative / 100 },
      sampleMin: [at],
    },
  );
  return run.samples[0]!.leftUm / L;
}

describe("a sheet with constant D follows the series", () => {
  it.each(sheets.sheet_infinite_k)("surface open, Fo $Fo", ({ Fo, mean_over_initial }) => {
    expect(Math.abs(sheetMean(1e6, Fo, 48, 1e-4) / mean_over_initial - 1)).toBeLessThan(0.002);
  });
  it.each(sheets.sheet_finite_k)("Bi $Bi, Fo $Fo", ({ Bi, Fo, mean_over_initial }) => {
    expect(Math.abs(sheetMean(Bi / L, Fo, 48, 1e-4) / mean_over_initial - 1)).toBeLessThan(0.001);
  });
  it("the mean's error falls fourfold when the cells are halved: second order", () => {
    // the first eigenvalue for Bi = 2 is the root of x·tan x = Bi; past Fo = 1 nothing else is left of the series
    const exact = sheetMean(2 / L, 1.2, 256, 1e-6);
    const [coarse, fine] = [8, 16].map((n) => Math.abs(sheetMean(2 / L, 1.2, n, 1e-6) - exact));
    expect(coarse! / fine!).toBeGreaterThan(3.5);
    expect(coarse! / fine!).toBeLessThan(4.6);
  });
});

const LACQUER: Substance = { ...PLAIN, kUmMin: 10, d0Um2Min: 2.27, beta: 10, activity: "solvent", phiFormed: 0.2 };
const WATERY: Substance = {
  ...LACQUER,
  kUmMin: 3,
  d0Um2Min: 1.2,
  beta: 6,
  activity: "water",
  kappa: 0.2,
  phiFormed: 0.25,
  diffusionJ: 50_000,
  evaporationJ: 44_000,
};

describe("order of the time step", () => {
  // D constant: the bends of the potential's table would show at these errors
  const SMOOTH: Substance = { ...LACQUER, beta: 0, d0Um2Min: 6 };
  /** Largest φ after 16 minutes in equal steps, from a film that has already dried for 8. */
  function largestAfter(steps: number): number {
    const pile = emptyPile();
    layCoat(pile, SMOOTH, 12, 0.7, 24);
    const s = makeStepper(64, 2);
    const air = {
      fill: (_: number, a: { diffusion: Float64Array; evaporation: number; activity: number }) => a.diffusion.fill(1),
      steady: true,
    };
    const go = (from: number, to: number, n: number) => {
      for (let i = 0; i < n; i++) {
        begin(s, pile, air as AirSource, from);
        tryStep(s, pile, air as AirSource, from, (to - from) / n, { relative: 1, absolute: 1 });
        pile.u.set(s.y.subarray(0, pile.n));
      }
    };
    go(0, 8, 20_000);
    go(8, 24, steps);
    return pile.u[0]!;
  }
  it("halving a step lowers its error about eightfold: third order", () => {
    const exact = largestAfter(2000);
    const [coarse, fine, finer] = [8, 16, 32].map((n) => Math.abs(largestAfter(n) - exact));
    expect(coarse! / fine!).toBeGreaterThan(5.5);
    expect(fine! / finer!).toBeGreaterThan(5.5);
  });
});

describe("mass", () => {
  const anyPile = fc.array(
    fc.record({
      wet: fc.boolean(),
      solidsUm: fc.double({ min: 1, max: 60, noNaN: true }),
      phi0: fc.double({ min: 0.05, max: 0.9, noNaN: true }),
      gapMin: fc.double({ min: 0.5, max: 600, noNaN: true }),
      takesUm: fc.option(fc.double({ min: 0.1, max: 80, noNaN: true }), { nil: null }),
    }),
    { minLength: 1, maxLength: 5 },
  );
  it("applied = released + left + sanded, in any pile and weather, sanded through or not", () => {
    fc.assert(
      fc.property(
        anyPile,
        fc.double({ min: -5, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 1.1, noNaN: true }),
        (pile, tempC, activity) => {
          let at = 0;
          const events = pile.flatMap((p): FilmEvent[] => {
            const substance = p.wet ? WATERY : LACQUER;
            const coat: FilmEvent = { kind: "coat", atMin: at, substance, solidsUm: p.solidsUm, phi0: p.phi0 };
            at += p.gapMin;
            return p.takesUm === null ? [coat] : [coat, { kind: "sand", atMin: at - p.gapMin / 2, takesUm: p.takesUm }];
          });
          const { mass } = runFilm(events, steadyWeather({ tempC, activity, airflow: 1.3 }), at + 500, {
            cellsPerCoat: 8,
          });
          expect(Math.abs(mass.releasedUm + mass.leftUm + mass.sandedUm - mass.appliedUm)).toBeLessThan(
            1e-6 * mass.appliedUm,
          );
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });
  it("a damp room wets a dry water-borne film again, and the balance still holds", () => {
    const weather: FilmWeather = {
      at: (t) => ({ tempC: 18, activity: t < 900 ? 0.4 : 0.9, airflow: 1 }),
      nextKnot: (t) => (t < 900 ? 900 : null),
      steady: false,
    };
    const run = runFilm([{ kind: "coat", atMin: 0, substance: WATERY, solidsUm: 20, phi0: 0.65 }], weather, 3000, {
      sampleMin: [899, 2999],
    });
    expect(run.samples[1]!.leftUm).toBeGreaterThan(2 * run.samples[0]!.leftUm);
    expect(run.samples[1]!.largestPhi).toBeCloseTo(phiOf(equilibriumRatio("water", 0.9)), 2);
    expect(run.mass.releasedUm + run.mass.leftUm).toBeCloseTo(run.mass.appliedUm, 9);
  });
});

describe("thickness", () => {
  const sandMin = (solidsUm: number) =>
    runFilm([{ kind: "coat", atMin: 0, substance: LACQUER, solidsUm, phi0: 0.7 }], AT_20, 1e5, {
      watches: [{ measure: largestBelow(0.05), fromMin: 0 }],
    }).reachedMin[0]!;
  it("twice the film of a lacquer is sandable about four times as late", () => {
    expect(sandMin(48) / sandMin(24)).toBeGreaterThan(3.6);
    expect(sandMin(48) / sandMin(24)).toBeLessThan(4.1);
  });
  it("what sanding takes away mid-way brings the rest nearer", () => {
    const run = (takesUm: number) =>
      runFilm(
        [
          { kind: "coat", atMin: 0, substance: LACQUER, solidsUm: 24, phi0: 0.7 },
          { kind: "sand", atMin: 60, takesUm },
        ],
        AT_20,
        1e5,
        { watches: [{ measure: largestBelow(0.05), fromMin: 60 }] },
      ).reachedMin[0]!;
    expect(run(8)).toBeLessThan(0.75 * run(0.01));
    expect(run(8)).toBeGreaterThan(60);
  });
});

describe("rubbing down", () => {
  it("takes cells from the top, drops coats that are gone, and says when the pile was thinner than the rub", () => {
    const pile = emptyPile();
    layCoat(pile, LACQUER, 12, 0.5, 6);
    layCoat(pile, WATERY, 10, 0.5, 5);
    expect(rubDown(pile, 13)).toBeCloseTo(13);
    expect(pile.coats).toHaveLength(1);
    expect(pile.coats[0]!.solidsUm).toBeCloseTo(9);
    expect(pile.coats[0]!.kappa).toBe(1);
    expect(volatileUm(pile) + pile.sandedUm).toBeCloseTo(pile.appliedUm, 9);
    expect(rubDown(pile, 50)).toBeCloseTo(9);
    expect(pile.n).toBe(0);
  });
  it("joins a sliver to the cell below without losing what is in it", () => {
    const pile = emptyPile();
    layCoat(pile, LACQUER, 12, 0.5, 6);
    pile.u[5] = 3;
    const before = volatileUm(pile);
    rubDown(pile, 1.9);
    expect(pile.n).toBe(5);
    expect(volatileUm(pile) + pile.sandedUm).toBeCloseTo(before, 9);
    expect(meanRatio(pile, pile.coats[0]!)).toBeGreaterThan(1);
  });
});

describe("formed films", () => {
  const events = (kappa: number): FilmEvent[] => {
    const substance = { ...LACQUER, kappa };
    return [0, 200].map((atMin) => ({ kind: "coat", atMin, substance, solidsUm: 12, phi0: 0.7 }));
  };
  it("take back the less solvent the smaller their share", () => {
    const below = [1, 0.5, 0.2].map((kappa) => {
      const run = runFilm(events(kappa), AT_20, 210, { sampleMin: [210], withProfiles: true });
      const { phi, coatOf } = run.samples[0]!.profile!;
      return phi.filter((_, i) => coatOf[i] === 0).reduce((a, b) => a + b, 0);
    });
    expect(below[0]!).toBeGreaterThan(below[1]!);
    expect(below[1]!).toBeGreaterThan(below[2]!);
  });
});

describe("hostile input", () => {
  const coat = (substance: Substance, solidsUm = 20, atMin = 0): FilmEvent => ({
    kind: "coat",
    atMin,
    substance,
    solidsUm,
    phi0: 0.7,
  });
  const dryMin = (events: FilmEvent[], weather: FilmWeather) =>
    runFilm(events, weather, 60_000, { watches: [{ measure: largestBelow(0.08), fromMin: events.at(-1)!.atMin }] });
  it("no thickness is refused, as are events that do not rise", () => {
    expect(() => runFilm([coat(LACQUER, 0)], AT_20, 10)).toThrow("thickness");
    expect(() => runFilm([coat(LACQUER, 5, 10), coat(LACQUER, 5, 3)], AT_20, 20)).toThrow("rise");
  });
  it("saturated air: a water-borne film is still wet weeks later and nothing is out of range", () => {
    const run = runFilm([coat(WATERY)], steadyWeather({ tempC: 20, activity: 1, airflow: 1 }), 20_160, {
      watches: [{ measure: largestBelow(0.08), fromMin: 0 }],
      sampleMin: [100, 20_000],
    });
    expect(run.outcome).toBe("ran");
    expect(run.reachedMin[0]).toBeNull();
    for (const s of run.samples) expect(s.largestPhi).toBeGreaterThan(0.5);
    for (const s of run.samples) expect(s.largestPhi).toBeLessThan(1);
  });
  it("bone-dry air, frost and heat all end in numbers, slower when colder", () => {
    const at = (tempC: number, activity: number) =>
      dryMin([coat(WATERY)], steadyWeather({ tempC, activity, airflow: 1 })).reachedMin[0]!;
    const [frost, room, heat] = [at(-20, 0.5), at(20, 0.5), at(60, 0.5)];
    expect(frost).toBeGreaterThan(room);
    expect(room).toBeGreaterThan(heat);
    expect(at(20, 0)).toBeLessThan(room);
  });
  it("thirty coats five minutes apart", () => {
    const run = dryMin(
      Array.from({ length: 30 }, (_, n) => coat(LACQUER, 12, 5 * n)),
      AT_20,
    );
    expect(run.outcome).toBe("ran");
    expect(run.stats.cells).toBe(720);
    expect(run.reachedMin[0]!).toBeGreaterThan(10_000);
  });
  it("a climate with a hole in it, or a moment told twice, is run through all the same", () => {
    const point = (minute: number, temp_c: number) => ({ minute, temp_c, rh_pct: 50, airflow: 1 });
    const at = (points: CasePoint[]) => dryMin([coat(LACQUER)], caseWeather(points)).reachedMin[0]!;
    const steady = at([point(0, 20)]);
    expect(at([point(0, 20), point(40_000, 20)])).toBeCloseTo(steady, 0);
    // the later word counts from its moment on: a cold snap within a minute
    expect(at([point(0, 20), point(30, 20), point(30, 8), point(5000, 8)])).toBeGreaterThan(1.3 * steady);
    expect(at([point(-900, 20), point(-800, 20)])).toBeCloseTo(steady, 0);
  });
  it("a run that would take too many steps gives up and says so", () => {
    const jagged: FilmWeather = {
      at: (t) => ({ tempC: 20, activity: (t * 10) % 1, airflow: 1 }),
      nextKnot: (t) => Math.floor(t * 100 + 1.5) / 100,
      steady: false,
    };
    expect(runFilm([coat(WATERY)], jagged, 2000).outcome).toBe("gave-up");
  });
});

describe("a film's surface and depth", () => {
  const u = fc.double({ min: 0, max: 40, noNaN: true });
  const law = fc.constantFrom("solvent" as const, "water" as const);
  it("activity rises with what is in the film, up to 1, and its slope is its slope", () => {
    fc.assert(
      fc.property(law, u, (l, x) => {
        const d = 1e-6 * (1 + x);
        expect(activityAt(l, x + d)).toBeGreaterThan(activityAt(l, x) - 1e-12);
        expect(activityAt(l, x)).toBeLessThanOrEqual(1.0001);
        const slope = (activityAt(l, x + d) - activityAt(l, Math.max(0, x - d))) / (d + Math.min(x, d));
        expect(Math.abs(slope - activitySlope(l, x))).toBeLessThan(1e-3 * (1 + activitySlope(l, x)));
      }),
      { seed: 5, numRuns: 200 },
    );
  });
  it("a water-borne film's balance is where its activity is the air's", () => {
    for (const a of [0, 0.3, 0.5, 0.75, 0.98])
      expect(activityAt("water", equilibriumRatio("water", a))).toBeCloseTo(a, 9);
    expect(phiOf(equilibriumRatio("water", 0.5))).toBeCloseTo(0.01923, 5);
  });
  it("the potential is the integral of D/D0", () => {
    const p = potentialOf(10);
    const n = 20_000;
    for (const x of [0.05, 0.4, 0.97]) {
      let sum = 0;
      for (let i = 0; i < n; i++) sum += Math.exp(10 * Math.min(0.5, phiOf(((i + 0.5) / n) * x)));
      expect(potentialAt(p, x) / ((sum / n) * x)).toBeCloseTo(1, 4);
    }
    expect(potentialSlope(p, 3)).toBeCloseTo(Math.exp(5), 9);
    expect(potentialAt(p, -0.01)).toBe(-0.01);
  });
  it("φ and u are each other's inverse", () => {
    for (const phi of [0, 0.3, 0.9]) expect(phiOf(ratioOf(phi))).toBeCloseTo(phi, 12);
  });
});

describe("watches", () => {
  it("answer at once when they hold already, and at the event when they start there", () => {
    const run = runFilm([{ kind: "coat", atMin: 3, substance: LACQUER, solidsUm: 5, phi0: 0.3 }], AT_20, 50, {
      watches: [
        { measure: topMeanBelow(0.5), fromMin: 3 },
        { measure: topMeanBelow(0.29), fromMin: 20 },
      ],
    });
    expect(run.reachedMin).toEqual([3, 20]);
  });
  it("on a pile rubbed off altogether there is nothing left to wait for", () => {
    const run = runFilm(
      [
        { kind: "coat", atMin: 0, substance: LACQUER, solidsUm: 5, phi0: 0.6 },
        { kind: "sand", atMin: 2, takesUm: 9 },
      ],
      AT_20,
      50,
      { watches: [{ measure: topMeanBelow(0.01), fromMin: 2 }] },
    );
    expect(run.reachedMin[0]).toBe(2);
    expect(run.mass.leftUm).toBe(0);
  });
});
