import type { JointVerdict } from "@/contracts";
import { judgeWork } from "@/core/judge";
import type { ExtraWork } from "@/core/model";
import type { Fired } from "@/core/rules";
import type { Join } from "@/core/work";
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

/** Long after any film has cured, minutes. */
const CURED_MIN = 200_000;

/** The adhesive of each fitting on both its parts: on the bare faces, or on what is painted by then. */
export function jointsJudged(m: ModelSnapshot): Readonly<Record<string, readonly JointVerdict[]>> {
  const joins = (m.input.joins ?? []).filter((j) => j.glueId);
  return Object.fromEntries(joins.map((j) => [j.partId, jointJudged(m, j)]));
}

function jointJudged(
  { input }: ModelSnapshot,
  { partId, regionIds, onto, when, glueId }: Join,
): readonly JointVerdict[] {
  const sides = [
    { partId, regionIds },
    { partId: onto.partId, regionIds: onto.regionIds },
  ];
  const told = sides.flatMap((side) =>
    input.regions
      .filter((r) => side.regionIds.includes(r.region.id))
      .flatMap(({ region, stack }) =>
        judgeWork(
          {
            region,
            stack: when === "before-paint" ? { ...stack, layers: [] } : stack,
            productOf: input.productOf,
            protection: input.protection,
            air: null,
          },
          { kind: "wipe", withId: glueId ?? null },
          CURED_MIN,
        ).map(({ rule, verdict, missing }) => ({ partId: side.partId, rule, verdict, missing })),
      ),
  );
  return [...new Map(told.map((v) => [`${v.partId} ${v.rule}`, v])).values()];
}
