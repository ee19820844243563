import { absorptionOf, colourDistance, hexOf, type LinearRgb, linearRgb } from "./colour";

/** A paint that may go into a mix. */
export interface MixPaint {
  readonly id: string;
  /** masstone, sRGB */
  readonly colour: string;
  /** how much one part of it says in a mix against another's; 1 = as most (est.: the thinner it hides, the more) */
  readonly strength: number;
}

export interface Recipe {
  readonly parts: readonly { readonly id: string; readonly parts: number }[];
  /** shade of the dry film, sRGB (est.) */
  readonly colour: string;
  /** from the target, CIEDE2000 */
  readonly deltaE: number;
}

/** Opaque at this dry film a paint counts as one of ordinary strength, µm (est.). */
const ORDINARY_OPAQUE_UM = 40;
/** Strength of a paint in a mix by the dry film at which it hides: pigment hides, and pigment tints (est.). */
export const tintingStrength = (opaqueDftUm: number | null): number =>
  opaqueDftUm === null ? 1 : ORDINARY_OPAQUE_UM / opaqueDftUm;

/** The other way round: dry film at which a paint of such strength hides, µm. */
export const opaqueAt = (strength: number): number => ORDINARY_OPAQUE_UM / strength;

/** Reflectance of an opaque film from its absorption over scattering. */
const reflectance = (ks: number): number => 1 + ks - Math.sqrt(ks * ks + 2 * ks);

/** Shade of a mix, linear light: K/S of the masstones weighed by volume and strength. Kubelka–Munk, single constant, three bands. */
export function mixedRgb(paints: readonly MixPaint[], parts: readonly number[]): LinearRgb {
  const weights = paints.map((p, i) => p.strength * parts[i]!);
  const total = weights.reduce((sum, w) => sum + w, 0);
  const bands = paints.map((p) => linearRgb(p.colour).map(absorptionOf));
  return [0, 1, 2].map((band) =>
    reflectance(bands.reduce((sum, of, i) => sum + (weights[i]! / total) * of[band]!, 0)),
  ) as unknown as LinearRgb;
}

export const MOST_PAINTS = 4;
/** Parts of all paints together, by their number: nobody counts further. */
const MOST_PARTS = [0, 1, 12, 12, 10] as const;
/** Paints looked at together, after the first sieve. */
const KEPT_PAINTS = 6;
/** A mix of fewer paints or parts is kept before one that is nearer by less than nobody sees, CIEDE2000. */
const SAME_DELTA_E = 0.3;

/** A mix as it is sieved: a set of paints with one parting, its shade, and how far off that is by the plain distance in CIELAB. */
interface Sieved {
  readonly set: readonly Banded[];
  readonly parts: readonly number[];
  readonly rough: number;
}
interface Banded extends MixPaint {
  readonly ks: LinearRgb;
}

/** What a part more counts in the sieve, in steps of the plain distance: simple mixes come first where they are as near. */
const ROUGH_PER_PART = 0.04;
/** So many of the sieved are measured by CIEDE2000. */
const MEASURED = 160;

/** CIELAB of linear light, D65. Source: CIE 15. Written out: the sieve asks it a hundred thousand times. */
function labOf(r: number, g: number, b: number): [number, number, number] {
  const f = (t: number) => (t > 0.008856 ? Math.cbrt(t) : 7.787 * t + 16 / 116);
  const x = f((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.95047);
  const y = f(0.2126 * r + 0.7152 * g + 0.0722 * b);
  const z = f((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.08883);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** By how far off, in steps nobody tells apart, then by fewer paints, then by fewer parts, then by how far off to the last digit. */
const better = (a: Recipe, b: Recipe): number =>
  Math.round(a.deltaE / SAME_DELTA_E) - Math.round(b.deltaE / SAME_DELTA_E) ||
  a.parts.length - b.parts.length ||
  totalOf(a) - totalOf(b) ||
  a.deltaE - b.deltaE;
const totalOf = ({ parts }: Recipe): number => parts.reduce((sum, p) => sum + p.parts, 0);

/** Whole parts of a number of paints, none of them nought, no common factor, so many altogether at the most. */
function partingsOf(paints: number): readonly (readonly number[])[] {
  const out: (readonly number[])[] = [];
  const walk = (parts: readonly number[], sum: number) => {
    if (parts.length === paints) {
      if (parts.reduce(gcd) === 1) out.push(parts);
      return;
    }
    const most = MOST_PARTS[paints]! - sum - (paints - parts.length - 1);
    for (let n = 1; n <= most; n++) walk([...parts, n], sum + n);
  };
  walk([], 0);
  return out;
}
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
const PARTINGS = Array.from({ length: MOST_PAINTS + 1 }, (_, n) => (n === 0 ? [] : partingsOf(n)));

/** The best parting of one set of paints, by the sieve's measure. */
function sieved(set: readonly Banded[], lab: readonly [number, number, number]): Sieved {
  let best: Sieved | null = null;
  for (const parts of PARTINGS[set.length]!) {
    let [total, weight, r, g, b] = [0, 0, 0, 0, 0];
    for (let i = 0; i < set.length; i++) {
      const { strength, ks } = set[i]!;
      const w = strength * parts[i]!;
      total += parts[i]!;
      weight += w;
      r += w * ks[0];
      g += w * ks[1];
      b += w * ks[2];
    }
    const [l, u, v] = labOf(reflectance(r / weight), reflectance(g / weight), reflectance(b / weight));
    const off = Math.sqrt((l - lab[0]) ** 2 + (u - lab[1]) ** 2 + (v - lab[2]) ** 2);
    const rough = off + ROUGH_PER_PART * total;
    if (best === null || rough < best.rough) best = { set, parts, rough };
  }
  return best!;
}

/**
 * The best mixes for a shade, whole parts, at most so many paints: nearest first, and of those no eye tells apart the simplest.
 * Every pair is tried with every ratio; threes and fours are made of the paints of the nearest pairs and of the extremes. What a
 * plain distance lets through is measured by CIEDE2000.
 * @param target sRGB
 * @returns different sets of paints, at most `answers`
 */
export function recipesFor(
  target: string,
  paints: readonly MixPaint[],
  { most = MOST_PAINTS, answers = 3 }: { readonly most?: number; readonly answers?: number } = {},
): readonly Recipe[] {
  const banded = paints.map(
    (p): Banded => ({ ...p, ks: linearRgb(p.colour).map(absorptionOf) as unknown as LinearRgb }),
  );
  const lab = labOf(...linearRgb(target));
  const found: Sieved[] = banded.map((p) => sieved([p], lab));
  if (most >= 2) for (const set of sets(banded, 2)) found.push(sieved(set, lab));
  const nearest = new Map<string, number>();
  for (const { set, rough } of found)
    for (const p of set) nearest.set(p.id, Math.min(nearest.get(p.id) ?? Number.POSITIVE_INFINITY, rough));
  const kept = [...banded].sort((a, b) => nearest.get(a.id)! - nearest.get(b.id)!).slice(0, KEPT_PAINTS);
  // what no pair comes near may need the lightest, the darkest, or the strongest of a hue
  for (const p of extremes(banded)) if (!kept.includes(p)) kept.push(p);
  for (let n = 3; n <= most; n++) for (const set of sets(kept, n)) found.push(sieved(set, lab));
  return found
    .sort((a, b) => a.rough - b.rough)
    .slice(0, MEASURED)
    .map(({ set, parts }): Recipe => {
      const colour = hexOf(mixedRgb(set, parts));
      return {
        parts: set.map((p, i) => ({ id: p.id, parts: parts[i]! })),
        colour,
        deltaE: colourDistance(colour, target),
      };
    })
    .sort(better)
    .slice(0, answers);
}

/** The lightest and the darkest paint, and of each band the one that has most of it against the others. */
function extremes<T extends MixPaint>(paints: readonly T[]): readonly T[] {
  const most = (of: (rgb: LinearRgb) => number) =>
    paints.reduce((top, p) => (of(linearRgb(p.colour)) > of(linearRgb(top.colour)) ? p : top), paints[0]!);
  if (paints.length === 0) return [];
  const sum = (rgb: LinearRgb) => rgb[0] + rgb[1] + rgb[2];
  return [
    ...new Set([
      most(sum),
      most((rgb) => -sum(rgb)),
      ...[0, 1, 2].map((band) => most((rgb) => rgb[band]! - sum(rgb) / 3)),
    ]),
  ];
}

function* sets<T>(of: readonly T[], n: number, from = 0): Generator<readonly T[]> {
  if (n === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= of.length - n; i++) for (const rest of sets(of, n - 1, i + 1)) yield [of[i]!, ...rest];
}
