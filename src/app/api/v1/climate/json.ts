import type { AirNow } from "@/contracts";

const round1 = (x: number): number => Math.round(x * 10) / 10;

/** The air of a moment in the API's words. */
export const airNowJson = (now: AirNow) => ({
  temp_c: round1(now.tempC),
  rh_pct: round1(now.rhPct),
  dew_margin_c: round1(now.dewMarginC),
  from: now.from,
  source: now.source,
  read_at: now.readMs === null ? null : new Date(now.readMs).toISOString(),
});
