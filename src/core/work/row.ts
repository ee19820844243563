import type { Span } from "../schedule";
import type { Batches } from "./batches";

/** Like pieces of a region, worked on one after the other. */
export interface Row {
  readonly count: number;
  /** how long each operation lasts, as planned, or as logged where that is shorter, minutes */
  readonly lastsMin: ReadonlyMap<string, number>;
}

/** One of like pieces worked on in a row: the first and the last stand for all between them. */
export interface Piece {
  /** when an operation was over for this piece */
  readonly endOf: (opId: string) => number;
  /** minutes into an operation at which its turn comes */
  readonly turnMin: (opId: string) => number;
}

/**
 * Like pieces follow each other: each waits from its own coat, not from the last of the row, so the first may be ready
 * when the last is done. Work done together with other parts has no such order: there the row counts as one.
 */
export function piecesOf(
  { count, lastsMin }: Row,
  endOf: (opId: string) => number,
  batches?: Batches,
): readonly Piece[] {
  if (count === 1) return [{ endOf, turnMin: () => 0 }];
  const inBatch = (id: string) => batches !== undefined && (batches.aliasOf(id) !== id || batches.members.has(id));
  const rest = (id: string) => (inBatch(id) ? 0 : ((lastsMin.get(id) ?? 0) * (count - 1)) / count);
  return [
    { endOf: (id) => endOf(id) - rest(id), turnMin: () => 0 },
    { endOf, turnMin: rest },
  ];
}

/** Starts that suit every piece of the row: each piece's own spans, back by when its turn comes. */
export const forAll = (spans: readonly (readonly Span[])[], turnsMin: readonly number[]): readonly Span[] =>
  spans
    .map((own, i) => own.map((s) => backBy(s, turnsMin[i]!)))
    .reduce((all, own) => all.flatMap((a) => own.flatMap((b) => overlap(a, b))));

const backBy = ({ startMin, endMin }: Span, min: number): Span => ({
  startMin: startMin - min,
  endMin: endMin === null ? null : endMin - min,
});

function overlap(a: Span, b: Span): readonly Span[] {
  const startMin = Math.max(a.startMin, b.startMin);
  const endMin = a.endMin === null ? b.endMin : b.endMin === null ? a.endMin : Math.min(a.endMin, b.endMin);
  return endMin === null || endMin > startMin ? [{ startMin, endMin }] : [];
}
