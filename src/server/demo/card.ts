import type { Label, Product } from "@/core/model";
import { NOTHING_SAID } from "@/core/reference";

/** What every card of the demo shelf starts from. Names and makers are invented. */

const at20: Pick<Label, "tempC" | "rhPct"> = { tempC: 20, rhPct: 50 };
export const label = (wftUm: number, coats: number, times: Partial<Label>): Label => ({
  ...at20,
  wftUm,
  coats,
  gapMin: null,
  flashMin: null,
  touchMin: null,
  handleMin: null,
  recoat: [],
  sandableMin: null,
  tapeSafeMin: null,
  polishableMin: null,
  curedMin: null,
  ...times,
});

export const blank: Omit<Product, "id" | "name" | "maker" | "role" | "family" | "carriers" | "method" | "label"> = {
  ...NOTHING_SAID,
  aliases: [],
  sheen: "satin",
  limits: { minTempC: 8, maxTempC: 32, maxRhPct: 85 },
  leftMl: null,
  note: "",
};

export const QUILL = "Quillmarsh Tins";
export const DUNNOCK = "Dunnockshed Supply";
export const BRACK = "Brackwend Colour";

export const SOLVENT = ["solvent-vapour", "flammable"] as const;
