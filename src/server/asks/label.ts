import { done, invalid, labelTextSchema, type Outcome } from "@/contracts";
import type { LabelRead } from "@/core/reading";
import { askSent } from "../solver/ask";

/** POST read-label: what the text of a label says. Nothing is kept. */
export async function readLabelText(body: unknown): Promise<Outcome<LabelRead>> {
  const parsed = labelTextSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const read = await askSent("readLabel", parsed.data.text);
  return read.ok ? done(read.value) : read;
}
