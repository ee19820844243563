import { MIN_PER_DAY } from "../base";
import type { EdgeKind, Finish, Hold, MaterialGroup, Method } from "../model";
import type { Labour } from "./labour";

/** Rounds of inspect–fill–sand–prime a face usually takes, and the upper number a safe plan counts on (est.). */
export const USUAL_ROUNDS: Readonly<Record<Finish, { readonly likely: number; readonly safe: number }>> = {
  hidden: { likely: 0, safe: 1 },
  seen: { likely: 1, safe: 2 },
  show: { likely: 2, safe: 3 },
};
export const MOST_ROUNDS = 4;
/** Share of a face that its spots make up where nobody told it: what is filled, and what is worked on in a round (est.). */
export const SPOT_SHARE = 0.15;
/** A rub goes so far past the rim of a spot until no step is felt, cm (est.). */
export const FEATHER_CM = 0.6;
/** A step at a rim less than this is lost under the coats over it, µm (est.). */
export const RIM_SHOWS_UM = 20;
/** Paper for levelling spots where the primer's own sanding names none, FEPA P. */
export const ROUND_GRIT = 400;
/** Taken off by levelling a filled spot, as a share of its dry film (est.). */
export const ROUND_RUB_SHARE = 0.7;

/** Hands-on minutes of work that is neither coating nor rubbing (est.). */
export const SIDE_LABOUR: Readonly<
  Record<"inspect" | "mask" | "unmask" | "scour" | "fit" | "dress" | "guide", Labour>
> = {
  inspect: { fixedMin: 4, perCm2Min: 0.01 },
  mask: { fixedMin: 8, perCm2Min: 0.03 },
  unmask: { fixedMin: 3, perCm2Min: 0.005 },
  scour: { fixedMin: 5, perCm2Min: 0.1 },
  fit: { fixedMin: 15, perCm2Min: 0 },
  dress: { fixedMin: 5, perCm2Min: 0 },
  guide: { fixedMin: 3, perCm2Min: 0.002 },
};

/** So far a colour is carried under the soft edge of the one that comes after it, cm (est.). */
export const SOFT_UNDER_CM = 1;
interface EdgeFacts {
  /** minutes a cm of edge (est.) */
  readonly minPerCm: number;
  /** the colour laid first is carried under the other */
  readonly isSoft: boolean;
}
/** Fine tape pressed down; film cut along the line on the part; fluid brushed on; freehand past lifted paper; a rope of putty. */
export const EDGE_FACTS: Readonly<Record<EdgeKind, EdgeFacts>> = {
  hard: { minPerCm: 0.15, isSoft: false },
  film: { minPerCm: 0.3, isSoft: false },
  fluid: { minPerCm: 0.1, isSoft: false },
  soft: { minPerCm: 0.25, isSoft: true },
  roll: { minPerCm: 0.25, isSoft: true },
  apart: { minPerCm: 0, isSoft: false },
};

/** Cleaning and loading a tool with another product, minutes of somebody's hands (est.). */
export const CLEANING_MIN: Readonly<Partial<Record<Method, number>>> = { airbrush: 10, "spray-gun": 15 };
/** The room has settled this long after dry sanding, minutes (est.). */
export const DUST_SETTLES_MIN = 20;
/** Mist hangs in the air this long after spraying, minutes (est.). */
export const MIST_SETTLES_MIN = 5;
/** A UV box keeps a part this long beside the minutes of hands-on work, minutes (est.). */
export const UV_BOX_MIN = 30;
/** Mounting one piece on what holds it, minutes (est.): a pin wants a hole drilled first. */
export const MOUNT_MIN: Readonly<Record<Hold, number>> = {
  clip: 1,
  pin: 4,
  cord: 3,
  "tape-block": 2,
  turntable: 1,
  forceps: 0,
};
/** The spot one piece was held by, touched in with a brush, minutes (est.). */
export const TOUCH_IN_MIN = 2;
/** A misted guide coat can be rubbed after so long, minutes (est.). */
export const GUIDE_DRY_MIN = 30;
/** Turning a part under the lamp, minutes (est.). */
export const TURN_UNDER_LAMP_MIN = 2;
/** Taking a part out of what it soaked in, minutes (est.). */
export const OUT_OF_BATH_MIN = 3;
const SOAK_OVER = { hoursFromMin: 120, min: 15 } as const;
/** So much longer than told a part may lie in its bath, minutes: a soak of hours waits until somebody is there again (est.). */
export const soakOverMin = (soakMin: number): number =>
  soakMin > SOAK_OVER.hoursFromMin ? MIN_PER_DAY : SOAK_OVER.min;
/** A degreaser or a wash that a part lies in longer than this swells or warps it, or lifts what is printed fine, minutes (est.: makers name up to half an hour). */
export const SOAK_LONG_MIN = 30;
/** A joint can be worked on this long after it was glued, minutes (est.; the adhesive's own label decides). */
export const JOINT_SETS_MIN = 720;
/** A decal lies flat and is dry this long after its softener, minutes (est.; the label decides). */
export const DECAL_SETTLES_MIN = 60;
/** Kept on top of what a plan needs of each product: touch-ups, losses. */
export const STOCK_RESERVE = 0.15;

/** A part is at the room's temperature this long after it was carried in, minutes (est.: thin metal follows fast, foam and thick resin slowly). */
export const WARM_UP_MIN: Readonly<Record<MaterialGroup, number>> = {
  plastic: 45,
  resin: 60,
  foam: 45,
  metal: 60,
  porous: 60,
  laminate: 45,
};
/** A finished face is looked at again after so many days, unless the user sets others. */
export const FOLLOW_UP_DAYS: readonly number[] = [14, 90];
