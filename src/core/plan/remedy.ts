import { BEFORE_STEPS, PREP_STEPS, type Stack } from "../model";
import type { Remedy } from "../rules";
import type { Where } from "./judge";

/** The stack with a remedy carried out where its verdict stands. Advice leaves it as it is. */
export function applyRemedy(stack: Stack, where: Where, remedy: Remedy): Stack {
  const atLayer = (change: (l: Stack["layers"][number]) => Stack["layers"][number]): Stack => ({
    ...stack,
    layers: stack.layers.map((l, i) => (i === where.layer ? change(l) : l)),
  });
  switch (remedy.do) {
    case "add-prep":
      return { ...stack, prep: PREP_STEPS.filter((s) => s === remedy.step || stack.prep.includes(s)) };
    case "add-before":
      return atLayer((l) => ({ ...l, before: BEFORE_STEPS.filter((s) => s === remedy.step || l.before.includes(s)) }));
    case "set-heaviness":
      return atLayer((l) => ({ ...l, heaviness: remedy.heaviness, wftUm: null }));
    case "wait-for":
      return atLayer((l) => ({ ...l, gapMin: null }));
    case "advice":
      return stack;
  }
}
