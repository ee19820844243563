import {
  ENAMELS,
  FILLER_PRIMERS,
  LACQUER_COLOURS,
  LACQUER_PRIMERS,
  LACQUER_PUTTIES,
} from "../../../tests/support/jars";
import { eveningsAndWeekends, WEEKEND } from "../../../tests/support/weeks";
import { layer, lookup, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import { MIN_PER_DAY } from "../base";
import type { MaterialId, Product, Region, Stack } from "../model";
import { moveTrials } from "./moves";
import { planModel } from "./plan";
import { NO_WISHES, type PlanAnswer, type PlanInput } from "./types";

/** Whole jobs, from the bare part to the last coat, by the calendar: what a good modeller would nod at. */

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const JARS: readonly Product[] = [ENAMELS, FILLER_PRIMERS, LACQUER_COLOURS, LACQUER_PRIMERS, LACQUER_PUTTIES].flat();
function job(face: Partial<Region>, stack: Stack, over: Partial<PlanInput> = {}): Planned {
  const a = planModel(
    planInput([{ region: region({ id: "j", conditions: [], ...face }), stack }], {
      productOf: lookup(JARS),
      sessions: eveningsAndWeekends,
      wishes: NO_WISHES,
      ...over,
    }),
  );
  if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 500));
  return a;
}
const days = (min: number) => (min - NOW_MIN) / MIN_PER_DAY;
const wet = (grit: number, takesUm: number) => ({ grit, wet: true, takesUm });
const dry = (grit: number, takesUm: number) => ({ grit, wet: false, takesUm });
const prep: Stack["prep"] = ["wash", "key", "dust-off"];

describe("row 37: a helmet, bare print to matt clear, evenings and weekends", () => {
  const stack = (filler: Product, putty: Product, colour: Product): Stack => ({
    prep,
    layers: [
      layer(filler.id, { coats: 2, heaviness: "wet", sandAfter: dry(240, 60) }),
      layer(putty.id, { sandAfter: dry(320, 100) }),
      layer(filler.id, { coats: 2, heaviness: "wet", sandAfter: wet(400, 25) }),
      layer(colour.id, { coats: 3 }),
      layer("water-matt", { coats: 2 }),
    ],
  });
  it.each([0, 1])("%# of each kind of jar", (n) => {
    const helmet = { material: "pla", areaCm2: 1500, finish: "show", ridgeUm: 60 } as const;
    const a = job(helmet, stack(FILLER_PRIMERS[n]!, LACQUER_PUTTIES[n]!, LACQUER_COLOURS[n]!));
    // the last coat at the bench, and the helmet in a hand that need not be careful
    expect(days(a.doneMin)).toBeGreaterThan(5);
    expect(days(a.curedMin!)).toBeGreaterThan(8);
    expect(days(a.curedMin!)).toBeLessThan(20);
  });
});

describe("row 38: a car body, show gloss: putty, 600, 800, 1000, gloss and clear", () => {
  const stack = (primer: Product, putty: Product, colour: Product): Stack => ({
    prep,
    layers: [
      layer(primer.id, { coats: 2, sandAfter: wet(400, 5) }),
      layer(putty.id, { sandAfter: wet(400, 100) }),
      layer(primer.id, { coats: 2, sandAfter: wet(600, 5) }),
      layer(primer.id, { coats: 2, sandAfter: wet(800, 5) }),
      layer(colour.id, { coats: 3, sandAfter: wet(1000, 5) }),
      layer("lacquer-gloss", { coats: 3 }),
    ],
  });
  it.each([0, 1])("%# of each kind of jar", (n) => {
    const body = { material: "hips", areaCm2: 350, finish: "show" } as const;
    const a = job(body, stack(LACQUER_PRIMERS[n]!, LACQUER_PUTTIES[n]!, LACQUER_COLOURS[n]!));
    expect(days(a.curedMin!)).toBeGreaterThan(10);
    expect(days(a.curedMin!)).toBeLessThan(25);
  });
});

describe("in one weekend", () => {
  const weekend = { nowMin: WEEKEND.startMin };
  it("row 39: a shiny shelf body from three cans fits", () => {
    const stack = pile(
      layer("primer-ten", { coats: 2, sandAfter: wet(800, 3) }),
      layer("aerosol-colour", { coats: 3 }),
      layer("lacquer-gloss", { coats: 2 }),
    );
    const a = job({ material: "hips", areaCm2: 350, finish: "seen" }, { ...stack, prep }, weekend);
    expect(a.doneMin).toBeLessThan(WEEKEND.endMin);
    expect(a.sessions).toBeGreaterThan(1);
  });
  describe("row 40: a resin truck, washes and all", () => {
    const truck = (under: string): Stack => ({
      prep: ["wash", "key", "rinse"],
      layers: [
        layer("primer-ten", { coats: 2 }),
        layer(under, { coats: 2, tape: { tack: "low", onMin: null, offMin: null } }),
        layer("aerosol-colour-day", { coats: 2 }),
        layer("water-matt", { coats: 2 }),
      ],
    });
    const resin = { material: "cast-pu", areaCm2: 500, finish: "seen" } as const;
    it.each(LACQUER_COLOURS.map((p) => p.id))("fits with %s under the masks", (id) =>
      expect(job(resin, truck(id), weekend).doneMin).toBeLessThan(WEEKEND.endMin),
    );
    it.each(ENAMELS.map((p) => p.id))("not with %s", (id) =>
      expect(job(resin, truck(id), weekend).doneMin).toBeGreaterThan(WEEKEND.endMin + MIN_PER_DAY),
    );
  });
});

describe("two-pack gloss over wet-sanded epoxy primer, for show", () => {
  const bonnet = { material: "steel-iron", areaCm2: 400, finish: "show", conditions: ["rusted"] } as const;
  const stack: Stack = {
    prep: ["degrease", "derust", "key", "wipe"],
    layers: [
      layer("epoxy-primer", { id: "e", coats: 2, sandAfter: wet(400, 10) }),
      layer("two-pack-gloss", { id: "g", coats: 2 }),
    ],
  };
  const input = planInput([{ region: region({ id: "j", ...bonnet }), stack }], {
    sessions: eveningsAndWeekends,
    wishes: { ...NO_WISHES, rounds: { j: 0 } },
    protection: ["extraction", "air-fed", "a2p3", "p3"],
  });
  const a = planModel(input);
  if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 500));
  const startOf = (id: string) => a.ops.find((o) => o.id === id)!.startMin;
  it("is planned: where the safe wait for paper outlasts the window, the rub is its key, and that is told", () => {
    expect(startOf("g:coat:1")).toBeGreaterThan(startOf("e:sand"));
    expect(a.notices).toContainEqual(
      expect.objectContaining({ kind: "verdict", code: "window-missed-scuffed", layer: 1 }),
    );
    expect(a.notices).toContainEqual({ kind: "show-waits", regionId: "j" });
    expect(days(a.doneMin)).toBeLessThan(7);
  });
  it("can be pushed about like any plan", () => {
    const starts = Object.fromEntries(a.ops.map((o) => [o.id, o.startMin]));
    expect(moveTrials(input, starts)!.tryMove("g:coat:1", startOf("g:coat:1"))).toMatchObject({ outcome: "fits" });
  });
  it("one that is only seen goes by the likely waits and meets its window", () => {
    const seen = job({ ...bonnet, finish: "seen" }, stack, {
      wishes: { ...NO_WISHES, rounds: { j: 0 } },
      protection: ["extraction", "air-fed", "a2p3", "p3"],
    });
    expect(seen.notices.filter((n) => n.kind === "verdict" && n.code === "window-missed-scuffed")).toEqual([]);
    expect(days(seen.doneMin)).toBeLessThan(days(a.doneMin));
  });
});

describe("rounds filled with another putty than the stack holds", () => {
  const stack: Stack = {
    prep,
    layers: [layer("water-primer", { id: "p", sandAfter: dry(400, 8) }), layer("estuary-blue", { id: "c", coats: 2 })],
  };
  const face = { material: "petg", areaCm2: 300, finish: "show", conditions: ["washed"] } as const;
  const fills = (fillId: string | null, material: MaterialId = "petg") => {
    const wishes = { ...NO_WISHES, rounds: { j: 1 }, ...(fillId ? { fills: { j: fillId } } : {}) };
    const a = job({ ...face, material }, stack, { wishes });
    return { filled: a.ops.find((o) => o.id === "p~r1f:coat:1")?.productId ?? null, doneMin: a.doneMin };
  };
  it("a stack without one primes again; told one, the look is followed by it", () => {
    expect(fills(null).filled).toBeNull();
    expect(fills("fairing-putty").filled).toBe("fairing-putty");
  });
  it("one the rules speak against on that face is left out, and the round primes only", () => {
    const lacquer = LACQUER_PUTTIES[0]!.id;
    expect(fills(lacquer).filled).toBe(lacquer);
    expect(fills(lacquer, "xps").filled).toBeNull();
  });
});
