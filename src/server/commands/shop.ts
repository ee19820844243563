import {
  done,
  invalid,
  type Outcome,
  type Shop,
  type ShopEdit,
  shopEditSchema,
  USUAL_HABITS,
  USUAL_LAMP,
  USUAL_SHOWING,
} from "@/contracts";
import { modelHead, setCurrentModel, writeShop } from "@/db";
import { nowMs } from "../clock";
import { conflict, notFound, writing } from "../guard";
import { ensureShop } from "../shed/hours";

/** Groups are put together with what they held; a group nobody touched stays as it is. */
function edited(shop: Shop, edit: ShopEdit): Shop {
  const { air, habits, lamp, showing, ...fields } = edit;
  return {
    ...shop,
    ...fields,
    ...(air ? { air: { ...shop.air, ...air } } : {}),
    ...(habits ? { habits: { ...(shop.habits ?? USUAL_HABITS), ...habits } } : {}),
    ...(lamp ? { lamp: { ...(shop.lamp ?? USUAL_LAMP), ...lamp } } : {}),
    ...(showing ? { showing: { ...(shop.showing ?? USUAL_SHOWING), ...showing } } : {}),
  } as Shop;
}

export function saveShop(rev: number, edit: unknown): Outcome<{ rev: number }> {
  const parsed = shopEditSchema.safeParse(edit);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const state = ensureShop(db);
    const next = edited(state.shop, parsed.data);
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
