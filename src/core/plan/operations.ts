import { assert } from "../base";
import type { AppliedCoat } from "../film";
import type { BeforeStep, Layer, Method, PrepStep, Product, Region, Stack } from "../model";
import { plannedWftUm } from "../numbers";
import {
  ASSUMED_AREA_CM2,
  BEFORE_LABOUR,
  COAT_LABOUR,
  LABOUR_STEP_MIN,
  type Labour,
  materialFacts,
  PREP_LABOUR,
  SAND_LABOUR,
} from "../reference";
import { isSprayed } from "../rules";
import type { SeamPlan } from "./judge";
import { partDryWait, type Wait, wetSandDry } from "./wait";

export type OpKind = "prep" | "before" | "coat" | "sand";

/** One piece of hands-on work on one region. */
export interface Operation {
  readonly id: string;
  readonly regionId: string;
  readonly layerId: string | null;
  readonly kind: OpKind;
  readonly step: PrepStep | BeforeStep | null;
  /** 1-based, of `of`, for coats */
  readonly coat: number;
  readonly of: number;
  readonly productId: string | null;
  readonly wftUm: number | null;
  readonly handsOnMin: number;
  readonly sprayed: boolean;
  /** paper to use, FEPA P grits; null where nothing is abraded */
  readonly abrasive: { readonly from: number; readonly to: number; readonly wet: boolean } | null;
  /** dry film a rub takes off, µm; 0 where nothing is rubbed */
  readonly takesUm: number;
}

/** A wait between two operations of the same region. */
export interface Tie {
  readonly from: string;
  readonly to: string;
  readonly wait: Wait;
}

export interface Chain {
  readonly regionId: string;
  readonly ops: readonly Operation[];
  readonly ties: readonly Tie[];
}

/** What the log says of one operation. Coats done in one go: `coats` of `wftUm` each. */
export interface OpRecord {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number | null;
  readonly coats: number | null;
  readonly wftUm: number | null;
}

export const opIds = {
  prep: (regionId: string, step: PrepStep) => `${regionId}:prep:${step}`,
  before: (layerId: string, step: BeforeStep) => `${layerId}:before:${step}`,
  coat: (layerId: string, n: number) => `${layerId}:coat:${n}`,
  sand: (layerId: string) => `${layerId}:sand`,
};

const minutesFor = (labour: Labour, areaCm2: number | null): number =>
  Math.ceil((labour.fixedMin + labour.perCm2Min * (areaCm2 ?? ASSUMED_AREA_CM2)) / LABOUR_STEP_MIN) * LABOUR_STEP_MIN;

const blank = {
  layerId: null,
  step: null,
  coat: 0,
  of: 0,
  productId: null,
  wftUm: null,
  sprayed: false,
  abrasive: null,
  takesUm: 0,
} as const;

/**
 * The work of a region in order, with the wait before each piece: preparation, then per layer what is done
 * before it, its coats, and its sanding. A sanded layer ties its coats both to the rub and to the next layer.
 */
export function chainOf(
  region: Region,
  stack: Stack,
  seams: readonly (SeamPlan | null)[],
  productOf: (id: string) => Product,
): Chain {
  const ops: Operation[] = [];
  const ties: Tie[] = [];
  let wait: Wait = { kind: "none" };
  const push = (op: Operation, after: Wait) => {
    const last = ops.at(-1);
    if (last) ties.push({ from: last.id, to: op.id, wait });
    ops.push(op);
    wait = after;
  };
  for (const step of stack.prep) push(prepOp(region, step), waitAfterPrep(region, step));
  stack.layers.forEach((layer, i) => {
    const product = productOf(layer.productId);
    const belowCoat = i > 0 ? lastCoatId(stack.layers[i - 1]!) : null;
    for (const step of layer.before) {
      push(
        {
          ...blank,
          id: opIds.before(layer.id, step),
          regionId: region.id,
          layerId: layer.id,
          kind: "before",
          step,
          handsOnMin: minutesFor(BEFORE_LABOUR[step], region.areaCm2),
        },
        waitAfterBefore(step),
      );
      if (step === "scuff" && belowCoat)
        ties.push({ from: belowCoat, to: opIds.before(layer.id, step), wait: { kind: "sandable" } });
    }
    for (let n = 1; n <= layer.coats; n++) push(coatOp(region, layer, product, n), { kind: "flash" });
    if (belowCoat)
      ties.push({
        from: belowCoat,
        to: opIds.coat(layer.id, 1),
        wait: { kind: "seam", waits: seams[i]?.waits ?? [{ until: "sandable" }], fallback: seams[i]?.fallback ?? [] },
      });
    wait = { kind: "none" };
    if (!layer.sandAfter) return;
    wait = { kind: "sandable" };
    push(
      {
        ...blank,
        id: opIds.sand(layer.id),
        regionId: region.id,
        layerId: layer.id,
        kind: "sand",
        handsOnMin: minutesFor(SAND_LABOUR, region.areaCm2),
        abrasive: { from: layer.sandAfter.grit, to: layer.sandAfter.grit, wet: layer.sandAfter.wet },
        takesUm: layer.sandAfter.takesUm,
      },
      layer.sandAfter.wet ? wetSandDry : { kind: "none" },
    );
  });
  return { regionId: region.id, ops, ties };
}

const lastCoatId = (layer: Layer): string => opIds.coat(layer.id, layer.coats);

/** A material nobody has named may hold lead too. */
/** Dry sanding is out where the metal, or an old finish nobody tested, may hold lead. */
const wetOnly = (region: Region): boolean =>
  region.material === null ||
  region.material === "unknown" ||
  (materialFacts(region.material).mayHoldLead && region.lead !== "none") ||
  (region.oldFinish != null && region.oldFinish.lead !== "none");

function prepOp(region: Region, step: PrepStep): Operation {
  const material = region.material === null || region.material === "unknown" ? null : materialFacts(region.material);
  const keyGrit = step === "key" ? (material?.keyGrit ?? null) : null;
  return {
    ...blank,
    id: opIds.prep(region.id, step),
    regionId: region.id,
    kind: "prep",
    step,
    handsOnMin: minutesFor(PREP_LABOUR[step], region.areaCm2),
    abrasive: keyGrit && { ...keyGrit, wet: wetOnly(region) },
  };
}

function waitAfterPrep(region: Region, step: PrepStep): Wait {
  if (step === "wash") {
    assert(region.material !== null, "a region is only planned with its material entered");
    return partDryWait(
      region.material === "unknown" ? UNKNOWN_PART_DRY_MIN : materialFacts(region.material).partDryMin,
    );
  }
  if (step === "key" && wetOnly(region)) return wetSandDry;
  return step === "degrease" || step === "wipe" ? { kind: "wipe-flash" } : { kind: "none" };
}

/** A washed part of unknown material may be porous: the long wait, minutes (est.). */
const UNKNOWN_PART_DRY_MIN = 720;

const waitAfterBefore = (step: BeforeStep): Wait =>
  step === "degrease" || step === "wipe" ? { kind: "wipe-flash" } : { kind: "none" };

function coatOp(region: Region, layer: Layer, product: Product, n: number): Operation {
  const method: Method = product.method;
  return {
    id: opIds.coat(layer.id, n),
    regionId: region.id,
    layerId: layer.id,
    kind: "coat",
    step: null,
    coat: n,
    of: layer.coats,
    productId: product.id,
    wftUm: plannedWftUm(layer, product),
    handsOnMin: minutesFor(COAT_LABOUR[method], region.areaCm2),
    sprayed: isSprayed(product),
    abrasive: null,
    takesUm: 0,
  };
}

/**
 * The chain as the log has made it: coats put on together cover the ones after them, which need no work of their own.
 * @returns the operations still standing, and for each done coat the wet film it really left
 */
export function withHistory(
  chain: Chain,
  records: ReadonlyMap<string, OpRecord>,
): { chain: Chain; filmUm: ReadonlyMap<string, number>; coveredBy: ReadonlyMap<string, string> } {
  const filmUm = new Map<string, number>();
  const coveredBy = new Map<string, string>();
  chain.ops.forEach((op, i) => {
    if (op.kind !== "coat" || coveredBy.has(op.id)) return;
    const record = records.get(op.id);
    const coats = record?.coats ?? 1;
    filmUm.set(op.id, (record?.wftUm ?? op.wftUm ?? 0) * coats);
    for (let k = 1; k < coats; k++) {
      const next = chain.ops[i + k];
      if (next?.kind === "coat" && next.layerId === op.layerId && !records.has(next.id)) coveredBy.set(next.id, op.id);
    }
  });
  if (coveredBy.size === 0) return { chain, filmUm, coveredBy };
  const standing = (id: string) => coveredBy.get(id) ?? id;
  const ops = chain.ops.filter((op) => !coveredBy.has(op.id));
  const ties = chain.ties
    .map((t) => ({ ...t, from: standing(t.from), to: standing(t.to) }))
    .filter((t) => t.from !== t.to);
  return { chain: { ...chain, ops, ties }, filmUm, coveredBy };
}

/**
 * Coats on the face up to and including `upToOpId`, oldest first, as applied where the log knows and as planned where not;
 * each with what was rubbed off before the next.
 */
export function coatsUpTo(
  chain: Chain,
  upToOpId: string,
  filmUm: ReadonlyMap<string, number>,
  productOf: (id: string) => Product,
  endOf: (opId: string) => number,
): readonly AppliedCoat[] {
  const upTo = chain.ops.findIndex((op) => op.id === upToOpId);
  const coats: AppliedCoat[] = [];
  for (const op of chain.ops.slice(0, upTo + 1)) {
    if (op.kind === "coat")
      coats.push({ product: productOf(op.productId!), wftUm: filmUm.get(op.id) ?? op.wftUm!, endMin: endOf(op.id) });
    const last = coats.at(-1);
    if (op.kind === "sand" && last)
      coats[coats.length - 1] = { ...last, rubbed: { atMin: endOf(op.id), takesUm: op.takesUm } };
  }
  return coats;
}
