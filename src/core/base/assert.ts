/** Our own bug, never bad input: bad input stops at the contracts with the field named. */
class InvariantError extends Error {
  override name = "InvariantError";
}

export function assert(condition: unknown, message: string): asserts condition {
  if (!condition) throw new InvariantError(message);
}
