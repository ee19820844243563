import { judgeWork } from "@/core/judge";
import type { ExtraWork } from "@/core/model";
import type { Fired } from "@/core/rules";
import type { ModelSnapshot } from "./snapshot";

/** Work no layer asks for on what lies on a region by the log: what it would do to that, and to the material below. */
export function workJudged(m: ModelSnapshot, regionId: string, work: ExtraWork, nowMin: number): readonly Fired[] {
  const own = m.input.regions.find((r) => r.region.id === regionId);
  if (!own) return [];
  const lying = new Map(own.face?.layers.map((l) => [l.layerId, l.coats]));
  const lastMin = Math.max(...[...lying.values()].flatMap((coats) => coats.map((c) => c.endMin)));
  return judgeWork(
    {
      region: own.region,
      stack: { ...own.stack, layers: own.stack.layers.filter((l) => lying.has(l.id)) },
      productOf: m.input.productOf,
      protection: m.input.protection,
      air: null,
      today: m.input.today,
    },
    work,
    lying.size === 0 ? 0 : Math.max(0, nowMin - lastMin),
  );
}
