import { createHash } from "node:crypto";
import type { PartNode } from "@/contracts";
import { type BenchOptions, type BenchTile, benchNow, fittedWith, type PlanInput } from "@/core/plan";
import type { PlanSources } from "./input";
import { once } from "./once";

/**
 * Where a part stands, kept by everything it is reckoned from: work on one part leaves the tiles of the others as they were. Only
 * for the minute: a tile speaks of its own.
 */
interface Kept {
  readonly key: string;
  readonly tile: BenchTile | null;
}
const holder = globalThis as unknown as { elmBenchTiles?: Map<string, Kept> };
const kept = () => {
  holder.elmBenchTiles ??= new Map();
  return holder.elmBenchTiles;
};
const MOST_KEPT = 2000;

/** What the tiles of a model are reckoned from. */
export interface TileWorld {
  readonly input: PlanInput;
  readonly sources: PlanSources;
  readonly options: Pick<BenchOptions, "judged" | "delaysMin">;
  /** every product, as text */
  readonly productsText: string;
}

const hashOf = (text: string): string => createHash("sha256").update(text).digest("base64");

/** What they all hang on: minute, shed, air, what was said of the plan, what the film model put back, trials. */
function worldKey({ input, sources, options, productsText }: TileWorld, ofMinute: boolean): string {
  const { shop, air, planning, coupons } = sources;
  const minute = ofMinute ? [input.nowMin, options.delaysMin ?? null] : [];
  return hashOf(JSON.stringify([...minute, shop, air, planning, coupons]) + productsText);
}

/** What one region's tile hangs on by itself: its pile, its reasons, its log, whose entries never change. */
function textsOf({ sources }: TileWorld): (regionId: string) => string {
  const logs = new Map<string, string[]>();
  for (const e of sources.log) {
    const own = logs.get(e.regionId) ?? [];
    logs.set(e.regionId, own);
    own.push(e.id);
  }
  const nodes = new Map(
    sources.tree.flatMap((p: PartNode) => p.regions.map((n) => [n.region.id, { count: p.count, node: n }] as const)),
  );
  return (regionId) => {
    const own = nodes.get(regionId);
    if (!own) return "";
    const { region, stack, overrides } = own.node;
    return JSON.stringify([own.count, region, stack, overrides, logs.get(regionId) ?? []]);
  };
}

/** Tiles of a model; what has nothing new about it is not reckoned again. */
export class Tiles {
  private readonly world: () => TileWorld;
  private readonly keyOf: (regionId: string) => string;
  /** what a region's films hang on, whatever the minute */
  readonly stillKeyOf: (regionId: string) => string;

  constructor(make: () => TileWorld) {
    this.world = once(make);
    const all = once(() => worldKey(this.world(), true));
    const still = once(() => worldKey(this.world(), false));
    const text = once(() => textsOf(this.world()));
    this.keyOf = (regionId) => hashOf(all() + [...fittedWith(regionId, this.world().input)].map(text()).join());
    this.stillKeyOf = (regionId) => hashOf(still() + text()(regionId));
  }

  /** Of these regions, in the user's order. */
  of(regionIds: readonly string[]): readonly BenchTile[] {
    const known = kept();
    // before anything of it is counted on: what is left out below is not reckoned again
    if (known.size > MOST_KEPT) known.clear();
    const keys = new Map(regionIds.map((id) => [id, this.keyOf(id)]));
    const stale = new Set(regionIds.filter((id) => known.get(id)?.key !== keys.get(id)));
    if (stale.size > 0) {
      const { input, options } = this.world();
      const made = new Map(benchNow(input, { ...options, only: stale }).map((t) => [t.regionId, t]));
      for (const id of stale) known.set(id, { key: keys.get(id)!, tile: made.get(id) ?? null });
    }
    return regionIds.flatMap((id) => known.get(id)?.tile ?? []);
  }

  all(): readonly BenchTile[] {
    return this.of(this.world().input.regions.map((r) => r.region.id));
  }
}
