import type { Product } from "@/core/model";
import { COATINGS } from "./coatings";
import { MORE_COATINGS } from "./more-coatings";
import { STOCK, type Stock } from "./stock";
import { SUNDRIES } from "./sundries";

/** The demo shelf: made-up products of made-up makers, in every role and family. */
export const DEMO_SHELF: readonly Product[] = [...COATINGS, ...MORE_COATINGS, ...SUNDRIES].map((p) => ({
  ...p,
  ...factsOf(STOCK[p.id] ?? {}),
}));

/** What the shelf holds of each, without the days since it was opened: those hang on the day the demo is started. */
function factsOf({ openedDaysAgo: _opened, keepsDays: _keeps, ...facts }: Stock): Partial<Product> {
  return facts;
}

const MS_PER_DAY = 86_400_000;
const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** The shelf as it stands on a day: what was opened when, and how long it keeps. */
export const demoShelfOn = (atMs: number): readonly Product[] =>
  DEMO_SHELF.map((p) => {
    const { openedDaysAgo, keepsDays } = STOCK[p.id] ?? {};
    if (openedDaysAgo === undefined) return p;
    const openedMs = atMs - openedDaysAgo * MS_PER_DAY;
    return {
      ...p,
      openedOn: dayOf(openedMs),
      ...(keepsDays === undefined ? {} : { useBy: dayOf(openedMs + keepsDays * MS_PER_DAY) }),
    };
  });
