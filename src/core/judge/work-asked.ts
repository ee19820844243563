import { type ExtraWork, type JointTold, type Product, type StripWay, workedWith } from "../model";
import { jointNeedsMm2 } from "../reference";
import { applyRules, type Facts, type Fired, factSheet, RULE_BOOK, regionFacts } from "../rules";
import { groundFilm } from "./ground";
import { liquidVerdicts } from "./liquids";
import type { Pile } from "./pile";

/**
 * Work no layer asks for, on what lies there: a wash, a wipe or a strip with its product, or the way paint is taken off.
 * @param pile what lies on the face, all of it laid
 * @param afterMin since its last coat, minutes
 * @param joint what is told of the joint its product makes; null = it makes none, or nothing is told
 */
export function workVerdicts(pile: Pile, work: ExtraWork, afterMin: number, joint: JointTold | null): readonly Fired[] {
  const { region, stack, protection, productOf } = pile.input;
  if (region.material === null) return [];
  const base = factSheet({
    ...regionFacts(region, region.material, stack.prep),
    "bench.protection": protection,
  });
  const ground = groundFilm(region);
  const way: StripWay | null = work.kind === "strip" ? (work.way ?? "by-hand") : null;
  const strip = way === null ? {} : { "contact.strip": way };
  const withId = workedWith(work);
  if (withId === null)
    return applyRules(
      RULE_BOOK,
      "contact",
      factSheet({ ...strip, "layer.filmBelow": pile.films.length > 0 || ground !== null }, base),
    );
  const product = productOf(withId);
  const liquid = way === null ? product : { ...product, role: "stripper" as const };
  return liquidVerdicts(pile, { liquid, layer: pile.layers.length, afterMin }, base, ground, {
    ...strip,
    ...(joint ? jointFacts(liquid, joint) : {}),
  });
}

const jointFacts = (glue: Product, { load, faceMm2 }: JointTold): Facts => ({
  "contact.jointLoad": load,
  "contact.jointSmall": faceMm2 !== null && faceMm2 < jointNeedsMm2(glue, load),
});
