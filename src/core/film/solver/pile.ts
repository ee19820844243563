/** A pile of films as the solver sees it: cells through the depth, laid and rubbed off by events. */

import { assert } from "../../base";
import {
  equilibriumRatio,
  formedShare,
  type Potential,
  phiOf,
  potentialOf,
  ratioOf,
  type Substance,
  settledShare,
} from "./substance";

/** A coat in the pile, as cells [first, last) of it. */
export interface PileCoat {
  readonly substance: Substance;
  readonly potential: Potential;
  first: number;
  last: number;
  /** what the film takes back of a neighbour's solvent; 1 while unformed or on top */
  kappa: number;
  /** how far it was a film of its own when it was covered; 0 not at all, or on top, 1 fully */
  settled: number;
  /** share of its own diffusivity that is left it; 1 while unformed or on top */
  mobility: number;
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
  /** water that stays in films below, in balance with the air, and takes no part any more */
  boundUm: number;
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
  boundUm: 0,
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

/**
 * Decides what the films below a new coat take back of it, by their state then: a stranger's solvent the less the further they
 * have formed, their own the less the further they have settled into films of their own.
 */
function settleKappas(pile: Pile, above: Substance): void {
  for (const coat of pile.coats) {
    const { kappa, waterKappa, activity, phiSettled } = coat.substance;
    const phi = phiOf(meanRatio(pile, coat));
    const strange = above.activity === "water" && activity !== "water";
    coat.settled = settledShare(coat.substance, phi);
    // a lacquer dissolves into its own next coat until it has settled; a latex that has formed does not come apart again
    const opens = coat.substance === above && activity === "solvent" && phiSettled !== undefined;
    const formed = opens ? coat.settled : formedShare(coat.substance, phi);
    coat.kappa = 1 + formed * ((strange ? (waterKappa ?? kappa) : kappa) - 1);
    if (coat.substance !== above && phiSettled !== undefined)
      coat.mobility = 1 + formed * (Math.min(1, GLASSY_D0_UM2_MIN / coat.substance.d0Um2Min) - 1);
  }
}

/** Diffusivity a formed film has left for what the next coat gives it, µm²/min at 20 °C (est.): even a filler that let its own solvent go through open pores takes a paint's up no faster than a paint does. */
const GLASSY_D0_UM2_MIN = 0.05;

/**
 * Water and solvent are one volatile to this model, but a water-borne film keeps the water that is in balance with the air
 * whatever lies on it, and a solvent-borne one above does not have to wait for it: it is set apart when that is laid.
 */
function bindWater(pile: Pile, above: Substance, airActivity: number): void {
  if (above.activity === "water") return;
  for (const coat of pile.coats) {
    if (coat.substance.activity !== "water" || coat.substance.phiSettled === undefined) continue;
    const balance = equilibriumRatio("water", airActivity);
    for (let i = coat.first; i < coat.last; i++) {
      const bound = Math.min(balance, Math.max(0, pile.u[i]!));
      pile.u[i]! -= bound;
      pile.boundUm += bound * pile.h[i]!;
    }
  }
}

/** @param solidsUm dry thickness, > 0; @param phi0 volatile share of the wet coat, [0, 1) */
export function layCoat(
  pile: Pile,
  substance: Substance,
  solidsUm: number,
  phi0: number,
  cells: number,
  airActivity = 0,
): PileCoat {
  assert(solidsUm > 0 && cells >= 2 && phi0 >= 0 && phi0 < 1, "a coat needs thickness, cells and some solids");
  settleKappas(pile, substance);
  bindWater(pile, substance, airActivity);
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
    settled: 0,
    mobility: 1,
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
  if (upper) {
    upper.kappa = 1;
    upper.settled = 0;
    upper.mobility = 1;
  }
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

/** Largest u in the pile. */
export function largestRatio(pile: Pile, u: Float64Array = pile.u): number {
  let most = 0;
  for (let i = 0; i < pile.n; i++) if (u[i]! > most) most = u[i]!;
  return most;
}

/** Largest u in one coat. */
export function largestIn(coat: PileCoat, u: Float64Array): number {
  let most = 0;
  for (let i = coat.first; i < coat.last; i++) if (u[i]! > most) most = u[i]!;
  return most;
}

/**
 * The φ the top film has come to: the least p for which every coat of it is under p + settled·(phiFormed − p). On top, or
 * covered wet, that is the coat's largest φ; the further a coat had settled, the nearer what it is asked comes to being firm.
 */
export function topFilmPhi(pile: Pile, u: Float64Array, from: number): number {
  let most = 0;
  for (let c = from; c < pile.coats.length; c++) {
    const coat = pile.coats[c]!;
    const phi = phiOf(largestIn(coat, u));
    most = Math.max(most, (phi - coat.settled * coat.substance.phiFormed) / (1 - coat.settled));
  }
  return most;
}

/** Index of the lowest coat of the top film: the topmost coats of one substance, each laid before the last had settled. */
export function topFilmFrom(pile: Pile): number {
  const { coats } = pile;
  let c = coats.length - 1;
  while (c > 0 && coats[c - 1]!.substance === coats[c]!.substance && coats[c - 1]!.settled < 1) c -= 1;
  return Math.max(0, c);
}
