export * from "./caution";
export * from "./climate";
export { prefixClock, steppingClock, type WaitClock } from "./clock";
export * from "./gate";
export * from "./milestone";
export { arrhenius, rateIn, REFERENCE_AIR, type RateLaw } from "./rates";
