import { asItLies, asLeft, type BenchEvent, cansAmong, fold, withMends } from "@/core/history";
import type { Layer, Mend, MishapSign, Product, Region, Stack } from "@/core/model";
import type { PlanInput, ToldMishap } from "@/core/plan";
import { layer, NOW_MIN, pile, planInput, region, shelf } from "./world";

/** A face told as its log: what was done, how many minutes before now it was begun and ended. */
export interface Story {
  readonly region?: Partial<Region>;
  readonly stack: Stack;
  /** `opId: [began, ended]`, minutes before now; a coat with the wet film it really got as third */
  readonly done: Readonly<Record<string, readonly [began: number, ended: number, wftUm?: number]>>;
  /** other faces, with what was done to them */
  readonly beside?: readonly { readonly id: string; readonly stack: Stack; readonly done: Story["done"] }[];
  readonly products?: readonly Product[];
  readonly air?: Parameters<typeof planInput>[1] extends infer O ? (O extends { air?: infer A } ? A : never) : never;
  readonly mends?: readonly {
    readonly id: string;
    readonly recipe: string;
    readonly mend: Mend;
    readonly ago: number;
  }[];
  readonly nowMin?: number;
}

export const FACE = "face";

function eventsOf(regionId: string, done: Story["done"], nowMin: number): readonly BenchEvent[] {
  return Object.entries(done).flatMap(([opId, [from, to, wftUm]], n): BenchEvent[] => [
    { id: `${regionId}-s${n}`, regionId, opId, atMin: nowMin - from, kind: "started" },
    {
      id: `${regionId}-d${n}`,
      regionId,
      opId,
      atMin: nowMin - to,
      kind: "done",
      coats: wftUm === undefined ? null : 1,
      wftUm: wftUm ?? null,
    },
  ]);
}

/** The bench as a story's log has left it. */
export function inputOf(story: Story, over: Partial<PlanInput> = {}): PlanInput {
  const { stack, done, beside = [], products = [], air, mends = [], nowMin = NOW_MIN } = story;
  const events: BenchEvent[] = [
    ...eventsOf(FACE, done, nowMin),
    ...mends.map(
      ({ id, recipe, mend, ago }): BenchEvent => ({
        id,
        regionId: FACE,
        opId: `${FACE}:mend:${id}`,
        atMin: nowMin - ago,
        kind: "mended",
        reportId: null,
        recipe,
        mend,
      }),
    ),
    ...beside.flatMap((b) => eventsOf(b.id, b.done, nowMin)),
  ].sort((a, b) => a.atMin - b.atMin);
  const { records, notYet, faces } = fold(events);
  const all = new Map([...shelf, ...products.map((p) => [p.id, p] as const)]);
  const lying = (r: Region, pile: Stack) => {
    const face = faces.get(r.id);
    return { region: asLeft(r, face), face, ...asItLies(withMends(pile, face), face, cansAmong(all)) };
  };
  return planInput(
    [lying(region({ id: FACE, ...story.region }), stack), ...beside.map((b) => lying(region({ id: b.id }), b.stack))],
    {
      productOf: (id) => all.get(id)!,
      records,
      notYet,
      nowMin,
      today: "2026-03-02",
      ...(air ? { air } : {}),
      ...over,
    },
  );
}

export const named = (id: string, productId: string, over: Partial<Layer> = {}): Layer =>
  layer(productId, { id, ...over });

/** Two coats of primer under two of blue. */
export const PRIMED = pile(named("p", "grey-primer", { coats: 2 }), named("c", "estuary-blue", { coats: 2 }));

/** Something that went wrong on that face, told now. */
export const toldMishap = (sign: MishapSign, over: Partial<ToldMishap> = {}): ToldMishap => ({
  regionId: FACE,
  sign,
  extent: "patch",
  place: null,
  tried: [],
  mendId: "m",
  shelf: [...shelf.values()],
  atMin: NOW_MIN,
  answers: new Map(),
  ...over,
});
