import type { Product, Region } from "../model";

/** A figure in its stored unit; `usual` stands in where nobody tells it, null = it has to be told. */
interface NumberInput {
  readonly kind: "number";
  /** "" = a bare number */
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly usual: number | null;
  readonly whole?: true;
  /** nothing told is an answer too */
  readonly optional?: true;
}
export interface ChoiceInput<T extends string = string> {
  readonly kind: "choice";
  readonly options: readonly T[];
  readonly usual: T;
}
/** sRGB, #rrggbb */
interface ColourInput {
  readonly kind: "colour";
  readonly usual: string;
}
/** Numbers in any order; none = whatever there is. */
interface NumbersInput {
  readonly kind: "numbers";
  readonly min: number;
  readonly max: number;
}
export type SumInput = NumberInput | ChoiceInput | ColourInput | NumbersInput;
export type SumInputs = Readonly<Record<string, SumInput>>;

type SumValue<I extends SumInput> = I extends NumberInput
  ? I extends { readonly optional: true }
    ? number | null
    : number
  : I extends ChoiceInput<infer T>
    ? T
    : I extends NumbersInput
      ? readonly number[]
      : string;
export type SumValues<I extends SumInputs> = { readonly [K in keyof I]: SumValue<I[K]> };

/** A cell of a table: a figure in the unit of its column, a product, a shade, or a word of a vocabulary. */
export type SumCell =
  | { readonly kind: "figure"; readonly value: number | null }
  | { readonly kind: "product"; readonly id: string }
  | { readonly kind: "colour"; readonly hex: string }
  | { readonly kind: "word"; readonly word: string }
  /** what rules have to say, by their ids */
  | { readonly kind: "rules"; readonly rules: readonly string[] };

export interface SumResult {
  /** null = there is none: it does not hide, no such step is owned */
  readonly lines: readonly { readonly id: string; readonly value: number | null; readonly unit: string }[];
  readonly table?: {
    readonly columns: readonly { readonly id: string; readonly unit: string }[];
    readonly rows: readonly (readonly SumCell[])[];
  };
  /** what is to be said beside the figures, by its code */
  readonly notes: readonly string[];
}

/** What a sum may ask of the shed. */
export interface SumShelf {
  readonly products: readonly Product[];
  /** a plain face of a material, nothing else told */
  readonly face: (material: NonNullable<Region["material"]>) => Region;
}

/** One sum: what it wants, what it makes of it, by which formula. Pure. */
export interface Sum<I extends SumInputs = SumInputs> {
  readonly inputs: I;
  readonly formula: string;
  readonly source: string;
  readonly run: (values: SumValues<I>, shelf: SumShelf) => SumResult;
}

/** Keeps the types of a sum's inputs for its `run`. */
export const sum = <const I extends SumInputs>(of: Sum<I>): Sum<I> => of;

export const num = (unit: string, min: number, max: number, usual: number) =>
  ({ kind: "number", unit, min, max, usual }) as const;
export const asked = (unit: string, min: number, max: number) =>
  ({ kind: "number", unit, min, max, usual: null }) as const;
export const maybe = (unit: string, min: number, max: number) =>
  ({ kind: "number", unit, min, max, usual: null, optional: true }) as const;
export const choice = <const T extends string>(options: readonly T[], usual: NoInfer<T>): ChoiceInput<T> => ({
  kind: "choice",
  options,
  usual,
});
export const YES_NO = ["no", "yes"] as const;

export const line = (id: string, value: number | null, unit = "") => ({ id, value, unit });
export const figure = (value: number | null): SumCell => ({ kind: "figure", value });
export const when = (is: boolean, code: string): readonly string[] => (is ? [code] : []);
