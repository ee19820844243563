import { USUAL_ROUNDS } from "../reference";
import type { PlanOptions } from "./plan";
import { type PlanGroup, planTogether } from "./together";
import { NO_WISHES, type PlanAnswer, type PlanInput } from "./types";

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

/** How many rounds of look, fill, sand and prime are planned for: none at all, the likely number of each face, or what nine in ten need. */
export const ROUNDS_WAYS = ["none", "likely", "safe"] as const;
export type RoundsWay = (typeof ROUNDS_WAYS)[number];

export interface RoundsFound {
  readonly way: RoundsWay;
  /** rounds of each face */
  readonly rounds: Readonly<Record<string, number>>;
  /** null = nothing can be laid out this way */
  readonly found: { readonly doneMin: number; readonly handsOnMin: number; readonly evenings: number } | null;
}

/** The bench planned with so many rounds on some faces. @param regionIds whose rounds are told; every other face keeps its own */
export function plannedWithRounds(
  way: RoundsWay,
  input: PlanInput,
  groups: readonly PlanGroup[],
  regionIds: readonly string[],
  options: Pick<PlanOptions, "goOn" | "tries" | "looked">,
): RoundsFound {
  const wishes = input.wishes ?? NO_WISHES;
  const own = new Set(regionIds);
  const rounds = Object.fromEntries(
    input.regions
      .filter((r) => own.has(r.region.id))
      .map(({ region }) => [region.id, way === "none" ? 0 : USUAL_ROUNDS[region.finish][way]]),
  );
  const asked = { ...input, wishes: { ...wishes, rounds: { ...wishes.rounds, ...rounds } } };
  const answer = planTogether(asked, groups, options);
  if (answer.outcome !== "planned") return { way, rounds, found: null };
  const open = answer.ops.filter((o) => o.state === "planned");
  const handsOnMin = open.reduce((sum, o) => sum + o.handsOnMin, 0);
  return { way, rounds, found: { doneMin: answer.doneMin, handsOnMin, evenings: answer.sessions } };
}
