/** Pieces of hands-on work and the waits between them, and what the log makes of them. */

import { own } from "../base";
import type { AppliedCoat } from "../film";
import type { OpRecord } from "../history";
import {
  type BeforeStep,
  coatOf,
  type EdgeKind,
  type ExtraWork,
  type Hold,
  type Layer,
  type Paper,
  type PrepStep,
  type Product,
  type RubSign,
} from "../model";
import { asLaid, liesAt, type Mix, thickestPlace } from "../numbers";
import type { Wait } from "./types";

const OP_KINDS = [
  "prep",
  "before",
  "coat",
  "part-coat",
  "sand",
  "helper",
  "turn",
  "inspect",
  "mask",
  "unmask",
  "scour",
  "fit",
  "dress",
  "hold",
  "touch-in",
  "guide",
  "extra",
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
  /** the same before one's own hands were known; absent = they are not, or take as long */
  readonly reckonedMin?: number;
  readonly sprayed: boolean;
  /** first and last paper to use, FEPA P grits, and every one in order where there are more; null where nothing is abraded */
  readonly abrasive: {
    readonly from: number;
    readonly to: number;
    readonly wet: boolean;
    readonly papers?: readonly Paper[] | undefined;
  } | null;
  /** rubs or brushes dry: what it gives off has to settle, and be wiped off, before anything is coated */
  readonly dusty: boolean;
  /** dry film a rub takes off, µm; 0 where nothing is rubbed */
  readonly takesUm: number;
  /** of work longer than any session: which sitting of how many; absent = done in one */
  readonly sitting?: { readonly n: number; readonly of: number } | undefined;
  /** the round of fill, sand and prime it belongs to, from 1; absent = none */
  readonly round?: number | undefined;
  /** the product it is done with that leaves no film: a wipe's liquid, a stripper, a polish; absent = none is named */
  readonly withId?: string | undefined;
  /** what a coat's product is thinned and mixed with; absent = it goes on as it is */
  readonly mix?: Mix | undefined;
  /** the marking or trace of weather a coat is, or the clear put in for such; absent = neither */
  readonly touch?: Layer["touch"];
  /** share of the face a coat is laid on; absent = all of it */
  readonly share?: number | undefined;
  /** what a part or a can is warmed to, °C; absent = nothing is warmed */
  readonly warmC?: number | undefined;
  /** of a coat: how warm the part is that it goes on, where it is warmed for it, °C */
  readonly partC?: number | undefined;
  /** so long it lies under the lamp, one side, minutes; absent = under none */
  readonly lampMin?: number | undefined;
  /** lies so long in its liquid between being put in (1) and taken out (2), minutes */
  readonly soakMin?: number | undefined;
  /** of a joint: so long it is held by hand, or by a clamp, minutes; absent = it holds by itself */
  readonly held?: { readonly by: "hand" | "clamp"; readonly min: number } | undefined;
  /** how and where the part is held, of work to do with that; absent = of none */
  readonly holding?: { readonly by: Hold; readonly at: string } | undefined;
  /** the sign to stop a rub; absent = as ever */
  readonly until?: RubSign | undefined;
  /** where on the face, in plain names; absent = all over, or wherever there is something to do */
  readonly places?: readonly string[] | undefined;
  /** of a mask on fields: what lies along their edges beside plain tape; absent = nothing else */
  readonly maskedBy?: readonly EdgeKind[] | undefined;
  /** the mend it is part of; absent = of none */
  readonly mend?: string | undefined;
  /** what it is, where no layer asks for it */
  readonly extra?: ExtraWork | undefined;
}

/** A coat's product as it goes on, with what it is thinned and mixed with. */
export const laidProduct = (op: Pick<Operation, "productId" | "mix">, productOf: (id: string) => Product): Product =>
  asLaid({ ...op.mix, productId: op.productId! }, productOf);

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

/** Coats, and their turns, that were laid in one go with an earlier one, by which. */
export function coveredCoats(
  { ops }: Pick<Chain, "ops">,
  records: ReadonlyMap<string, OpRecord>,
): ReadonlyMap<string, string> {
  const coveredBy = new Map<string, string>();
  ops.forEach((op, i) => {
    const coats = records.get(op.id)?.coats ?? 1;
    if (op.kind !== "coat" || coats === 1 || coveredBy.has(op.id)) return;
    for (const next of ops.slice(i + 1)) {
      const follows = next.layerId === op.layerId && (next.kind === "coat" || next.kind === "turn");
      if (follows && coatBetween(next.id, op.coat, op.coat + coats) && !records.has(next.id))
        coveredBy.set(next.id, op.id);
    }
  });
  return coveredBy;
}

/**
 * The chain as the log has made it: coats put on together cover the ones after them, which need no work of their own.
 * @returns the operations still standing, and for each done coat the wet film it really left
 */
export function withHistory(
  chain: Chain,
  records: ReadonlyMap<string, OpRecord>,
): { chain: Chain; filmUm: ReadonlyMap<string, number>; coveredBy: ReadonlyMap<string, string> } {
  const coveredBy = coveredCoats(chain, records);
  const filmUm = new Map<string, number>();
  for (const op of chain.ops) {
    if (op.kind !== "coat" || coveredBy.has(op.id)) continue;
    const record = records.get(op.id);
    filmUm.set(op.id, (record?.wftUm ?? op.wftUm ?? 0) * (record?.coats ?? 1));
  }
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
  const ops = chain.ops.slice(0, upTo + 1);
  const wetUm = (op: Operation): number => filmUm.get(op.id) ?? op.wftUm!;
  const laid = ops.flatMap((op) => (op.kind === "coat" ? [{ on: op, wftUm: wetUm(op) }] : []));
  const place = upToOp ? thickestPlace(upToOp, laid) : null;
  for (const op of ops) {
    if (upToOp && !liesAt(op, place)) continue;
    if (op.kind === "coat") coats.push({ product: laidProduct(op, productOf), wftUm: wetUm(op), endMin: endOf(op.id) });
    const last = coats.at(-1);
    if (op.kind === "turn" && op.coat <= face && last) coats[coats.length - 1] = { ...last, endMin: endOf(op.id) };
    if ((op.kind === "sand" || op.takesUm > 0) && last)
      coats[coats.length - 1] = { ...last, rubbed: { atMin: endOf(op.id), takesUm: op.takesUm } };
  }
  return coats;
}
