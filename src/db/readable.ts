/**
 * Rows the contracts no longer take, by what they are: an older program or another hand wrote them. One bad row is left aside
 * and told; it never takes the application down.
 */
const unreadable = new Map<string, Set<string>>();

/** @returns what a row says, or null where it cannot be read; which one is remembered */
export function readRow<R, T>(what: string, id: string, row: R, parse: (row: R) => T): T | null {
  try {
    const value = parse(row);
    unreadable.get(what)?.delete(id);
    return value;
  } catch {
    const ids = unreadable.get(what) ?? new Set<string>();
    ids.add(id);
    unreadable.set(what, ids);
    return null;
  }
}

/** Every row that can be read, in order. */
export const readRows = <R, T>(
  what: string,
  rows: readonly R[],
  idOf: (row: R) => string,
  parse: (row: R) => T,
): readonly T[] =>
  rows.flatMap((row) => {
    const value = readRow(what, idOf(row), row, parse);
    return value === null ? [] : [value];
  });

export interface UnreadableRows {
  readonly what: string;
  readonly count: number;
}

/** What was left aside since the program started. */
export const unreadableRows = (): readonly UnreadableRows[] =>
  [...unreadable].flatMap(([what, ids]) => (ids.size > 0 ? [{ what, count: ids.size }] : []));
