import {
  isOneOf,
  type Layer,
  MARKING_KINDS,
  type Product,
  plainLayer,
  type SealKind,
  type Touch,
  type TouchKind,
} from "../model";
import { labelTimes, TOUCH_FACTS, WANTS_GLOSS } from "../reference";

/** Markings and dirt put in their order over the colours of a face, with the clears they cannot do without. */

export interface FinishingInput {
  readonly touches: readonly Touch[];
  /** the pile as it stands, with what a list like this put there before */
  readonly layers: readonly Layer[];
  /** clears of the shelf */
  readonly clears: readonly Product[];
  readonly productOf: (id: string) => Product;
  /** how grave what the judge has to say of a pile is: a care 1, a trial 10, a stop 100 */
  readonly weigh: (layers: readonly Layer[]) => number;
  readonly freshId: () => string;
}

export interface FinishingStep {
  readonly kind: TouchKind | SealKind;
  /** what it is called; null = a clear that was put in */
  readonly name: string | null;
  readonly productId: string;
  /** the judge has more than a care to say of it where it lies */
  readonly isGrave: boolean;
}
export interface Finishing {
  readonly steps: readonly FinishingStep[];
  /** the whole pile with them */
  readonly layers: readonly Layer[];
  /** clears that are wanted and that no can of the shelf is fit for */
  readonly missing: readonly SealKind[];
}

const isMarking = isOneOf(MARKING_KINDS);
/** So much graver is a trial, or worse: something has to lie between. */
const GRAVE = 10;

/**
 * What lies below markings and dirt, and the clear that goes over them, if the pile has one: what a list put there before is left out.
 * Of several clears only the last goes over; a gloss one by itself is what a decal is laid on.
 */
function aroundTouches({ layers, productOf, touches }: FinishingInput): {
  readonly below: readonly Layer[];
  readonly over: readonly Layer[];
} {
  const others = layers.filter((l) => l.touch == null);
  const clears = others.length - 1 - others.findLastIndex((l) => productOf(l.productId).role !== "clear");
  const last = others.at(-1);
  const isGround =
    clears === 1 && productOf(last!.productId).sheen === "gloss" && touches.some((t) => WANTS_GLOSS.has(t.kind));
  const split = clears === 0 || isGround ? others.length : others.length - 1;
  return { below: others.slice(0, split), over: others.slice(split) };
}

export function finished(input: FinishingInput): Finishing {
  const { clears, productOf, weigh } = input;
  const { below, over } = aroundTouches(input);
  const steps: FinishingStep[] = [];
  const missing: SealKind[] = [];
  let laid: readonly Layer[] = below;
  let weight = weigh(below);
  const put = (layer: Layer, kind: FinishingStep["kind"], name: string | null) => {
    const next = weigh([...laid, layer]);
    steps.push({ kind, name, productId: layer.productId, isGrave: next - weight >= GRAVE });
    laid = [...laid, layer];
    weight = next;
  };
  /** The clear that makes least trouble, of those one at hand, of those the soonest dry. @param then what has to go over it */
  const clearFor = (kind: SealKind, fit: (p: Product) => boolean, then: readonly Layer[]) => {
    const tried = clears.filter(fit).map((p) => {
      const layer = coat(input.freshId(), p.id, kind);
      return {
        layer,
        graver: weigh([...laid, layer, ...then]) - weight,
        toBuy: Number(p.owned === false),
        waitMin: labelTimes(p).recoat.min,
      };
    });
    return tried.sort((a, b) => a.graver - b.graver || a.toBuy - b.toBuy || a.waitMin - b.waitMin)[0] ?? null;
  };
  const seal = (kind: SealKind, fit: (p: Product) => boolean, then: readonly Layer[] = []) => {
    const best = clearFor(kind, fit, then);
    if (best === null || best.graver >= GRAVE) missing.push(kind);
    else put(best.layer, kind, null);
  };
  const inOrder = [...input.touches].sort((a, b) => TOUCH_FACTS[a.kind].rank - TOUCH_FACTS[b.kind].rank);
  const marks = inOrder.filter((t) => isMarking(t.kind));
  const dirt = inOrder.filter((t) => !isMarking(t.kind));
  const top = below.at(-1);
  const any = () => true;
  if (marks.some((t) => WANTS_GLOSS.has(t.kind)) && (!top || productOf(top.productId).sheen !== "gloss"))
    seal("gloss-under", (p) => p.sheen === "gloss", [
      touched(input.freshId(), marks.find((t) => WANTS_GLOSS.has(t.kind))!),
    ]);
  for (const t of marks) put(touched(input.freshId(), t), t.kind, t.name);
  if (marks.length > 0 && dirt.length > 0) seal("seal", any, [touched(input.freshId(), dirt[0]!)]);
  for (const t of dirt) {
    const layer = touched(input.freshId(), t);
    const plain = weigh([...laid, layer]) - weight;
    const barrier = plain >= GRAVE ? clearFor("barrier", any, [layer]) : null;
    if (barrier && barrier.graver < plain && barrier.graver < GRAVE) put(barrier.layer, "barrier", null);
    put(layer, t.kind, t.name);
  }
  if (inOrder.length > 0 && over.length === 0) seal("over-all", any);
  return { steps, layers: [...laid, ...over], missing };
}

const coat = (id: string, productId: string, kind: SealKind): Layer => ({
  ...plainLayer(id, productId),
  touch: { kind },
});

/** A marking or a trace as the layer it is: where it lies, and as thin as it is left. */
const touched = (id: string, { kind, name, productId, share, count }: Touch): Layer => ({
  ...plainLayer(id, productId),
  heaviness: "mist",
  wftUm: TOUCH_FACTS[kind].wftUm,
  touch: { kind, count },
  ...(share < 1 ? { spot: share, places: [name] } : {}),
});

/** Whether a pile holds these very steps already. */
export function holdsTouches(now: readonly Layer[], then: readonly Layer[]): boolean {
  const told = (l: Layer) => JSON.stringify([l.productId, l.touch, l.spot ?? null, l.places ?? []]);
  return now.length === then.length && now.every((l, i) => told(l) === told(then[i]!));
}
