import type { SentPlanInput } from "@/contracts";
import type { BenchSession, Objective } from "@/core/model";
import {
  type DateTried,
  dateTries,
  type EarlyStart,
  earlyStart,
  type MoveAnswer,
  type MoveTrials,
  moveTrials,
  type PlanAnswer,
  type PlanGroup,
  type PlanInput,
  plannedWithRounds,
  planTogether,
  REPLAN_WAYS,
  type ReplanWay,
  ROUNDS_WAYS,
  type RoundsFound,
  replanned,
  tryForDate,
  type WayFound,
} from "@/core/plan";
import { openInput } from "./open-input";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
type Places = Readonly<Record<string, { readonly startMin: number; readonly endMin: number }>>;

/** What the Plan screen asks of the worker. */
export type PlanQuestion =
  | {
      readonly kind: "open";
      readonly input: SentPlanInput;
      readonly groups: readonly PlanGroup[];
      readonly places: Places;
    }
  /** what may be done about the date of one model, each tried with so much search */
  | {
      readonly kind: "date";
      readonly groupId: string;
      readonly answer: Planned;
      readonly spare: readonly BenchSession[];
      readonly seconds: number;
    }
  /** the ways of planning again beside each other, with so much search each */
  | { readonly kind: "ways"; readonly freeFromMin: number; readonly seconds: number }
  /** the bench with no, likely and safe rounds on some faces, with so much search each */
  | { readonly kind: "rounds"; readonly regionIds: readonly string[]; readonly seconds: number }
  | { readonly kind: "move"; readonly opId: string; readonly startMin: number }
  | { readonly kind: "hurry"; readonly opId: string }
  | { readonly kind: "search"; readonly objective: Objective; readonly seconds: number };

type Starts = Readonly<Record<string, number>>;
export type PlanReport =
  | { readonly kind: "moved"; readonly opId: string; readonly startMin: number; readonly answer: MoveAnswer | null }
  | { readonly kind: "hurried"; readonly opId: string; readonly hurry: EarlyStart | null }
  | { readonly kind: "better"; readonly tries: number; readonly doneMin: number; readonly starts: Starts }
  | { readonly kind: "going"; readonly tries: number; readonly share: number }
  | { readonly kind: "found"; readonly tries: number; readonly doneMin: number | null; readonly starts: Starts | null }
  | { readonly kind: "way"; readonly way: WayFound }
  | { readonly kind: "rounds"; readonly tried: RoundsFound }
  | { readonly kind: "tries"; readonly of: number }
  | { readonly kind: "dated"; readonly tried: DateTried }
  | { readonly kind: "failed"; readonly why: string };

const scope = self as unknown as {
  onmessage: ((e: MessageEvent<PlanQuestion>) => void) | null;
  postMessage: (report: PlanReport) => void;
};

let input: PlanInput | null = null;
let groups: readonly PlanGroup[] = [];
let places: Places = {};
let desk: MoveTrials | null = null;

function open(sent: SentPlanInput, of: readonly PlanGroup[], at: Places): void {
  input = openInput(sent);
  groups = of;
  places = at;
  desk = null;
}

const GOING_EVERY_MS = 200;

/** Told of every better timetable on the way, so that whoever ends the worker keeps the best one. */
function search(objective: Objective, seconds: number): PlanReport {
  const began = performance.now();
  let tries = 0;
  let told = 0;
  const answer = planTogether({ ...input!, wishes: { ...input!.wishes!, objective } }, groups, {
    tries: Number.MAX_SAFE_INTEGER,
    goOn: () => {
      tries += 1;
      const ms = performance.now() - began;
      if (ms - told > GOING_EVERY_MS) {
        told = ms;
        scope.postMessage({ kind: "going", tries, share: Math.min(1, ms / (1000 * seconds)) });
      }
      return ms < 1000 * seconds;
    },
    onBetter: ({ endMin, starts }) => scope.postMessage({ kind: "better", tries, doneMin: endMin, starts }),
  });
  if (answer.outcome !== "planned") return { kind: "found", tries, doneMin: null, starts: null };
  const starts = Object.fromEntries(answer.ops.filter((o) => o.state === "planned").map((o) => [o.id, o.startMin]));
  return { kind: "found", tries, doneMin: answer.doneMin, starts };
}

/** A search that goes on for so long from its first step. */
function searchingFor(seconds: number) {
  let beganMs: number | null = null;
  const goOn = () => {
    beganMs ??= performance.now();
    return performance.now() - beganMs < 1000 * seconds;
  };
  return { tries: Number.MAX_SAFE_INTEGER, goOn };
}

function oneWay(way: ReplanWay, q: Extract<PlanQuestion, { kind: "ways" }>): WayFound {
  const starts = Object.fromEntries(Object.entries(places).map(([id, p]) => [id, p.startMin]));
  return replanned(way, input!, groups, starts, q.freeFromMin, searchingFor(q.seconds));
}

function forDate({ groupId, answer, spare, seconds }: Extract<PlanQuestion, { kind: "date" }>): void {
  const group = groups.find((g) => g.id === groupId);
  if (!group) return;
  const tries = dateTries(answer, groups, group, spare, input?.habits?.covered ?? false);
  scope.postMessage({ kind: "tries", of: tries.length });
  for (const way of tries)
    scope.postMessage({ kind: "dated", tried: tryForDate(input!, groups, group, way, searchingFor(seconds)) });
}

function answer(q: PlanQuestion): PlanReport | null {
  if (q.kind === "open") {
    open(q.input, q.groups, q.places);
    return null;
  }
  if (!input) return { kind: "failed", why: "no plan lies open" };
  if (q.kind === "hurry") return { kind: "hurried", opId: q.opId, hurry: earlyStart(input, q.opId, places) };
  if (q.kind === "search") return search(q.objective, q.seconds);
  if (q.kind === "date") {
    forDate(q);
    return null;
  }
  if (q.kind === "ways") {
    for (const way of REPLAN_WAYS) scope.postMessage({ kind: "way", way: oneWay(way, q) });
    return null;
  }
  if (q.kind === "rounds") {
    for (const way of ROUNDS_WAYS) {
      const tried = plannedWithRounds(way, input, groups, q.regionIds, searchingFor(q.seconds));
      scope.postMessage({ kind: "rounds", tried });
    }
    return null;
  }
  desk ??= moveTrials(input, Object.fromEntries(Object.entries(places).map(([id, p]) => [id, p.startMin])));
  return { kind: "moved", opId: q.opId, startMin: q.startMin, answer: desk?.tryMove(q.opId, q.startMin) ?? null };
}

scope.onmessage = ({ data }) => {
  try {
    const report = answer(data);
    if (report) scope.postMessage(report);
  } catch (error) {
    scope.postMessage({ kind: "failed", why: String(error) });
  }
};
