import {
  type CouponCard,
  couponSchema,
  type LogEntry,
  layerMore,
  layerSchema,
  logEntrySchema,
  parseProduct,
  regionMore,
  regionSchema,
  type Shop,
  shopSchema,
} from "@/contracts";
import {
  fromPrepRows,
  type Layer,
  type PrepRow,
  type PrepStep,
  type PrepTold,
  type Product,
  prepRows,
  type Region,
} from "@/core/model";
import type { cards, coupons, layers, log, products, regions, shop } from "./schema";

/** Rows to core types. What comes out of the file is checked like anything else that crosses a boundary. */

export const productFromRow = (row: typeof products.$inferSelect): Product =>
  parseProduct({ ...(row.facts as object), id: row.id, name: row.name, role: row.role });

export function productToRow(p: Product): { id: string; name: string; role: string; facts: unknown } {
  const { id, name, role, ...facts } = p;
  return { id, name, role, facts };
}

export const regionFromRow = (row: typeof regions.$inferSelect): Region =>
  regionSchema.parse({
    id: row.id,
    name: row.name,
    material: row.material,
    conditions: row.conditions,
    areaCm2: row.areaCm2,
    finish: row.finish,
    detailUm: row.detailUm,
    ridgeUm: row.ridgeUm,
    exposure: row.exposure,
    ...(row.more as object | null),
  });

/** The facts of a record that have no column of their own; undefined ones are left out. */
const moreOf =
  (names: readonly string[]) =>
  (facts: object): Record<string, unknown> =>
    Object.fromEntries(Object.entries(facts).filter(([k, v]) => names.includes(k) && v !== undefined));
export const regionMoreOf = moreOf(Object.keys(regionMore));
export const layerMoreOf = moreOf(Object.keys(layerMore));

export const layerFromRow = (row: typeof layers.$inferSelect): Layer =>
  layerSchema.parse({
    id: row.id,
    productId: row.productId,
    coats: row.coats,
    heaviness: row.heaviness,
    wftUm: row.wftUm,
    gapMin: row.gapMin,
    before: row.before,
    sandAfter: row.sandAfter,
    ...(row.more as object | null),
  });

/** A preparatory step as it is stored: by its name, or with what else is told of it. */
type StoredStep =
  | PrepStep
  | ({ readonly step: PrepStep; readonly with?: string } & Pick<PrepRow, "waitMin" | "soakMin">);

export const prepToRow = (told: PrepTold): readonly StoredStep[] =>
  prepRows(told).map(({ step, withId, ...minutes }) =>
    withId === undefined && Object.keys(minutes).length === 0
      ? step
      : { step, ...(withId === undefined ? {} : { with: withId }), ...minutes },
  );

/** Not checked yet: whoever reads a pile checks it whole. */
export function prepFromRow(
  stored: unknown,
): { prep: unknown } & Partial<Record<Exclude<keyof PrepTold, "prep">, unknown>> {
  if (!Array.isArray(stored)) return { prep: stored };
  return fromPrepRows(
    (stored as readonly StoredStep[]).map((s) =>
      typeof s === "string" ? { step: s } : { step: s.step, withId: s.with, waitMin: s.waitMin, soakMin: s.soakMin },
    ),
  );
}

export const shopFromRow = (row: typeof shop.$inferSelect): Shop => shopSchema.parse(row.settings);
export const logFromRow = (row: typeof log.$inferSelect): LogEntry => logEntrySchema.parse(row.entry);
export const couponFromRow = (row: typeof coupons.$inferSelect): CouponCard => couponSchema.parse(row.card);
export const cardFromRow = (row: typeof cards.$inferSelect): Product => parseProduct(row.card);
