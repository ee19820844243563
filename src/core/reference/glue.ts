import type { FamilyId, JointLoad, Product } from "../model";
import { JOINT_SETS_MIN } from "./planning";

/** How a joint comes along under its adhesive, minutes at 20 °C. */
export interface GlueTimes {
  /** until it holds by itself: so long it is held or clamped */
  readonly setsMin: number;
  /** until the part can be worked on */
  readonly worksMin: number;
  /** it hardens by a reaction, which runs slower in the cold; else by what flies off or by the damp of the air */
  readonly byReaction: boolean;
}

/** Ordinary adhesives where the card does not say (est.; the label decides). */
const USUAL: Readonly<Partial<Record<FamilyId, GlueTimes>>> = {
  cyanoacrylate: { setsMin: 1, worksMin: 30, byReaction: false },
  "solvent-cement": { setsMin: 3, worksMin: 120, byReaction: false },
  "epoxy-2k": { setsMin: 15, worksMin: 240, byReaction: true },
  "epoxy-putty": { setsMin: 60, worksMin: 480, byReaction: true },
  "urethane-mc": { setsMin: 60, worksMin: 360, byReaction: true },
  "urethane-2k": { setsMin: 10, worksMin: 120, byReaction: true },
  "wb-acrylic": { setsMin: 30, worksMin: 480, byReaction: false },
};
const ANY: GlueTimes = { setsMin: 60, worksMin: JOINT_SETS_MIN, byReaction: false };

/** Held by hand up to here; beyond it a clamp, a band or tape holds while one does something else, minutes (est.). */
export const HELD_BY_HAND_MIN = 10;

/** What a joint holds over its face where it fits well, N/mm² (est., on keyed faces; the label decides). */
const HOLDS_N_MM2: Readonly<Partial<Record<FamilyId, number>>> = {
  cyanoacrylate: 8,
  "solvent-cement": 12,
  "epoxy-2k": 10,
  "epoxy-putty": 5,
  "urethane-mc": 5,
  "urethane-2k": 6,
  "wb-acrylic": 3,
};
const ANY_N_MM2 = 5;
/** What pulls at it, N (est.: a finger, a careless hand, a hook or a handle). */
const PULLS_N: Readonly<Record<JointLoad, number>> = { rests: 1, handled: 15, bears: 60 };
/** A pull at the end of a part works on its joint as a lever, and peels it open from one edge (est.). */
const LEVER = 10;

/** Face a joint needs under its load without a pin, mm² (est.). */
export const jointNeedsMm2 = ({ family }: Pick<Product, "family">, load: JointLoad): number =>
  (PULLS_N[load] * LEVER) / (family === "unknown" ? ANY_N_MM2 : (HOLDS_N_MM2[family] ?? ANY_N_MM2));

/** A joint without a named adhesive is taken as a slow one. */
export function glueTimes(glue: Product | null): GlueTimes {
  if (glue === null) return ANY;
  const usual = glue.family === "unknown" ? ANY : (USUAL[glue.family] ?? ANY);
  const setsMin = glue.label.touchMin ?? usual.setsMin;
  return {
    setsMin,
    worksMin: Math.max(setsMin, glue.label.handleMin ?? usual.worksMin),
    byReaction: usual.byReaction,
  };
}
