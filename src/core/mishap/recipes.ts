/** Ways to put a face right: each makes work and layers out of what lies there and what stands on the shelf. */

import { mendLayerId } from "../history";
import type {
  ExtraWork,
  Layer,
  Mend,
  MishapExtent,
  MishapSign,
  Product,
  Region,
  Role,
  SandAfter,
  Stack,
} from "../model";
import { wetOnly } from "../policy";
import { CURE_SIDES, cureSideMin, hasTrait, materialFacts } from "../reference";
import type { FilmStage } from "./face";
import type { LessonShift } from "./lesson";
import { shifted } from "./shift";

export const RECIPES = [
  "leave",
  "wait-on",
  "pick-out",
  "wash-off",
  "level-recoat",
  "feather-prime",
  "refill",
  "reseal",
  "strip-film",
  "strip-all",
  "recure",
  "polish-out",
  "even-sheen",
  "redecal",
  "touch-up",
  "dry-out",
  "swap",
] as const;
export type RecipeId = (typeof RECIPES)[number];

/** What a mend is made from. */
export interface MendWorld {
  readonly region: Region;
  /** as it lies, mends put in, bottom first */
  readonly stack: Stack;
  readonly productOf: (id: string) => Product;
  /** what stands on the shelf, to be taken for what the pile does not have */
  readonly shelf: readonly Product[];
  /** index of the uppermost layer that lies there; -1 = none */
  readonly top: number;
  /** coats of it that are down */
  readonly topCoats: number;
  /** its own rub is done already */
  readonly topRubbed: boolean;
  readonly stage: FilmStage;
  readonly sign: MishapSign;
  readonly extent: MishapExtent;
  readonly place: string | null;
  /** ways this report, or one before it on the same film, was mended already */
  readonly tried: readonly RecipeId[];
  /** what the likeliest cause teaches: a coat laid again is not laid the way it failed */
  readonly shifts: readonly LessonShift[];
  /** id the mend's layers are named after */
  readonly mendId: string;
}

/** Why a way is none here. */
export const NO_WAY = [
  "nothing-lies",
  "nothing-on-shelf",
  "not-foam",
  "not-resin",
  "no-decal",
  "no-cleaner",
  "still-wet",
  "dry-already",
  "finish-forbids",
  "lead-or-foam",
] as const;
export type NoWay = (typeof NO_WAY)[number];
export type MendTry = { readonly ok: true; readonly mend: Mend } | { readonly ok: false; readonly why: NoWay };

const SHARE: Readonly<Record<MishapExtent, number>> = { speck: 0.02, patch: 0.15, face: 1 };
/** Dry film a level takes off, µm (est.): a speck is light work, a run or a face of texture more. */
const LEVEL_UM: Readonly<Record<MishapExtent, number>> = { speck: 4, patch: 10, face: 12 };
/** Film a polish costs, µm (est.). */
const POLISH_UM = 2;
const POLISH_GRIT = 2000;
const PRIMER_ROLES: ReadonlySet<Role> = new Set<Role>(["primer", "primer-highbuild", "surfacer"]);
const COLOUR_ROLES: ReadonlySet<Role> = new Set<Role>(["colour", "clear"]);

const no = (why: NoWay): MendTry => ({ ok: false, why });
const yes = (mend: Mend): MendTry => ({ ok: true, mend });

const topOf = (w: MendWorld): Layer | null => w.stack.layers[w.top] ?? null;
const topProduct = (w: MendWorld): Product | null => {
  const top = topOf(w);
  return top && w.productOf(top.productId);
};
const isWet = ({ stage }: MendWorld): boolean => stage === "wet";
const unfinished = (w: MendWorld): boolean => {
  const top = topOf(w);
  return top !== null && w.topCoats < top.coats;
};
const blank = (w: MendWorld): Mend => ({ works: [], rub: null, cut: null, over: topOf(w)?.id ?? null, layers: [] });

/** A layer of a mend's own. */
const laid = (productId: string, coats: number, over: Partial<Layer> = {}): Omit<Layer, "id"> => ({
  productId,
  coats,
  heaviness: "light",
  wftUm: null,
  gapMin: null,
  before: [],
  sandAfter: null,
  ...over,
});
const named = (w: MendWorld, layers: readonly Omit<Layer, "id">[]): readonly Layer[] =>
  layers.map((l, n) => ({ ...l, id: mendLayerId(w.mendId, n) }));
/** On the spot only, where it has a share or a name. */
const spotOf = ({ extent, place }: MendWorld): Partial<Layer> =>
  extent === "face" ? { spot: false } : { spot: SHARE[extent], ...(place ? { places: [place] } : {}) };

/** The next coat of the uppermost product all over. A primer or a putty is made good on the spot alone. */
function recoatOf(w: MendWorld, over: Partial<Layer> = {}): Omit<Layer, "id"> {
  const product = topProduct(w)!;
  const top = topOf(w)!;
  const local = PRIMER_ROLES.has(product.role) || product.role === "putty" || product.role === "sealer";
  const { thinnerId, thinRatio, mixedWithId, mixUsed } = top;
  const mix = { thinnerId, thinRatio, mixedWithId, mixUsed };
  const told = Object.fromEntries(Object.entries(mix).filter(([, v]) => v !== undefined));
  return shifted(
    laid(product.id, 1, { ...(local ? spotOf(w) : { spot: false }), ...told, ...over }),
    w.shifts,
    product,
  );
}

/** A rub of what lies there: as the layer's own where that is all down, else as work of its own before the next coat. */
function rubbed(w: MendWorld, sandAfter: SandAfter): Pick<Mend, "works" | "rub"> {
  const top = topOf(w)!;
  const share = SHARE[w.extent];
  if (!unfinished(w) && top.sandAfter === null)
    return { works: [], rub: { layerId: top.id, sandAfter: { ...sandAfter, ...(share < 1 ? { share } : {}) } } };
  // the rub it is to have anyway takes it off as well, if it takes enough
  if (!unfinished(w) && top.sandAfter !== null && !w.topRubbed) {
    const takesUm = Math.max(top.sandAfter.takesUm, sandAfter.takesUm);
    return { works: [], rub: { layerId: top.id, sandAfter: { ...top.sandAfter, takesUm } } };
  }
  const { grit, wet, takesUm } = sandAfter;
  return { works: [{ kind: "rub", grit, wet, takesUm }], rub: null };
}

/** Colours show the scratches of a coarse paper; what is painted over does not. */
function levelPaper(w: MendWorld): SandAfter {
  const { role, sheen } = topProduct(w)!;
  const grit =
    role === "putty" || role === "sealer" ? 320 : PRIMER_ROLES.has(role) ? 600 : sheen === "gloss" ? 1200 : 1000;
  // dry paper on foam's seal or on wood; water where it does no harm, and where lead asks for it
  const dryOnly = isPorous(w.region) && !wetOnly(w.region);
  return { grit, wet: wetOnly(w.region) || (!dryOnly && role !== "sealer"), takesUm: LEVEL_UM[w.extent] };
}

const ownOf = (w: MendWorld, roles: ReadonlySet<Role>, upTo = w.stack.layers.length - 1): Product | null => {
  const own = w.stack.layers.slice(0, upTo + 1).findLast((l) => roles.has(w.productOf(l.productId).role));
  return own ? w.productOf(own.productId) : null;
};
const onShelf = (w: MendWorld, roles: ReadonlySet<Role>): Product | null =>
  w.shelf.find((p) => roles.has(p.role) && p.owned !== false && p.leftMl !== 0) ?? null;
const primerFor = (w: MendWorld): Product | null => ownOf(w, PRIMER_ROLES) ?? onShelf(w, PRIMER_ROLES);

/** Everything that lay over the uppermost primer, to be laid again over a primed spot: colours and clears, as often as they lay there. */
function upperAgain(w: MendWorld): readonly Omit<Layer, "id">[] {
  const down = w.stack.layers.slice(0, w.top + 1);
  const from = down.findLastIndex((l) => !COLOUR_ROLES.has(w.productOf(l.productId).role));
  return down.slice(from + 1).map((l, n, all) => {
    const coats = n === all.length - 1 ? Math.max(1, w.topCoats) : l.coats;
    return laid(l.productId, coats, {
      spot: false,
      heaviness: l.heaviness,
      wftUm: l.wftUm,
      sandAfter: n === all.length - 1 ? null : l.sandAfter,
    });
  });
}

/** The layer stops where it is: what is left of it comes over the mend. */
function cutHere(w: MendWorld): { readonly cut: Mend["cut"]; readonly rest: readonly Omit<Layer, "id">[] } {
  const top = topOf(w);
  if (!top || !unfinished(w) || w.topCoats === 0) return { cut: null, rest: [] };
  const { id: _, coats, sandAfter, mend: __, ...same } = top;
  return {
    cut: { layerId: top.id, coats: w.topCoats },
    rest: [{ ...same, coats: coats - w.topCoats, before: [], gapMin: null, sandAfter }],
  };
}

const factsOf = ({ material }: Region) =>
  material === null || material === "unknown" ? null : materialFacts(material);
const isMetal = ({ region }: MendWorld): boolean => factsOf(region)?.group === "metal";
const isFoam = (region: Region): boolean => factsOf(region)?.group === "foam";
const isPorous = (region: Region): boolean => factsOf(region)?.porous ?? false;

/** Spots where bare material may show are primed: metal etched first, where the pile was. */
function spotPrime(w: MendWorld): readonly Omit<Layer, "id">[] | null {
  const primer = primerFor(w);
  if (!primer) return null;
  const etch = isMetal(w) ? ownOf(w, new Set<Role>(["primer-etch"])) : null;
  return [
    ...(etch ? [laid(etch.id, 1, spotOf(w))] : []),
    laid(primer.id, 2, {
      ...spotOf(w),
      sandAfter: {
        grit: 600,
        wet: levelPaper(w).wet,
        takesUm: 6,
        ...(w.extent === "face" ? {} : { share: SHARE[w.extent] }),
      },
    }),
  ];
}

/** Over a spot that was primed or filled: the layer's own rest, or what lay there once more. */
function closed(w: MendWorld, spots: readonly Omit<Layer, "id">[]): Pick<Mend, "cut" | "layers"> {
  const { cut, rest } = cutHere(w);
  const top = topProduct(w)!;
  const again = COLOUR_ROLES.has(top.role) ? upperAgain(w) : [];
  return { cut, layers: named(w, [...spots, ...(rest.length > 0 ? [...again.slice(0, -1), ...rest] : again)]) };
}

const RECIPE: Readonly<Record<RecipeId, (w: MendWorld) => MendTry>> = {
  // what is left stands as it is; nobody leaves what shows on a piece that is looked at closely
  leave: (w) =>
    w.region.finish === "show" && w.extent !== "speck" && !SOUND.has(w.sign) ? no("finish-forbids") : yes(blank(w)),
  "wait-on": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    if (w.stage === "cured") return no("dry-already");
    const until = w.stage === "wet" || w.stage === "touch" ? "sandable" : "cured";
    return yes({ ...blank(w), works: [{ kind: "look", until }] });
  },
  "pick-out": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    const mend = { ...blank(w), works: [{ kind: "pad" } as const] };
    return yes(unfinished(w) ? mend : { ...mend, layers: named(w, [recoatOf(w)]) });
  },
  "wash-off": (w) => {
    const product = topProduct(w);
    if (!product) return no("nothing-lies");
    if (w.stage === "sandable" || w.stage === "cured") return no("dry-already");
    if (isFragile(w)) return no("lead-or-foam");
    const cleaner = cleanerFor(w, product);
    if (!cleaner) return no("no-cleaner");
    const downTo = w.stack.layers[w.top - 1]?.id ?? null;
    return yes({ ...blank(w), works: [{ kind: "strip", downTo, way: "wiped", withId: cleaner.id }] });
  },
  "level-recoat": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    const rub = rubbed(w, levelPaper(w));
    const mend = { ...blank(w), ...rub };
    return yes(unfinished(w) ? mend : { ...mend, layers: named(w, [recoatOf(w, { before: ["wipe"] })]) });
  },
  "feather-prime": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    const spots = spotPrime(w);
    if (!spots) return no("nothing-on-shelf");
    const { cut, layers } = closed(w, spots);
    const wet = levelPaper(w).wet;
    const works: readonly ExtraWork[] = [
      { kind: "rub", grit: 320, wet, takesUm: LEVEL_UM[w.extent] },
      { kind: "rub", grit: 400, wet, takesUm: LEVEL_UM[w.extent] / 2 },
    ];
    return yes({ ...blank(w), works, cut, layers });
  },
  refill: (w) => {
    if (!topOf(w)) return no("nothing-lies");
    const PUTTY = new Set<Role>(["putty"]);
    const putty = ownOf(w, PUTTY) ?? onShelf(w, PUTTY);
    const spots = spotPrime(w);
    if (!putty || !spots) return no("nothing-on-shelf");
    const share = w.extent === "face" ? {} : { share: SHARE[w.extent] };
    const wet = wetOnly(w.region);
    // thin skins: what was too deep at once is not laid so again
    const fill = laid(putty.id, 2, {
      ...spotOf(w),
      heaviness: "light",
      before: ["scuff", "wipe"],
      sandAfter: { grit: 320, wet, takesUm: 10, ...share },
    });
    const { cut, layers } = closed(w, [fill, ...spots]);
    return yes({ ...blank(w), works: [{ kind: "rub", grit: 240, wet, takesUm: 2 * LEVEL_UM[w.extent] }], cut, layers });
  },
  reseal: (w) => {
    if (!isFoam(w.region) && !isPorous(w.region)) return no("not-foam");
    const SEAL = new Set<Role>(["sealer"]);
    const own = w.stack.layers.find((l) => w.productOf(l.productId).role === "sealer");
    const sealer = own ? w.productOf(own.productId) : onShelf(w, SEAL);
    if (!sealer) return no("nothing-on-shelf");
    const coats = Math.max(3, own?.coats ?? 0);
    const works: readonly ExtraWork[] = topOf(w)
      ? [{ kind: "rub", grit: 320, wet: false, takesUm: LEVEL_UM[w.extent] }]
      : [];
    const seal = laid(sealer.id, coats, { ...spotOf(w), heaviness: "wet" });
    if (!topOf(w)) return yes({ ...blank(w), works, layers: named(w, [seal]) });
    const { cut, layers } = closed(w, [seal, ...(sealer.id === topProduct(w)!.id ? [] : (spotPrime(w) ?? []))]);
    return yes({ ...blank(w), works, cut, layers });
  },
  "strip-film": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    return yes({ ...blank(w), works: stripTo(w.stack.layers[w.top - 1]?.id ?? null) });
  },
  "strip-all": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    // the seal of foam stays: what takes paint off it takes the foam as well
    const sealed = isFoam(w.region)
      ? w.stack.layers.slice(0, w.top).findLast((l) => w.productOf(l.productId).role === "sealer")
      : undefined;
    if (isFoam(w.region) && !sealed) return no("lead-or-foam");
    return yes({ ...blank(w), works: stripTo(sealed?.id ?? null) });
  },
  recure: (w) => {
    if (!hasTrait(w.region.material, "hardened-by-light")) return no("not-resin");
    const sides = w.region.cureSides ?? CURE_SIDES;
    return yes({ ...blank(w), works: [{ kind: "lamp", sideMin: w.region.cureSideMin ?? cureSideMin(null), sides }] });
  },
  "polish-out": (w) => {
    const product = topProduct(w);
    if (!product) return no("nothing-lies");
    if (isWet(w)) return no("still-wet");
    const polish = onShelf(w, new Set<Role>(["polish"]));
    if (!polish) return no("nothing-on-shelf");
    return yes({
      ...blank(w),
      works: [
        { kind: "rub", grit: POLISH_GRIT, wet: true, takesUm: POLISH_UM },
        { kind: "polish", withId: polish.id },
      ],
    });
  },
  "even-sheen": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    const CLEAR = new Set<Role>(["clear"]);
    const clear =
      ownOf(w, CLEAR) ??
      w.shelf.find((p) => p.role === "clear" && p.owned !== false && p.sheen === "matt") ??
      onShelf(w, CLEAR);
    if (!clear) return no("nothing-on-shelf");
    const { cut, rest } = cutHere(w);
    return yes({ ...blank(w), cut, layers: named(w, [...rest, laid(clear.id, 1, { spot: false })]) });
  },
  redecal: (w) => {
    const decal = w.stack.layers.findLast((l, i) => i <= w.top && w.productOf(l.productId).role === "decal");
    if (!decal) return no("no-decal");
    const softener = onShelf(w, new Set<Role>(["decal-setting"]));
    if (!softener) return no("nothing-on-shelf");
    return yes({ ...blank(w), layers: named(w, [laid(softener.id, 1, spotOf(w))]) });
  },
  "touch-up": (w) => {
    if (!topOf(w)) return no("nothing-lies");
    const spot = w.extent === "face" ? { spot: SHARE.patch } : spotOf(w);
    const { cut, rest } = cutHere(w);
    return yes({ ...blank(w), cut, layers: named(w, [recoatOf(w, { ...spot, before: ["wipe"] }), ...rest]) });
  },
  "dry-out": (w) => yes({ ...blank(w), works: [{ kind: "look", until: "dry" }] }),
  // what goes on instead is chosen beside its judgement
  swap: (w) => yes(blank(w)),
};

/** Signs that are no flaw of the face. */
const SOUND: ReadonlySet<MishapSign> = new Set<MishapSign>([
  "ran-out",
  "product-bad",
  "left-too-long",
  "clogging",
  "wrong-product",
]);

/** No liquid is wiped over it: lead, old paint, foam that has no seal on it yet. */
const isFragile = ({ region, stack, productOf, top }: MendWorld): boolean =>
  wetOnly(region) ||
  region.oldFinish != null ||
  (isFoam(region) && !stack.layers.slice(0, top + 1).some((l) => productOf(l.productId).role === "sealer"));

const stripTo = (downTo: string | null): readonly ExtraWork[] => [{ kind: "strip", downTo, way: "by-hand" }];

/** Water for what is thinned with water, else a thinner or cleaner of the same carriers. */
function cleanerFor(w: MendWorld, product: Product): Product | null {
  const carriers = product.thinnerCarriers ?? product.carriers;
  if (carriers === "unknown") return null;
  return (
    w.shelf.find(
      (p) =>
        (p.role === "thinner" || p.role === "degreaser") &&
        p.owned !== false &&
        p.carriers !== "unknown" &&
        p.carriers.some((c) => carriers.includes(c)),
    ) ?? null
  );
}

/** A recipe on this face, or why it is no way here. */
export const mendBy = (recipe: RecipeId, world: MendWorld): MendTry => RECIPE[recipe](world);

/**
 * Ways to mend in the order they are offered: those of the likeliest causes first; waiting and leaving where they are enough;
 * one that was tried on the same film before comes last.
 */
export function orderedRecipes(
  ranked: readonly { readonly cause: { readonly mends: readonly RecipeId[] }; readonly chance: number }[],
  world: Pick<MendWorld, "tried" | "region">,
): readonly RecipeId[] {
  const points = new Map<RecipeId, number>();
  for (const { cause, chance } of ranked)
    for (const [n, id] of cause.mends.entries()) points.set(id, (points.get(id) ?? 0) + chance / (n + 1));
  // a face nobody sees is left as it is
  if (world.region.finish === "hidden" && points.has("leave")) points.set("leave", 2);
  return [...points]
    .sort(([a, p], [b, q]) => Number(world.tried.includes(a)) - Number(world.tried.includes(b)) || q - p)
    .map(([id]) => id);
}
