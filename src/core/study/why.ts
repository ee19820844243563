import { type AppliedCoat, type Climate, climateOf, type FilmMilestone, milestoneAfter, prefixClock } from "../film";
import { labelTimes, ownGapMin, STILL_AIR_M_S } from "../reference";

/** What makes a wait differ from its label. */
const WAIT_CAUSES = ["thickness", "coats", "temperature", "humidity", "airflow"] as const;
export type WaitCause = (typeof WAIT_CAUSES)[number];

export interface WhyWait {
  /** the label's own time, minutes */
  readonly labelMin: number;
  readonly assumed: boolean;
  readonly waitMin: number;
  /** factors in the order they were brought in; their product is wait over label */
  readonly causes: readonly { readonly cause: WaitCause; readonly factor: number }[];
}

const FAR_MIN = 90 * 1440;

/**
 * Why a wait is as long as it is: from the label's own film in the label's own air, each difference brought in after the
 * other, its factor being what that step does. What came earlier is held while the next is changed, so the product of all is
 * exactly wait over label. Null where the wait is beyond the horizon.
 */
export function whyWait(
  coats: readonly AppliedCoat[],
  milestone: Exclude<FilmMilestone, "dust-free">,
  climate: Climate,
): WhyWait | null {
  const top = coats.at(-1)!;
  const { label } = top.product;
  const { min: labelMin, assumed } = labelTimes(top.product)[milestone];
  const fromMin = coats[0]!.endMin;
  const labelAir = { tempC: label.tempC, rhPct: label.rhPct, airflowMS: STILL_AIR_M_S };
  const inAir = (change: (p: Climate["points"][number]) => Climate["points"][number]) =>
    prefixClock(
      climateOf(climate.points.map(change)),
      fromMin,
      Math.min(climate.points.at(-1)!.atMin, top.endMin + FAR_MIN),
    );
  const atLabel = inAir((p) => ({ ...p, ...labelAir }));
  const cold = inAir((p) => ({ ...p, ...labelAir, tempC: p.tempC }));
  const damp = inAir((p) => ({ ...p, airflowMS: STILL_AIR_M_S }));
  const real = inAir((p) => p);
  const early = milestone === "flash" || milestone === "touch" || milestone === "recoat";
  const ownCoats = early ? 1 : label.coats;
  const gapMin = label.gapMin ?? ownGapMin(top.product);
  const asLabel = Array.from({ length: ownCoats }, (_, n) => ({
    product: top.product,
    wftUm: top.wftUm,
    endMin: top.endMin - gapMin * (ownCoats - 1 - n),
  })).filter((c) => c.endMin >= fromMin - 1e-6 || ownCoats === 1);
  const waitOf = (pile: readonly AppliedCoat[], clock: typeof real): number | null => {
    const a = milestoneAfter(pile, milestone, clock);
    return a.outcome === "reached" ? Math.max(1e-3, a.atMin - top.endMin) : null;
  };
  const thick = asLabel.length === ownCoats ? asLabel : [top];
  const steps: readonly [WaitCause, number | null][] = [
    ["thickness", waitOf(thick, atLabel)],
    ["coats", waitOf(coats, atLabel)],
    ["temperature", waitOf(coats, cold)],
    ["humidity", waitOf(coats, damp)],
    ["airflow", waitOf(coats, real)],
  ];
  let before = labelMin;
  const causes: { cause: WaitCause; factor: number }[] = [];
  for (const [cause, min] of steps) {
    if (min === null) return null;
    causes.push({ cause, factor: min / before });
    before = min;
  }
  return { labelMin, assumed, waitMin: before, causes };
}
