export { type FillerChoice, fillersFor } from "./fillers";
export { suggest, type WhyNot, whyNot, whyNotStack } from "./suggest";
export type { Difference, FinderAnswer, FinderInput, Found, Reason, Totals, Trade, Want } from "./types";
