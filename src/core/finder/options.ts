import { isPastDate } from "../judge/pile";
import type { Layer, Product, Region, Role } from "../model";
import {
  dftUm,
  hexLuminance,
  hueOf,
  MAX_FILLER_COATS,
  MOST_SKINS,
  plannedWftUm,
  ridgeBuriedUm,
  skinsFor,
} from "../numbers";
import { FOAM_BARRIER, hasTrait, materialFacts, PALE_FROM, volumeSolidsOf } from "../reference";
import { possibleBites } from "../rules";
import type { FinderInput, Option, Reason, Want } from "./types";

/** Order of work; a stack climbs it. An undercoat is a pale or metallic colour under a colour that hides weakly. */
export const RANK = {
  promoter: 0,
  sealer: 1,
  etch: 2,
  primer: 3,
  putty: 4,
  build: 5,
  undercoat: 6,
  colour: 7,
  clear: 8,
} as const;

const RANK_OF_ROLE: Partial<Record<Role, number>> = {
  promoter: RANK.promoter,
  sealer: RANK.sealer,
  "primer-etch": RANK.etch,
  primer: RANK.primer,
  putty: RANK.putty,
  "primer-highbuild": RANK.build,
  surfacer: RANK.build,
  colour: RANK.colour,
  clear: RANK.clear,
};

const ENDS: Readonly<Record<Want["until"], readonly number[]>> = {
  primer: [RANK.primer, RANK.build],
  colour: [RANK.colour, RANK.clear],
  clear: [RANK.clear],
  "clear-alone": [RANK.clear],
};

export const mayEnd = (o: Option, want: Want): boolean =>
  ENDS[want.until].includes(o.rank) &&
  (want.sheen === null || want.until === "primer" || o.product.sheen === want.sheen);

export const hidesWeakly = (p: Product): boolean =>
  p.effect === "fluorescent" || p.effect === "transparent" || hueOf(p.colour) !== "other";

const plain = (over: Partial<Omit<Layer, "id" | "productId">>): Omit<Layer, "id" | "productId"> => ({
  coats: 1,
  heaviness: "light",
  wftUm: null,
  gapMin: null,
  before: [],
  sandAfter: null,
  ...over,
});
type Draft = ReturnType<typeof plain>;

const coatDry = (p: Product, heaviness: Layer["heaviness"]): number =>
  dftUm(plannedWftUm({ wftUm: null, heaviness }, p), volumeSolidsOf(p));

function sealerDrafts(r: Region): readonly Draft[] {
  const barrier = plain({ coats: FOAM_BARRIER.coats, heaviness: "wet" });
  if (hasTrait(r.material, "polystyrene-foam", "soft-foam")) return [plain({ heaviness: "wet" }), barrier];
  return [plain({ coats: hasTrait(r.material, "wants-two-seals") ? 2 : 1, heaviness: "wet" })];
}

/** A rub takes about a third of what was laid, no more than 15 µm (est.). */
const RUB_SHARE = 1 / 3;
const RUB_MOST_UM = 15;

function buildDrafts(p: Product, input: FinderInput): readonly Draft[] {
  const { region, way } = input;
  const dry = coatDry(p, "wet");
  const needed = region.ridgeUm === null ? 2 : Math.ceil(region.ridgeUm / ridgeBuriedUm(dry, false));
  const coats = Math.min(MAX_FILLER_COATS, Math.max(2, needed));
  const takesUm = Math.round(Math.min(RUB_MOST_UM, coats * dry * RUB_SHARE));
  return [plain({ coats, heaviness: "wet", sandAfter: { grit: way.lastGrit, wet: true, takesUm } })];
}

/** Putty only where there is something to fill, or ridges no primer buries. */
function puttyDrafts(p: Product, input: FinderInput): readonly Draft[] {
  const depth = input.region.fillDepthUm ?? null;
  if (depth === null) return [];
  const skins = skinsFor(p, depth);
  if (skins > MOST_SKINS) return [];
  return [
    plain({
      coats: skins,
      heaviness: "wet",
      depthUm: depth,
      setUp: input.region.fillThrough ? { backing: true } : null,
      sandAfter: { grit: 240, wet: false, takesUm: Math.round(coatDry(p, "wet") * RUB_SHARE) },
    }),
  ];
}

/** Coats that hide by the product's own opaque film, else as many as its label speaks of. */
function colourDraft(p: Product): Draft {
  const heaviness = p.method === "brush" ? "wet" : "light";
  const opaque = p.effect === "solid" ? (p.opaqueDftUm ?? null) : null;
  const coats = opaque === null ? p.label.coats : Math.min(8, Math.max(1, Math.ceil(opaque / coatDry(p, heaviness))));
  return plain({ coats: Math.max(1, coats), heaviness });
}

function thinPasses(p: Product): Draft {
  return plain({
    coats: 2,
    heaviness: "mist",
    wftUm: Math.min(FOAM_BARRIER.passWftUm, plannedWftUm({ wftUm: null, heaviness: "mist" }, p)),
  });
}

/** Promoters are made for slick plastics; on anything else there is better. */
const isPlastic = (r: Region): boolean =>
  r.material !== null && r.material !== "unknown" && materialFacts(r.material).group === "plastic";

function drafts(p: Product, rank: number, input: FinderInput): readonly Draft[] {
  const { region, way } = input;
  // over polystyrene foam a strong carrier is laid in thin passes or not at all
  if (hasTrait(region.material, "polystyrene-foam") && Math.max(...possibleBites(p)) >= 3 && rank > RANK.sealer)
    return way.choices.foam === "b" ? [thinPasses(p)] : [];
  switch (rank) {
    case RANK.promoter:
      return isPlastic(region) ? [plain({})] : [];
    case RANK.sealer:
      return sealerDrafts(region);
    case RANK.primer:
      return way.choices["first-primer"] === "b" ? [plain({ coats: 2, heaviness: "mist" })] : [plain({})];
    case RANK.putty:
      return puttyDrafts(p, input);
    case RANK.build:
      return buildDrafts(p, input);
    case RANK.undercoat:
    case RANK.colour:
    case RANK.clear:
      return [colourDraft(p)];
    default:
      return [plain({})];
  }
}

const declaredForIsocyanate = (input: FinderInput): boolean =>
  input.protection.includes("air-fed") && input.protection.includes("extraction");

/** Why a product is left out before any stack is looked at; null = it is not. */
export function leftOut(p: Product, input: FinderInput): Reason | null {
  const { want } = input;
  if (RANK_OF_ROLE[p.role] === undefined) return { kind: "no-place", productId: p.id };
  if (want.onlyOwned && p.owned === false) return { kind: "not-owned", productId: p.id };
  if (p.hazards.some((h) => h.startsWith("isocyanate")) && !declaredForIsocyanate(input))
    return { kind: "hazard", productId: p.id };
  if (isPastDate(p, input.today ?? null)) return { kind: "past-date", productId: p.id };
  const undercoat = isUndercoat(p) && wantsUndercoat(input);
  if (p.role === "colour" && want.colourId !== null && want.colourId !== p.id && !undercoat)
    return { kind: "unwanted", productId: p.id };
  if (want.until === "primer" && (p.role === "colour" || p.role === "clear"))
    return { kind: "unwanted", productId: p.id };
  if (want.until === "clear-alone" && !CLEAR_FACE_ROLES.includes(p.role)) return { kind: "unwanted", productId: p.id };
  if (p.role === "putty" && (input.region.fillDepthUm ?? null) === null) return { kind: "unwanted", productId: p.id };
  return null;
}

const isUndercoat = (p: Product): boolean =>
  p.role === "colour" && (p.effect === "metallic" || (p.effect === "solid" && hexLuminance(p.colour) >= PALE_FROM));

function wantsUndercoat(input: FinderInput): boolean {
  const { colourId } = input.want;
  return input.shelf.some((p) => p.role === "colour" && (colourId === null || p.id === colourId) && hidesWeakly(p));
}

/** Every way of laying every product that may be offered, in the order of the shelf. */
export function optionsOf(input: FinderInput): readonly Option[] {
  const { want } = input;
  const list: Option[] = [];
  for (const product of input.shelf) {
    if (leftOut(product, input)) continue;
    const ranks: number[] = [];
    if (product.role !== "colour" || want.colourId === null || want.colourId === product.id)
      ranks.push(RANK_OF_ROLE[product.role]!);
    if (isUndercoat(product) && wantsUndercoat(input)) ranks.push(RANK.undercoat);
    for (const rank of ranks)
      for (const draft of drafts(product, rank, input))
        list.push({ index: list.length, product, rank, layer: { productId: product.id, ...draft } });
  }
  return list;
}

/** What may lie under a clear that leaves the face itself to be seen. */
const CLEAR_FACE_ROLES: readonly Role[] = ["promoter", "sealer", "putty", "clear"];

/**
 * May one film follow another in a system, whatever the rules say of the seam? A stack climbs the order of work; an
 * undercoat lies only under a weak colour; a colour stands on a primer and a clear on a colour.
 */
export const fits = (lower: Option | null, upper: Option, input: FinderInput): boolean => {
  if (lower && (lower.rank >= upper.rank || lower.product.id === upper.product.id)) return false;
  if (lower?.rank === RANK.undercoat && !(upper.rank === RANK.colour && hidesWeakly(upper.product))) return false;
  if (upper.rank === RANK.clear) return input.want.until === "clear-alone" || lower?.rank === RANK.colour;
  if (upper.rank === RANK.colour || upper.rank === RANK.undercoat) return primed(lower, upper, input);
  return true;
};

/** Bodies whose sealer is the ground the paint stands on. */
const SEALED_GROUPS = ["foam", "porous"];

/** Colour goes over primer; over the bare face only where nobody looks, or where one product is both and that is wished. */
function primed(lower: Option | null, upper: Option, { region, way }: FinderInput): boolean {
  if (region.finish === "hidden") return true;
  if (upper.product.combinedPrimer && way.choices.combined === "b") return true;
  if (lower === null) return false;
  if (lower.rank === RANK.sealer) {
    const known = region.material !== null && region.material !== "unknown";
    return known && SEALED_GROUPS.includes(materialFacts(region.material).group);
  }
  if (lower.rank === RANK.etch) return region.finish !== "show";
  return [RANK.primer, RANK.build, RANK.undercoat].some((r) => r === lower.rank);
}
