export * from "./caution";
export * from "./climate";
export { prefixClock, steadyClock, steppingClock, type WaitClock } from "./clock";
export * from "./gate";
export * from "./milestone";
export { arrhenius, type RateLaw, REFERENCE_AIR, rateIn } from "./rates";
