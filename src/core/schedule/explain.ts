import { MIN_PER_DAY } from "../base";
import { restricted } from "./restricted";
import { solve } from "./solve";
import type { Conflict, Link, Op, Problem } from "./types";

/** One thing that helps to make a plan impossible. */
export type Piece =
  | { readonly kind: "window"; readonly linkId: string }
  | { readonly kind: "wait"; readonly linkId: string }
  | { readonly kind: "gate"; readonly opId: string }
  | { readonly kind: "lock"; readonly opId: string }
  | { readonly kind: "release"; readonly opId: string }
  | { readonly kind: "fixed"; readonly opId: string }
  | { readonly kind: "sessions"; readonly opId: string }
  /** other work that holds the same hands, booth or tool */
  | { readonly kind: "others"; readonly opIds: readonly string[] };

/** One change that was tried and made the plan possible. */
export type Freeing =
  | { readonly kind: "one-more-session"; readonly startMin: number; readonly endMin: number }
  | { readonly kind: "longer-sessions"; readonly byMin: number }
  | { readonly kind: "wider-window"; readonly linkId: string; readonly byMin: number }
  | { readonly kind: "open-gate"; readonly opId: string }
  | { readonly kind: "unlock"; readonly opId: string }
  | { readonly kind: "sooner-there"; readonly opId: string }
  | { readonly kind: "without-batch"; readonly opId: string };

export interface Explanation {
  /** taking any one of these away makes a plan possible, as far as the search can tell */
  readonly set: readonly Piece[];
  /** changes that were tried and worked, the smallest of each kind */
  readonly frees: readonly Freeing[];
}

/** Placements each question is tried with: a plan that is possible is nearly always found at the first few. */
const TRIES = 4;
const LONGER_MIN = [15, 30, 60, 120, 240] as const;
const WIDER_MIN = [30, 60, 120, 240, 480, 1440, 2880] as const;
/** Free evenings looked at for one more session. */
const DAYS_AHEAD = 21;

/**
 * Why no plan was found: from everything that bears on the operation that fits nowhere, pieces are taken away one after the
 * other; what makes no difference stays away, what does is put back. What is left is the smallest set of its kind (no piece of
 * it can be spared), though another set of fewer pieces may exist. Then changes are tried on it that a person can make.
 * @param batches operations that stand for several pieces of work done in one go
 */
export function explain(problem: Problem, conflict: Conflict, batches: ReadonlySet<string> = new Set()): Explanation {
  const near = restricted(problem, conflict.opId);
  const alone = impossible(near);
  let p = alone ? near : problem;
  const set: Piece[] = [];
  if (!alone) {
    const mine = new Set(near.ops.map((o) => o.id));
    set.push({ kind: "others", opIds: problem.ops.filter((o) => !mine.has(o.id) && !o.fixed).map((o) => o.id) });
  }
  for (const { piece, without } of piecesOf(near)) {
    const freed = without(p);
    if (impossible(freed)) p = freed;
    else set.push(piece);
  }
  return { set, frees: freesOf(alone ? near : problem, set, batches) };
}

const impossible = (p: Problem): boolean => solve(p, { tries: TRIES }).outcome === "conflict";

interface Removable {
  readonly piece: Piece;
  readonly without: (p: Problem) => Problem;
}

function piecesOf(p: Problem): readonly Removable[] {
  const free = p.ops.filter((o) => !o.fixed);
  const openers = new Set(p.links.filter((l) => l.bounded).map((l) => l.from));
  return [
    ...free
      .filter((o) => o.lockMin != null)
      .map((o): Removable => ({ piece: { kind: "lock", opId: o.id }, without: opWith(o.id, { lockMin: null }) })),
    ...free
      .filter((o) => o.releaseMin > p.nowMin)
      .map(
        (o): Removable => ({ piece: { kind: "release", opId: o.id }, without: opWith(o.id, { releaseMin: p.nowMin }) }),
      ),
    ...free
      .filter((o) => o.gate !== null)
      .map((o): Removable => ({ piece: { kind: "gate", opId: o.id }, without: opWith(o.id, { gate: null }) })),
    ...p.links
      .filter((l) => l.bounded)
      .map((l): Removable => ({ piece: { kind: "window", linkId: l.id }, without: linkWith(l.id, endless) })),
    ...p.links
      .filter((l) => l.leastMin > 0 || l.estimateMin > 0)
      .map((l): Removable => ({ piece: { kind: "wait", linkId: l.id }, without: linkWith(l.id, atOnce) })),
    ...p.ops
      .filter((o) => o.fixed && openers.has(o.id))
      .map((o): Removable => ({ piece: { kind: "fixed", opId: o.id }, without: opWith(o.id, { fixed: null }) })),
    ...free.map(
      (o): Removable => ({ piece: { kind: "sessions", opId: o.id }, without: opWith(o.id, { unattended: true }) }),
    ),
  ];
}

const opWith =
  (id: string, change: Partial<Op>) =>
  (p: Problem): Problem => ({ ...p, ops: p.ops.map((o) => (o.id === id ? { ...o, ...change } : o)) });
const linkWith =
  (id: string, change: (l: Link) => Link) =>
  (p: Problem): Problem => ({ ...p, links: p.links.map((l) => (l.id === id ? change(l) : l)) });

/** Never shuts, and what is shut between two windows is open too. */
const endless = (l: Link): Link => ({
  ...l,
  allowed: (endOf) =>
    l
      .allowed(endOf)
      .slice(0, 1)
      .map((s) => ({ ...s, endMin: null })),
});
const atOnce = (l: Link): Link => ({ ...l, allowed: (endOf) => [{ startMin: endOf(l.from), endMin: null }] });
const widened =
  (byMin: number) =>
  (l: Link): Link => ({
    ...l,
    allowed: (endOf) => l.allowed(endOf).map((s) => ({ ...s, endMin: s.endMin === null ? null : s.endMin + byMin })),
  });

function freesOf(p: Problem, set: readonly Piece[], batches: ReadonlySet<string>): readonly Freeing[] {
  const works = (changed: Problem) => !impossible(changed);
  const found: Freeing[] = [];
  for (const piece of set) {
    if (piece.kind === "window") {
      const byMin = WIDER_MIN.find((by) => works(linkWith(piece.linkId, widened(by))(p)));
      if (byMin !== undefined) found.push({ kind: "wider-window", linkId: piece.linkId, byMin });
    }
    if (piece.kind === "gate" && works(opWith(piece.opId, { gate: null })(p)))
      found.push({ kind: "open-gate", opId: piece.opId });
    if (piece.kind === "lock" && works(opWith(piece.opId, { lockMin: null })(p)))
      found.push({ kind: "unlock", opId: piece.opId });
    if (piece.kind === "release" && works(opWith(piece.opId, { releaseMin: p.nowMin })(p)))
      found.push({ kind: "sooner-there", opId: piece.opId });
    if ("opId" in piece && batches.has(piece.opId)) found.push({ kind: "without-batch", opId: piece.opId });
  }
  const byMin = LONGER_MIN.find((by) => works({ ...p, sessions: longer(p, by) }));
  if (byMin !== undefined) found.push({ kind: "longer-sessions", byMin });
  const extra = extraSessions(p).find((s) => works({ ...p, sessions: withSession(p, s) }));
  if (extra) found.push({ kind: "one-more-session", ...extra });
  return found;
}

type Session = Problem["sessions"][number];

/** Every session longer at its end, as far as the next one lets it. */
const longer = (p: Problem, byMin: number): readonly Session[] =>
  p.sessions.map((s, i) => ({
    startMin: s.startMin,
    endMin: Math.max(s.endMin, Math.min(s.endMin + byMin, p.sessions[i + 1]?.startMin ?? s.endMin + byMin)),
  }));

/** Sessions like the ones there are, on days that have none; with none at all, an evening's length from now on. */
function extraSessions(p: Problem): readonly Session[] {
  const like = p.sessions[0] ?? { startMin: p.nowMin, endMin: p.nowMin + 120 };
  const lengthMin = Math.max(...p.sessions.map((s) => s.endMin - s.startMin), like.endMin - like.startMin);
  return Array.from({ length: DAYS_AHEAD }, (_, d) => ({
    startMin: like.startMin + d * MIN_PER_DAY,
    endMin: like.startMin + d * MIN_PER_DAY + lengthMin,
  })).filter(
    (s) => s.startMin >= p.nowMin && p.sessions.every((o) => o.endMin <= s.startMin || o.startMin >= s.endMin),
  );
}

const withSession = (p: Problem, s: Session): readonly Session[] =>
  [...p.sessions, s].sort((a, b) => a.startMin - b.startMin);
