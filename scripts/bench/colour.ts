import { seededRandom } from "@/core/base";
import { recipesFor } from "@/core/numbers";
import { bestOrder, type Run } from "@/core/scheme";
import { bestMs, firstMs, round1, tell } from "./measure";

const random = seededRandom(11);
const some = (most: number) => Math.floor(random() * (most + 1));
const shade = () =>
  `#${Math.floor(random() * 0xffffff)
    .toString(16)
    .padStart(6, "0")}`;

function scheme(n: number): readonly Run[] {
  const ids = Array.from({ length: n }, (_, i) => `c${i}`);
  return ids.map((id, i) => ({
    id,
    coatMin: 5 + some(20),
    baseCoats: 1 + some(3),
    coatsOver: Object.fromEntries(ids.map((o) => [o, 1 + some(6)])),
    sprayed: random() < 0.8,
    tapeSafeMin: 60 * some(48),
    coverMin: 2 + some(15),
    edgeMin: Object.fromEntries(ids.flatMap((o, k) => (Math.abs(i - k) <= 3 && o !== id ? [[o, 1 + some(9)]] : []))),
    atAnEnd: false,
  }));
}

/** Order of twelve colours (goal 200 ms), of more by the search, recipe from forty paints, four parts (goal 100 ms). */
export function benchColour(): void {
  for (const n of [7, 10, 12, 16, 24]) {
    const runs = scheme(n);
    const order = () => void bestOrder(runs);
    tell({ bench: "colour.order", colours: n, firstMs: round1(firstMs(order)), bestMs: round1(bestMs(order)) });
  }
  for (const n of [10, 40]) {
    const paints = Array.from({ length: n }, (_, i) => ({ id: `p${i}`, colour: shade(), strength: 0.5 + random() }));
    const target = shade();
    const mix = () => void recipesFor(target, paints);
    tell({ bench: "colour.recipe", paints: n, firstMs: round1(firstMs(mix)), bestMs: round1(bestMs(mix)) });
  }
}
