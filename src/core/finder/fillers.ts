import { judgeStack } from "../judge";
import {
  type Layer,
  type Product,
  placeOf,
  plainLayer,
  type Stack,
  VERDICTS,
  type Verdict,
  worseVerdict,
  type Zone,
} from "../model";
import { MOST_SKINS, needsUnder, skinsFor } from "../numbers";
import { dries, labelTimes } from "../reference";
import { neededPrep } from "../rules";
import type { FinderInput } from "./types";

/** A filler of the shelf for one gap: how it would be laid, how long it takes, and what is to be said of it there. */
export interface FillerChoice {
  readonly productId: string;
  /** worst of what is told */
  readonly verdict: Verdict;
  readonly told: readonly { readonly rule: string; readonly verdict: Verdict; readonly missing: readonly string[] }[];
  readonly skins: number;
  /** more skins than anybody lays: a stop of its own */
  readonly tooMany: boolean;
  /** from the first skin until the last can be rubbed, minutes at label conditions */
  readonly sandableMin: number;
  /** it dries by losing its water or solvent, and sinks as it does; else it hardens by itself */
  readonly sinks: boolean;
}

type Asked = Pick<FinderInput, "region" | "protection"> & {
  readonly shelf: readonly Product[];
  readonly productOf: (id: string) => Product;
  readonly today?: string | undefined;
  /** the zone of the face it is for; absent = the face's own gap */
  readonly zone?: Zone | undefined;
  /** what lies under it: fillers go on the bare face, or on the ground there is */
  readonly ground: Stack["layers"];
};

/**
 * Every filler of the shelf for the face's gap, best first: by what is to be said of it there, then by how soon it can be rubbed.
 * What is left out is not hidden: a stop says why not.
 */
export function fillersFor(asked: Asked): readonly FillerChoice[] {
  const { region, shelf } = asked;
  if (region.material === null) return [];
  return shelf
    .filter((p) => p.role === "putty" && p.owned !== false)
    .map((p) => choiceOf(p, asked))
    .sort((a, b) => VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) || a.sandableMin - b.sandableMin);
}

function choiceOf(p: Product, { region, productOf, protection, today, ground, zone }: Asked): FillerChoice {
  const needs = zone ?? needsUnder({}, region);
  const depthUm = needs.fillDepthUm ?? needs.ridgeUm;
  const skins = skinsFor(p, depthUm);
  const layer: Layer = {
    ...plainLayer("filler", p.id),
    coats: Math.min(skins, MOST_SKINS),
    heaviness: "wet",
    depthUm,
    ...(zone ? placeOf(zone) : {}),
    setUp: region.fillThrough ? { backing: true } : null,
  };
  const stack: Stack = { prep: neededPrep(region), layers: [...ground, layer] };
  const judged = judgeStack({ region, stack, productOf, protection, air: null, ...(today ? { today } : {}) });
  const at = ground.length;
  const told =
    judged.outcome === "judged"
      ? judged.verdicts
          .filter((v) => v.verdict !== "ok" && v.where.kind !== "stack" && v.where.layer === at)
          .map(({ rule, verdict, missing }) => ({ rule, verdict, missing }))
      : [];
  const tooMany = skins > MOST_SKINS;
  const times = labelTimes(p);
  return {
    productId: p.id,
    told,
    verdict: told.map((v) => v.verdict).reduce(worseVerdict, tooMany ? "stop" : "ok"),
    skins,
    tooMany,
    sandableMin: times.sandable.min + (Math.min(skins, MOST_SKINS) - 1) * times.recoat.min,
    sinks: dries(p),
  };
}
