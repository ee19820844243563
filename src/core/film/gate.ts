import type { Product } from "../model";
import {
  BLUSH_ABOVE_RH_PCT,
  DEW_MARGIN_C,
  dewMarginC,
  familyFacts,
  GATE_HOLD_MAX_MIN,
  labelTimes,
  partWarmMin,
} from "../reference";
import { airAt, type Climate } from "./climate";

/** Why air keeps a coat from going on, or would spoil it soon after. */
const GATE_REASONS = ["too-cold", "too-hot", "too-damp", "near-dew-point", "blush", "too-cold-to-form"] as const;
export type GateReason = (typeof GATE_REASONS)[number];

export interface GateSpan {
  readonly startMin: number;
  readonly endMin: number;
}

/** How long after it is laid the air still has to suit a coat: its touch time, an hour at the most, minutes (est.). */
const gateHoldMin = (product: Product): number => Math.min(GATE_HOLD_MAX_MIN, labelTimes(product).touch.min);

const LOOK_EVERY_MIN = 15;
/** A warmed part loses half of its warmth in so long out of the box: that of the lightest, minutes (est.). */
const WARMTH_HALVES_MIN = partWarmMin("plastic").halfLostMin;

/** A strong-solvent film that dissolves again chills as it dries, and damp air clouds it. */
const blushes = (p: Product): boolean => p.family !== "unknown" && familyFacts(p.family).bondsByRedissolving;

function reasonNow(product: Product, climate: Climate, atMin: number, warmerC: number): GateReason | null {
  const air = airAt(climate, atMin);
  const { minTempC, maxTempC, maxRhPct } = product.limits;
  if (minTempC !== null && air.tempC < minTempC) return "too-cold";
  if (maxTempC !== null && air.tempC > maxTempC) return "too-hot";
  if (maxRhPct !== null && air.rhPct > maxRhPct) return "too-damp";
  if (dewMarginC(air.tempC, air.rhPct) + warmerC < DEW_MARGIN_C) return "near-dew-point";
  return blushes(product) && air.rhPct > BLUSH_ABOVE_RH_PCT ? "blush" : null;
}

/**
 * First reason why this product must not be laid in this air, now or while it is still wet; null = it may.
 * @param partC what the part is warmed to for it, °C; null = it is as warm as the air
 */
export function gateReason(
  product: Product,
  climate: Climate,
  atMin: number,
  partC: number | null = null,
): GateReason | null {
  const holdMin = gateHoldMin(product);
  // no dew falls on what is warmer than the air, for as long as it is
  const warmerC = Math.max(0, (partC ?? Number.NEGATIVE_INFINITY) - airAt(climate, atMin).tempC);
  for (let after = 0; ; after = Math.min(holdMin, after + LOOK_EVERY_MIN)) {
    const reason = reasonNow(product, climate, atMin + after, warmerC * 0.5 ** (after / WARMTH_HALVES_MIN));
    if (reason) return reason;
    if (after >= holdMin) break;
  }
  const formsAboveC =
    product.minFilmFormingC ?? (product.family === "unknown" ? null : familyFacts(product.family).filmFormingC);
  if (formsAboveC === null) return null;
  const later = airAt(climate, atMin + labelTimes(product).touch.min);
  return Math.min(airAt(climate, atMin).tempC, later.tempC) < formsAboveC ? "too-cold-to-form" : null;
}

/** The parts of the given spans in which this product may be laid, judged every quarter of an hour. */
export function gateSpans(
  product: Product,
  climate: Climate,
  within: readonly GateSpan[],
  partC: number | null = null,
): readonly GateSpan[] {
  return within.flatMap((span) => openParts(span, (t) => gateReason(product, climate, t, partC) === null));
}

function openParts(span: GateSpan, isOpen: (atMin: number) => boolean): readonly GateSpan[] {
  const parts: GateSpan[] = [];
  let openedMin: number | null = null;
  for (let t = span.startMin; t < span.endMin; t += LOOK_EVERY_MIN) {
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
