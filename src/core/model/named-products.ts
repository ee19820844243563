import type { ExtraWork, Layer, Mend, Region, Scheme, Stack, Tape, Touch } from "./types";

type Named = Pick<Stack, "prepWith" | "layers">;

/** A product a pile names, and the field that names it. */
export interface NamedProduct {
  readonly productId: string;
  readonly path: readonly (string | number)[];
}

/** Every place a pile names a product: what its layers are of, thinned, mixed and taped with, wiped and prepared with. */
export const namedProducts = ({ prepWith, layers }: Named): readonly NamedProduct[] => [
  ...Object.entries(prepWith ?? {}).map(([step, productId]) => ({ productId, path: ["prepWith", step] })),
  ...layers.flatMap((l, i) =>
    namedInLayer(l).map(({ productId, path }) => ({ productId, path: ["layers", i, ...path] })),
  ),
];

const namedInLayer = (l: Layer): readonly NamedProduct[] =>
  [
    { productId: l.productId, path: ["productId"] },
    { productId: l.thinnerId, path: ["thinnerId"] },
    { productId: l.mixedWithId, path: ["mixedWithId"] },
    { productId: l.tape?.productId, path: ["tape", "productId"] },
    { productId: l.sandAfter?.guideId, path: ["sandAfter", "guideId"] },
    ...Object.entries(l.beforeWith ?? {}).map(([step, productId]) => ({ productId, path: ["beforeWith", step] })),
  ].flatMap(({ productId, path }) => (productId ? [{ productId, path }] : []));

export const productsNamedIn = (stack: Named): readonly string[] => [
  ...new Set(namedProducts(stack).map((n) => n.productId)),
];

/** The same pile with its products under other ids. */
export const withProductsRenamed = (stack: Stack, nameOf: (id: string) => string): Stack => ({
  ...stack,
  ...(stack.prepWith ? { prepWith: renamedIn(stack.prepWith, nameOf) } : {}),
  layers: stack.layers.map((l) => layerRenamed(l, nameOf)),
});

const layerRenamed = (l: Layer, nameOf: (id: string) => string): Layer => ({
  ...l,
  productId: nameOf(l.productId),
  ...(l.thinnerId ? { thinnerId: nameOf(l.thinnerId) } : {}),
  ...(l.mixedWithId ? { mixedWithId: nameOf(l.mixedWithId) } : {}),
  ...(l.beforeWith ? { beforeWith: renamedIn(l.beforeWith, nameOf) } : {}),
  ...(l.sandAfter?.guideId ? { sandAfter: { ...l.sandAfter, guideId: nameOf(l.sandAfter.guideId) } } : {}),
  ...(l.tape?.productId ? { tape: tapeRenamed(l.tape, nameOf) } : {}),
});

const tapeRenamed = (tape: Tape, nameOf: (id: string) => string): Tape =>
  tape.productId ? { ...tape, productId: nameOf(tape.productId) } : tape;

const renamedIn = <T extends Readonly<Partial<Record<string, string>>>>(told: T, nameOf: (id: string) => string): T =>
  Object.fromEntries(Object.entries(told).map(([step, id]) => [step, nameOf(id as string)])) as T;

/** The product extra work is done with; null = none is named. */
export const workedWith = (work: ExtraWork): string | null => ("withId" in work ? (work.withId ?? null) : null);
export const workRenamed = (work: ExtraWork, nameOf: (id: string) => string): ExtraWork =>
  "withId" in work && work.withId ? { ...work, withId: nameOf(work.withId) } : work;

/** Every product a mend names. */
export const mendProducts = ({ works, layers }: Mend): readonly string[] => [
  ...new Set([...works.flatMap((w) => workedWith(w) ?? []), ...productsNamedIn({ layers })]),
];
export const mendRenamed = (mend: Mend, nameOf: (id: string) => string): Mend => ({
  ...mend,
  works: mend.works.map((w) => workRenamed(w, nameOf)),
  layers: mend.layers.map((l) => layerRenamed(l, nameOf)),
});

/** Every product a piece of work has to do with: what it lays, what it is done with, what is in the cup. */
export const productsOfWork = (op: {
  readonly productId: string | null;
  readonly withId?: string | undefined;
  readonly mix?: Partial<Pick<Layer, "thinnerId" | "mixedWithId">> | undefined;
}): readonly string[] => [op.productId, op.withId, op.mix?.thinnerId, op.mix?.mixedWithId].flatMap((id) => id ?? []);

/** Products that the scheme and the markings of a face name. */
export const productsOnFace = ({ scheme, touches }: Pick<Region, "scheme" | "touches">): readonly string[] => [
  ...new Set([...(scheme?.fields.flatMap((f) => f.productId ?? []) ?? []), ...(touches ?? []).map((t) => t.productId)]),
];
export const touchesRenamed = (touches: readonly Touch[], nameOf: (id: string) => string): readonly Touch[] =>
  touches.map((t) => ({ ...t, productId: nameOf(t.productId) }));
export const schemeRenamed = (scheme: Scheme, nameOf: (id: string) => string): Scheme => ({
  ...scheme,
  fields: scheme.fields.map((f) => (f.productId === null ? f : { ...f, productId: nameOf(f.productId) })),
  order: scheme.order?.map(nameOf) ?? null,
});
