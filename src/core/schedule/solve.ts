import { assert, seededRandom } from "../base";
import { lowerBound } from "./bound";
import { type Graph, graphOf } from "./graph";
import { Board, earliest } from "./place";
import type { Conflict, Genes, Link, Op, Placed, Problem, Schedule, Span } from "./types";

export interface SolveOptions {
  /** placements made at the most, the first one included */
  readonly tries?: number;
  /** asked before every placement: false ends the search with what it has */
  readonly goOn?: () => boolean;
  /** told of every better plan */
  readonly onBetter?: (endMin: number) => void;
  /** where to start from: of an earlier answer to a like problem */
  readonly start?: Genes | undefined;
}

const USUAL_TRIES = 60;
const NO_HOLDS: ReadonlyMap<string, number> = new Map();
const SEED = 20240601;
/** Nothing is better than the lower bound: then the search is over. */
const SAME_MIN = 1e-6;

/**
 * solve
 *   1. graph      order, tails, and units: operations tied by windows that can shut
 *   2. place      each unit as early as it fits, the unit with the largest priority first (serial method)
 *   3. repair     inside a unit: when a window is missed, push its opener later and place again
 *   4. search     nudge a few priorities of the plan at hand, place again, keep what ends no later or, by chance and less
 *                 and less, a little later (simulated annealing, seeded); now and then all priorities anew
 *   5. bound      stop where nothing can be better; else tell how far from the best it can be at the most
 */
export function solve(problem: Problem, options: SolveOptions = {}): Schedule {
  const graph = graphOf(problem);
  const tries = options.tries ?? USUAL_TRIES;
  const random = seededRandom(SEED);
  const tail = (nudge: () => number) => new Map(graph.order.map((id) => [id, graph.tailMin.get(id)! * nudge()]));
  const boundMin = lowerBound(problem, graph);
  let genes: Genes = options.start ?? { priority: tail(() => 1), hold: NO_HOLDS };
  let at = placeAll(problem, graph, genes);
  let best = at;
  let bestGenes = genes;
  let made = 1;
  const done = () =>
    (best.outcome === "placed" && best.endMin <= boundMin + SAME_MIN) ||
    (best.outcome === "conflict" && hopeless(best.conflict));
  let cycle = FIRST_CYCLE;
  let cycleFrom = 0;
  for (; made < tries && !done() && (options.goOn?.() ?? true); made++) {
    if (made - cycleFrom >= cycle) {
      cycleFrom = made;
      cycle = Math.ceil(cycle * CYCLE_GROWS);
    }
    const into = (made - cycleFrom) / cycle;
    const afresh = at.outcome === "conflict" || into < LOOK_AROUND;
    const next: Genes = afresh
      ? { priority: tail(() => SPREAD_LEAST + SPREAD * random()), hold: NO_HOLDS }
      : nudged(genes, at, random);
    const found = placeAll(problem, graph, next);
    if (made === cycleFrom || accepts(at, found, problem.nowMin, random, afresh ? 0 : 1 - into)) {
      at = found;
      genes = next;
    }
    if (found.outcome === "placed" && (best.outcome !== "placed" || better(found, best))) {
      best = found;
      bestGenes = next;
      options.onBetter?.(found.endMin);
    }
  }
  return best.outcome === "placed"
    ? { ...best, boundMin: Math.min(boundMin, best.endMin), genes: bestGenes, stats: { tries: made } }
    : best;
}

/** A cycle looks around for a good start, then cools from there; each is longer than the one before. */
const FIRST_CYCLE = 60;
const CYCLE_GROWS = 1.25;
const LOOK_AROUND = 0.25;
/** Fresh priorities are tails times something between these. */
const SPREAD_LEAST = 0.6;
const SPREAD = 0.8;
/** A plan this much later, as a share, is taken once in e at the start. */
const HEAT = 0.01;
const MOST_NUDGED = 4;

const HOLDS_OFTEN = 0.3;

/** A few operations pulled before or pushed behind others, or held back until another has ended, or let go again. */
function nudged(from: Genes, at: Schedule, random: () => number): Genes {
  const priority = new Map(from.priority);
  const hold = new Map(from.hold);
  const ids = [...priority.keys()];
  const any = () => ids[Math.floor(random() * ids.length)]!;
  const count = 1 + Math.floor(MOST_NUDGED * random());
  for (let i = 0; i < count; i++) {
    const id = any();
    if (at.outcome === "placed" && random() < HOLDS_OFTEN) {
      const other = at.placed[Math.floor(random() * at.placed.length)]!;
      if (hold.has(id) || other.opId === id) hold.delete(id);
      else hold.set(id, other.endMin);
    } else if (random() < 0.5) priority.set(id, priority.get(any())! * (0.98 + 0.04 * random()));
    else priority.set(id, priority.get(id)! * (0.5 + random()));
  }
  return { priority, hold };
}

function accepts(at: Schedule, found: Schedule, nowMin: number, random: () => number, left: number): boolean {
  if (found.outcome !== "placed") return at.outcome !== "placed";
  if (at.outcome !== "placed" || better(found, at)) return true;
  // of the time still to go: minutes are counted since 1970, and a share of those is nothing
  const later = (found.endMin - at.endMin) / Math.max(1, at.endMin - nowMin);
  return random() < Math.exp(-later / (HEAT * left + 1e-9));
}

type Found = Extract<Schedule, { outcome: "placed" }>;

const better = (a: Found, b: Found): boolean =>
  a.endMin < b.endMin || (a.endMin === b.endMin && sumOfEnds(a) < sumOfEnds(b));
const sumOfEnds = (s: Found): number => s.placed.reduce((sum, p) => sum + p.endMin, 0);

/** No other order of work would help against these. */
const hopeless = (c: Conflict): boolean => c.kind === "no-session-long-enough" || c.kind === "wait-beyond-horizon";

function placeAll(problem: Problem, graph: Graph, genes: Genes): Schedule {
  const { priority, hold } = genes;
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
    const conflict = placeUnit(unit, problem, graph, board, hold);
    if (conflict) return { outcome: "conflict", conflict };
  }
  const placed = [...board.all].sort(
    (a, b) => a.startMin - b.startMin || a.endMin - b.endMin || (a.opId < b.opId ? -1 : 1),
  );
  return {
    outcome: "placed",
    placed,
    endMin: Math.max(problem.nowMin, ...placed.map((p) => p.endMin)),
    boundMin: problem.nowMin,
    genes,
    stats: { tries: 1 },
  };
}

function isReady(unit: readonly string[], graph: Graph, board: Board): boolean {
  const own = new Set(unit);
  return unit.every((id) => (graph.into.get(id) ?? []).every((l) => own.has(l.from) || board.has(l.from)));
}

/** Places a unit; when a wait fell into a later window, also tries to meet the first one and keeps what ends sooner. */
function placeUnit(
  unit: readonly string[],
  problem: Problem,
  graph: Graph,
  board: Board,
  hold: Genes["hold"],
): Conflict | null {
  const free = tryUnit(unit, problem, graph, board, NO_LINKS, hold);
  if (free.late.size === 0) return commit(unit, free, graph, board);
  const strict = tryUnit(unit, problem, graph, board, free.late, hold);
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
  hold: Genes["hold"],
): UnitTry {
  const release = new Map(
    unit.map((id) => [id, Math.max(problem.nowMin, graph.opById.get(id)!.releaseMin, hold.get(id) ?? 0)]),
  );
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
