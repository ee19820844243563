import { at } from "../base";
import type { AppliedCoat } from "../film";
import type { AirSpot, Layer, Product } from "../model";
import { dftUm, type LedgerLine, liesAt, meets, plannedWftUm, thickestPlace } from "../numbers";
import { labelTimes, volumeSolidsOf } from "../reference";
import { isContact, isMaskingFluid } from "../rules";
import { clockIn, coatsFrom, type LaidFilm, pileFilm } from "./moments";
import type { JudgeInput } from "./types";

/** A pile being judged: layers with their products as they go on, and what is known so far. */
export interface Pile {
  readonly input: JudgeInput;
  readonly layers: readonly Layer[];
  readonly products: readonly Product[];
  readonly ledger: readonly LedgerLine[];
  /** indices of layers that leave a film, bottom up */
  readonly films: readonly number[];
  /** minutes from the end of the film below to the first coat of a layer, as far as seams have been judged */
  readonly gaps: Map<number, number>;
  /** films on what lies below them, by layer; worked out once */
  readonly laid: Map<number, LaidFilm>;
  /** widest coupon pass laid over this very pile, µm of wet film; 0 = none */
  readonly couponWftUm: number;
}

export const airOf = (pile: Pile, i: number): AirSpot | null =>
  at(pile.layers, i).air ?? (pile.input.airCounts ? pile.input.air : null);

/** The film of layer i on everything below it, every layer laid when its seam was judged to be; the planner asks the same pile. */
export function filmOn(pile: Pile, i: number): LaidFilm {
  const known = pile.laid.get(i);
  if (known) return known;
  const coats: AppliedCoat[] = [];
  const under = pile.films.filter((f) => f <= i);
  const place = thickestPlace(
    at(pile.layers, i),
    under.map((k) => ({ on: at(pile.layers, k), wftUm: wetUm(pile, k) })),
  );
  // what lies in other places is no part of this film, but its time passes all the same
  let endMin: number | null = null;
  for (const k of under) {
    const [layer, product] = [at(pile.layers, k), at(pile.products, k)];
    const startMin: number = endMin === null ? 0 : endMin + (pile.gaps.get(k) ?? 0);
    const laid = coatsFrom(layer, product, startMin);
    endMin = laid.at(-1)!.endMin;
    if (!liesAt(layer, place)) continue;
    const last = coats.at(-1);
    const below = filmBelow(pile, k);
    const rubbed = below >= 0 ? at(pile.layers, below) : null;
    // a rub in another place took nothing off this film
    const rub = rubbed && liesAt(rubbed, place) ? rubbed.sandAfter : null;
    if (last && rub) coats[coats.length - 1] = { ...last, rubbed: { atMin: startMin, takesUm: rub.takesUm } };
    coats.push(...laid);
  }
  const film = pileFilm(coats, clockIn(airOf(pile, i)));
  pile.laid.set(i, film);
  return film;
}

/** Wet film of all coats of a layer, µm. */
const wetUm = (pile: Pile, i: number): number =>
  at(pile.layers, i).coats * plannedWftUm(at(pile.layers, i), at(pile.products, i));

/** Past the day its label names; ISO days compare as text. */
export const isPastDate = (p: Pick<Product, "useBy">, today: string | null): boolean =>
  today !== null && p.useBy != null && p.useBy < today;

/** Index of the film below layer i, or -1; what lies in other places of the face is not below it. */
export function filmBelow({ films, layers }: Pile, i: number): number {
  const own = layers[i];
  return films.findLast((f) => f < i && (own === undefined || meets(at(layers, f), own))) ?? -1;
}

/** What a layer is masked with, where it is a fluid. */
export function tapeFluid(pile: Pile, i: number): Product | null {
  const productId = at(pile.layers, i).tape?.productId;
  const mask = productId ? pile.input.productOf(productId) : null;
  return mask && isMaskingFluid(mask) ? mask : null;
}

/** The colour that shows under layer i: clears and decals let the one below through. Null = nobody told. */
export function groundColour(pile: Pile, i: number): Product | null {
  const own = pile.layers[i];
  const under = pile.films.filter((f) => f < i && (own === undefined || meets(at(pile.layers, f), own)));
  for (const k of under.reverse()) {
    const p = at(pile.products, k);
    if (p.role === "clear" || p.role === "decal" || p.role === "promoter" || p.effect === "transparent") continue;
    return p.assumed?.includes("colour") || p.unknowns?.includes("colour") ? null : p;
  }
  return null;
}

/** Dry film of one coat of a layer, µm. */
export const coatDryUm = (pile: Pile, i: number): number =>
  dftUm(plannedWftUm(at(pile.layers, i), at(pile.products, i)), volumeSolidsOf(at(pile.products, i)));

export const pileFilms = (products: readonly Product[]): readonly number[] =>
  products.flatMap((p, i) => (isContact(p) ? [] : [i]));

/** Numbers the family's defaults stood in for, as "layer index: figure". */
export function assumedFigures(pile: Pile): readonly string[] {
  return pile.films.flatMap((i) => {
    const p = at(pile.products, i);
    const times = labelTimes(p);
    const guessed = (["flash", "sandable", "cured"] as const)
      .filter((m) => times[m].assumed)
      .map((m) => `${i}: label.${m}`);
    const filled = (p.assumed ?? []).map((f) => `${i}: ${f}`);
    return [...guessed, ...(p.volumeSolids === null ? [`${i}: volumeSolids`] : []), ...filled];
  });
}
