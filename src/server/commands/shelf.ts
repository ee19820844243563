import {
  correctionSchema,
  done,
  failed,
  invalid,
  MOST_SHADES,
  mixSchema,
  type Outcome,
  productSchema,
  productsInPlanning,
} from "@/contracts";
import { type MixRecipe, type Product, productsOnFace } from "@/core/model";
import { DROP_ML, mixedProduct, withDrops } from "@/core/numbers";
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
    const made = mixedProduct(of, id, name, ml, note);
    const recipe: MixRecipe = {
      parts: of.map((p) => ({ name: p.product.name, parts: p.parts })),
      steps: [{ at: isoNow(), kind: "mixed", drops: null, name: "", colour: made.colour }],
    };
    insertProduct(db, { ...made, recipe });
    return done({ id });
  });
}

const isoNow = (): string => new Date(nowMs()).toISOString();

/**
 * The shade of a mix is put right: by drops of another paint that may share its cup, or by what it has dried to beside the sample. Every
 * shade it has had stays in its recipe.
 */
export function correctMix(id: string, rev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = correctionSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const told = parsed.data;
  return writing((db) => {
    const shelf = allProducts(db);
    const mix = shelf.get(id);
    if (!mix) return notFound("The product");
    if (!mix.recipe)
      return failed("refused", `${mix.name} is not a mix of yours: nothing is dropped into a maker’s can.`);
    const step = { at: isoNow(), kind: told.kind, drops: null, name: "", colour: "" };
    let next = mix;
    if (told.kind === "dried") next = { ...mix, colour: told.colour };
    else {
      const added = shelf.get(told.addId);
      const fault = (path: string, message: string) => failed("invalid", `${path} ${message}`, [{ path, message }]);
      if (!added || added.id === id) return fault("addId", "names no other paint of the shelf");
      if (mix.leftMl === null || mix.leftMl <= 0)
        return failed("refused", `Say first how much of ${mix.name} is left: drops are reckoned against that.`);
      const other = onBestEvidence(added);
      if (!shareACup(onBestEvidence(mix), other))
        return failed("refused", `${added.name} and ${mix.name} may not share a cup.`);
      next = withDrops(mix, mix.leftMl, other, told.drops);
      Object.assign(step, { drops: told.drops, name: added.name });
      const leftMl = added.leftMl === null ? null : Math.max(0, added.leftMl - told.drops * DROP_ML);
      const addedRev = productRev(db, added.id);
      if (leftMl !== added.leftMl && addedRev !== null) updateProduct(db, { ...added, leftMl }, addedRev);
    }
    const steps = [...mix.recipe.steps, { ...step, colour: next.colour }].slice(-MOST_SHADES);
    const kept = updateProduct(db, { ...next, recipe: { ...mix.recipe, steps } }, rev);
    return kept === null ? conflict("The product") : done({ rev: kept });
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
