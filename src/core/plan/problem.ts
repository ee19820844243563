/** Chains with their history as a neutral scheduling problem: operations, links that answer when they allow the next, gates, resources. */

import { own } from "../base";
import { type AppliedCoat, type Climate, gateSpans } from "../film";
import type { Face, OpRecord } from "../history";
import type { JudgeAnswer } from "../judge";
import { type BenchSession, type Caution, type Product, type Region, subjectOf, workKindOf } from "../model";
import { hexLuminance } from "../numbers";
import {
  ASSUMED_AREA_CM2,
  CLEANING_MIN,
  FILL_SET_UP_MIN,
  firstDrink,
  MARK_MIN,
  materialFacts,
  volumeSolidsOf,
  WARM_UP_MIN,
} from "../reference";
import type { Link, Op, Problem, Span } from "../schedule";
import {
  aspectsOf,
  type Batches,
  type Chain,
  type CrossTie,
  canShut,
  chainOf,
  coatsUpTo,
  type Drying,
  dryingOf,
  estimateMin,
  forAll,
  forPieces,
  inSittings,
  inSteps,
  keepsOf,
  LAYS_PAINT,
  laidProduct,
  type NotYet,
  type Operation,
  type PlanRegion,
  piecesOf,
  type RoundsInput,
  type Row,
  sharedAir,
  spansOf,
  type Tie,
  TOOL_OF,
  type WaitContext,
  withExtra,
  withFit,
  withHistory,
  withMinutes,
  withRounds,
} from "../work";
import { nearPairs } from "./nearness";
import type { AirOf } from "./region-airs";
import type { PlanInput, PlanWishes, ShedHabits } from "./types";

/** A row of like pieces is worked on as one face as large as all of them. */
const ofAll = (region: Region, count: number): Region =>
  count === 1 ? region : { ...region, areaCm2: (region.areaCm2 ?? ASSUMED_AREA_CM2) * count };

/** One region's work with what has already happened to it. */
export interface LiveChain extends Row {
  /** the region as it is planned, rounds put in */
  readonly planned: PlanRegion;
  readonly chain: Chain;
  readonly filmUm: ReadonlyMap<string, number>;
  readonly coveredBy: ReadonlyMap<string, string>;
  /** in the warm this long before it is as warm as the room, minutes */
  readonly warmUpMin: number;
  /** rounds of fill, sand and prime it is planned with */
  readonly rounds: number;
  /** rounds were wished for, and the rules speak against them */
  readonly roundsRefused: boolean;
}

/** The region as it is planned: rounds put in, fitting added, minutes as the user has them, and the log's word over all. */
export function liveChain(
  own: PlanRegion,
  answer: Extract<JudgeAnswer, { outcome: "judged" }>,
  input: PlanInput & Pick<RoundsInput, "judged">,
  records: ReadonlyMap<string, OpRecord>,
): LiveChain {
  const { region: r, answer: judged, rounds, refused } = withRounds(own, answer, input);
  const count = own.count ?? 1;
  const bare = byOwnHands(
    forPieces(chainOf(ofAll(r.region, count), r.stack, judged.seams, input.productOf), count),
    input.habits?.hands,
  );
  const minutes = { ...markMinutes(bare, own, records), ...input.wishes?.minutes };
  const whole = withMinutes(
    inSittings(
      withMinutes(
        withExtra(
          withFit(bare, input.joins ?? [], input.productOf, records),
          r.region,
          own.face,
          records,
          input.productOf,
        ),
        minutes,
      ),
      input.sessions,
      records,
      input.productOf,
    ),
    sittingMinutes(minutes),
  );
  const live = withHistory(withoutPassed(whole, records), records);
  const { material } = r.region;
  const group = material === null || material === "unknown" ? "porous" : materialFacts(material).group;
  return {
    ...live,
    count,
    lastsMin: new Map(live.chain.ops.map((op) => [op.id, lasts(op, records.get(op.id))])),
    planned: r,
    rounds,
    roundsRefused: refused,
    warmUpMin: WARM_UP_MIN[group],
    filmUm: asMeasured(own.face, live.chain, afterDrink(r, live.chain, live.filmUm), input.productOf),
    chain: { ...live.chain, ties: live.chain.ties.map((tie) => overDoneFilm(tie, records)) },
  };
}

/** Minutes as one's own hands have taken for such work; what is told of single work goes over it. */
function byOwnHands(chain: Chain, hands: ShedHabits["hands"]): Chain {
  if (!hands) return chain;
  const ops = chain.ops.map((op) => {
    const factor = hands[workKindOf(op.id)] ?? 1;
    return factor === 1 ? op : { ...op, handsOnMin: inSteps(op.handsOnMin * factor), reckonedMin: op.handsOnMin };
  });
  return { ...chain, ops };
}

/** The next round fills what a look has marked: as many minutes as that takes. */
function markMinutes(
  { ops }: Chain,
  { marks = [] }: PlanRegion,
  records: ReadonlyMap<string, OpRecord>,
): PlanWishes["minutes"] {
  const next =
    marks.length === 0
      ? undefined
      : ops.find((op) => op.kind === "coat" && op.round !== undefined && isFill(op) && !records.has(op.id));
  if (!next) return {};
  return { [next.id]: inSteps(FILL_SET_UP_MIN + marks.reduce((sum, size) => sum + MARK_MIN[size], 0)) };
}
const isFill = ({ layerId }: Operation): boolean => layerId !== null && subjectOf(layerId).round?.what === "f";

/** As logged, or as planned; a long pause between start and done is no part of the work, and nothing dried for it. */
const lasts = (op: Operation, record: OpRecord | undefined): number =>
  record?.endMin == null ? op.handsOnMin : Math.min(op.handsOnMin, record.endMin - record.startMin);

/** What somebody said of single sittings; of the whole work it has been heard before it was divided. */
const sittingMinutes = (minutes: PlanWishes["minutes"]): PlanWishes["minutes"] =>
  Object.fromEntries(Object.entries(minutes).filter(([id]) => id.includes(":sitting:")));

/** Work beside the coats that was never noted is not asked for once later work is done: nobody masks what is painted. */
const ASIDE = new Set<Operation["kind"]>(["inspect", "mask", "turn", "fit", "dress", "hold", "guide", "helper"]);

function withoutPassed(chain: Chain, records: ReadonlyMap<string, OpRecord>): Chain {
  const last = chain.ops.findLastIndex((op) => records.has(op.id));
  const painted = chain.ops.findLastIndex((op) => LAYS_PAINT.has(op.kind) && records.has(op.id));
  // nor is a bare face got ready that is painted, or turned under a lamp or taken out of a bath once something else was done to it
  const isPast = (op: Operation, i: number) =>
    i < painted
      ? ASIDE.has(op.kind) || op.kind === "prep"
      : i < last && (ASIDE.has(op.kind) || op.lampMin !== undefined || op.soakMin !== undefined);
  const gone = new Set(chain.ops.filter((op, i) => isPast(op, i) && !records.has(op.id)).map((op) => op.id));
  if (gone.size === 0) return chain;
  let { ties } = chain;
  for (const id of gone) {
    const before = ties.filter((t) => t.to === id);
    const after = ties.filter((t) => t.from === id);
    const bridged = before.flatMap((b) =>
      after.filter((a) => !ties.some((t) => t.from === b.from && t.to === a.to)).map((a) => ({ ...b, to: a.to })),
    );
    ties = [...ties.filter((t) => t.from !== id && t.to !== id), ...bridged];
  }
  return { ...chain, ops: chain.ops.filter((op) => !gone.has(op.id)), ties };
}

/** The first coat on a porous face leaves less film than went on. */
function afterDrink(
  { region }: PlanRegion,
  chain: Chain,
  filmUm: ReadonlyMap<string, number>,
): ReadonlyMap<string, number> {
  const share = firstDrink(region.material, region.conditions.includes("sealed") || region.sealedBy != null);
  const first = chain.ops.find((o) => o.kind === "coat");
  if (share === 0 || !first) return filmUm;
  return new Map(filmUm).set(first.id, (filmUm.get(first.id) ?? 0) * (1 - share));
}

/** A gauge knows better what a layer’s coats left than wet films put together do. */
function asMeasured(
  face: Face | undefined,
  { ops }: Chain,
  filmUm: ReadonlyMap<string, number>,
  productOf: PlanInput["productOf"],
): ReadonlyMap<string, number> {
  if (!face || face.measuredUm.size === 0) return filmUm;
  const found = new Map(filmUm);
  for (const [layerId, dftUm] of face.measuredUm) {
    const lying = new Set(face.layers.find((l) => l.layerId === layerId)?.coats.map((c) => c.opId));
    const coats = ops.filter((op) => op.kind === "coat" && lying.has(op.id));
    const reckonedUm = coats.reduce(
      (sum, op) => sum + (filmUm.get(op.id) ?? 0) * volumeSolidsOf(laidProduct(op, productOf)),
      0,
    );
    if (reckonedUm <= 0) continue;
    for (const op of coats) found.set(op.id, (found.get(op.id)! * dftUm) / reckonedUm);
  }
  return found;
}

/** A film that is down already cannot be moved to meet its window: then the worse ways past it count too. */
function overDoneFilm(tie: Tie, records: ReadonlyMap<string, OpRecord>): Tie {
  const { wait } = tie;
  if (wait.kind !== "seam" || records.get(tie.from)?.endMin == null) return tie;
  return { ...tie, wait: { ...wait, waits: [...wait.waits, ...wait.fallback.map((f) => f.wait)] } };
}

export interface ProblemContext {
  readonly chains: readonly LiveChain[];
  readonly cross: readonly CrossTie[];
  readonly productOf: (id: string) => Product;
  readonly records: ReadonlyMap<string, OpRecord>;
  /** operation id → when someone last found it was not yet time for it */
  readonly notYet: ReadonlyMap<string, NotYet>;
  readonly airOf: AirOf;
  /** by link: how much later it opens than the wait clock says, because the film model says so, minutes */
  readonly delaysMin: ReadonlyMap<string, number>;
  readonly caution: Caution;
  readonly sessions: readonly BenchSession[];
  readonly nowMin: number;
  readonly horizonMin: number;
  readonly wishes: PlanWishes;
  readonly habits: ShedHabits;
  /** extraction takes the mist of what is sprayed */
  readonly extracted: boolean;
  readonly batches: Batches;
  /** coat → when the product it waits for is there */
  readonly heldMin: ReadonlyMap<string, number>;
  /** hours in which gates are looked at; absent = those of the sessions */
  readonly gateHours?: readonly BenchSession[] | undefined;
}

/** What is to be shown takes the longer wait, whatever the rest of the bench is planned by. */
export const cautionFor = ({ planned }: LiveChain, { caution }: Pick<ProblemContext, "caution">): Caution =>
  planned.region.finish === "show" ? "safe" : caution;

/** Plans move in steps of five minutes: nobody starts a coat at 19:03. */
export const GRID_MIN = 5;
const HANDS = 1;
const BOOTHS = 1;

export const linkId = (tie: Tie): string => `${tie.from}>${tie.to}>${tie.wait.kind}`;

/** The plan as a neutral scheduling problem; waits are asked of the given clock, so a second clock can check the first. */
export function problemOf(ctx: ProblemContext): Problem {
  const gates = gateCache(ctx);
  const chainById = new Map(ctx.chains.map((c) => [c.chain.regionId, c]));
  const all = ctx.chains.flatMap((live) => live.chain.ops.map((op) => opOf(op, live, ctx, gates)));
  const links = [
    ...ctx.chains.flatMap((live) => live.chain.ties.map((tie) => linkOf(tie, live, ctx))),
    ...ctx.cross.flatMap(({ tie, regionId }) => linkOf(tie, chainById.get(regionId)!, ctx)),
  ];
  const { holders, clamps } = ctx.habits;
  return {
    ops: inBatches(all, ctx),
    links: links.filter((l) => l.from !== l.to),
    near: nearPairs(ctx.chains, ctx.batches.aliasOf),
    paleness: palenessOf(all, ctx.productOf),
    capacity: {
      hands: HANDS,
      booth: BOOTHS,
      airbrush: 1,
      "spray-gun": 1,
      "uv-box": 1,
      ...(holders === null ? {} : { holders }),
      ...(clamps == null ? {} : { clamps }),
    },
    setupMin: { airbrush: CLEANING_MIN.airbrush!, "spray-gun": CLEANING_MIN["spray-gun"]! },
    setupTakes: "hands",
    sessions: ctx.sessions.filter((s) => s.endMin > ctx.nowMin && s.startMin < ctx.horizonMin),
    nowMin: ctx.nowMin,
    gridMin: GRID_MIN,
  };
}

/** How pale the colours are that go through tools, by what a tool is loaded with. */
function palenessOf(ops: readonly Op[], productOf: ProblemContext["productOf"]): Readonly<Record<string, number>> {
  const loads = new Set(ops.flatMap((op) => Object.values(op.loads ?? {})));
  return Object.fromEntries([...loads].map((id) => [id, hexLuminance(productOf(id).colour)]));
}

/** Members of a batch become one operation: set up once, sprayed one after the other. */
function inBatches(all: readonly Op[], ctx: ProblemContext): readonly Op[] {
  if (ctx.batches.members.size === 0) return all;
  const byId = new Map(all.map((op) => [op.id, op]));
  return all.flatMap((op): Op[] => {
    if (ctx.batches.aliasOf(op.id) !== op.id) return [];
    const members = ctx.batches.members.get(op.id);
    if (!members) return [op];
    const own = members.ids.map((id) => byId.get(id)!);
    const keeps = own.flatMap((o) => o.keeps ?? []);
    return [
      {
        ...op,
        durationMin: members.minutes,
        releaseMin: Math.max(...own.map((o) => o.releaseMin)),
        lockMin: own.map((o) => o.lockMin).find((l) => l != null) ?? null,
        keeps,
      },
    ];
  });
}

type GateOf = (live: LiveChain, productId: string, partC: number | null) => readonly Span[];

function gateCache(ctx: ProblemContext): GateOf {
  const byClimate = new Map<Climate, Map<string, readonly Span[]>>();
  return (live, productId, partC) => {
    const { climate } = ctx.airOf(live.chain.regionId);
    const warmMin = ctx.habits.coldStore ? live.warmUpMin : 0;
    const key = `${productId}|${warmMin}|${partC}`;
    const known = byClimate.get(climate) ?? new Map<string, readonly Span[]>();
    byClimate.set(climate, known);
    const spans =
      known.get(key) ??
      warmed(gateSpans(ctx.productOf(productId), climate, ctx.gateHours ?? ctx.sessions, partC), ctx, warmMin);
    known.set(key, spans);
    return spans;
  };
}

/** Carried in from the cold when the session begins, a part is not coated before it is as warm as the room. */
function warmed(gate: readonly Span[], ctx: ProblemContext, warmMin: number): readonly Span[] {
  if (warmMin === 0) return gate;
  return ctx.sessions.flatMap((s) =>
    gate.flatMap((g): Span[] => {
      const startMin = Math.max(g.startMin, s.startMin + warmMin);
      const endMin = Math.min(g.endMin ?? s.endMin, s.endMin);
      return endMin > startMin ? [{ startMin, endMin }] : [];
    }),
  );
}

function opOf(op: Operation, live: LiveChain, ctx: ProblemContext, gates: GateOf): Op {
  const record = ctx.records.get(op.id);
  const { wishes, habits } = ctx;
  const product = op.productId === null ? null : laidProduct(op, ctx.productOf);
  const tool = product && op.sprayed ? TOOL_OF[product.method] : undefined;
  const drying = product ? dryingBy(op, live, product, ctx) : null;
  const releaseMin = Math.max(
    ctx.nowMin,
    own(wishes.away, op.regionId) ?? ctx.nowMin,
    ctx.heldMin.get(op.id) ?? ctx.nowMin,
  );
  const lockMin = own(wishes.locks, op.id) ?? null;
  return {
    id: op.id,
    durationMin: op.handsOnMin,
    needs: {
      hands: 1,
      ...(op.sprayed ? { booth: 1 } : {}),
      ...(tool ? { [tool]: 1 } : {}),
      ...(op.lampMin === undefined ? {} : { "uv-box": 1 }),
      ...(op.held?.by === "clamp" && habits.clamps != null ? { clamps: 1 } : {}),
      ...(habits.holders !== null && drying ? { holders: Math.min(live.count, habits.holders) } : {}),
    },
    loads: tool ? { [tool]: product!.id } : undefined,
    keeps: keepsOf(op, drying, habits, live.count),
    air: sharedAir(op, drying, { covered: habits.covered, extracted: ctx.extracted }),
    releaseMin,
    lockMin: record || lockMin === null || lockMin < ctx.nowMin ? null : lockMin,
    ...(live.chain.ops.at(-1)?.id === op.id ? dueOf(op.regionId, wishes) : {}),
    gate: op.productId === null ? null : gates(live, op.productId, op.partC ?? null),
    fixed: record ? { startMin: record.startMin, endMin: record.endMin ?? inHandUntil(op, record, ctx) } : null,
  };
}

/** What is in hand ends as it was planned to, give or take a step: a minute lost at its start moves nobody else's evening. */
const inHandUntil = ({ handsOnMin }: Operation, { startMin }: OpRecord, { nowMin }: ProblemContext): number =>
  Math.max(nowMin, startMin, Math.round((startMin + handsOnMin) / GRID_MIN) * GRID_MIN);

/** The soonest of the dates a region's last work is wished for by. */
function dueOf(regionId: string, { dueMin, dues = [] }: PlanWishes): Pick<Op, "dueMin" | "dueWeight"> {
  const all = dueMin === null ? [] : [{ dueMin, weight: 1 }];
  const [first] = [...dues.filter((d) => d.regionIds.has(regionId)), ...all].sort((a, b) => a.dueMin - b.dueMin);
  return first ? { dueMin: first.dueMin, dueWeight: first.weight } : {};
}

function dryingBy(op: Operation, live: LiveChain, product: Product, ctx: ProblemContext): Drying {
  const { clock } = ctx.airOf(op.regionId);
  const coatId = op.kind === "turn" ? op.id.slice(0, op.id.lastIndexOf(":turn:")) : op.id;
  const wftUm = live.filmUm.get(coatId) ?? op.wftUm ?? product.label.wftUm;
  return dryingOf((endMin): AppliedCoat => ({ product, wftUm, endMin }), clock);
}

function linkOf(tie: Tie, live: LiveChain, ctx: ProblemContext): Link {
  const { aliasOf } = ctx.batches;
  const coatsAt = (endOf: (id: string) => number) => coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, endOf);
  const planned = coatsAt(() => 0);
  const { clock } = ctx.airOf(live.chain.regionId);
  const delayMin = ctx.delaysMin.get(linkId(tie)) ?? 0;
  return {
    id: linkId(tie),
    from: aliasOf(tie.from),
    to: aliasOf(tie.to),
    bounded: canShut(tie.wait, planned),
    estimateMin: estimateMin(tie.wait, planned),
    // a film may be dry when it is laid; what its wait really is, the bound asks it
    leastMin: 0,
    hangsOn: hoursOf(tie, live, ctx),
    dear: aspectsOf(tie.wait) !== null,
    allowed: remembered(hoursOf(tie, live, ctx), (endOf) =>
      putBack(
        rowSpans(tie, live, ctx, (id) => endOf(aliasOf(id)), {
          clock,
          caution: cautionFor(live, ctx),
          notYet: ctx.notYet.get(tie.to) ?? null,
        }),
        delayMin,
      ),
    ),
  };
}

/** When what follows a tie may start: for every piece of a row, and not before the row is through with what it waits for. */
export function rowSpans(
  tie: Tie,
  live: LiveChain,
  ctx: Pick<ProblemContext, "productOf"> & Partial<Pick<ProblemContext, "batches">>,
  endOf: (id: string) => number,
  asked: Omit<WaitContext, "coats" | "fromMin">,
): readonly Span[] {
  const pieces = piecesOf(live, endOf, ctx.batches);
  const spans = pieces.map((p) =>
    spansOf(tie.wait, {
      ...asked,
      coats: coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, p.endOf),
      fromMin: p.endOf(tie.from),
    }),
  );
  if (pieces.length === 1) return spans[0]!;
  const all = forAll(
    spans,
    pieces.map((p) => p.turnMin(tie.to)),
  );
  const overMin = endOf(tie.from);
  return all
    .filter((s) => s.endMin === null || s.endMin > overMin)
    .map((s) => ({ ...s, startMin: Math.max(s.startMin, overMin) }));
}

/** Operations whose hours a wait hangs on: what lies in the film up to the one waited for, and that one. */
function hoursOf(tie: Tie, live: LiveChain, ctx: ProblemContext): readonly string[] {
  const upTo = live.chain.ops.findIndex((op) => op.id === tie.from);
  const inFilm = live.chain.ops.slice(0, upTo).filter((op) => IN_FILM.has(op.kind));
  return [...inFilm.map((op) => op.id), tie.from].map(ctx.batches.aliasOf);
}
const IN_FILM = new Set<Operation["kind"]>(["coat", "turn", "sand"]);

/** A search asks for the same hours again and again; so many answers are kept a wait. */
const KEPT_ANSWERS = 64;

function remembered(ids: readonly string[], allowed: Link["allowed"]): Link["allowed"] {
  const known = new Map<string, readonly Span[]>();
  return (endOf) => {
    let key = "";
    for (const id of ids) key += `${endOf(id)},`;
    const found = known.get(key);
    if (found) return found;
    if (known.size >= KEPT_ANSWERS) known.clear();
    const spans = allowed(endOf);
    known.set(key, spans);
    return spans;
  };
}

/** Spans that open later by what the film model found; one that would open after it shuts is lost. */
export const putBack = (spans: readonly Span[], delayMin: number): readonly Span[] =>
  delayMin === 0
    ? spans
    : spans
        .map((s) => ({ startMin: s.startMin + delayMin, endMin: s.endMin }))
        .filter((s) => s.endMin === null || s.endMin > s.startMin);
