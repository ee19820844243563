import { type CouponScreen, type CouponView, done, type JudgedRegion, type Outcome } from "@/contracts";
import { couponCounts, couponReach } from "@/core/judge";
import type { StoredCoupon } from "@/db";
import { nowMs } from "../clock";
import { viewingModel } from "../guard";
import { judgedRegions } from "./stacks";

const viewOf =
  (regions: readonly JudgedRegion[], atMs: number) =>
  ({ card, rev }: StoredCoupon): CouponView => ({
    card,
    rev,
    ripe: card.throughCured || (card.madeAt !== null && Date.parse(card.dueAt) <= atMs),
    counts: couponCounts(card),
    speaksFor: regions
      .filter(({ node: { region, stack } }) => region.material && couponReach(card, region.material, stack) > 0)
      .map((r) => r.node.region.id),
  });

export const getCoupons = (modelId: string): Outcome<CouponScreen> =>
  viewingModel(modelId, (m, { data }) => {
    const regions = judgedRegions(m);
    return done({ coupons: data.coupons.map(viewOf(regions, nowMs())), regions });
  });
