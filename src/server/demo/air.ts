import type { ModelDocument, Shop } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { airAt } from "@/core/film";
import { saturationHPa } from "@/core/reference";
import { typicalOfShop } from "../shed/hours";

/** What the demo's hygrometer has read: every half hour since yesterday evening, in a shed a little colder than expected. */
const BACK_MIN = 26 * 60;
const EVERY_MIN = 30;
/** The last reading is a little old when the demo is started, as they are. */
const LAST_AGO_MIN = 12;
const COLDER_C = 0.5;
const SOURCE = "shed hygrometer";

const round1 = (x: number): number => Math.round(x * 10) / 10;

export function demoAir(atMs: number, shop: Shop): NonNullable<ModelDocument["air"]> {
  const lastMin = Math.floor(atMs / MS_PER_MIN) - LAST_AGO_MIN;
  const typical = typicalOfShop(shop, lastMin - BACK_MIN - 60, lastMin + 60);
  const readings = [];
  for (let t = lastMin - BACK_MIN; t <= lastMin; t += EVERY_MIN) {
    const usual = airAt(typical, t);
    // a slow wave, so that measured and expected are not one line drawn twice
    const tempC = usual.tempC - COLDER_C + 0.6 * Math.sin((2 * Math.PI * (lastMin - t)) / 700);
    const rhPct = (usual.rhPct * saturationHPa(usual.tempC)) / saturationHPa(tempC);
    readings.push({
      at: new Date(t * MS_PER_MIN).toISOString(),
      tempC: round1(tempC),
      rhPct: round1(rhPct),
      airflowMS: null,
      source: SOURCE,
    });
  }
  return { readings, forecast: [], local: [] };
}
