/** Bounds from below for a stack that is only begun: what is still to come weighs at least this. */

import { dftUm, plannedWftUm, ridgeBuriedUm } from "../numbers";
import {
  DETAIL_LOSS_CARE,
  DETAIL_LOSS_STOP,
  GROOVE_PER_DFT,
  RISK_POINTS,
  SHOWN_RISK,
  volumeSolidsOf,
  type Weights,
} from "../reference";
import { fits, RANK } from "./options";
import type { FinderInput, Option } from "./types";

/** Heights of a graph's films, µm, whatever the weights. */
export interface Heights {
  /** by option: dry film left of it at the least */
  readonly left: readonly number[];
  /** by option: ridge it buries */
  readonly buried: readonly number[];
  /** by option: the least that must still go on over it before the stack may end; Infinity = it never may */
  readonly ahead: readonly number[];
  /** by option: dry mass left of it, g; nought without an area */
  readonly gram: readonly number[];
  /** by option: the least mass that must still go on over it */
  readonly gramAhead: readonly number[];
}

export function heightsOf(
  options: readonly Option[],
  gram: readonly number[],
  mayEnd: (i: number) => boolean,
  input: FinderInput,
): Heights {
  const dryUm = ({ layer, product }: Option) =>
    layer.coats * dftUm(plannedWftUm(layer, product), volumeSolidsOf(product));
  // what fills a hole lies in it, and narrows no groove
  const left = options.map((o) =>
    o.rank === RANK.putty && o.layer.depthUm != null ? 0 : dryUm(o) - (o.layer.sandAfter?.takesUm ?? 0),
  );
  const buried = options.map((o) =>
    o.rank === RANK.build || o.rank === RANK.putty
      ? ridgeBuriedUm(dryUm(o), o.layer.heaviness === "mist" || o.layer.sandAfter === null)
      : 0,
  );
  const least = leastAhead(options, mayEnd, input);
  return { left, buried, gram, ahead: least(left), gramAhead: least(gram) };
}

/** For any quantity that films add up: the least of it that must still come over each before the stack may end. */
function leastAhead(options: readonly Option[], mayEnd: (i: number) => boolean, input: FinderInput) {
  // ranks rise up a stack, so what may lie over a film is known before the film itself
  const falling = [...options].sort((a, b) => b.rank - a.rank);
  const over = options.map((o) => (mayEnd(o.index) ? [] : options.filter((u) => fits(o, u, input))));
  return (each: readonly number[]): readonly number[] => {
    const ahead = options.map((o) => (mayEnd(o.index) ? 0 : Infinity));
    for (const o of falling)
      for (const u of over[o.index]!) ahead[o.index] = Math.min(ahead[o.index]!, each[u.index]! + ahead[u.index]!);
    return ahead;
  };
}

/** So that rounding never makes a bound dearer than the truth; µm or g. */
const SLACK = 1e-6;

/** What the height of the pile costs for certain: the finest groove softened or drowned, a fit lost, ridges left. It only grows. */
export class Build {
  private readonly ridgeUm: number;
  private readonly careUm: number;
  private readonly stopUm: number;
  private readonly careCost: number;
  private readonly mostGram: number;
  private readonly massUnknown: boolean;

  constructor(
    private readonly heights: Heights,
    private readonly options: readonly Option[],
    { areaCm2, detailUm, finish, fitAllowanceUm, keepBare, massBudgetG, matingUm, ridgeUm }: FinderInput["region"],
    weights: Weights,
  ) {
    const lossUm = (share: number) => (detailUm === null ? Infinity : (share * detailUm) / GROOVE_PER_DFT);
    // where ridges are to be buried, a little of the detail may go with them unblamed
    this.careUm = lossUm(ridgeUm ? DETAIL_LOSS_STOP : DETAIL_LOSS_CARE) + SLACK;
    const drownedUm = finish === "show" ? lossUm(DETAIL_LOSS_STOP) : Infinity;
    const fitUm = (keepBare ?? []).length > 0 ? Infinity : (fitAllowanceUm ?? Infinity) - (matingUm ?? 0);
    this.stopUm = Math.min(drownedUm, fitUm) + SLACK;
    this.careCost = weights.risk * RISK_POINTS.care * SHOWN_RISK[finish];
    this.massUnknown = massBudgetG != null && areaCm2 === null;
    this.mostGram = areaCm2 === null ? Infinity : (massBudgetG ?? Infinity) + SLACK;
    // where nobody looks, ridges may stay
    this.ridgeUm = finish === "hidden" ? 0 : (ridgeUm ?? 0);
  }

  left(i: number): number {
    return this.heights.left[i]!;
  }
  buries(i: number): number {
    return this.heights.buried[i]!;
  }

  gram(i: number): number {
    return this.heights.gram[i]!;
  }
  tooHeavy(i: number, gram: number): boolean {
    return gram + this.heights.gramAhead[i]! > this.mostGram;
  }
  /** A budget nobody can hold a pile without an area to. */
  unweighed(): number {
    return this.massUnknown ? this.careCost : 0;
  }

  /** A filler that does not bury the ridges leaves them to be seen; a pile without one is counted by what it has gathered. */
  ridgeLeft(buriedUm: number): number {
    return buriedUm > 0 && Math.round(this.ridgeUm - buriedUm) > 0 ? this.careCost : 0;
  }

  /** What growing from one height to another costs; null = it may not grow so high, or must before it may end. */
  crosses(i: number, fromUm: number, toUm: number): number | null {
    if (toUm + this.heights.ahead[i]! > this.stopUm) return null;
    return fromUm <= this.careUm && toUm > this.careUm ? this.careCost : 0;
  }

  /** What is certain to come over option i at this height, beside what the graph knows. */
  coming(i: number, um: number, buriedUm: number): number {
    const softened = um <= this.careUm && um + this.heights.ahead[i]! > this.careUm ? this.careCost : 0;
    // no filler goes on over the build any more
    return softened + (this.options[i]!.rank >= RANK.build ? this.ridgeLeft(buriedUm) : 0);
  }
}
