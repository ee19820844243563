import type { Product } from "../model";

/** A product of which nothing more is said: what a card is where neither its kind nor anybody told. */
export const NOTHING_SAID = {
  bite: null,
  propellant: null,
  volumeSolids: null,
  densityGMl: null,
  colour: "#8d8d88",
  effect: "solid",
  sheen: "matt",
  flexible: false,
  yellowing: false,
  uvResistant: false,
  combinedPrimer: false,
  rustInhibitor: false,
  mayGoOver: null,
  maxSkinUm: null,
  hazards: [],
  limits: { minTempC: null, maxTempC: null, maxRhPct: null },
  potLifeMin: null,
} as const satisfies Partial<Product>;
