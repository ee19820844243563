/** A pile judged whole: every place in it by the rules of its scope, in the order drawn below. */

import { at } from "../base";
import {
  type ExtraWork,
  HEAVINESSES,
  type JointTold,
  keyOf,
  type Layer,
  type PrepStep,
  type Product,
  type Stack,
  zoneStep,
} from "../model";
import { asLaid, filmLedger, plannedWftUm } from "../numbers";
import { mayBeFoam, onFoam } from "../reference";
import {
  applyRules,
  bareBiteAnswer,
  type FactSheet,
  type Fired,
  factSheet,
  isContact,
  labelForbids,
  type Remedy,
  RULE_BOOK,
  regionFacts,
  showsBare,
  upperFacts,
  worstOf,
} from "../rules";
import { couponWftUm, withCoupons } from "./coupons";
import { detailOf } from "./detail";
import { airFacts, layerFacts } from "./facts";
import { type GroundFilm, groundFilm } from "./ground";
import { liquidsBefore, liquidVerdicts, touching } from "./liquids";
import { assumedFigures, filmBelow, type Pile, pileFilms, tapeFluid } from "./pile";
import { groundSeam, planSeam, restSeam, toldOnSpots } from "./seams";
import type { JudgeAnswer, JudgeInput, PlacedVerdict, SeamPlan, StepLiquid, Where } from "./types";
import { stackFacts, zoneFacts } from "./whole";
import { workVerdicts } from "./work-asked";

/**
 * judge
 *   1. ask        a material and at least one layer, or say what is missing
 *   2. ledger     µm on and off, layer by layer
 *   3. first      the ground under its first film
 *   4. seams      every later film on the one below, in the state it will be in
 *   5. contact    liquids that touch without staying: of a step, of the layer itself, of its mask
 *   6. layers     each by itself, with what lies under it; its air
 *   7. stack      the pile as a whole
 *   8. coupons    what the shop has tried itself
 */
export function judgeStack(input: JudgeInput): JudgeAnswer {
  const { region, stack } = input;
  if (region.material === null) return { outcome: "incomplete", missing: ["region.material"] };
  const pile = pileOf(input);
  const base = factSheet({
    ...regionFacts(region, region.material, firstPrep(stack)),
    "bench.protection": input.protection,
  });
  const verdicts: PlacedVerdict[] = [];
  const add = (fired: readonly Fired[], where: Where, { liquid, zone }: About = {}) =>
    verdicts.push(
      ...fired.map((f) => ({
        ...f,
        remedy: f.remedy.filter((r) => changes(r, where.layer, pile)),
        where,
        key: keyOf(f.rule, where, stack.layers, liquid ?? (zone === undefined ? undefined : zoneStep(zone))),
        ...(liquid ? { liquid } : withDetail(detailOf(f, where, pile))),
        ...(zone === undefined ? {} : { zone }),
      })),
    );
  const addLiquids = (i: number, below: number) => {
    const afterMin = below < 0 ? null : (pile.gaps.get(i) ?? null);
    for (const { layer, ...liquid } of liquidsBefore(stack, i)) {
      const touch = { liquid: input.productOf(liquid.productId), layer, afterMin };
      add(liquidVerdicts(pile, touch, base, ground), { kind: below < 0 ? "region" : "seam", layer: i }, { liquid });
    }
    const fluid = tapeFluid(pile, i);
    if (fluid)
      add(
        liquidVerdicts(pile, { liquid: fluid, layer: i + 1, afterMin: at(pile.layers, i).tape!.onMin }, base, ground),
        { kind: "layer", layer: i },
        { liquid: { step: "tape", productId: fluid.id } },
      );
  };
  // over a film that lies on spots a layer also lies on whatever the spots leave free
  const addRest = (i: number, spot: number, upper: FactSheet, onSpot: readonly Fired[]) => {
    const told = new Set([...onSpot, ...verdicts.filter((v) => v.where.kind === "region")].map((f) => f.rule));
    // twenty spots of one putty, rubbed alike, are one thing to lie on
    const alike = (k: number) => `${at(pile.layers, k).productId} ${at(pile.layers, k).sandAfter !== null}`;
    const seen = new Set([alike(spot)]);
    for (let k = spot; k >= 0 && toldOnSpots(pile, k); k = filmBelow(pile, k)) {
      const under = filmBelow(pile, k);
      if (under >= 0 && seen.has(alike(under))) continue;
      if (under >= 0) seen.add(alike(under));
      const fired = under < 0 ? onGround(pile, upper, ground, i) : restSeam(pile, upper, i, under);
      add(
        fired.filter((f) => f.verdict !== "ok" && !told.has(f.rule)).map((f) => ({ ...f, rest: true as const })),
        { kind: "seam", layer: i },
      );
      for (const f of fired) told.add(f.rule);
    }
  };
  const seams: (SeamPlan | null)[] = [];
  const ground = groundFilm(region);
  stack.layers.forEach((layer, i) => {
    const product = at(pile.products, i);
    const upper = factSheet(upperFacts(product, layer.heaviness, plannedWftUm(layer, product)), base);
    const below = filmBelow(pile, i);
    if (isContact(at(pile.products, i))) {
      seams.push(null);
      const touch = { liquid: product, layer: i, afterMin: layer.gapMin };
      add(applyRules(RULE_BOOK, "contact", factSheet(touching(pile, touch, ground), upper)), {
        kind: "layer",
        layer: i,
      });
    } else if (below < 0) {
      seams.push(null);
      add(withOk(onGround(pile, upper, ground, i), "first-holds"), { kind: "region", layer: i });
    } else {
      const { fired, ...seam } = planSeam(pile, upper, i, below);
      seams.push(seam);
      add(withOk(fired, okCodeOf(pile.products, i, below)), { kind: "seam", layer: i });
      if (!toldOnSpots(pile, i)) addRest(i, below, upper, fired);
    }
    addLiquids(i, below);
    add(applyRules(RULE_BOOK, "layer", factSheet(layerFacts(pile, seams, i), upper)), { kind: "layer", layer: i });
    const air = layer.air ?? input.air;
    if (air)
      add(applyRules(RULE_BOOK, "air", factSheet(airFacts(at(pile.products, i), air, layer), upper)), {
        kind: "air",
        layer: i,
      });
  });
  if (pile.films.length > 0) {
    const [whole, top] = [factSheet(stackFacts(pile), base), { kind: "stack", layer: pile.films.at(-1)! } as const];
    add(applyRules(RULE_BOOK, "stack", whole), top);
    for (const zone of region.zones ?? [])
      add(
        applyRules(RULE_BOOK, "stack", factSheet(zoneFacts(pile, zone), whole)).filter((f) => ZONE_RULES.has(f.rule)),
        top,
        { zone: zone.name },
      );
  }
  const told = withCoupons(verdicts, input.coupons ?? [], region.material, stack);
  return {
    outcome: "judged",
    worst: worstOf(told.filter((v) => input.airCounts || v.where.kind !== "air")),
    verdicts: told,
    seams,
    ledger: pile.ledger,
    assumed: assumedFigures(pile),
  };
}

/** What a verdict is about beside its place: a liquid of a step, or one zone of the face. */
interface About {
  readonly liquid?: StepLiquid;
  readonly zone?: string;
}

/** Rules on what is level and filled: asked of the face, and of every zone of it by itself. */
const ZONE_RULES: ReadonlySet<string> = new Set(["ridge-shows", "ridge-shows-gloss", "gap-unfilled"]);

/** Work no layer asks for, on what lies on a face; see `work-asked`. @param input the pile as it lies, all of it laid */
export const judgeWork = (
  input: JudgeInput,
  work: ExtraWork,
  afterMin: number,
  joint: JointTold | null = null,
): readonly Fired[] => workVerdicts(pileOf(input), work, afterMin, joint);

/** A remedy that changes nothing is none: a coat no lighter, a step that is there already, a mist of putty. */
function changes(r: Remedy, i: number, pile: Pile): boolean {
  const layer = pile.layers[i];
  const { stack, region } = pile.input;
  switch (r.do) {
    case "set-heaviness":
      return (
        layer === undefined ||
        (at(pile.products, i).role !== "putty" &&
          HEAVINESSES.indexOf(layer.heaviness) > HEAVINESSES.indexOf(r.heaviness))
      );
    case "add-prep":
      return comesAgain(r.step, stack.prep) && !(r.step === "key" && region.conditions.includes("keyed"));
    case "add-before":
      return layer === undefined || !layer.before.includes(r.step);
    default:
      return true;
  }
}

/** A step is added where it is not yet; brushing off once more, where something behind it made new dust. */
const comesAgain = (step: PrepStep, prep: readonly PrepStep[]): boolean =>
  !prep.includes(step) || (step === "dust-off" && prep.at(-1) !== step);

const withDetail = (detail: PlacedVerdict["detail"]): Pick<PlacedVerdict, "detail"> => (detail ? { detail } : {});

/** The pile with its products as they go on and its ledger. */
function pileOf(given: JudgeInput): Pile {
  const input = mayBeFoam(given.region.material)
    ? { ...given, productOf: (id: string) => onFoam(given.productOf(id)) }
    : given;
  const { layers } = input.stack;
  const products = layers.map((l) => asLaid(l, input.productOf));
  return {
    input,
    layers,
    products,
    ledger: filmLedger(layers, (id) => input.productOf(id)),
    films: pileFilms(products),
    gaps: new Map(),
    laid: new Map(),
    couponWftUm: couponWftUm(input.coupons ?? [], input.region.material ?? "unknown", input.stack),
  };
}

/** What is done to the bare face before layer one counts as preparation, wherever it was entered. */
const firstPrep = (stack: Stack) => {
  const scuffed = stack.layers[0]?.before.includes("scuff") ?? false;
  return scuffed && !stack.prep.includes("key") ? [...stack.prep, "key" as const, "wipe" as const] : stack.prep;
};

const okCodeOf = (products: readonly Product[], i: number, below: number): string =>
  at(products, i).id === at(products, below).id ? "seam-same-product" : "seam-holds";

/** A seam without a complaint still gets a line: silence is not a verdict. */
function withOk(fired: readonly Fired[], code: string): readonly Fired[] {
  if (fired.length > 0) return fired;
  return [
    { rule: code, verdict: "ok", kind: "finish", code, facts: {}, remedy: [], evidence: "trade-practice", missing: [] },
  ];
}

function onGround(pile: Pile, upper: FactSheet, ground: GroundFilm | null, i: number): readonly Fired[] {
  const { region } = pile.input;
  const first = at(pile.products, i);
  const own = applyRules(
    RULE_BOOK,
    "first",
    factSheet(
      {
        "first.biteAnswer": bareBiteAnswer(region, region.material!, first),
        "first.maskedOff": (region.keepBare ?? []).length > 0 || masked(pile.layers.slice(0, i), pile),
        "upper.labelForbidsBelow": showsBare(region) ? labelForbids(first, "bare") : false,
      },
      upper,
    ),
  );
  return ground ? [...own, ...groundSeam(pile, upper, ground, i)] : own;
}

const masked = (before: readonly Layer[], pile: Pile): boolean =>
  before.some((_, k) => at(pile.products, k).role === "masking");
