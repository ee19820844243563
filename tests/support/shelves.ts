import { seededRandom } from "@/core/base";
import { FILM_ROLES, isOneOf, type Product } from "@/core/model";
import { DEMO_SHELF } from "@/server/demo/shelf";

const FILMS = DEMO_SHELF.filter((p) => isOneOf(FILM_ROLES)(p.role));

/** Made-up shelves of any size: variations of the demo's products in times, solids, colour and price; same seed, same shelf. */
export function madeShelf(size: number, seed: number): readonly Product[] {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const near = (x: number, spread: number) => x * (1 + spread * (2 * random() - 1));
  const scaled = (x: number | null, f: number) => (x === null ? null : Math.max(1, Math.round(x * f)));
  return Array.from({ length: size }, (_, i) => {
    const base = pick(FILMS);
    const slower = near(1, 0.4);
    const { label } = base;
    const hex = () =>
      Math.floor(random() * 256)
        .toString(16)
        .padStart(2, "0");
    return {
      ...base,
      id: `p${i}`,
      name: `${base.name} ${i}`,
      volumeSolids: base.volumeSolids === null ? null : Math.min(1, near(base.volumeSolids, 0.2)),
      colour: base.role === "colour" ? `#${hex()}${hex()}${hex()}` : base.colour,
      sheen: base.role === "colour" || base.role === "clear" ? pick(["matt", "satin", "gloss"] as const) : base.sheen,
      price: Math.round(near(9, 0.6) * 10) / 10,
      packMl: 100,
      owned: random() < 0.7,
      label: {
        ...label,
        wftUm: Math.round(near(label.wftUm, 0.2)),
        flashMin: scaled(label.flashMin, slower),
        touchMin: scaled(label.touchMin, slower),
        handleMin: scaled(label.handleMin, slower),
        recoat: label.recoat.map(([a, b]) => [scaled(a, slower)!, scaled(b, slower)] as const),
        sandableMin: scaled(label.sandableMin, slower),
        curedMin: scaled(label.curedMin, slower),
      },
    };
  });
}
