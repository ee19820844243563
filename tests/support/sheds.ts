import { seededRandom } from "@/core/base";
import { waitFactor } from "@/core/film";
import { type Look, learnt, pacesOf } from "@/core/learning";

/**
 * Sheds that are not there: true factors are drawn, a user looks as real ones do (mostly after the planned hour, sometimes early, and
 * again after a "not yet"), and what is learnt is held against what is true.
 */
const PRODUCTS = ["a", "b", "c", "d", "e", "f"] as const;
const LOOKED_AT = PRODUCTS.slice(0, -1);
const UNSEEN = PRODUCTS.at(-1)!;
const PREDICTED_MIN = 100;

interface Shed {
  readonly lnG: Readonly<Record<string, number>>;
  readonly looks: readonly Look[];
}

const middle = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

export function simulatedSheds(seed: number) {
  const random = seededRandom(seed);
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const scatter = () => (0.12 * gauss()) / Math.sqrt([1, 2, 3, 4].reduce((sum) => sum + gauss() ** 2, 0) / 4);
  /** @param each looks a product but the last, which nobody looks at @param wrong share of looks that are plainly wrong */
  const shed = (each: number, wrong = 0): Shed => {
    const s = 0.2 * gauss();
    const lnG = Object.fromEntries(PRODUCTS.map((id) => [id, s + 0.29 * gauss()]));
    const looks: Look[] = [];
    for (const productId of LOOKED_AT)
      for (let n = 0; n < each; n++) {
        const truth = PREDICTED_MIN * Math.exp(lnG[productId]! + scatter()) * (random() < wrong ? 2.5 : 1);
        let byMin = PREDICTED_MIN * (random() < 0.7 ? 1 + 0.6 * random() : 0.6 + 0.4 * random());
        let afterMin: number | null = null;
        while (byMin < truth) {
          afterMin = byMin;
          byMin *= 1.3;
        }
        looks.push({ productId, predictedMin: PREDICTED_MIN, afterMin, byMin, atMin: null });
      }
    return { lnG, looks };
  };
  /** Median |error of ln g| of products that were looked at, against the label's. */
  const errorShare = (sheds: number, each: number, wrong = 0): number => {
    const own: number[] = [];
    const label: number[] = [];
    for (let n = 0; n < sheds; n++) {
      const { lnG, looks } = shed(each, wrong);
      for (const p of learnt(looks, LOOKED_AT).products) {
        own.push(Math.abs(Math.log(p.median) - lnG[p.productId]!));
        label.push(Math.abs(lnG[p.productId]!));
      }
    }
    return middle(own) / middle(label);
  };
  /** The same of the product nobody looked at, four looks at each of the others. */
  const unseenShare = (sheds: number): number => {
    const own: number[] = [];
    const label: number[] = [];
    for (let n = 0; n < sheds; n++) {
      const { lnG, looks } = shed(4);
      own.push(Math.abs(Math.log(learnt(looks, [UNSEEN]).products[0]!.median) - lnG[UNSEEN]!));
      label.push(Math.abs(lnG[UNSEEN]!));
    }
    return middle(own) / middle(label);
  };
  /** Share of next coats that are ready by the safe time, four looks at each. */
  const safeShare = (sheds: number): number => {
    let held = 0;
    for (let n = 0; n < sheds; n++) {
      const { lnG, looks } = shed(4);
      const paces = pacesOf(looks, LOOKED_AT);
      for (const id of LOOKED_AT)
        if (Math.exp(lnG[id]! + scatter()) <= waitFactor("safe", null, paces.get(id)!)) held += 1;
    }
    return held / (sheds * LOOKED_AT.length);
  };
  return { errorShare, unseenShare, safeShare };
}
