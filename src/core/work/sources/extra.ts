import type { Face, FaceWork, OpRecord } from "../../history";
import type { ExtraKind, ExtraWork, Region } from "../../model";
import { EXTRA_LABOUR } from "../../reference";
import { blankOperation, type Chain, coveredCoats, LAYS_PAINT, type Operation } from "../operations";
import type { Wait } from "../types";
import { DUST_SETTLED, dryAgain, HANDLED, minutesFor, NO_WAIT } from "./put-together";

/** Source: work no layer asks for. What an extra piece waits for in the film below it, and what waits for it: one row a kind. */
interface ExtraLaw<K extends ExtraKind> {
  readonly below: Wait;
  readonly after: (region: Region, work: Extract<ExtraWork, { kind: K }>, onFilm: boolean) => Wait;
}

const EXTRA: { readonly [K in ExtraKind]: ExtraLaw<K> } = {
  wash: { below: HANDLED, after: (region, { how }, onFilm) => dryAgain(region, how, onFilm) },
  wipe: { below: HANDLED, after: () => ({ kind: "wipe-flash" }) },
  rub: {
    below: { kind: "sandable" },
    after: (region, { wet }, onFilm) => (wet ? dryAgain(region, "wet-rub", onFilm) : DUST_SETTLED),
  },
  // it may come off wet or dry; what took it off has to be gone before the face is got ready again
  strip: { below: NO_WAIT, after: () => ({ kind: "wipe-flash" }) },
};

const lawOf = (work: ExtraWork): ExtraLaw<ExtraKind> => EXTRA[work.kind] as ExtraLaw<ExtraKind>;

const extraOp = (region: Region, { opId, work }: FaceWork): Operation => ({
  ...blankOperation,
  id: opId,
  regionId: region.id,
  kind: "extra",
  extra: work,
  handsOnMin: minutesFor(EXTRA_LABOUR[work.kind], region.areaCm2),
  ...(work.kind === "rub"
    ? { abrasive: { from: work.grit, to: work.grit, wet: work.wet }, dusty: !work.wet, takesUm: work.takesUm }
    : {}),
});

/** A chain with its face's extra work in it: what was done at its hour, what is asked for before anything not yet begun. */
export function withExtra(
  chain: Chain,
  region: Region,
  face: Face | undefined,
  records: ReadonlyMap<string, OpRecord>,
): Chain {
  let { ops, ties } = chain;
  const covered = coveredCoats(chain, records);
  const isOpen = (op: Operation) => !records.has(op.id) && !covered.has(op.id);
  for (const told of face?.extra ?? []) {
    const open = ops.findIndex(isOpen);
    const at = Math.min(open < 0 ? ops.length : open, placeOf(told, ops, records));
    const below = ops.slice(0, at);
    const film = below.findLast((op) => LAYS_PAINT.has(op.kind));
    const next = ops.find(isOpen);
    const law = lawOf(told.work);
    const op = extraOp(region, told);
    ties = [
      ...ties,
      ...(film ? [{ from: film.id, to: op.id, wait: law.below }] : below.slice(-1).map((b) => after(b, op))),
      ...(next ? [{ from: op.id, to: next.id, wait: law.after(region, told.work, film !== undefined) }] : []),
    ];
    ops = [...below, op, ...ops.slice(at)];
  }
  return ops === chain.ops ? chain : { ...chain, ops, ties };
}

const after = (last: Operation, op: Operation) => ({ from: last.id, to: op.id, wait: NO_WAIT });

/** Behind what was done by then. */
function placeOf({ doneMin }: FaceWork, ops: readonly Operation[], records: ReadonlyMap<string, OpRecord>): number {
  if (doneMin === null) return ops.length;
  return 1 + ops.findLastIndex((op) => (records.get(op.id)?.endMin ?? Number.POSITIVE_INFINITY) <= doneMin);
}
