import { type FinderInput, suggest } from "@/core/finder";
import type { Region } from "@/core/model";
import { WAYS } from "@/core/reference";
import { madeShelf } from "../../tests/support/shelves";
import { bestMs, firstMs, peakMb, power, round1, tell } from "./measure";

const REGION: Region = {
  id: "bench",
  name: "All over",
  material: "petg",
  conditions: ["clean"],
  areaCm2: 200,
  finish: "seen",
  detailUm: 400,
  ridgeUm: 30,
  exposure: ["handled"],
};

const inputOf = (products: number, maxLayers: number): FinderInput => ({
  region: REGION,
  shelf: madeShelf(products, 7),
  protection: ["extraction", "a2p3", "p3"],
  air: { tempC: 16, rhPct: 55 },
  way: WAYS[0]!,
  want: { until: "clear", colourId: null, sheen: null, onlyOwned: false, allowTests: true, mustId: null },
  maxLayers,
  best: 10,
});

function measure(products: number, layers: number) {
  const input = inputOf(products, layers);
  const first = firstMs(() => suggest(input));
  const ms = bestMs(() => suggest(input));
  const answer = suggest(input);
  tell({
    bench: "finder",
    products,
    layers,
    found: answer.outcome === "found" ? answer.best.length : 0,
    exact: answer.outcome === "found" && answer.exact,
    options: answer.stats.options,
    judged: answer.stats.judged,
    opened: answer.stats.opened,
    first_ms: round1(first),
    ms: round1(ms),
  });
  return { products, layers, ms };
}

/** The finder on growing shelves and growing stacks; the goal is 300 products of up to 6 layers in 300 ms. */
export function benchFinder(): void {
  // what is compiled once is compiled before anything is timed
  suggest(inputOf(40, 4));
  const bySize = [75, 150, 300, 600].map((n) => measure(n, 6));
  const byLayers = [3, 4, 5, 6].map((n) => measure(300, n));
  const [a, b] = [bySize[0]!, bySize.at(-1)!];
  const [c, d] = [byLayers[0]!, byLayers.at(-1)!];
  tell({
    bench: "finder-growth",
    time_by_products_to_the_power: power(a.products, a.ms, b.products, b.ms),
    time_by_layers_to_the_power: power(c.layers, c.ms, d.layers, d.ms),
    peak_mb: peakMb(),
  });
}
