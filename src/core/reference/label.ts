import {
  type FamilyId,
  isOneOf,
  type Label,
  MILESTONES,
  type Milestone,
  type Product,
  SPRAY_METHODS,
  type Unknown,
} from "../model";
import { type DryingMechanism, familyFacts, LABEL_TIME_RATIOS } from "./families";

interface LabelTime {
  readonly min: number;
  /** true when it comes from the family's usual ratio, not from the label */
  readonly assumed: boolean;
}
export type LabelTimes = Readonly<Record<Milestone, LabelTime>>;

/** A film of unknown binder is clocked like solvent loss, the commonest case, and marked assumed by the caller. */
export const mechanismOf = (family: FamilyId | Unknown): DryingMechanism =>
  family === "unknown" ? "solvent" : familyFacts(family).mechanism;

function given(label: Label, m: Milestone): number | null {
  const direct: Record<Exclude<Milestone, "recoat">, number | null> = {
    // what a label tells of the wait between its own coats is its flash
    flash: label.flashMin ?? label.gapMin,
    touch: label.touchMin,
    handle: label.handleMin,
    sandable: label.sandableMin,
    "tape-safe": label.tapeSafeMin,
    polishable: label.polishableMin,
    cured: label.curedMin,
  };
  return m === "recoat" ? (label.recoat[0]?.[0] ?? null) : direct[m];
}

/** Index distance on the milestone ladder decides which given time is nearest; the earlier one wins a tie. */
function nearestGiven(label: Label, m: Milestone, reacts: boolean): { milestone: Milestone; min: number } | null {
  const at = MILESTONES.indexOf(m);
  const candidates = MILESTONES.map((c, i) => ({ milestone: c, min: given(label, c), far: Math.abs(i - at) }))
    .filter((c): c is { milestone: Milestone; min: number; far: number } => c.min !== null && c.min > 0)
    .sort((a, b) => a.far - b.far);
  // a two-part film takes its next coat wet on wet: that says nothing of when it will be hard, if anything else does
  const telling = reacts && at > MILESTONES.indexOf("recoat") ? candidates.filter((c) => c.milestone !== "recoat") : [];
  return telling[0] ?? candidates[0] ?? null;
}

/**
 * Every milestone of a label in minutes at label conditions; those the label does not give come from the
 * family's usual ratios and say so. A label with no time at all gets the family ratio of a 10 min flash.
 */
export function labelTimes(product: Pick<Product, "label" | "family">): LabelTimes {
  const known = worked.get(product);
  if (known) return known;
  const made = workOut(product);
  worked.set(product, made);
  return made;
}

/** Products are immutable, and a plan asks for the same times tens of thousands of times. */
const worked = new WeakMap<object, LabelTimes>();

/** A label that tells when the next coat may go on, and nothing of its own coats, means those too. */
const firstWindow = (label: Label): number | null => label.recoat.find(([opens]) => opens > 0)?.[0] ?? null;

function workOut(product: Pick<Product, "label" | "family">): LabelTimes {
  const mechanism = mechanismOf(product.family);
  const ratios = LABEL_TIME_RATIOS[mechanism];
  const entry = (m: Milestone): LabelTime => {
    const own = given(product.label, m) ?? (m === "flash" ? firstWindow(product.label) : null);
    if (own !== null) return { min: own, assumed: false };
    const near = nearestGiven(product.label, m, mechanism === "reaction") ?? {
      milestone: "flash" as const,
      min: FALLBACK_FLASH_MIN,
    };
    const usual = (near.min * ratios[m]) / ratios[near.milestone];
    return { min: withinTold(usual, m, product.label, ratios), assumed: true };
  };
  return Object.fromEntries(MILESTONES.map((m) => [m, entry(m)])) as unknown as LabelTimes;
}

/**
 * Minutes at label conditions between the coats of one layer: the label's flash, else its gap, else the lower end of its
 * first window above 0, else the family's flash. What is laid by brush, pad or knife drags at a film that has only flashed: it waits
 * for the label's recoat. The skins of a putty do too, else until they sand.
 */
export function ownGapMin(product: Pick<Product, "label" | "family" | "role" | "method">): number {
  const times = labelTimes(product);
  return times[ownGapMilestone(product)].min;
}

/** The milestone the next coat of the same layer waits for. */
export function ownGapMilestone({
  label,
  role,
  method,
}: Pick<Product, "label" | "role" | "method">): "flash" | "recoat" | "sandable" {
  if (isOneOf(SPRAY_METHODS)(method) && role !== "putty") return "flash";
  if (firstWindow(label) !== null) return "recoat";
  return role === "putty" ? "sandable" : "flash";
}

/**
 * What a label does not tell lies between what it does: no film is fit to be sanded later than it is through cured, nor sooner than
 * it is dry to the touch. A recoat may be wet on wet, so nothing else has to be sooner than it. A label that contradicts itself leaves
 * the usual ratio.
 */
function withinTold(min: number, m: Milestone, label: Label, ratios: Readonly<Record<Milestone, number>>): number {
  const told = MILESTONES.flatMap((c) => {
    const own = given(label, c);
    return own !== null && own > 0 ? [{ of: c, ratio: ratios[c], min: own }] : [];
  });
  const least = Math.max(0, ...told.filter((t) => t.ratio <= ratios[m]).map((t) => t.min));
  const later = told.filter((t) => t.of !== "recoat" && t.ratio >= ratios[m]);
  const most = Math.min(Number.POSITIVE_INFINITY, ...later.map((t) => t.min));
  return least > most ? min : Math.min(most, Math.max(least, min));
}

/** Flash of a label that says nothing at all, minutes (est.). */
const FALLBACK_FLASH_MIN = 10;
