/** What a log proves of a face: its films as they lie there, the hours and the money that went into it. */

import { MIN_PER_HOUR } from "../base";
import type { BenchEvent, Face } from "../history";
import { type Layer, type Product, readKey, type Stack, type WorkKind, workKindOf } from "../model";
import { canMl } from "../numbers";
import { volumeSolidsOf } from "../reference";

/** One film as it really lies there. */
export interface RecordFilm {
  readonly layerId: string;
  /** its card of the day it was laid, or the can's own where none was kept */
  readonly product: Product | null;
  /** the can it came out of; null = nobody wrote it down */
  readonly canId: string | null;
  readonly coats: number;
  readonly firstMin: number;
  readonly lastMin: number;
  /** dry film, µm; measured, or reckoned from the wet films as they were told less what was rubbed off */
  readonly dftUm: number;
  readonly measured: boolean;
}

/** Films of a face, bottom first. @param productOf null = nobody knows it any more */
export function filmsOf(
  face: Face | undefined,
  stack: Stack,
  rubbed: ReadonlySet<string>,
  productOf: (id: string) => Product | null,
): readonly RecordFilm[] {
  const layers = new Map(stack.layers.map((l): readonly [string, Layer] => [l.id, l]));
  return (face?.layers ?? []).flatMap((lying): RecordFilm[] => {
    const { layerId, coats } = lying;
    const laid = coats.findLast((c) => c.laid !== null)?.laid ?? null;
    const layer = layers.get(layerId);
    const product = laid?.card ?? productOf(laid?.productId ?? layer?.productId ?? "");
    const wetUm = coats.reduce((sum, c) => sum + c.coats * (c.wftUm ?? layer?.wftUm ?? product?.label.wftUm ?? 0), 0);
    const offUm = rubbed.has(layerId) ? (layer?.sandAfter?.takesUm ?? 0) : 0;
    const measuredUm = face?.measuredUm.get(layerId);
    return [
      {
        layerId,
        product,
        canId: laid?.productId ?? layer?.productId ?? null,
        coats: coats.reduce((n, c) => n + c.coats, 0),
        firstMin: coats[0]!.endMin,
        lastMin: coats.at(-1)!.endMin,
        dftUm: measuredUm ?? Math.max(0, (product ? wetUm * volumeSolidsOf(product) : 0) - offUm),
        measured: measuredUm !== undefined,
      },
    ];
  });
}

/** A piece of work longer than this was no piece of work: somebody forgot to press, minutes. */
const FORGOTTEN_MIN = 3 * MIN_PER_HOUR;

export interface Hours {
  readonly byKind: Readonly<Record<WorkKind, number>>;
  readonly totalMin: number;
  /** from the first thing begun to the last thing done, minutes; 0 = nothing was done */
  readonly elapsedMin: number;
  /** pieces of work left out: begun and done too far apart */
  readonly forgotten: number;
  /** pieces of work told only when they were done: no minutes are known */
  readonly untimed: number;
}

interface Timed {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number | null;
}

/** Hands-on minutes of what was begun and done by the log. */
export function hoursOf(records: readonly Timed[]): Hours {
  const byKind: Record<WorkKind, number> = { ready: 0, coats: 0, rubbing: 0, masks: 0, fitting: 0, other: 0 };
  let forgotten = 0;
  let untimed = 0;
  const done = records.filter((r): r is Timed & { endMin: number } => r.endMin !== null);
  for (const r of done) {
    const min = r.endMin - r.startMin;
    if (min > FORGOTTEN_MIN) forgotten += 1;
    else if (min <= 0) untimed += 1;
    else byKind[workKindOf(r.opId)] += min;
  }
  const totalMin = Object.values(byKind).reduce((a, b) => a + b, 0);
  const first = Math.min(...done.map((r) => r.startMin));
  const last = Math.max(...done.map((r) => r.endMin));
  return { byKind, totalMin, elapsedMin: done.length === 0 ? 0 : last - first, forgotten, untimed };
}

/** What was used of one product, and what that cost. */
export interface Spent {
  readonly productId: string;
  readonly coats: number;
  /** out of the can, an aerosol's propellant with it, ml; weighed or reckoned */
  readonly ml: number;
  /** reckoned from the face and the film, for want of a figure in the log */
  readonly reckoned: boolean;
  /** in the user's own money; null = no price, or no pack to divide it by */
  readonly money: number | null;
  /** it has a price, and nobody said what a pack holds */
  readonly packMissing: boolean;
}

/** A coat that went on, and out of which can. */
export interface CoatUsed {
  readonly productId: string;
  readonly coats: number;
  readonly wftUm: number | null;
  /** as the log has it; null = it has nothing */
  readonly ml: number | null;
  readonly areaCm2: number | null;
  readonly pieces: number;
}

/** Paint as shares of packs. @param productOf null = it is gone */
export function spentOf(coats: readonly CoatUsed[], productOf: (id: string) => Product | null): readonly Spent[] {
  const ids = [...new Set(coats.map((c) => c.productId))];
  return ids.map((productId) => {
    const product = productOf(productId);
    const own = coats.filter((c) => c.productId === productId);
    const reckoned = own.some((c) => c.ml === null);
    const ml = own.reduce((sum, c) => sum + (c.ml ?? (product ? reckonedMl(product, c) : 0)), 0);
    const { price = null, packMl = null } = product ?? {};
    return {
      productId,
      coats: own.reduce((n, c) => n + c.coats, 0),
      ml,
      reckoned,
      money: price !== null && packMl !== null && packMl > 0 ? (ml / packMl) * price : null,
      packMissing: price !== null && packMl === null,
    };
  });
}

const reckonedMl = (product: Product, { coats, wftUm, areaCm2, pieces }: CoatUsed): number =>
  areaCm2 === null ? 0 : coats * pieces * canMl(product, areaCm2, wftUm ?? product.label.wftUm);

/** Layers that were rubbed after they were laid. */
export const rubbedLayers = (records: readonly Timed[]): ReadonlySet<string> =>
  new Set(
    records.flatMap((r) => {
      const key = r.endMin === null ? null : readKey(r.opId);
      return key?.kind === "sand" && key.round === null ? [key.subjectId] : [];
    }),
  );

/** A look at a finished face, wanted after so many days. */
export interface FollowUpLook {
  readonly days: number;
  readonly dueMin: number;
  /** when somebody looked at or after its time; null = nobody has yet */
  readonly lookedMin: number | null;
}

/** A look this much before its day counts for it, share of the days. */
const EARLY_LOOK = 0.1;

/** Looks a finished face is due, with those that were made. @param finishedMin its last coat; null = it is not finished */
export function followUps(
  finishedMin: number | null,
  days: readonly number[],
  looked: readonly Pick<BenchEvent, "atMin">[],
): readonly FollowUpLook[] {
  if (finishedMin === null) return [];
  const at = looked.map((l) => l.atMin).sort((a, b) => a - b);
  const sorted = [...days].sort((a, b) => a - b);
  return sorted.map((d, n) => {
    const dueMin = finishedMin + d * 1440;
    const next = sorted[n + 1];
    const until = next === undefined ? Number.POSITIVE_INFINITY : finishedMin + next * 1440 * (1 - EARLY_LOOK);
    const from = finishedMin + d * 1440 * (1 - EARLY_LOOK);
    return { days: d, dueMin, lookedMin: at.find((t) => t >= from && t < until) ?? null };
  });
}
