import { assert } from "../../base";
import { type Potential, phiOf, potentialOf, ratioOf, type Substance } from "./substance";

/** A coat in the pile, as cells [first, last) of it. */
export interface PileCoat {
  readonly substance: Substance;
  readonly potential: Potential;
  first: number;
  last: number;
  /** what the film takes back of a neighbour's solvent; 1 while unformed or on top */
  kappa: number;
  /** dry thickness still there, µm */
  solidsUm: number;
}

/**
 * The films on one face, bottom first, on a grid fixed to each film's own dry solids. Arrays are longer than what is in
 * use; cells 0…n−1 count. Mutable: one simulation owns one pile.
 */
export interface Pile {
  n: number;
  /** volatile per solids in each cell, dimensionless; may pass below 0 by round-off only */
  u: Float64Array;
  /** dry thickness of each cell, µm, positive */
  h: Float64Array;
  /** index of the coat each cell belongs to, not falling */
  coatOf: Int32Array;
  readonly coats: PileCoat[];
  /** µm³ of volatile per µm² of face, since the start */
  appliedUm: number;
  releasedUm: number;
  sandedUm: number;
}

export const emptyPile = (): Pile => ({
  n: 0,
  u: new Float64Array(64),
  h: new Float64Array(64),
  coatOf: new Int32Array(64),
  coats: [],
  appliedUm: 0,
  releasedUm: 0,
  sandedUm: 0,
});

function room(pile: Pile, cells: number): void {
  if (pile.n + cells <= pile.u.length) return;
  const size = Math.max(2 * pile.u.length, pile.n + cells);
  const u = new Float64Array(size);
  const h = new Float64Array(size);
  const coatOf = new Int32Array(size);
  u.set(pile.u);
  h.set(pile.h);
  coatOf.set(pile.coatOf);
  pile.u = u;
  pile.h = h;
  pile.coatOf = coatOf;
}

/** Decides which films below a new coat count as formed: by their state, or as told by coat index. */
function settleKappas(pile: Pile, above: Substance, told: readonly boolean[] | null): void {
  pile.coats.forEach((coat, c) => {
    const formed = told?.[c] ?? phiOf(meanRatio(pile, coat)) < coat.substance.phiFormed;
    const { kappa, waterKappa, activity } = coat.substance;
    const strange = above.activity === "water" && activity !== "water";
    coat.kappa = !formed ? 1 : strange ? (waterKappa ?? kappa) : kappa;
  });
}

/** @param solidsUm dry thickness, > 0; @param phi0 volatile share of the wet coat, [0, 1) */
export function layCoat(
  pile: Pile,
  substance: Substance,
  solidsUm: number,
  phi0: number,
  cells: number,
  formed: readonly boolean[] | null = null,
): PileCoat {
  assert(solidsUm > 0 && cells >= 2 && phi0 >= 0 && phi0 < 1, "a coat needs thickness, cells and some solids");
  settleKappas(pile, substance, formed);
  room(pile, cells);
  const first = pile.n;
  pile.u.fill(ratioOf(phi0), first, first + cells);
  pile.h.fill(solidsUm / cells, first, first + cells);
  pile.coatOf.fill(pile.coats.length, first, first + cells);
  pile.n += cells;
  const coat: PileCoat = {
    substance,
    potential: potentialOf(substance.beta),
    first,
    last: pile.n,
    kappa: 1,
    solidsUm,
  };
  pile.coats.push(coat);
  pile.appliedUm += ratioOf(phi0) * solidsUm;
  return coat;
}

/** A remnant thinner than this share of a whole cell joins the one below it. */
const SLIVER = 0.25;

/** Rubs `takesUm` of dry film off the top with the volatile in it. @returns what was really taken, µm */
export function rubDown(pile: Pile, takesUm: number): number {
  let left = takesUm;
  while (left > 0 && pile.n > 0) {
    const top = pile.n - 1;
    const coat = pile.coats[pile.coatOf[top]!]!;
    const whole = pile.h[top]!;
    const taken = Math.min(left, whole);
    pile.sandedUm += taken * pile.u[top]!;
    coat.solidsUm -= taken;
    left -= taken;
    if (taken < whole) {
      pile.h[top] = whole - taken;
      joinSliver(pile, coat, whole);
    } else dropTop(pile, coat);
  }
  const upper = pile.coats.at(-1);
  if (upper) upper.kappa = 1;
  return takesUm - left;
}

function dropTop(pile: Pile, coat: PileCoat): void {
  pile.n -= 1;
  coat.last -= 1;
  if (coat.last === coat.first) pile.coats.pop();
}

function joinSliver(pile: Pile, coat: PileCoat, wholeUm: number): void {
  const top = pile.n - 1;
  if (pile.h[top]! >= SLIVER * wholeUm || top === coat.first) return;
  const below = top - 1;
  const h = pile.h[below]! + pile.h[top]!;
  pile.u[below] = (pile.u[below]! * pile.h[below]! + pile.u[top]! * pile.h[top]!) / h;
  pile.h[below] = h;
  dropTop(pile, coat);
}

/** Mean volatile per solids of one coat. */
export function meanRatio(pile: Pile, coat: PileCoat, u: Float64Array = pile.u): number {
  let volatile = 0;
  let solids = 0;
  for (let i = coat.first; i < coat.last; i++) {
    volatile += u[i]! * pile.h[i]!;
    solids += pile.h[i]!;
  }
  return volatile / solids;
}

export function volatileUm(pile: Pile, u: Float64Array = pile.u): number {
  let sum = 0;
  for (let i = 0; i < pile.n; i++) sum += u[i]! * pile.h[i]!;
  return sum;
}

/** Largest u in the pile, of the coats from `fromCoat` on. */
export function largestRatio(pile: Pile, u: Float64Array = pile.u, fromCell = 0): number {
  let most = 0;
  for (let i = fromCell; i < pile.n; i++) if (u[i]! > most) most = u[i]!;
  return most;
}
