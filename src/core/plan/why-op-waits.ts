/** Why one operation waits as long as it does: the film below it, asked for its causes. */

import { type WhyWait, whyWait } from "../study";
import { coatsUpTo, isBare, notYetById } from "../work";
import { liveChain } from "./problem";
import { judgeRegion } from "./region";
import { regionAirs } from "./region-airs";
import type { PlanInput, WaitReport } from "./types";
import { waitReport } from "./wait-report";
import { type WarmthOffer, warmthOffer } from "./warmth";

export interface WhyOpWaits {
  readonly wait: WaitReport;
  readonly productName: string;
  readonly why: WhyWait;
  /** a warm box that is worth its trouble; null = none is */
  readonly warmth: WarmthOffer | null;
}

/**
 * Why an operation of a region has to wait as long as it does.
 * @param endOf when earlier operations ended or are planned to end
 * @param boxMaxC what the most delicate face of its part stands, °C; null = nobody knows
 * @returns "no-film" where it waits for none, "too-far" where the film is not there within the horizon
 */
export function whyOpWaits(
  input: PlanInput,
  regionId: string,
  opId: string,
  endOf: (opId: string) => number,
  boxMaxC: number | null = null,
): WhyOpWaits | "no-film" | "too-far" {
  const region = input.regions.find((r) => r.region.id === regionId);
  if (!region) return "no-film";
  const answer = judgeRegion(region, input);
  if (answer.outcome === "incomplete") return "no-film";
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const live = liveChain(region, answer, input, records);
  const ctx = {
    productOf: input.productOf,
    airOf: regionAirs(input),
    delaysMin: new Map<string, number>(),
    notYet: notYetById(input.notYet),
  };
  const wait = waitReport(opId, live, ctx, endOf, input.nowMin);
  if (!wait || isBare(wait.milestone)) return "no-film";
  const coats = coatsUpTo(live.chain, wait.fromOpId, live.filmUm, input.productOf, endOf);
  if (coats.length === 0) return "no-film";
  const why = whyWait(coats, wait.milestone, ctx.airOf(regionId).climate);
  if (!why) return "too-far";
  const warmth = warmthOffer(input, live, ctx, { wait, opId, endOf, maxC: boxMaxC });
  return { wait, productName: coats.at(-1)!.product.name, why, warmth };
}
