import type { Rule } from "../rule";
import { CONTACT_RULES } from "./contact";
import { LAYER_RULES } from "./layer";
import { FOAM_RULES, MATERIAL_RULES, OLD_FINISH_RULES } from "./material";
import { SEAM_RULES } from "./seam";
import { AIR_RULES, STACK_RULES } from "./stack";

/** Every rule of the catalogue, in the order it is read. Add a rule here and its wording in ui/messages. */
export const CATALOGUE: readonly Rule[] = [
  ...MATERIAL_RULES,
  ...FOAM_RULES,
  ...OLD_FINISH_RULES,
  ...SEAM_RULES,
  ...CONTACT_RULES,
  ...LAYER_RULES,
  ...STACK_RULES,
  ...AIR_RULES,
];
