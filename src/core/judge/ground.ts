import type { FamilyId, Product, Region } from "../model";
import { familyFacts, NOTHING_SAID, OLD_ALKYD_SAFE_DAYS } from "../reference";
import type { FilmState } from "../rules";

/** The film a part came with, as far as it is known, and the states it may be in now. */
export interface GroundFilm {
  readonly product: Product;
  readonly states: readonly FilmState[];
  readonly missing: string;
}

function groundProduct(region: Region, family: FamilyId, sealed: boolean): Product {
  return {
    id: "ground",
    name: "the film already there",
    maker: "",
    aliases: [],
    role: familyFacts(family).laidAs ?? (sealed ? "sealer" : "colour"),
    family,
    carriers: familyFacts(family).usualCarriers,
    ...NOTHING_SAID,
    method: "brush",
    colour: "#808080",
    sheen: region.conditions.includes("shiny") ? "gloss" : "satin",
    label: {
      tempC: 20,
      rhPct: 50,
      wftUm: 50,
      coats: 1,
      gapMin: null,
      flashMin: null,
      touchMin: null,
      handleMin: null,
      recoat: [],
      sandableMin: null,
      tapeSafeMin: null,
      polishableMin: null,
      curedMin: null,
    },
    leftMl: null,
    note: "",
    assumed: ["colour"],
  };
}

/** States by age. What hardens for days is not guessed: without an age it may be in its gap or past it. */
function oldStates(family: FamilyId, ageDays: number | "unknown" | null): readonly FilmState[] {
  const age = ageDays === "unknown" ? null : ageDays;
  const { mechanism, staleInADay, mustScuffWhenMissed } = familyFacts(family);
  if (mechanism === "oxidation") {
    if (age === null) return ["gap", "cured"];
    return age < OLD_ALKYD_SAFE_DAYS ? ["gap"] : ["cured"];
  }
  // an etch or a promoter nobody covered within its day is past use
  if (staleInADay) return age === null || age >= 1 ? ["missed"] : ["open"];
  if (mustScuffWhenMissed) return age === null || age >= 1 ? ["missed"] : ["uncured"];
  return age === null || age >= 1 ? ["cured"] : ["uncured"];
}

/** The film under the first layer, or null when there is none or nobody knows its family. */
export function groundFilm(region: Region): GroundFilm | null {
  const { oldFinish: old, sealedBy: seal } = region;
  if (old) {
    if (old.family === "unknown") return null;
    return {
      product: groundProduct(region, old.family, false),
      states: oldStates(old.family, old.ageDays),
      missing: "region.old_finish.age_days",
    };
  }
  if (!seal) return null;
  const product = { ...groundProduct(region, "wb-acrylic-urethane", true), family: seal.family };
  if (seal.family !== "unknown") Object.assign(product, { carriers: familyFacts(seal.family).usualCarriers });
  const states: readonly FilmState[] =
    seal.cured === "unknown" ? ["uncured", "cured"] : seal.cured ? ["cured"] : ["uncured"];
  return { product, states, missing: "region.sealed_by.cured" };
}
