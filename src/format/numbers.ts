import { figureShown, unitShown } from "./quantities";
import { showing } from "./showing";

/** Figures as people read them; one place for how many digits are believable. */
const tenths = (x: number): number => Math.round(x * 10) / 10;
const told = (x: number, unit: string): string => `${x} ${unitShown(unit)}`;

/** A film: 45.2 µm, 1.8 mil. */
export function filmText(um: number): string {
  const x = figureShown(um, "µm");
  if (showing().film === "mil") return told(x >= 10 ? tenths(x) : Number(x.toFixed(2)), "µm");
  return told(x >= 100 ? Math.round(x) : tenths(x), "µm");
}
export const tempText = (c: number): string => told(tenths(figureShown(c, "°C")), "°C");
/** A difference between two temperatures. */
export const tempByText = (c: number): string => told(tenths(figureShown(c, "∆°C")), "∆°C");
export function volumeText(ml: number): string {
  const x = figureShown(ml, "ml");
  if (showing().volume === "fl-oz") return told(x < 10 ? Number(x.toFixed(2)) : tenths(x), "ml");
  return told(x < 10 ? tenths(x) : Math.round(x), "ml");
}
export const areaText = (cm2: number): string => told(Number(figureShown(cm2, "cm²").toPrecision(3)), "cm²");
export const pct = (x: number): string => `${Math.round(x)} %`;
