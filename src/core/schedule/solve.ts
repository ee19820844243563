import { assert, seededRandom } from "../base";
import type { Objective } from "../model";
import { Board } from "./board";
import { lowerBound } from "./bound";
import { type Graph, graphOf } from "./graph";
import { earliest, MAX_REPAIRS, MOST_SESSIONS_TRIED } from "./place";
import { restricted } from "./restricted";
import { Search } from "./search";
import type { Conflict, Genes, Link, Op, Placed, Problem, Schedule, Span } from "./types";

export interface SolveOptions {
  /** what the plan is made for; earliest finish when left out */
  readonly objective?: Objective | undefined;
  /** placements made at the most, the first one included */
  readonly tries?: number;
  /** placements still made once nothing can end sooner, for what comes after the end: cleanings, slack */
  readonly polish?: number;
  /** asked before every placement: false ends the search with what it has */
  readonly goOn?: () => boolean;
  /** told of every better plan */
  readonly onBetter?: (found: { readonly endMin: number; readonly placed: readonly Placed[] }) => void;
  /** where to start from: of an earlier answer to a like problem */
  readonly start?: Genes | undefined;
}

const USUAL_TRIES = 60;
/** A found plan is made tidier: so much of the effort it took to find, and some placements in any case, of a large plan fewer. */
const TIDY_SHARE = 0.2;
const TIDY = { most: 24, least: 2, ops: 6000 } as const;
const tidyLeast = ({ ops }: Problem): number =>
  Math.max(TIDY.least, Math.min(TIDY.most, Math.floor(TIDY.ops / Math.max(1, ops.length))));
export const NO_HOLDS: ReadonlyMap<string, number> = new Map();
const SEED = 20240601;

/**
 * solve
 *   1. graph      order, tails, and units: operations tied by windows that can shut
 *   2. place      each unit as early as it fits, the unit with the largest priority first (serial method)
 *   3. repair     inside a unit: when a window is missed, push its opener later and place again
 *   4. bound      a moment before which no plan can end
 *   5. search     for an earlier finish with a target in sight (`aimed`); else, and beside it, nudge a few priorities of the plan
 *                 at hand, place again, keep what is no worse or, by chance and less and less, a little worse (simulated annealing, seeded)
 *   6. tidy       fewer nights between what had better be done in one go, for minutes of a later end, never for an evening
 *   7. stop       where nothing can be better; else tell how far from the best it can be at the most
 */
export function solve(problem: Problem, options: SolveOptions = {}): Schedule {
  const graph = graphOf(problem);
  const objective = options.objective ?? "finish";
  const tries = options.tries ?? USUAL_TRIES;
  const random = seededRandom(SEED);
  const boundMin = lowerBound(problem, graph);
  const first = options.start ?? { priority: graph.tailMin, hold: NO_HOLDS };
  const begun = placeAll(problem, graph, first);
  if (begun.outcome === "placed") options.onBetter?.(begun);
  if (begun.outcome === "conflict" && hopeless(begun.conflict)) return begun;
  // what finds no room by itself finds none among others: a few looks, not all of them
  const most = begun.outcome === "conflict" && fitsNowhere(problem, begun.conflict) ? LOOKS_BY_ITSELF : tries;
  // a single placement is asked for by whoever has no time for more: it says itself what holds each piece
  if (most <= 1) return begun.outcome === "placed" ? { ...begun, boundMin: Math.min(boundMin, begun.endMin) } : begun;
  const search = new Search({
    problem,
    graph,
    objective,
    random,
    boundMin,
    first,
    goesOnFrom: options.start !== undefined,
  });
  let made = 1;
  let polished = 0;
  const done = () => search.atBound() && polished++ >= (options.polish ?? 0);
  for (; made < most && !done() && (options.goOn?.() ?? true); made++) {
    if (!search.step()) continue;
    const { endMin, placed } = search.found();
    options.onBetter?.({ endMin, placed });
  }
  if (search.best === null) return begun;
  search.tidy(TIDY_SHARE, tidyLeast(problem));
  const { placed, genes, endMin } = search.explained();
  return { outcome: "placed", placed, endMin, boundMin: Math.min(boundMin, endMin), genes, stats: { tries: made } };
}

/** Its work finds no place even with all other parts away. */
function fitsNowhere(problem: Problem, { opId }: Conflict): boolean {
  const alone = restricted(problem, opId);
  return placeAll(alone, graphOf(alone), { priority: new Map(), hold: NO_HOLDS }).outcome === "conflict";
}

/** Placements tried of work that finds no room even with all other parts away. */
const LOOKS_BY_ITSELF = 2;
/** No other order of work would help against these. */
const hopeless = (c: Conflict): boolean => c.kind === "no-session-long-enough" || c.kind === "wait-beyond-horizon";

/** One placement by the genes given. */
export function placeAll(all: Problem, graph: Graph, genes: Genes): Schedule {
  const { priority, hold, skip, reserve } = genes;
  const problem = skip?.size ? { ...all, sessions: all.sessions.filter((s) => !skip.has(s.startMin)) } : all;
  const board = new Board(problem);
  for (const op of problem.ops) {
    if (op.fixed) board.put(op, { opId: op.id, ...op.fixed, boundBy: { kind: "now" } });
    else if (op.lockMin != null) board.reserve(op, op.lockMin, op.lockMin + op.durationMin);
  }
  for (const [id, start] of [...(reserve ?? [])].sort((a, b) => a[1] - b[1])) {
    const op = graph.opById.get(id);
    if (!op || op.fixed || op.lockMin != null || start < problem.nowMin) continue;
    if (board.clash(op, start, start + op.durationMin) === null) board.reserve(op, start, start + op.durationMin);
  }
  const conflict = placeUnits(problem, graph, board, priority, hold);
  if (conflict) return { outcome: "conflict", conflict };
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

/** Units whose predecessors are all placed, the heaviest first. */
function placeUnits(
  problem: Problem,
  graph: Graph,
  board: Board,
  priority: Genes["priority"],
  hold: Genes["hold"],
): Conflict | null {
  const preds = [...graph.unitPreds];
  const weights = graph.units.map((unit) => Math.max(...unit.map((id) => priority.get(id) ?? 0)));
  const ready = new Set<number>();
  for (const [i, count] of preds.entries()) if (count === 0) ready.add(i);
  for (let left = graph.units.length; left > 0; left--) {
    let u = -1;
    for (const i of ready) if (u < 0 || weights[i]! > weights[u]! || (weights[i] === weights[u] && i < u)) u = i;
    assert(u >= 0, "no unit is ready although some are left");
    ready.delete(u);
    const open = graph.units[u]!.filter((id) => !graph.opById.get(id)!.fixed);
    const conflict = open.length > 0 ? placeUnit(open, problem, graph, board, hold) : null;
    if (conflict) return conflict;
    for (const n of graph.unitNext[u]!) {
      preds[n]! -= 1;
      if (preds[n] === 0) ready.add(n);
    }
  }
  return null;
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
  const pushedInto = new Map<number, Set<number>>();
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
    const push = repairFor(found.conflict, { op, links, unit, index: i, release, board, problem, graph });
    repairs += 1;
    if (push) {
      const seen = pushedInto.get(push.index) ?? new Set();
      pushedInto.set(push.index, seen.add(problem.sessions.findIndex((s) => s.endMin > push.releaseMin)));
    }
    const inVain = push !== null && pushedInto.get(push.index)!.size > MOST_SESSIONS_TRIED;
    if (push === null || inVain || repairs > MAX_REPAIRS) {
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

/** An operation of a unit that found no place, and all it was tried with. */
interface Stuck {
  readonly op: Op;
  readonly links: readonly { readonly link: Link; readonly spans: readonly Span[] }[];
  readonly unit: readonly string[];
  /** its place in the unit */
  readonly index: number;
  readonly release: ReadonlyMap<string, number>;
  readonly board: Board;
  readonly problem: Problem;
  readonly graph: Graph;
}

/**
 * A window shut before `op` could start: the op that opened it has to move later, by as much as `op` came too
 * late. Null when the opener is not of this unit (already done) and so cannot move.
 */
function repairFor(
  conflict: Conflict,
  { op, links, unit, index, release, board, problem, graph }: Stuck,
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
    board.endOf(missed.link.from) - graph.opById.get(missed.link.from)!.durationMin,
  );
  return { index: opener, releaseMin: openerStart + Math.max(problem.gridMin, lateMin) };
}

const withoutEnd = (spans: readonly Span[]): readonly Span[] => spans.slice(0, 1).map((s) => ({ ...s, endMin: null }));
