import type { BeforeStep, ExtraKind, Heaviness, HelperRole, MarkSize, Method, PrepStep } from "../model";

/** Hands-on minutes: a fixed part and a part that grows with the face, minutes per cm² (est.). */
export interface Labour {
  readonly fixedMin: number;
  readonly perCm2Min: number;
}

export const PREP_LABOUR: Readonly<Record<PrepStep, Labour>> = {
  degrease: { fixedMin: 4, perCm2Min: 0.005 },
  derust: { fixedMin: 10, perCm2Min: 0.05 },
  drain: { fixedMin: 10, perCm2Min: 0 },
  wash: { fixedMin: 5, perCm2Min: 0.006 },
  dry: { fixedMin: 1, perCm2Min: 0 },
  "post-cure": { fixedMin: 15, perCm2Min: 0 },
  key: { fixedMin: 4, perCm2Min: 0.025 },
  "dust-off": { fixedMin: 2, perCm2Min: 0.002 },
  rinse: { fixedMin: 4, perCm2Min: 0.004 },
  wipe: { fixedMin: 2, perCm2Min: 0.003 },
  look: { fixedMin: 2, perCm2Min: 0.004 },
  trim: { fixedMin: 6, perCm2Min: 0.01 },
  "dry-fit": { fixedMin: 5, perCm2Min: 0 },
  "blow-out": { fixedMin: 2, perCm2Min: 0.002 },
  "tack-off": { fixedMin: 1, perCm2Min: 0.002 },
};

export const BEFORE_LABOUR: Readonly<Record<BeforeStep, Labour>> = {
  scuff: { fixedMin: 3, perCm2Min: 0.015 },
  degrease: PREP_LABOUR.degrease,
  wipe: PREP_LABOUR.wipe,
  dry: { fixedMin: 1, perCm2Min: 0 },
  heat: { fixedMin: 3, perCm2Min: 0 },
  "warm-part": { fixedMin: 3, perCm2Min: 0 },
  "warm-can": { fixedMin: 2, perCm2Min: 0 },
};

export const COAT_LABOUR: Readonly<Record<Method, Labour>> = {
  brush: { fixedMin: 4, perCm2Min: 0.02 },
  airbrush: { fixedMin: 8, perCm2Min: 0.012 },
  aerosol: { fixedMin: 5, perCm2Min: 0.004 },
  "spray-gun": { fixedMin: 10, perCm2Min: 0.003 },
  wipe: { fixedMin: 2, perCm2Min: 0.006 },
  dip: { fixedMin: 4, perCm2Min: 0.002 },
  spread: { fixedMin: 6, perCm2Min: 0.02 },
};

/** A hand lamp passed over a coat that light hardens, until no tack is left; every coat by itself (est.). */
export const LAMP_PASS_LABOUR: Labour = { fixedMin: 2, perCm2Min: 0.03 };

/** With brushing off and the tack cloth. */
export const SAND_LABOUR: Labour = { fixedMin: 5, perCm2Min: 0.03 };
/** Every further paper of a rub takes less than the first, as a share of it (est.). */
export const NEXT_PAPER_SHARE = 0.6;
export const EXTRA_LABOUR: Readonly<Record<Exclude<ExtraKind, "strip">, Labour>> = {
  wash: PREP_LABOUR.wash,
  wipe: PREP_LABOUR.wipe,
  rub: SAND_LABOUR,
  pad: { fixedMin: 3, perCm2Min: 0.005 },
  look: { fixedMin: 1, perCm2Min: 0.001 },
  lamp: { fixedMin: 3, perCm2Min: 0 },
  polish: { fixedMin: 10, perCm2Min: 0.08 },
};
/** Filling one mark of a look, minutes of hands (est., until the shed’s own are learnt). */
export const MARK_MIN: Readonly<Record<MarkSize, number>> = { fine: 1, plain: 2, deep: 4 };
/** Getting filler and tools out for a round of them, minutes (est.). */
export const FILL_SET_UP_MIN = 3;
/** What touches a face without staying, once over (est.). */
export const HELPER_LABOUR: Readonly<Record<HelperRole, Labour>> = {
  degreaser: PREP_LABOUR.degrease,
  thinner: PREP_LABOUR.wipe,
  "decal-setting": { fixedMin: 5, perCm2Min: 0.002 },
  adhesive: { fixedMin: 10, perCm2Min: 0 },
  polish: { fixedMin: 10, perCm2Min: 0.08 },
};
/** Share of what leaves the tool that lands on the part (est.). */
export const TRANSFER_EFFICIENCY: Readonly<Record<Method, number>> = {
  brush: 0.95,
  airbrush: 0.4,
  aerosol: 0.35,
  "spray-gun": 0.6,
  wipe: 0.9,
  dip: 0.9,
  spread: 0.9,
};
/** An aerosol on faces smaller than this lands less, cm² (est.). */
export const SMALL_PART = { belowCm2: 50, aerosolTE: 0.25 } as const;

/** Area used for labour when the face is not measured, cm² (est.). */
export const ASSUMED_AREA_CM2 = 100;
/** Bench work is planned in whole steps of this many minutes: nobody works to the minute. */
export const LABOUR_STEP_MIN = 5;

/** A coat's wet film as a fraction of the label's, when not measured (est.). */
export const HEAVINESS_OF_LABEL: Readonly<Record<Heaviness, number>> = { mist: 0.3, light: 0.6, wet: 1, flood: 1.8 };

/** A crack finer than this takes only what runs; in a gap wider than that what dries sinks for weeks, µm (est.). */
export const GAP_UM = { fine: 300, wide: 3000 } as const;

/** Minutes at reference air for the wipe or degreaser to leave the face (est.). */
export const WIPE_FLASH_MIN = 10;
/** The part must be this much warmer than the dew point before it is coated, °C. Source: ISO 8502-4. */
export const DEW_MARGIN_C = 3;
/** Loss of groove width from which fine detail suffers, and from which it is refused, as fractions (est.). */
export const DETAIL_LOSS_CARE = 0.15;
export const DETAIL_LOSS_STOP = 0.3;
/** Share of a coat's dry film by which it narrows a groove, both walls together (est.). */
export const GROOVE_PER_DFT = 1.2;
/** Filler coats bury this share of their dry film of a ridge: flooded and sanded, misted (est.). */
export const RIDGE_BURIED_FLOOD = 0.5;
export const RIDGE_BURIED_MIST = 0.2;
/** Work that took so many times its minutes, and at least so long, was not worked at all the while: somebody forgot to press (est.). */
export const FORGOT_PRESS = { times: 3, leastMin: 60 } as const;
