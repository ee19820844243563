import { beginSchema, done, failed, invalid, type Outcome } from "@/contracts";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { cardOfJar } from "@/core/reference";
import { proposedPrep } from "@/core/rules";
import {
  type Db,
  insertModel,
  insertPart,
  insertProduct,
  insertRegion,
  listShelf,
  modelHead,
  setCurrentModel,
} from "@/db";
import { writing } from "../guard";
import { newId } from "../ids";
import { ensureShop } from "../shed/hours";
import { freshRegion } from "./parts";

/** The model on the bench, or a first one. */
function modelOnBench(db: Db): string {
  const { currentModelId } = ensureShop(db);
  if (currentModelId !== null && modelHead(db, currentModelId)) return currentModelId;
  const id = newId("m");
  insertModel(db, { id, name: "My model", scale: "", note: "" });
  setCurrentModel(db, id);
  return id;
}

/** A part of one material, and the kinds of jar there are for it: all of it, or nothing. A kind that stands on the shelf already is not put there twice. */
export function beginWith(input: unknown): Outcome<{ regionId: string }> {
  const parsed = beginSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { name, material, finish, jars } = parsed.data;
  return writing((db) => {
    const shelf = listShelf(db).map((i) => i.product);
    if (jars.length === 0 && !shelf.some((p) => p.owned !== false && isOneOf(FILM_ROLES)(p.role)))
      return failed("invalid", "jars name at least one product you have", [
        { path: "jars", message: "name at least one product you have" },
      ]);
    const modelId = modelOnBench(db);
    const [partId, regionId] = [newId("p"), newId("r")];
    insertPart(db, modelId, { id: partId, name, count: 1, note: "" });
    const region = { ...freshRegion(regionId, "All over"), material, finish };
    insertRegion(db, partId, region, { prep: proposedPrep(region, { joined: false }).map(({ step }) => step) });
    const here = new Set(shelf.map((p) => p.jar));
    for (const jar of jars) if (!here.has(jar)) insertProduct(db, cardOfJar(jar, newId("s")));
    return done({ regionId });
  });
}
