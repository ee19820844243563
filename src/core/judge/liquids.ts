/** Liquids that steps are done with, each on what it touches. */

import { at } from "../base";
import { isOneOf, LIQUID_BEFORE, LIQUID_PREP, type Product, preparedSteps, type Stack } from "../model";
import {
  applyRules,
  contactBareAnswer,
  type FactSheet,
  type Facts,
  type Fired,
  factSheet,
  RULE_BOOK,
  showsBare,
  upperFacts,
} from "../rules";
import type { GroundFilm } from "./ground";
import { filmBelow, type Pile } from "./pile";
import { contactFacts, type Touch } from "./seams";
import type { StepLiquid } from "./types";

/** A liquid by the step it is used in, and the layer that comes after it. */
interface PlacedLiquid extends StepLiquid {
  readonly layer: number;
}

/** A liquid used twice for the same step does the same both times. */
function preparing({ prep, prepWith }: Stack): readonly PlacedLiquid[] {
  const liquids = preparedSteps(prep).flatMap(({ step, key }): PlacedLiquid[] => {
    const productId = prepWith?.[key];
    return productId && isOneOf(LIQUID_PREP)(step) ? [{ step, productId, layer: 0 }] : [];
  });
  return liquids.filter((l, i) => liquids.findIndex((m) => m.step === l.step && m.productId === l.productId) === i);
}

/** Liquids of the preparation, and of what is done before layer i. */
export const liquidsBefore = (stack: Stack, i: number): readonly PlacedLiquid[] => [
  ...(i === 0 ? preparing(stack) : []),
  ...LIQUID_BEFORE.flatMap((step) => {
    const { before, beforeWith } = at(stack.layers, i);
    const productId = before.includes(step) ? beforeWith?.[step] : undefined;
    return productId ? [{ step, productId, layer: i }] : [];
  }),
];

/** The contact rules on one liquid where it is used. @param base facts of the region and the bench */
export function liquidVerdicts(
  pile: Pile,
  touch: Touch,
  base: FactSheet,
  ground: GroundFilm | null,
  more: Facts = {},
): readonly Fired[] {
  const upper = factSheet(upperFacts(touch.liquid, "wet", touch.liquid.label.wftUm), base);
  return applyRules(RULE_BOOK, "contact", factSheet({ ...touching(pile, touch, ground), ...more }, upper));
}

/** What a liquid touches, and what it does there. */
export function touching(pile: Pile, touch: Touch, ground: GroundFilm | null): Facts {
  const { region } = pile.input;
  const below = filmBelow(pile, touch.layer);
  const { liquid } = touch;
  return {
    "contact.bareAnswer": contactBareAnswer(region.material!, liquid),
    "contact.touchesBare": bare(liquid, below, region),
    "layer.filmBelow": below >= 0 || ground !== null,
    "layer.activatorUsed": pile.layers[touch.layer]?.setUp?.activator ?? false,
    ...contactFacts(pile, touch, ground),
  };
}

/** A stripper goes down to the material; anything else touches it only where nothing lies over it. */
const bare = ({ role }: Product, below: number, region: Pile["input"]["region"]): boolean =>
  role === "stripper" || (below < 0 ? showsBare(region) : region.conditions.includes("bare-spots"));
