import { type Climate, prefixClock, type WaitClock } from "../film";
import type { PlanInput } from "./types";

/** The air a region's films are in, and the wait clock over it. */
interface RegionAir {
  readonly climate: Climate;
  readonly clock: WaitClock;
}
export type AirOf = (regionId: string) => RegionAir;

/** Most regions share the bench's air and its running sums; those in a warm box or fresh from elsewhere have their own. */
export function regionAirs(input: Pick<PlanInput, "climate" | "local" | "nowMin" | "horizonMin" | "records">): AirOf {
  const fromMin = Math.min(input.nowMin, ...input.records.map((r) => r.startMin));
  const made = new Map<Climate, RegionAir>();
  const airIn = (climate: Climate): RegionAir => {
    const air = made.get(climate) ?? { climate, clock: prefixClock(climate, fromMin, input.horizonMin) };
    made.set(climate, air);
    return air;
  };
  return (regionId) => airIn(input.local?.get(regionId) ?? input.climate);
}
