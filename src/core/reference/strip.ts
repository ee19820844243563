import type { MaterialGroup, StripWay } from "../model";
import type { Labour } from "./labour";

/** What is known of a way to take paint off. */
export interface StripFacts {
  readonly labour: Labour;
  /** a product does it */
  readonly needs: "stripper" | "none";
  /** left to work before it comes off, minutes (est.; the product's own label decides) */
  readonly worksMin: number;
  /** out of the house, hours, where nobody says otherwise (est.) */
  readonly awayH: number | null;
  /** gives dust, unless it is done wet */
  readonly dusty: boolean;
  /** ends under water or another wash, and has to dry */
  readonly wet: boolean;
  /** materials it does not spare */
  readonly harms: readonly MaterialGroup[];
}

/**
 * Taking paint off, hands-on and elapsed (est.). A strip by hand is scraped and rubbed; a stripper is brushed on, left, scraped and
 * washed off; a bath works by itself and needs a tub the part goes into; blasting is mostly somebody else's work.
 */
export const STRIP_FACTS: Readonly<Record<StripWay, StripFacts>> = {
  "by-hand": {
    labour: { fixedMin: 20, perCm2Min: 0.08 },
    needs: "none",
    worksMin: 0,
    awayH: null,
    dusty: true,
    wet: false,
    harms: [],
  },
  stripper: {
    labour: { fixedMin: 20, perCm2Min: 0.04 },
    needs: "stripper",
    worksMin: 45,
    awayH: null,
    dusty: false,
    wet: true,
    harms: [],
  },
  bath: {
    labour: { fixedMin: 15, perCm2Min: 0.015 },
    needs: "stripper",
    worksMin: 720,
    awayH: null,
    dusty: false,
    wet: true,
    harms: ["porous"],
  },
  blasted: {
    labour: { fixedMin: 10, perCm2Min: 0 },
    needs: "none",
    worksMin: 0,
    awayH: 3,
    dusty: false,
    wet: false,
    harms: ["foam", "porous", "resin", "plastic"],
  },
  wiped: {
    labour: { fixedMin: 5, perCm2Min: 0.01 },
    needs: "none",
    worksMin: 0,
    awayH: null,
    dusty: false,
    wet: false,
    harms: [],
  },
};
