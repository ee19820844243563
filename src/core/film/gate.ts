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

/** All of a product that the air is judged for. */
interface GateFacts {
  readonly minTempC: number | null;
  readonly maxTempC: number | null;
  readonly maxRhPct: number | null;
  /** below this its film does not form, °C */
  readonly formsAboveC: number | null;
  readonly touchMin: number;
  /** how long after it is laid the air still has to suit it: its touch time, an hour at the most (est.) */
  readonly holdMin: number;
  /** a strong-solvent film that dissolves again chills as it dries, and damp air clouds it */
  readonly blushes: boolean;
}

function gateFacts(p: Product): GateFacts {
  const family = p.family === "unknown" ? null : familyFacts(p.family);
  const touchMin = labelTimes(p).touch.min;
  return {
    minTempC: p.limits.minTempC,
    maxTempC: p.limits.maxTempC,
    maxRhPct: p.limits.maxRhPct,
    formsAboveC: p.minFilmFormingC ?? family?.filmFormingC ?? null,
    touchMin,
    holdMin: Math.min(GATE_HOLD_MAX_MIN, touchMin),
    blushes: family?.bondsByRedissolving ?? false,
  };
}

const LOOK_EVERY_MIN = 15;
/** A warmed part loses half of its warmth in so long out of the box: that of the lightest, minutes (est.). */
const WARMTH_HALVES_MIN = partWarmMin("plastic").halfLostMin;

function reasonNow(gate: GateFacts, climate: Climate, atMin: number, warmerC: number): GateReason | null {
  const air = airAt(climate, atMin);
  if (gate.minTempC !== null && air.tempC < gate.minTempC) return "too-cold";
  if (gate.maxTempC !== null && air.tempC > gate.maxTempC) return "too-hot";
  if (gate.maxRhPct !== null && air.rhPct > gate.maxRhPct) return "too-damp";
  if (dewMarginC(air.tempC, air.rhPct) + warmerC < DEW_MARGIN_C) return "near-dew-point";
  return gate.blushes && air.rhPct > BLUSH_ABOVE_RH_PCT ? "blush" : null;
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
  return gateOf(gateFacts(product), climate, partC)(atMin);
}

/** The same for who asks of many moments: they look at the same air again and again. */
function gateOf(gate: GateFacts, climate: Climate, partC: number | null): (atMin: number) => GateReason | null {
  const asAir = new Map<number, GateReason | null>();
  const reasonAt = (atMin: number, warmerC: number): GateReason | null => {
    if (warmerC > 0) return reasonNow(gate, climate, atMin, warmerC);
    const before = asAir.get(atMin);
    if (before !== undefined) return before;
    const reason = reasonNow(gate, climate, atMin, 0);
    asAir.set(atMin, reason);
    return reason;
  };
  return (atMin) => {
    const { tempC } = airAt(climate, atMin);
    // no dew falls on what is warmer than the air, for as long as it is
    const warmerC = Math.max(0, (partC ?? Number.NEGATIVE_INFINITY) - tempC);
    for (let after = 0; ; after = Math.min(gate.holdMin, after + LOOK_EVERY_MIN)) {
      const reason = reasonAt(atMin + after, warmerC * 0.5 ** (after / WARMTH_HALVES_MIN));
      if (reason) return reason;
      if (after >= gate.holdMin) break;
    }
    if (gate.formsAboveC === null) return null;
    const coldestC = Math.min(tempC, airAt(climate, atMin + gate.touchMin).tempC);
    return coldestC < gate.formsAboveC ? "too-cold-to-form" : null;
  };
}

/** Judged so far in each climate: the tins of a shelf are few kinds, and are asked of the same evenings. */
const judged = new WeakMap<Climate, Map<string, readonly GateSpan[]>>();
const MOST_JUDGED = 500;

/** The parts of the given spans in which this product may be laid, judged every quarter of an hour. */
export function gateSpans(
  product: Product,
  climate: Climate,
  within: readonly GateSpan[],
  partC: number | null = null,
): readonly GateSpan[] {
  const gate = gateFacts(product);
  const known = judged.get(climate) ?? new Map<string, readonly GateSpan[]>();
  if (known.size >= MOST_JUDGED) known.clear();
  judged.set(climate, known);
  const key = JSON.stringify([gate, within, partC]);
  const before = known.get(key);
  if (before) return before;
  const reasonAt = gateOf(gate, climate, partC);
  const open = within.flatMap((span) => openParts(span, (t) => reasonAt(t) === null));
  known.set(key, open);
  return open;
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
