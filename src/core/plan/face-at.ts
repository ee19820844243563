/** A face with its work at one moment, and what first aid has to know of it. */

import { type AppliedCoat, milestoneAfter, NOT_YET_LEAST, progressAt, waitFactor } from "../film";
import type { JudgeAnswer } from "../judge";
import type { FaceNow, FaceTrait } from "../mishap";
import type { Layer, Product } from "../model";
import { wetOnly } from "../policy";
import { familyFacts, hasTrait, materialFacts } from "../reference";
import { isSprayed } from "../rules";
import { coatsUpTo, type Operation, type PlanRegion } from "../work";
import { type LiveChain, liveChain } from "./problem";
import { judgeRegion } from "./region";
import { type AirOf, regionAirs } from "./region-airs";
import type { PlanInput } from "./types";

/** Work that was done; `coats` laid in one go, 1 where it was none. */
export interface DoneWork {
  readonly op: Operation;
  readonly startMin: number;
  readonly endMin: number;
  readonly coats: number;
}

/** A face with its work, as its log has left it at one moment. */
export interface FaceAt {
  readonly own: PlanRegion;
  readonly answer: Extract<JudgeAnswer, { outcome: "judged" }>;
  readonly live: LiveChain;
  /** work done by then, oldest first, with its start and end */
  readonly done: readonly DoneWork[];
  /** of these what laid coats */
  readonly laid: readonly DoneWork[];
  readonly atMin: number;
  readonly air: ReturnType<AirOf>;
  readonly input: PlanInput;
}

/**
 * @param judged by whom piles are judged, verdicts reached before among them; absent = judged here
 * @returns null where the face is not judged, or has no pile
 */
export function faceAt(
  input: PlanInput,
  regionId: string,
  atMin: number,
  judged: (r: PlanRegion) => JudgeAnswer = (r) => judgeRegion(r, input),
): FaceAt | null {
  const own = input.regions.find((r) => r.region.id === regionId);
  if (!own) return null;
  const answer = judged(own);
  if (answer.outcome !== "judged") return null;
  // now is a whole minute, and what was told within it is known
  const untilMin = atMin >= input.nowMin ? Number.POSITIVE_INFINITY : atMin;
  const records = input.records
    .filter((r) => r.startMin <= untilMin)
    .map((r) => (r.endMin !== null && r.endMin > untilMin ? { ...r, endMin: null } : r));
  const live = liveChain(own, answer, { ...input, records, judged }, new Map(records.map((r) => [r.opId, r])));
  const byId = new Map(records.map((r) => [r.opId, r]));
  const done = live.chain.ops
    .flatMap((op) => {
      const r = byId.get(op.id);
      return r?.endMin == null ? [] : [{ op, startMin: r.startMin, endMin: r.endMin, coats: r.coats ?? 1 }];
    })
    .sort((a, b) => a.endMin - b.endMin);
  const laid = done.filter(({ op }) => op.kind === "coat");
  return { own, answer, live, done, laid, atMin, air: regionAirs(input)(regionId), input };
}

/** Coats up to and with a piece of work, as they lay there then. */
export const coatsTo = (f: FaceAt, opId: string): readonly AppliedCoat[] => {
  const ends = new Map(f.done.map((d) => [d.op.id, d.endMin]));
  return coatsUpTo(f.live.chain, opId, f.live.filmUm, f.input.productOf, (id) => ends.get(id) ?? f.atMin);
};
export const reached = (a: ReturnType<typeof milestoneAfter>): number | null =>
  a.outcome === "reached" ? a.atMin : null;
export const productOfOp = (f: FaceAt, op: Operation): Product => f.input.productOf(op.productId!);
export const layerOf = (f: FaceAt, op: Operation | undefined): Layer | undefined =>
  f.live.planned.stack.layers.find((l) => l.id === op?.layerId);

const STAGES = ["touch", "handle", "sandable", "cured"] as const;
type Stage = (typeof STAGES)[number];
const ownOp = (f: FaceAt, opId: string): boolean => f.live.chain.ops.some((op) => op.id === opId);

/** What first aid has to know of a face: its uppermost film with its times, and what lies there. */
export function faceNow(f: FaceAt): FaceNow {
  const top = f.laid.at(-1);
  const next = f.live.chain.ops.find((op) => !f.done.some((d) => d.op.id === op.id));
  const base = { next: next?.kind ?? null, nextProductId: next?.productId ?? null };
  if (!top) return { ...base, traits: traitsOf(f, null), top: null };
  const coats = coatsTo(f, top.op.id);
  // what a look has found not to be there is later than the model says, and so is all that comes after it
  const look = f.input.notYet.findLast((n) => n.atMin > top.endMin && n.lacks && ownOp(f, n.opId));
  const factor = (m: Stage) =>
    look?.lacks && STAGES.indexOf(m) >= STAGES.indexOf(look.lacks as Stage)
      ? waitFactor(f.input.caution, progressAt(coats, m, f.air.clock, look.atMin), coats.at(-1)!.product.pace ?? null)
      : null;
  const least = look ? top.endMin + NOT_YET_LEAST * (look.atMin - top.endMin) : null;
  const when = (m: Stage) => {
    const by = factor(m);
    const at = reached(milestoneAfter(coats, m, f.air.clock, by));
    // as the tile's own wait has it: so much longer than had passed by then
    return at !== null && by !== null && least !== null ? Math.max(at, least) : at;
  };
  return {
    ...base,
    traits: traitsOf(f, top.op),
    top: {
      layerId: top.op.layerId!,
      productId: top.op.productId!,
      opId: top.op.id,
      endMin: top.endMin,
      touchMin: when("touch"),
      handleMin: when("handle"),
      sandableMin: when("sandable"),
      curedMin: when("cured"),
    },
  };
}

function traitsOf(f: FaceAt, top: Operation | null): readonly FaceTrait[] {
  const { region } = f.own;
  const group = region.material === null || region.material === "unknown" ? null : materialFacts(region.material).group;
  const roles = new Set(f.laid.map(({ op }) => productOfOp(f, op).role));
  const product = top && productOfOp(f, top);
  const sealed = roles.has("sealer") || region.sealedBy != null;
  const masked = f.done.findLast(({ op }) => op.kind === "mask" || op.kind === "unmask")?.op.kind === "mask";
  const family = product && product.family !== "unknown" ? familyFacts(product.family) : null;
  const water = product !== null && product.carriers !== "unknown" && product.carriers.includes("water");
  const is: Readonly<Record<FaceTrait, boolean>> = {
    fragile:
      (group === "foam" && !sealed) || group === null || (region.oldFinish != null && region.oldFinish.rub !== "sound"),
    foam: group === "foam",
    metal: group === "metal",
    resin: hasTrait(region.material, "hardened-by-light"),
    "wet-only": wetOnly(region),
    putty: roles.has("putty"),
    wash: product?.role === "wash",
    decal: roles.has("decal"),
    clear: product?.role === "clear",
    tape: masked || layerOf(f, top ?? undefined)?.tape != null,
    sprayed: product !== null && isSprayed(product),
    brushed: product?.method === "brush",
    lacquer: family?.bondsByRedissolving ?? false,
    "water-borne": water,
    sanded: f.done.some(({ op }) => op.abrasive !== null),
    wipeable: product?.role === "wash" && !f.answer.verdicts.some((v) => /^wash-same-class|^water-wash/.test(v.rule)),
    "film-below": f.laid.some(({ op }) => op.layerId !== top?.layerId),
  };
  return (Object.keys(is) as FaceTrait[]).filter((t) => is[t]);
}
