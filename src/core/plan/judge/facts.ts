import { type AppliedCoat, milestoneAfter, rateIn } from "../../film";
import type { AirSpot, Layer, MaterialId, Product, Region, Unknown } from "../../model";
import { MATERIALS } from "../../model";
import {
  coatsToHide,
  dftUm,
  dryDensityGMl,
  edgeTakesUm,
  filmMassG,
  grooveLost,
  hexLuminance,
  hidesScratchUm,
  hueOf,
  type LedgerLine,
  ladderStep,
  linearRgb,
  plannedWftUm,
  puttyLaidUm,
  ratioOff,
  ridgeBuriedUm,
  scratchUm,
} from "../../numbers";
import {
  CAN_MAX_C,
  carriersContradict,
  dewPointC,
  FOAM_BARRIER,
  familyFacts,
  familyServiceC,
  familySkinUm,
  labelTimes,
  MIX_TOLERANCE,
  materialFacts,
  OIL_FUEL_FAMILIES,
  PALE_FOR_TRANSPARENT,
  PALE_FROM,
  STACKED_COATS,
  STILL_AIR_M_S,
  strongestBite,
  TAPE_LATEST_MIN,
  volumeSolidsOf,
} from "../../reference";
import { type Facts, type FactValue, isContact, type KnownValue } from "../../rules";
import { clockIn, coatGapOf, filmStateAt, type LaidFilm, laidFilm, pileFilm, reachedMin } from "./moments";
import type { JudgeInput, SeamPlan } from "./types";

/** A pile being judged: layers with their products as they go on, and what is known so far. */
export interface Pile {
  readonly input: JudgeInput;
  readonly layers: readonly Layer[];
  readonly products: readonly Product[];
  readonly ledger: readonly LedgerLine[];
  /** indices of layers that leave a film, bottom up */
  readonly films: readonly number[];
  /** minutes from the end of the film below to the first coat of a layer, as far as seams have been judged */
  readonly gaps: Map<number, number>;
  /** films on what lies below them, by layer; worked out once */
  readonly laid: Map<number, LaidFilm>;
  /** widest coupon pass laid over this very pile, µm of wet film; 0 = none */
  readonly couponWftUm: number;
}

export const airOf = (pile: Pile, i: number): AirSpot | null =>
  pile.layers[i]!.air ?? (pile.input.airCounts ? pile.input.air : null);

/** The film of layer i on everything below it, every layer laid when its seam was judged to be; the planner asks the same pile. */
export function filmOn(pile: Pile, i: number): LaidFilm {
  const known = pile.laid.get(i);
  if (known) return known;
  const coats: AppliedCoat[] = [];
  for (const k of pile.films.filter((f) => f <= i)) {
    const [layer, product] = [pile.layers[k]!, pile.products[k]!];
    const gapMin = coatGapOf(layer, product);
    const last = coats.at(-1);
    const startMin = last ? last.endMin + (pile.gaps.get(k) ?? 0) : 0;
    const below = filmBelow(pile, k);
    const rub = below >= 0 ? pile.layers[below]!.sandAfter : null;
    if (last && rub) coats[coats.length - 1] = { ...last, rubbed: { atMin: startMin, takesUm: rub.takesUm } };
    const wftUm = plannedWftUm(layer, product);
    for (let n = 0; n < layer.coats; n++) coats.push({ product, wftUm, endMin: startMin + n * gapMin });
  }
  const film = pileFilm(coats, clockIn(airOf(pile, i)));
  pile.laid.set(i, film);
  return film;
}

/** Index of the film below layer i, or -1. */
export const filmBelow = (pile: Pile, i: number): number => pile.films.filter((f) => f < i).at(-1) ?? -1;

/** A product as it goes on: what it is thinned or mixed with is in it. */
export function asLaid(layer: Layer, productOf: (id: string) => Product): Product {
  const own = productOf(layer.productId);
  const added = [layer.thinnerId, layer.mixedWithId].filter((id): id is string => !!id && id !== own.id).map(productOf);
  if (added.length === 0) return own;
  const all = [own, ...added].map((p) => p.carriers);
  const carriers = all.some((c) => c === "unknown")
    ? ("unknown" as const)
    : [...new Set(all.flatMap((c) => c as readonly Exclude<(typeof c)[number], string>[]))];
  return { ...own, carriers: carriers as Product["carriers"] };
}

/** The colour that shows under layer i: clears and decals let the one below through. Null = nobody told. */
export function groundColour(pile: Pile, i: number): Product | null {
  for (const k of pile.films.filter((f) => f < i).reverse()) {
    const p = pile.products[k]!;
    if (p.role === "clear" || p.role === "decal" || p.role === "promoter" || p.effect === "transparent") continue;
    return p.assumed?.includes("colour") || p.unknowns?.includes("colour") ? null : p;
  }
  return null;
}

/** Roles whose films keep carriers from what lies below them. */
const BARRIER_ROLES = new Set(["sealer", "primer", "primer-highbuild", "surfacer", "colour", "clear"]);
/** A barrier that attacked the foam itself would be none: up to alcohols. */
const BARRIER_BITE_MAX = 1;

interface Barrier {
  readonly coats: number;
  readonly dryUm: number;
  readonly cured: boolean;
  readonly edges: boolean;
}

/** A closed coat of something that leaves the foam alone: a mist is no barrier, nor is a strong primer over one. */
function isBarrier(pile: Pile, k: number): boolean {
  const p = pile.products[k]!;
  const mild = p.carriers !== "unknown" && !carriersContradict(p) && strongestBite(p.carriers) <= BARRIER_BITE_MAX;
  return BARRIER_ROLES.has(p.role) && p.family !== "gypsum-filler" && mild && pile.layers[k]!.heaviness !== "mist";
}

function barrierBelow(pile: Pile, seams: readonly (SeamPlan | null)[], i: number): Barrier {
  const seal = pile.input.region.sealedBy;
  const below = pile.films.filter((k) => k < i);
  const own = below.filter((k) => isBarrier(pile, k));
  const sealCured = !seal || seal.cured === true;
  return {
    coats: own.reduce((sum, k) => sum + pile.layers[k]!.coats, seal?.coats ?? 0),
    dryUm: own.reduce((sum, k) => sum + pile.ledger[k]!.addedUm - pile.ledger[k]!.takenUm, seal?.dftUm ?? 0),
    // what went over the barrier first found it as it was then; further films do not make it younger
    cured: sealCured && (own.length === 0 || curedWhenCovered(pile, seams, own.at(-1)!, i)),
    edges: own.every((k) => pile.layers[k]!.setUp?.edgesCovered !== false),
  };
}

/** Was the last coat of the barrier through cured when the first film that could attack went over it? */
function curedWhenCovered(pile: Pile, seams: readonly (SeamPlan | null)[], last: number, i: number): boolean {
  const over = pile.films.find((k) => k > last && k <= i) ?? i;
  const wait = seams[over];
  return wait?.state === "cured" || waitsForCured(wait);
}

const waitsForCured = (seam: SeamPlan | null | undefined): boolean =>
  seam?.waits.some((w) => w.until === "cured") ?? false;

/** Is there a cured film below that keeps this layer's carriers from an older finish? */
function isolatesOld(pile: Pile, seams: readonly (SeamPlan | null)[], i: number): boolean {
  const upper = pile.products[i]!;
  const alcohol = upper.carriers === "unknown" || upper.carriers.includes("alcohol");
  return pile.films
    .filter((k) => k < i)
    .some((k) => {
      const { family } = pile.products[k]!;
      if (family === "unknown") return false;
      const f = familyFacts(family);
      const barrier =
        f.twoPart || family === "urethane-mc" || f.mechanism === "water" || (family === "shellac" && !alcohol);
      const direct = filmBelow(pile, i) === k;
      return barrier && (!direct || seams[i]?.state === "cured" || waitsForCured(seams[i]));
    });
}

const possible = (m: MaterialId | Unknown): readonly MaterialId[] => (m === "unknown" ? MATERIALS : [m]);

/** Dry film of one coat of a layer, µm. */
const coatDryUm = (pile: Pile, i: number): number =>
  dftUm(plannedWftUm(pile.layers[i]!, pile.products[i]!), volumeSolidsOf(pile.products[i]!));

/** Depth told for a fill, all skins together, µm; null = none was. */
const fillDepth = (pile: Pile, i: number): number | null =>
  pile.layers[i]!.depthUm ?? (pile.products[i]!.role === "putty" ? (pile.input.region.fillDepthUm ?? null) : null);

/** One skin of a layer as deep as it is laid, µm, so that the last stands proud by what it loses. */
export function skinOf(pile: Pile, i: number): number {
  const [layer, product] = [pile.layers[i]!, pile.products[i]!];
  const depth = fillDepth(pile, i);
  const laidUm = product.role === "putty" ? plannedWftUm(layer, product) : coatDryUm(pile, i);
  return depth === null ? laidUm : puttyLaidUm(depth, product.shrinkage ?? 0) / layer.coats;
}

function skinFacts(pile: Pile, i: number): Facts {
  const [layer, product] = [pile.layers[i]!, pile.products[i]!];
  const filler = product.role === "putty" || layer.depthUm != null;
  const skinUm = skinOf(pile, i);
  const usual = product.family === "unknown" ? null : familySkinUm(product.family);
  return {
    "layer.skinOverLimit": product.maxSkinUm !== null && skinUm > product.maxSkinUm + 1e-9,
    "layer.skinOverUsual": product.maxSkinUm === null && filler && usual !== null && skinUm > usual,
    "layer.beyondLight": product.cureDepthUm != null && skinUm > product.cureDepthUm,
    "layer.shaded": layer.setUp?.shaded ?? false,
    "layer.backed": layer.setUp?.backing ?? false,
  };
}

function rubFacts(pile: Pile, i: number): Facts {
  const [layer, line] = [pile.layers[i]!, pile.ledger[i]!];
  const rub = layer.sandAfter;
  const firstFilm = pile.films[0] === i;
  const scuffsDry = layer.before.includes("scuff") && !layer.scuffWet;
  const reaches = rub !== null && !rub.wet && edgeTakesUm(rub.takesUm) >= line.totalUm + line.takenUm;
  // papers that follow each other with no film between them make a ladder
  const before = i > 0 && !pile.films.includes(i) ? pile.layers[i - 1]!.sandAfter : null;
  return {
    "layer.rubbed": rub !== null || layer.before.includes("scuff"),
    "layer.sandsThrough": rub !== null && line.addedUm > 0 && rub.takesUm >= line.addedUm,
    "layer.dryRubReachesGround": (firstFilm && scuffsDry) || reaches,
    "layer.ladderJump": rub !== null && before !== null && ladderStep(before, rub) === "jump",
  };
}

function heatFacts(pile: Pile, i: number): Facts {
  const layer = pile.layers[i]!;
  const material = pile.input.region.material!;
  const heated = layer.before.includes("heat");
  // EVA is closed by brief hot air before anything lies on it
  const closing = material === "eva" && filmBelow(pile, i) < 0;
  const tooHot = (m: MaterialId) => heated && !closing && (layer.heatC ?? 0) > materialFacts(m).dryHeatMaxC;
  const answers = [...new Set(possible(material).map(tooHot))];
  const below = filmBelow(pile, i);
  return {
    "layer.heated": heated,
    "layer.heatOverLimit": answers.length === 1 ? answers[0]! : { candidates: answers, missing: "region.material" },
    "layer.heatUnstated": heated && !closing && layer.heatC == null,
    "layer.heatBeforeTouch": heated && below >= 0 && heatsTooSoon(pile, below, layer.gapMin),
  };
}

function heatsTooSoon(pile: Pile, below: number, gapMin: number | null): boolean {
  const p = pile.products[below]!;
  const solvent = p.carriers === "unknown" || strongestBite(p.carriers) >= 1;
  if (!solvent || gapMin === null) return false;
  const film = filmOn(pile, below);
  return film.endMin + gapMin < reachedMin(film, "touch");
}

function mixFacts(pile: Pile, i: number): Facts {
  const layer = pile.layers[i]!;
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
    "layer.activatorUsed": layer.setUp?.activator ?? false,
  };
}

function thinnerFits(own: Product, thinner: Product): FactValue {
  if (thinner.carriers === "unknown") return { candidates: [true, false], missing: "thinner.carriers" };
  if (own.unknowns?.includes("thinnerCarriers"))
    return { candidates: [true, false], missing: "product.thinnerCarriers" };
  const allowed = own.thinnerCarriers ?? own.carriers;
  if (allowed === "unknown") return { candidates: [true, false], missing: "product.thinnerCarriers" };
  return thinner.carriers.every((c) => allowed.includes(c));
}

function tapeFacts(pile: Pile, i: number): Facts {
  const layer = pile.layers[i]!;
  const { tape } = layer;
  if (!tape) return { "layer.taped": null };
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

/** What a colour lies on: the film that shows under it, else the bare material, whose shade is a usual one. */
interface Ground {
  readonly colour: string;
  readonly effect: Product["effect"];
}
function groundOfColour(pile: Pile, i: number): Ground | null {
  const film = groundColour(pile, i);
  if (film) return film;
  const covered = pile.films.some((k) => k < i && !SHOWS_THROUGH.has(pile.products[k]!.role));
  const { material } = pile.input.region;
  if (covered || pile.input.region.oldFinish || material === null || material === "unknown") return null;
  return {
    colour: materialFacts(material).usualColour,
    effect: materialFacts(material).group === "metal" ? "metallic" : "solid",
  };
}
const SHOWS_THROUGH = new Set(["clear", "decal", "promoter"]);

function colourFacts(pile: Pile, i: number): Facts {
  const p = pile.products[i]!;
  if (p.role !== "colour" || p.assumed?.includes("colour")) return { "layer.hue": null, "layer.groundPale": null };
  const ground = groundOfColour(pile, i);
  const hue = hueOf(p.colour);
  const sameHue = ground !== null && hue !== "other" && hueOf(ground.colour) === hue;
  const pale = ground === null || sameHue || ground.colour === p.colour ? null : paleUnder(p, ground);
  const needed = coatsNeeded(pile, i, ground);
  return {
    "layer.hue": hue,
    "layer.groundPale": pale,
    "layer.hiding": needed === null ? null : needed <= pile.layers[i]!.coats ? "enough" : "short",
    "layer.coatsToHide": needed === null ? null : Math.min(999, needed),
  };
}

/** Metal is neither pale nor dark: only transparent colours are laid over it for its shine. */
function paleUnder(p: Product, ground: Ground): boolean {
  const shines = ground.effect === "metallic" || ground.effect === "pearl";
  if (p.effect === "transparent") return shines || hexLuminance(ground.colour) >= PALE_FOR_TRANSPARENT;
  return !shines && hexLuminance(ground.colour) >= PALE_FROM;
}

/** Coats that would hide what is below; more than a hundred counts as never. Null = it goes by rule, or nobody told. */
function coatsNeeded(pile: Pile, i: number, ground: Ground | null): number | null {
  const p = pile.products[i]!;
  if (p.effect !== "solid" || p.opaqueDftUm == null || ground === null || ground.effect !== "solid") return null;
  return coatsToHide(p.colour, p.opaqueDftUm, coatDryUm(pile, i), linearRgb(ground.colour)) ?? NEVER_HIDES_COATS;
}
const NEVER_HIDES_COATS = 100;

function serviceUnder(region: Region, p: Product): KnownValue {
  const needC = region.serviceTempC ?? null;
  if (needC === null) return "no";
  if (p.serviceTempC != null) return p.serviceTempC < needC ? "stated" : "no";
  return p.family !== "unknown" && familyServiceC(p.family) < needC ? "usual" : "no";
}

function coatGap(pile: Pile, i: number): KnownValue {
  const layer = pile.layers[i]!;
  if (layer.coatGapMin == null || layer.coats < 2) return null;
  const one = laidFilm({ ...layer, coats: 1 }, pile.products[i]!, airOf(pile, i));
  const state = filmStateAt(one, layer.coatGapMin);
  const flashed = milestoneAfter(one.coats, "flash", one.clock);
  const past = flashed.outcome === "reached" && layer.coatGapMin >= flashed.atMin - 1e-6;
  return past && (state === "wet" || state === "uncured") ? "open" : state;
}

/** Films made to hold on what is below them. */
const GRIPS = new Set(["promoter", "sealer", "primer-etch", "primer", "primer-highbuild", "surfacer"]);

/** Past the day its label names; ISO days compare as text. */
export const isPastDate = (p: Pick<Product, "useBy">, today: string | null): boolean =>
  today !== null && p.useBy != null && p.useBy < today;

/** Facts of one layer with what lies below it. */
export function layerFacts(pile: Pile, seams: readonly (SeamPlan | null)[], i: number): Facts {
  const [layer, product] = [pile.layers[i]!, pile.products[i]!];
  const barrier = barrierBelow(pile, seams, i);
  const wftUm = plannedWftUm(layer, product);
  const limitUm = Math.min(FOAM_BARRIER.couponPassWftUm, Math.max(FOAM_BARRIER.passWftUm, pile.couponWftUm));
  const heavy = layer.wftUm === null && (layer.heaviness === "wet" || layer.heaviness === "flood");
  return {
    "layer.isFirst": filmBelow(pile, i) < 0,
    "layer.isTop": pile.films.at(-1) === i,
    "layer.filmBelow": filmBelow(pile, i) >= 0,
    "layer.promoterBelow": pile.films.some((k) => k < i && pile.products[k]!.role === "promoter"),
    "layer.dryUmBelowIsBarrier": barrier.dryUm,
    "layer.barrierCoatsBelow": barrier.coats,
    "layer.barrierCured": barrier.cured,
    "layer.edgesCovered": barrier.edges,
    "layer.passThinEnough": !heavy && wftUm <= limitUm,
    "layer.gripBelow": pile.films.some((k) => k <= i && GRIPS.has(pile.products[k]!.role)),
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

/** Most coats of one reversible family that go on within two days. */
function stackedCoats(pile: Pile): number {
  let most = 0;
  let run = { family: "", coats: 0, spanMin: 0 };
  for (const i of pile.films) {
    const { family } = pile.products[i]!;
    const reversible = family !== "unknown" && familyFacts(family).reversible;
    const gapMin = pile.layers[i]!.gapMin ?? 0;
    const { coats } = pile.layers[i]!;
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
    const kind = ["colour", "clear", "wash", "decal"].includes(pile.products[k]!.role) ? "colour" : "primer";
    return sum + hidesScratchUm(pile.ledger[k]!.addedUm, kind, strict);
  }, 0);
  return scratchUm(pile.layers[last]!.sandAfter!) > hidden + 1e-9;
}

function ridgeLeftUm(pile: Pile): number | null {
  const { ridgeUm } = pile.input.region;
  if (ridgeUm === null) return null;
  const buried = pile.films
    .filter((i) => ["primer-highbuild", "surfacer", "putty"].includes(pile.products[i]!.role))
    .reduce((sum, i) => {
      const l = pile.layers[i]!;
      return sum + ridgeBuriedUm(pile.ledger[i]!.addedUm, l.heaviness === "mist" || l.sandAfter === null);
    }, 0);
  return Math.max(0, Math.round(ridgeUm - buried));
}

/** Dry mass a pile adds to a region, g; null without an area. */
export function pileMassG(pile: Pick<Pile, "films" | "ledger" | "products">, areaCm2: number | null): number | null {
  if (areaCm2 === null) return null;
  return pile.films.reduce((sum, i) => {
    const line = pile.ledger[i]!;
    const p = pile.products[i]!;
    return sum + filmMassG(line.addedUm - line.takenUm, areaCm2, dryDensityGMl(p));
  }, 0);
}

/** A putty told by its depth, or on a part with something to fill. */
const fillsHoles = (pile: Pile, i: number): boolean =>
  pile.products[i]!.role === "putty" && (pile.layers[i]!.depthUm != null || pile.input.region.fillDepthUm != null);

/** The card's own word first, then what such binders usually do. */
function oilProof(top: Product): FactValue {
  if (top.resists != null) return top.resists.includes("oil") && top.resists.includes("fuel") ? "yes" : "stated-no";
  if (top.family === "unknown") return { candidates: ["yes", "unsure"], missing: "product.family" };
  return OIL_FUEL_FAMILIES.includes(top.family) ? "yes" : "unsure";
}

/** Facts of the pile as a whole; it must hold at least one film. */
export function stackFacts(pile: Pile): Facts {
  const { region } = pile.input;
  const tops = pile.films.map((i) => pile.products[i]!);
  const top = tops.at(-1)!;
  const seen = tops.filter((p) => p.role === "colour" || p.role === "clear");
  const colour = tops.filter((p) => p.role === "colour").at(-1);
  // a black shows all in gloss; matt and satin are forgiving, whatever their colour
  const showsEverything =
    seen.length > 0 && (top.sheen === "gloss" || seen.some((p) => p.effect === "metallic" || p.effect === "pearl"));
  // what fills a hole or a seam lies in it, not in every groove and not on the faces that fit
  const buildUm = pile.films.reduce((sum, i) => {
    const { addedUm, takenUm } = pile.ledger[i]!;
    return fillsHoles(pile, i) ? sum : sum + addedUm - takenUm;
  }, 0);
  const ridgeUm = ridgeLeftUm(pile);
  const keptBare = (region.keepBare ?? []).length > 0 || pile.products.some((p) => p.role === "masking");
  const massG = pileMassG(pile, region.areaCm2);
  const budget = region.massBudgetG ?? null;
  return {
    "stack.topRole": top.role,
    "stack.topSheen": top.sheen,
    "stack.showsEverything": showsEverything,
    "stack.uvResistant": top.uvResistant,
    "stack.grooveLostPct": region.detailUm === null ? null : 100 * grooveLost(region.detailUm, buildUm),
    "stack.ridgeLeftUm": ridgeUm,
    "stack.ridgeBuried": ridgeUm === 0 && region.ridgeUm !== null && region.ridgeUm > 0,
    "stack.reversibleCoats": stackedCoats(pile),
    "stack.scratchShows": scratchShows(pile, showsEverything),
    "stack.overFit": region.fitAllowanceUm != null && buildUm > region.fitAllowanceUm && !keptBare,
    "stack.overMass": budget !== null && massG !== null && massG > budget,
    "stack.massUnknown": budget !== null && massG === null,
    "stack.topOilProof": oilProof(top),
    "stack.topWaterBorne": top.family !== "unknown" && familyFacts(top.family).mechanism === "water",
    "stack.fadingHue": colour ? hueOf(colour.colour) : "other",
  };
}

/** The air a layer is laid in, against its product's limits. */
export function airFacts(p: Product, air: AirSpot, layer: Layer): Facts {
  const formsAboveC = p.minFilmFormingC ?? (p.family === "unknown" ? null : familyFacts(p.family).filmFormingC);
  const partC = air.partTempC ?? air.tempC;
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
    "air.canC": layer.setUp?.canTempC ?? air.tempC,
  };
}

/** Numbers the family's defaults stood in for, as "layer index: figure". */
export function assumedFigures(pile: Pile): readonly string[] {
  return pile.films.flatMap((i) => {
    const p = pile.products[i]!;
    const times = labelTimes(p);
    const guessed = (["flash", "sandable", "cured"] as const)
      .filter((m) => times[m].assumed)
      .map((m) => `${i}: label.${m}`);
    const filled = (p.assumed ?? []).map((f) => `${i}: ${f}`);
    return [...guessed, ...(p.volumeSolids === null ? [`${i}: volumeSolids`] : []), ...filled];
  });
}

export const pileFilms = (products: readonly Product[]): readonly number[] =>
  products.flatMap((p, i) => (isContact(p) ? [] : [i]));
