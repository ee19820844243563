import type { PartNode } from "@/contracts";
import { materialFacts } from "@/core/reference";

/** Warm air for a part never above what its most delicate face stands. */
export const heatLimitC = (part: PartNode): number | null => {
  const limits = part.regions.flatMap(({ region: { material } }) =>
    material === null || material === "unknown" ? [] : [materialFacts(material).dryHeatMaxC],
  );
  return limits.length === 0 ? null : Math.min(...limits);
};
