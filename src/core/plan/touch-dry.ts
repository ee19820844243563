import { milestoneAfter } from "../film";
import { coatsUpTo } from "../work";
import { liveChain } from "./problem";
import { judgeRegion } from "./region";
import { regionAirs } from "./region-airs";
import type { PlanInput } from "./types";

/**
 * When what is on a region by the log is touch dry, so that it may be warmed; null = there is no film on it by
 * the log. Beyond the horizon counts as its end.
 */
export function touchDryMin(input: PlanInput, regionId: string): number | null {
  const region = input.regions.find((r) => r.region.id === regionId);
  const answer = region && region.stack.layers.length > 0 ? judgeRegion(region, input) : null;
  if (!region || !answer || answer.outcome === "incomplete") return null;
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const live = liveChain(region, answer, input, records);
  const last = live.chain.ops.findLast((o) => o.kind === "coat" && records.get(o.id)?.endMin != null);
  if (!last) return null;
  const endOf = (id: string) => records.get(id)?.endMin ?? input.nowMin;
  const coats = coatsUpTo(live.chain, last.id, live.filmUm, input.productOf, endOf);
  const { clock } = regionAirs(input)(regionId);
  const a = milestoneAfter(coats, "touch", clock);
  return a.outcome === "reached" ? a.atMin : clock.toMin;
}
