import { airsOf } from "./airs";
import type { Operation } from "./operations";
import { waitReport } from "./plan";
import { liveChain } from "./problem";
import { judgeRegion } from "./region";
import type { PlanInput, WaitReport } from "./types";

/** Where a part stands at this minute. */
export interface BenchTile {
  readonly regionId: string;
  readonly zone: "in-hand" | "drying" | "ready" | "finished";
  /** the operation in hand, waited for or due; null when finished */
  readonly op: Operation | null;
  readonly startedMin: number | null;
  readonly wait: WaitReport | null;
  /** operations done, of all */
  readonly done: number;
  readonly of: number;
}

/** The bench as the log has left it: one tile per region that has a stack; films judged by what was really put on. */
export function benchNow(input: PlanInput): readonly BenchTile[] {
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const ctx = {
    productOf: input.productOf,
    airOf: airsOf(input),
    delaysMin: new Map<string, number>(),
    notYetMin: new Map(input.notYet.map((n) => [n.opId, n.atMin])),
  };
  return input.regions.flatMap((r): BenchTile[] => {
    const answer = judgeRegion(r, input);
    if (answer.outcome === "incomplete" || r.stack.layers.length === 0) return [];
    const live = liveChain(r, answer.seams, input.productOf, records);
    const { ops } = live.chain;
    const done = ops.filter((op) => records.get(op.id)?.endMin != null).length;
    const inHand = ops.find((op) => records.get(op.id)?.endMin === null);
    const base = { regionId: r.region.id, done, of: ops.length };
    if (inHand)
      return [{ ...base, zone: "in-hand", op: inHand, startedMin: records.get(inHand.id)!.startMin, wait: null }];
    const next = ops.find((op) => !records.has(op.id));
    if (!next) return [{ ...base, zone: "finished", op: null, startedMin: null, wait: null }];
    const known = live.chain.ties.filter((t) => t.to === next.id).every((t) => records.get(t.from)?.endMin != null);
    const wait = known ? waitReport(next.id, live, ctx, (id) => records.get(id)?.endMin ?? input.nowMin) : null;
    const zone = wait !== null && wait.likelyMin > input.nowMin ? "drying" : "ready";
    return [{ ...base, zone, op: next, startedMin: null, wait }];
  });
}
