import { own } from "../base";
import type { AppliedCoat } from "../film";
import type { SeamPlan } from "../judge";
import type { BeforeStep, Layer, Method, PrepStep, Product, Region, Stack, Tape } from "../model";
import { coatOf, opIds, subjectOf } from "../model";
import { plannedWftUm } from "../numbers";
import {
  ASIDE_LABOUR,
  ASSUMED_AREA_CM2,
  BEFORE_LABOUR,
  COAT_LABOUR,
  DUST_SETTLES_MIN,
  LABOUR_STEP_MIN,
  type Labour,
  materialFacts,
  PREP_LABOUR,
  partDryMin,
  ROUND_SPOT_SHARE,
  SAND_LABOUR,
  TAPE_LATEST_MIN,
  UV_BOX_MIN,
  type Wetting,
} from "../reference";
import { isSprayed } from "../rules";
import { partDryWait, type Wait } from "./types";

export const OP_KINDS = [
  "prep",
  "before",
  "coat",
  "part-coat",
  "sand",
  "turn",
  "inspect",
  "mask",
  "unmask",
  "fit",
] as const;
export type OpKind = (typeof OP_KINDS)[number];
/** Wets a face, wholly or in part. */
export const LAYS_PAINT: ReadonlySet<OpKind> = new Set<OpKind>(["coat", "part-coat", "turn"]);

/** One piece of hands-on work on one region. */
export interface Operation {
  readonly id: string;
  readonly regionId: string;
  readonly layerId: string | null;
  readonly kind: OpKind;
  readonly step: PrepStep | BeforeStep | null;
  /** 1-based, of `of`, for coats */
  readonly coat: number;
  readonly of: number;
  readonly productId: string | null;
  readonly wftUm: number | null;
  readonly handsOnMin: number;
  readonly sprayed: boolean;
  /** paper to use, FEPA P grits; null where nothing is abraded */
  readonly abrasive: { readonly from: number; readonly to: number; readonly wet: boolean } | null;
  /** rubs or brushes dry: what it gives off has to settle, and be wiped off, before anything is coated */
  readonly dusty: boolean;
  /** dry film a rub takes off, µm; 0 where nothing is rubbed */
  readonly takesUm: number;
  /** of work longer than any session: which sitting of how many; absent = done in one */
  readonly sitting?: { readonly n: number; readonly of: number } | undefined;
  /** the round of fill, sand and prime it belongs to, from 1; absent = none */
  readonly round?: number | undefined;
}

/** A wait between two operations of the same region. */
export interface Tie {
  readonly from: string;
  readonly to: string;
  readonly wait: Wait;
}

export interface Chain {
  readonly regionId: string;
  readonly ops: readonly Operation[];
  readonly ties: readonly Tie[];
}

/** What the log says of one operation. Coats done in one go: `coats` of `wftUm` each. */
export interface OpRecord {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number | null;
  readonly coats: number | null;
  readonly wftUm: number | null;
}

const minutesFor = (labour: Labour, areaCm2: number | null, share = 1): number =>
  inSteps(labour.fixedMin + labour.perCm2Min * share * (areaCm2 ?? ASSUMED_AREA_CM2));
const inSteps = (minutes: number): number => Math.ceil(minutes / LABOUR_STEP_MIN) * LABOUR_STEP_MIN;

/** The round a layer was put in for, from 1; null = the user's own layer. */
const roundOf = (layerId: string): number | null => subjectOf(layerId).round?.n ?? null;

/** A coat, or a turn within one, after one coat and before another. */
const coatBetween = (opId: string, after: number, before: number): boolean => {
  const n = coatOf(opId);
  return n !== null && n > after && n < before;
};

/** What the user says a piece of work takes beats what is reckoned. */
export const withMinutes = (chain: Chain, minutes: Readonly<Record<string, number>>): Chain => ({
  ...chain,
  ops: chain.ops.map((op) => ({ ...op, handsOnMin: own(minutes, op.id) ?? op.handsOnMin })),
});

export const blankOperation = {
  layerId: null,
  step: null,
  coat: 0,
  of: 0,
  productId: null,
  wftUm: null,
  sprayed: false,
  abrasive: null,
  dusty: false,
  takesUm: 0,
} as const;

/** Work and waits being put together, in order: what is pushed waits for what was pushed last. */
class Work {
  readonly ops: Operation[] = [];
  readonly ties: Tie[] = [];
  private wait: Wait = NO_WAIT;
  /** the last that gave dust since a film was laid */
  private dustyId: string | null = null;

  /** @param after what the next piece waits for, unless `now` says otherwise */
  push(op: Operation, after: Wait = NO_WAIT): void {
    const last = this.ops.at(-1);
    if (last) this.ties.push({ from: last.id, to: op.id, wait: this.wait });
    this.ops.push(op);
    this.wait = after;
    if (op.dusty) this.dustyId = op.id;
  }
  /** A coat lies on what was rubbed before it: that dust has settled by then, and is wiped off. */
  coat(op: Operation, after: Wait): void {
    if (this.dustyId !== null) this.tie(this.dustyId, op.id, DUST_SETTLED);
    this.dustyId = null;
    this.push(op, after);
  }
  now(wait: Wait): void {
    this.wait = wait;
  }
  tie(from: string, to: string, wait: Wait): void {
    this.ties.push({ from, to, wait });
  }
  /** What is pushed next waits for a coat, also when something else was done in between. */
  waitFor(coatId: string, to: string, wait: Wait): void {
    if (this.ops.at(-1)!.id === coatId) this.wait = wait;
    else this.tie(coatId, to, wait);
  }
}

/**
 * The work of a region in order, with the wait before each piece: preparation, zones to keep bare, then per layer what is done
 * before it, its coats with their turns, its sanding, and tape on or off. A sanded layer ties its coats both to the rub and to
 * the next layer. Tape on a layer is for the one above it, and comes off after that one's last coat.
 */
export function chainOf(
  region: Region,
  stack: Stack,
  seams: readonly (SeamPlan | null)[],
  productOf: (id: string) => Product,
): Chain {
  const work = new Work();
  stack.prep.forEach((step, n) => {
    const wetted = WETS.has(stack.prep[n - 1]);
    // the wait after a wash is its drying: a dry step behind it asks for none of its own
    work.push(prepOp(region, step), step === "dry" && wetted ? NO_WAIT : waitAfterPrep(region, step));
  });
  const keepsBare = (region.keepBare ?? []).length > 0;
  if (keepsBare) work.push(aside(region, "mask", opIds.bare(region.id, "mask"), null, BARE_SHARE));
  stack.layers.forEach((layer, i) => {
    const below = stack.layers[i - 1] ?? null;
    beforeLayer(work, region, layer, below);
    coatsOf(work, region, layer, below, productOf(layer.productId), seams[i] ?? null);
    if (below?.tape) tapeOff(work, region, below, below.tape);
    afterLayer(work, region, layer, i < stack.layers.length - 1);
  });
  const top = stack.layers.at(-1);
  if (keepsBare && top) {
    const id = opIds.bare(region.id, "unmask");
    work.waitFor(lastCoatId(top, region), id, { kind: "unmask", leastMin: null });
    work.push(aside(region, "unmask", id, null, BARE_SHARE));
  }
  return { regionId: region.id, ops: work.ops, ties: work.ties };
}

function beforeLayer(work: Work, region: Region, layer: Layer, below: Layer | null): void {
  const belowCoat = below && lastCoatId(below, region);
  const round = roundOf(layer.id);
  if (belowCoat && round !== null && roundOf(below.id) !== round) {
    const id = opIds.inspect(layer.id);
    work.push({ ...aside(region, "inspect", id, layer.id), round });
    // one looks as soon as the part can be held; what the look leads to waits for its own moment
    work.tie(belowCoat, id, HANDLED);
  }
  for (const step of layer.before) {
    work.push(beforeOp(region, layer, step), waitAfterBefore(region, layer, step));
    // warmth on a film still wet with solvent is fire and bubbles: it always waits for touch dry
    if (step === "heat" && belowCoat)
      for (const coatId of [opIds.coat(below.id, below.coats), belowCoat])
        work.tie(coatId, opIds.before(layer.id, step), { kind: "milestone", milestone: "touch", leastMin: 0 });
    if (step === "scuff" && belowCoat) work.tie(belowCoat, opIds.before(layer.id, step), { kind: "sandable" });
  }
}

function coatsOf(
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
      work.tie(faceId(opIds.coat(below.id, below.coats), k), faceId(opIds.coat(layer.id, 1), k), {
        kind: "seam",
        waits: seam?.waits ?? [{ until: "sandable" }],
        fallback: seam?.fallback ?? [],
      });
  work.now(NO_WAIT);
}

function tapeOff(work: Work, region: Region, below: Layer, tape: Tape): void {
  const leastMin = tape.offMin === null ? null : Math.max(0, tape.offMin - (tape.onMin ?? 0));
  const id = opIds.unmask(below.id);
  work.now({ kind: "unmask", leastMin });
  work.push(aside(region, "unmask", id, below.id));
  work.tie(opIds.mask(below.id), id, { kind: "tape-limit", minutes: TAPE_LATEST_MIN[tape.tack] });
}

function afterLayer(work: Work, region: Region, layer: Layer, moreToCome: boolean): void {
  const coatId = lastCoatId(layer, region);
  if (layer.sandAfter) {
    work.waitFor(coatId, opIds.sand(layer.id), { kind: "sandable" });
    work.push(
      sandOp(region, layer, layer.sandAfter),
      layer.sandAfter.wet ? dryAgain(region, "wet-rub", true) : NO_WAIT,
    );
  }
  if (!layer.tape || !moreToCome) return;
  const leastMin = layer.tape.onMin ?? 0;
  work.waitFor(coatId, opIds.mask(layer.id), { kind: "milestone", milestone: "tape-safe", leastMin });
  work.push(aside(region, "mask", opIds.mask(layer.id), layer.id));
}

const aside = (
  region: Region,
  kind: "inspect" | "mask" | "unmask",
  id: string,
  layerId: string | null,
  share = 1,
): Operation => ({
  ...blankOperation,
  id,
  regionId: region.id,
  layerId,
  kind,
  handsOnMin: minutesFor(ASIDE_LABOUR[kind], region.areaCm2, share),
});

const NO_WAIT: Wait = { kind: "none" };
const DUST_SETTLED: Wait = { kind: "fixed", minutes: DUST_SETTLES_MIN, what: "dust" };
const WETS: ReadonlySet<PrepStep | undefined> = new Set<PrepStep>(["drain", "wash", "rinse"]);
const HANDLED: Wait = { kind: "milestone", milestone: "handle", leastMin: 0 };
/** Zones kept bare are small beside the face they lie in (est.). */
const BARE_SHARE = 0.2;

/** The last thing done to a layer's last coat: the turn after it, where the part is turned. */
const lastCoatId = (layer: Layer, region: Region): string => {
  const coatId = opIds.coat(layer.id, layer.coats);
  const turns = turnsOf(region);
  return turns > 0 ? opIds.turn(coatId, turns) : coatId;
};
const turnsOf = (region: Region): number => region.turns ?? 0;
/** The operation that lays a coat on a face: the coat itself on the first, its turns on the others. */
const faceId = (coatId: string, face: number): string => (face === 0 ? coatId : opIds.turn(coatId, face));

function sandOp(region: Region, layer: Layer, rub: NonNullable<Layer["sandAfter"]>): Operation {
  const round = roundOf(layer.id) ?? undefined;
  return {
    ...blankOperation,
    id: opIds.sand(layer.id),
    regionId: region.id,
    layerId: layer.id,
    kind: "sand",
    handsOnMin: minutesFor(SAND_LABOUR, region.areaCm2, round === undefined ? 1 : ROUND_SPOT_SHARE),
    abrasive: { from: rub.grit, to: rub.grit, wet: rub.wet },
    dusty: !rub.wet,
    takesUm: rub.takesUm,
    round,
  };
}

const beforeOp = (region: Region, layer: Layer, step: BeforeStep): Operation => ({
  ...blankOperation,
  id: opIds.before(layer.id, step),
  regionId: region.id,
  layerId: layer.id,
  kind: "before",
  step,
  handsOnMin: minutesFor(BEFORE_LABOUR[step], region.areaCm2),
  dusty: step === "scuff" && !layer.scuffWet,
});

/** Dry sanding is out where the metal, or an old finish nobody tested, may hold lead. */
const wetOnly = (region: Region): boolean =>
  region.material === null ||
  region.material === "unknown" ||
  (materialFacts(region.material).mayHoldLead && region.lead !== "none") ||
  (region.oldFinish != null && region.oldFinish.lead !== "none");

function prepOp(region: Region, step: PrepStep): Operation {
  const material = region.material === null || region.material === "unknown" ? null : materialFacts(region.material);
  const keyGrit = step === "key" ? (material?.keyGrit ?? null) : null;
  return {
    ...blankOperation,
    id: opIds.prep(region.id, step),
    regionId: region.id,
    kind: "prep",
    step,
    handsOnMin: minutesFor(PREP_LABOUR[step], region.areaCm2),
    abrasive: keyGrit && { ...keyGrit, wet: wetOnly(region) },
    dusty: (step === "key" || step === "derust") && !wetOnly(region),
  };
}

function waitAfterPrep(region: Region, step: PrepStep): Wait {
  if (step === "wash") return dryAgain(region, "soak");
  if (step === "rinse" || step === "drain" || step === "dry") return dryAgain(region, "rinse");
  if (step === "post-cure") return { kind: "fixed", minutes: UV_BOX_MIN, what: "uv-box" };
  if (step === "key" && wetOnly(region)) return dryAgain(region, "wet-rub");
  return step === "degrease" || step === "wipe" ? { kind: "wipe-flash" } : { kind: "none" };
}

/** Water leaving a part: its face, and its joints and hollows where it has any. */
const dryAgain = (region: Region, how: Wetting, underFilm = false): Wait => {
  const covered = underFilm || region.conditions.includes("sealed") || region.sealedBy != null;
  return partDryWait(partDryMin(region.material, how, holdsInJoints(region), covered));
};
const holdsInJoints = (region: Region): boolean =>
  region.joints === true || region.hollow === true || region.conditions.includes("damp-joints");

function waitAfterBefore(region: Region, layer: Layer, step: BeforeStep): Wait {
  if (step === "dry") return dryAgain(region, "rinse");
  if (step === "scuff" && layer.scuffWet) return dryAgain(region, "wet-rub", true);
  return step === "degrease" || step === "wipe" ? { kind: "wipe-flash" } : { kind: "none" };
}

/** A coat, and the turns in which its other faces follow once the part can be held; its minutes are shared among them. */
function coatOps(region: Region, layer: Layer, product: Product, n: number): { coat: Operation; turns: Operation[] } {
  const method: Method = product.method;
  const round = roundOf(layer.id) ?? undefined;
  const spots = round !== undefined && product.role === "putty";
  const count = turnsOf(region);
  const wholeMin = minutesFor(COAT_LABOUR[method], region.areaCm2, spots ? ROUND_SPOT_SHARE : 1);
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

/**
 * The chain as the log has made it: coats put on together cover the ones after them, which need no work of their own.
 * @returns the operations still standing, and for each done coat the wet film it really left
 */
export function withHistory(
  chain: Chain,
  records: ReadonlyMap<string, OpRecord>,
): { chain: Chain; filmUm: ReadonlyMap<string, number>; coveredBy: ReadonlyMap<string, string> } {
  const filmUm = new Map<string, number>();
  const coveredBy = new Map<string, string>();
  chain.ops.forEach((op, i) => {
    if (op.kind !== "coat" || coveredBy.has(op.id)) return;
    const record = records.get(op.id);
    const coats = record?.coats ?? 1;
    filmUm.set(op.id, (record?.wftUm ?? op.wftUm ?? 0) * coats);
    const later = chain.ops
      .slice(i + 1)
      .filter((o) => o.layerId === op.layerId && (o.kind === "coat" || o.kind === "turn"));
    for (const next of later)
      if (coatBetween(next.id, op.coat, op.coat + coats) && !records.has(next.id)) coveredBy.set(next.id, op.id);
  });
  if (coveredBy.size === 0) return { chain, filmUm, coveredBy };
  const standing = (id: string) => coveredBy.get(id) ?? id;
  const ops = chain.ops.filter((op) => !coveredBy.has(op.id));
  const ties = chain.ties
    .map((t) => ({ ...t, from: standing(t.from), to: standing(t.to) }))
    .filter((t) => t.from !== t.to);
  return { chain: { ...chain, ops, ties }, filmUm, coveredBy };
}

/**
 * Coats on the face up to and including `upToOpId`, oldest first, as applied where the log knows and as planned where not;
 * each with what was rubbed off before the next. Of a part that is turned it is the face the operation lays, else the last.
 */
export function coatsUpTo(
  chain: Chain,
  upToOpId: string,
  filmUm: ReadonlyMap<string, number>,
  productOf: (id: string) => Product,
  endOf: (opId: string) => number,
): readonly AppliedCoat[] {
  const upTo = chain.ops.findIndex((op) => op.id === upToOpId);
  const upToOp = chain.ops[upTo];
  const face = upToOp?.kind === "coat" ? 0 : upToOp?.kind === "turn" ? upToOp.coat : Number.MAX_SAFE_INTEGER;
  const coats: AppliedCoat[] = [];
  for (const op of chain.ops.slice(0, upTo + 1)) {
    if (op.kind === "coat")
      coats.push({ product: productOf(op.productId!), wftUm: filmUm.get(op.id) ?? op.wftUm!, endMin: endOf(op.id) });
    const last = coats.at(-1);
    if (op.kind === "turn" && op.coat <= face && last) coats[coats.length - 1] = { ...last, endMin: endOf(op.id) };
    if (op.kind === "sand" && last)
      coats[coats.length - 1] = { ...last, rubbed: { atMin: endOf(op.id), takesUm: op.takesUm } };
  }
  return coats;
}
