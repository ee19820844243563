import {
  type AppliedCoat,
  climateOf,
  milestoneAfter,
  prefixClock,
  REFERENCE_AIR,
  recoatWindows,
  type WaitClock,
} from "../film";
import type { Layer, Product, Protection, Region, Stack, Verdict } from "../model";
import {
  dewMarginC,
  dftUm,
  filmLedger,
  grooveLost,
  type LedgerLine,
  plannedWftUm,
  ridgeBuriedUm,
  volumeSolidsOf,
} from "../numbers";
import { familyFacts, labelTimes } from "../reference";
import {
  applyRules,
  bareBiteAnswer,
  type Facts,
  type FilmState,
  type Fired,
  type KnownValue,
  labelForbids,
  RULE_BOOK,
  regionFacts,
  seamFacts,
  upperFacts,
  worstOf,
} from "../rules";

/** The bit of air a check is asked about. */
export interface AirNow {
  readonly tempC: number;
  readonly rhPct: number;
}

export interface JudgeInput {
  readonly region: Region;
  readonly stack: Stack;
  readonly productOf: (id: string) => Product;
  readonly protection: readonly Protection[];
  /** null = do not judge the air; the planner waits for it instead */
  readonly air: AirNow | null;
}

export interface Where {
  readonly kind: "region" | "layer" | "seam" | "stack" | "air";
  /** index of the layer, of the upper layer of a seam; 0 for the rest */
  readonly layer: number;
}

export interface PlacedVerdict extends Fired {
  readonly where: Where;
  /** by which an override finds its verdict again: rule, kind of place, layer */
  readonly key: string;
}

/** How long the next layer waits for the one below. Several ways are kept when they are judged alike. */
export type SeamWait =
  | { readonly until: "window"; readonly index: number }
  | { readonly until: "sandable" | "cured" | "missed" }
  | { readonly until: "gap"; readonly gapMin: number };

export interface SeamPlan {
  readonly state: FilmState;
  readonly waits: readonly SeamWait[];
  /** ways judged worse, yet no stop: taken only when the film below is down already and the better ones have passed */
  readonly fallback: readonly { readonly wait: SeamWait; readonly codes: readonly string[] }[];
}

export type JudgeAnswer =
  | { readonly outcome: "incomplete"; readonly missing: readonly string[] }
  | {
      readonly outcome: "judged";
      readonly worst: Verdict;
      readonly verdicts: readonly PlacedVerdict[];
      /** one per layer; the first layer has none below it and is null */
      readonly seams: readonly (SeamPlan | null)[];
      readonly ledger: readonly LedgerLine[];
      /** numbers the family's defaults stood in for, as "layer index: figure" */
      readonly assumed: readonly string[];
    };

const keyOf = (rule: string, where: Where): string => `${rule}@${where.kind}${where.layer}`;

/** Long enough for any label's through-cured time several times over, minutes. */
const REFERENCE_HORIZON_MIN = 400 * 1440;
let referenceClock: WaitClock | null = null;
/** Planned gaps are judged at reference air; the planner then keeps them in the real one. */
function atReference(): WaitClock {
  referenceClock ??= prefixClock(climateOf([{ atMin: 0, ...REFERENCE_AIR }]), 0, REFERENCE_HORIZON_MIN);
  return referenceClock;
}

/**
 * judge
 *   1. ask        a material and at least one layer, or say what is missing
 *   2. ledger     µm on and off, layer by layer
 *   3. first      the bare face under its first layer
 *   4. seams      every later layer on the one below, in the state it will be in
 *   5. layers     each by itself, with what lies under it
 *   6. stack      the pile as a whole; the air if asked
 */
export function judgeStack(input: JudgeInput): JudgeAnswer {
  const { region, stack } = input;
  if (region.material === null) return { outcome: "incomplete", missing: ["region.material"] };
  const material = region.material;
  const base: Facts = { ...regionFacts(region, material, firstPrep(stack)), "bench.protection": input.protection };
  const products = stack.layers.map((l) => input.productOf(l.productId));
  const ledger = filmLedger(stack.layers, input.productOf);
  const verdicts: PlacedVerdict[] = [];
  const add = (fired: readonly Fired[], where: Where) =>
    verdicts.push(...fired.map((f) => ({ ...f, where, key: keyOf(f.rule, where) })));
  const seams: (SeamPlan | null)[] = [];
  stack.layers.forEach((layer, i) => {
    const upper = { ...base, ...upperFacts(products[i]!, layer.heaviness, plannedWftUm(layer, products[i]!)) };
    if (i === 0) {
      seams.push(null);
      add(withOk(applyRules(RULE_BOOK, "first", { ...upper, ...firstFacts(input, products) }), "first-holds"), {
        kind: "region",
        layer: 0,
      });
    } else {
      const seam = planSeam(upper, stack.layers, products, i);
      seams.push({ state: seam.state, waits: seam.waits, fallback: seam.fallback });
      add(withOk(seam.fired, okCodeOf(products, i)), { kind: "seam", layer: i });
    }
    add(applyRules(RULE_BOOK, "layer", { ...upper, ...layerFacts(stack.layers, products, ledger, seams, i) }), {
      kind: "layer",
      layer: i,
    });
    if (input.air)
      add(applyRules(RULE_BOOK, "air", { ...upper, ...airFacts(products[i]!, input.air) }), { kind: "air", layer: i });
  });
  if (products.length > 0)
    add(applyRules(RULE_BOOK, "stack", { ...base, ...stackFacts(region, stack.layers, products, ledger) }), {
      kind: "stack",
      layer: products.length - 1,
    });
  const counted = verdicts.filter((v) => v.where.kind !== "air");
  return {
    outcome: "judged",
    worst: worstOf(counted),
    verdicts,
    seams,
    ledger,
    assumed: assumedFigures(stack.layers, products),
  };
}

/** What is done to the bare face before layer one counts as preparation, wherever it was entered. */
const firstPrep = (stack: Stack) => {
  const scuffed = stack.layers[0]?.before.includes("scuff") ?? false;
  return scuffed && !stack.prep.includes("key") ? [...stack.prep, "key" as const, "wipe" as const] : stack.prep;
};

const okCodeOf = (products: readonly Product[], i: number): string =>
  products[i]!.id === products[i - 1]!.id ? "seam-same-product" : "seam-holds";

/** A seam without a complaint still gets a line: silence is not a verdict. */
function withOk(fired: readonly Fired[], code: string): readonly Fired[] {
  if (fired.length > 0) return fired;
  return [
    { rule: code, verdict: "ok", kind: "finish", code, facts: {}, remedy: [], evidence: "trade-practice", missing: [] },
  ];
}

function firstFacts(input: JudgeInput, products: readonly Product[]): Facts {
  const first = products[0]!;
  return {
    "first.biteAnswer": bareBiteAnswer(input.region.material!, first),
    "first.promoterFollows": products[1]?.role === "promoter",
    "upper.labelForbidsBelow": labelForbids(first, "bare"),
  };
}

/** The coats of one layer, a flash apart at reference air; the last ends at minute 0 of its own clock. */
function referenceCoats(layer: Layer, product: Product): readonly AppliedCoat[] {
  const gapMin = product.label.gapMin ?? labelTimes(product).flash.min;
  const startMin = gapMin * (layer.coats - 1);
  return Array.from({ length: layer.coats }, (_, n) => ({
    product,
    wftUm: plannedWftUm(layer, product),
    endMin: startMin - gapMin * (layer.coats - 1 - n),
  }));
}

interface Moment {
  readonly wait: SeamWait;
  readonly atMin: number;
}

const reachedMin = (coats: readonly AppliedCoat[], m: "flash" | "sandable" | "cured"): number => {
  const a = milestoneAfter(coats, m, atReference());
  return a.outcome === "reached" ? a.atMin : REFERENCE_HORIZON_MIN;
};

/** State of a film `atMin` on the reference clock. A window that never shuts hands over to "hard" once sandable. */
export function filmStateAt(coats: readonly AppliedCoat[], atMin: number): FilmState {
  const windows = recoatWindows(coats, atReference());
  const labelled = coats.at(-1)!.product.label.recoat.length > 0;
  const hardFrom = reachedMin(coats, "sandable");
  const later: FilmState = atMin >= reachedMin(coats, "cured") ? "cured" : "hard";
  const inside = windows.findIndex((w) => atMin >= w.openMin - 1e-6 && (w.shutMin === null || atMin <= w.shutMin));
  const openEnded = inside >= 0 && windows[inside]!.shutMin === null;
  if (inside >= 0 && labelled && !openEnded) return "open";
  if (inside > 0) return later;
  if (openEnded && atMin >= hardFrom) return later;
  if (inside === 0) return labelled ? "open" : "uncured";
  if (atMin < windows[0]!.openMin) return atMin < reachedMin(coats, "flash") ? "wet" : "uncured";
  return windows.some((w) => w.openMin > atMin) ? "gap" : "missed";
}

/** Moments worth judging when the gap is left to the planner, soonest first. */
function moments(coats: readonly AppliedCoat[], lower: Layer): readonly Moment[] {
  const windows = recoatWindows(coats, atReference());
  const notBefore = lower.sandAfter ? reachedMin(coats, "sandable") : 0;
  const list: Moment[] = windows
    .map((w, index) => ({
      wait: { until: "window" as const, index },
      atMin: Math.max(w.openMin, notBefore),
      shutMin: w.shutMin,
    }))
    .filter((m) => m.shutMin === null || m.atMin <= m.shutMin);
  const last = windows.at(-1);
  if (last?.shutMin === null) {
    list.push({ wait: { until: "sandable" }, atMin: Math.max(last.openMin, reachedMin(coats, "sandable")) });
    list.push({ wait: { until: "cured" }, atMin: Math.max(last.openMin, reachedMin(coats, "cured")) });
  } else if (last) {
    list.push({ wait: { until: "missed" }, atMin: Math.max(notBefore, last.shutMin! + 1) });
  }
  return list.sort((a, b) => a.atMin - b.atMin);
}

interface JudgedSeam extends SeamPlan {
  readonly fired: readonly Fired[];
}

const SEVERITY: Record<Verdict, number> = { ok: 0, care: 1, test: 2, stop: 3 };

/** Judges a seam in its given gap, or finds the moments at which it is judged best. */
function planSeam(upper: Facts, layers: readonly Layer[], products: readonly Product[], i: number): JudgedSeam {
  const layer = layers[i]!;
  const lower = layers[i - 1]!;
  const coats = referenceCoats(lower, products[i - 1]!);
  const endMin = coats.at(-1)!.endMin;
  const sandableMin = reachedMin(coats, "sandable") - 1e-6;
  const judgeAt = (atMin: number) => {
    const state = filmStateAt(coats, atMin);
    const facts = seamFacts({
      lower: products[i - 1]!,
      upper: products[i]!,
      state,
      scuffed: layer.before.includes("scuff") || lower.sandAfter !== null,
      lowerSanded: lower.sandAfter !== null,
      lowerSandable: atMin >= sandableMin,
      gapGiven: layer.gapMin !== null,
    });
    return { state, fired: applyRules(RULE_BOOK, "seam", { ...upper, ...facts }) };
  };
  if (layer.gapMin !== null)
    return { ...judgeAt(endMin + layer.gapMin), waits: [{ until: "gap", gapMin: layer.gapMin }], fallback: [] };
  const judged = moments(coats, lower).map((m) => ({ ...m, ...judgeAt(m.atMin) }));
  const best = Math.min(...judged.map((m) => SEVERITY[worstOf(m.fired)]));
  const good = judged.filter((m) => SEVERITY[worstOf(m.fired)] === best);
  const fallback = judged
    .filter((m) => !good.includes(m) && worstOf(m.fired) !== "stop")
    .map((m) => ({ wait: m.wait, codes: m.fired.map((f) => f.code) }));
  return { state: good[0]!.state, fired: good[0]!.fired, waits: good.map((m) => m.wait), fallback };
}

const BARRIER_ROLES = new Set(["sealer", "primer", "primer-highbuild", "surfacer", "colour", "clear"]);

function layerFacts(
  layers: readonly Layer[],
  products: readonly Product[],
  ledger: readonly LedgerLine[],
  seams: readonly (SeamPlan | null)[],
  i: number,
): Facts {
  const layer = layers[i]!;
  const product = products[i]!;
  const coatDryUm = dftUm(plannedWftUm(layer, product), volumeSolidsOf(product));
  const barrier = layers
    .slice(0, i)
    .map((l, k) => ({ l, k }))
    .filter(({ k }) => BARRIER_ROLES.has(products[k]!.role) && products[k]!.family !== "gypsum-filler");
  const directlyOnBarrier = barrier.some(({ k }) => k === i - 1);
  const state = seams[i]?.state;
  return {
    "layer.isFirst": i === 0,
    "layer.skinOverLimit": product.maxSkinUm !== null && coatDryUm > product.maxSkinUm,
    "layer.sandsThrough": (layer.sandAfter?.takesUm ?? 0) >= ledger[i]!.addedUm && layer.sandAfter !== null,
    "layer.dryUmBelowIsBarrier": barrier.reduce((sum, { k }) => sum + ledger[k]!.addedUm - ledger[k]!.takenUm, 0),
    "layer.barrierCoatsBelow": barrier.reduce((sum, { l }) => sum + l.coats, 0),
    // an older barrier under a further film has had that film's waits to cure in; the one just below must be cured itself
    "layer.barrierCured": directlyOnBarrier ? state === "cured" || waitsForCured(seams[i]) : true,
  };
}

const waitsForCured = (seam: SeamPlan | null | undefined): boolean =>
  seam?.waits.some((w) => w.until === "cured") ?? false;

const TOP_REVERSIBLE = (p: Product): boolean => p.family !== "unknown" && familyFacts(p.family).reversible;

function stackFacts(
  region: Region,
  layers: readonly Layer[],
  products: readonly Product[],
  ledger: readonly LedgerLine[],
): Facts {
  const top = products.at(-1)!;
  const buildUm = ledger.at(-1)!.totalUm;
  const fillers = layers
    .map((l, i) => ({ l, p: products[i]!, dry: ledger[i]!.addedUm }))
    .filter(({ p }) => p.role === "primer-highbuild" || p.role === "surfacer" || p.role === "putty");
  const buried = fillers.reduce(
    (sum, { l, dry }) => sum + ridgeBuriedUm(dry, l.heaviness === "mist" || l.sandAfter === null),
    0,
  );
  const colours = products.filter((p) => p.role === "colour" || p.role === "clear");
  const showsEverything = top.sheen === "gloss" || colours.some((p) => p.effect === "metallic" || p.effect === "pearl");
  return {
    "stack.topRole": top.role,
    "stack.topSheen": top.sheen,
    "stack.showsEverything": showsEverything && colours.length > 0,
    "stack.uvResistant": top.uvResistant,
    "stack.grooveLostPct": region.detailUm === null ? null : 100 * grooveLost(region.detailUm, buildUm),
    "stack.ridgeLeftUm": region.ridgeUm === null ? null : Math.max(0, Math.round(region.ridgeUm - buried)),
    "stack.reversibleCoats": layers.reduce((sum, l, i) => sum + (TOP_REVERSIBLE(products[i]!) ? l.coats : 0), 0),
  };
}

function airFacts(p: Product, air: AirNow): Facts {
  const formsAboveC = p.family === "unknown" ? null : familyFacts(p.family).filmFormingC;
  const beyond = (limit: number | null, test: (l: number) => boolean): KnownValue => limit !== null && test(limit);
  return {
    "air.tempC": air.tempC,
    "air.rhPct": air.rhPct,
    "air.dewMarginC": Math.max(0, dewMarginC(air.tempC, air.rhPct)),
    "air.belowLimit": beyond(p.limits.minTempC, (l) => air.tempC < l),
    "air.aboveLimit": beyond(p.limits.maxTempC, (l) => air.tempC > l),
    "air.aboveHumidityLimit": beyond(p.limits.maxRhPct, (l) => air.rhPct > l),
    "air.belowFilmForming": beyond(formsAboveC, (l) => air.tempC < l),
  };
}

function assumedFigures(layers: readonly Layer[], products: readonly Product[]): readonly string[] {
  return layers.flatMap((_, i) => {
    const times = labelTimes(products[i]!);
    const guessed = (["flash", "sandable", "cured"] as const)
      .filter((m) => times[m].assumed)
      .map((m) => `${i}: label.${m}`);
    return products[i]!.volumeSolids === null ? [...guessed, `${i}: volumeSolids`] : guessed;
  });
}
