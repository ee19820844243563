import type { JudgeAnswer } from "../judge";
import { crossTies, notYetById, type Operation, type PlanRegion } from "../work";
import { type LiveChain, liveChain } from "./problem";
import { judgeRegion, openStops } from "./region";
import { regionAirs } from "./region-airs";
import { type StartCheck, startCheck } from "./start";
import type { PlanInput, WaitReport } from "./types";
import { waitReport } from "./wait-report";

/** Where a part stands at this minute. */
export interface BenchTile {
  readonly regionId: string;
  readonly zone: "in-hand" | "drying" | "ready" | "held" | "finished";
  /** the operation in hand, waited for or due; null when finished */
  readonly op: Operation | null;
  readonly startedMin: number | null;
  readonly wait: WaitReport | null;
  /** what is against starting it at this minute; null where nothing is to be started */
  readonly check: StartCheck | null;
  /** operations done, of all */
  readonly done: number;
  readonly of: number;
}

/** How much of the bench is asked for, and by whom its piles are judged. */
export interface BenchOptions {
  /** these regions; absent = all */
  readonly only?: ReadonlySet<string> | undefined;
  /** what the film model put waits back by when it looked at the plan; absent = it was not asked */
  readonly delaysMin?: Readonly<Record<string, number>> | undefined;
  /** verdicts reached before; absent = judged here */
  readonly judged?: ((r: PlanRegion) => JudgeAnswer) | undefined;
}

/** The bench as the log has left it: one tile per region that has a stack; films judged by what was really put on. */
export function benchNow(input: PlanInput, options: BenchOptions = {}): readonly BenchTile[] {
  const { only, judged = (r: PlanRegion) => judgeRegion(r, input) } = options;
  const concerned = only && new Set([...only].flatMap((id) => [...fittedWith(id, input)]));
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const ctx = {
    productOf: input.productOf,
    airOf: regionAirs(input),
    delaysMin: new Map(Object.entries(options.delaysMin ?? {})),
    notYet: notYetById(input.notYet),
  };
  const chains = new Map<string, LiveChain>();
  const unanswered = new Set<string>();
  for (const r of input.regions) {
    if (concerned && !concerned.has(r.region.id)) continue;
    const answer = judged(r);
    if (answer.outcome === "judged" && openStops(r, answer, input).length > 0) unanswered.add(r.region.id);
    if (answer.outcome === "judged" && r.stack.layers.length > 0)
      chains.set(r.region.id, liveChain(r, answer, { ...input, judged }, records));
  }
  const cross = crossTies(
    [...chains.values()].map((l) => l.chain),
    input.joins ?? [],
    input.productOf,
    records,
  ).map((c) => c.tie);
  const isDone = (id: string) => records.get(id)?.endMin != null;
  const asked = [...chains].filter(([regionId]) => only === undefined || only.has(regionId));
  return asked.map(([regionId, live]): BenchTile => {
    const { ops, ties } = live.chain;
    const base = { regionId, done: ops.filter((op) => isDone(op.id)).length, of: ops.length };
    const inHand = ops.find((op) => records.get(op.id)?.endMin === null);
    if (inHand)
      return {
        ...base,
        zone: "in-hand",
        op: inHand,
        startedMin: records.get(inHand.id)!.startMin,
        wait: null,
        check: null,
      };
    const next = ops.find((op) => !records.has(op.id));
    if (!next) return { ...base, zone: "finished", op: null, startedMin: null, wait: null, check: null };
    const known = ties.filter((t) => t.to === next.id).every((t) => isDone(t.from));
    const otherPart = cross.some((t) => t.to === next.id && !isDone(t.from));
    const wait = known
      ? waitReport(next.id, live, ctx, (id) => records.get(id)?.endMin ?? input.nowMin, input.nowMin)
      : null;
    const drying = wait !== null && wait.likelyMin > input.nowMin;
    const check = startCheck(input, live, next, wait, ctx);
    const held = unanswered.has(regionId) || check.barred;
    const zone = (drying && !check.leftTacky) || otherPart ? "drying" : held ? "held" : "ready";
    return { ...base, zone, op: next, startedMin: null, wait, check };
  });
}

/** A region and those its work may wait for: of the parts its own part is fitted to or takes on. */
export function fittedWith(regionId: string, { joins = [] }: PlanInput): ReadonlySet<string> {
  const fitted = joins.filter((j) => j.regionIds.includes(regionId) || j.onto.regionIds.includes(regionId));
  return new Set([regionId, ...fitted.flatMap((j) => [...j.regionIds, ...j.onto.regionIds])]);
}
