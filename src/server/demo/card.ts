import type { Label, Product } from "@/core/model";

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
  aliases: [],
  bite: null,
  propellant: null,
  volumeSolids: null,
  densityGMl: null,
  colour: "#8d8d88",
  effect: "solid",
  sheen: "satin",
  flexible: false,
  yellowing: false,
  uvResistant: false,
  combinedPrimer: false,
  rustInhibitor: false,
  mayGoOver: null,
  maxSkinUm: null,
  hazards: [],
  limits: { minTempC: 8, maxTempC: 32, maxRhPct: 85 },
  potLifeMin: null,
  leftMl: null,
  note: "",
};

export const QUILL = "Quillmarsh Tins";
export const DUNNOCK = "Dunnockshed Supply";
export const BRACK = "Brackwend Colour";

export const SOLVENT = ["solvent-vapour", "flammable"] as const;
