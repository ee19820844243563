import { assert, seededRandom } from "../base";
import { type Graph, graphOf } from "./graph";
import { Board, earliest } from "./place";
import type { Conflict, Link, Op, Placed, Problem, Schedule, Span } from "./types";

/**
 * solve
 *   1. graph      order, tails, and units: operations tied by windows that can shut
 *   2. place      each unit as early as it fits, the unit with the longest tail first (serial method)
 *   3. repair     inside a unit: when a window is missed, push its opener later and place again
 *   4. restart    with nudged priorities (seeded), keep the plan that ends first
 */
export function solve(problem: Problem, restarts = 24): Schedule {
  const graph = graphOf(problem);
  const random = seededRandom(20240601);
  let best: Schedule | null = null;
  let tries = 0;
  for (let run = 0; run <= restarts; run++) {
    tries += 1;
    const nudge = run === 0 ? () => 1 : () => 0.6 + 0.8 * random();
    const priority = new Map(graph.order.map((id) => [id, graph.tailMin.get(id)! * nudge()]));
    const found = placeAll(problem, graph, priority);
    if (found.outcome === "placed" && (best?.outcome !== "placed" || better(found, best))) best = found;
    best ??= found;
    if (found.outcome === "conflict" && hopeless(found.conflict)) break;
  }
  assert(best, "at least one run was made");
  return best.outcome === "placed" ? { ...best, stats: { tries } } : best;
}

type Found = Extract<Schedule, { outcome: "placed" }>;

const better = (a: Found, b: Found): boolean =>
  a.endMin < b.endMin || (a.endMin === b.endMin && sumOfEnds(a) < sumOfEnds(b));
const sumOfEnds = (s: Found): number => s.placed.reduce((sum, p) => sum + p.endMin, 0);

/** No other order of work would help against these. */
const hopeless = (c: Conflict): boolean => c.kind === "no-session-long-enough" || c.kind === "wait-beyond-horizon";

function placeAll(problem: Problem, graph: Graph, priority: ReadonlyMap<string, number>): Schedule {
  const board = new Board(problem);
  for (const op of problem.ops) {
    if (op.fixed) board.put(op, { opId: op.id, ...op.fixed, boundBy: { kind: "now" } });
  }
  const waiting = graph.units
    .map((unit) => unit.filter((id) => !graph.opById.get(id)!.fixed))
    .filter((unit) => unit.length > 0);
  const weight = (unit: readonly string[]) => Math.max(...unit.map((id) => priority.get(id)!));
  while (waiting.length > 0) {
    const ready = waiting.filter((unit) => isReady(unit, graph, board));
    assert(ready.length > 0, "no unit is ready although some are left");
    const unit = ready.reduce((a, b) => (weight(b) > weight(a) ? b : a));
    waiting.splice(waiting.indexOf(unit), 1);
    const conflict = placeUnit(unit, problem, graph, board);
    if (conflict) return { outcome: "conflict", conflict };
  }
  const placed = [...board.all].sort(
    (a, b) => a.startMin - b.startMin || a.endMin - b.endMin || (a.opId < b.opId ? -1 : 1),
  );
  return {
    outcome: "placed",
    placed,
    endMin: Math.max(problem.nowMin, ...placed.map((p) => p.endMin)),
    stats: { tries: 1 },
  };
}

function isReady(unit: readonly string[], graph: Graph, board: Board): boolean {
  const own = new Set(unit);
  return unit.every((id) => (graph.into.get(id) ?? []).every((l) => own.has(l.from) || board.has(l.from)));
}

/** Places a unit; when a wait fell into a later window, also tries to meet the first one and keeps what ends sooner. */
function placeUnit(unit: readonly string[], problem: Problem, graph: Graph, board: Board): Conflict | null {
  const free = tryUnit(unit, problem, graph, board, NO_LINKS);
  if (free.late.size === 0) return commit(unit, free, graph, board);
  const strict = tryUnit(unit, problem, graph, board, free.late);
  const pick = strict.conflict === null && (free.conflict !== null || strict.endMin < free.endMin) ? strict : free;
  return commit(unit, pick, graph, board);
}

const NO_LINKS: ReadonlySet<string> = new Set();

interface UnitTry {
  readonly conflict: Conflict | null;
  readonly placed: readonly Placed[];
  readonly endMin: number;
  /** links met in a window after their first */
  readonly late: ReadonlySet<string>;
}

function commit(unit: readonly string[], tried: UnitTry, graph: Graph, board: Board): Conflict | null {
  if (tried.conflict) return tried.conflict;
  assert(tried.placed.length === unit.length, "a unit is placed whole or not at all");
  for (const p of tried.placed) board.put(graph.opById.get(p.opId)!, p);
  return null;
}

/** Repairs before giving up; each pushes an opener by at least one grid step. */
const MAX_REPAIRS = 4000;

/** Leaves the board as it found it. */
function tryUnit(
  unit: readonly string[],
  problem: Problem,
  graph: Graph,
  board: Board,
  firstOnly: ReadonlySet<string>,
): UnitTry {
  const release = new Map(unit.map((id) => [id, Math.max(problem.nowMin, graph.opById.get(id)!.releaseMin)]));
  const placed: Placed[] = [];
  const late = new Set<string>();
  let conflict: Conflict | null = null;
  for (let i = 0, repairs = 0; i < unit.length; ) {
    const op = graph.opById.get(unit[i]!)!;
    const links = (graph.into.get(op.id) ?? []).map((link) => ({ link, spans: spansOf(link, board, firstOnly) }));
    const found = earliest(op, release.get(op.id)!, links, board, problem);
    if (found.found) {
      board.put(op, found.placed);
      placed.push(found.placed);
      for (const { link, spans } of links)
        if (spans[0] && spans[0].endMin !== null && found.placed.startMin > spans[0].endMin) late.add(link.id);
      i += 1;
      continue;
    }
    const push = repairFor(found.conflict, op, links, unit, i, release, board, problem);
    repairs += 1;
    if (push === null || repairs > MAX_REPAIRS) {
      conflict = found.conflict;
      break;
    }
    release.set(unit[push.index]!, push.releaseMin);
    for (; i > push.index; i--) board.take(graph.opById.get(placed.pop()!.opId)!);
  }
  for (const p of placed) board.take(graph.opById.get(p.opId)!);
  return { conflict, placed, endMin: Math.max(0, ...placed.map((p) => p.endMin)), late };
}

function spansOf(link: Link, board: Board, firstOnly: ReadonlySet<string>): readonly Span[] {
  const spans = link.allowed(board.endOf);
  return firstOnly.has(link.id) ? spans.slice(0, 1) : spans;
}

/**
 * A window shut before `op` could start: the op that opened it has to move later, by as much as `op` came too
 * late. Null when the opener is not of this unit (already done) and so cannot move.
 */
function repairFor(
  conflict: Conflict,
  op: Op,
  links: readonly { link: Link; spans: readonly Span[] }[],
  unit: readonly string[],
  index: number,
  release: ReadonlyMap<string, number>,
  board: Board,
  problem: Problem,
): { index: number; releaseMin: number } | null {
  if (conflict.kind !== "window") return null;
  const missed = links.find(({ link }) => link.id === conflict.linkId);
  if (!missed) return null;
  const opener = unit.indexOf(missed.link.from);
  if (opener < 0 || opener >= index) return null;
  const unbounded = links.map(({ link, spans }) => ({
    link,
    spans: link.id === conflict.linkId ? withoutEnd(spans) : spans,
  }));
  const possible = earliest(op, release.get(op.id)!, unbounded, board, problem);
  const shutMin = missed.spans.at(-1)?.endMin ?? 0;
  const lateMin = possible.found ? possible.placed.startMin - shutMin : problem.gridMin;
  const openerStart = Math.max(
    release.get(missed.link.from)!,
    board.endOf(missed.link.from) - durationOf(problem, missed.link.from),
  );
  return { index: opener, releaseMin: openerStart + Math.max(problem.gridMin, lateMin) };
}

const withoutEnd = (spans: readonly Span[]): readonly Span[] => spans.slice(0, 1).map((s) => ({ ...s, endMin: null }));
const durationOf = (problem: Problem, opId: string): number => problem.ops.find((o) => o.id === opId)?.durationMin ?? 0;
