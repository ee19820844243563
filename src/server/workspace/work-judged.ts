import type { GlueChoice, JointVerdict } from "@/contracts";
import { judgeWork } from "@/core/judge";
import { type ExtraWork, type Layer, type Product, VERDICTS, worseVerdict } from "@/core/model";
import { glueTimes } from "@/core/reference";
import type { Fired } from "@/core/rules";
import { COLOURED, type Join } from "@/core/work";
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
  return Object.fromEntries(
    (m.input.joins ?? []).map((j) => [j.partId, [...untried(m, j), ...(j.glueId ? jointJudged(m, j) : [])]]),
  );
}

/** Every adhesive of the shelf on every fitting: why this one, and why not another. */
export function glueChoices(
  m: ModelSnapshot,
  shelf: readonly Product[],
): Readonly<Record<string, readonly GlueChoice[]>> {
  const glues = shelf.filter((p) => p.role === "adhesive" && !p.activator && p.owned !== false);
  return Object.fromEntries(
    (m.input.joins ?? []).map((j) => [
      j.partId,
      glues
        .map((glue): GlueChoice => {
          const told = jointJudged(m, { ...j, glueId: glue.id });
          const { setsMin, worksMin } = glueTimes(glue);
          const verdict = told.map((v) => v.verdict).reduce(worseVerdict, "ok");
          return { glueId: glue.id, told: told.filter((v) => v.verdict !== "ok"), verdict, setsMin, worksMin };
        })
        .sort((a, b) => VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) || a.worksMin - b.worksMin),
    ]),
  );
}

/** Two parts that go onto each other and nobody tries whether they do. */
function untried({ input }: ModelSnapshot, { partId, regionIds, onto }: Join): readonly JointVerdict[] {
  const both = input.regions.filter((r) => [...regionIds, ...onto.regionIds].includes(r.region.id));
  const tried = both.some(
    ({ region, stack }) => stack.prep.includes("dry-fit") || region.conditions.includes("fit-checked"),
  );
  return tried || both.length === 0 ? [] : [{ partId, rule: "fit-untried", verdict: "care", missing: [] }];
}

/** Layers on a part by the time it is joined. */
function lyingWhenJoined(
  layers: readonly Layer[],
  when: Join["when"],
  productOf: (id: string) => Product,
): readonly Layer[] {
  if (when === "after-paint") return layers;
  const colour = layers.findIndex((l) => COLOURED.has(productOf(l.productId).role));
  return when === "before-paint" ? [] : layers.slice(0, colour < 0 ? layers.length : colour);
}

function jointJudged(
  { input }: ModelSnapshot,
  { partId, regionIds, onto, when, glueId, load, faceMm2 }: Join,
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
            stack: { ...stack, layers: lyingWhenJoined(stack.layers, when, input.productOf) },
            productOf: input.productOf,
            protection: input.protection,
            air: null,
          },
          { kind: "wipe", withId: glueId ?? null },
          CURED_MIN,
          load ? { load, faceMm2: faceMm2 ?? null } : null,
        ).map(({ rule, verdict, missing }) => ({ partId: side.partId, rule, verdict, missing })),
      ),
  );
  return [...new Map(told.map((v) => [`${v.partId} ${v.rule}`, v])).values()];
}
