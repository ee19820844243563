import type { GritScale } from "../model";

/** Median grain by paper, µm. FEPA P after ISO 6344; CAMI after the coated-abrasive industry's table. Never equal by number. */
const GRAIN_UM: Readonly<Record<GritScale, Readonly<Record<number, number>>>> = {
  P: {
    80: 201,
    100: 162,
    120: 125,
    150: 100,
    180: 82,
    220: 68,
    240: 58.5,
    280: 52.2,
    320: 46.2,
    360: 40.5,
    400: 35,
    500: 30.2,
    600: 25.8,
    800: 21.8,
    1000: 18.3,
    1200: 15.3,
    1500: 12.6,
    2000: 10.3,
    2500: 8.4,
  },
  CAMI: {
    80: 190,
    100: 140,
    120: 115,
    150: 92,
    180: 82,
    220: 68,
    240: 53,
    320: 36,
    400: 23,
    500: 20,
    600: 16,
    800: 12.2,
    1000: 9.2,
  },
};

export const gritsOf = (scale: GritScale): readonly number[] => Object.keys(GRAIN_UM[scale]).map(Number);

/**
 * Median grain of a paper, µm. A number between two of the table is interpolated in the logarithms of both
 * (est.); outside the table the nearest end is followed by the same law: grain × grit stays what it is there.
 */
export function grainUm(grit: number, scale: GritScale = "P"): number {
  const table = GRAIN_UM[scale];
  const own = table[grit];
  if (own !== undefined) return own;
  const grits = gritsOf(scale);
  const above = grits.findIndex((g) => g > grit);
  if (above <= 0) {
    const end = above === 0 ? grits[0]! : grits.at(-1)!;
    return (table[end]! * end) / grit;
  }
  const [a, b] = [grits[above - 1]!, grits[above]!];
  const share = Math.log(grit / a) / Math.log(b / a);
  return table[a]! * (table[b]! / table[a]!) ** share;
}

/** Depth of a scratch as a share of the grain, dry and wet (est.). */
export const SCRATCH_OF_GRAIN = { dry: 0.15, wet: 0.11 } as const;
/** Share of its dry film up to which a coat hides a scratch: primers and fillers, colours and clears (est.). */
export const SCRATCH_HIDDEN = { primer: 0.5, colour: 0.35 } as const;
/** Gloss, black and metallic forgive half as much (est.). */
export const STRICT_SCRATCH = 0.5;
/** The next grain of a ladder against the last: below the first a fault, above the second a step to spare (est.). */
export const LADDER = { jumpBelow: 0.4, spareAbove: 0.75 } as const;
/** Edges and corners lose this many times what a flat loses (est.). */
export const EDGE_SANDING = 3;
