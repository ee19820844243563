import type { Problem } from "@/contracts";
import { inUnits } from "@/format";

/** The server speaks in units of storage; its reader need not. */
export const readable = (p: Problem): Problem => ({
  ...p,
  detail: inUnits(p.detail),
  fields: p.fields.map((f) => ({ ...f, message: inUnits(f.message) })),
});
