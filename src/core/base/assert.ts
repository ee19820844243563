/** Our own bug, never bad input: bad input stops at the contracts with the field named. */
class InvariantError extends Error {
  override name = "InvariantError";
}

export function assert(condition: unknown, message: string): asserts condition {
  if (!condition) throw new InvariantError(message);
}

/** The item at a place that is known to be there; a place beyond the list is our own bug. */
export function at<T>(list: readonly T[], i: number): T {
  const item = list[i];
  assert(item !== undefined, `no item ${i} in a list of ${list.length}`);
  return item;
}
