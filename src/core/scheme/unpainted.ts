import type { Layer, Product, Region, Scheme } from "../model";
import { edgeCm } from "../model";
import { ASSUMED_AREA_CM2 } from "../reference";
import { runMl, runsOf } from "./face";
import { bestOrder, type Order } from "./order";

type Face = Pick<Region, "material" | "areaCm2" | "scheme">;

/** What it saves not to paint a field but to stick it on or print it: on what lies beside it the longest. */
export interface Unpainted {
  readonly field: string;
  /** the colour that goes on under it; null = it stays as it is below */
  readonly onto: string | null;
  readonly coats: number;
  readonly masks: number;
  readonly handsMin: number;
  readonly waitMin: number;
  /** of its own colour, less of what goes on under it in its place, ml */
  readonly ml: number;
}

/** More colours than this make the question dear: an order is looked for anew for every field. */
const MOST_ASKED = 8;

/** The scheme with a field left to its longest neighbour: that one's colour goes on under it. */
function without(
  scheme: Scheme,
  name: string,
  areaCm2: number,
): { readonly scheme: Scheme; readonly onto: string | null } {
  const own = scheme.fields.find((f) => f.name === name)!;
  const beside = scheme.edges
    .filter((e) => e.kind !== "apart" && e.between.includes(name))
    .map((e) => ({ cm: edgeCm(scheme, e, areaCm2), other: e.between[0] === name ? e.between[1] : e.between[0] }))
    .sort((a, b) => b.cm - a.cm)[0]?.other;
  const onto = scheme.fields.find((f) => f.name === beside && f.productId !== null)?.productId ?? null;
  const fields = scheme.fields
    .filter((f) => f.name !== name)
    .map((f) => (f.name === beside ? { ...f, share: f.share + own.share } : f));
  const edges = scheme.edges.filter((e) => !e.between.includes(name));
  return { scheme: { ...scheme, fields, edges }, onto };
}

/**
 * What each field would save as a decal, cut film or a print in its colour, best order against best order; its own minutes
 * as a marking are not in it.
 * @param best the order with all of them painted
 * @returns null = too many colours to ask
 */
export function leftUnpainted(
  face: Face,
  below: Layer | null,
  ground: string | null,
  productOf: (id: string) => Product,
  best: Order,
): readonly Unpainted[] | null {
  const { scheme } = face;
  if (!scheme || best.ids.length < 2) return [];
  if (best.ids.length > MOST_ASKED) return null;
  const total = (ml: Readonly<Record<string, number>>): number => Object.values(ml).reduce((sum, x) => sum + x, 0);
  const allMl = total(runMl(face, best, productOf));
  return scheme.fields.flatMap((f): Unpainted[] => {
    if (f.productId === null) return [];
    const { scheme: left, onto } = without(scheme, f.name, face.areaCm2 ?? ASSUMED_AREA_CM2);
    const then = { ...face, scheme: left };
    const order = bestOrder(runsOf(then, below, ground, productOf));
    return [
      {
        field: f.name,
        onto,
        coats: best.coats - order.coats,
        masks: best.masks - order.masks,
        handsMin: best.handsMin - order.handsMin,
        waitMin: best.waitMin - order.waitMin,
        ml: allMl - total(runMl(then, order, productOf)),
      },
    ];
  });
}
