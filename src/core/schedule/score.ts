import type { Objective } from "../model";
import { apartOf } from "./apart";
import { type Op, type Placed, type Problem, PUT_AWAY_MIN } from "./types";

/** What a finished placement is judged by; smaller is better, in this order. */
export interface Score {
  /** minutes past due dates, all together */
  readonly lateMin: number;
  /** what the objective counts: minutes, sessions, cleanings, or minutes of margin short of enough */
  readonly first: number;
  readonly endMin: number;
  /** nights between what had better be done in one go, weighed */
  readonly apart: number;
  readonly cleanings: number;
  readonly sumEndsMin: number;
}

/** A night between what had better be done in one go is worth so many minutes of a later end (est.): minutes of an evening, never an evening. */
export const NIGHT_MIN = 5;
/** A pale colour through a tool right after a dark one is cleaned out with more care: worth so many minutes (est.). */
const DARK_FIRST_MIN = 3;
/** So much paler counts, of a relative luminance of 1 (est.). */
const PALER = 0.1;
/** More margin than this before a window shuts or a date is due makes a plan no safer, minutes. */
const ENOUGH_MARGIN_MIN = 1440;

export function scoreOf(problem: Problem, objective: Objective, placed: readonly Placed[]): Score {
  const endMin = Math.max(problem.nowMin, ...placed.map((p) => p.endMin));
  const at = new Map(placed.map((p) => [p.opId, p]));
  const apart = apartOf(problem, (id) => at.get(id));
  return {
    lateMin: lateOf(problem, at),
    first: firstOf(problem, objective, at, endMin + NIGHT_MIN * apart + DARK_FIRST_MIN * paleAfterDark(problem, at)),
    endMin,
    apart,
    cleanings: cleaningsOf(problem, at),
    sumEndsMin: placed.reduce((sum, p) => sum + p.endMin, 0),
  };
}

export const isBetter = (a: Score, b: Score): boolean => {
  const d =
    a.lateMin - b.lateMin ||
    a.first - b.first ||
    a.endMin - b.endMin ||
    a.apart - b.apart ||
    a.cleanings - b.cleanings ||
    a.sumEndsMin - b.sumEndsMin;
  return d < 0;
};

/** One number for the search to cool by: what comes first weighs most, the rest breaks ties and shows the way downhill. */
export function energyOf(objective: Objective, s: Score, nowMin: number, ops: number): number {
  const spanMin = s.endMin - nowMin;
  const meanMin = s.sumEndsMin / Math.max(1, ops) - nowMin;
  const tail = spanMin + 0.02 * meanMin;
  switch (objective) {
    case "finish":
      return s.lateMin + tail + NIGHT_MIN * s.apart;
    case "sessions":
      return s.lateMin + SESSION_WEIGHT_MIN * s.first + 0.2 * tail;
    case "cleaning":
      return s.lateMin + CLEANING_WEIGHT_MIN * s.first + 0.2 * tail;
    case "slack":
      return s.lateMin + s.first + 0.2 * tail;
  }
}
const SESSION_WEIGHT_MIN = 720;
const CLEANING_WEIGHT_MIN = 240;

type Places = ReadonlyMap<string, Placed>;

function lateOf(problem: Problem, at: Places): number {
  let late = 0;
  for (const op of problem.ops)
    if (op.dueMin != null && !op.fixed)
      late += (op.dueWeight ?? 1) * Math.max(0, (at.get(op.id)?.endMin ?? 0) - op.dueMin);
  return late;
}

/** @param finishMin the end, with what is weighed as minutes of a later one */
function firstOf(problem: Problem, objective: Objective, at: Places, finishMin: number): number {
  switch (objective) {
    case "finish":
      return finishMin;
    case "sessions":
      return sessionsUsed(problem, at);
    case "cleaning":
      return cleaningsOf(problem, at);
    case "slack":
      return ENOUGH_MARGIN_MIN - Math.min(ENOUGH_MARGIN_MIN, leastMargin(problem, at));
  }
}

export function sessionsUsed(problem: Problem, at: Places): number {
  const moving = problem.ops.filter((op) => !op.fixed && !op.unattended).flatMap((op) => at.get(op.id) ?? []);
  return problem.sessions.filter((s) => moving.some((p) => p.startMin >= s.startMin && p.endMin <= s.endMin)).length;
}

/** What is done with a resource that has to be loaded, in the order it comes. */
const usersInTurn = ({ ops }: Problem, at: Places, resource: string): readonly Op[] =>
  ops
    .filter((op) => op.loads?.[resource] !== undefined && at.has(op.id))
    .sort((a, b) => at.get(a.id)!.startMin - at.get(b.id)!.startMin);

/** Times a resource is loaded with something else than before. */
export function cleaningsOf(problem: Problem, at: Places): number {
  let count = 0;
  for (const resource of Object.keys(problem.setupMin ?? {})) {
    const users = usersInTurn(problem, at, resource);
    for (let i = 1; i < users.length; i++)
      if (!users[i]!.fixed && users[i - 1]!.loads![resource] !== users[i]!.loads![resource]) count += 1;
  }
  return count;
}

/** Times a tool is loaded with something paler than what went through it just before. */
export function paleAfterDark(problem: Problem, at: Places): number {
  const { paleness, setupMin = {} } = problem;
  if (!paleness) return 0;
  let count = 0;
  for (const resource of Object.keys(setupMin)) {
    const users = usersInTurn(problem, at, resource);
    for (let i = 1; i < users.length; i++) {
      const [before, own] = [users[i - 1]!, users[i]!];
      const away = at.get(own.id)!.startMin - at.get(before.id)!.endMin >= PUT_AWAY_MIN;
      const paler = (paleness[own.loads![resource]!] ?? 0) - (paleness[before.loads![resource]!] ?? 0);
      if (!own.fixed && !away && paler > PALER) count += 1;
    }
  }
  return count;
}

/** Smallest distance between a start and the shutting of its window, or an end and its due date. */
function leastMargin(problem: Problem, at: Places): number {
  const endOf = (id: string) => at.get(id)?.endMin ?? problem.nowMin;
  let least = Number.MAX_VALUE;
  for (const op of problem.ops)
    if (op.dueMin != null && !op.fixed && at.has(op.id)) least = Math.min(least, op.dueMin - at.get(op.id)!.endMin);
  for (const link of problem.links) {
    const to = at.get(link.to);
    if (!link.bounded || !to || !at.has(link.from)) continue;
    const own = link.allowed(endOf).find((s) => s.endMin === null || s.endMin >= to.startMin);
    if (own && own.endMin !== null) least = Math.min(least, own.endMin - to.startMin);
  }
  return least;
}
