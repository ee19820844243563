import { madeShelf } from "../../../tests/support/shelves";
import { product, region } from "../../../tests/support/world";
import { seededRandom } from "../base";
import { FINISHES, type Layer, MATERIALS, type Product, type Region } from "../model";
import { WAYS } from "../reference";
import { neededPrep } from "../rules";
import { makeGraph } from "./graph";
import { hidesWeakly, optionsOf, RANK } from "./options";
import { searchBest, weighStack } from "./search";
import { suggest, tradesOf, whyNot, whyNotStack } from "./suggest";
import type { FinderInput, Found } from "./types";

const input = (over: Partial<FinderInput> = {}, want: Partial<FinderInput["want"]> = {}): FinderInput => ({
  region: region({ conditions: ["clean"] }),
  shelf: madeShelf(8, 1),
  protection: ["extraction", "a2p3", "p3"],
  air: { tempC: 17, rhPct: 55 },
  way: WAYS[0]!,
  maxLayers: 4,
  best: 5,
  ...over,
  want: {
    until: "colour",
    colourId: null,
    sheen: null,
    onlyOwned: false,
    allowTests: true,
    mustId: null,
    ...want,
  },
});

/** Every sequence that climbs the order of work, every choice of scuffs; the cheapest of each sequence. */
function bruteForce(i: FinderInput): readonly Found[] {
  const options = optionsOf(i);
  const prep = neededPrep(i.region);
  const ends = new Set(makeGraph(i).last.flatMap((t, n) => (t ? [n] : [])));
  const found: Found[] = [];
  const mayStart = (o: (typeof options)[number]) =>
    i.want.until === "clear-alone" ||
    (o.rank !== RANK.clear && (o.rank < RANK.undercoat || i.region.finish === "hidden" || bothInOne(o.product, i)));
  const climb = (path: readonly number[]): void => {
    if (path.length > 0 && ends.has(path.at(-1)!)) {
      const own = scuffings(path.length)
        .map((mask) => weighStack({ prep, layers: layersOf(options, path, mask) }, { input: i }, i.way.weights))
        .filter((f): f is Found => f !== null)
        .sort((a, b) => a.cost - b.cost)[0];
      const filled = (i.region.fillDepthUm ?? null) === null || path.some((n) => options[n]!.product.role === "putty");
      const must = i.want.mustId === null || path.some((n) => options[n]!.product.id === i.want.mustId);
      if (own && filled && must) found.push(own);
    }
    if (path.length === i.maxLayers) return;
    for (const o of options)
      if (path.length === 0 ? mayStart(o) : mayFollow(options, path.at(-1)!, o.index, i)) climb([...path, o.index]);
  };
  climb([]);
  return found.sort((a, b) => a.cost - b.cost);
}
const bothInOne = (p: Product, i: FinderInput) => p.combinedPrimer && i.way.choices.combined === "b";
const SEALED: readonly unknown[] = ["xps", "eps", "epo", "eva", "pu-foam", "wood-mdf", "plaster"];

/** The order of work told once more, by itself: what a colour and a clear may stand on. */
const mayFollow = (options: ReturnType<typeof optionsOf>, a: number, b: number, i: FinderInput): boolean => {
  const [low, up] = [options[a]!, options[b]!];
  if (low.rank >= up.rank || low.product.id === up.product.id) return false;
  if (low.rank === RANK.undercoat && !(up.rank === RANK.colour && hidesWeakly(up.product))) return false;
  if (up.rank === RANK.clear) return i.want.until === "clear-alone" || low.rank === RANK.colour;
  if (up.rank < RANK.undercoat || i.region.finish === "hidden" || bothInOne(up.product, i)) return true;
  if (low.rank === RANK.sealer) return SEALED.includes(i.region.material);
  if (low.rank === RANK.etch) return i.region.finish !== "show";
  return low.rank === RANK.primer || low.rank === RANK.build || low.rank === RANK.undercoat;
};
const scuffings = (n: number): readonly number[] => Array.from({ length: 2 ** Math.max(0, n - 1) }, (_, m) => m << 1);
const layersOf = (options: ReturnType<typeof optionsOf>, path: readonly number[], mask: number): readonly Layer[] =>
  path.map((n, at) => ({
    ...options[n]!.layer,
    id: `b${at}`,
    before: mask & (1 << at) ? (["scuff", "wipe"] as const) : [],
  }));

function randomInput(seed: number): FinderInput {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const some = <T>(value: T): T | null => (random() < 0.4 ? value : null);
  const made: Partial<Region> = {
    material: pick(MATERIALS),
    conditions: pick([["clean"], ["keyed"], ["clean", "keyed"], ["dusty"], ["sealed"]] as const),
    finish: pick(FINISHES),
    detailUm: some(400),
    ridgeUm: some(40),
    fillDepthUm: some(300),
    exposure: pick([["shelf"], ["uv", "handled"], ["oil-fuel"]] as const),
  };
  return input(
    {
      region: region(made),
      shelf: madeShelf(9, seed),
      way: pick(WAYS),
      best: 6,
      protection: pick([["extraction", "a2p3"], [], ["air-fed", "extraction"]] as const),
    },
    {
      until: pick(["primer", "colour", "clear", "clear-alone"] as const),
      onlyOwned: random() < 0.3,
      allowTests: random() < 0.7,
    },
  );
}

describe("exact k-best", () => {
  const SEEDS = Array.from({ length: 120 }, (_, i) => i + 1);
  it("lists the same costs as trying everything, on 120 small shelves", () => {
    let withAnswer = 0;
    for (const seed of SEEDS) {
      const i = randomInput(seed);
      const result = searchBest(makeGraph(i), i.way.weights, i.best);
      const all = bruteForce(i).slice(0, i.best);
      expect({ seed, costs: result.best.map((f) => f.cost.toFixed(6)), exact: result.exact }).toEqual({
        seed,
        costs: all.map((f) => f.cost.toFixed(6)),
        exact: true,
      });
      if (all.length > 0) withAnswer += 1;
    }
    expect(withAnswer).toBeGreaterThan(40);
  });
});

describe("what is offered", () => {
  const shelf = ["water-primer", "estuary-blue", "grey-primer", "foam-sealer", "bronze-lacquer", "two-pack-gloss"].map(
    (id) => product(id),
  );
  const foam = region({ material: "xps", conditions: ["dusted"] });
  it("keeps solvent off foam for one who works water-borne", () => {
    const a = suggest(input({ region: foam, shelf }));
    if (a.outcome !== "found") throw new Error(a.outcome);
    for (const f of a.best)
      for (const l of f.stack.layers) expect(["grey-primer", "bronze-lacquer"]).not.toContain(l.productId);
  });
  it("offers no isocyanate until air-fed protection and extraction are declared", () => {
    const gloss = { until: "clear" as const };
    expect(suggest(input({ shelf }, gloss)).outcome).toBe("none");
    const a = suggest(input({ shelf, protection: ["air-fed", "extraction"] }, gloss));
    expect(a.outcome).toBe("found");
    expect(whyNot(input({ shelf }), "two-pack-gloss")).toMatchObject({
      outcome: "never",
      reasons: [{ kind: "hazard" }],
    });
  });
  it("offers nothing past the date on its label, and says so", () => {
    const own = shelf.map((p) => (p.id === "estuary-blue" ? { ...p, useBy: "2026-03-01" } : p));
    const on = (today: string) => whyNot({ ...input({ shelf: own }), today }, "estuary-blue");
    expect(on("2026-03-02")).toMatchObject({ outcome: "never", reasons: [{ kind: "past-date" }] });
    expect(on("2026-03-01")).not.toMatchObject({ outcome: "never" });
  });
  it("lists no stop, and no trial where none is wanted", () => {
    for (let seed = 1; seed <= 10; seed++) {
      const a = suggest(input({ shelf: madeShelf(30, seed) }, { allowTests: false }));
      if (a.outcome === "found") for (const f of a.best) expect(["ok", "care"]).toContain(f.worst);
    }
  });
  it("asks for the material rather than guess it", () =>
    expect(suggest(input({ region: region({ material: "unknown" }) }))).toMatchObject({
      outcome: "none",
      exact: true,
      reasons: [{ kind: "material-unknown" }],
    }));
  it("only what is owned means only that", () => {
    const bought: Product[] = shelf.map((p) => ({ ...p, owned: p.id !== "estuary-blue" }));
    const a = suggest(input({ shelf: bought }, { onlyOwned: true, colourId: "estuary-blue" }));
    expect(a).toMatchObject({ outcome: "none", reasons: [{ kind: "nothing-ends" }] });
    const b = suggest(input({ shelf: bought }, { colourId: "estuary-blue" }));
    expect(b.outcome === "found" && b.best[0]!.toBuy).toEqual(["estuary-blue"]);
  });
});

describe("why not, and the trades", () => {
  const shelf = madeShelf(40, 3);
  const i = input({ shelf });
  const answer = suggest(i);
  it("no trade is beaten in everything by another", () => {
    if (answer.outcome !== "found") throw new Error("nothing found");
    const again = tradesOf(answer.trades.map((t) => t.found));
    expect(again).toHaveLength(answer.trades.length);
    for (const t of answer.trades.slice(1)) expect(t.gains.length).toBeGreaterThan(0);
  });
  it("answers for every product of a shelf", () => {
    for (const p of shelf.slice(0, 15)) {
      const why = whyNot(i, p.id);
      if (why.outcome === "never") expect(why.reasons.length).toBeGreaterThan(0);
      else expect(why.found.stack.layers.map((l) => l.productId)).toContain(p.id);
    }
  });
  it("tells what a stack of one's own costs more, or what stops it", () => {
    if (answer.outcome !== "found") throw new Error("nothing found");
    expect(whyNotStack(i, answer.best[0]!.stack).outcome).toBe("best");
    expect(whyNotStack(i, answer.best.at(-1)!.stack).outcome).toBe("dearer");
  });
});
