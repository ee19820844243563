import { at } from "../base";
import { type Layer, type Product, placeOf, prepRows, type Role, toldPartly, type Zone } from "../model";
import {
  dryDensityGMl,
  filmMassG,
  grooveLost,
  hidesScratchUm,
  hueOf,
  lastPaper,
  meets,
  needsUnder,
  ridgeBuriedUm,
  scratchUm,
  spotShare,
  zonesOf,
} from "../numbers";
import { familyFacts, STACKED_COATS } from "../reference";
import type { Facts, FactValue } from "../rules";
import type { Pile } from "./pile";

/** Most coats of one reversible family that go on within two days. */
function stackedCoats(pile: Pile): number {
  let most = 0;
  let run = { family: "", coats: 0, spanMin: 0 };
  for (const i of pile.films) {
    const { family } = at(pile.products, i);
    const reversible = family !== "unknown" && familyFacts(family).reversible;
    const gapMin = at(pile.layers, i).gapMin ?? 0;
    const { coats } = at(pile.layers, i);
    const goesOn = run.family === family && run.spanMin + gapMin <= STACKED_COATS.withinMin;
    run = goesOn ? { ...run, coats: run.coats + coats, spanMin: run.spanMin + gapMin } : { family, coats, spanMin: 0 };
    if (reversible) most = Math.max(most, run.coats);
  }
  return most;
}

/** Does the last rub show through what goes over it? False where nothing follows: that is polished, or not finished. */
function scratchShows(pile: Pile, strict: boolean): boolean {
  const last = pile.layers.findLastIndex((l) => l.sandAfter !== null);
  const above = pile.films.filter((f) => f > last);
  if (last < 0 || above.length === 0) return false;
  const hidden = above.reduce((sum, k) => {
    const kind = ["colour", "clear", "wash", "decal"].includes(at(pile.products, k).role) ? "colour" : "primer";
    return sum + hidesScratchUm(at(pile.ledger, k).addedUm, kind, strict);
  }, 0);
  return scratchUm(lastPaper(at(pile.layers, last).sandAfter!)) > hidden + 1e-9;
}

/** @param lies whether a layer counts where the ridges are */
function ridgeLeftUm(pile: Pile, ridgeUm: number | null, lies: (layer: Layer) => boolean): number | null {
  if (ridgeUm === null) return null;
  const buried = pile.films
    .filter((i) => BURIES.has(at(pile.products, i).role) && lies(at(pile.layers, i)))
    .reduce((sum, i) => {
      const l = at(pile.layers, i);
      return sum + ridgeBuriedUm(at(pile.ledger, i).addedUm, l.heaviness === "mist" || l.sandAfter === null);
    }, 0);
  return Math.max(0, Math.round(ridgeUm - buried));
}

const BURIES = new Set<Role>(["primer-highbuild", "surfacer", "putty"]);

/**
 * Ridges and gaps of one place on the face, by what is laid there.
 * @param levels whether a layer lies on all of it @param fills whether one lies in its gaps
 */
function levelFacts(
  pile: Pile,
  needs: Pick<Zone, "ridgeUm" | "fillDepthUm" | "fillWidthUm">,
  levels: (layer: Layer) => boolean,
  fills: (layer: Layer) => boolean,
): Facts {
  const ridgeUm = ridgeLeftUm(pile, needs.ridgeUm, levels);
  const filled = pile.films.some((i) => at(pile.products, i).role === "putty" && fills(at(pile.layers, i)));
  return {
    "stack.gapOpen": (needs.fillDepthUm ?? needs.fillWidthUm) !== null && !filled,
    "stack.ridgeLeftUm": ridgeUm,
    "stack.ridgeBuried": ridgeUm === 0 && needs.ridgeUm !== null && needs.ridgeUm > 0,
  };
}

/** What a zone of the face needs, by what is laid on it: all over, or there by name. */
export function zoneFacts(pile: Pile, zone: Zone): Facts {
  const there = (layer: Layer) => meets(layer, placeOf(zone));
  return levelFacts(pile, zone, (layer) => typeof layer.spot !== "number" && there(layer), there);
}

/** Dry mass a pile adds to a region, g; null without an area. */
function pileMassG(pile: Pile, areaCm2: number | null): number | null {
  if (areaCm2 === null) return null;
  return pile.films.reduce((sum, i) => {
    const line = at(pile.ledger, i);
    const p = at(pile.products, i);
    const share = spotShare(at(pile.layers, i), p, pile.input.region);
    return sum + share * filmMassG(line.addedUm - line.takenUm, areaCm2, dryDensityGMl(p));
  }, 0);
}

/** It lies on spots: in holes and seams, on rubbed edges. */
const onSpots = (pile: Pile, i: number): boolean =>
  spotShare(at(pile.layers, i), at(pile.products, i), pile.input.region) < 1;

/** The card's own word first, then what such binders usually do. */
function oilProof(top: Product): FactValue {
  if (top.resists != null) return top.resists.includes("oil") && top.resists.includes("fuel") ? "yes" : "stated-no";
  if (top.family === "unknown") return { candidates: ["yes", "unsure"], missing: "product.family" };
  return familyFacts(top.family).standsOilFuel ? "yes" : "unsure";
}

/** Facts of the pile as a whole; it must hold at least one film. */
export function stackFacts(pile: Pile): Facts {
  const { region } = pile.input;
  const tops = pile.films.map((i) => at(pile.products, i));
  const top = tops.at(-1)!;
  const seen = tops.filter((p) => p.role === "colour" || p.role === "clear");
  const colour = tops.filter((p) => p.role === "colour").at(-1);
  // a black shows all in gloss; matt and satin are forgiving, whatever their colour
  const showsEverything =
    seen.length > 0 && (top.sheen === "gloss" || seen.some((p) => p.effect === "metallic" || p.effect === "pearl"));
  // what fills a hole or a seam lies in it, not in every groove and not on the faces that fit
  const buildUm = pile.films.reduce((sum, i) => {
    const { addedUm, takenUm } = at(pile.ledger, i);
    return onSpots(pile, i) ? sum : sum + addedUm - takenUm;
  }, 0);
  const keptBare = (region.keepBare ?? []).length > 0 || pile.products.some((p) => p.role === "masking");
  const massG = pileMassG(pile, region.areaCm2);
  const budget = region.massBudgetG ?? null;
  const lays = (...roles: readonly Role[]) => tops.some((p) => roles.includes(p.role));
  return {
    // what is laid on a share of the face leaves the ridges of the rest as they are
    ...levelFacts(
      pile,
      needsUnder({}, region),
      (layer) => !toldPartly(layer),
      (layer) => zonesOf(layer, region).length === 0,
    ),
    "stack.soakMin": Math.max(0, ...prepRows(pile.input.stack).map((r) => r.soakMin ?? 0)),
    "stack.pitsOpen": region.conditions.includes("pits") && !lays("putty", "primer-highbuild", "surfacer"),
    "stack.topRole": top.role,
    "stack.topSheen": top.sheen,
    "stack.showsEverything": showsEverything,
    "stack.uvResistant": top.uvResistant,
    "stack.grooveLostPct": region.detailUm === null ? null : 100 * grooveLost(region.detailUm, buildUm),
    "stack.reversibleCoats": stackedCoats(pile),
    "stack.scratchShows": scratchShows(pile, showsEverything),
    "stack.overFit":
      region.fitAllowanceUm != null && buildUm + (region.matingUm ?? 0) > region.fitAllowanceUm && !keptBare,
    "stack.overMass": budget !== null && massG !== null && massG > budget,
    "stack.massUnknown": budget !== null && massG === null,
    "stack.topOilProof": oilProof(top),
    "stack.topWaterBorne": top.family !== "unknown" && familyFacts(top.family).mechanism === "water",
    "stack.fadingHue": colour ? hueOf(colour.colour) : "other",
  };
}
