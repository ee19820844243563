import type { Product } from "../model";
import { DEW_MARGIN_C, familyFacts, labelTimes } from "../reference";
import { airAt, type Climate } from "./climate";

/** Why air keeps a coat from going on. */
export const GATE_REASONS = ["too-cold", "too-hot", "too-damp", "near-dew-point", "too-cold-to-form"] as const;
export type GateReason = (typeof GATE_REASONS)[number];

export interface GateSpan {
  readonly startMin: number;
  readonly endMin: number;
}

type DewPoint = (tempC: number, rhPct: number) => number;

/** First reason why this product must not be laid in this air; null = it may. `dewPointC` comes from core/numbers. */
export function gateReason(product: Product, climate: Climate, atMin: number, dewPointC: DewPoint): GateReason | null {
  const air = airAt(climate, atMin);
  const { minTempC, maxTempC, maxRhPct } = product.limits;
  if (minTempC !== null && air.tempC < minTempC) return "too-cold";
  if (maxTempC !== null && air.tempC > maxTempC) return "too-hot";
  if (maxRhPct !== null && air.rhPct > maxRhPct) return "too-damp";
  if (air.tempC - dewPointC(air.tempC, air.rhPct) < DEW_MARGIN_C) return "near-dew-point";
  const formsAboveC = product.family === "unknown" ? null : familyFacts(product.family).filmFormingC;
  if (formsAboveC === null) return null;
  const later = airAt(climate, atMin + labelTimes(product).touch.min);
  return Math.min(air.tempC, later.tempC) < formsAboveC ? "too-cold-to-form" : null;
}

const STEP_MIN = 15;

/** The parts of the given spans in which this product may be laid, judged every quarter of an hour. */
export function gateSpans(
  product: Product,
  climate: Climate,
  dewPointC: DewPoint,
  within: readonly GateSpan[],
): readonly GateSpan[] {
  return within.flatMap((span) => openParts(span, (t) => gateReason(product, climate, t, dewPointC) === null));
}

function openParts(span: GateSpan, isOpen: (atMin: number) => boolean): readonly GateSpan[] {
  const parts: GateSpan[] = [];
  let openedMin: number | null = null;
  for (let t = span.startMin; t < span.endMin; t += STEP_MIN) {
    const open = isOpen(t);
    if (open && openedMin === null) openedMin = t;
    if (!open && openedMin !== null) {
      parts.push({ startMin: openedMin, endMin: t });
      openedMin = null;
    }
  }
  if (openedMin !== null) parts.push({ startMin: openedMin, endMin: span.endMin });
  return parts;
}
