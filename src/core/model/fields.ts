/**
 * Fields told once. A row says what a field may hold, what leaving it out means, and under which names it goes in and out; from
 * the rows of an entity its type, storage schema, form, file columns, API shape and documentation derive.
 */
export type FieldKind =
  | { readonly kind: "name" }
  | { readonly kind: "text"; readonly most: number }
  | { readonly kind: "note" }
  | { readonly kind: "texts"; readonly most: number }
  | {
      readonly kind: "number";
      readonly unit: string;
      readonly min: number;
      readonly max: number;
      readonly whole?: true;
      readonly open?: true;
    }
  /** a fraction, shown in percent of something */
  | { readonly kind: "share"; readonly min: number; readonly max: number; readonly of: string }
  | { readonly kind: "flag"; readonly open?: true }
  | { readonly kind: "choice"; readonly of: readonly string[]; readonly open?: true }
  | { readonly kind: "list"; readonly of: readonly string[]; readonly open?: true }
  | { readonly kind: "date" }
  | { readonly kind: "colour" }
  /** parts by volume, such as 4:1 */
  | { readonly kind: "ratio" }
  /** when the next coat may go on: at most two, rising */
  | { readonly kind: "windows" }
  /** a picture, by content hash */
  | { readonly kind: "photo" };

/** What a field is where nobody gave it: it has to be given, it is null, or it is not there at all (a flag: simply absent). */
export type Absent = "must" | "null" | "null-or-left-out" | "left-out";

interface FieldSpec {
  readonly absent: Absent;
  /** heading in a file of the shelf; an empty cell there is `cell`, or what `absent` says */
  readonly csv: string | null;
  readonly cell?: unknown;
  /** name in a product told inline through the API, dotted where it is nested; null = it is not told there */
  readonly api: string | null;
  /** least told there, where it is less than what is kept: a thinner holds no solids */
  readonly apiMin?: number;
  /** in the API it may be told as "unknown": then its rules stay open over every candidate */
  readonly mayBeUnknown?: true;
  /** several sources may speak of it, and the best evidence counts */
  readonly ranked?: true;
}
export type Field = FieldKind & FieldSpec;

type Value<F> = F extends { kind: "name" | "text" | "note" | "date" | "colour" | "ratio" | "photo" }
  ? string
  : F extends { kind: "number" | "share" }
    ? number | Open<F>
    : F extends { kind: "flag" }
      ? boolean | Open<F>
      : F extends { kind: "texts" }
        ? readonly string[]
        : F extends { kind: "choice"; of: readonly (infer V)[] }
          ? V | Open<F>
          : F extends { kind: "list"; of: readonly (infer V)[] }
            ? readonly V[] | Open<F>
            : F extends { kind: "windows" }
              ? readonly Window[]
              : never;
/** The user may say "I do not know", which is not the same as not having been asked. */
type Open<F> = F extends { open: true } ? "unknown" : never;

/** [opens, shuts] in minutes after the end of the coat; a null end never shuts. */
export type Window = readonly [number, number | null];

type Keys<T, A extends Absent> = { [K in keyof T]: T[K] extends { absent: A } ? K : never }[keyof T];
/** An entity as its rows make it. */
export type Shape<T> = { readonly [K in Keys<T, "must">]: Value<T[K]> } & {
  readonly [K in Keys<T, "null">]: Value<T[K]> | null;
} & { readonly [K in Keys<T, "null-or-left-out">]?: Value<T[K]> | null | undefined } & {
  readonly [K in Keys<T, "left-out">]?: Value<T[K]> | undefined;
};
export type KeysWhere<T, W> = Extract<{ [K in keyof T]: T[K] extends W ? K : never }[keyof T], string>;
