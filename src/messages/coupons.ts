import type { CouponView } from "@/contracts";
import type { CouponResult } from "@/core/model";

export const RESULT_NAME: Readonly<Record<CouponResult, string>> = {
  pass: "passed",
  fail: "failed",
  void: "void: do it again",
};

export type CouponStage = "planned" | "curing" | "to-test" | "told";
export const STAGE_NAME: Readonly<Record<CouponStage, string>> = {
  "to-test": "Cured: test it now",
  curing: "Curing",
  planned: "To be painted",
  told: "Tested",
};

/** An early result is provisional: such a coupon goes on curing, and is to be tested again when it is through. */
export function stageOf({ card, ripe, counts }: CouponView): CouponStage {
  if (counts || card.result === "void") return "told";
  if (card.madeAt === null) return "planned";
  return ripe ? "to-test" : "curing";
}

/** What a coupon says on the model at hand. */
export function weightText(c: CouponView): string {
  const { card, counts, speaksFor } = c;
  if (card.result === null) return "Says nothing yet.";
  if (card.result === "void") return "Void: it says nothing. Paint it again.";
  if (!counts)
    return card.result === "pass"
      ? "Provisional: it counts once it is through cured and taped or cross-hatched."
      : "Provisional: tape tears what is still soft. Test it again once it is through cured; what melted, lifted or wrinkled needs no tape and counts at once.";
  if (speaksFor.length === 0) return "No stack of this model has these layers on this material: a hint only.";
  return card.result === "pass" ? "Lifts “test” to “care” for:" : "Makes these layers a stop for:";
}
