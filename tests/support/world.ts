import { MIN_PER_DAY } from "@/core/base";
import { climateOf, typicalClimate } from "@/core/film";
import {
  type AirSetting,
  type BenchSession,
  type Layer,
  type Product,
  plainLayer,
  type Region,
  type Stack,
} from "@/core/model";
import type { PlanInput } from "@/core/plan";
import type { PlanRegion } from "@/core/work";
import { DEMO_SHELF } from "@/server/demo/shelf";

/** A small world to test in: the demo shelf, made-up regions, a shed in UTC that starts on a Monday at 19:00. */

export const shelf = new Map(DEMO_SHELF.map((p) => [p.id, p]));

export function product(id: string, over: Partial<Product> = {}): Product {
  const own = shelf.get(id);
  if (!own) throw new Error(`no ${id} on the demo shelf`);
  return { ...own, ...over };
}

/** Products by id; those given stand in for the shelf's. */
export const lookup =
  (own: readonly Product[] = []) =>
  (id: string): Product =>
    own.find((p) => p.id === id) ?? product(id);

let serial = 0;
export const layer = (productId: string, over: Partial<Layer> = {}): Layer => ({
  ...plainLayer(`y${++serial}`, productId),
  ...over,
});

export const region = (over: Partial<Region> = {}): Region => ({
  id: `r${++serial}`,
  name: "All over",
  material: "petg",
  conditions: ["keyed", "clean"],
  areaCm2: 100,
  finish: "seen",
  detailUm: null,
  ridgeUm: null,
  exposure: ["shelf"],
  ...over,
});

export const pile = (...layers: readonly (Layer | string)[]): Stack => ({
  prep: [],
  layers: layers.map((l) => (typeof l === "string" ? layer(l) : l)),
});

/** Monday 2026-03-02, 19:00 UTC. */
export const NOW_MIN = Date.UTC(2026, 2, 2, 19) / 60_000;
export const DAYS = 60;

export const evenings = (fromMin = NOW_MIN, days = DAYS): readonly BenchSession[] => {
  const midnight = fromMin - (fromMin % MIN_PER_DAY);
  return Array.from({ length: days }, (_, d) => ({
    startMin: midnight + d * MIN_PER_DAY + 19 * 60,
    endMin: midnight + d * MIN_PER_DAY + 21.5 * 60,
  }));
};

export const STEADY: AirSetting = {
  kind: "steady",
  meanC: 20,
  swingC: 0,
  warmestHour: 15,
  rhPct: 50,
  airflowMS: 0.1,
  tonight: null,
};

export function climate(air: Partial<AirSetting> = {}) {
  const setting = { ...STEADY, ...air };
  const noonMin = NOW_MIN - 7 * 60;
  return typicalClimate(
    setting,
    { localOffsetMin: () => 0, tonightNoonMin: setting.tonight ? noonMin : null },
    NOW_MIN - 3 * MIN_PER_DAY,
    NOW_MIN + (DAYS + 2) * MIN_PER_DAY,
  );
}

export const steadyAir = (tempC: number, rhPct: number, airflowMS = 0.1) =>
  climateOf([{ atMin: 0, tempC, rhPct, airflowMS }]);

export function planInput(
  regions: readonly PlanRegion[],
  over: Partial<PlanInput> & { air?: Partial<AirSetting> } = {},
): PlanInput {
  const { air, ...rest } = over;
  return {
    regions,
    productOf: lookup(),
    protection: ["extraction", "a2p3", "p3"],
    climate: climate(air),
    sessions: evenings(),
    nowMin: NOW_MIN,
    horizonMin: NOW_MIN + DAYS * MIN_PER_DAY,
    records: [],
    notYet: [],
    overrides: [],
    coupons: [],
    caution: "likely",
    ...rest,
  };
}
