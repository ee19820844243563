/**
 * What a record holds under a name from outside, and nothing else: a part called `constructor` or `toString` never finds what
 * every object inherits.
 */
export const own = <T>(record: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined;
