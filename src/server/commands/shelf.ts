import { done, failed, invalid, mixSchema, type Outcome, productSchema, productsInPlanning } from "@/contracts";
import { type Product, productsOnFace } from "@/core/model";
import { mixedProduct } from "@/core/numbers";
import { onBestEvidence } from "@/core/reference";
import { shareACup } from "@/core/sums";
import {
  allProducts,
  insertProduct,
  listShelf,
  productRev,
  readPlannings,
  setProductDeleted,
  updateProduct,
} from "@/db";
import { nowMs } from "../clock";
import { conflict, notFound, writing } from "../guard";
import { newId } from "../ids";
import { snapshotOf } from "../workspace/snapshot";

export function addProduct(input: unknown): Outcome<{ id: string }> {
  const id = newId("s");
  const parsed = productSchema.safeParse({ ...(input as object), id });
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    insertProduct(db, parsed.data as Product);
    return done({ id });
  });
}

/** A mix of paints of the shelf that may share a cup becomes a product of its own. */
export function makeMix(input: unknown): Outcome<{ id: string }> {
  const parsed = mixSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { name, parts, ml, note } = parsed.data;
  return writing((db) => {
    const shelf = allProducts(db);
    const poured = parts.map((p) => ({ product: shelf.get(p.id), parts: p.parts }));
    const gone = poured.findIndex((p) => p.product === undefined);
    if (gone >= 0)
      return failed("invalid", `parts.${gone}.id is not on the shelf`, [
        { path: `parts.${gone}.id`, message: "is not on the shelf" },
      ]);
    const of = poured.map((p) => ({ product: onBestEvidence(p.product!), parts: p.parts }));
    const apart = of.findIndex((p) => !shareACup(of[0]!.product, p.product));
    if (apart >= 0)
      return failed("refused", `${of[apart]!.product.name} and ${of[0]!.product.name} may not share a cup.`);
    const id = newId("s");
    insertProduct(db, mixedProduct(of, id, name, ml, note));
    return done({ id });
  });
}

export function saveProduct(rev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = productSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const next = updateProduct(db, parsed.data as Product, rev);
    if (next !== null) return done({ rev: next });
    return productRev(db, parsed.data.id) === null ? notFound("The product") : conflict("The product");
  });
}

/** A product in use stays: its layers would lose their facts. */
export function deleteProduct(id: string): Outcome<null> {
  return writing((db) => {
    const item = listShelf(db).find((i) => i.product.id === id);
    if (!item) return notFound("The product");
    if (item.placeCount > 0)
      return failed(
        "in-use",
        `${item.product.name} is a layer in ${item.placeCount} stack${item.placeCount === 1 ? "" : "s"}. Take it out there first.`,
      );
    if ([...readPlannings(db).values()].some((p) => productsInPlanning(p.planning).includes(id)))
      return failed(
        "in-use",
        `${item.product.name} is what a part is joined with or a round is filled with. Choose another in the Plan first.`,
      );
    const bench = snapshotOf(db);
    const parts = bench.data.models.flatMap((m) => bench.model(m.id)?.tree ?? []);
    if (parts.some((p) => p.regions.some((r) => productsOnFace(r.region).includes(id))))
      return failed(
        "in-use",
        `${item.product.name} is a colour of a scheme, or what a marking or a trace of weather is made with. Choose another under Colour first.`,
      );
    setProductDeleted(db, id, nowMs());
    return done(null);
  });
}

export const restoreProduct = (id: string): Outcome<null> =>
  writing((db) => (setProductDeleted(db, id, null) ? done(null) : notFound("The product")));
