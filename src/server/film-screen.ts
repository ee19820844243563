import { done, type FilmScreen, type Outcome } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { airAt } from "@/core/film";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { plannedWftUm } from "@/core/numbers";
import { onBestEvidence } from "@/core/reference";
import { allProducts, listShelf, modelTree } from "@/db";
import { nowMs } from "./clock";
import { reading } from "./guard";
import { lookup } from "./lookup";
import { airSources, climateOf } from "./shed-air";
import { shopState } from "./shop";

/** Half hours for as long as anybody looks closely, then every two hours. */
const CLOSE_DAYS = 5;
const FAR_DAYS = 50;
const round2 = (x: number): number => Math.round(x * 100) / 100;

/** Everything the Film screen needs to run the model by itself: films, planned piles, the shed's air to come. */
export const getFilmScreen = (modelId: string | null): Outcome<FilmScreen> =>
  reading((db) => {
    const atMs = nowMs();
    const nowMin = Math.floor(atMs / MS_PER_MIN);
    const { shop } = shopState(db);
    const toMin = nowMin + FAR_DAYS * MIN_PER_DAY;
    const { climate } = climateOf(shop, airSources(db, modelId, atMs), nowMin - MIN_PER_DAY, toMin);
    const times: number[] = [];
    for (let t = nowMin - 5; t < nowMin + CLOSE_DAYS * MIN_PER_DAY; t += 30) times.push(t);
    for (let t = times.at(-1)! + 120; t <= toMin; t += 120) times.push(t);
    const shed = times.map((t) => {
      const a = airAt(climate, t);
      return { atMin: t, tempC: round2(a.tempC), rhPct: round2(a.rhPct), airflowMS: round2(a.airflowMS) };
    });
    const productOf = lookup(allProducts(db));
    const tree = modelId === null ? [] : modelTree(db, modelId);
    return done({
      nowMin,
      timeZone: shop.timeZone,
      shed,
      products: listShelf(db)
        .map((i) => onBestEvidence(i.product))
        .filter((p) => isOneOf(FILM_ROLES)(p.role)),
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
