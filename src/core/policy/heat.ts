import type { Region } from "../model";
import { materialFacts } from "../reference";

/** Warm air for a part is never above what its most delicate face stands, °C; null = no face of a known material. */
export const heatLimitC = (faces: readonly Pick<Region, "material">[]): number | null => {
  const limits = faces.flatMap(({ material }) =>
    material === null || material === "unknown" ? [] : [materialFacts(material).dryHeatMaxC],
  );
  return limits.length === 0 ? null : Math.min(...limits);
};
