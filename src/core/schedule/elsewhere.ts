import { assert } from "../base";
import { Board } from "./board";
import { earliest } from "./place";
import type { Link, Op, Placed, Problem } from "./types";

const SAME_MIN = 1e-6;

/** A finished plan in which single pieces are tried at other hours while all else stays: work that loads no tool. */
export class Elsewhere {
  private readonly board: Board;
  private readonly opById: ReadonlyMap<string, Op>;
  private readonly into = new Map<string, Link[]>();
  /** links whose answer hangs on when an operation ends */
  private readonly hangOn = new Map<string, Link[]>();

  constructor(
    private readonly problem: Problem,
    placed: readonly Placed[],
  ) {
    this.board = new Board(problem);
    this.opById = new Map(problem.ops.map((op) => [op.id, op]));
    for (const p of placed) this.board.put(this.opById.get(p.opId)!, p);
    const add = (map: Map<string, Link[]>, id: string, link: Link) => {
      const known = map.get(id);
      if (known) known.push(link);
      else map.set(id, [link]);
    };
    for (const link of problem.links) {
      add(this.into, link.to, link);
      for (const id of new Set([link.from, ...(link.hangsOn ?? [])])) add(this.hangOn, id, link);
    }
  }

  get placed(): readonly Placed[] {
    return this.board.all;
  }

  of(opId: string): Placed | undefined {
    return this.board.of(opId);
  }

  /** Start of the next work that waits for it; infinite = nothing does. */
  nextMin(opId: string): number {
    return (this.hangOn.get(opId) ?? []).reduce(
      (least, l) => (l.from === opId ? Math.min(least, this.board.of(l.to)?.startMin ?? least) : least),
      Number.POSITIVE_INFINITY,
    );
  }

  /** Moves it there if no rule is broken by it. @returns whether it lies there now */
  move(opId: string, to: Placed): boolean {
    const op = this.opById.get(opId)!;
    assert(op.loads === undefined, "what loads a tool brings cleanings with it: those of others would have to move");
    const was = this.board.of(opId)!;
    this.board.take(op);
    const links = (this.into.get(opId) ?? []).map((link) => ({ link, spans: link.allowed(this.board.endOf) }));
    const found = earliest(op, to.startMin, links, this.board, this.problem);
    this.board.put(op, found.found && found.placed.startMin === to.startMin ? to : was);
    if (this.board.of(opId) !== to) return false;
    if ((this.hangOn.get(opId) ?? []).every((l) => this.stillOpen(l))) return true;
    this.board.take(op);
    this.board.put(op, was);
    return false;
  }

  private stillOpen(link: Link): boolean {
    const to = this.board.of(link.to);
    if (!to || this.opById.get(link.to)!.fixed) return true;
    return link
      .allowed(this.board.endOf)
      .some((s) => s.startMin <= to.startMin + SAME_MIN && (s.endMin === null || to.startMin <= s.endMin + SAME_MIN));
  }
}
