import type { PlanOptions } from "./plan";
import { type PlanGroup, planTogether } from "./together";
import type { PlanAnswer, PlanInput } from "./types";

/** How a plan is made again: only what must moves; the next days stay and what comes later is improved; everything anew. */
export const REPLAN_WAYS = ["keep", "mend", "afresh"] as const;
export type ReplanWay = (typeof REPLAN_WAYS)[number];

/** What a way of planning again comes to. */
export interface WayFound {
  readonly way: ReplanWay;
  /** null = nothing can be laid out this way */
  readonly found: {
    readonly doneMin: number;
    /** pieces of work at another time than before */
    readonly moved: number;
    /** evenings in which other work is done than before */
    readonly evenings: number;
    readonly starts: Readonly<Record<string, number>>;
  } | null;
}

type Starts = Readonly<Record<string, number>>;

/** One way of planning again against the plan before. @param before its starts @param freeFromMin until when *mend* leaves everything as it is kept */
export function replanned(
  way: ReplanWay,
  input: PlanInput,
  groups: readonly PlanGroup[],
  before: Starts,
  freeFromMin: number,
  options: Pick<PlanOptions, "goOn" | "tries" | "looked">,
): WayFound {
  const how = way === "afresh" ? {} : way === "keep" ? { keep: before } : { keep: before, freeFromMin };
  const answer = planTogether(input, groups, { ...options, ...how });
  return { way, found: answer.outcome === "planned" ? foundOf(answer, input, before) : null };
}

function foundOf(answer: Extract<PlanAnswer, { outcome: "planned" }>, { sessions }: PlanInput, before: Starts) {
  const open = answer.ops.filter((o) => o.state === "planned");
  const starts = Object.fromEntries(open.map((o) => [o.id, o.startMin]));
  const known = open.filter((o) => before[o.id] !== undefined);
  const eveningOf = (t: number) => sessions.findIndex((s) => s.startMin <= t && t < s.endMin);
  const changed = new Set<number>();
  for (const o of known) {
    const [was, is] = [eveningOf(before[o.id]!), eveningOf(o.startMin)];
    if (was !== is) for (const e of [was, is]) if (e >= 0) changed.add(e);
  }
  return {
    doneMin: answer.doneMin,
    moved: known.filter((o) => before[o.id] !== o.startMin).length,
    evenings: changed.size,
    starts,
  };
}
