import { done, type FilmScreen, type Outcome } from "@/contracts";
import { MIN_PER_DAY } from "@/core/base";
import { airAt } from "@/core/film";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { plannedWftUm } from "@/core/numbers";
import { viewing } from "../guard";
import { climateOf } from "../shed/air";

/** Half hours for as long as anybody looks closely, then every two hours. */
const CLOSE_DAYS = 5;
const FAR_DAYS = 50;
const round2 = (x: number): number => Math.round(x * 100) / 100;

/** Everything the Film screen needs to run the model by itself: films, planned piles, the shed's air to come. */
export const getFilmScreen = (modelId: string | null): Outcome<FilmScreen> =>
  viewing((s) => {
    const { nowMin, productOf } = s;
    const { shop } = s.data.shopState;
    const toMin = nowMin + FAR_DAYS * MIN_PER_DAY;
    const { climate } = climateOf(shop, s.air(modelId), nowMin - MIN_PER_DAY, toMin);
    const times: number[] = [];
    for (let t = nowMin - 5; t < nowMin + CLOSE_DAYS * MIN_PER_DAY; t += 30) times.push(t);
    for (let t = times.at(-1)! + 120; t <= toMin; t += 120) times.push(t);
    const shed = times.map((t) => {
      const a = airAt(climate, t);
      return { atMin: t, tempC: round2(a.tempC), rhPct: round2(a.rhPct), airflowMS: round2(a.airflowMS) };
    });
    const tree = (modelId === null ? undefined : s.data.trees.get(modelId)) ?? [];
    return done({
      nowMin,
      timeZone: shop.timeZone,
      shed,
      products: s.data.shelf.map((i) => productOf(i.product.id)).filter((p) => isOneOf(FILM_ROLES)(p.role)),
      piles: tree.flatMap((p) =>
        p.regions
          .filter((r) => r.stack.layers.length > 0)
          .map((r) => ({
            regionId: r.region.id,
            name: p.regions.length > 1 ? `${p.name}, ${r.region.name}` : p.name,
            material: r.region.material,
            layers: r.stack.layers.map((l) => {
              const product = productOf(l.productId);
              return {
                product,
                coats: l.coats,
                wftUm: plannedWftUm(l, product),
                coatGapMin: l.coatGapMin ?? null,
                gapMin: l.gapMin,
                rubUm: l.sandAfter?.takesUm ?? 0,
              };
            }),
          })),
      ),
    });
  });
