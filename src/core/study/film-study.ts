/** A film looked at closely: its depth over time in several airs, its milestones, and the faults of going on too soon. */

import {
  type AppliedCoat,
  balancePhi,
  type Climate,
  climateAt,
  climateOf,
  clockLawOf,
  dryAtByModel,
  FILM_MILESTONES,
  type FilmFault,
  type FilmMilestone,
  filmFaults,
  fittedFilm,
  type LocalAir,
  milestoneAfter,
  type NextAct,
  prefixClock,
  recoatWindows,
  runPile,
  type WaitClock,
} from "../film";
import type { AirPoint, Product } from "../model";
import { labelTimes, ownGapMin, partLagMin, STILL_AIR_M_S } from "../reference";

/** One layer as the Film screen asks for it. */
export interface StudyLayer {
  readonly product: Product;
  readonly coats: number;
  readonly wftUm: number;
  /** between its own coats, minutes; null = the label's */
  readonly coatGapMin: number | null;
  /** since the last coat of the layer below, minutes; null = a day */
  readonly gapMin: number | null;
  /** rubbed off it before the next, µm */
  readonly rubUm: number;
}

export interface StudyInput {
  readonly layers: readonly StudyLayer[];
  /** the shed from the first coat on, and well past the view */
  readonly shed: readonly AirPoint[];
  readonly startMin: number;
  /** how much is drawn after the last coat, minutes; null = half as much again as it takes to sand */
  readonly viewMin: number | null;
  /** what replaces the shed's air all the while; null = the shed as it is */
  readonly steady: Omit<AirPoint, "atMin"> | null;
  readonly warmBox: { readonly afterMin: number; readonly forMin: number; readonly tempC: number } | null;
  /** done after this long, for "what if"; null = nothing is */
  readonly act: { readonly kind: NextAct["kind"]; readonly afterMin: number; readonly carrierBite: number } | null;
}

/** Airs a study is run in, beside each other. */
const STUDY_AIRS = ["own", "label", "warm-box"] as const;
export type StudyAir = (typeof STUDY_AIRS)[number];

interface StudyMilestone {
  readonly milestone: FilmMilestone;
  /** minutes after the last coat; null = not in this air */
  readonly min: number | null;
  /** the same before the shed had taught anything of it; absent = it has not */
  readonly byLabelMin?: number | null;
  readonly assumed: boolean;
}
export interface StudyRun {
  readonly air: StudyAir;
  readonly milestones: readonly StudyMilestone[];
  /** why it never dries in this air; null = it does, or only takes long */
  readonly never: "too-damp" | "too-slow" | null;
  /** curve of the largest and of the top coat's mean φ, by minutes after the last coat */
  readonly curve: readonly { readonly min: number; readonly largestPhi: number; readonly meanTopPhi: number }[];
}
export interface FilmStudy {
  readonly runs: readonly StudyRun[];
  /** how much was drawn after the last coat, minutes */
  readonly viewMin: number;
  /** when it really went into the warm box; null = it did not */
  readonly boxAfterMin: number | null;
  /** minutes after the last coat; negative before it */
  readonly times: readonly number[];
  /** height of each row above the bare face, dry µm */
  readonly heights: readonly number[];
  /** φ by row and time; NaN where there is no film yet */
  readonly phi: readonly (readonly number[])[];
  /** boundaries between coats, dry µm, with the product below each */
  readonly coats: readonly { readonly topUm: number; readonly name: string }[];
  /** cure degree of the top film by time; null where it does not react */
  readonly alpha: readonly number[] | null;
  readonly windows: readonly { readonly opensMin: number; readonly shutsMin: number | null }[];
  readonly faults: readonly (Omit<FilmFault, "atMin" | "rightAtMin"> & {
    readonly min: number;
    readonly rightMin: number | null;
  })[];
  readonly mass: {
    readonly appliedUm: number;
    readonly releasedUm: number;
    readonly leftUm: number;
    readonly sandedUm: number;
  };
  readonly steps: number;
  readonly cells: number;
  readonly notes: readonly { readonly name: string; readonly note: string }[];
}

const USUAL_GAP_MIN = 1440;
const TIMES = 120;
const ROWS = 60;
const FAR_MIN = 45 * 1440;
/** How much of the time before a top layer is drawn, of the view. */
const BEFORE_OF_VIEW = 0.06;
/** Steps of a warm box's own air on paper, where the shed's is replaced. */
const STEADY_STEP_MIN = 720;

/** The layers as coats on the wall clock, the first ending at `startMin`. */
export function coatsOf(layers: readonly StudyLayer[], startMin: number): readonly AppliedCoat[] {
  const coats: AppliedCoat[] = [];
  let at = startMin;
  layers.forEach((layer, i) => {
    if (i > 0) {
      const before = layers[i - 1]!;
      const gap = layer.gapMin ?? USUAL_GAP_MIN;
      const last = coats.length - 1;
      if (before.rubUm > 0) coats[last] = { ...coats[last]!, rubbed: { atMin: at + gap / 2, takesUm: before.rubUm } };
      at += gap;
    }
    const own = layer.coatGapMin ?? layer.product.label.gapMin ?? ownGapMin(layer.product);
    for (let n = 0; n < layer.coats; n++) {
      if (n > 0) at += own;
      coats.push({ product: layer.product, wftUm: layer.wftUm, endMin: at });
    }
  });
  return coats;
}

const steadyClimate = (air: Omit<AirPoint, "atMin">, fromMin: number, toMin: number): Climate => {
  const points: AirPoint[] = [];
  for (let t = fromMin; t < toMin + STEADY_STEP_MIN; t += STEADY_STEP_MIN) points.push({ atMin: t, ...air });
  return climateOf(points);
};

function airOf(kind: StudyAir, input: StudyInput, coats: readonly AppliedCoat[]): Climate {
  const end = coats.at(-1)!.endMin + FAR_MIN;
  const top = coats.at(-1)!.product;
  const { label } = top;
  if (kind === "label")
    return steadyClimate({ tempC: label.tempC, rhPct: label.rhPct, airflowMS: STILL_AIR_M_S }, input.startMin - 1, end);
  const shed = input.steady ? steadyClimate(input.steady, input.startMin - 1, end) : climateOf(input.shed);
  if (kind === "own" || !input.warmBox) return shed;
  const from = coats.at(-1)!.endMin + input.warmBox.afterMin;
  const stay: LocalAir = {
    kind: "warm-box",
    fromMin: from,
    toMin: from + input.warmBox.forMin,
    tempC: input.warmBox.tempC,
    airflowMS: null,
  };
  return climateAt(shed, [stay], partLagMin(null));
}

function neverReason(coats: readonly AppliedCoat[], climate: Climate, sandMin: number | null): StudyRun["never"] {
  if (sandMin !== null) return null;
  const film = fittedFilm(coats.at(-1)!.product);
  if (film.substance.activity !== "water") return "too-slow";
  // what a water-borne film keeps in this air, even of its driest hours, against what it may hold to sand
  const driest = Math.min(...climate.points.filter((p) => p.atMin >= coats.at(-1)!.endMin).map((p) => p.rhPct));
  return balancePhi(film, driest / 100) >= film.sandPhi ? "too-damp" : "too-slow";
}

interface RunInAir {
  readonly run: Omit<StudyRun, "curve">;
  readonly climate: Climate;
  readonly clock: WaitClock;
}

function runIn(kind: StudyAir, input: StudyInput, laid: readonly AppliedCoat[]): RunInAir {
  // a label's case is its label's; what the shed has taught is the shed's
  const coats = kind === "label" ? laid.map((c) => ({ ...c, product: { ...c.product, pace: undefined } })) : laid;
  const { pace } = coats.at(-1)!.product;
  const climate = airOf(kind, input, coats);
  const last = coats.at(-1)!.endMin;
  const clock = prefixClock(climate, coats[0]!.endMin, Math.min(last + FAR_MIN, climate.points.at(-1)!.atMin));
  const { metMin } = runPile(coats, climate, clock.toMin);
  const dryAt = dryAtByModel(coats, metMin);
  const milestones = FILM_MILESTONES.map((milestone): StudyMilestone => {
    const a = milestoneAfter(coats, milestone, clock, null, dryAt);
    const assumed = labelTimes(coats.at(-1)!.product)[milestone === "dust-free" ? "touch" : milestone].assumed;
    const plain = pace && milestoneAfter(coats, milestone, clock, 1, dryAt);
    return {
      milestone,
      min: a.outcome === "reached" ? a.atMin - last : null,
      ...(plain ? { byLabelMin: plain.outcome === "reached" ? plain.atMin - last : null } : {}),
      assumed: assumed || milestone === "dust-free",
    };
  });
  const sand = milestones.find((m) => m.milestone === "sandable")!.min;
  return { run: { air: kind, milestones, never: neverReason(coats, climate, sand) }, climate, clock };
}

/** The largest and the top coat's mean φ, from the last coat on. */
function curveIn(coats: readonly AppliedCoat[], climate: Climate, viewMin: number): StudyRun["curve"] {
  const last = coats.at(-1)!.endMin;
  const sampleMin = Array.from({ length: TIMES + 1 }, (_, i) => last + 0.01 + (i / TIMES) * viewMin);
  const { run } = runPile(coats, climate, last + viewMin + 1, { sampleMin, toTheEnd: true });
  return run.samples.map((s) => ({ min: s.atMin - last, largestPhi: s.largestPhi, meanTopPhi: s.meanPhiTop }));
}

/** A wet film is never warmed: the box begins at touch dry at the earliest, and not at all if that never comes. */
function boxStart(input: StudyInput, own: RunInAir): number | null {
  if (!input.warmBox) return null;
  const touch = own.run.milestones.find((m) => m.milestone === "touch")!.min;
  return touch === null ? null : Math.max(input.warmBox.afterMin, touch);
}

const VIEW = { least: 120, most: 14 * 1440, ofSand: 1.5, ifNever: 2 * 1440 } as const;

/** Half as much again as the slowest air shown takes to sand. */
function viewFor(runs: readonly RunInAir[]): number {
  const sand = runs.map(({ run }) => run.milestones.find((m) => m.milestone === "sandable")!.min);
  const longest = Math.max(...sand.map((m) => m ?? VIEW.ifNever / VIEW.ofSand));
  return Math.min(VIEW.most, Math.max(VIEW.least, VIEW.ofSand * longest));
}

/** Rows evenly spaced through the whole dry pile, each time's film read at its own height; NaN above what is there yet. */
function heatRows(
  samples: ReturnType<typeof runPile>["run"]["samples"],
  heights: readonly number[],
): readonly (readonly number[])[] {
  return heights.map((height) =>
    samples.map(({ profile }) => {
      if (!profile) return Number.NaN;
      let top = 0;
      for (let i = 0; i < profile.phi.length; i++) {
        top += profile.thicknessUm[i]!;
        if (height <= top) return profile.phi[i]!;
      }
      return Number.NaN;
    }),
  );
}

/** What is left of each coat in the end, as the height of its top; coats rubbed off altogether are left out. */
function coatTops(
  profile: ReturnType<typeof runPile>["run"]["samples"][number]["profile"],
  coats: readonly AppliedCoat[],
): readonly { readonly topUm: number; readonly name: string }[] {
  const tops = new Map<number, number>();
  let top = 0;
  profile?.coatOf.forEach((c, i) => {
    top += profile.thicknessUm[i]!;
    tops.set(c, top);
  });
  return [...tops].map(([c, topUm]) => ({ topUm, name: coats[c]!.product.name }));
}

function alphaOf(coats: readonly AppliedCoat[], clock: WaitClock, atMin: readonly number[]): readonly number[] | null {
  const top = coats.at(-1)!;
  const film = fittedFilm(top.product);
  if (film.cureRate === null) return null;
  const rate = film.cureRate;
  return atMin.map((t) =>
    t <= top.endMin ? 0 : 1 - Math.exp(-rate * clock.elapsedRef(clockLawOf(film), top.endMin, t)),
  );
}

/** Everything the Film screen draws, from the film model in full; the airs stand beside each other, the map is of the first. */
export function filmStudy(input: StudyInput): FilmStudy {
  const coats = coatsOf(input.layers, input.startMin);
  const last = coats.at(-1)!.endMin;
  const own = runIn("own", input, coats);
  const boxAfterMin = boxStart(input, own);
  const inBox: StudyInput =
    boxAfterMin === null
      ? { ...input, warmBox: null }
      : { ...input, warmBox: { ...input.warmBox!, afterMin: boxAfterMin } };
  const airs: readonly StudyAir[] = boxAfterMin === null ? ["own", "label"] : STUDY_AIRS;
  const runs = airs.map((kind) => (kind === "own" ? own : runIn(kind, inBox, coats)));
  const viewMin = input.viewMin ?? viewFor(runs);
  const shown = boxAfterMin === null ? own : runs.at(-1)!;
  // what lies below was laid long before: the map begins with the top layer
  const topCoats = input.layers.at(-1)!.coats;
  const fromMin = coats.at(-topCoats)!.endMin - (coats.length > topCoats ? BEFORE_OF_VIEW * viewMin : 0);
  const span = last + viewMin - fromMin;
  const atMin = Array.from({ length: TIMES + 1 }, (_, i) => fromMin + 0.01 + (i / TIMES) * span);
  const drawn = runPile(coats, shown.climate, last + viewMin + 1, {
    sampleMin: atMin,
    withProfiles: true,
    toTheEnd: true,
  });
  const tops = coatTops(drawn.run.samples.at(-1)!.profile, coats);
  const total = Math.max(...drawn.run.samples.map((s) => s.profile?.thicknessUm.reduce((a, b) => a + b, 0) ?? 0));
  const heights = Array.from({ length: ROWS }, (_, i) => ((i + 0.5) / ROWS) * total);
  const act: NextAct | null = input.act
    ? input.act.kind === "sand"
      ? { kind: "sand", atMin: last + input.act.afterMin }
      : { kind: "coat", atMin: last + input.act.afterMin, carrierBite: input.act.carrierBite }
    : null;
  const faults = filmFaults(coats, shown.climate, shown.clock, act, last + viewMin);
  const films = [...new Set(input.layers.map((l) => l.product))];
  return {
    runs: runs.map(({ run, climate }) => ({ ...run, curve: curveIn(coats, climate, viewMin) })),
    viewMin,
    boxAfterMin,
    times: atMin.map((t) => t - last),
    heights,
    phi: heatRows(drawn.run.samples, heights),
    coats: tops,
    alpha: alphaOf(coats, shown.clock, atMin),
    windows: recoatWindows(coats, shown.clock).map((w) => ({
      opensMin: w.openMin - last,
      shutsMin: w.shutMin === null ? null : w.shutMin - last,
    })),
    faults: faults.map(({ atMin: at, rightAtMin, ...f }) => ({
      ...f,
      min: at - last,
      rightMin: rightAtMin === null ? null : rightAtMin - last,
    })),
    mass: drawn.run.mass,
    steps: drawn.run.stats.steps,
    cells: drawn.run.stats.cells,
    notes: films.flatMap((p) => fittedFilm(p).notes.map((note) => ({ name: p.name, note }))),
  };
}
