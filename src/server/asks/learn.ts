import { done, invalid, learnRequestSchema, looksOf, type Outcome } from "@/contracts";
import { type Learnt, learnt } from "@/core/learning";

/** POST learn: what looks tell of a shed and its products; nothing is kept. */
export function askLearnt(body: unknown): Outcome<Learnt> {
  const parsed = learnRequestSchema.safeParse(body);
  return parsed.success ? done(learnt(looksOf(parsed.data), parsed.data.products)) : invalid(parsed.error);
}
