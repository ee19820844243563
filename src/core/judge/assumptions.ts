/** Which figures stood in for what nobody gave, and of those the ones that decide a verdict. */

import { at } from "../base";
import { type Carrier, keyOf, type Product } from "../model";
import { carriersContradict, volumeSolidsOf } from "../reference";
import { judgeStack } from "./judge";
import { standingOnce } from "./standing";
import type { JudgeAnswer, JudgeInput, PlacedVerdict } from "./types";

const ASSUMED_DECIDES = "assumed-decides";

interface Doubt {
  readonly layer: number;
  readonly figure: string;
  /** the product with the figure at either end of its usual range (est.: a third less, half as much again) */
  readonly ends: readonly Product[];
}
const LOW = 2 / 3;
const HIGH = 3 / 2;

function doubts(input: JudgeInput): readonly Doubt[] {
  return input.stack.layers.flatMap((layer, i) => {
    const p = input.productOf(layer.productId);
    const list: Doubt[] = [];
    if (p.volumeSolids === null)
      list.push({
        layer: i,
        figure: "volume_solids",
        ends: [LOW, HIGH].map((f) => ({ ...p, volumeSolids: Math.min(1, volumeSolidsOf(p) * f) })),
      });
    if (p.assumed?.includes("label.wft_um") && layer.wftUm === null)
      list.push({
        layer: i,
        figure: "label.wft_um",
        ends: [LOW, HIGH].map((f) => ({ ...p, label: { ...p.label, wftUm: p.label.wftUm * f } })),
      });
    return list;
  });
}

const signature = (a: JudgeAnswer): string =>
  a.outcome === "judged"
    ? a.verdicts
        .filter((v) => v.verdict !== "ok")
        .map((v) => `${v.key}=${v.verdict}`)
        .sort()
        .join()
    : "";

/** Answers somebody may read off a can, mildest first. */
const ANSWERS: readonly Carrier[] = ["water", "alcohol", "aliphatic", "aromatic", "ester", "ketone"];

/** A missing carrier with the answers that would settle it without complaint, so that one knows what to look for. */
function withFine(v: PlacedVerdict, input: JudgeInput): PlacedVerdict {
  if (v.code !== "missing-fact" || !v.missing.includes("product.carriers")) return v;
  const id = at(input.stack.layers, v.where.layer).productId;
  const fine = ANSWERS.filter((carrier) => {
    const told = { ...input.productOf(id), carriers: [carrier] };
    if (carriersContradict(told)) return false;
    const answer = judgeStack({ ...input, productOf: (x) => (x === id ? told : input.productOf(x)) });
    return (
      answer.outcome === "judged" &&
      answer.verdicts.every((w) => w.where.layer !== v.where.layer || (w.verdict !== "stop" && w.verdict !== "test"))
    );
  });
  return { ...v, fine };
}

/**
 * Judges a stack, and again with every figure that was filled in at both ends of its usual range. A figure that changes
 * a verdict decides it: then the answer is no better than care, and says which figure it hangs on.
 */
export function judgeWithDoubts(input: JudgeInput): JudgeAnswer {
  const plain = judgeStack(input);
  if (plain.outcome !== "judged") return plain;
  const answer = { ...plain, verdicts: plain.verdicts.map((v) => withFine(v, input)) };
  const own = signature(answer);
  const deciding = doubts(input).filter((d) => {
    const id = at(input.stack.layers, d.layer).productId;
    return d.ends.some((end) => {
      const productOf = (x: string) => (x === id ? end : input.productOf(x));
      return signature(judgeStack({ ...input, productOf })) !== own;
    });
  });
  if (deciding.length === 0) return { ...answer, verdicts: standingOnce(answer.verdicts) };
  const added = deciding.map(({ layer, figure }): PlacedVerdict => {
    const where = { kind: "layer" as const, layer };
    return {
      rule: ASSUMED_DECIDES,
      verdict: "care",
      kind: "finish",
      code: ASSUMED_DECIDES,
      facts: {},
      remedy: [{ do: "advice", key: "find-out" }],
      evidence: "trade-practice",
      missing: [],
      where,
      key: `${keyOf(ASSUMED_DECIDES, where, input.stack.layers)}-${figure}`,
      assumed: [`${layer}: ${figure}`],
    };
  });
  return {
    ...answer,
    worst: answer.worst === "ok" ? "care" : answer.worst,
    verdicts: standingOnce([...answer.verdicts, ...added]),
  };
}
