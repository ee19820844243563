import { done, invalid, type Outcome, type Shop, shopEditSchema } from "@/contracts";
import { modelHead, setCurrentModel, writeShop } from "@/db";
import { nowMs } from "../clock";
import { conflict, notFound, writing } from "../guard";
import { ensureShop } from "../shed/hours";

export function saveShop(rev: number, edit: unknown): Outcome<{ rev: number }> {
  const parsed = shopEditSchema.safeParse(edit);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const state = ensureShop(db);
    const next = { ...state.shop, ...parsed.data } as Shop;
    const changed = writeShop(db, next, parsed.data.air ? nowMs() : state.airSetMs, rev);
    return changed === null ? conflict("The shed’s settings") : done({ rev: changed });
  });
}

export function chooseModel(modelId: string): Outcome<null> {
  return writing((db) => {
    if (typeof modelId !== "string" || !modelHead(db, modelId)) return notFound("The model");
    ensureShop(db);
    setCurrentModel(db, modelId);
    return done(null);
  });
}
