import { z } from "zod";
import { FINISHES, JARS, MATERIALS } from "@/core/model";
import { nameSchema, uniqueList } from "./base";

/** One part and what is there to put on it: the shortest way from nothing to an answer. */
export const beginSchema = z.strictObject({
  name: nameSchema,
  material: z.enum(MATERIALS),
  finish: z.enum(FINISHES),
  /** none = what is on the shelf already */
  jars: uniqueList(z.enum(JARS)),
});
