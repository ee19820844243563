/** What the log, the judge and the film model know of a face at the hour something went wrong on it. */

import { MIN_PER_DAY, MIN_PER_HOUR } from "../base";
import { airAt, milestoneAfter, recoatWindows } from "../film";
import type { KnownFact, MishapFact, MishapFacts, ToldFact } from "../mishap";
import { type MishapSign, readKey } from "../model";
import { hexLuminance } from "../numbers";
import { dewPointC, dries, familyFacts, hasTrait, materialFacts } from "../reference";
import { isSprayed } from "../rules";
import type { Operation } from "../work";
import { coatsTo, type DoneWork, type FaceAt, layerOf, productOfOp, reached } from "./face-at";

/** Rules of the judge that speak for a fact, where one of them fired on the uppermost film or below it. */
export const BY_RULE: Readonly<Partial<Record<ToldFact, RegExp>>> = {
  bites:
    /^(seam-bite|bare-bite|foam-|soft-foam|old-softens|old-not-isolated|porous-filler|polyester-on|glue-eats|hard-over-soft)/,
  "hard-over-soft": /^(hard-over-soft|flex-)/,
  "no-promoter": /^(needs-promoter|wants-promoter|slick-unkeyed|colour-on-slick|combined-on-slick)/,
  "plain-on-metal": /^(metal-plain|metal-poor|steel-plain)/,
  "etch-late": /^(etch-missed|promoter-missed|etch-rubbed|etch-left|promoter-left)/,
  "tape-strong": /^(high-tack|strong-tape)/,
  "wrong-thinner": /^wrong-thinner/,
  "mix-off": /^(mix-ratio-off|ratio-off|pot-life-over|two-in-one-cup)/,
  "hiding-short": /^colour-shows-ground/,
  "dark-below": /^weak-colour/,
  "no-uv": /^(no-uv-protection|red-or-yellow)/,
  redissolves: /^seam-redissolve/,
  "porous-open": /^porous-unsealed/,
  "thin-barrier": /^(foam-barrier|soft-foam)/,
  "flash-rust": /^(steel-flash-rust|rust-left)/,
  "clear-over-decal": /^clear-over-decal/,
  "deep-fill": /^(skin-too-thick|skin-over-usual)/,
  hollow: /^(hollow-|drain-)/,
  "uncured-resin": /^(resin-|residue)/,
};

/** Longer before a film went on nothing is looked for, minutes. */
const EVENING_MIN = 12 * MIN_PER_HOUR;
/** Dust of a rub hangs in the air about so long, minutes (est.). */
const DUST_BEFORE_MIN = 30;
/** How far short of a wait counts as too soon, as a share of it. */
const SHORT_OF = 0.9;
/** So often the model’s own time over, a film is ready whatever the model got wrong. */
const SURELY_PAST = 3;
/** From here on a figure speaks for a fact (all est., trade practice): % of the label’s wet film, coats in an evening, °C over the dew point, °C, % RH, m/s, hours, months, days, P grit, relative luminance. */
const HEAVY_PCT = 135;
const MANY_COATS = 4;
const DEW_C = 1;
const COLD_C = 14;
const DAMP_RH = 75;
const HOT_C = 27;
const DRAUGHT_M_S = 0.4;
const TAPE_LONG_H = 24;
const OLD_CAN_MONTHS = 24;
const LONG_AGO_DAYS = 60;
const COARSE_GRIT = 240;
const DARK_BELOW = 0.2;
const LIGHT_ABOVE = 0.35;
/** The air is looked at so often, and at the longest for so long, minutes. */
const LOOK_EVERY_MIN = 15;
const LONGEST_WET_MIN = 8 * MIN_PER_HOUR;

/** Everything that is known of a face when something shows on it; what is left out is not known. */
export function mishapFacts(f: FaceAt, sign: MishapSign, answers: ReadonlyMap<string, boolean>): MishapFacts {
  const facts: Partial<Record<MishapFact, KnownFact>> = {};
  const say = (fact: ToldFact, yes: boolean, opIds: readonly string[] = [], figure?: number) => {
    facts[fact] = { yes, opIds, ...(figure === undefined ? {} : { figure: Math.round(figure * 10) / 10 }) };
  };
  const top = f.laid.at(-1);
  fromRules(f, top?.op, say);
  ofGround(f, say);
  ofWork(f, top, say);
  if (top) {
    ofFilm(f, top, say);
    ofAir(f, top, say);
    ofCan(f, top, say);
    ofTape(f, say);
    ofNeighbours(f, top, say);
    ofSanding(f, sign, say);
  }
  for (const [fact, yes] of answers) facts[fact as MishapFact] = { yes, opIds: [] };
  return facts;
}

type Say = (fact: ToldFact, yes: boolean, opIds?: readonly string[], figure?: number) => void;
type Laid = DoneWork;
const coatsIn = (done: readonly DoneWork[]): number => done.reduce((n, d) => n + d.coats, 0);

function fromRules({ answer, live }: FaceAt, top: Operation | undefined, say: Say): void {
  const at = live.planned.stack.layers.findIndex((l) => l.id === top?.layerId);
  const fired = answer.verdicts.filter((v) => v.verdict !== "ok" && (v.where.kind === "stack" || v.where.layer <= at));
  for (const [fact, rule] of Object.entries(BY_RULE) as [ToldFact, RegExp][])
    say(
      fact,
      fired.some((v) => rule.test(v.rule)),
    );
}

function ofGround({ own, laid, input, atMin, answer }: FaceAt, say: Say): void {
  const { region } = own;
  const group = region.material === null || region.material === "unknown" ? null : materialFacts(region.material).group;
  say("old-finish", region.oldFinish != null);
  say("foam", group === "foam");
  say("on-metal", group === "metal");
  say("sun", region.exposure.includes("uv"));
  const roles = laid.map(({ op }) => ({ op, product: input.productOf(op.productId!) }));
  const putties = roles.filter(({ product }) => product.role === "putty");
  say("putty", putties.length > 0);
  say(
    "filler-dries",
    putties.some(({ product }) => product.family !== "unknown" && dries(product)),
    putties.map(({ op }) => op.id),
  );
  const decal = roles.findIndex(({ product }) => product.role === "decal");
  if (decal >= 0) say("matt-under-decal", roles[decal - 1]?.product.sheen !== "gloss");
  const last = laid.at(-1);
  if (last) say("long-ago", atMin - last.endMin > LONG_AGO_DAYS * MIN_PER_DAY, [last.op.id]);
  if (!hasTrait(region.material, "hardened-by-light")) say("uncured-resin", false);
  say(
    "lies-wrong",
    (own.differences ?? []).some((d) => d.kind === "other-product") ||
      answer.verdicts.some((v) => v.rule === "label-not-on-this-film"),
  );
}

const WASHES = new Set(["wash", "degrease", "rinse", "wipe", "derust"]);
const WIPES = new Set(["wipe", "dust-off", "tack-off", "degrease", "wash", "rinse", "blow-out"]);

function ofWork(f: FaceAt, top: Laid | undefined, say: Say): void {
  const { region } = f.own;
  const before = f.done.filter((d) => top === undefined || d.startMin <= top.startMin);
  const washed = before.filter(
    ({ op }) => (op.step !== null && WASHES.has(op.step)) || op.extra?.kind === "wash" || op.extra?.kind === "wipe",
  );
  const clean = region.conditions.some((c) => c === "clean" || c === "washed" || c === "degreased");
  say(
    "unwashed",
    washed.length === 0 && !clean,
    washed.map(({ op }) => op.id),
  );
  const keyed = before.filter(
    ({ op }) => op.step === "key" || op.step === "scuff" || op.kind === "sand" || op.extra?.kind === "rub",
  );
  say(
    "unkeyed",
    keyed.length === 0 && !region.conditions.includes("keyed"),
    keyed.map(({ op }) => op.id),
  );
  const dusty = before.findLast(({ op }) => op.dusty);
  const wiped = before.findLast(({ op }) => (op.step !== null && WIPES.has(op.step)) || op.extra?.kind === "wipe");
  say(
    "undusted",
    dusty !== undefined && (wiped === undefined || wiped.endMin < dusty.endMin),
    dusty ? [dusty.op.id] : [],
  );
  const papers = before.filter(({ op }) => op.abrasive !== null);
  const coarse = papers.at(-1)?.op.abrasive?.to;
  const shown = f.answer.verdicts.some((v) => v.rule.startsWith("scratch-shows"));
  say(
    "coarse",
    shown || (coarse !== undefined && coarse < COARSE_GRIT),
    papers.slice(-1).map(({ op }) => op.id),
    coarse,
  );
  stillWet(f, say);
}

/** Water that had not left when the next film went on. */
function stillWet(f: FaceAt, say: Say): void {
  let worst: { share: number; opId: string } | null = null;
  for (const { to, from, wait } of f.live.chain.ties) {
    if (wait.kind !== "part-dry") continue;
    const wet = f.done.find((d) => d.op.id === from);
    const coat = f.laid.find((d) => wet !== undefined && d.startMin >= wet.endMin);
    if (!wet || !coat || to === from) continue;
    const share = f.air.clock.elapsedRef("part-dry", wet.endMin, coat.startMin) / wait.refMin;
    if (worst === null || share < worst.share) worst = { share, opId: from };
  }
  say(
    "still-wet",
    worst !== null && worst.share < SHORT_OF,
    worst ? [worst.opId] : [],
    worst ? Math.min(1, worst.share) * 100 : undefined,
  );
}

function ofFilm(f: FaceAt, top: Laid, say: Say): void {
  const own = f.laid.filter(({ op }) => op.layerId === top.op.layerId);
  const first = own[0]!;
  const product = productOfOp(f, top.op);
  const below = f.laid.filter((d) => d.endMin <= first.startMin && d.op.layerId !== top.op.layerId).at(-1);
  if (below) {
    const windows = recoatWindows(coatsTo(f, below.op.id), f.air.clock);
    const open = windows[0]?.openMin ?? null;
    const went = first.startMin - below.endMin;
    const share = open === null || open <= below.endMin ? 1 : went / (open - below.endMin);
    say("early", share < SHORT_OF, [below.op.id, first.op.id], Math.min(1, share) * 100);
    const [one, two] = windows;
    say(
      "in-gap",
      one?.shutMin != null && two !== undefined && first.startMin > one.shutMin && first.startMin < two.openMin,
      [below.op.id, first.op.id],
    );
    const shut = windows.at(-1)?.shutMin ?? null;
    const keyed = f.done.some((d) => d.op.abrasive !== null && d.endMin > below.endMin && d.endMin <= first.startMin);
    say("missed", shut !== null && first.startMin > shut && !keyed, [below.op.id, first.op.id]);
  } else {
    say("early", false);
    say("in-gap", false);
    // of a film nothing went over yet it is asked now
    const windows = recoatWindows(coatsTo(f, top.op.id), f.air.clock);
    const shut = windows.at(-1)?.shutMin ?? null;
    say("missed", shut !== null && f.atMin > shut, [top.op.id]);
  }
  const shares = own.slice(1).flatMap((c, n) => {
    const before = own[n]!;
    const flash = reached(milestoneAfter(coatsTo(f, before.op.id), "flash", f.air.clock));
    return flash === null || flash <= before.endMin
      ? []
      : [{ share: (c.startMin - before.endMin) / (flash - before.endMin), c }];
  });
  const closest = shares.sort((a, b) => a.share - b.share)[0];
  say(
    "coats-close",
    closest !== undefined && closest.share < SHORT_OF,
    closest ? [closest.c.op.id] : [],
    closest ? Math.min(1, closest.share) * 100 : undefined,
  );
  const records = new Map(f.input.records.map((r) => [r.opId, r]));
  const wftPct = Math.max(
    ...own.map(({ op }) => ((records.get(op.id)?.wftUm ?? op.wftUm ?? 0) / product.label.wftUm) * 100),
  );
  say(
    "heavy",
    wftPct > HEAVY_PCT || layerOf(f, top.op)?.heaviness === "flood",
    own.map(({ op }) => op.id),
    wftPct,
  );
  const evening = f.laid.filter((d) => d.endMin > top.endMin - EVENING_MIN);
  say(
    "many-coats",
    coatsIn(evening) >= MANY_COATS,
    evening.map(({ op }) => op.id),
    coatsIn(evening),
  );
  const facts = product.family === "unknown" ? null : familyFacts(product.family);
  if (facts) say("lacquer", facts.bondsByRedissolving);
  if (product.carriers !== "unknown") say("water-borne", product.carriers.includes("water"));
  say("sprayed", isSprayed(product));
  say("brushed", product.method === "brush");
  say("yellows", product.yellowing);
  const under = f.laid.findLast((d) => d.op.layerId !== top.op.layerId);
  if (under && hexLuminance(productOfOp(f, under.op).colour) < DARK_BELOW && hexLuminance(product.colour) > LIGHT_ABOVE)
    say("dark-below", true, [under.op.id]);
  const layer = layerOf(f, top.op);
  // what is still to come of it hides nothing yet
  if (layer && product.role === "colour" && coatsIn(own) < layer.coats) say("hiding-short", true, [top.op.id]);
  const handle = reached(milestoneAfter(coatsTo(f, top.op.id), "handle", f.air.clock));
  const held = f.done.find(
    (d) => d.endMin > top.endMin && (d.op.kind === "unmask" || d.op.kind === "fit" || d.op.kind === "turn"),
  );
  const heldMin = held?.startMin ?? f.atMin;
  say("handled-soon", handle !== null && heldMin < handle, [top.op.id]);
}

/** The air from when the last coats were laid until they were touch dry. */
function ofAir(f: FaceAt, top: Laid, say: Say): void {
  const touch = reached(milestoneAfter(coatsTo(f, top.op.id), "touch", f.air.clock));
  const untilMin = Math.min(f.atMin, touch ?? f.atMin, top.endMin + LONGEST_WET_MIN);
  const first = f.laid.find(({ op }) => op.layerId === top.op.layerId)!;
  const fromMin = Math.max(first.startMin, top.endMin - EVENING_MIN);
  const seen: { tempC: number; rhPct: number; airflowMS: number }[] = [];
  for (let t = fromMin; t <= Math.max(untilMin, top.endMin); t += LOOK_EVERY_MIN) seen.push(airAt(f.air.climate, t));
  const least = Math.min(...seen.map((a) => a.tempC));
  const rh = Math.max(...seen.map((a) => a.rhPct));
  const margin = Math.min(...seen.map((a) => a.tempC - dewPointC(a.tempC, Math.max(1, a.rhPct))));
  const warm = Math.max(...seen.map((a) => a.tempC));
  const flow = Math.max(...seen.map((a) => a.airflowMS));
  const product = productOfOp(f, top.op);
  const needs = Math.max(product.limits.minTempC ?? 0, product.minFilmFormingC ?? 0, COLD_C);
  const ids = [top.op.id];
  say("cold", least < needs, ids, least);
  say("damp", rh > Math.min(DAMP_RH, product.limits.maxRhPct ?? DAMP_RH), ids, rh);
  say("dew", margin < DEW_C, ids, margin);
  say("hot", warm > HOT_C, ids, warm);
  say("draught", flow > DRAUGHT_M_S, ids, flow);
}

/** Whole months between two calendar days, YYYY-MM-DD. */
const monthsBetween = (from: string, to: string): number =>
  (Number(to.slice(0, 4)) - Number(from.slice(0, 4))) * 12 + Number(to.slice(5, 7)) - Number(from.slice(5, 7));

function ofCan(f: FaceAt, top: Laid, say: Say): void {
  const product = productOfOp(f, top.op);
  const layer = layerOf(f, top.op);
  const { today } = f.input;
  if (product.useBy && today) say("past-date", product.useBy < today);
  if (product.openedOn && today) {
    const months = monthsBetween(product.openedOn, today);
    say("old-can", months > OLD_CAN_MONTHS, [], months);
  }
  if (product.method !== "aerosol") say("thinned", Boolean(layer?.thinRatio || layer?.thinnerId), [top.op.id]);
  else say("thinned", false);
}

function ofTape(f: FaceAt, say: Say): void {
  const on = f.done.filter(({ op }) => op.kind === "mask").at(-1);
  const off = f.done.find((d) => d.op.kind === "unmask" && on !== undefined && d.endMin > on.endMin);
  const layer = f.live.planned.stack.layers.find((l) => l.tape != null);
  say(
    "tape-laid",
    on !== undefined || layer !== undefined || (f.own.region.keepBare ?? []).length > 0,
    on ? [on.op.id] : [],
  );
  if (!on) return;
  const hours = ((off?.endMin ?? f.atMin) - on.endMin) / MIN_PER_HOUR;
  say("tape-long", hours > TAPE_LONG_H, [on.op.id], hours);
  const under = f.laid.filter((d) => d.endMin <= on.startMin).at(-1);
  if (!under) return;
  const safe = reached(milestoneAfter(coatsTo(f, under.op.id), "tape-safe", f.air.clock));
  say("tape-early", safe !== null && on.startMin < safe - 1, [on.op.id]);
}

/** What was done to other parts in the same air while the film was wet. */
function ofNeighbours(f: FaceAt, top: Laid, say: Say): void {
  const coats = coatsTo(f, top.op.id);
  const touch = reached(milestoneAfter(coats, "touch", f.air.clock)) ?? top.endMin + MIN_PER_HOUR;
  const layers = new Map(
    f.input.regions.flatMap((r) => r.stack.layers.map((l) => [l.id, { l, regionId: r.region.id }] as const)),
  );
  const near = f.input.records.filter(
    (r) => r.startMin < Math.min(touch, f.atMin) && (r.endMin ?? f.atMin) > top.startMin - DUST_BEFORE_MIN,
  );
  const dust = near.filter((r) => {
    const key = readKey(r.opId);
    const here = layers.get(key?.subjectId ?? "")?.regionId === f.own.region.id || key?.subjectId === f.own.region.id;
    return !here && (key?.kind === "sand" || (key?.kind === "prep" && key.arg?.startsWith("key")));
  });
  say(
    "dust-about",
    dust.length > 0,
    dust.map((r) => r.opId),
  );
  const own = productOfOp(f, top.op);
  const mist = near.filter((r) => {
    const key = readKey(r.opId);
    const at = key?.kind === "coat" ? layers.get(key.subjectId) : undefined;
    if (!at || at.regionId === f.own.region.id || r.startMin < top.endMin) return false;
    const other = f.input.productOf(at.l.productId);
    return isSprayed(other) && other.colour !== own.colour;
  });
  say(
    "mist-about",
    mist.length > 0,
    mist.map((r) => r.opId),
  );
}

function ofSanding(f: FaceAt, sign: MishapSign, say: Say): void {
  const rubs = f.done.filter(({ op }) => op.kind === "sand" || op.extra?.kind === "rub" || op.step === "scuff");
  for (const rub of rubs.reverse()) {
    const under = f.laid.filter((d) => d.endMin <= rub.startMin).at(-1);
    if (!under) continue;
    const right = reached(milestoneAfter(coatsTo(f, under.op.id), "sandable", f.air.clock));
    const share = right === null || right <= under.endMin ? 1 : (rub.startMin - under.endMin) / (right - under.endMin);
    if (share >= SHORT_OF && sign === "clogging") continue;
    say("sanded-soon", share < SHORT_OF, [rub.op.id], Math.min(1, share) * 100);
    return;
  }
  // the paper clogged just now
  const top = f.laid.at(-1)!;
  const right = reached(milestoneAfter(coatsTo(f, top.op.id), "sandable", f.air.clock));
  const share = right === null || right <= top.endMin ? 1 : (f.atMin - top.endMin) / (right - top.endMin);
  // a film somewhat past the model's even odds may still be soft: nothing is known then
  if (sign === "clogging" && share >= SHORT_OF && share < SURELY_PAST) return;
  say("sanded-soon", sign === "clogging" && share < SHORT_OF, [top.op.id], Math.min(1, share) * 100);
}
