import type { SeamPlan } from "../../judge";
import {
  type BeforeStep,
  isOneOf,
  type Layer,
  type LiquidBefore,
  type Method,
  opIds,
  type Product,
  type Region,
  subjectOf,
  TOUCH_KINDS,
} from "../../model";
import { featheredShare, lastPaper, type Mix, papersOf, plannedWftUm, spotShare } from "../../numbers";
import {
  BEFORE_LABOUR,
  CAN_WARM_C,
  COAT_LABOUR,
  canBathMin,
  familyFacts,
  GUIDE_DRY_MIN,
  LAMP_PASS_LABOUR,
  materialFacts,
  NEXT_PAPER_SHARE,
  PART_WARM_C,
  partWarmMin,
  SAND_LABOUR,
  SIDE_LABOUR,
  SPOT_SHARE,
  TOUCH_FACTS,
} from "../../reference";
import { isSprayed } from "../../rules";
import { blankOperation, type Operation } from "../operations";
import type { Wait } from "../types";
import { tapeOn } from "./mask";
import { dryAgain, HANDLED, inSteps, leavesFace, minutesFor, NO_WAIT, sideWork, type Work } from "./put-together";

/** Source: a layer, with what is done before it, its coats and their turns, its sanding, the tape laid on it; a round begins with a look. */

export function beforeLayer(
  work: Work,
  region: Region,
  layer: Layer,
  below: Layer | null,
  productOf: (id: string) => Product,
  seam: SeamPlan | null,
): void {
  const belowCoat = below && lastCoatId(below, region);
  const round = roundOf(layer.id);
  if (belowCoat && round !== null && roundOf(below.id) !== round) {
    const id = opIds.inspect(layer.id);
    work.push({ ...sideWork(region, "inspect", id, layer.id), round });
    // one looks as soon as the part can be held; what the look leads to waits for its own moment
    work.tie(belowCoat, id, HANDLED);
  }
  for (const step of layer.before) {
    const withId = layer.beforeWith?.[step as LiquidBefore];
    const wait = isWarming(step)
      ? waitAfterWarming(region, step, layer, productOf(layer.productId))
      : waitAfterBefore(region, layer, step, withId ? productOf(withId) : null);
    work.push({ ...beforeOp(region, layer, step), withId }, wait);
    // what is warmed for a coat is warmed when the coat is due, not the evening before
    if (isWarming(step) && belowCoat) work.tie(belowCoat, opIds.before(layer.id, step), seamWait(seam));
    // warmth on a film still wet with solvent is fire and bubbles: it always waits for touch dry
    if ((step === "heat" || step === "warm-part") && belowCoat)
      for (const coatId of [opIds.coat(below.id, below.coats), belowCoat])
        work.tie(coatId, opIds.before(layer.id, step), { kind: "milestone", milestone: "touch", leastMin: 0 });
    if (step === "scuff" && belowCoat) work.tie(belowCoat, opIds.before(layer.id, step), { kind: "sandable" });
  }
}

/** What a layer waits for on the film below it, as its seam was judged. */
export const seamWait = (seam: SeamPlan | null): Wait => ({
  kind: "seam",
  waits: seam?.waits ?? [{ until: "sandable" }],
  fallback: seam?.fallback ?? [],
});

type Warming = "warm-part" | "warm-can";
const isWarming = (step: BeforeStep): step is Warming => step === "warm-part" || step === "warm-can";

/** What is warmed, and to how much, °C. */
const warmedTo = (step: BeforeStep, { setUp, partC }: Layer): number | null => {
  if (step === "warm-can") return setUp?.canTempC ?? CAN_WARM_C;
  return step === "warm-part" ? (partC ?? PART_WARM_C) : null;
};

/** In the water, or in the box, until it is warm through. */
function waitAfterWarming(region: Region, step: Warming, layer: Layer, product: Product): Wait {
  if (step === "warm-can")
    return { kind: "fixed", minutes: inSteps(canBathMin(product, warmedTo(step, layer)!)), what: "can-bath" };
  const group =
    region.material === null || region.material === "unknown" ? "resin" : materialFacts(region.material).group;
  return { kind: "fixed", minutes: partWarmMin(group).throughMin, what: "warm-through" };
}

export function coatsOf(
  work: Work,
  region: Region,
  layer: Layer,
  below: Layer | null,
  product: Product,
  seam: SeamPlan | null,
): void {
  const flashed: Wait = { kind: "flash", apartMin: layer.coatGapMin ?? null };
  const faces = turnsOf(region) + 1;
  for (let n = 1; n <= layer.coats; n++) {
    const { coat, turns } = coatOps(region, layer, product, n);
    // every face has a film and a window of its own: it waits for its own coat below, not for the last one that was laid
    const faceTies = faces > 1 && n > 1;
    const after = turns.length > 0 ? HANDLED : flashed;
    if (product.role === "putty") work.push(coat, after);
    else work.coat(coat, after);
    for (const [k, turn] of turns.entries())
      work.push(turn, k < turns.length - 1 ? HANDLED : faces > 1 ? NO_WAIT : flashed);
    if (faceTies)
      for (let k = 0; k < faces; k++)
        work.tie(faceId(opIds.coat(layer.id, n - 1), k), faceId(opIds.coat(layer.id, n), k), flashed);
  }
  if (below)
    for (let k = 0; k < faces; k++)
      work.tie(faceId(opIds.coat(below.id, below.coats), k), faceId(opIds.coat(layer.id, 1), k), seamWait(seam));
  work.now(NO_WAIT);
}

export function afterLayer(
  work: Work,
  region: Region,
  layer: Layer,
  product: Product,
  moreToCome: boolean,
  kept: boolean,
): void {
  const coatId = lastCoatId(layer, region);
  if (layer.sandAfter) {
    const guideId = layer.sandAfter.guideId;
    if (guideId) {
      work.waitFor(coatId, opIds.guide(layer.id), HANDLED);
      work.push(guideOp(region, layer, guideId), { kind: "fixed", minutes: GUIDE_DRY_MIN, what: "guide" });
      work.tie(coatId, opIds.sand(layer.id), { kind: "sandable" });
    } else work.waitFor(coatId, opIds.sand(layer.id), { kind: "sandable" });
    work.push(
      sandOp(region, layer, product, layer.sandAfter),
      papersOf(layer.sandAfter).some((p) => p.wet) ? dryAgain(region, "wet-rub", true) : NO_WAIT,
    );
  }
  if (layer.tape && moreToCome) tapeOn(work, region, layer, product, coatId, kept);
}

/** The last thing done to a layer's last coat: the turn after it, where the part is turned. */
export const lastCoatId = (layer: Layer, region: Region): string => {
  const coatId = opIds.coat(layer.id, layer.coats);
  const turns = turnsOf(region);
  return turns > 0 ? opIds.turn(coatId, turns) : coatId;
};
const turnsOf = (region: Region): number => region.turns ?? 0;
/** The operation that lays a coat on a face: the coat itself on the first, its turns on the others. */
const faceId = (coatId: string, face: number): string => (face === 0 ? coatId : opIds.turn(coatId, face));

function sandOp(region: Region, layer: Layer, product: Product, rub: NonNullable<Layer["sandAfter"]>): Operation {
  const round = roundOf(layer.id) ?? undefined;
  const papers = papersOf(rub);
  const laid = round === undefined || layer.places?.length ? spotShare(layer, product, region) : SPOT_SHARE;
  const share =
    (rub.share ?? featheredShare(laid, layer, region.areaCm2)) * (1 + NEXT_PAPER_SHARE * (papers.length - 1));
  return {
    ...blankOperation,
    id: opIds.sand(layer.id),
    regionId: region.id,
    layerId: layer.id,
    kind: "sand",
    handsOnMin: minutesFor(SAND_LABOUR, region.areaCm2, share),
    abrasive: {
      from: rub.grit,
      to: lastPaper(rub).grit,
      wet: papers.every((p) => p.wet),
      ...(papers.length > 1 ? { papers } : {}),
    },
    dusty: papers.some((p) => !p.wet),
    takesUm: rub.takesUm,
    until: rub.until,
    round,
    ...placesOf(layer),
  };
}

/** Misted on to be rubbed off: what is left of it shows where the face is low. */
const guideOp = (region: Region, layer: Layer, guideId: string): Operation => ({
  ...blankOperation,
  id: opIds.guide(layer.id),
  regionId: region.id,
  layerId: layer.id,
  kind: "guide",
  handsOnMin: minutesFor(SIDE_LABOUR.guide, region.areaCm2),
  withId: guideId,
  ...placesOf(layer),
});

/** Where a layer and what is done to it lie, where that is told. */
const placesOf = ({ places, mend }: Layer): Pick<Operation, "places" | "mend"> => ({
  ...(places?.length ? { places } : {}),
  ...(mend ? { mend } : {}),
});

const beforeOp = (region: Region, layer: Layer, step: BeforeStep): Operation => ({
  ...blankOperation,
  id: opIds.before(layer.id, step),
  regionId: region.id,
  layerId: layer.id,
  kind: "before",
  step,
  handsOnMin: minutesFor(BEFORE_LABOUR[step], region.areaCm2),
  ...(isWarming(step) ? { warmC: warmedTo(step, layer)! } : {}),
  ...(layer.mend ? { mend: layer.mend } : {}),
  dusty: step === "scuff" && !layer.scuffWet,
});

function waitAfterBefore(region: Region, layer: Layer, step: BeforeStep, liquid: Product | null): Wait {
  if (step === "dry") return dryAgain(region, "rinse");
  if (step === "scuff" && layer.scuffWet) return dryAgain(region, "wet-rub", true);
  return step === "degrease" || step === "wipe" ? leavesFace(region, liquid, true) : NO_WAIT;
}

const isTouch = isOneOf(TOUCH_KINDS);
const hardenedByLight = ({ family }: Product): boolean =>
  family !== "unknown" && familyFacts(family).mechanism === "light";

/** A coat, and the turns in which its other faces follow once the part can be held; its minutes are shared among them. */
function coatOps(region: Region, layer: Layer, product: Product, n: number): { coat: Operation; turns: Operation[] } {
  const method: Method = product.method;
  const round = roundOf(layer.id) ?? undefined;
  const found = round !== undefined && product.role === "putty" && !layer.places?.length;
  const share = found ? SPOT_SHARE : spotShare(layer, product, region);
  const count = turnsOf(region);
  const labour = layer.touch && isTouch(layer.touch.kind) ? TOUCH_FACTS[layer.touch.kind] : null;
  const wholeMin =
    (labour
      ? minutesFor(labour.labour, region.areaCm2, share) + inSteps(labour.pieceMin * (layer.touch?.count ?? 1))
      : minutesFor(COAT_LABOUR[method], region.areaCm2, share)) +
    (hardenedByLight(product) ? minutesFor(LAMP_PASS_LABOUR, region.areaCm2, share) : 0);
  const handsOnMin = inSteps(wholeMin / (count + 1));
  const coat: Operation = {
    id: opIds.coat(layer.id, n),
    regionId: region.id,
    layerId: layer.id,
    kind: "coat",
    step: null,
    coat: n,
    of: layer.coats,
    productId: product.id,
    wftUm: plannedWftUm(layer, product),
    handsOnMin,
    sprayed: isSprayed(product),
    abrasive: null,
    dusty: false,
    takesUm: 0,
    round,
    mix: mixOf(layer),
    ...(layer.touch ? { touch: layer.touch } : {}),
    ...(share < 1 ? { share } : {}),
    ...placesOf(layer),
    ...(layer.before.includes("warm-part") ? { partC: warmedTo("warm-part", layer)! } : {}),
  };
  const turns = Array.from(
    { length: count },
    (_, k): Operation => ({
      ...coat,
      id: opIds.turn(coat.id, k + 1),
      kind: "turn",
      coat: k + 1,
      of: count,
      wftUm: null,
    }),
  );
  return { coat, turns };
}

function mixOf({ thinnerId, thinRatio, mixedWithId }: Layer): Mix | undefined {
  if (!thinnerId && !thinRatio && !mixedWithId) return undefined;
  return { thinnerId, thinRatio, mixedWithId };
}

/** The round a layer was put in for, from 1; null = the user's own layer. */
const roundOf = (layerId: string): number | null => subjectOf(layerId).round?.n ?? null;
