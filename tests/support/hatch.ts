import type { Product } from "@/core/model";
import * as server from "@/server";
import { must } from "./store";
import { layer, product } from "./world";

export const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };

/** A model of one keyed and clean part, with one layer out of one can on it. */
export function hatch(
  like: string,
  over: Partial<Product> = {},
  { layerId = "p", coats = 2, count = 1 }: { layerId?: string; coats?: number; count?: number } = {},
) {
  const model = must(server.addModel({ name: "Punt", scale: "1:12", note: "" })).id;
  const can = must(server.addProduct({ ...product(like), ...over })).id;
  const { regionId } = must(server.addPart(model, { name: "Hatch", count, note: "" }));
  const face = { material: "petg", conditions: ["keyed", "clean"], finish: "hidden", areaCm2: 80 };
  must(server.editNode("region", regionId, 0, face));
  must(server.saveStack(regionId, 0, { prep: [], layers: [layer(can, { id: layerId, coats })] }));
  return { model, can, regionId };
}
