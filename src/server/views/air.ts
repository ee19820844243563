import {
  type AirChartPoint,
  type AirNow,
  type AirScreen,
  done,
  type OpenHours,
  type Outcome,
  type PartNode,
} from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import { airAt, type Climate, gateReason, gateSpans } from "@/core/film";
import { FILM_ROLES, isOneOf, type Product } from "@/core/model";
import { heatLimitC } from "@/core/policy";
import { dewMarginC, dewPointC, familyFacts, OPEN_HOURS_KINDS } from "@/core/reference";
import { type Db, readReadings } from "@/db";
import { nowMs } from "../clock";
import { reading, viewing } from "../guard";
import { type AirSources, climateOf, expectedOf, nightsBetween } from "../shed/air";
import { benchSessions } from "../shed/hours";
import { standInState } from "../stand-in";
import { airOfNow, type Snapshot, snapshotOf } from "../workspace/snapshot";

export const getAirNow = (): Outcome<AirNow> => viewing((s) => done(airOfNow(s, null, nowMs())));

/** Kind of product whose hours are told apart; null = none of its own. */
const hoursKind = ({ family }: Product) => (family === "unknown" ? null : familyFacts(family).openHours);

/** For each kind the owned product whose hours are fewest. */
function openHours(
  products: readonly Product[],
  climate: Climate,
  fromMin: number,
  toMin: number,
  nowMin: number,
): readonly OpenHours[] {
  const within = [{ startMin: fromMin, endMin: toMin }];
  return OPEN_HOURS_KINDS.flatMap((kind): OpenHours[] => {
    const rows = products
      .filter((p) => hoursKind(p) === kind && p.owned !== false && isOneOf(FILM_ROLES)(p.role))
      .map((p) => ({ p, spans: gateSpans(p, climate, within) }))
      .map((r) => ({ ...r, minutes: r.spans.reduce((sum, s) => sum + s.endMin - s.startMin, 0) }))
      .sort((a, b) => a.minutes - b.minutes || (a.p.id < b.p.id ? -1 : 1));
    const strictest = rows[0];
    if (!strictest) return [];
    return [
      {
        kind,
        productName: strictest.p.name,
        spans: strictest.spans,
        nowReason: gateReason(strictest.p, climate, nowMin),
      },
    ];
  });
}

const BACK_MIN = MIN_PER_DAY;
const AHEAD_MIN = 3 * MIN_PER_DAY;
const CHART_STEP_MIN = 15;

function chart(climate: Climate, fromMin: number, toMin: number): readonly AirChartPoint[] {
  const points: AirChartPoint[] = [];
  for (let t = Math.ceil(fromMin / CHART_STEP_MIN) * CHART_STEP_MIN; t <= toMin; t += CHART_STEP_MIN) {
    const { tempC, rhPct } = airAt(climate, t);
    points.push({ atMin: t, tempC, rhPct, dewC: dewPointC(tempC, rhPct), dewMarginC: dewMarginC(tempC, rhPct) });
  }
  return points;
}

const localViews = (air: AirSources, tree: readonly PartNode[]) =>
  air.locals.map((l) => ({ ...l, partName: tree.find((p) => p.id === l.partId)?.name ?? "" }));

function airScreen(db: Db, s: Snapshot, modelId: string | null, atMs: number): AirScreen {
  const { shop } = s.data.shopState;
  const nowMin = atMs / MS_PER_MIN;
  // by the quarter of an hour: what is reckoned of it holds until the next
  const slotMin = Math.floor(nowMin / CHART_STEP_MIN) * CHART_STEP_MIN;
  const fromMin = slotMin - BACK_MIN;
  const toMin = slotMin + AHEAD_MIN;
  const air = s.air(modelId);
  const tree = (modelId === null ? undefined : s.data.trees.get(modelId)) ?? [];
  const { climate, spans } = climateOf(shop, air, fromMin - MIN_PER_HOUR, toMin + MIN_PER_DAY);
  const shelf = s.data.shelf.map((i) => i.product);
  return {
    now: airOfNow(s, modelId, atMs),
    nowMin,
    timeZone: shop.timeZone,
    points: chart(climate, fromMin, toMin),
    expected: chart(expectedOf(shop, air, fromMin - MIN_PER_HOUR, toMin + MIN_PER_HOUR), fromMin, toMin),
    spans: spans.filter((x) => x.toMin > fromMin && x.fromMin < toMin),
    sessions: benchSessions(shop, fromMin, toMin),
    nights: nightsBetween(shop, fromMin, toMin),
    open: openHours(shelf, climate, slotMin, toMin, nowMin),
    // each of them, where reckoning takes the last of every ten minutes
    readings: readReadings(db, fromMin * MS_PER_MIN, atMs),
    forecastUntilMin: air.forecast.length > 0 ? air.forecast.at(-1)!.atMs / MS_PER_MIN : null,
    standIn: standInState(),
    locals: localViews(air, tree),
    parts: tree.map((p) => ({ id: p.id, name: p.name, dryHeatMaxC: heatLimitC(p.regions.map((r) => r.region)) })),
  };
}

export const getAirScreen = (modelId: string | null): Outcome<AirScreen> =>
  reading((db) => done(airScreen(db, snapshotOf(db), modelId, nowMs())));
