/** A seam in its given gap, or, where the gap is left open, the moments at which it is judged best: the ways a plan may take. */

import { at } from "../base";
import { type Layer, type Product, toldPartly, type Verdict } from "../model";
import { hexLuminance, spotShare } from "../numbers";
import { AMINE_BLUSH, familyFacts, materialFacts } from "../reference";
import {
  applyRules,
  type FactSheet,
  type Facts,
  type FilmState,
  type Fired,
  factSheet,
  isMaskingFluid,
  MISSING_FACT,
  RULE_BOOK,
  seamFacts,
  worstOf,
} from "../rules";
import type { GroundFilm } from "./ground";
import { everyState, filmStateAt, momentsOf, pileFilm, reachedMin } from "./moments";
import { airOf, filmBelow, filmOn, groundColour, type Pile, tapeFluid } from "./pile";
import type { SeamPlan } from "./types";

export interface JudgedSeam extends SeamPlan {
  readonly fired: readonly Fired[];
}

export const SEVERITY: Record<Verdict, number> = { ok: 0, care: 1, test: 2, stop: 3 };

const HARDENS = new Set(["oxidation", "reaction"]);

/** A neutral ground where nobody told a colour: neither pale nor dark. */
const UNTOLD_LUMINANCE = 0.3;

export interface Meeting {
  readonly lower: Product;
  readonly state: FilmState;
  readonly sandable: boolean;
  readonly atFlash: boolean;
}

function meetingFacts(pile: Pile, i: number, m: Meeting, below: number, upper = at(pile.products, i)): Facts {
  const layer = pile.layers[i] ?? null;
  const lowerLayer = below >= 0 ? at(pile.layers, below) : null;
  const ground = groundColour(pile, i);
  return seamFacts({
    lower: m.lower,
    upper,
    state: m.state,
    scuffed: scuffed(pile, layer, lowerLayer),
    lowerSanded: lowerLayer?.sandAfter != null,
    lowerSandable: m.sandable,
    gapGiven: layer !== null && layer.gapMin !== null,
    shortOfFlash: !m.atFlash,
    groundLuminance: ground ? hexLuminance(ground.colour) : UNTOLD_LUMINANCE,
    groundEffect: ground?.effect ?? "solid",
    amineBlush: below >= 0 && blushed(pile, i, below),
    lowerOnSpots: lowerLayer !== null && onSpots(pile, below),
    polishBelow: polished(pile, i, below),
    maskingFluidBelow:
      (i > 0 && below < i - 1 && isMaskingFluid(at(pile.products, i - 1))) ||
      (below >= 0 && tapeFluid(pile, below) !== null),
  });
}

/** Told to lie on spots, or putty put into a depth: unless told to lie all over. */
export function toldOnSpots(pile: Pile, i: number): boolean {
  const layer = at(pile.layers, i);
  if (layer.spot != null) return layer.spot !== false;
  if (toldPartly(layer)) return spotShare(layer, at(pile.products, i), pile.input.region) < 1;
  return at(pile.products, i).role === "putty" && (layer.depthUm != null || pile.input.region.fillDepthUm != null);
}

/** As told; where nothing is, putty on metal lies in its dents. */
const onSpots = (pile: Pile, i: number): boolean =>
  toldOnSpots(pile, i) || (at(pile.layers, i).spot == null && at(pile.products, i).role === "putty" && bareMetal(pile));
/** On metal putty goes into dents and seams; nobody skims a whole casting. */
const bareMetal = ({ input }: Pile): boolean =>
  input.region.material !== null &&
  input.region.material !== "unknown" &&
  materialFacts(input.region.material).group === "metal";

/** A polish lies between, and nothing has taken its wax off since. */
function polished(pile: Pile, i: number, below: number): boolean {
  if (i >= pile.layers.length) return false;
  const between = pile.products.slice(below + 1, i);
  const last = between.findLastIndex((p) => p.role === "polish");
  const cleaned =
    between.slice(last + 1).some((p) => p.role === "degreaser") || at(pile.layers, i).before.includes("degrease");
  return last >= 0 && !cleaned;
}

/** Keyed by a scuff before this layer, by the rub of the one below, or, on an older film, as the part was told. */
const scuffed = (pile: Pile, layer: Layer | null, lower: Layer | null): boolean =>
  layer?.before.includes("scuff") ||
  (lower ? lower.sandAfter !== null : pile.input.region.conditions.includes("keyed"));

/** An epoxy that went through cold or damp air sweats amines; only washing takes them off. */
function blushed(pile: Pile, i: number, below: number): boolean {
  const washed = pile.layers[i]?.before.some((b) => b === "degrease" || b === "wipe") ?? false;
  const { family } = at(pile.products, below);
  const air = airOf(pile, below);
  if (family === "unknown" || !familyFacts(family).sweatsAmines || !air) return false;
  const sweats = air.tempC < AMINE_BLUSH.belowC || air.rhPct > AMINE_BLUSH.aboveRhPct;
  return sweats && !washed;
}

const judged = (scope: "seam" | "contact", upper: FactSheet, facts: Facts): readonly Fired[] =>
  applyRules(RULE_BOOK, scope, factSheet(facts, upper));

/** The seam rules on two films that meet at one moment. */
export const meetingVerdicts = (pile: Pile, upper: FactSheet, i: number, below: number, m: Meeting): readonly Fired[] =>
  judged("seam", upper, meetingFacts(pile, i, m, below));

/** Judges a seam in its given gap, or finds the moments at which it is judged best. */
export function planSeam(pile: Pile, upper: FactSheet, i: number, below: number): JudgedSeam {
  const layer = at(pile.layers, i);
  const lower = at(pile.products, below);
  const { really } = pile.input;
  const film = really?.layer === i ? pileFilm(really.coats, really.clock) : filmOn(pile, below);
  const sandableMin = reachedMin(film, "sandable") - 1e-6;
  const flashMin = reachedMin(film, "flash") - 1e-6;
  const judgeAt = (atMin: number) => {
    const state = filmStateAt(film, atMin);
    const meeting = { lower, state, sandable: atMin >= sandableMin, atFlash: atMin >= flashMin };
    return { state, fired: judged("seam", upper, meetingFacts(pile, i, meeting, below)) };
  };
  if (really?.layer === i) {
    const gapMin = really.atMin - film.endMin;
    return { ...judgeAt(really.atMin), waits: [{ until: "gap", gapMin, within: [] }], fallback: [] };
  }
  if (layer.gapUnknown && lower.family !== "unknown" && HARDENS.has(familyFacts(lower.family).mechanism)) {
    const worlds = everyState(film).map((m) => judgeAt(m.atMin));
    const wait = { until: "window" as const, index: 0 };
    return { ...openSeam(worlds, "layer.gap_min"), waits: [wait], fallback: [] };
  }
  const options = momentsOf(film, at(pile.layers, below).sandAfter !== null).map((m) => ({
    ...m,
    ...judgeAt(m.atMin),
  }));
  if (layer.gapMin !== null) {
    const at = judgeAt(film.endMin + layer.gapMin);
    pile.gaps.set(i, layer.gapMin);
    const asGood = options.filter((m) => SEVERITY[worstOf(m.fired)] <= SEVERITY[worstOf(at.fired)]);
    // too soon on purpose, or against a stop with a reason: that is taken as it stands
    const asItStands = worstOf(at.fired) === "stop" || at.state === "wet" || at.state === "uncured";
    const within = asItStands ? [] : asGood.map((m) => m.wait);
    return { ...at, waits: [{ until: "gap", gapMin: layer.gapMin, within }], fallback: [] };
  }
  const best = Math.min(...options.map((m) => SEVERITY[worstOf(m.fired)]));
  const good = options.filter((m) => SEVERITY[worstOf(m.fired)] === best);
  const fallback = options
    .filter((m) => !good.includes(m) && worstOf(m.fired) !== "stop")
    .map((m) => ({ wait: m.wait, codes: m.fired.map((f) => f.code) }));
  pile.gaps.set(i, good[0]!.atMin - film.endMin);
  return { state: good[0]!.state, fired: good[0]!.fired, waits: good.map((m) => m.wait), fallback };
}

/** The same layer where the film between lies on spots and leaves this older one free; by then it has had whatever time the spots took. */
export function restSeam(pile: Pile, upper: FactSheet, i: number, below: number): readonly Fired[] {
  const lower = at(pile.products, below);
  const film = filmOn(pile, below);
  const worlds = momentsOf(film, at(pile.layers, below).sandAfter !== null).map(({ atMin }) => {
    const state = filmStateAt(film, atMin);
    const meeting = { lower, state, sandable: atMin >= reachedMin(film, "sandable") - 1e-6, atFlash: true };
    return judged("seam", upper, meetingFacts(pile, i, meeting, below));
  });
  // the plan takes the best moment there is; what holds against every one of them stands
  return worlds.reduce((best, own) => (SEVERITY[worstOf(own)] < SEVERITY[worstOf(best)] ? own : best));
}

/** What holds in every world stands; where worlds differ, the missing fact is named: stop if any world stops. */
function openSeam(
  worlds: readonly { state: FilmState; fired: readonly Fired[] }[],
  missing: string,
): { state: FilmState; fired: readonly Fired[] } {
  const [first, ...rest] = worlds;
  const common = first!.fired.filter((f) => rest.every((w) => w.fired.some((x) => x.rule === f.rule)));
  const differing = worlds.flatMap((w) => w.fired.filter((f) => !common.some((c) => c.rule === f.rule)));
  if (differing.length === 0) return { state: first!.state, fired: common };
  const verdict = worstOf(differing) === "stop" ? "stop" : "test";
  const open: Fired = {
    rule: MISSING_FACT,
    verdict,
    kind: "finish",
    code: MISSING_FACT,
    facts: {},
    remedy: [{ do: "advice", key: "find-out" }],
    evidence: "trade-practice",
    missing: [missing],
  };
  return { state: first!.state, fired: [...common, open] };
}

/** The first layer over the film a part came with. */
export function groundSeam(pile: Pile, upper: FactSheet, ground: GroundFilm, i: number): readonly Fired[] {
  const worlds = ground.states.map((state) => {
    const sandable = state !== "uncured" && state !== "wet";
    const meeting = { lower: ground.product, state, sandable, atFlash: true };
    return { state, fired: judged("seam", upper, meetingFacts(pile, i, meeting, -1)) };
  });
  return openSeam(worlds, ground.missing).fired;
}

/** A liquid on what it touches. */
export interface Touch {
  readonly liquid: Product;
  /** the layer it comes before, or is; of one the pile has none of yet, the number it would have */
  readonly layer: number;
  /** since the end of the film below, minutes; null = as late as may be */
  readonly afterMin: number | null;
}

/** A contact liquid on the film it touches, in the state that film is in by then. */
export function contactFacts(pile: Pile, { liquid, layer: i, afterMin }: Touch, ground: GroundFilm | null): Facts {
  const below = filmBelow(pile, i);
  if (below < 0) {
    if (!ground) return {};
    const state = ground.states[0]!;
    const sandable = state !== "uncured";
    return meetingFacts(pile, i, { lower: ground.product, state, sandable, atFlash: true }, -1, liquid);
  }
  const lower = at(pile.products, below);
  const film = filmOn(pile, below);
  const atMin = afterMin === null ? reachedMin(film, "cured") : film.endMin + afterMin;
  const state = filmStateAt(film, atMin);
  const meeting = { lower, state, sandable: atMin >= reachedMin(film, "sandable") - 1e-6, atFlash: true };
  return {
    ...meetingFacts(pile, i, meeting, below, liquid),
    "contact.beforePolishable": atMin < reachedMin(film, "polishable") - 1e-6,
  };
}
