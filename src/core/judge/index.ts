export { judgeWithDoubts } from "./assumptions";
export { couponDueMin } from "./coupon-due";
export { couponCounts, couponReach, nearCoupons } from "./coupons";
export { judgeStack, judgeWork } from "./judge";
export * from "./remedy";
export { standingOnce } from "./standing";
export type * from "./types";
