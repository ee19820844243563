/** Which product may go over which, and what it costs at the least: the graph the search walks. */

import { MIN_PER_DAY } from "../base";
import { judgeStack } from "../judge";
import { airFacts } from "../judge/facts";
import { filmStateAt, laidFilm, momentsOf, reachedMin } from "../judge/moments";
import type { Pile } from "../judge/pile";
import { meetingVerdicts, SEVERITY } from "../judge/seams";
import type { Layer, Stack, Verdict } from "../model";
import { hexLuminance, plannedWftUm } from "../numbers";
import {
  DARK_UP_TO,
  FOAM_BARRIER,
  hasTrait,
  mayBeFoam,
  onFoam,
  PALE_FROM,
  RISK_POINTS,
  SHOWN_RISK,
} from "../reference";
import {
  applyRules,
  type FactSheet,
  FILM_STATES,
  type FilmState,
  factSheet,
  neededPrep,
  RULE_BOOK,
  regionFacts,
  upperFacts,
  worstOf,
} from "../rules";
import { layerTotals, ZERO } from "./cost";
import { type Heights, heightsOf } from "./height";
import { fits, mayEnd, optionsOf, RANK } from "./options";
import type { FinderInput, Option, Totals } from "./types";

/**
 * The finder's graph: nodes are ways of laying a product, edges are seams. Costs on it are what is certain whatever else is
 * in the stack, so the cost of a path never exceeds the true cost of its stack: a lower bound the search can trust.
 */
export interface Graph {
  readonly input: FinderInput;
  readonly prep: Stack["prep"];
  readonly options: readonly Option[];
  /** by option: what it costs by itself */
  readonly own: readonly Totals[];
  /** by option: what it costs as the first film; null = it may not be */
  readonly first: readonly (Totals | null)[];
  /** by option: what it costs as the last film; null = it may not be */
  readonly last: readonly (Totals | null)[];
  readonly heights: Heights;
  edge(lower: number, upper: number): Edge | null;
}

/** The ways over a seam: as it comes, and scuffed first. Null where that way stops. */
interface Edge {
  readonly plain: Way | null;
  readonly scuffed: Way | null;
}
export interface Way {
  readonly days: number;
  readonly risk: number;
}

/** Layer rules that look at nothing but the layer and the region: they hold in every stack. */
const OF_THE_LAYER = new Set([
  "flex-brittle",
  "flex-stiff",
  "isocyanate-sprayed",
  "isocyanate-unknown",
  "solvent-sprayed-bare-faced",
  "spray-no-filter",
  "sanding-no-filter",
  "skin-too-thick",
  "skin-over-usual",
  "light-cannot-reach",
  "gap-without-backing",
  "too-hot-in-service",
  "too-hot-by-family",
  "fumes-near-clear",
  "putty-sprayed",
  "light-unknown",
]);
/** Pile rules that look at nothing but the top film and the region. */
const OF_THE_TOP = new Set([
  "no-uv-protection",
  "red-or-yellow-fades",
  "not-oil-proof",
  "oil-proof-unsaid",
  "water-colour-unsealed",
  "gloss-on-hidden-prep",
]);

const risk = (points: number): Totals => ({ ...ZERO, risk: points });

/** Risk points of verdicts, or null when one is a stop, or a test where tests are not wanted. */
function points(verdicts: readonly { verdict: Verdict }[], tests: boolean): number | null {
  let sum = 0;
  for (const v of verdicts) {
    if (v.verdict === "stop" || (v.verdict === "test" && !tests)) return null;
    sum += RISK_POINTS[v.verdict];
  }
  return sum;
}

export function makeGraph(given: FinderInput): Graph {
  const input = mayBeFoam(given.region.material) ? { ...given, shelf: given.shelf.map(onFoam) } : given;
  const options = optionsOf(input);
  const prep = neededPrep(input.region);
  const { allowTests } = input.want;
  const alone = options.map((o) => judgedAlone(o, prep, input));
  // a coupon may lift what is a test here, so with coupons a test costs no more than the care it may become
  const lift = (input.coupons?.length ?? 0) > 0;
  const score = (vs: Parameters<typeof points>[0]) => {
    const eased = lift ? vs.map((v) => (v.verdict === "test" ? { verdict: "care" as const } : v)) : vs;
    return points(eased, allowTests || lift);
  };
  const own: Totals[] = [];
  const barred: boolean[] = [];
  for (const [i, o] of options.entries()) {
    const extra = score(alone[i]!.filter((v) => v.where.kind === "layer" && OF_THE_LAYER.has(v.rule)));
    barred.push(extra === null);
    own.push(addRisk(layerTotals(o.layer, o.product, input), (extra ?? 0) + airRisk(o, input)));
  }
  const first = options.map((o, i) => {
    const n = barred[i] || !fits(null, o, input) ? null : score(alone[i]!.filter((v) => v.where.kind === "region"));
    return n === null ? null : risk(n);
  });
  const last = options.map((o, i) => {
    if (barred[i] || !mayEnd(o, input.want)) return null;
    const n = score(alone[i]!.filter((v) => v.where.kind === "stack" && OF_THE_TOP.has(v.rule)));
    if (n === null) return null;
    const film = laidFilm({ ...o.layer, id: "" }, o.product, input.air);
    return {
      ...risk(n * SHOWN_RISK[input.region.finish]),
      day: (reachedMin(film, "handle") - film.endMin) / MIN_PER_DAY,
    };
  });
  const seams = new Seams(input, options, prep, score);
  return {
    input,
    prep,
    options,
    own,
    first,
    last,
    heights: heightsOf(
      options,
      own.map((t) => t.gram),
      (i) => last[i] !== null,
      input,
    ),
    edge: (lower, upper) => (barred[upper] ? null : seams.edge(lower, upper)),
  };
}

const addRisk = (t: Totals, r: number): Totals => (r === 0 ? t : { ...t, risk: t.risk + r });

function judgedAlone(o: Option, prep: Stack["prep"], input: FinderInput) {
  const answer = judgeStack({
    region: input.region,
    stack: { prep, layers: [{ ...o.layer, id: "alone" }] },
    productOf: () => o.product,
    protection: input.protection,
    air: null,
  });
  return answer.outcome === "judged" ? answer.verdicts : [];
}

/** Air the coats cannot go on in means waiting for a better hour: a risk as great as a trial, or as a care where it is one. */
export function airRisk(o: Pick<Option, "product" | "layer">, input: FinderInput): number {
  const sheet = factSheet({
    ...upperFacts(o.product, o.layer.heaviness, plannedWftUm(o.layer, o.product)),
    ...airFacts(o.product, input.air, { ...o.layer, id: "" }),
  });
  return applyRules(RULE_BOOK, "air", sheet).reduce(
    (sum, v) => sum + RISK_POINTS[v.verdict === "stop" ? "test" : v.verdict === "ok" ? "ok" : "care"],
    0,
  );
}

interface Judged {
  readonly severity: number;
  /** risk points; null = it stops, or needs a trial nobody wants */
  readonly points: number | null;
}

interface When {
  readonly waitMin: number;
  readonly state: FilmState;
  readonly sandable: boolean;
  readonly atFlash: boolean;
  /** index of the state, and the two flags as bits */
  readonly stateAt: number;
  readonly flags: number;
}

/** Seams by what they hang on, so that products alike in all that matters are judged once. */
class Seams {
  private readonly edges: (Edge | null | undefined)[];
  private readonly whens: (readonly When[])[];
  private readonly classes: { lower: number[]; upper: number[] };
  /** verdicts by lower class, upper class, moment and scuff, all in one number */
  private readonly known = new Map<number, Judged>();
  private readonly base: FactSheet;
  private readonly sheets: (FactSheet | undefined)[] = [];
  private readonly noFilter: boolean;

  constructor(
    private readonly input: FinderInput,
    private readonly options: readonly Option[],
    prep: Stack["prep"],
    private readonly score: (v: readonly { verdict: Verdict }[]) => number | null,
  ) {
    this.edges = new Array(options.length ** 2);
    this.whens = options.map((o) => whensOf(o, input));
    this.classes = { lower: classify(options, lowerKey), upper: classify(options, upperKey) };
    this.base = factSheet({
      ...regionFacts(input.region, input.region.material!, prep),
      "bench.protection": input.protection,
    });
    this.noFilter = !input.protection.some((p) => p === "a2p3" || p === "p3" || p === "air-fed");
  }

  edge(lower: number, upper: number): Edge | null {
    const at = lower * this.options.length + upper;
    const known = this.edges[at];
    if (known !== undefined) return known;
    const made = fits(this.options[lower]!, this.options[upper]!, this.input) ? this.make(lower, upper) : null;
    this.edges[at] = made;
    return made;
  }

  private make(lower: number, upper: number): Edge | null {
    const plain = this.way(lower, upper, false);
    // a rubbed film is scuffed already
    const rubbed = this.options[lower]!.layer.sandAfter !== null;
    const scuffed = rubbed ? null : this.way(lower, upper, true);
    return plain || scuffed ? { plain, scuffed } : null;
  }

  private way(lower: number, upper: number, scuff: boolean): Way | null {
    let [judged, when]: [Judged | null, When | null] = [null, null];
    for (const w of this.whens[lower]!) {
      const j = this.verdicts(lower, upper, w, scuff);
      if (judged && j.severity >= judged.severity) continue;
      [judged, when] = [j, w];
      if (j.severity === 0) break;
    }
    if (!judged || !when || judged.points === null) return null;
    const dust = scuff && this.noFilter && this.options[upper]!.layer.sandAfter === null ? RISK_POINTS.care : 0;
    return { days: when.waitMin / MIN_PER_DAY, risk: judged.points + dust };
  }

  private verdicts(lower: number, upper: number, w: When, scuff: boolean) {
    const key =
      ((this.classes.lower[lower]! * this.options.length + this.classes.upper[upper]!) * FILM_STATES.length +
        w.stateAt) *
        8 +
      w.flags +
      (scuff ? 4 : 0);
    const known = this.known.get(key);
    if (known) return known;
    const [a, b] = [this.options[lower]!, this.options[upper]!];
    const above: Layer = { ...b.layer, id: "b", before: scuff ? ["scuff", "wipe"] : [] };
    const pile: Pile = {
      input: {
        region: this.input.region,
        stack: { prep: [], layers: [] },
        productOf: (id) => (id === a.product.id ? a.product : b.product),
        protection: this.input.protection,
        air: null,
      },
      layers: [{ ...a.layer, id: "a" }, above],
      products: [a.product, b.product],
      ledger: [],
      films: [0, 1],
      gaps: new Map(),
      laid: new Map(),
      couponWftUm: 0,
    };
    const own =
      this.sheets[upper] ??
      factSheet(upperFacts(b.product, b.layer.heaviness, plannedWftUm(b.layer, b.product)), this.base);
    this.sheets[upper] = own;
    const fired = meetingVerdicts(pile, own, 1, 0, {
      lower: a.product,
      state: w.state,
      sandable: w.sandable,
      atFlash: w.atFlash,
    });
    const judged = { severity: SEVERITY[worstOf(fired)], points: this.score(fired) };
    this.known.set(key, judged);
    return judged;
  }
}

/** Moments at which a seam over this film may be made, soonest first, as the judge looks at them; waits in the finder's air. */
function whensOf(o: Option, input: FinderInput): readonly When[] {
  const layer = { ...o.layer, id: "" };
  const film = laidFilm(layer, o.product, null);
  const real = laidFilm(layer, o.product, input.air);
  const sanded = o.layer.sandAfter !== null;
  const sandableMin = reachedMin(film, "sandable") - 1e-6;
  const flashMin = reachedMin(film, "flash") - 1e-6;
  return momentsOf(film, sanded).map((m) => {
    const state = filmStateAt(film, m.atMin);
    const [sandable, atFlash] = [m.atMin >= sandableMin, m.atMin >= flashMin];
    return {
      waitMin: waitIn(real, m.wait, sanded),
      state,
      sandable,
      atFlash,
      stateAt: FILM_STATES.indexOf(state),
      flags: (sandable ? 1 : 0) + (atFlash ? 2 : 0),
    };
  });
}

type Laid = ReturnType<typeof laidFilm>;
type Wait = ReturnType<typeof momentsOf>[number]["wait"];

/** The same wait in another air, minutes from the end of the film. */
export function waitIn(film: Laid, wait: Wait, sanded: boolean): number {
  const opens = film.windows.at(-1)?.openMin ?? 0;
  const at = (): number => {
    if (wait.until === "window") {
      const opened = film.windows[wait.index]?.openMin ?? opens;
      return wait.dry ? Math.max(opened, reachedMin(film, "sandable")) : opened;
    }
    if (wait.until === "gap") return film.endMin + wait.gapMin;
    if (wait.until === "missed") return (film.windows.at(-1)?.shutMin ?? 0) + 1;
    return Math.max(opens, reachedMin(film, wait.until));
  };
  return Math.max(at(), sanded ? reachedMin(film, "sandable") : 0) - film.endMin;
}

function classify(options: readonly Option[], key: (o: Option) => string): number[] {
  const seen = new Map<string, number>();
  return options.map((o) => {
    const k = key(o);
    const own = seen.get(k) ?? seen.size;
    seen.set(k, own);
    return own;
  });
}

/** Everything of a lower film that a seam rule may look at, beside the moment. */
const lowerKey = ({ product: p, layer }: Option): string => {
  const luminance = hexLuminance(p.colour);
  const shade = luminance >= PALE_FROM ? "pale" : luminance <= DARK_UP_TO ? "dark" : "mid";
  const { role, family, carriers, bite, sheen, effect, unknowns, assumed } = p;
  const windowed = p.label.recoat.length > 0;
  const rubbed = layer.sandAfter !== null;
  return JSON.stringify([role, family, carriers, bite, sheen, effect, unknowns, assumed, shade, windowed, rubbed]);
};

/** Everything of an upper film that a seam rule may look at. */
const upperKey = ({ product: p, layer }: Option): string => {
  const { role, family, carriers, bite, propellant, method, sheen, effect, hazards, mayGoOver, unknowns } = p;
  const flags = [p.flexible, p.combinedPrimer, p.rustInhibitor, p.yellowing, p.activator, p.dearomatised];
  const laid = [layer.heaviness, layer.wftUm];
  return JSON.stringify([
    role,
    family,
    carriers,
    bite,
    propellant,
    method,
    sheen,
    effect,
    hazards,
    mayGoOver,
    unknowns,
    flags,
    laid,
  ]);
};

/** What a path has gathered that later films or the end ask for, in a small number. */
const FILLED = 1;
const PUTTIED = 2;
const HAS_MUST = 4;
const COATS_SHIFT = 3;
const UM_SHIFT = 5;
const UM_STEP = FOAM_BARRIER.dftUm / 7;
const BARRIER_RANKS: readonly number[] = [
  RANK.sealer,
  RANK.primer,
  RANK.build,
  RANK.undercoat,
  RANK.colour,
  RANK.clear,
];

/** Follows what a path gathers. Barrier film is counted up, never down, so no stack is ruled out that might hold. */
export class Gathering {
  private readonly foam: boolean;
  private readonly dry: readonly number[];

  constructor(
    private readonly graph: Graph,
    dryUm: (o: Option) => number,
  ) {
    const { material } = graph.input.region;
    this.foam = hasTrait(material, "polystyrene-foam");
    this.dry = graph.options.map(dryUm);
  }

  /** Bits after laying option i over a path with these bits. */
  after(bits: number, i: number): number {
    const o = this.graph.options[i]!;
    const { mustId } = this.graph.input.want;
    let next = bits;
    if (o.rank === RANK.build || o.rank === RANK.putty) next |= FILLED;
    if (o.rank === RANK.putty) next |= PUTTIED;
    if (o.product.id === mustId) next |= HAS_MUST;
    if (!this.foam || !BARRIER_RANKS.includes(o.rank)) return next;
    const coats = Math.min(FOAM_BARRIER.coats, ((bits >> COATS_SHIFT) & 3) + o.layer.coats);
    const um = Math.min(7, ((bits >> UM_SHIFT) & 7) + Math.ceil(this.dry[i]! / UM_STEP));
    return (next & 7) | (coats << COATS_SHIFT) | (um << UM_SHIFT);
  }

  /** May option i go over a path with these bits, as far as foam below is concerned? */
  holds(bits: number, bite: number): boolean {
    if (!this.foam || bite < 2) return true;
    return ((bits >> COATS_SHIFT) & 3) >= FOAM_BARRIER.coats && ((bits >> UM_SHIFT) & 7) >= 7;
  }

  /** What ending with these bits costs; null = it may not end. */
  end(bits: number): number | null {
    const { region, want } = this.graph.input;
    if (want.mustId !== null && (bits & HAS_MUST) === 0) return null;
    if ((region.fillDepthUm ?? null) !== null && (bits & PUTTIED) === 0) return null;
    const shown = region.finish !== "hidden" && (region.ridgeUm ?? 0) > 0;
    return shown && (bits & FILLED) === 0 ? RISK_POINTS.care * SHOWN_RISK[region.finish] : 0;
  }
}
