/** Facts of a layer and of the air for the rules, from the pile it lies in. */

import { at } from "../base";
import { milestoneAfter, rateIn } from "../film";
import type { AirSpot, Layer, MaterialId, Product, Region, Role, Unknown, Zone } from "../model";
import { MATERIALS } from "../model";
import {
  edgeTakesUm,
  ladderStep,
  lastPaper,
  meets,
  needsUnder,
  papersOf,
  plannedWftUm,
  puttyLaidUm,
  ratioOff,
  tackOf,
} from "../numbers";
import {
  CAN_MAX_C,
  CAN_WARM_C,
  dewPointC,
  dries,
  FOAM_BARRIER,
  familyFacts,
  GAP_UM,
  hasTrait,
  MIX_TOLERANCE,
  materialFacts,
  PART_WARM_C,
  STILL_AIR_M_S,
  strongestBite,
  TAPE_LATEST_MIN,
  thins,
} from "../reference";
import type { Facts, FactValue, KnownValue } from "../rules";
import { barrierBelow, isolatesOld } from "./barrier";
import { colourFacts } from "./hiding";
import { filmStateAt, laidFilm, reachedMin } from "./moments";
import { airOf, coatDryUm, filmBelow, filmOn, isPastDate, type Pile, tapeFluid } from "./pile";
import { toldOnSpots } from "./seams";
import type { SeamPlan } from "./types";

const possible = (m: MaterialId | Unknown): readonly MaterialId[] => (m === "unknown" ? MATERIALS : [m]);

/** Depth told for a fill, all skins together, µm; null = none was. */
const fillDepth = (pile: Pile, i: number): number | null =>
  at(pile.layers, i).depthUm ??
  (at(pile.products, i).role === "putty" ? needsUnder(at(pile.layers, i), pile.input.region).fillDepthUm : null);

/** One skin of a layer as deep as it is laid, µm, so that the last stands proud by what it loses. */
export function skinOf(pile: Pile, i: number): number {
  const [layer, product] = [at(pile.layers, i), at(pile.products, i)];
  const depth = fillDepth(pile, i);
  const laidUm = product.role === "putty" ? plannedWftUm(layer, product) : coatDryUm(pile, i);
  return depth === null ? laidUm : puttyLaidUm(depth, product.shrinkage ?? 0) / layer.coats;
}

function skinFacts(pile: Pile, i: number): Facts {
  const [layer, product] = [at(pile.layers, i), at(pile.products, i)];
  const filler = product.role === "putty" || layer.depthUm != null;
  const skinUm = skinOf(pile, i);
  const usual = product.family === "unknown" ? null : familyFacts(product.family).skinUm;
  return {
    "layer.skinOverLimit": product.maxSkinUm !== null && skinUm > product.maxSkinUm + 1e-9,
    "layer.skinOverUsual": product.maxSkinUm === null && filler && usual !== null && skinUm > usual,
    "layer.beyondLight": product.cureDepthUm != null && skinUm > product.cureDepthUm,
    ...gapFacts(needsUnder(layer, pile.input.region), product),
    "layer.rimUm": rimUm(pile, i),
    "layer.shaded": layer.setUp?.shaded ?? false,
    "layer.backed": layer.setUp?.backing ?? false,
  };
}

/** Liquid enough to run into a crack by itself. */
const RUNS = new Set(["cyanoacrylate", "uv-acrylate"]);

/** What follows shows the step where a spot ends: colour and what lies over it, unless a rub has feathered it. */
const SHOWS_RIM = new Set<Role>(["colour", "clear", "decal"]);

/** Step at the rim of a layer that lies on spots, as it is left under what is seen over it, µm; null = there is none to see. */
function rimUm(pile: Pile, i: number): number | null {
  const [layer, line] = [at(pile.layers, i), at(pile.ledger, i)];
  if (!toldOnSpots(pile, i) || layer.sandAfter !== null) return null;
  const over = pile.films.filter((f) => f > i && meets(at(pile.layers, f), layer));
  const seen = over.find((f) => SHOWS_RIM.has(at(pile.products, f).role));
  if (seen === undefined) return null;
  // a rub of what lies over it takes the step down as well
  const rubbed = over.filter((f) => f < seen).reduce((sum, f) => sum + at(pile.ledger, f).takenUm, 0);
  return Math.max(0, line.addedUm - rubbed);
}

function gapFacts({ fillWidthUm }: Pick<Zone, "fillWidthUm">, product: Product): Facts {
  const widthUm = product.role === "putty" ? fillWidthUm : null;
  const runs = product.method === "brush" || RUNS.has(product.family);
  return {
    "layer.gapFine": widthUm !== null && widthUm < GAP_UM.fine && !runs,
    "layer.gapWide": widthUm !== null && widthUm > GAP_UM.wide && dries(product),
  };
}

function rubFacts(pile: Pile, i: number): Facts {
  const [layer, line] = [at(pile.layers, i), at(pile.ledger, i)];
  const rub = layer.sandAfter;
  const firstFilm = pile.films[0] === i;
  const scuffsDry = layer.before.includes("scuff") && !layer.scuffWet;
  const reaches =
    rub !== null && papersOf(rub).some((p) => !p.wet) && edgeTakesUm(rub.takesUm) >= line.totalUm + line.takenUm;
  // papers that follow each other with no film between them make a ladder
  const before = i > 0 && !pile.films.includes(i) ? at(pile.layers, i - 1).sandAfter : null;
  const ladder = [...(before && rub ? [lastPaper(before)] : []), ...(rub ? papersOf(rub) : [])];
  return {
    "layer.rubbed": rub !== null || layer.before.includes("scuff"),
    "layer.sandsThrough": rub !== null && line.addedUm > 0 && rub.takesUm >= line.addedUm,
    "layer.dryRubReachesGround": (firstFilm && scuffsDry) || reaches,
    "layer.ladderJump": ladder.some((p, n) => n > 0 && ladderStep(ladder[n - 1]!, p) === "jump"),
  };
}

function heatFacts(pile: Pile, i: number): Facts {
  const layer = at(pile.layers, i);
  const material = pile.input.region.material!;
  const heated = layer.before.includes("heat");
  // EVA is closed by brief hot air before anything lies on it
  const closing = hasTrait(material, "closed-by-heat") && filmBelow(pile, i) < 0;
  const warmed = layer.before.includes("warm-part");
  const tooHot = (m: MaterialId) =>
    (heated && !closing && (layer.heatC ?? 0) > materialFacts(m).dryHeatMaxC) ||
    (warmed && (layer.partC ?? PART_WARM_C) > materialFacts(m).dryHeatMaxC);
  const answers = [...new Set(possible(material).map(tooHot))];
  const below = filmBelow(pile, i);
  return {
    "layer.heated": heated,
    "layer.heatOverLimit": answers.length === 1 ? answers[0]! : { candidates: answers, missing: "region.material" },
    "layer.heatUnstated": heated && !closing && layer.heatC == null,
    "layer.heatBeforeTouch": (heated || warmed) && below >= 0 && heatsTooSoon(pile, below, layer.gapMin),
  };
}

function heatsTooSoon(pile: Pile, below: number, gapMin: number | null): boolean {
  const p = at(pile.products, below);
  const solvent = p.carriers === "unknown" || strongestBite(p.carriers) >= 1;
  if (!solvent || gapMin === null) return false;
  const film = filmOn(pile, below);
  return film.endMin + gapMin < reachedMin(film, "touch");
}

function mixFacts(pile: Pile, i: number): Facts {
  const layer = at(pile.layers, i);
  const own = pile.input.productOf(layer.productId);
  const other = layer.mixedWithId ? pile.input.productOf(layer.mixedWithId) : null;
  const sameFamily = other !== null && other.family === own.family && own.family !== "unknown";
  const batch = layer.setUp?.batchMin ?? null;
  const air = airOf(pile, i);
  // pot life runs by the same reaction as the cure: warmer is shorter
  const speed = air ? rateIn("reaction", { tempC: air.tempC, rhPct: 50, airflowMS: STILL_AIR_M_S }) : 1;
  const off = layer.mixUsed && own.mixRatio ? ratioOff(layer.mixUsed, own.mixRatio) : null;
  return {
    "layer.cupMix": !other || other.id === own.id ? "none" : sameFamily ? "same-family" : "other-family",
    "layer.thinnerFits": layer.thinnerId ? thinnerFits(own, pile.input.productOf(layer.thinnerId)) : null,
    "layer.potLifeOver": batch !== null && own.potLifeMin !== null && batch > own.potLifeMin / speed,
    "layer.mixOff": off !== null && off > MIX_TOLERANCE,
    "layer.canOver45": (layer.setUp?.canTempC ?? 0) > CAN_MAX_C,
    "layer.canBath": layer.before.includes("warm-can"),
    "layer.activatorUsed": layer.setUp?.activator ?? false,
  };
}

function thinnerFits(own: Product, thinner: Product): FactValue {
  if (thinner.carriers === "unknown") return { candidates: [true, false], missing: "thinner.carriers" };
  if (own.unknowns?.includes("thinnerCarriers"))
    return { candidates: [true, false], missing: "product.thinnerCarriers" };
  const allowed = own.thinnerCarriers ?? own.carriers;
  if (allowed === "unknown") return { candidates: [true, false], missing: "product.thinnerCarriers" };
  return thins(thinner.carriers, allowed);
}

function tapeFacts(pile: Pile, i: number): Facts {
  const layer = at(pile.layers, i);
  const told = layer.tape;
  // a fluid has no tack: it is judged by what it touches
  if (!told || tapeFluid(pile, i)) return { "layer.taped": null };
  const tape = { ...told, tack: tackOf(told, pile.input.productOf) };
  const film = filmOn(pile, i);
  const safe = reachedMin(film, "tape-safe") - film.endMin;
  const on = tape.onMin ?? safe;
  return {
    "layer.taped": tape.tack,
    "layer.tapeEarly": on < safe - 1e-6,
    "layer.tapeOnUncured": film.endMin + on < reachedMin(film, "cured"),
    "layer.tapeOverdue": tape.offMin !== null && tape.offMin - on > TAPE_LATEST_MIN[tape.tack],
  };
}

function serviceUnder(region: Region, p: Product): KnownValue {
  const needC = region.serviceTempC ?? null;
  if (needC === null) return "no";
  if (p.serviceTempC != null) return p.serviceTempC < needC ? "stated" : "no";
  return p.family !== "unknown" && familyFacts(p.family).serviceC < needC ? "usual" : "no";
}

function coatGap(pile: Pile, i: number): KnownValue {
  const layer = at(pile.layers, i);
  if (layer.coatGapMin == null || layer.coats < 2) return null;
  const one = laidFilm({ ...layer, coats: 1 }, at(pile.products, i), airOf(pile, i));
  const state = filmStateAt(one, layer.coatGapMin);
  const flashed = milestoneAfter(one.coats, "flash", one.clock);
  const past = flashed.outcome === "reached" && layer.coatGapMin >= flashed.atMin - 1e-6;
  return past && (state === "wet" || state === "uncured") ? "open" : state;
}

/** Films made to hold on what is below them. */
const GRIPS = new Set(["promoter", "sealer", "primer-etch", "primer", "primer-highbuild", "surfacer"]);

/** Facts of one layer with what lies below it. */
export function layerFacts(pile: Pile, seams: readonly (SeamPlan | null)[], i: number): Facts {
  const [layer, product] = [at(pile.layers, i), at(pile.products, i)];
  const barrier = barrierBelow(pile, seams, i);
  const wftUm = plannedWftUm(layer, product);
  const limitUm = Math.min(FOAM_BARRIER.couponPassWftUm, Math.max(FOAM_BARRIER.passWftUm, pile.couponWftUm));
  const heavy = layer.wftUm === null && (layer.heaviness === "wet" || layer.heaviness === "flood");
  return {
    "layer.isFirst": filmBelow(pile, i) < 0,
    "layer.isTop": pile.films.at(-1) === i,
    "layer.filmBelow": filmBelow(pile, i) >= 0,
    "layer.promoterBelow": pile.films.some((k) => k < i && at(pile.products, k).role === "promoter"),
    "layer.dryUmBelowIsBarrier": barrier.dryUm,
    "layer.barrierCoatsBelow": barrier.coats,
    "layer.barrierCured": barrier.cured,
    "layer.edgesCovered": barrier.edges,
    "layer.passThinEnough": !heavy && wftUm <= limitUm,
    "layer.gripBelow": pile.films.some((k) => k <= i && GRIPS.has(at(pile.products, k).role)),
    "layer.pastDate": isPastDate(product, pile.input.today ?? null),
    "layer.oldIsolated": isolatesOld(pile, seams, i),
    "layer.serviceUnder": serviceUnder(pile.input.region, product),
    "layer.coatGap": coatGap(pile, i),
    ...skinFacts(pile, i),
    ...rubFacts(pile, i),
    ...heatFacts(pile, i),
    ...mixFacts(pile, i),
    ...tapeFacts(pile, i),
    ...colourFacts(pile, i),
  };
}

/** The air a layer is laid in, against its product's limits. */
export function airFacts(p: Product, air: AirSpot, layer: Layer): Facts {
  const formsAboveC = p.minFilmFormingC ?? (p.family === "unknown" ? null : familyFacts(p.family).filmFormingC);
  const warmedC = layer.before.includes("warm-part") ? (layer.partC ?? PART_WARM_C) : Number.NEGATIVE_INFINITY;
  const partC = Math.max(air.partTempC ?? air.tempC, warmedC);
  const coldestC = Math.min(air.tempC, partC, air.coldestC ?? air.tempC);
  const beyond = (limit: number | null, test: (l: number) => boolean): KnownValue => limit !== null && test(limit);
  return {
    "air.tempC": air.tempC,
    "air.rhPct": air.rhPct,
    "air.dewMarginC": Math.max(0, partC - dewPointC(air.tempC, air.rhPct)),
    "air.belowLimit": beyond(p.limits.minTempC, (l) => Math.min(air.tempC, partC) < l),
    "air.aboveLimit": beyond(p.limits.maxTempC, (l) => Math.max(air.tempC, partC) > l),
    "air.aboveHumidityLimit": beyond(p.limits.maxRhPct, (l) => air.rhPct > l),
    "air.belowFilmForming": beyond(formsAboveC, (l) => coldestC < l),
    "air.frostTonight": air.frostTonight ?? false,
    "air.canC": layer.setUp?.canTempC ?? (layer.before.includes("warm-can") ? CAN_WARM_C : air.tempC),
  };
}
