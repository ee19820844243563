import Papa from "papaparse";
import { done, failed, type Outcome } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { viewingModel } from "../guard";

/** What the plan in force takes and is not there, as CSV: how much, how many packs, and by when. */
export const shoppingList = (modelId: string): Outcome<string> =>
  viewingModel(modelId, (m, s) => {
    const answer = m.plan?.answer;
    if (answer?.outcome !== "planned")
      return failed("refused", "There is no timetable yet: what it takes is not known. Plan first.");
    const fields = ["product", "maker", "needs_ml", "left_ml", "short_ml", "packs", "price", "by", "note"];
    const data = answer.stock.flatMap((l) => {
      const p = s.data.products.get(l.productId);
      if (!p || (l.shortMl <= 0 && p.owned !== false)) return [];
      const shortMl = p.owned === false ? l.needMl : l.shortMl;
      const packs = p.packMl ? Math.ceil(shortMl / p.packMl) : "";
      return [
        [
          p.name,
          p.maker,
          Math.ceil(l.needMl),
          l.leftMl === null ? "" : Math.floor(l.leftMl),
          Math.ceil(shortMl),
          packs,
          packs === "" || p.price == null ? "" : (packs * p.price).toFixed(2),
          new Date(l.byMin * MS_PER_MIN).toISOString(),
          l.partial ? "some faces have no area: it takes more than this" : "",
        ],
      ];
    });
    return done(`${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`);
  });
