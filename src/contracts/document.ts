import { z } from "zod";
import { mendLayerId } from "@/core/history";
import {
  type ExtraWork,
  type Mend,
  mendProducts,
  namedProducts,
  productsOnFace,
  type Region,
  readKey,
  type Scheme,
  type Stack,
  type Touch,
  workedWith,
} from "@/core/model";
import { documentAirSchema } from "./air";
import { hashSchema, idSchema, utcMomentSchema } from "./base";
import { couponSchema } from "./coupon";
import { cardHashSchema, logEntrySchema } from "./log";
import { upgradeEntry } from "./log-1";
import { modelFields, partFields, regionShape, stackSchema } from "./model";
import { type Planning, planningSchema } from "./planning";
import { productSchema, storedProductSchema } from "./product";
import { shopSchema } from "./shop";

export const DOCUMENT_FORMAT = "elm-bench/2";
/** Read, and brought up to date as it is read. */
export const OLDER_FORMATS = ["elm-bench/1"] as const;

export const overrideSchema = z.strictObject({
  key: z.string().min(1).max(700),
  reason: z.string().trim().min(3, "needs a written reason").max(4000),
});

/** A region with what lies on it. */
interface Pile extends Region {
  stack: z.infer<typeof stackSchema>;
  overrides: z.infer<typeof overrideSchema>[];
}
const pileSchema = z.strictObject({
  ...regionShape,
  stack: stackSchema,
  overrides: z.array(overrideSchema).max(60),
}) as unknown as z.ZodType<Pile>;

const partSchema = z.strictObject({
  id: idSchema,
  ...partFields,
  regions: z.array(pileSchema).max(200),
});

const PHOTO_TYPES = ["image/jpeg", "image/png", "image/webp"] as const;
export type PhotoType = (typeof PHOTO_TYPES)[number];
/** Largest picture kept, bytes. */
export const MAX_PHOTO_BYTES = 6 * 1024 * 1024;
const photoSchema = z.strictObject({
  type: z.enum(PHOTO_TYPES),
  base64: z.base64().max((MAX_PHOTO_BYTES * 4) / 3 + 4, "is over 6 MB"),
});

/** One planned piece of work as the document keeps it: enough to show the timetable it was exported with. */
const plannedStepSchema = z.strictObject({ opId: z.string().max(200), start: utcMomentSchema, end: utcMomentSchema });

export const documentSchema = z
  .strictObject({
    format: z.literal(DOCUMENT_FORMAT),
    model: z.strictObject({ id: idSchema, ...modelFields }),
    parts: z.array(partSchema).max(500),
    products: z.array(productSchema).max(1000),
    shop: shopSchema.omit({ showing: true }),
    /** what was said about the plan; left out where nothing was */
    planning: planningSchema.optional(),
    plan: z.strictObject({ plannedAt: utcMomentSchema, steps: z.array(plannedStepSchema).max(20_000) }).nullable(),
    log: z.array(logEntrySchema).max(100_000),
    /** products as they were when a coat was laid with them, by what they hold */
    cards: z.record(cardHashSchema, storedProductSchema).optional(),
    coupons: z.array(couponSchema).max(1000),
    /** readings, forecast and parts in air of their own; left out where there is nothing */
    air: documentAirSchema.optional(),
    /** pictures by what they are of, base64; left out by choice */
    photos: z.record(hashSchema, photoSchema).optional(),
  })
  .superRefine(referencesHold);
export type ModelDocument = z.infer<typeof documentSchema>;

const older = z.looseObject({
  products: z.array(z.looseObject({ id: z.string(), name: z.string() })),
  parts: z.array(
    z.looseObject({
      regions: z.array(
        z.looseObject({
          stack: z.looseObject({ layers: z.array(z.looseObject({ id: z.string(), productId: z.string() })) }),
        }),
      ),
    }),
  ),
  log: z.array(z.unknown()),
});

/** A document of an older format in today's shape, still to be checked as such; what cannot be read so far is left for that check. */
export function upgradeDocument(value: object): unknown {
  const told = older.safeParse(value);
  if (!told.success) return { ...value, format: DOCUMENT_FORMAT };
  const { products, parts, log } = told.data;
  const layers = parts.flatMap((p) => p.regions.flatMap((r) => r.stack.layers));
  const productOf = new Map(layers.map((l) => [l.id, l.productId]));
  const piles = { productOfLayer: (id: string) => productOf.get(id) ?? null, products };
  return { ...value, format: DOCUMENT_FORMAT, log: log.map((e) => upgradeEntry(e, piles)) };
}

type DocumentShape = {
  readonly parts: readonly {
    readonly id: string;
    readonly regions: readonly {
      readonly id: string;
      readonly stack: Pick<Stack, "prepWith" | "layers">;
      readonly scheme?: Scheme | undefined;
      readonly touches?: readonly Touch[] | undefined;
    }[];
  }[];
  readonly products: readonly { readonly id: string }[];
  readonly log: readonly {
    readonly id: string;
    readonly kind: string;
    readonly regionId: string;
    readonly opId: string;
    readonly work?: ExtraWork | undefined;
    readonly mend?: Mend | undefined;
    readonly laid?: { readonly productId: string; readonly card: string | null } | undefined;
  }[];
  readonly planning?: Pick<Planning, "joins" | "fills"> | undefined;
  readonly cards?: Readonly<Record<string, unknown>> | undefined;
  readonly air?: { readonly local: readonly { readonly id: string; readonly partId: string }[] } | undefined;
  readonly coupons: readonly { readonly id: string; readonly layers: readonly { readonly productId: string }[] }[];
};

/** Ids are unique and every layer names a product of the document. */
function referencesHold(doc: DocumentShape, ctx: z.RefinementCtx): void {
  const once = (ids: readonly { id: string; path: (string | number)[] }[]) => {
    const seen = new Set<string>();
    for (const { id, path } of ids) {
      if (seen.has(id)) ctx.addIssue({ code: "custom", path, message: `the id ${id} is used twice` });
      seen.add(id);
    }
  };
  once(doc.parts.map((p, i) => ({ id: p.id, path: ["parts", i, "id"] })));
  once(doc.parts.flatMap((p, i) => p.regions.map((r, j) => ({ id: r.id, path: ["parts", i, "regions", j, "id"] }))));
  once(doc.products.map((p, i) => ({ id: p.id, path: ["products", i, "id"] })));
  once(doc.log.map((l, i) => ({ id: l.id, path: ["log", i, "id"] })));
  once(doc.coupons.map((c, i) => ({ id: c.id, path: ["coupons", i, "id"] })));
  const layers = doc.parts.flatMap((p, i) =>
    p.regions.flatMap((r, j) =>
      r.stack.layers.map((l, k) => ({ ...l, path: ["parts", i, "regions", j, "stack", "layers", k] })),
    ),
  );
  once(layers.map((l) => ({ id: l.id, path: [...l.path, "id"] })));
  const locals = doc.air?.local ?? [];
  once(locals.map((l, i) => ({ id: l.id, path: ["air", "local", i, "id"] })));
  for (const { path, message } of [...looseEnds(doc), ...strayPieces(doc)])
    ctx.addIssue({ code: "custom", path: [...path], message });
}

interface LooseEnd {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the document names and does not hold. */
function looseEnds(doc: DocumentShape): readonly LooseEnd[] {
  const missing = "which the document does not hold";
  const products = new Set(doc.products.map((p) => p.id));
  const parts = new Set(doc.parts.map((p) => p.id));
  const cards = doc.cards ?? {};
  const product = (id: string, ...path: (string | number)[]): LooseEnd[] =>
    products.has(id) ? [] : [{ path, message: `names the product ${id}, ${missing}` }];
  return [
    ...doc.parts.flatMap((p, i) =>
      p.regions.flatMap((r, j) =>
        namedProducts(r.stack).flatMap((n) => product(n.productId, "parts", i, "regions", j, "stack", ...n.path)),
      ),
    ),
    ...doc.parts.flatMap((p, i) =>
      p.regions.flatMap((r, j) => productsOnFace(r).flatMap((id) => product(id, "parts", i, "regions", j))),
    ),
    ...doc.log.flatMap(({ mend }, i) =>
      mend ? mendProducts(mend).flatMap((id) => product(id, "log", i, "mend")) : [],
    ),
    ...doc.log.flatMap(({ work }, i) => {
      const withId = work ? workedWith(work) : null;
      return withId === null ? [] : product(withId, "log", i, "work", "withId");
    }),
    ...(doc.planning?.joins ?? []).flatMap((j, i) =>
      j.glueId ? product(j.glueId, "planning", "joins", i, "glueId") : [],
    ),
    ...Object.entries(doc.planning?.fills ?? {}).flatMap(([id, fillId]) => product(fillId, "planning", "fills", id)),
    ...(doc.air?.local ?? []).flatMap((l, i) =>
      parts.has(l.partId)
        ? []
        : [{ path: ["air", "local", i, "partId"], message: `names the part ${l.partId}, ${missing}` }],
    ),
    ...doc.log.flatMap(({ laid }, i) => (laid ? product(laid.productId, "log", i, "laid", "productId") : [])),
    ...doc.log.flatMap(({ laid }, i) =>
      laid && laid.card !== null && !Object.hasOwn(cards, laid.card)
        ? [{ path: ["log", i, "laid", "card"], message: `names a card ${missing}` }]
        : [],
    ),
    ...doc.coupons.flatMap((c, i) =>
      c.layers.flatMap((l, k) => product(l.productId, "coupons", i, "layers", k, "productId")),
    ),
  ];
}

/** Pieces of work that could be taken for another face's: a plan holds each once. */
function strayPieces(doc: DocumentShape): readonly LooseEnd[] {
  const pileOf = new Map(
    doc.parts.flatMap((p) => p.regions.map((r) => [r.id, new Set(r.stack.layers.map((l) => l.id))] as const)),
  );
  return doc.log.flatMap(({ id, kind, regionId, opId, mend }, i): LooseEnd[] => {
    const told = kind === "asked" || kind === "worked";
    if (told && readKey(opId)?.subjectId !== regionId)
      return [{ path: ["log", i, "opId"], message: `is not work on ${regionId}, the face it is told of` }];
    return (mend?.layers ?? []).flatMap((l, n) =>
      l.id === mendLayerId(id, n) || pileOf.get(regionId)?.has(l.id)
        ? []
        : [{ path: ["log", i, "mend", "layers", n, "id"], message: `must be ${mendLayerId(id, n)}` }],
    );
  });
}

/** Keys in alphabetical order at every depth, arrays as they stand, two-space indent, one newline at the end. */
export function canonicalJson(value: unknown): string {
  return `${JSON.stringify(sortKeys(value), null, 2)}\n`;
}

function sortKeys(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sortKeys);
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, sortKeys(v)]),
  );
}
