import { MIN_PER_HOUR } from "../../base";
import type { Face, FaceWork, OpRecord } from "../../history";
import { type ExtraKind, type ExtraWork, type Product, type Region, workedWith } from "../../model";
import { wetOnly } from "../../policy";
import { EXTRA_LABOUR, type Labour, STRIP_FACTS } from "../../reference";
import { blankOperation, type Chain, coveredCoats, LAYS_PAINT, type Operation, type Tie } from "../operations";
import type { Wait } from "../types";
import { DUST_SETTLED, dryAgain, HANDLED, leavesFace, minutesFor, NO_WAIT } from "./put-together";

type WorkOf<K extends ExtraKind> = Extract<ExtraWork, { kind: K }>;

/** Source: work no layer asks for. What an extra piece waits for in the film below it, and what waits for it: one row a kind. */
interface ExtraLaw<K extends ExtraKind> {
  readonly below: (region: Region, work: WorkOf<K>, onFilm: boolean) => Wait;
  readonly after: (region: Region, work: WorkOf<K>, onFilm: boolean, liquid: Product | null) => Wait;
  readonly labour: (work: WorkOf<K>) => Labour;
}

const EXTRA: { readonly [K in ExtraKind]: ExtraLaw<K> } = {
  wash: {
    below: () => HANDLED,
    after: (region, { how }, onFilm) => dryAgain(region, how, onFilm),
    labour: () => EXTRA_LABOUR.wash,
  },
  wipe: {
    below: () => HANDLED,
    after: (region, _, onFilm, liquid) => leavesFace(region, liquid, onFilm),
    labour: () => EXTRA_LABOUR.wipe,
  },
  rub: {
    below: () => ({ kind: "sandable" }),
    after: (region, { wet }, onFilm) => (wet ? dryAgain(region, "wet-rub", onFilm) : DUST_SETTLED),
    labour: () => EXTRA_LABOUR.rub,
  },
  // it may come off wet or dry; what took it off has to be gone before the face is got ready again
  strip: {
    below: () => NO_WAIT,
    after: afterStrip,
    labour: ({ way }) => STRIP_FACTS[way ?? "by-hand"].labour,
  },
  // a soft pad asks less of a film than paper does
  pad: { below: () => HANDLED, after: () => NO_WAIT, labour: () => EXTRA_LABOUR.pad },
  look: { below: untilThere, after: () => NO_WAIT, labour: () => EXTRA_LABOUR.look },
  lamp: {
    below: () => NO_WAIT,
    after: (_, { sideMin, sides }) => ({ kind: "fixed", minutes: sideMin * sides, what: "uv-box" }),
    labour: () => EXTRA_LABOUR.lamp,
  },
  polish: {
    below: () => ({ kind: "milestone", milestone: "polishable", leastMin: 0 }),
    after: () => NO_WAIT,
    labour: () => EXTRA_LABOUR.polish,
  },
};

/** What a look waits for: the film, or the water in the part. */
function untilThere(region: Region, { until }: WorkOf<"look">, onFilm: boolean): Wait {
  if (until === "dry") return dryAgain(region, "soak", onFilm);
  if (until === "sandable") return { kind: "sandable" };
  if (until === "cured") return { kind: "seam", waits: [{ until: "cured" }], fallback: [] };
  return { kind: "milestone", milestone: "touch", leastMin: 0 };
}

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
  ...(work.kind === "lamp" ? { lampMin: work.sideMin } : {}),
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
  // of several that are still to do the first told comes first
  const before = new Set<string>();
  const liquidOf = (work: ExtraWork): Product | null => {
    const withId = workedWith(work);
    return withId === null ? null : productOf(withId);
  };
  for (const told of face?.extra ?? []) {
    const open = ops.findIndex((op) => isOpen(op) && !before.has(op.id));
    const at = Math.min(open < 0 ? ops.length : open, placeOf(told, ops, records));
    const below = ops.slice(0, at);
    const film = below.findLast((op) => LAYS_PAINT.has(op.kind));
    const next = ops.slice(at).find(isOpen);
    const last = below.at(-1);
    const law = lawOf(told.work);
    const liquid = liquidOf(told.work);
    const op = extraOp(region, told);
    if (!records.has(op.id)) before.add(op.id);
    ties = [
      ...ties,
      ...(film ? [{ from: film.id, to: op.id, wait: law.below(region, told.work, true) }] : []),
      // behind the piece of the same mend that comes before it, and what that leaves to wait for
      ...(last && (!film || told.afterId === last.id) ? [behind(last, op, told, region, liquidOf)] : []),
      ...(next ? [{ from: op.id, to: next.id, wait: law.after(region, told.work, film !== undefined, liquid) }] : []),
    ];
    ops = [...below, op, ...ops.slice(at)];
  }
  return ops === chain.ops ? chain : { ...chain, ops, ties };
}

function behind(
  last: Operation,
  op: Operation,
  told: FaceWork,
  region: Region,
  liquidOf: (work: ExtraWork) => Product | null,
): Tie {
  const wait =
    told.afterId === last.id && last.extra
      ? lawOf(last.extra).after(region, last.extra, true, liquidOf(last.extra))
      : lawOf(told.work).below(region, told.work, false);
  // a look at a bare part waits for its water; any other work follows at once on what was done before
  return { from: last.id, to: op.id, wait: told.afterId === last.id || told.work.kind === "look" ? wait : NO_WAIT };
}

/** Behind what was done by then. */
function placeOf({ doneMin }: FaceWork, ops: readonly Operation[], records: ReadonlyMap<string, OpRecord>): number {
  if (doneMin === null) return ops.length;
  return 1 + ops.findLastIndex((op) => (records.get(op.id)?.endMin ?? Number.POSITIVE_INFINITY) <= doneMin);
}
