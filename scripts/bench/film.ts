import { createRequire } from "node:module";
import { climateOf } from "@/core/film/climate";
import { prefixClock } from "@/core/film/clock";
import { fitFilm, fittedFilm } from "@/core/film/label-fit";
import { milestoneAfter } from "@/core/film/milestone";
import { runPile } from "@/core/film/model-run";
import { type FilmEvent, largestBelow, runFilm, steadyWeather } from "@/core/film/solver/drive";
import { evaluate, makeWork } from "@/core/film/solver/flux";
import { emptyPile, layCoat } from "@/core/film/solver/pile";
import { ratioOf, type Substance } from "@/core/film/solver/substance";
import { FILM_ROLES, isOneOf, MILESTONES, type Product } from "@/core/model";
import { ownGapMin } from "@/core/reference";
import { DEMO_SHELF } from "@/server/demo/shelf";
import { FRESHNESSES, overPile } from "../../tests/support/piles";
import { bestMs, firstMs, round1, round3, tell } from "./measure";

/** What the bench uses of the package. Its own typings are its source, older than our compiler's rules, so they are not asked. */
interface Odex {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    f: (x: number, y: number[]) => number[],
    x: number,
    y0: number[],
    xEnd: number,
    solOut: (n: number, xOld: number, x: number, y: number[]) => boolean,
  ): unknown;
}
const { Solver } = createRequire(import.meta.url)("odex") as { Solver: new (n: number) => Odex };

const AT_20 = steadyWeather({ tempC: 20, activity: 0.5, airflow: 1 });
const LACQUER: Substance = {
  kUmMin: 10,
  d0Um2Min: 2.27,
  beta: 10,
  diffusionJ: 60_000,
  evaporationJ: 38_000,
  activity: "solvent",
  kappa: 1,
  phiFormed: 0.2,
};
const WATERY: Substance = {
  ...LACQUER,
  kUmMin: 3,
  d0Um2Min: 1.19,
  beta: 6,
  diffusionJ: 50_000,
  evaporationJ: 44_000,
  activity: "water",
  kappa: 0.2,
  phiFormed: 0.25,
};
const CASES = [
  { name: "lacquer, 12 µm dry", substance: LACQUER, solidsUm: 12, phi0: 0.7, limit: 0.05 },
  { name: "water-borne varnish, 19 µm dry", substance: WATERY, solidsUm: 19.2, phi0: 0.68, limit: 0.08 },
] as const;
type Case = (typeof CASES)[number];
const CELLS = 24;

const coatOf = (c: Case): FilmEvent => ({
  kind: "coat",
  atMin: 0,
  substance: c.substance,
  solidsUm: c.solidsUm,
  phi0: c.phi0,
});

function ownMin(c: Case, relative: number, cells = CELLS): number {
  const run = runFilm([coatOf(c)], AT_20, 1e5, {
    cellsPerCoat: cells,
    tolerance: { relative, absolute: relative / 10 },
    watches: [{ measure: largestBelow(c.limit), fromMin: 0 }],
  });
  return run.reachedMin[0]!;
}

/** The same 24 cells and fluxes through a general-purpose extrapolation integrator. */
function peerMin(c: Case): { min: number; evaluations: number } {
  const pile = emptyPile();
  layCoat(pile, c.substance, c.solidsUm, c.phi0, CELLS);
  const work = makeWork(CELLS, 1);
  const air = { diffusion: Float64Array.of(1), evaporation: 1, activity: 0.5 };
  const u = new Float64Array(CELLS);
  const solver = new Solver(CELLS);
  solver.absoluteTolerance = 1e-3;
  solver.relativeTolerance = 1e-3;
  solver.maxSteps = 10_000_000;
  let evaluations = 0;
  let reached = Number.NaN;
  let before = { x: 0, u: ratioOf(c.phi0) };
  const limit = ratioOf(c.limit);
  solver.solve(
    (_x: number, y: number[]) => {
      evaluations += 1;
      u.set(y);
      evaluate(pile, u, air, work, false);
      return Array.from(work.f.subarray(0, CELLS));
    },
    0,
    Array.from(pile.u.subarray(0, CELLS)),
    1e4,
    (_n: number, _xOld: number, x: number, y: number[]) => {
      const most = Math.max(...y);
      if (most > limit) {
        before = { x, u: most };
        return true;
      }
      reached = before.x + ((x - before.x) * Math.log(before.u / limit)) / Math.log(before.u / most);
      return false;
    },
  );
  return { min: reached, evaluations };
}

function besidePeer(c: Case): void {
  const exact = ownMin(c, 1e-7);
  const fine = ownMin(c, 1e-6, 192);
  const peer = peerMin(c);
  const peerMs = firstMs(() => peerMin(c));
  const peerError = Math.abs(peer.min / exact - 1);
  // loosest of ours that errs no more than the peer, and the one in use
  const steps = [2e-3, 1e-3, 5e-4, 2e-4, 1e-4, 5e-5, 2e-5, 1e-5, 5e-6];
  const equal = steps.find((r) => Math.abs(ownMin(c, r) / exact - 1) <= peerError) ?? steps.at(-1)!;
  const each = (relative: number) => bestMs(() => repeat(400, () => ownMin(c, relative)), 5) / 400;
  const own = each(2e-3);
  const same = each(equal);
  tell({
    bench: "film-label",
    film: c.name,
    cells: CELLS,
    sims_per_s: Math.round(1000 / own),
    ms: round3(own),
    error_pct: round3(100 * Math.abs(ownMin(c, 2e-3) / exact - 1)),
    error_with_grid_pct: round3(100 * Math.abs(ownMin(c, 2e-3) / fine - 1)),
    peer_ms: round1(peerMs),
    peer_evaluations: peer.evaluations,
    peer_error_pct: round3(100 * peerError),
    ratio: Math.round(peerMs / own),
    equal_error_tolerance: equal,
    ratio_at_equal_error: Math.round(peerMs / same),
  });
}

const repeat = (n: number, work: () => void): void => {
  for (let i = 0; i < n; i++) work();
};

const FILMS: readonly Product[] = DEMO_SHELF.filter((p) => isOneOf(FILM_ROLES)(p.role));

function threeCoats(): void {
  const hourly = climateOf(
    Array.from({ length: 14 * 24 + 1 }, (_, h) => ({
      atMin: 60 * h,
      tempC: 14 + 5 * Math.cos((h / 12) * Math.PI),
      rhPct: 62 - 8 * Math.cos((h / 12) * Math.PI),
      airflowMS: 0.1,
    })),
  );
  for (const id of ["build-primer", "estuary-blue"]) {
    const p = FILMS.find((f) => f.id === id)!;
    const coats = [0, 30, 60].map((endMin) => ({ product: p, wftUm: p.label.wftUm, endMin }));
    const end = 14 * 1440;
    const run = () => runPile(coats, hourly, end, { toTheEnd: true });
    const { stats, mass } = run().run;
    tell({
      bench: "film-14-days",
      film: id,
      coats: 3,
      ms: round1(bestMs(() => run(), 5)),
      ...stats,
      mass_error: Math.abs(mass.releasedUm + mass.leftUm - mass.appliedUm) / mass.appliedUm,
    });
  }
}

function labelFits(): void {
  let runs = 0;
  const all = () => {
    runs = 0;
    for (const p of FILMS) runs += fitFilm(p).runs;
  };
  const first = firstMs(all);
  tell({
    bench: "film-label-fit",
    products: FILMS.length,
    simulations: runs,
    first_ms: round1(first),
    ms: round1(bestMs(all)),
  });
}

function queries(): void {
  const days = climateOf(
    Array.from({ length: 60 * 48 }, (_, i) => ({
      atMin: 30 * i,
      tempC: 15 + 4 * Math.cos((i / 24) * Math.PI),
      rhPct: 56,
      airflowMS: 0.1,
    })),
  );
  const clock = prefixClock(days, 0, 59 * 1440);
  const ask = () => {
    let asked = 0;
    for (const p of FILMS) {
      const gap = p.label.gapMin ?? ownGapMin(p);
      for (let start = 0; start < 20; start++) {
        const coats = Array.from({ length: Math.max(2, p.label.coats) }, (_, n) => ({
          product: p,
          wftUm: p.label.wftUm,
          endMin: 131 * start + 1.3 * gap * n,
        }));
        for (const m of MILESTONES) milestoneAfter(coats, m, clock);
        asked += MILESTONES.length;
      }
    }
    return asked;
  };
  let asked = 0;
  const first = firstMs(() => {
    asked = ask();
  });
  const ms = bestMs(ask);
  tell({
    bench: "wait-clock",
    queries: asked,
    first_ms: round1(first),
    ms: round1(ms),
    per_s: Math.round((1000 * asked) / ms),
  });
}

/** Label piles of the whole shelf against a grid and tolerance so fine that halving them changes nothing that shows. */
function accuracy(): void {
  let worst = { id: "", pct: 0 };
  let worstHalf = { id: "", pct: 0 };
  for (const p of FILMS) {
    const film = fittedFilm(p);
    if (film.phi0 <= film.sandPhi + 0.002) continue;
    const gap = p.label.gapMin ?? ownGapMin(p);
    const solidsUm = p.label.wftUm * (1 - film.phi0);
    const events = Array.from(
      { length: p.label.coats },
      (_, n): FilmEvent => ({
        kind: "coat",
        atMin: n * gap,
        substance: film.substance,
        solidsUm,
        phi0: film.phi0,
      }),
    );
    const last = (p.label.coats - 1) * gap;
    const air = steadyWeather({ tempC: 14, activity: 0.6, airflow: 1 });
    const at = (cellsPerCoat: number, relative: number) =>
      runFilm(events, air, 1e6, {
        cellsPerCoat,
        tolerance: { relative, absolute: relative / 10 },
        watches: [{ measure: largestBelow(film.sandPhi), fromMin: last }],
      }).reachedMin[0]! - last;
    const fine = at(96, 1e-5);
    const off = (x: number) => 100 * Math.abs(x / fine - 1);
    if (off(at(CELLS, 2e-3)) > worst.pct) worst = { id: p.id, pct: off(at(CELLS, 2e-3)) };
    if (off(at(12, 2e-3)) > worstHalf.pct) worstHalf = { id: p.id, pct: off(at(12, 2e-3)) };
  }
  tell({
    bench: "film-accuracy",
    cells: CELLS,
    worst_pct: round3(worst.pct),
    worst_film: worst.id,
    at_12_cells_pct: round3(worstHalf.pct),
    worst_at_12: worstHalf.id,
  });
}

/** Every film of the shelf as its label has it on every other, beside the same alone: by what the waits grow. */
function piles(): void {
  const films = FILMS.filter((p) => p.role !== "promoter");
  for (const below of FRESHNESSES) {
    let ratios: readonly number[] = [];
    const ms = firstMs(() => {
      ratios = films
        .flatMap((top) => films.flatMap((under) => (under === top ? [] : overPile(top, under, below))))
        // a few minutes' wait is no ratio
        .map(({ aloneMin, min }) => (Math.abs(min - aloneMin) > 5 ? min / aloneMin : 1))
        .sort((a, b) => a - b);
    });
    const at = (share: number) => round3(ratios[Math.floor(share * (ratios.length - 1))]!);
    tell({
      bench: "film-piles",
      below,
      waits: ratios.length,
      least: at(0),
      median: at(0.5),
      p99: at(0.99),
      most: at(1),
      over_1_5: ratios.filter((r) => r > 1.5).length,
      ms: Math.round(ms),
    });
  }
}

export function benchFilm(): void {
  for (const c of CASES) besidePeer(c);
  threeCoats();
  labelFits();
  queries();
  accuracy();
  piles();
}
