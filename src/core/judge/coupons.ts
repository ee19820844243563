/** What the shop has tried itself: a coupon lifts a test to a care, or sets a stop, for the layers it was painted like. */

import { at } from "../base";
import {
  type Coupon,
  HEAVINESSES,
  type Layer,
  type MaterialId,
  type Stack,
  type Unknown,
  type Verdict,
} from "../model";
import type { PlacedVerdict } from "./types";

const heavier = (a: { heaviness: Layer["heaviness"]; wftUm: number | null }, b: typeof a): boolean => {
  if (a.wftUm !== null && b.wftUm !== null) return a.wftUm > b.wftUm + 1e-9;
  if (a.wftUm !== null || b.wftUm !== null) return a.wftUm !== null;
  return HEAVINESSES.indexOf(a.heaviness) > HEAVINESSES.indexOf(b.heaviness);
};

/** Was the coupon's layer laid like this one, no lighter and no later? */
function sameLayer(c: Coupon["layers"][number], l: Layer): boolean {
  if (c.productId !== l.productId || l.coats > c.coats) return false;
  if (heavier(l, c)) return false;
  // the plan's earliest gap may be as short as any; a given one must not be shorter than tried
  return l.gapMin === null || c.gapMin === null || l.gapMin >= c.gapMin;
}

/**
 * How many layers of the pile a coupon speaks for: all of its own when they are the pile's first, in order and as
 * laid; none otherwise.
 */
export function couponReach(coupon: Coupon, material: MaterialId | Unknown, stack: Pick<Stack, "layers">): number {
  if (coupon.material !== material || coupon.layers.length > stack.layers.length) return 0;
  return coupon.layers.every((c, i) => sameLayer(c, at(stack.layers, i))) ? coupon.layers.length : 0;
}

/**
 * A pass counts once it has cured through and been taped or cross-hatched. A fail counts as soon as it is seen: a hole
 * in foam cannot be taped, and what lifted or wrinkled is not mended by waiting. Only what tape tore off a film that
 * was still soft is provisional, like an early pass.
 */
export const couponCounts = (c: Coupon): boolean =>
  c.result === "fail" ? c.throughCured || !c.tapeTested : c.result === "pass" && c.throughCured && c.tapeTested;

/** Widest single pass a passing coupon of this pile was made with, µm; 0 = none. */
export function couponWftUm(coupons: readonly Coupon[], material: MaterialId | Unknown, stack: Stack): number {
  const passed = coupons.filter((c) => couponCounts(c) && c.result === "pass" && couponReach(c, material, stack) > 0);
  return Math.max(0, ...passed.flatMap((c) => c.layers.map((l) => l.wftUm ?? 0)));
}

/**
 * Lets the shop's own trials speak: a pass lifts test to care, a fail makes whatever it covers a stop. A fail outranks a
 * pass. Never for what is unsafe, and never for places above the coupon's own layers.
 */
export function withCoupons(
  verdicts: readonly PlacedVerdict[],
  coupons: readonly Coupon[],
  material: MaterialId | Unknown,
  stack: Stack,
): readonly PlacedVerdict[] {
  const reach = (result: "pass" | "fail") =>
    Math.max(
      0,
      ...coupons.filter((c) => couponCounts(c) && c.result === result).map((c) => couponReach(c, material, stack)),
    );
  const [passed, failed] = [reach("pass"), reach("fail")];
  if (passed === 0 && failed === 0) return verdicts;
  const covered = (v: PlacedVerdict, n: number) => v.where.kind !== "air" && v.where.layer < n;
  const lifted = verdicts.map((v) =>
    v.verdict === "test" && v.kind === "finish" && covered(v, passed) && failed === 0
      ? { ...v, verdict: "care" as Verdict, evidence: "own-coupon" as const }
      : v,
  );
  if (failed === 0) return lifted;
  const where = { kind: "layer" as const, layer: failed - 1 };
  const fail: PlacedVerdict = {
    rule: COUPON_FAILED,
    verdict: "stop",
    kind: "finish",
    code: COUPON_FAILED,
    facts: {},
    remedy: [{ do: "advice", key: "other-product" }],
    evidence: "own-coupon",
    missing: [],
    where,
    key: `${COUPON_FAILED}@layer${failed - 1}`,
  };
  return [...lifted, fail];
}

const COUPON_FAILED = "coupon-failed";

/** Coupons close to a pile without speaking for it: same material and the same products in another number, order or weight. */
export function nearCoupons(
  coupons: readonly Coupon[],
  material: MaterialId | Unknown,
  stack: Stack,
): readonly Coupon[] {
  const own = new Set(stack.layers.map((l) => l.productId));
  return coupons.filter((c) => {
    if (c.result === null || c.result === "void") return false;
    if (couponReach(c, material, stack) > 0 && couponCounts(c)) return false;
    const shared = c.layers.filter((l) => own.has(l.productId)).length;
    return shared >= Math.min(2, c.layers.length) && shared * 2 >= c.layers.length;
  });
}
