import type { ToldInput } from "@/contracts";
import type { GateReason } from "@/core/film";
import type { LaidDifference, Sign } from "@/core/history";
import type { StepLiquid } from "@/core/judge";
import type { BeforeStep, ExtraKind, ExtraWork, StripWay, Wetting } from "@/core/model";
import type { BenchTile, Notice, OverNight, PlanAnswer, Verified } from "@/core/plan";
import type { BoundBy, Conflict, Freeing, Piece } from "@/core/schedule";
import type { Operation } from "@/core/work";
import { areaText, inUnits, tempText } from "@/format";
import { duration } from "@/format/time";
import { TOUCH_NAME } from "./touches";
import { missingText, reasonOf, verdictText } from "./verdicts";
import { BEFORE_NAME, HOLD_NAME, PREP_NAME, RUB_SIGN_NAME } from "./vocabulary";

type Work = Pick<
  Operation,
  | "kind"
  | "step"
  | "coat"
  | "of"
  | "abrasive"
  | "layerId"
  | "productId"
  | "withId"
  | "mix"
  | "round"
  | "sitting"
  | "warmC"
  | "held"
  | "holding"
  | "places"
  | "until"
  | "lampMin"
  | "soakMin"
  | "extra"
  | "touch"
> & { readonly mend?: string | undefined };
/** Name of a product by its id; nothing where nobody knows it. */
export type NameOf = (productId: string) => string | null | undefined;

function paper({ abrasive }: Work): string {
  if (!abrasive) return "";
  if (abrasive.papers) return ` ${abrasive.papers.map((p) => `P${p.grit}${p.wet ? " wet" : ""}`).join(", then ")}`;
  return abrasive.from === abrasive.to ? ` P${abrasive.from}` : ` P${abrasive.from}–P${abrasive.to}`;
}

/** What is done, without the part's name: "Etch primer, coat 1 of 2", "Wet-sand P400", "Sand P240, sitting 1 of 2". */
export const workText = (op: Work, nameOf: NameOf): string => {
  const text = wholeWork(op, nameOf);
  return op.mend ? `Mend: ${text.charAt(0).toLowerCase()}${text.slice(1)}` : text;
};
const wholeWork = (op: Work, nameOf: NameOf): string =>
  op.sitting ? `${wholeText(op, nameOf)}, sitting ${op.sitting.n} of ${op.sitting.of}` : wholeText(op, nameOf);

/** "Grey primer", "Gloss white, thinned 2:1". */
function productText({ productId, mix }: Work, nameOf: NameOf): string | null {
  const name = productId === null ? null : (nameOf(productId) ?? null);
  if (name === null || !mix) return name;
  const thinner = mix.thinnerId ? ` with ${nameOf(mix.thinnerId) ?? "thinner"}` : "";
  const thinned =
    mix.thinnerId || mix.thinRatio ? [`thinned${mix.thinRatio ? ` ${mix.thinRatio}` : ""}${thinner}`] : [];
  const other = mix.mixedWithId ? [`mixed with ${nameOf(mix.mixedWithId) ?? "another"}`] : [];
  return [name, ...thinned, ...other].join(", ");
}

function wholeText(op: Work, nameOf: NameOf): string {
  const product = productText(op, nameOf);
  const liquid = op.withId ? nameOf(op.withId) : null;
  const withIt = liquid ? `: ${liquid}` : "";
  switch (op.kind) {
    case "prep":
      return `${PREP_NAME[op.step as keyof typeof PREP_NAME]}${lampText(op)}${soakText(op)}${op.abrasive ? `,${op.abrasive.wet ? " wet only," : ""}` : ""}${paper(op)}${withIt}`;
    case "before":
      return `${BEFORE_NAME[op.step as keyof typeof BEFORE_NAME]}${op.warmC === undefined ? "" : ` to ${tempText(op.warmC)}`}${withIt}`;
    case "helper":
      return `${liquid ?? "Wipe"}${op.of > 1 ? `, ${op.of} times over` : ""}`;
    case "sand":
      return `${op.abrasive?.wet && !op.abrasive.papers ? "Wet-sand" : "Sand"}${paper(op)}${op.until ? ` until ${op.until === "lows-only" || op.until === "midway" ? RUB_SIGN_NAME[op.until] : `it is ${RUB_SIGN_NAME[op.until]}`}` : ""}${op.round ? `, round ${op.round}` : ""}`;
    case "turn":
      return `Turn and coat the next face${op.of > 1 ? ` (${op.coat} of ${op.of})` : ""}: ${product ?? "coat"}`;
    case "inspect":
      return `Look for faults under raking light, round ${op.round ?? 1}`;
    case "mask":
      if (op.places) return `Cover ${op.places.join(", ")} for the next colour`;
      return op.layerId === null ? "Mask what stays bare" : "Mask for the next colour";
    case "unmask":
      if (op.places) return `Take the tape off ${op.places.join(", ")}`;
      return op.layerId === null ? "Unmask what stays bare" : "Take the tape off";
    case "scour":
      return "Scour the paint off what stays bare";
    case "fit":
      return liquid ? `Join the part${withIt}${heldText(op)}` : "Fit the part";
    case "hold":
      return `Put it on ${HOLD_NAME[op.holding?.by ?? "clip"]}${op.holding?.at ? `, at ${op.holding.at}` : ""}`;
    case "touch-in":
      return `Touch in where it was held${op.holding?.at ? `: ${op.holding.at}` : ""}`;
    case "guide":
      return `Mist a guide coat: ${liquid ?? "another colour"}`;
    case "dress":
      return "Take off what was squeezed out of the joint";
    case "extra":
      return op.extra ? `${extraText(op.extra)}${withIt}` : "Other work";
    case "coat":
    case "part-coat":
      if (op.round) return `${product ?? "Coat"}, round ${op.round}`;
      if (op.touch) return touchText(op, product);
      return `${product ?? "Coat"}${op.places ? ` on ${op.places.join(", ")}` : ""}${op.of > 1 ? `, coat ${op.coat} of ${op.of}` : ""}`;
  }
}

/** "Waterslide decals: Printed names, on name board, 6 pieces"; "Barrier: Water matt". */
const touchText = ({ touch, places }: Work, product: string | null): string => {
  const { kind, count = 1 } = touch!;
  const where = places?.length ? `, on ${places.join(", ")}` : "";
  return `${TOUCH_NAME[kind]}: ${product ?? "paint"}${where}${count > 1 ? `, ${count} pieces` : ""}`;
};

const lampText = ({ lampMin, coat, of }: Work): string =>
  lampMin === undefined ? "" : `, ${of > 1 ? `side ${coat} of ${of}, ` : ""}${duration(lampMin)} under the lamp`;
const soakText = ({ soakMin, coat }: Work): string =>
  soakMin === undefined ? "" : coat === 2 ? ", out of its bath" : `, put in for ${duration(soakMin)}`;
const heldText = ({ held }: Work): string =>
  held ? `, ${held.by === "hand" ? "held" : "clamped"} ${duration(held.min)}` : "";

/** Which step a verdict on a liquid is about: "Wipe clean, white spirit:". */
export const liquidText = ({ step, productId }: StepLiquid, nameOf: NameOf): string => {
  const name = nameOf(productId) ?? "its liquid";
  if (step === "tape") return `Mask, ${name}:`;
  const what = (PREP_NAME as Readonly<Record<string, string>>)[step] ?? BEFORE_NAME[step as BeforeStep];
  return `${what}, ${name}:`;
};

/** Work no layer asks for: "Wash again", "Rub down, P400 wet". */
export function extraText(work: ExtraWork): string {
  switch (work.kind) {
    case "wash":
      return work.how === "soak" ? "Soak and wash again" : "Wash again";
    case "wipe":
      return "Wipe down again";
    case "pad":
      return "Take it off with a soft pad";
    case "look":
      return `Look whether it has come right${work.until === "dry" ? ", once the water is out" : ""}`;
    case "lamp":
      return `Under the lamp again, ${work.sides > 1 ? `${work.sides} sides, ` : ""}${duration(work.sideMin)}${work.sides > 1 ? " each" : ""}`;
    case "polish":
      return "Polish it out";
    case "rub":
      return `Rub down again, P${work.grit}${work.wet ? " wet" : ""}`;
    case "strip":
      return `${work.downTo === null ? "Strip to the material" : "Strip the upper layers"}${work.way ? `, ${STRIP_WAY_NAME[work.way].toLowerCase()}` : ""}`;
  }
}

export const STRIP_WAY_NAME: Readonly<Record<StripWay, string>> = {
  "by-hand": "By hand, scraper and paper",
  stripper: "Stripper brushed on",
  bath: "In a bath",
  blasted: "Sent out to be blasted",
  wiped: "Wiped off while it is wet",
};
export const STRIP_WAY_NOTE: Readonly<Record<StripWay, string>> = {
  "by-hand": "Scrape, then P80 to P240; wet where lead may be. It leaves the face keyed and dusty.",
  stripper: "Laid on, left, scraped and washed off; the face has to be dry again before anything goes on it.",
  bath: "Overnight in a tub it goes into whole; nothing porous, and rinse until nothing is slippery.",
  wiped:
    "With a cloth and its own thinner, before it is touch dry; fresh cloth often, from the clean side to the dirty one.",
  blasted: "For metal and laminate, and for what fits no tub. Bare metal back from it is primed the same day.",
};

export const EXTRA_NAME: Readonly<Record<ExtraKind | "measured", string>> = {
  wash: "Washed",
  wipe: "Wiped down",
  rub: "Rubbed down",
  strip: "Stripped",
  pad: "Padded off",
  look: "Looked at",
  lamp: "Under the lamp",
  polish: "Polished",
  measured: "Film measured",
};
export const EXTRA_NOTE: Readonly<Record<ExtraKind | "measured", string>> = {
  wash: "What follows waits until the water has left the face, its joints and hollows.",
  wipe: "What follows waits until the wipe has flashed off.",
  rub: "The film is that much thinner; dust settles, or water dries, before the next coat.",
  pad: "A nib or a print is gone from the top of the film, which stays as thick as it was.",
  look: "Somebody looks at it once it has come so far.",
  lamp: "What light hardens is hardened further, as deep as the light goes.",
  polish: "The top of the film is bright again, and a little thinner.",
  strip:
    "What lay there is gone from the reckoning; its layers are to be laid again, and a bare face to be got ready again.",
  measured: "The waits of that layer go by what the gauge shows.",
};
export const WETTING_NAME: Readonly<Record<Wetting, string>> = {
  rinse: "Rinsed, shaken off",
  soak: "Soaked or under the tap for long",
  "wet-rub": "Rubbed wet",
};

/** Title of an entry: written down, so in units of storage. */
export const toldTitle = (told: ToldInput, part: string): string =>
  `${part}: ${told.kind === "measured" ? `Film measured, ${told.dftUm} µm dry` : extraText(told.work)}`;

export const logTitle = (op: Operation, names: { part: string; region: string; product: NameOf }): string =>
  `${names.part}: ${workText(op, names.product)}`;

const GATE: Readonly<Record<GateReason, string>> = {
  "too-cold": "it is colder than its label allows",
  "too-hot": "it is warmer than its label allows",
  "too-damp": "it is damper than its label allows",
  "near-dew-point": "the air is less than 3 ∆°C above its dew point",
  blush: "the air is so damp that lacquer clouds as it dries",
  "too-cold-to-form": "it is too cold for the paint to become a film",
};
export const gateText = (reason: GateReason): string => inUnits(GATE[reason]);

const LEFT_OVER_NIGHT: Readonly<Record<OverNight["as"], string>> = {
  "bare-metal": "bare metal",
  ready: "a face got ready",
  clean: "a face wiped clean",
  tape: "tape before its paint",
  coats: "between two coats of one layer",
  turn: "a part still to be turned",
};

/** What lies over night although no wait asks for it, by kind, each with its faces. */
export function overNightText(left: readonly OverNight[], nameOf: (regionId: string) => string): string {
  const kinds = Object.keys(LEFT_OVER_NIGHT) as OverNight["as"][];
  return kinds
    .flatMap((as) => {
      const own = left.filter((o) => o.as === as);
      if (own.length === 0) return [];
      const faces = [...new Set(own.map((o) => o.regionId))].map((id) => {
        const times = own.filter((o) => o.regionId === id).length;
        return `${nameOf(id)}${times > 1 ? ` ${times}×` : ""}`;
      });
      return [`${LEFT_OVER_NIGHT[as]} (${faces.join("; ")})`];
    })
    .join("; ");
}

/** What the film model said of a finished plan. */
export function verifiedText(v: Verified): string {
  if (v.waits === 0) return "No film has to be waited for.";
  const wide = v.wide ?? 0;
  const far = wide === 0 ? "" : ` ${wide} more have at least three times as long as they take.`;
  const base = `${v.waits - wide} waits run through the film model in the plan’s own hours and air`;
  const back = v.putBack === 0 ? "" : `, ${v.putBack} of them put back`;
  if (v.early === 0) return `${base}${back}: none is too short.${far}`;
  return `${base}${back}; ${v.early} still ${v.early === 1 ? "is" : "are"} up to ${Math.ceil(v.earlyMin)} min short: look before you start ${v.early === 1 ? "it" : "them"}.${far}`;
}

export const SIGN_NAME: Readonly<Record<Sign, string>> = {
  tacky: "Tacky",
  "paper-clogs": "Paper clogs",
  "still-wet": "Still wet",
  dents: "Takes a dent",
  smells: "Smells of solvent",
  other: "Something else",
};

type Conflicted = Extract<PlanAnswer, { outcome: "conflict" }>;

/** What is in the way. */
export function conflictText(a: Conflicted, what: string, after: string | null): { title: string; way: string } {
  switch (a.conflict.kind) {
    case "no-session-long-enough":
      return {
        title: `“${what}” fits no bench session`,
        way: `It needs ${a.conflict.neededMin} minutes of hands-on work; your longest session has ${a.conflict.longestMin}. Lengthen a session, or split the part into smaller regions.`,
      };
    case "no-session-left":
      return {
        title: `No bench session is left for “${what}”`,
        way: "The weekly pattern has no session, or its exceptions take them all, as far ahead as is planned.",
      };
    case "gate-shut":
      return {
        title: `The air never suits “${what}” during a session`,
        way: a.gateReason
          ? `At the sessions to come ${gateText(a.gateReason)}.`
          : "At every session the air is outside what the product allows.",
      };
    case "wait-beyond-horizon":
      return {
        title: `“${what}” would wait longer than is planned ahead`,
        way: `${after ? `After “${after}” the` : "The"} film does not get there in this air, or its window never opens. Warmer or drier air, thinner or fewer coats would help.`,
      };
    case "window":
      if (a.ops.some((o) => o.kind === "turn"))
        return {
          title: `The window for “${what}” shuts while the part is turned`,
          way: `Every face has a window of its own${after ? ` after “${after}”` : ""}, and one of them is shut by the time its turn comes. Lay the faces side by side with fewer turns, hold the part so that more of it is reached at once, give it a longer session, or lay the coat below afresh face by face.`,
        };
      return {
        title: `The window for “${what}” shuts before a session comes`,
        way: `${after ? `It opens after “${after}” and` : "It"} closes again between two bench sessions. If the film below is down already, add a scuff before this coat under Stacks, or take the last coat back in the Logbook and lay it afresh.`,
      };
    case "lock":
      return {
        title: `“${what}” cannot start where it is pinned`,
        way: `At that moment ${conflictReason(a.conflict, null)}.`,
      };
  }
}

/** Why something does not fit where it was put, without a capital and a stop. */
export function conflictReason(c: Conflict, after: string | null): string {
  switch (c.kind) {
    case "no-session-long-enough":
      return `it needs ${c.neededMin} minutes and the longest session has ${c.longestMin}`;
    case "no-session-left":
      return "no session is left for it";
    case "gate-shut":
      return "the air never suits it in a session";
    case "wait-beyond-horizon":
      return "what it waits for does not come as far ahead as is planned";
    case "window":
      return after ? `the window after “${after}” would have shut` : "its window would have shut";
    case "lock":
      return LOCK_HELD[c.heldBy.kind];
  }
}

const LOCK_HELD: Readonly<Record<BoundBy["kind"], string>> = {
  now: "that moment has passed",
  link: "what it waits for is not there yet",
  window: "its window is not open",
  session: "no bench session lies around it",
  gate: "the air does not suit the product",
  resource: "hands, tool or spraying place are taken",
  air: "dust or mist would meet a wet film",
  release: "the part or the product is not there yet",
  lock: "it is pinned twice",
  kept: "the plan had something else there",
};

type Names = {
  readonly op: (opId: string) => string;
  readonly link: (linkId: string) => string;
  readonly when: (atMin: number) => string;
  readonly span: (minutes: number) => string;
};

/** One thing that cannot be spared from what is in the way. */
export function pieceText(p: Piece, names: Names): string {
  switch (p.kind) {
    case "window":
      return `the window ${names.link(p.linkId)}`;
    case "wait":
      return `the wait ${names.link(p.linkId)}`;
    case "gate":
      return `the air that “${names.op(p.opId)}” needs`;
    case "lock":
      return `the pin on “${names.op(p.opId)}”`;
    case "release":
      return `“${names.op(p.opId)}” cannot begin before what it needs is there`;
    case "fixed":
      return `“${names.op(p.opId)}” is done already and cannot be moved`;
    case "sessions":
      return `“${names.op(p.opId)}” has to lie in a bench session`;
    case "others":
      return `the other work of these evenings (${p.opIds.length} pieces)`;
  }
}

/** One change that was tried and leaves a place. */
export function freeingText(f: Freeing, names: Names): string {
  switch (f.kind) {
    case "one-more-session":
      return `One more session, ${names.when(f.startMin)} to ${names.when(f.endMin)}`;
    case "longer-sessions":
      return `Every session ${names.span(f.byMin)} longer`;
    case "wider-window":
      return `The window ${names.link(f.linkId)} open ${names.span(f.byMin)} longer: thicker coats, cooler air, or another product`;
    case "open-gate":
      return `Air that suits “${names.op(f.opId)}”: a heater, a warm box, or a drier room`;
    case "unlock":
      return `“${names.op(f.opId)}” without its pin`;
    case "sooner-there":
      return `“${names.op(f.opId)}” free to begin at once: the product bought sooner, or the part back sooner`;
    case "without-batch":
      return `“${names.op(f.opId)}” by itself, not sprayed together with others`;
  }
}

export function noticeText(n: Notice): string {
  switch (n.kind) {
    case "left-out":
      return `Not planned: ${missingText(n.missing)} is missing.`;
    case "no-stack":
      return "Not planned: it has no stack yet.";
    case "verdict":
      return reasonOf(n.code);
    case "area-assumed":
      return `Area not given: hands-on minutes assume ${areaText(100)}.`;
    case "waits-assumed":
      return "Some label times are missing: the family’s usual ratios stand in.";
    case "show-waits":
      return "For show: it is planned by the safe waits, nine in ten, whatever the rest goes by.";
    case "rounds-likely":
      return `Planned with ${n.rounds} round${n.rounds === 1 ? "" : "s"} of look, fill, sand and prime (a likely number): fewer or more plans anew.`;
    case "rounds-left-out":
      return "Planned without rounds of look, fill, sand and prime: over this stack they break a rule or find no moment.";
    case "batch-left-out":
      return BATCH_LEFT_OUT[n.why];
    case "lock-passed":
      return "A pin lies in the past and no longer holds.";
    case "too-long":
      return `Not planned, the rest is: ${tooLongText(n)}`;
    case "stopped":
      return `Not planned, the rest is: ${reasonOf(n.code)} Answer it under Stacks.`;
    case "gap-longer":
      return `Layer ${n.layer + 1}: the gap you set (${duration(n.typedMin)}) is too short in this air; ${duration(n.neededMin)} are planned.`;
    case "over-booth":
      return `${n.longestMm} mm long, and the booth takes ${n.boothMm} mm: spray it in two goes from a natural edge, the half done first covered once it can be taped; or whole, outdoors on a still day, and carried in to dry.`;
    case "tape-long":
      return `What stays bare is under tape for about ${n.days} days: use low-tack tape and change it within a week.`;
    case "pot-life":
      return `Spraying takes longer than one mix lives: mix ${n.mixes} times.`;
    case "to-buy":
      return "Needs a product that is still to buy.";
    case "lies-otherwise":
      return `Planned as it lies by the log: ${laidDifferenceText(n.difference, "")}`;
  }
}

/** How a pile differs from what lies there. @param product name of what lies there, where it is another */
export function laidDifferenceText(d: LaidDifference, product: string): string {
  switch (d.kind) {
    case "other-product":
      return `${product || "Another product"} lies there where the pile has another product.`;
    case "not-in-pile":
      return `${product || "A layer"} lies there and is not in the pile.`;
    case "more-coats":
      return `${d.coats} coats lie there, more than the pile says.`;
    case "out-of-order":
      return "What lies there was laid in another order than the pile has it.";
    case "below-laid":
      return "The pile has a layer nobody laid below one that is down.";
  }
}

const BATCH_LEFT_OUT: Readonly<Record<Extract<Notice, { kind: "batch-left-out" }>["why"], string>> = {
  differs: "Coats to be sprayed together are no longer of one product: planned one by one.",
  begun: "One of the coats to be sprayed together has begun: the rest is planned one by one.",
  "pot-life": "Sprayed together they would outlast the pot life of one mix: planned one by one.",
  circle: "Coats to be sprayed together wait for each other: planned one by one.",
};

const LEFT_TACKY =
  "It was found tacky, and what the lamp has not set no waiting will. Cure it again, thinner or longer, until nothing sticks to a gloved finger; then go on, and say so.";

export const tooLongText = (n: Extract<Notice, { kind: "too-long" }>): string =>
  `One piece of its work that cannot be left half done takes ${n.neededMin} minutes, your longest session has ${n.longestMin}: give one evening that long, or make the face into smaller regions.`;

/** What is against starting a part's next step at this minute, one sentence each. */
export function againstTexts(tile: BenchTile): readonly string[] {
  const { check } = tile;
  if (!check) return [];
  const stops = [...new Set(check.stops.map((v) => verdictText(v)))];
  const shut = check.shutMin === null ? [] : [`Its window shut ${duration(Math.max(1, check.shutMin))} ago.`];
  const tacky = check.leftTacky ? [LEFT_TACKY] : [];
  const early =
    check.earlyMin > 0 && stops.length + shut.length > 0
      ? [`Likely not ready for another ${duration(check.earlyMin)}.`]
      : [];
  const open =
    stops.length + shut.length + tacky.length === 0 ? ["Its stack has a stop that nobody has answered for."] : [];
  return [...stops, ...shut, ...tacky, ...early, ...open];
}
