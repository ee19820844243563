import type { Tack } from "../model";

/** How long tape of each tack may stay before glue or edge is left behind, minutes (est.). */
export const TAPE_LATEST_MIN: Readonly<Record<Tack, number>> = { low: 7 * 1440, medium: 3 * 1440, high: 1440 };

/** Since keying: aluminium's oxide is back within hours, other metals within days; minutes (est.). */
export const KEY_FRESH_MIN = { aluminium: 240, otherMetal: 3 * 1440 } as const;

/** Days after which an old enamel is past its forbidden gap when nobody knows its label (est.). */
export const OLD_ALKYD_SAFE_DAYS = 14;

/** A can is never warmer than this. Source: aerosol safety practice. */
export const CAN_MAX_C = 45;
/** Below this a can spatters, °C (est.). */
export const CAN_COLD_C = 15;
/** Amine blush comes with cold or damp while an epoxy cures: below °C, above % RH (est.). */
export const AMINE_BLUSH = { belowC: 15, aboveRhPct: 70 } as const;

/** The least that keeps strong carriers off polystyrene foam: coats, dry film, and the passes laid over it (est.). */
export const FOAM_BARRIER = { coats: 3, dftUm: 60, passWftUm: 15, couponPassWftUm: 25 } as const;

/** Luminance (linear light) from which a ground counts as pale, and up to which as dark (est.). */
export const PALE_FROM = 0.5;
/** Under a transparent colour only white or a bright metal is pale enough (est.). */
export const PALE_FOR_TRANSPARENT = 0.75;
export const DARK_UP_TO = 0.15;

/** A mixing ratio off by more than this share is outside its label (est.). */
export const MIX_TOLERANCE = 0.05;
/** More coats of one reversible family than this within the span hold solvent (est.). */
export const STACKED_COATS = { coats: 8, withinMin: 2 * 1440 } as const;

/** Propellant's share of an aerosol's contents (est.). */
export const PROPELLANT_SHARE = 0.4;

/** A strong-solvent lacquer clouds in air damper than this, % RH (est.). */
export const BLUSH_ABOVE_RH_PCT = 75;
/** Longest a coat's air is looked at after it has been laid, minutes (est.). */
export const GATE_HOLD_MAX_MIN = 60;
