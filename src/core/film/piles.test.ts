import { FRESHNESSES, type Freshness, overPile } from "../../../tests/support/piles";
import { shelf } from "../../../tests/support/world";
import { FILM_ROLES, isOneOf } from "../model";

/** Films paper or tape may meet: a promoter is covered inside its window, never rubbed. */
const FILMS = [...shelf.values()].filter((p) => isOneOf(FILM_ROLES)(p.role) && p.role !== "promoter");

/** What a practitioner nods at: a dry film below drinks a little; a just sandable one is no worse than two and a half labels. */
const LIMITS: Readonly<Record<Freshness, readonly [least: number, most: number]>> = {
  cured: [0.85, 1.5],
  "sandable-for-a-day": [0.85, 1.5],
  "just-sandable": [0.85, 2.5],
};

/** The gate asks every pair once, in turn at one freshness; `npm run hard` and the bench at all three. */
const HARD = process.env.ELM_BENCH_HARD === "1";

describe("every film of the shelf on every other keeps its label's times", () => {
  it.each(FRESHNESSES.map((f, i) => [f, i] as const))("on one %s", (freshness, turn) => {
    const [least, most] = LIMITS[freshness];
    const off: string[] = [];
    let looked = 0;
    for (const [t, top] of FILMS.entries()) {
      for (const [b, below] of FILMS.entries()) {
        if (top === below || (!HARD && (t + b) % FRESHNESSES.length !== turn)) continue;
        for (const { milestone, aloneMin, min } of overPile(top, below, freshness)) {
          looked += 1;
          const ratio = min / aloneMin;
          // a few minutes' wait is no ratio
          if (Math.abs(min - aloneMin) > 5 && (ratio < least || ratio > most))
            off.push(`${top.id} on ${below.id}: ${milestone} ${Math.round(aloneMin)} → ${Math.round(min)} min`);
        }
      }
    }
    expect(looked).toBeGreaterThan(HARD ? 4000 : 1300);
    expect(off).toEqual([]);
  });
});
