/**
 * What looks at the bench tell of a shed's waits. A true time is t = g · t_model, ln g = s + p: s the shed's part, shared by every
 * product, p the product's own. Priors s ~ N(0, 0.20²), p ~ N(0, 0.29²) (est.); a look scatters by 0.12 times Student's t with four
 * degrees of freedom (est.), so that one careless note does not carry the day. Integrated on grids, the same for the same looks.
 */

/** One look: what it tells of the true time, minutes since the coat. At least one bound, or the moment it was seen to turn. */
export interface Look {
  readonly productId: string;
  /** what the film model says in that air, for that film, minutes */
  readonly predictedMin: number;
  /** not yet then; null = nobody looked before */
  readonly afterMin: number | null;
  /** reached by then; null = not seen to be */
  readonly byMin: number | null;
  /** seen just as it turned; beats the bounds */
  readonly atMin: number | null;
}

/** How a time factor lies, by its quantiles. */
export interface Factor {
  readonly median: number;
  readonly p10: number;
  readonly p90: number;
}
interface ProductFactor extends Factor {
  readonly productId: string;
  readonly looks: number;
}
export interface Learnt {
  /** the shed's own part, exp(s) */
  readonly shed: Factor;
  readonly products: readonly ProductFactor[];
}

const SHED_SD = 0.2;
const PRODUCT_SD = 0.29;
const LOOK_SCALE = 0.12;
const BOTH_SD = Math.hypot(SHED_SD, PRODUCT_SD);
/** Grids reach so many deviations to each side. */
const REACH = 5.5;
const SHED_STEPS = 121;
const COARSE_STEPS = 121;
const FINE_STEPS = 101;
/** What is so much less likely than the likeliest, in logarithms, is left out of the fine grid. */
const NEGLECTED = 22;

/** Student's t, four degrees of freedom: distribution function and density, in closed form. */
export function studentCdf(x: number): number {
  const r = x * x;
  const root = Math.sqrt(4 + r);
  return 0.5 + (x * (r + 6)) / (2 * root ** 3);
}
const studentPdf = (x: number): number => 0.375 * (1 + (x * x) / 4) ** -2.5;

/** Weights on a grid, seen from a point through the spread of products: Σ w · N(x − at), up to a constant. */
function smoothed(x: number, at: readonly number[], weights: readonly number[]): number {
  const k = -0.5 / PRODUCT_SD ** 2;
  let sum = 0;
  for (let i = 0; i < at.length; i++) {
    const d = x - at[i]!;
    sum += weights[i]! * Math.exp(k * d * d);
  }
  return sum;
}
const LEAST = 1e-300;

/** Log likelihood of a product's looks where ln g is u. */
function logLikelihood(looks: readonly Look[], u: number): number {
  let sum = 0;
  for (const { predictedMin, afterMin, byMin, atMin } of looks) {
    const z = (min: number): number => (Math.log(min / predictedMin) - u) / LOOK_SCALE;
    if (atMin !== null) sum += Math.log(Math.max(LEAST, studentPdf(z(atMin))));
    else {
      const upper = byMin === null ? 1 : studentCdf(z(byMin));
      const lower = afterMin === null ? 0 : studentCdf(z(afterMin));
      // far in a tail the difference of two numbers near one says nothing any more: there the mirrored one does
      const between =
        afterMin !== null && lower > 0.5
          ? studentCdf(-z(afterMin)) - (byMin === null ? 0 : studentCdf(-z(byMin)))
          : upper - lower;
      sum += Math.log(Math.max(LEAST, between));
    }
  }
  return sum;
}

interface Grid {
  readonly at: readonly number[];
  readonly step: number;
}
const grid = (from: number, to: number, steps: number): Grid => {
  const step = (to - from) / (steps - 1);
  return { at: Array.from({ length: steps }, (_, i) => from + i * step), step };
};

const SHED = grid(-REACH * SHED_SD, REACH * SHED_SD, SHED_STEPS);

/** The likelihood of one product on a grid fine where it matters, and what it tells of the shed's part. */
interface Told {
  readonly u: Grid;
  /** relative to the likeliest */
  readonly likelihood: readonly number[];
  /** ∫ N(u − s) L(u) du over the shed's grid, relative */
  readonly ofShed: readonly number[];
}

function tell(looks: readonly Look[]): Told {
  const coarse = grid(-REACH * BOTH_SD, REACH * BOTH_SD, COARSE_STEPS);
  const score = coarse.at.map((u) => logLikelihood(looks, u) - 0.5 * (u / BOTH_SD) ** 2);
  const most = Math.max(...score);
  const kept = coarse.at.filter((_, i) => score[i]! > most - NEGLECTED);
  const u = grid(kept[0]! - coarse.step, kept.at(-1)! + coarse.step, FINE_STEPS);
  const logs = u.at.map((x) => logLikelihood(looks, x));
  const top = Math.max(...logs);
  const likelihood = logs.map((l) => Math.exp(l - top));
  const ofShed = SHED.at.map((s) => smoothed(s, u.at, likelihood));
  return { u, likelihood, ofShed };
}

/** Quantiles of what lies on a grid, as factors. */
function factorOf({ at, step }: Grid, weights: readonly number[]): Factor {
  const total = weights.reduce((a, b) => a + b, 0);
  const quantile = (q: number): number => {
    let below = 0;
    for (const [i, w] of weights.entries()) {
      const next = below + w / total;
      // a weight is spread over its step
      if (next >= q) return Math.exp(at[i]! - step / 2 + (step * (q - below)) / (next - below));
      below = next;
    }
    return Math.exp(at.at(-1)!);
  };
  return { median: quantile(0.5), p10: quantile(0.1), p90: quantile(0.9) };
}

/** Where a product's ln g lies, given all looks of the shed. */
interface Spread {
  readonly u: Grid;
  readonly weights: readonly number[];
}

function posterior(looks: readonly Look[], ids: readonly string[]) {
  const byProduct = new Map<string, Look[]>();
  for (const l of looks) byProduct.set(l.productId, [...(byProduct.get(l.productId) ?? []), l]);
  const told = new Map([...byProduct].map(([id, own]) => [id, tell(own)]));
  // in logarithms: a hundred products multiply to nothing otherwise
  const logShed = SHED.at.map((s, i) => {
    let sum = -0.5 * (s / SHED_SD) ** 2;
    for (const t of told.values()) sum += Math.log(Math.max(LEAST, t.ofShed[i]!));
    return sum;
  });
  const relative = (logs: readonly number[]): readonly number[] => {
    const most = Math.max(...logs);
    return logs.map((l) => Math.exp(l - most));
  };
  const spreadOf = (id: string): Spread => {
    const own = told.get(id);
    // what the others tell of the shed, and its own looks once
    const others = own ? logShed.map((l, i) => l - Math.log(Math.max(LEAST, own.ofShed[i]!))) : logShed;
    const shed = relative(others);
    const u = own?.u ?? grid(-REACH * BOTH_SD, REACH * BOTH_SD, FINE_STEPS);
    const weights = u.at.map((x, k) => smoothed(x, SHED.at, shed) * (own ? own.likelihood[k]! : 1));
    return { u, weights };
  };
  return {
    shed: factorOf(SHED, relative(logShed)),
    spreads: new Map(ids.map((id) => [id, spreadOf(id)])),
    counts: new Map([...byProduct].map(([id, own]) => [id, own.length])),
  };
}

/** What all looks of a shed tell of it and of each product asked for; one nobody looked at is told from the shed's part. */
export function learnt(looks: readonly Look[], productIds: readonly string[]): Learnt {
  const { shed, spreads, counts } = posterior(looks, productIds);
  return {
    shed,
    products: productIds.map((productId) => {
      const { u, weights } = spreads.get(productId)!;
      return { productId, looks: counts.get(productId) ?? 0, ...factorOf(u, weights) };
    }),
  };
}

/** The next coat's time against the model's, scatter and all that is not known of the factor included. @param q in (0, 1) */
export function nextFactor(looks: readonly Look[], productId: string, q: number): number {
  const { u, weights } = posterior(looks, [productId]).spreads.get(productId)!;
  const total = weights.reduce((a, b) => a + b, 0);
  const share = (x: number): number =>
    weights.reduce((sum, w, i) => sum + w * studentCdf((x - u.at[i]!) / LOOK_SCALE), 0) / total;
  let [low, high] = [-4, 4];
  for (let n = 0; n < 40; n++) {
    const mid = (low + high) / 2;
    if (share(mid) < q) low = mid;
    else high = mid;
  }
  return Math.exp((low + high) / 2);
}

/** Farther from one than this, one asks whether label, thickness or hygrometer is wrong. */
const SANE = { least: 0.4, most: 2.5 } as const;
export const isStrange = ({ median }: Factor): boolean => median < SANE.least || median > SANE.most;
