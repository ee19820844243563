/** Jobs from unbranded jars as the shelf knows them, in a cool shed, evening by evening: every wait one a good modeller would nod at. */

import { eveningsAndWeekends } from "../../../tests/support/weeks";
import { layer, lookup, planInput, region } from "../../../tests/support/world";
import type { JarId, Layer, Product, Region, Stack } from "../model";
import { opIds } from "../model";
import { cardOfJar, ownGapMin } from "../reference";
import { planModel } from "./plan";
import { NO_WISHES } from "./types";

const COOL = { kind: "day", meanC: 13, swingC: 4, rhPct: 65 } as const;
const H = 60;
const cards = new Map<string, Product>();
const jar = (id: JarId): string => {
  if (!cards.has(id)) cards.set(id, { ...cardOfJar(id, id), owned: true });
  return id;
};
function job(face: Partial<Region>, layers: readonly Layer[], prep: Stack["prep"] = []) {
  const on = region({ id: "j", conditions: ["keyed", "clean"], areaCm2: 200, ...face });
  const answer = planModel(
    planInput([{ region: on, stack: { prep, layers } }], {
      productOf: lookup([...cards.values()]),
      sessions: eveningsAndWeekends,
      air: COOL,
      wishes: NO_WISHES,
    }),
  );
  if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 400));
  const op = (id: string) => answer.ops.find((o) => o.id === id)!;
  return {
    answer,
    op,
    /** likely wait before a coat, hours */
    waitH: (id: string, n = 1) => {
      const { wait } = op(opIds.coat(id, n));
      return wait ? (wait.likelyMin - wait.fromMin) / H : 0;
    },
  };
}

describe("by brush the next coat of the same waits until the film can be brushed over", () => {
  const rows: readonly (readonly [JarId, number, number])[] = [
    ["oil-gloss", 16, 40],
    ["enamel-varnish", 12, 36],
    ["wall-paint", 3, 12],
    ["sanding-sealer", 0.7, 3],
    ["foam-varnish", 1, 6],
    ["craft-acrylic", 0.5, 3],
  ];
  it.each(rows)("%s: %d to %d h in a cool shed", (id, least, most) => {
    const { waitH } = job({ material: "wood-mdf", finish: "seen" }, [
      layer(jar("shellac"), { id: "s", coats: 1 }),
      layer(jar(id), { id: "l", coats: 2 }),
    ]);
    expect(waitH("l", 2)).toBeGreaterThanOrEqual(least);
    expect(waitH("l", 2)).toBeLessThanOrEqual(most);
  });
  it("no jar laid by hand is gone over before its label takes another coat; sprayed ones only flash", () => {
    expect(ownGapMin(cardOfJar("oil-gloss", "x"))).toBe(960);
    expect(ownGapMin(cardOfJar("hobby-enamel", "x"))).toBe(360);
    expect(ownGapMin(cardOfJar("primer-aerosol", "x"))).toBeLessThan(20);
    expect(ownGapMin(cardOfJar("two-pack-clear", "x"))).toBeLessThan(20);
  });
});

describe("a cast resin tank: primer, sand, clear, decals, an enamel wash, matt", () => {
  const made = job(
    { material: "cast-pu", finish: "show", detailUm: 200 },
    [
      layer(jar("primer-aerosol"), { id: "p", coats: 2 }),
      layer(jar("lacquer-bottle"), { id: "c", coats: 3 }),
      layer(jar("clear-lacquer-spray"), { id: "g", coats: 1 }),
      layer(jar("decal-sheet"), { id: "d", spot: 0.05, places: ["markings"] }),
      layer(jar("clear-lacquer-spray"), { id: "x", coats: 1, heaviness: "mist" }),
      layer(jar("enamel-wash"), { id: "w" }),
      layer(jar("matt-spray"), { id: "m", coats: 1 }),
    ],
    ["wash", "tack-off"],
  );
  it("decals go onto the clear the next day, not after its window has shut, and nobody is told to scuff the gloss for them", () => {
    expect(made.waitH("d")).toBeGreaterThan(4);
    expect(made.waitH("d")).toBeLessThan(24);
    const said = made.answer.notices.flatMap((n) => (n.kind === "verdict" && n.layer === 3 ? [n.code] : []));
    expect(said).toEqual([]);
  });
  it("the wash waits until the clear over the decals can be handled, the matt until the wash has dried: days, not a week", () => {
    expect(made.waitH("w")).toBeGreaterThan(1);
    expect(made.waitH("w")).toBeLessThan(24);
    expect(made.waitH("m")).toBeGreaterThan(18);
    expect(made.waitH("m")).toBeLessThan(72);
  });
});

describe("a window that outlasts the solvent", () => {
  it("water over a car colour goes on the next day inside its window, unscuffed", () => {
    const { waitH, answer } = job({ material: "petg" }, [
      layer(jar("primer-aerosol"), { id: "p", coats: 1 }),
      layer(jar("car-spray"), { id: "c", coats: 2 }),
      layer(jar("water-varnish"), { id: "v", coats: 1 }),
    ]);
    expect(waitH("v")).toBeGreaterThan(4);
    expect(waitH("v")).toBeLessThan(24);
    expect(answer.notices.filter((n) => n.kind === "verdict" && /missed/.test(n.code))).toEqual([]);
  });
});
