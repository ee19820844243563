import { type Cards, eventOf, type LogEntry, type PartNode, type Shop } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { type Climate, pointBefore, prefixClock } from "@/core/film";
import { fold, type Laid } from "@/core/history";
import { pacesOf } from "@/core/learning";
import type { Pace, Product } from "@/core/model";
import { asItWas, type FilmLook, filmLook, type SeenFilm, seenFilms, telling } from "@/core/witness";
import { type AirSources, climateOf, localClimates } from "../shed/air";
import { keptOf, ofEach } from "./kept";

/** What it is reckoned from; logs, trees and stays in other air by model. */
interface Untaught {
  readonly logs: ReadonlyMap<string, readonly LogEntry[]>;
  readonly products: ReadonlyMap<string, Product>;
  /** the same without the cards of coats: what a coat was laid from */
  readonly cans: ReadonlyMap<string, Product>;
  readonly cards: Cards;
  readonly readings: AirSources["readings"];
  readonly forecast: AirSources["forecast"];
  readonly locals: ReadonlyMap<string, AirSources["locals"]>;
  readonly trees: ReadonlyMap<string, readonly PartNode[]>;
  readonly shopState: { readonly shop: Shop };
}

/** What the bench's logs have taught of its waits. */
export interface Taught {
  /** every film that was looked at, those left out included, oldest first */
  readonly looks: readonly FilmLook[];
  /** products and cards with what is known of their waits; without a telling look the same as they were */
  readonly products: ReadonlyMap<string, Product>;
}

/** Looks farther back are another year's: cans, habits and hygrometers have changed, days. */
export const LEARNT_FROM_DAYS = 400;
/** What a thermometer in a shed can show. */
const SANE = { leastC: -25, mostC: 60 } as const;

/** Products whose label is the same dry the same. */
const labelOf = ofEach(({ label, family, carriers, light }: Product): string =>
  JSON.stringify([label, family, carriers, light ?? null]),
);
const NO_LOOKS: readonly FilmLook[] = [];

/** Worked out before, by what it was worked out from. On globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as {
  elmBenchTaught?: Worked & { readonly key: string };
  elmBenchLooks?: Map<string, FilmLook>;
};
const MOST_KEPT = 20_000;

/**
 * What the logs of a bench teach, and its products with it. Looks are reckoned with the air they really had, and again only where
 * that, the film or the label has changed.
 */
export function taughtBy(world: Untaught, atMs: number): Taught {
  const { logs, products } = world;
  if (![...logs.values()].some((log) => log.length > 0)) return { looks: NO_LOOKS, products };
  const key = JSON.stringify([
    [...logs].map(([id, log]) => [id, log.length, log.at(-1)?.id]),
    [world.readings.length, world.readings.at(-1)?.atMs, world.forecast.length, world.forecast.at(-1)?.atMs],
    [...world.locals],
    [world.shopState.shop.air, world.shopState.shop.timeZone],
    [...products].map(([id, p]) => [id, labelOf(p)]),
    Math.floor(atMs / MS_PER_MIN / MIN_PER_DAY),
  ]);
  const held = holder.elmBenchTaught;
  const own = held?.key === key ? held : { key, ...sameWhereNothingNew(held, worked(world, atMs)) };
  holder.elmBenchTaught = own;
  const { cards } = world;
  return {
    looks: own.looks,
    products: keptOf("paced", [logs, products, cards, own.paces], () => paced(world, own.paces)),
  };
}

interface Worked {
  readonly looks: readonly FilmLook[];
  readonly paces: ReadonlyMap<string, Pace>;
}

/** The very looks and paces of before where they come to the same: a newer reading seldom changes what was seen long ago. */
function sameWhereNothingNew(before: Worked | undefined, { looks, paces }: Worked): Worked {
  if (!before) return { looks, paces };
  const sameLooks = before.looks.length === looks.length && looks.every((l, i) => l === before.looks[i]);
  const textOf = (of: Worked["paces"]) => JSON.stringify([...of]);
  return {
    looks: sameLooks ? before.looks : looks,
    paces: textOf(before.paces) === textOf(paces) ? before.paces : paces,
  };
}

/** The same of a document nobody keeps. */
export function taughtOnce(world: Untaught, atMs: number): Taught {
  const { looks, paces } = worked(world, atMs);
  return { looks, products: paced(world, paces) };
}

/** Products and cards with their paces; a card's is its can's, as long as the label is still the same. */
function paced(
  { logs, products, cards }: Pick<Untaught, "logs" | "products" | "cards">,
  paces: ReadonlyMap<string, Pace>,
): ReadonlyMap<string, Product> {
  if (paces.size === 0) return products;
  const canOf = new Map<string, string>();
  for (const e of [...logs.values()].flat()) {
    const card = e.kind === "done" && e.laid?.card ? cards.get(e.laid.card) : undefined;
    if (card && e.kind === "done" && e.laid && products.has(card.id)) canOf.set(card.id, e.laid.productId);
  }
  const keyOfPace = (id: string, p: Product): string => {
    const canId = canOf.get(id);
    if (canId === undefined) return id;
    const can = products.get(canId);
    return can && labelOf(can) === labelOf(p) ? canId : asItWas(canId);
  };
  return new Map(
    [...products].map(([id, p]) => {
      const pace = paces.get(keyOfPace(id, p));
      return [id, pace ? { ...p, pace } : p];
    }),
  );
}

function worked(world: Untaught, atMs: number) {
  const labels = new Map([...world.products].map(([id, p]) => [id, labelOf(p)]));
  const known = holder.elmBenchLooks ?? new Map<string, FilmLook>();
  holder.elmBenchLooks = known;
  const nowMin = Math.floor(atMs / MS_PER_MIN);
  const sinceMin = (Math.floor(nowMin / MIN_PER_DAY) - LEARNT_FROM_DAYS) * MIN_PER_DAY;
  const seen = [...world.logs].flatMap(([modelId, log]) => {
    const films = filmsOf(log, world, sinceMin);
    return films.length > 0 ? [{ modelId, films }] : [];
  });
  // one stretch of air for all of them, so that it is assembled once
  const fromMin = seen.reduce((first, { films }) => Math.min(first, earliestOf(films)), nowMin) - MIN_PER_DAY;
  const looks: FilmLook[] = [];
  for (const { modelId, films } of seen) {
    const airOf = airsOf(world, modelId, fromMin, nowMin);
    for (const film of films) {
      const climate = airOf(film.regionId);
      const top = film.coats.at(-1)!;
      const same = labels.get(film.canId) === labelOf(top.product);
      const key = keyOf(film, climate, same);
      const look = known.get(key) ?? filmLook(film, inAir(climate), same);
      if (known.size >= MOST_KEPT) known.clear();
      known.set(key, look);
      looks.push(look);
    }
  }
  looks.sort((a, b) => a.seenMin - b.seenMin);
  const ids = new Set<string>(world.products.keys());
  for (const l of looks) ids.add(l.productId);
  const counted = telling(looks);
  return { looks, paces: counted.length === 0 ? new Map<string, Pace>() : pacesOf(counted, [...ids]) };
}

const earliestOf = (films: readonly SeenFilm[]): number =>
  films.reduce((first, f) => Math.min(first, f.coats[0]!.endMin), Number.POSITIVE_INFINITY);

interface FilmsKept {
  readonly cans: Untaught["cans"];
  readonly cards: Cards;
  readonly sinceMin: number;
  readonly films: readonly SeenFilm[];
}
const filmsKept = new WeakMap<readonly LogEntry[], FilmsKept>();

/** Films of one log that were looked at; gone through again only when it, the cans or the day have changed. */
function filmsOf(log: readonly LogEntry[], { cans, cards }: Untaught, sinceMin: number): readonly SeenFilm[] {
  const before = filmsKept.get(log);
  if (before && before.cans === cans && before.cards === cards && before.sinceMin === sinceMin) return before.films;
  const since = new Date(sinceMin * MS_PER_MIN).toISOString();
  const events = log.filter((e) => e.at > since).map((e) => eventOf(e, cards));
  const cardOf = (laid: Laid): Product | null => laid.card ?? cans.get(laid.productId) ?? null;
  const films = events.length === 0 ? [] : seenFilms(events, fold(events), { cardOf });
  filmsKept.set(log, { cans, cards, sinceMin, films });
  return films;
}

const inAir = (climate: Climate) => ({
  clockOf: (_: string, fromMin: number, toMin: number) => prefixClock(climate, fromMin, toMin),
  airIsSane: (_: string, fromMin: number, toMin: number) =>
    climate.points.every(
      (p) => p.atMin < fromMin || p.atMin > toMin || (p.tempC >= SANE.leastC && p.tempC <= SANE.mostC),
    ),
});

/** The air of each region of a model over all films there are. */
function airsOf(
  { shopState, readings, forecast, locals, trees }: Untaught,
  modelId: string,
  fromMin: number,
  nowMin: number,
): (regionId: string) => Climate {
  const air: AirSources = { readings, forecast, locals: locals.get(modelId) ?? [] };
  const day = (min: number) => Math.floor(min / MIN_PER_DAY) * MIN_PER_DAY;
  const { climate } = climateOf(shopState.shop, air, day(fromMin), day(nowMin) + 2 * MIN_PER_DAY);
  const local = localClimates(climate, air, trees.get(modelId) ?? []);
  return (regionId) => local.get(regionId) ?? climate;
}

/** What a look is reckoned from, as text: its film, its hours, its label and the air there was. */
function keyOf(film: SeenFilm, climate: Climate, same: boolean): string {
  const { id, afterMin, byMin, atMin, leftOut, coats } = film;
  const fromMin = coats[0]!.endMin;
  const toMin = Math.max(coats.at(-1)!.endMin, afterMin ?? 0, byMin ?? 0, atMin ?? 0);
  return JSON.stringify([
    [id, film.regionId, afterMin, byMin, atMin, leftOut, same],
    coats.map((c) => [c.product.id, c.wftUm, c.endMin, c.product.label]),
    airBetween(climate, fromMin, toMin),
  ]);
}

/** The air of a span as one number that another air would hardly have. */
function airBetween({ points }: Climate, fromMin: number, toMin: number): number {
  let sum = 0;
  for (let i = Math.max(0, pointBefore(points, fromMin)); i < points.length; i++) {
    const p = points[i]!;
    sum =
      (Math.imul(sum, 31) +
        Math.round(p.tempC * 20) +
        7919 * Math.round(p.rhPct * 5) +
        104_729 * Math.round(p.airflowMS * 50)) |
      0;
    if (p.atMin > toMin) break;
  }
  return sum;
}
