import { CLAIM_FIGURES, type Claim, type ClaimFigure, type Label, type Product, SOURCES, type Source } from "../model";
import { isTypical } from "./jars";

/** How much a source is trusted, weakest 0. */
const rankOf = (s: Source): number => SOURCES.indexOf(s);

/** What a card's own figures rest on when nobody said: they were copied from the label. */
export const sourceOf = (p: Pick<Product, "source">): Source => p.source ?? "label";

/** What a single figure of the card rests on: what its kind of jar says, nobody has read off a label. */
const ownSource = (p: Product, f: ClaimFigure): Source =>
  isTypical(p, isTime(f) ? `label.${f}` : f) ? "typical" : sourceOf(p);

/** Times of a label in the order a film reaches them. */
const ORDER = [
  "flashMin",
  "touchMin",
  "handleMin",
  "sandableMin",
  "curedMin",
] as const satisfies readonly (keyof Label)[];

const isTime = (f: ClaimFigure): f is Extract<ClaimFigure, keyof Label> => f.endsWith("Min");

/** A figure as the card has it; null = not given. */
export const ownFigure = (p: Product, f: ClaimFigure): number | null => (isTime(f) ? p.label[f] : (p[f] ?? null));

export interface Trusted {
  readonly value: number;
  readonly source: Source;
  /** null = the card's own */
  readonly claim: Claim | null;
}

/**
 * The best evidence for a figure: the strongest source; among equals the longest wait (or the larger figure), which is
 * the cautious side. A weaker source never overrides a stronger.
 */
export function trustedFigure(p: Product, f: ClaimFigure): Trusted | null {
  const own = ownFigure(p, f);
  const all: Trusted[] = (p.claims ?? [])
    .filter((c) => c.figure === f)
    .map((claim) => ({ value: claim.value, source: claim.source, claim }));
  if (own !== null) all.push({ value: own, source: ownSource(p, f), claim: null });
  all.sort((a, b) => rankOf(b.source) - rankOf(a.source) || b.value - a.value);
  return all[0] ?? null;
}

const inOrder = (label: Label): boolean => {
  const given = ORDER.map((f) => label[f]).filter((t): t is number => t !== null);
  return given.every((t, i) => i === 0 || t >= given[i - 1]!);
};

/**
 * The product as judged and planned: every figure by its best evidence. A claim that would set the label's times out of
 * order is left aside, as a card that contradicts itself is refused.
 */
export function onBestEvidence(p: Product): Product {
  if ((p.claims ?? []).length === 0) return p;
  const known = trusted.get(p);
  if (known) return known;
  let made = p;
  for (const f of CLAIM_FIGURES) {
    const best = trustedFigure(p, f);
    if (!best?.claim) continue;
    const next = isTime(f) ? { ...made, label: { ...made.label, [f]: best.value } } : { ...made, [f]: best.value };
    if (inOrder(next.label)) made = next;
  }
  trusted.set(p, made);
  return made;
}
const trusted = new WeakMap<Product, Product>();
