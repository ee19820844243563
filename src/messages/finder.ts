import type { Difference, Reason, Totals } from "@/core/finder";
import { duration } from "@/format";
import { reasonText } from "./verdicts";

/** What the finder says, in words. */

const round = (x: number, digits: number): string => String(Math.round(x * 10 ** digits) / 10 ** digits);
const MIN_PER_DAY = 1440;
const MIN_PER_HOUR = 60;

const AMOUNT: Readonly<Record<keyof Totals, (by: number) => string>> = {
  day: (by) => duration(by * MIN_PER_DAY),
  hour: (by) => `${duration(by * MIN_PER_HOUR)} of hands-on work`,
  risk: (by) => `${round(by, 1)} ${by === 1 ? "point" : "points"} of risk`,
  money: (by) => `${round(by, 2)} of money`,
  gram: (by) => `${round(by, 1)} g`,
  detailPct: (by) => `${round(by, 0)} % of the finest groove`,
  hazard: (by) => `${round(by, 0)} ${by === 1 ? "hazard" : "hazards"} at the bench`,
};

export const TOTAL_NAME: Readonly<Record<keyof Totals, string>> = {
  day: "Until it can be handled",
  hour: "Hands-on",
  risk: "Risk points",
  money: "Money",
  gram: "Weight",
  detailPct: "Finest groove filled",
  hazard: "Hazards at the bench",
};

export const WEIGHT_NAME: Readonly<Record<keyof Totals, string>> = {
  day: "a day of waiting",
  hour: "an hour of work",
  risk: "a point of risk",
  money: "a unit of money",
  gram: "a gram of film",
  detailPct: "a percent of the groove",
  hazard: "a hazard",
};

const PLAIN: Partial<Record<keyof Totals, (value: number) => string>> = {
  hour: (v) => duration(v * MIN_PER_HOUR),
  risk: (v) => round(v, 1),
  money: (v) => round(v, 2),
  detailPct: (v) => `${round(v, 0)} %`,
  hazard: (v) => round(v, 0),
};

/** A total beside its name, which says the rest. */
export const totalText = (axis: keyof Totals, value: number): string => (PLAIN[axis] ?? AMOUNT[axis])(value);

const GAIN: Readonly<Record<keyof Totals, string>> = {
  day: "sooner",
  hour: "less",
  risk: "less",
  money: "less",
  gram: "lighter",
  detailPct: "more kept",
  hazard: "fewer",
};
const LOSS: Readonly<Record<keyof Totals, string>> = {
  day: "later",
  hour: "more",
  risk: "more",
  money: "more",
  gram: "heavier",
  detailPct: "less kept",
  hazard: "more",
};

export function differenceText(d: Difference, side: "gain" | "loss"): string {
  if (d.axis === "coupon") return side === "gain" ? "needs no coupon" : "needs a coupon first";
  return `${AMOUNT[d.axis](d.by)} ${(side === "gain" ? GAIN : LOSS)[d.axis]}`;
}

/** "Two days sooner, but needs a coupon first." */
export function tradeText(t: { gains: readonly Difference[]; losses: readonly Difference[] }): string {
  const gains = t.gains.map((d) => differenceText(d, "gain"));
  const losses = t.losses.map((d) => differenceText(d, "loss"));
  if (gains.length === 0 && losses.length === 0) return "the best by this way of working";
  if (gains.length === 0) return losses.join(", ");
  return losses.length === 0 ? gains.join(", ") : `${gains.join(", ")}, but ${losses.join(", ")}`;
}

const UNTIL_NAME = {
  primer: "a primer",
  colour: "a colour",
  clear: "a clear over a colour",
  "clear-alone": "a clear alone",
} as const;

export function whyText(r: Reason, nameOf: (id: string) => string): string {
  switch (r.kind) {
    case "no-place":
      return `${nameOf(r.productId)} leaves no film of its own in a stack.`;
    case "not-owned":
      return `${nameOf(r.productId)} is not on the shelf, and only what you own was asked for.`;
    case "hazard":
      return `${nameOf(r.productId)} holds isocyanate, or may: never offered until air-fed breathing protection and extraction are declared in Settings.`;
    case "past-date":
      return `${nameOf(r.productId)} is past the date on its label: try it on scrap, and give it a new date if it still does.`;
    case "unwanted":
      return `${nameOf(r.productId)} is not what was asked for here.`;
    case "verdict":
      return `${r.productId ? `${nameOf(r.productId)}: ` : ""}${reasonText(r.rule, [])}`;
    case "no-fit":
      return `${nameOf(r.productId)}: no stack that holds it passes every seam in this order of work.`;
    case "nothing-ends":
      return `Nothing on the shelf that may be offered ends the stack in ${UNTIL_NAME[r.until]}.`;
    case "material-unknown":
      return "The material is not given: the same layers could be right or ruinous.";
  }
}
