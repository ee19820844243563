import { MIN_PER_HOUR } from "../../base";
import type { Face, FaceWork, OpRecord } from "../../history";
import { type ExtraKind, type ExtraWork, type Product, type Region, workedWith } from "../../model";
import { wetOnly } from "../../policy";
import { EXTRA_LABOUR, type Labour, STRIP_FACTS } from "../../reference";
import { blankOperation, type Chain, coveredCoats, LAYS_PAINT, type Operation } from "../operations";
import type { Wait } from "../types";
import { DUST_SETTLED, dryAgain, HANDLED, leavesFace, minutesFor, NO_WAIT } from "./put-together";

type WorkOf<K extends ExtraKind> = Extract<ExtraWork, { kind: K }>;

/** Source: work no layer asks for. What an extra piece waits for in the film below it, and what waits for it: one row a kind. */
interface ExtraLaw<K extends ExtraKind> {
  readonly below: Wait;
  readonly after: (region: Region, work: WorkOf<K>, onFilm: boolean, liquid: Product | null) => Wait;
  readonly labour: (work: WorkOf<K>) => Labour;
}

const EXTRA: { readonly [K in ExtraKind]: ExtraLaw<K> } = {
  wash: {
    below: HANDLED,
    after: (region, { how }, onFilm) => dryAgain(region, how, onFilm),
    labour: () => EXTRA_LABOUR.wash,
  },
  wipe: {
    below: HANDLED,
    after: (region, _, onFilm, liquid) => leavesFace(region, liquid, onFilm),
    labour: () => EXTRA_LABOUR.wipe,
  },
  rub: {
    below: { kind: "sandable" },
    after: (region, { wet }, onFilm) => (wet ? dryAgain(region, "wet-rub", onFilm) : DUST_SETTLED),
    labour: () => EXTRA_LABOUR.rub,
  },
  // it may come off wet or dry; what took it off has to be gone before the face is got ready again
  strip: { below: NO_WAIT, after: afterStrip, labour: ({ way }) => STRIP_FACTS[way ?? "by-hand"].labour },
};

const lawOf = (work: ExtraWork): ExtraLaw<ExtraKind> => EXTRA[work.kind] as ExtraLaw<ExtraKind>;

/** Left to work, or away; then dry again where it was washed off. */
function afterStrip(region: Region, { way, awayH }: WorkOf<"strip">): Wait {
  const facts = STRIP_FACTS[way ?? "by-hand"];
  if (facts.awayH !== null) return { kind: "fixed", minutes: (awayH ?? facts.awayH) * MIN_PER_HOUR, what: "away" };
  if (!facts.wet) return wetOnly(region) ? dryAgain(region, "wet-rub") : DUST_SETTLED;
  const dry = dryAgain(region, "rinse");
  const dryMin = dry.kind === "part-dry" ? dry.refMin : 0;
  return { kind: "fixed", minutes: facts.worksMin + dryMin, what: "stripper" };
}

const extraOp = (region: Region, { opId, work }: FaceWork): Operation => ({
  ...blankOperation,
  id: opId,
  regionId: region.id,
  kind: "extra",
  extra: work,
  handsOnMin: minutesFor(lawOf(work).labour(work), region.areaCm2),
  withId: workedWith(work) ?? undefined,
  ...(work.kind === "rub"
    ? { abrasive: { from: work.grit, to: work.grit, wet: work.wet }, dusty: !work.wet, takesUm: work.takesUm }
    : {}),
  ...(work.kind === "strip" ? { dusty: STRIP_FACTS[work.way ?? "by-hand"].dusty && !wetOnly(region) } : {}),
});

/** A chain with its face's extra work in it: what was done at its hour, what is asked for before anything not yet begun. */
export function withExtra(
  chain: Chain,
  region: Region,
  face: Face | undefined,
  records: ReadonlyMap<string, OpRecord>,
  productOf: (id: string) => Product,
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
    const withId = workedWith(told.work);
    const liquid = withId === null ? null : productOf(withId);
    const op = extraOp(region, told);
    ties = [
      ...ties,
      ...(film ? [{ from: film.id, to: op.id, wait: law.below }] : below.slice(-1).map((b) => after(b, op))),
      ...(next ? [{ from: op.id, to: next.id, wait: law.after(region, told.work, film !== undefined, liquid) }] : []),
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
