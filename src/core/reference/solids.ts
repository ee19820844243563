/** Outside areas of simple bodies, for parts nobody has a file of. Lengths mm, areas cm². Source: Euclid. */

const MM2_PER_CM2 = 100;

export const SOLIDS = ["box", "cylinder", "tube", "cone", "sphere"] as const;
export type SolidKind = (typeof SOLIDS)[number];

/** Which lengths each body is told by, mm, and which of its faces may be left out. */
export const SOLID_SHAPE: Readonly<
  Record<SolidKind, { readonly lengths: readonly string[]; readonly ends: readonly number[] }>
> = {
  box: { lengths: ["length", "width", "height"], ends: [2, 1, 0] },
  cylinder: { lengths: ["diameter", "height"], ends: [2, 1, 0] },
  tube: { lengths: ["outer", "inner", "height"], ends: [2, 1, 0] },
  cone: { lengths: ["diameter", "height"], ends: [1, 0] },
  sphere: { lengths: ["diameter"], ends: [] },
};

/**
 * Area of one body, cm².
 * @param lengthsMm in the order of SOLID_SHAPE, each > 0; a tube's inner diameter below its outer
 * @param ends how many end faces are painted: top and bottom of a box or cylinder, the rings of a tube, the base of a cone
 * @returns null when a length is missing or impossible
 */
export function solidAreaCm2(kind: SolidKind, lengthsMm: readonly number[], ends: number): number | null {
  const { lengths } = SOLID_SHAPE[kind];
  if (lengthsMm.length < lengths.length || lengthsMm.some((l) => !Number.isFinite(l) || l <= 0)) return null;
  const [a = 0, b = 0, c = 0] = lengthsMm;
  switch (kind) {
    case "box":
      return (2 * c * (a + b) + ends * a * b) / MM2_PER_CM2;
    case "cylinder":
      return (Math.PI * a * b + (ends * Math.PI * a ** 2) / 4) / MM2_PER_CM2;
    case "tube":
      // a tube is painted outside and inside
      return b >= a ? null : (Math.PI * (a + b) * c + (ends * Math.PI * (a ** 2 - b ** 2)) / 4) / MM2_PER_CM2;
    case "cone":
      return (((Math.PI * a) / 2) * Math.hypot(a / 2, b) + (ends * Math.PI * a ** 2) / 4) / MM2_PER_CM2;
    case "sphere":
      return (Math.PI * a ** 2) / MM2_PER_CM2;
  }
}
