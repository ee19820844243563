/** What is worn and running while a piece of work is done. The safety data sheet decides; trade practice and common codes (EN 149, EN 14387). */

import type { Product, Protection } from "../model";
import { strongestBite } from "./carriers";

/** What is asked before work besides what is worn. */
export const PRACTICES = ["aired", "others-told", "no-flame", "wet-parts-away"] as const;
type Practice = (typeof PRACTICES)[number];
export type Asked = Protection | Practice;

export interface AskedProtection {
  readonly asks: readonly Asked[];
  /** asked before every piece of such work, not once a session */
  readonly everyTime: boolean;
}

/** Facts of a piece of work its protection hangs on. */
export interface WorkAtHand {
  /** what is put on or worked with; null = nothing out of a can */
  readonly product: Pick<Product, "method" | "carriers" | "hazards" | "role"> | null;
  readonly sprayed: boolean;
  /** rubs dry, so that dust flies */
  readonly dusty: boolean;
  /** blows dust off, or out of holes */
  readonly blows: boolean;
  readonly strips: boolean;
  /** under an ultraviolet lamp, or with resin that is not cured through */
  readonly lamp: boolean;
  /** of printed resin, whose dust is raw inside */
  readonly rawResin: boolean;
}

/** Worn and running, in the order it is put on; empty = nothing out of the ordinary. */
export function protectionFor(work: WorkAtHand): AskedProtection {
  const asks = new Set<Asked>();
  const add = (...more: readonly Asked[]) => {
    for (const a of more) asks.add(a);
  };
  const { product } = work;
  const has = (...hazards: readonly string[]) => product?.hazards.some((h) => hazards.includes(h)) ?? false;
  const isocyanate = has("isocyanate", "isocyanate-unknown");
  const solvent =
    product !== null &&
    (product.carriers === "unknown" || strongestBite(product.carriers) >= 1 || has("solvent-vapour"));
  if (isocyanate)
    add(
      ...(work.sprayed ? (["air-fed", "extraction", "eye-cover", "others-told"] as const) : (["aired"] as const)),
      "gloves",
    );
  else if (work.sprayed)
    add(...(solvent ? (["extraction", "a2p3"] as const) : (["p3"] as const)), "eye-cover", "gloves", "wet-parts-away");
  else if (solvent) add("aired", "gloves");
  if (has("flammable") && (work.sprayed || solvent)) add("no-flame");
  if (has("acid", "sensitiser", "peroxide")) add("gloves", "eye-cover");
  if (work.strips) add("gloves", "eye-cover", "aired", "no-flame");
  if (work.dusty) add("p3");
  if (work.blows) add("p3", "eye-cover");
  if (work.lamp) add("eye-cover", "gloves");
  if (work.rawResin && work.dusty) add("gloves");
  return { asks: [...asks], everyTime: isocyanate && work.sprayed };
}

/** Whether what is declared covers what is asked for; a stronger filter stands in for a weaker one. */
export const covers = (have: readonly Asked[], asked: Asked): boolean =>
  have.includes(asked) || (STRONGER[asked] ?? []).some((s) => have.includes(s));
const STRONGER: Readonly<Partial<Record<Asked, readonly Asked[]>>> = {
  p3: ["a2p3", "air-fed"],
  a2p3: ["air-fed"],
  aired: ["extraction"],
};
