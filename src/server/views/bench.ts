import { type BenchScreen, type BenchView, done, type NamedFilm, type Outcome } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { comesCovered } from "@/core/history";
import { filmLedger } from "@/core/numbers";
import type { PlanRegion } from "@/core/work";
import { nowMs } from "../clock";
import { viewingModel } from "../guard";
import { benchSessions } from "../shed/hours";
import { faceView, lessonsOf } from "../workspace/mishaps";
import { airOfNow, type ModelSnapshot, type Snapshot } from "../workspace/snapshot";
import { careFor, sessionSoFar } from "./care";
import { namedRegions, shownWith, teller } from "./on-bench";
import { makingOf, planView } from "./plan";
import { lookDue } from "./record";

const benchView = (m: ModelSnapshot, atMs: number): BenchView => ({
  tiles: m.tiles,
  plan: planView(m, atMs),
  nowMs: atMs,
});

export const getBench = (modelId: string): Outcome<BenchView> =>
  viewingModel(modelId, (m) => done(benchView(m, nowMs())));

const SESSIONS_AHEAD_MIN = 14 * MIN_PER_DAY;

function benchScreen(m: ModelSnapshot, s: Snapshot, atMs: number): BenchScreen {
  const { products, shopState } = s.data;
  const { shop } = shopState;
  const nowMin = atMs / MS_PER_MIN;
  const shown = shownWith(m, s);
  const so = sessionSoFar(s, atMs);
  const all = shown.flatMap((own) => own.input.regions.map((r) => [own, r] as const));
  const filmsOf = ({ stack: { layers }, face }: PlanRegion): readonly NamedFilm[] =>
    filmLedger(layers, s.productOf).map((line, i) => ({
      layerId: line.layerId,
      lies: face?.layers.some((l) => l.layerId === line.layerId) ?? false,
      name: products.get(layers[i]!.productId)!.name,
      colour: products.get(layers[i]!.productId)!.colour,
      um: line.addedUm - line.takenUm,
    }));
  return {
    models: shown.map(({ head, input }) => ({
      id: head.id,
      name: head.name,
      regionIds: input.regions.map((r) => r.region.id),
    })),
    tiles: shown.flatMap((own) => own.tiles),
    plan: planView(teller(m, s), atMs),
    making: makingOf(teller(m, s)),
    names: Object.fromEntries(namedRegions(shown).map((r) => [r.id, r.name])),
    products: Object.fromEntries(products),
    films: Object.fromEntries(all.map(([, r]) => [r.region.id, filmsOf(r)] as const)),
    faces: Object.fromEntries(all.map(([own, r]) => [r.region.id, faceView(own, r.region.id, nowMin)] as const)),
    lessons: lessonsOf(s),
    looksDue: Object.fromEntries(
      shown.flatMap((own) =>
        own.tiles
          .filter((t) => t.zone === "finished")
          .map(({ regionId }) => {
            const face = own.input.regions.find((r) => r.region.id === regionId);
            return [regionId, face ? lookDue(own, s, face, nowMin) : null] as const;
          }),
      ),
    ),
    covered: all.flatMap(([, r]) => (comesCovered(r.region) ? r.region.id : [])),
    care: Object.fromEntries(
      shown.flatMap((own) =>
        own.tiles.flatMap(({ regionId, op }) => {
          const region = s.home(regionId)?.node.region;
          const productId = op?.productId ?? op?.withId ?? null;
          return op && region
            ? [[regionId, careFor(op, region, productId === null ? null : s.productOf(productId), s, so)] as const]
            : [];
        }),
      ),
    ),
    session: benchSessions(shop, nowMin, nowMin + SESSIONS_AHEAD_MIN)[0] ?? null,
    air: airOfNow(s, m.head.id, atMs),
    timeZone: shop.timeZone,
  };
}

export const getBenchScreen = (modelId: string): Outcome<BenchScreen> =>
  viewingModel(modelId, (m, s) => done(benchScreen(m, s, nowMs())));
