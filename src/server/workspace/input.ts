import { type Cards, type CouponCard, eventOf, type LogEntry, type PartNode, type Shop } from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import type { OpRecord } from "@/core/history";
import { asItLies, asLeft, cansAmong, fold, withMends } from "@/core/history";
import { opIds, type Product, type Region, readKey, type WorkKind } from "@/core/model";
import type { PlanInput } from "@/core/plan";
import { cureSideMin, hasTrait, lampAtPartMwCm2 } from "@/core/reference";
import { type AirSources, climateOf, localClimates } from "../shed/air";
import { benchSessions, localDate } from "../shed/hours";
import { planningFields, type ToldOfPlan } from "./planning-fields";

/** How far ahead work is planned at the least and at the most, days. */
const HORIZON_DAYS = 60;
const FARTHEST_DAYS = 365;
/** A step of work takes about so long, for the horizon's sake only, minutes (est.). */
const STEP_MIN = 12;
/** Waits and rounds stretch work out over more weeks than its minutes fill. */
const STRETCH = 2;

/** Far enough ahead that a big model has room: twice the weeks its work would fill, on top of the least. */
function horizonDays(shop: Shop, tree: readonly PartNode[]): number {
  const clock = (t: string) => Number(t.slice(0, 2)) * MIN_PER_HOUR + Number(t.slice(3));
  const weekMin = shop.pattern.reduce((sum, p) => sum + clock(p.to) - clock(p.from), 0);
  const steps = tree
    .flatMap((p) => p.regions)
    .reduce(
      (sum, { stack }) => sum + stack.prep.length + stack.layers.reduce((n, l) => n + l.coats + l.before.length + 2, 0),
      0,
    );
  if (weekMin === 0) return HORIZON_DAYS;
  return Math.min(FARTHEST_DAYS, HORIZON_DAYS + Math.ceil((STRETCH * 7 * steps * STEP_MIN) / weekMin));
}
/** What a plan of one model is made from. */
export interface PlanSources extends ToldOfPlan {
  readonly tree: readonly PartNode[];
  readonly shop: Shop;
  readonly log: readonly LogEntry[];
  /** of the products as they were when a coat was laid with them */
  readonly cards: Cards;
  /** every product there is, with those cards that no can answers to any more */
  readonly products: ReadonlyMap<string, Product>;
  readonly coupons: readonly CouponCard[];
  readonly air: AirSources;
  /** how long one's own hands take, by kind of work; absent = as reckoned */
  readonly hands?: Readonly<Partial<Record<WorkKind, number>>>;
}

/** What was laid longer ago has cured, whatever its air was; days. */
const OLDEST_DAYS = 90;
/** Work logged farther ahead than this is a slip, and is left aside; days. */
const AHEAD_DAYS = 400;

/** When the work that still matters began: that of regions with something left to do. */
function begins(records: readonly OpRecord[], tree: readonly PartNode[], nowMin: number): number {
  const open = new Set<string>();
  const done = new Set(records.filter((r) => r.endMin !== null).map((r) => r.opId));
  for (const { region, stack } of tree.flatMap((p) => p.regions)) {
    const top = stack.layers.at(-1);
    if (top && done.has(opIds.coat(top.id, top.coats))) continue;
    for (const l of stack.layers) open.add(l.id);
    open.add(region.id);
  }
  const mine = records.filter((r) => open.has(readKey(r.opId)?.subjectId ?? ""));
  return mine.reduce((first, r) => Math.min(first, r.startMin), nowMin);
}

/** Of a printed resin part nobody told the minutes of: by the lamp as it was read. */
const underLamp = (region: Region, { lamp }: Shop): Region =>
  region.cureSideMin == null && lamp?.reading && hasTrait(region.material, "hardened-by-light")
    ? { ...region, cureSideMin: cureSideMin(lampAtPartMwCm2(lamp.reading.mwCm2, lamp.reading.cm, lamp.partCm)) }
    : region;

const hourBefore = (min: number): number => Math.floor(min / MIN_PER_HOUR) * MIN_PER_HOUR;

/** The core's input from plain data: the same for the database and for a document sent to the API. */
export function inputFrom(sources: PlanSources, productOf: PlanInput["productOf"], atMs: number): PlanInput {
  const { shop, log, tree } = sources;
  const nowMin = Math.floor(atMs / MS_PER_MIN);
  const horizonMin = nowMin + horizonDays(shop, tree) * MIN_PER_DAY;
  const latestAt = new Date(atMs + AHEAD_DAYS * MIN_PER_DAY * MS_PER_MIN).toISOString();
  const told = log.filter((e) => e.at < latestAt).map((e) => eventOf(e, sources.cards));
  const { records, notYet, faces, looks } = fold(told);
  const cans = cansAmong(sources.products);
  const fromMin = Math.max(begins(records, tree, nowMin), nowMin - OLDEST_DAYS * MIN_PER_DAY) - MIN_PER_DAY;
  const nodes = tree.flatMap((p) => p.regions.map((r) => ({ ...r, count: p.count })));
  // by the whole hour, so that it is not assembled anew every minute
  const { climate } = climateOf(
    shop,
    sources.air,
    hourBefore(fromMin),
    hourBefore(horizonMin) + MIN_PER_DAY + MIN_PER_HOUR,
  );
  return {
    regions: nodes.map(({ region, stack, count }) => {
      const face = faces.get(region.id);
      const lies = asItLies(withMends(stack, face), face, cans);
      const marks = looks
        .filter((l) => l.regionId === region.id)
        .flatMap((l) => l.marks.flatMap((k) => (k.closed ? [] : [k.size])));
      const own = underLamp(asLeft(region, face), shop);
      return { region: own, count, face, ...(marks.length > 0 ? { marks } : {}), ...lies };
    }),
    productOf,
    protection: shop.protection,
    climate,
    local: localClimates(climate, sources.air, tree),
    sessions: benchSessions(shop, nowMin, horizonMin),
    nowMin,
    today: localDate(shop.timeZone, atMs),
    horizonMin,
    records,
    notYet,
    overrides: nodes.flatMap((n) => n.overrides.map((o) => ({ ...o, regionId: n.region.id }))),
    coupons: sources.coupons,
    caution: shop.caution,
    ...planningFields(sources, shop, tree, sources.hands),
  };
}
