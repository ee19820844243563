import { BEFORE_STEPS, fromPrepRows, prepRows, type Stack, withStep } from "../model";
import { ROUND_GRIT } from "../reference";
import type { Remedy } from "../rules";
import type { Where } from "./types";

/** Feathering a rim takes little off the spot itself, µm (est.). */
const FEATHER_TAKES_UM = 5;

/** An id no layer of the stack has yet, made from another's. */
function freshId(stack: Stack, id: string): string {
  const taken = new Set(stack.layers.map((l) => l.id));
  let n = 2;
  while (taken.has(`${id}-${n}`)) n += 1;
  return `${id}-${n}`;
}

/** The stack with a remedy carried out where its verdict stands. Advice leaves it as it is. */
export function applyRemedy(stack: Stack, where: Where, remedy: Remedy): Stack {
  const atLayer = (change: (l: Stack["layers"][number]) => Stack["layers"][number]): Stack => ({
    ...stack,
    layers: stack.layers.map((l, i) => (i === where.layer ? change(l) : l)),
  });
  switch (remedy.do) {
    case "add-prep":
      return { ...stack, ...fromPrepRows(withStep(prepRows(stack), remedy.step)) };
    case "add-before":
      return atLayer((l) => ({ ...l, before: BEFORE_STEPS.filter((s) => s === remedy.step || l.before.includes(s)) }));
    case "set-heaviness":
      return atLayer((l) => ({ ...l, heaviness: remedy.heaviness, wftUm: null }));
    case "renew-below": {
      const below = stack.layers[where.layer - 1];
      if (!below) return stack;
      const fresh = { ...below, id: freshId(stack, below.id), gapMin: null, before: [], sandAfter: null, tape: null };
      return { ...stack, layers: [...stack.layers.slice(0, where.layer), fresh, ...stack.layers.slice(where.layer)] };
    }
    case "add-rub":
      return atLayer((l) => ({ ...l, sandAfter: { grit: ROUND_GRIT, wet: false, takesUm: FEATHER_TAKES_UM } }));
    case "wait-for":
      return atLayer((l) => ({ ...l, gapMin: null }));
    case "advice":
      return stack;
  }
}
