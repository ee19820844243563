export { judgeWithDoubts } from "./assumptions";
export { couponCounts, couponReach, nearCoupons } from "./coupons";
export { judgeStack } from "./judge";
export { standingOnce } from "./standing";
export type * from "./types";
