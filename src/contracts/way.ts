import { z } from "zod";
import { SCHOOLS, type SchoolId, WEIGHTS } from "@/core/reference";
import { idSchema, nameSchema, ranged } from "./base";

const side = z.enum(["a", "b"]);
const choices = Object.fromEntries(SCHOOLS.map((s) => [s.id, side])) as Record<SchoolId, typeof side>;
const weight = ranged(0, 1000, "");
const weights = Object.fromEntries(WEIGHTS.map((w) => [w, weight])) as Record<(typeof WEIGHTS)[number], typeof weight>;

/** A way of working: which side is taken where practice differs, and what each thing weighs in the search. */
export const waySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  choices: z.strictObject(choices),
  weights: z.strictObject(weights),
  /** last paper before colour, FEPA P */
  lastGrit: ranged(100, 3000, "(P scale)"),
});
