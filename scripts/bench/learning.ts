import { type Look, learnt } from "@/core/learning";
import { simulatedSheds } from "../../tests/support/sheds";
import { bestMs, firstMs, round1, round3, tell } from "./measure";

const SHEDS = 400;

/** What 400 simulated sheds learn (goals: 0.5, 0.35, 0.92, 0.85–0.95, less than a fifth more with a tenth wrong), and what it costs. */
export function benchLearning(): void {
  const { errorShare, unseenShare, safeShare } = simulatedSheds(41);
  const plain = errorShare(SHEDS, 3);
  tell({
    bench: "learning.sheds",
    sheds: SHEDS,
    error_after_3: round3(plain),
    error_after_8: round3(errorShare(SHEDS, 8)),
    unseen_after_20: round3(unseenShare(SHEDS)),
    next_by_safe: round3(safeShare(SHEDS)),
    growth_with_tenth_wrong: round3(errorShare(SHEDS, 3, 0.1) / plain - 1),
  });
  const looks = Array.from({ length: 1000 }, (_, n): Look => {
    const byMin = 80 + ((n * 37) % 90);
    return {
      productId: `p${n % 100}`,
      predictedMin: 100,
      afterMin: n % 3 === 0 ? byMin - 20 : null,
      byMin,
      atMin: null,
    };
  });
  const ids = Array.from({ length: 100 }, (_, n) => `p${n}`);
  // looks of their own each time: what was asked before is remembered by the look
  const year = () =>
    void learnt(
      looks.map((l) => ({ ...l })),
      ids,
    );
  const oneMore = () => void learnt([...looks, { ...looks[7]! }], ids);
  tell({
    bench: "learning.year",
    looks: 1000,
    products: 100,
    firstMs: round1(firstMs(year)),
    bestMs: round1(bestMs(year)),
    oneMoreMs: round1(bestMs(oneMore)),
  });
}
