import { done, type ModelHead, type Outcome, type PartNode } from "@/contracts";
import { notFound, viewing, viewingModel } from "../guard";
import type { Snapshot } from "../workspace/snapshot";

export interface CurrentModel {
  readonly models: readonly ModelHead[];
  readonly current: ModelHead | null;
}

/** All models and the one on the bench: the chosen one, else the first. */
export function currentModel({ data }: Snapshot): CurrentModel {
  const { models, shopState } = data;
  return { models, current: models.find((m) => m.id === shopState.currentModelId) ?? models[0] ?? null };
}

export const getModels = (): Outcome<CurrentModel> => viewing((s) => done(currentModel(s)));

export const getTree = (modelId: string): Outcome<readonly PartNode[]> => viewingModel(modelId, (m) => done(m.tree));

/** A model's parts, and the models they can go to. */
export const getParts = (modelId: string): Outcome<PartsScreen> =>
  viewing((s) => {
    const m = s.model(modelId);
    return m
      ? done({ parts: m.tree, models: s.data.models.map(({ id, name }) => ({ id, name })) })
      : notFound("The model");
  });
export interface PartsScreen {
  readonly parts: readonly PartNode[];
  readonly models: readonly Pick<ModelHead, "id" | "name">[];
}

/** Part and region names by region id. */
export const partNames = (tree: readonly PartNode[]): ReadonlyMap<string, { part: string; region: string }> =>
  new Map(tree.flatMap((p) => p.regions.map((r) => [r.region.id, { part: p.name, region: r.region.name }] as const)));

/** A part by its name, with the region's when it has several. */
export const regionNames = (tree: readonly PartNode[]): readonly { id: string; name: string }[] =>
  tree.flatMap((p) =>
    p.regions.map((r) => ({ id: r.region.id, name: p.regions.length > 1 ? `${p.name}, ${r.region.name}` : p.name })),
  );
