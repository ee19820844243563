import { createHash } from "node:crypto";
import { productsInPlanning, type Shop } from "@/contracts";
import { MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import { airAt } from "@/core/film";
import { movesNoPlan } from "@/core/history";
import { mendProducts, productsNamedIn, workedWith } from "@/core/model";
import { type AirSources, expectedOf } from "../shed/air";
import type { PlanSources } from "./input";

/** Changes when the shape of a stored plan does, so that an old one is made again rather than misread. */
export const PLAN_SHAPE = "p8";

/** A reading asks for a new plan when it departs from what was expected by another of these steps. */
const DEPARTURE_STEP = { tempC: 2, rhPct: 10 } as const;

/** What of the air a plan is made from: what is to come, and how far from it the newest reading lies. */
export function airFacts(shop: Shop, air: AirSources): unknown {
  const newest = air.readings.at(-1);
  if (!newest) return [air.forecast, air.locals];
  const atMin = newest.atMs / MS_PER_MIN;
  const expected = airAt(expectedOf(shop, air, atMin - MIN_PER_HOUR, atMin + MIN_PER_HOUR), atMin);
  const steps = (d: number, step: number) => Math.round(d / step);
  return [
    air.forecast,
    air.locals,
    steps(newest.tempC - expected.tempC, DEPARTURE_STEP.tempC),
    steps(newest.rhPct - expected.rhPct, DEPARTURE_STEP.rhPct),
  ];
}

/** What of the shed a plan is made from: not how figures are shown, not how new stacks are looked for. */
const planFacts = ({ showing: _showing, ways: _ways, wayId: _wayId, ...facts }: Shop): unknown => facts;

/** Fingerprint of everything a plan is made from. */
export function fingerprint(sources: PlanSources, products: ReadonlyMap<string, unknown>): string {
  const used = new Set(sources.tree.flatMap((p) => p.regions.flatMap((r) => productsNamedIn(r.stack))));
  for (const id of productsInPlanning(sources.planning)) used.add(id);
  for (const e of sources.log) {
    if (e.kind === "done" && e.laid) used.add(e.laid.productId);
    if (e.kind === "mended") for (const id of mendProducts(e.mend)) used.add(id);
    const withId = e.kind === "asked" ? workedWith(e.work) : null;
    if (withId !== null) used.add(withId);
  }
  const facts = [...used].sort().map((id) => products.get(id));
  // a face with nothing on it yet gives the bench nothing to do
  const regions = sources.tree.flatMap((p) => {
    const own = p.regions.filter((r) => r.stack.layers.length > 0);
    return own.length === 0 ? [] : [[p.name, own.map((r) => [r.region, r.stack, r.overrides])]];
  });
  return (
    PLAN_SHAPE +
    createHash("sha256")
      .update(
        JSON.stringify([
          regions,
          planFacts(sources.shop),
          sources.log.filter((e) => !movesNoPlan(e.kind)).map((e) => e.id),
          facts,
          sources.coupons,
          sources.planning,
          sources.dues?.map(({ due, weight }) => [due, weight]),
          airFacts(sources.shop, sources.air),
          ...(sources.hands ? [sources.hands] : []),
        ]),
      )
      .digest("hex")
      .slice(0, 32)
  );
}
