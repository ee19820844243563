import {
  CONTACT_ROLES,
  type ExtraWork,
  isOneOf,
  type Layer,
  type Mend,
  opIds,
  type Product,
  plainLayer,
  readKey,
  type Stack,
} from "../model";
import type { Deed, EventOf, Laid } from "./event";

/** Coats of a layer laid in one go. */
interface LyingCoat {
  readonly opId: string;
  /** the first of them, from 1 */
  readonly coat: number;
  readonly coats: number;
  /** wet film of each, µm; null = as planned */
  readonly wftUm: number | null;
  readonly endMin: number;
  readonly laid: Laid | null;
}

/** A layer of the user's own as it lies there, bottom first in a face. */
interface LyingLayer {
  readonly layerId: string;
  readonly coats: readonly LyingCoat[];
}

/** Extra work of a face: done at that time, or (null) still to do. */
export interface FaceWork {
  readonly opId: string;
  readonly work: ExtraWork;
  /** since when it is asked for, or when it was told */
  readonly atMin: number;
  readonly doneMin: number | null;
  /** the piece of the same mend that comes before it */
  readonly afterId?: string | undefined;
}

/** A mend that was put in. */
export interface FaceMend extends Mend {
  readonly id: string;
  readonly reportId: string | null;
  readonly recipe: string;
  readonly atMin: number;
}

/** What the log says of one face as it is now: films that were stripped are gone, and so is what was done to them. */
export interface Face {
  readonly layers: readonly LyingLayer[];
  readonly extra: readonly FaceWork[];
  /** dry film as last measured, µm, by layer */
  readonly measuredUm: ReadonlyMap<string, number>;
  /** in the order they were put in */
  readonly mends: readonly FaceMend[];
}

/** Coats of a layer that are down. */
export const coatsDown = (face: Face | undefined, layerId: string): number =>
  Math.max(0, ...(face?.layers.find((l) => l.layerId === layerId)?.coats ?? []).map((c) => c.coat + c.coats - 1));

/** The face that a region's standing deeds leave, oldest first. */
export function faceOf(deeds: readonly Deed[]): Face {
  const layers = new Map<string, LyingCoat[]>();
  const extra = new Map<string, FaceWork>();
  const measuredUm = new Map<string, number>();
  const mends: FaceMend[] = [];
  for (const d of deeds) {
    if (d.kind === "mended") {
      mends.push({ ...d.mend, id: d.id, reportId: d.reportId, recipe: d.recipe, atMin: d.atMin });
      for (const w of mendWorks(d)) extra.set(w.opId, w);
    }
    if (d.kind === "measured") measuredUm.set(d.layerId, d.dftUm);
    if (d.kind === "asked" || d.kind === "worked") extra.set(d.opId, faceWork(d));
    if (d.kind !== "done") continue;
    const asked = extra.get(d.opId);
    if (asked) extra.set(d.opId, { ...asked, doneMin: d.atMin });
    const key = readKey(d.opId);
    // a round lies within the primer it goes over; it has no place of its own in the user's pile
    if (key?.kind !== "coat" || key.round !== null || key.turn !== null) continue;
    const own = layers.get(key.subjectId) ?? [];
    layers.set(key.subjectId, [...own, lyingCoat(d, Number(key.arg))]);
  }
  return {
    layers: [...layers].map(([layerId, coats]) => ({ layerId, coats })),
    extra: [...extra.values()],
    measuredUm,
    mends,
  };
}

/** The id of a mend's piece of work, by its place among them. */
export const mendWorkId = ({ regionId, id }: { regionId: string; id: string }, n: number): string =>
  opIds.extra(regionId, `${id}-w${n + 1}`);
/** The id of a mend's layer, by its place among them. */
export const mendLayerId = (mendId: string, n: number): string => `${mendId}-m${n + 1}`;

const mendWorks = (d: EventOf<"mended">): readonly FaceWork[] =>
  d.mend.works.map((work, n) => ({
    opId: mendWorkId(d, n),
    work,
    atMin: d.atMin,
    doneMin: null,
    ...(n > 0 ? { afterId: mendWorkId(d, n - 1) } : {}),
  }));

/** A pile with what its mends put into it: each over what lay uppermost then, a rub on that, and what was to follow cut off. */
export function withMends(stack: Stack, face: Face | undefined): Stack {
  if (!face || face.mends.length === 0) return stack;
  return face.mends.reduce(mendedBy, stack);
}

function mendedBy(stack: Stack, mend: FaceMend): Stack {
  const own = new Set(stack.layers.map((l) => l.id));
  const fresh = mend.layers.filter((l) => !own.has(l.id)).map((l) => ({ ...l, mend: mend.id }));
  const over = mend.over === null ? -1 : stack.layers.findIndex((l) => l.id === mend.over);
  // what it was to lie on is no more in the pile: it lies where the mends before it do, or at the foot
  const at = mend.over !== null && over < 0 ? stack.layers.findLastIndex((l) => l.mend !== undefined) : over;
  const below = stack.layers.slice(0, at + 1).map((l) => {
    const cut = mend.cut?.layerId === l.id ? { coats: Math.min(l.coats, mend.cut.coats) } : {};
    const rub = mend.rub?.layerId === l.id ? { sandAfter: mend.rub.sandAfter } : {};
    return { ...l, ...cut, ...rub };
  });
  return { ...stack, layers: [...below, ...fresh, ...stack.layers.slice(at + 1)] };
}

const faceWork = ({ opId, work, atMin, kind }: EventOf<"asked"> | EventOf<"worked">): FaceWork => ({
  opId,
  work,
  atMin,
  doneMin: kind === "worked" ? atMin : null,
});

const lyingCoat = (d: EventOf<"done">, coat: number): LyingCoat => ({
  opId: d.opId,
  coat,
  coats: d.coats ?? 1,
  wftUm: d.wftUm,
  endMin: d.atMin,
  laid: d.laid ?? null,
});

/** How a pile differs from what lies there by the log. */
export type LaidDifference =
  /** another product lies there under that layer */
  | { readonly kind: "other-product"; readonly layerId: string; readonly productId: string }
  /** a layer that is not in the pile */
  | { readonly kind: "not-in-pile"; readonly layerId: string; readonly productId: string }
  /** more coats than the layer has */
  | { readonly kind: "more-coats"; readonly layerId: string; readonly coats: number }
  /** a layer nobody has laid, below one that lies there */
  | { readonly kind: "below-laid"; readonly layerId: string }
  /** a layer that was laid before one the pile has below it */
  | { readonly kind: "out-of-order"; readonly layerId: string };

/** A pile as it lies: what is down stands as the log has it, what is to come as the user wishes. */
export interface AsItLies {
  readonly stack: Stack;
  readonly differences: readonly LaidDifference[];
}

/** What a shelf says of the products of a pile and of a log. */
export interface Cans {
  /** id under which a coat's product is found: its own, or its card's of that day where the can holds something else by now; null = nobody knows it */
  readonly standsFor: (laid: Laid) => string | null;
  /** a wipe or a polish nobody noted is no layer put in under what lies there */
  readonly leavesFilm: (productId: string) => boolean;
}

export function asItLies(stack: Stack, face: Face | undefined, { standsFor, leavesFilm }: Cans): AsItLies {
  if (!face || face.layers.length === 0) return { stack, differences: [] };
  const differences: LaidDifference[] = [];
  const layers: Layer[] = [...stack.layers];
  let at = 0;
  let highest = -1;
  for (const lying of face.layers) {
    const { layerId } = lying;
    const laid = lying.coats.findLast((c) => c.laid !== null)?.laid ?? null;
    const productId = laid && standsFor(laid);
    const coats = coatsDown(face, layerId);
    const n = layers.findIndex((l) => l.id === layerId);
    const own = layers[n];
    if (!own) {
      // with nobody to say what it was, it can be told to be missed no more than that
      if (productId === null) continue;
      differences.push({ kind: "not-in-pile", layerId, productId });
      layers.splice(at, 0, layerFrom(lying, productId, coats));
      highest = Math.max(highest, at++);
      continue;
    }
    at = n + 1;
    highest = Math.max(highest, n);
    // by the can's own id: that it holds something else by now is no fault of the pile's
    if (laid !== null && productId !== null && own.productId !== laid.productId)
      differences.push({ kind: "other-product", layerId, productId });
    if (coats > own.coats) differences.push({ kind: "more-coats", layerId, coats });
    layers[n] = { ...own, productId: productId ?? own.productId, coats: Math.max(own.coats, coats) };
  }
  const down = new Set(face.layers.map((l) => l.layerId));
  for (const l of layers.slice(0, highest))
    if (!down.has(l.id) && leavesFilm(l.productId)) differences.push({ kind: "below-laid", layerId: l.id });
  differences.push(...inLaidOrder(layers, face));
  const same = layers.every((l, i) => l.id === stack.layers[i]?.id && l.productId === stack.layers[i]?.productId);
  return { stack: differences.length === 0 && same ? stack : { ...stack, layers }, differences };
}

/** Puts what is down into the order it was laid in, each in a place that one of them had; what is to come stays where it is. */
function inLaidOrder(layers: Layer[], face: Face): readonly LaidDifference[] {
  const byId = new Map(layers.map((l) => [l.id, l]));
  const laid = face.layers.flatMap(({ layerId }) => byId.get(layerId) ?? []);
  const down = new Set(laid);
  const places = layers.flatMap((l, i) => (down.has(l) ? [i] : []));
  const moved = laid.filter((l, n) => layers[places[n] ?? -1] !== l);
  for (const [n, place] of places.entries()) layers[place] = laid[n] ?? layers[place]!;
  return moved.slice(0, 1).map((l) => ({ kind: "out-of-order", layerId: l.id }));
}

const layerFrom = ({ layerId, coats }: LyingLayer, productId: string, count: number): Layer => ({
  ...plainLayer(layerId, productId),
  coats: count,
  wftUm: coats.at(-1)!.wftUm,
});

/**
 * What makes a can another can: another name together with another role or binder. A card that is put right, or learns what it did not
 * know, is the same can better known.
 */
const sameCan = (a: Product, b: Product): boolean =>
  a.name === b.name ||
  (a.role === b.role && (a.family === b.family || a.family === "unknown" || b.family === "unknown"));

export const cansAmong = (products: ReadonlyMap<string, Product>): Cans => ({
  standsFor: standsAmong(products),
  leavesFilm: (id) => !isOneOf(CONTACT_ROLES)(products.get(id)?.role),
});

/** Under which id each coat's product is found among those there are, its card's stand-in where it is gone or another can by now. */
export const standsAmong =
  (products: ReadonlyMap<string, Product>) =>
  ({ productId, card }: Laid): string | null => {
    const today = products.get(productId);
    if (card !== null && (!today || !sameCan(card, today))) return card.id;
    return today ? productId : null;
  };
