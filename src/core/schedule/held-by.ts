import { Board } from "./board";
import type { Graph } from "./graph";
import { earliest } from "./place";
import type { BoundBy, Placed, Problem } from "./types";

const NOW: BoundBy = { kind: "now" };
/** By itself it could be sooner, but stands where it does for the sake of the rest. */
const KEPT: BoundBy = { kind: "kept" };
const SAME_MIN = 1e-6;

/** Starts by operation, in the order of the problem's, as pieces of a plan in the order they come. */
export const piecesAt = (problem: Problem, starts: Float64Array): readonly Placed[] =>
  problem.ops
    .map((op, i): Placed => {
      const { startMin, endMin } = op.fixed ?? { startMin: starts[i]!, endMin: starts[i]! + op.durationMin };
      return { opId: op.id, startMin, endMin, boundBy: NOW };
    })
    .sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin || (a.opId < b.opId ? -1 : 1));

/** The pieces of a finished plan, each with what keeps it from being sooner in it. */
export function heldBy(problem: Problem, graph: Graph, pieces: readonly Placed[]): readonly Placed[] {
  const board = new Board(problem);
  for (const p of pieces) board.put(graph.opById.get(p.opId)!, p);
  return pieces.map((p): Placed => {
    const op = graph.opById.get(p.opId)!;
    if (op.fixed) return p;
    board.take(op);
    const links = (graph.into.get(op.id) ?? []).map((link) => ({ link, spans: link.allowed(board.endOf) }));
    const free = earliest(op, Math.max(problem.nowMin, op.releaseMin), links, board, problem);
    board.put(op, p);
    const there = free.found && Math.abs(free.placed.startMin - p.startMin) < SAME_MIN;
    return { ...p, boundBy: there ? free.placed.boundBy : KEPT };
  });
}
