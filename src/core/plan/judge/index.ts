export { judgeWithDoubts } from "./assumptions";
export { couponCounts, couponReach, nearCoupons } from "./coupons";
export { judgeStack } from "./judge";
export type * from "./types";
