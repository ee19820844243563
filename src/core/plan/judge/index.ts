export { ASSUMED_DECIDES, judgeWithDoubts } from "./assumptions";
export { COUPON_FAILED, couponCounts, couponReach, nearCoupons } from "./coupons";
export { judgeStack, pileOf } from "./judge";
export type * from "./types";
