import { z } from "zod";
import type { Product } from "@/core/model";
import {
  SUM_IDS,
  type SumId,
  type SumInput,
  type SumInputs,
  type SumResult,
  type SumValues,
  sumOf,
  type Taken,
} from "@/core/sums";
import { hexSchema, idSchema, nameSchema, noteSchema, ranged, whole } from "./base";
import type { FieldFault } from "./problem";

/** An input's name on the API: areaCm2 → area_cm2. */
export const sumInputApi = (id: string): string => id.replace(/([A-Z])/g, (c) => `_${c.toLowerCase()}`);

const MOST_NUMBERS = 40;

function inputSchema(input: SumInput): z.ZodType {
  switch (input.kind) {
    case "number": {
      const plain = ranged(input.min, input.max, input.unit);
      const own = input.whole ? plain.refine(Number.isInteger, { error: "must be a whole number" }) : plain;
      if (input.optional) return own.nullable().default(null);
      return input.usual === null ? own : own.default(input.usual);
    }
    case "choice":
      return z
        .enum(input.options as [string, ...string[]], { error: `must be one of ${input.options.join(", ")}` })
        .default(input.usual);
    case "colour":
      return hexSchema.default(input.usual);
    case "numbers":
      return z
        .array(ranged(input.min, input.max, ""))
        .max(MOST_NUMBERS, `must hold at most ${MOST_NUMBERS}`)
        .default([]);
  }
}

const schemas = new Map<string, z.ZodType>();
/** What a sum asks, with the usual figures for what nobody tells. @param api under the API's names, else under the core's */
export function sumSchema(id: SumId, api: boolean): z.ZodType<SumValues<SumInputs>> {
  const key = `${id} ${api}`;
  const known = schemas.get(key);
  const made =
    known ??
    z.strictObject(
      Object.fromEntries(
        Object.entries(sumOf(id).inputs).map(([name, input]) => [api ? sumInputApi(name) : name, inputSchema(input)]),
      ),
    );
  schemas.set(key, made);
  return made as z.ZodType<SumValues<SumInputs>>;
}

export { SUM_IDS };
export const isSumId = (id: string): id is SumId => (SUM_IDS as readonly string[]).includes(id);

/** Everything the Sums screen shows of one sum. */
export interface SumsScreen {
  readonly id: SumId;
  readonly inputs: SumInputs;
  readonly formula: string;
  readonly source: string;
  /** by input: what was typed, else what is known of the product, face, air or lamp, else the usual */
  readonly values: Readonly<Record<string, unknown>>;
  /** whether a product, or a face, has anything to say to it */
  readonly from: { readonly product: boolean; readonly region: boolean };
  /** inputs that were filled in from what is known */
  readonly known: readonly string[];
  /** null = something is wanting or wrong */
  readonly result: SumResult | null;
  readonly faults: readonly FieldFault[];
  /** inputs that have to be told yet */
  readonly wanting: readonly string[];
  /** layers of that face and that product to which the answer is a figure of theirs; empty = there are none, or it is told already */
  readonly takes: readonly {
    readonly layerId: string;
    /** from 1, undermost first */
    readonly n: number;
    readonly stackRev: number;
    readonly taken: Taken;
  }[];
  readonly products: readonly Pick<Product, "id" | "name" | "role">[];
  /** products that stand on the shelf, by id */
  readonly shelf: readonly string[];
  readonly regions: readonly { readonly id: string; readonly name: string; readonly model: string }[];
}

/** What is done to the shade of a mix: drops of another paint, or the shade it has dried to. */
export const correctionSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("drops"), addId: idSchema, drops: whole(1, 2000, "drops") }),
  z.strictObject({ kind: z.literal("dried"), colour: hexSchema }),
]);

/** A mix to be put on the shelf. */
export const mixSchema = z.strictObject({
  name: nameSchema,
  parts: z
    .array(
      z.strictObject({
        id: idSchema,
        parts: ranged(1, 100, "parts").refine(Number.isInteger, { error: "must be a whole number" }),
      }),
    )
    .min(1, "needs a paint")
    .max(8, "must hold at most 8"),
  ml: ranged(0.1, 100_000, "ml"),
  note: noteSchema,
});
