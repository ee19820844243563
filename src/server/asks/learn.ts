import { invalid, learnRequestSchema, looksOf, type Outcome } from "@/contracts";
import type { Learnt } from "@/core/learning";
import { askSent } from "../solver/ask";

/** POST learn: what looks tell of a shed and its products; worked out beside the request, and nothing is kept. */
export async function askLearnt(body: unknown): Promise<Outcome<Learnt>> {
  const parsed = learnRequestSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  return askSent("learn", looksOf(parsed.data), parsed.data.products);
}
