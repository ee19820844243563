import type { Absent, Field } from "./fields";

/** Rows of a registry, in the order: what it holds, what it is where nobody gave it, its heading in a file, its name in the API. */

export const number = <const A extends Absent>(
  unit: string,
  min: number,
  max: number,
  absent: A,
  csv: string | null,
  api: string | null,
) => ({ kind: "number", unit, min, max, absent, csv, api }) as const;
export const flag = <const A extends Absent>(absent: A, csv: string | null, api: string | null) =>
  ({ kind: "flag", absent, csv, api }) as const;
export const choice = <const V extends readonly string[], const A extends Absent>(
  of: V,
  absent: A,
  csv: string | null,
  api: string | null,
) => ({ kind: "choice", of, absent, csv, api }) as const;
export const list = <const V extends readonly string[], const A extends Absent>(
  of: V,
  absent: A,
  csv: string | null,
  api: string | null,
) => ({ kind: "list", of, absent, csv, api }) as const;

/** A field with the place it has in its entity, dotted where it is nested. */
export interface PlacedField {
  readonly path: string;
  readonly field: Field;
}
export const placed = (fields: Readonly<Record<string, Field>>, within = ""): readonly PlacedField[] =>
  Object.entries(fields).map(([key, field]) => ({ path: `${within}${key}`, field }));
