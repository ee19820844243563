/** What the log tells of waits: every film that was looked at, when it was not there yet and when it was, against the film model. */

import { MIN_PER_DAY } from "../base";
import { type AppliedCoat, milestoneAfter, progressAt, type WaitClock } from "../film";
import {
  type BenchEvent,
  type Deed,
  type EventOf,
  type History,
  isOpenReport,
  type Laid,
  mendWorkId,
  SIGN_LACKS,
} from "../history";
import type { Look } from "../learning";
import { type ExtraWork, type Milestone, type OpKey, type Product, readKey } from "../model";
import { ownGapMilestone } from "../reference";

/** Why a look teaches nothing. */
export type LeftOut = "struck" | "before-coat" | "backwards" | "thickness" | "air" | "late" | "early";

/** All that was seen of one film's coming to one milestone. */
export interface FilmLook extends Look {
  /** the film and the milestone, as text */
  readonly id: string;
  readonly regionId: string;
  /** the last of its coats */
  readonly opId: string;
  readonly milestone: Milestone;
  /** the can it came out of, by its own id whatever its label says by now */
  readonly canId: string;
  /** when its last coat was done */
  readonly filmMin: number;
  /** when it was last looked at */
  readonly seenMin: number;
  /** of the wet film of a coat, µm */
  readonly wftUm: number;
  /** null = it counts */
  readonly leftOut: LeftOut | null;
}

export interface WitnessWorld {
  /** what a coat was laid with, as its card was then; null = nobody knows it */
  readonly cardOf: (laid: Laid) => Product | null;
  /** the clock of a region's air over a span, absolute minutes */
  readonly clockOf: (regionId: string, fromMin: number, toMin: number) => WaitClock;
  /** the air of a region then was one that a thermometer can show */
  readonly airIsSane: (regionId: string, fromMin: number, toMin: number) => boolean;
}

/** Films as they were laid and looked at, before anything is reckoned. */
export interface SeenFilm {
  readonly id: string;
  readonly regionId: string;
  readonly opId: string;
  readonly milestone: Milestone;
  /** all that lies there, oldest first, the film itself last */
  readonly coats: readonly AppliedCoat[];
  readonly canId: string;
  /** not yet then, absolute minutes; the latest of such looks */
  readonly afterMin: number | null;
  /** ready then; the first of such looks */
  readonly byMin: number | null;
  /** seen as it turned */
  readonly atMin: number | null;
  readonly leftOut: LeftOut | null;
}

/** Films laid so long before weigh on no other any more, days. */
const PILE_DAYS = 90;
const MOST_COATS = 12;
/** Nobody lays so much, or so little, of a label's wet film. */
const FILM_OF_LABEL = { least: 0.1, most: 5 } as const;
/** Looked at in the minute the coat was done, nothing was waited for. */
const SOONEST_MIN = 1;
/** A look so late or so early, in reckoned waits, tells nothing any more. */
const TELLS = { least: 0.05, most: 20 } as const;

/** Confirmed causes that say a film was not there yet: which one, of what, and by which work. */
const TOO_SOON: Readonly<
  Record<string, { readonly milestone: Milestone; readonly when: "laid-over" | "rubbed" | "masked" | "reported" }>
> = {
  "lifting.too-soon": { milestone: "recoat", when: "laid-over" },
  "clogging.not-through": { milestone: "sandable", when: "reported" },
  "sunken.levelled-soon": { milestone: "sandable", when: "rubbed" },
  "rubbed-through.soft-film": { milestone: "sandable", when: "rubbed" },
  "touched.too-soon": { milestone: "handle", when: "reported" },
};

type Sighting = EventOf<"not-yet"> | EventOf<"ready">;
const isSighting = (e: BenchEvent): e is Sighting => e.kind === "not-yet" || e.kind === "ready";

interface Film {
  readonly opId: string;
  readonly key: OpKey;
  readonly laid: Laid;
  readonly product: Product;
  readonly coats: readonly AppliedCoat[];
  readonly endMin: number;
  rubbedMin: number | null;
}

type Growing = { -readonly [K in keyof SeenFilm]: SeenFilm[K] };

/** Goes through one log. @param heeded looks somebody struck out or took in again are told by the log itself */
export function seenFilms(
  events: readonly BenchEvent[],
  { standing, reports }: Pick<History, "standing" | "reports">,
  { cardOf }: Pick<WitnessWorld, "cardOf">,
): readonly SeenFilm[] {
  const struck = new Map<string, boolean>();
  for (const e of events) if (e.kind === "heeded") struck.set(e.lookId, !e.yes);
  const byRegion = new Map<string, (Deed | Sighting)[]>();
  const sightings = events.filter(isSighting);
  for (const e of [...standing, ...sightings]) {
    const own = byRegion.get(e.regionId);
    if (own) own.push(e);
    else byRegion.set(e.regionId, [e]);
  }
  const soon = new Map<string, { readonly atMin: number; readonly cause: string }[]>();
  for (const r of reports) {
    if (isOpenReport(r) || r.withdrawn || r.struck || !r.cause || !TOO_SOON[r.cause]) continue;
    soon.set(r.regionId, [...(soon.get(r.regionId) ?? []), { atMin: r.atMin, cause: r.cause }]);
  }
  const all: SeenFilm[] = [];
  for (const [regionId, told] of byRegion) {
    const region = new RegionLooks(regionId, cardOf);
    // told in the order it happened: what was put in later stands where it belongs
    for (const e of [...told].sort((a, b) => a.atMin - b.atMin)) region.take(e);
    for (const s of soon.get(regionId) ?? []) region.wasTooSoon(s.cause, s.atMin);
    all.push(...region.seen());
  }
  return all.map((f) => (struck.get(f.id) ? { ...f, leftOut: "struck" } : f));
}

/** One region's films, in the order they were laid, and what was seen of them. */
class RegionLooks {
  private readonly films: Film[] = [];
  private readonly found = new Map<string, Growing>();
  private readonly begun = new Map<string, number>();
  /** extra work by the operation it is done as */
  private readonly asked = new Map<string, ExtraWork>();

  constructor(
    private readonly regionId: string,
    private readonly cardOf: WitnessWorld["cardOf"],
  ) {}

  take(e: Deed | Sighting): void {
    const key = readKey(e.opId);
    if (e.kind === "not-yet" || e.kind === "ready") {
      this.sighted(e, key);
      return;
    }
    if (e.kind === "worked") this.worked(e.work, e.atMin);
    if (e.kind === "asked") this.asked.set(e.opId, e.work);
    if (e.kind === "mended") for (const [n, work] of e.mend.works.entries()) this.asked.set(mendWorkId(e, n), work);
    if (key === null || (e.kind !== "started" && e.kind !== "done")) return;
    if (e.kind === "started" || !this.begun.has(e.opId)) this.beginsWell(key, e.atMin);
    if (e.kind === "started") this.begun.set(e.opId, e.atMin);
    if (e.kind !== "done") return;
    const work = this.asked.get(e.opId);
    if (work) this.worked(work, this.begun.get(e.opId) ?? e.atMin);
    if (key.kind === "sand") for (const f of this.films.slice(-1)) f.rubbedMin = e.atMin;
    if (key.kind === "coat" && key.turn === null) this.laid(e, key);
  }

  /** Work no layer asked for: a rub tells like any other, and what was stripped lies there no more. */
  private worked(work: ExtraWork, atMin: number): void {
    if (work.kind === "rub") this.passed("sandable", atMin);
    if (work.kind === "strip") this.films.length = 0;
  }

  private laid(e: EventOf<"done">, key: OpKey): void {
    const product = e.laid ? this.cardOf(e.laid) : null;
    if (!e.laid || !product) return;
    const coat: AppliedCoat = { product, wftUm: e.wftUm ?? product.label.wftUm, endMin: e.atMin };
    const below = this.films.at(-1)?.coats.filter((c) => c.endMin > e.atMin - PILE_DAYS * MIN_PER_DAY) ?? [];
    const coats = [...below, ...Array<AppliedCoat>(e.coats ?? 1).fill(coat)].slice(-MOST_COATS);
    this.films.push({ opId: e.opId, key, laid: e.laid, product, coats, endMin: e.atMin, rubbedMin: null });
  }

  /** Work that was begun and went well: what it waits for was there by then. */
  private beginsWell(key: OpKey, atMin: number): void {
    const top = this.topAt(atMin);
    const milestone = top && askedBy(key, top);
    if (milestone) this.passed(milestone, atMin);
  }

  private passed(milestone: Milestone, atMin: number): void {
    const top = this.topAt(atMin);
    if (!top) return;
    const own = this.lookAt(top, milestone);
    // afterwards nothing new is told of it; what was seen before the work was begun is the nearer bound
    if (own.byMin === null && own.atMin === null && (own.afterMin === null || own.afterMin < atMin)) own.byMin = atMin;
  }

  private sighted(e: Sighting, key: OpKey | null): void {
    const top = this.films.at(-1);
    if (!top || key === null) return;
    const milestone =
      e.kind === "ready" || e.sign === null || e.sign === "other" ? askedBy(key, top) : SIGN_LACKS[e.sign];
    if (milestone === null) return;
    const own = this.lookAt(top, milestone);
    if (e.atMin < top.endMin + SOONEST_MIN) own.leftOut = "before-coat";
    else if (e.kind === "not-yet") {
      own.afterMin = Math.max(own.afterMin ?? e.atMin, e.atMin);
      // it was begun, and then found not to be there: that it was begun proves nothing
      if (own.byMin !== null && own.byMin <= e.atMin) own.byMin = null;
      own.atMin = null;
    } else if (own.afterMin !== null && own.afterMin >= e.atMin) own.leftOut = "backwards";
    else if (e.turned) own.atMin = e.atMin;
    else own.byMin = Math.min(own.byMin ?? e.atMin, e.atMin);
  }

  /** A report's confirmed cause: that film was not there when the work was done on it. */
  wasTooSoon(cause: string, reportMin: number): void {
    const { milestone, when } = TOO_SOON[cause]!;
    const before = this.films.filter((f) => f.endMin <= reportMin);
    const top = before.at(-1);
    if (!top) return;
    const film =
      when === "laid-over"
        ? before.findLast((f) => !sameLayer(f.key, top.key))
        : when === "rubbed"
          ? before.findLast((f) => f.rubbedMin !== null)
          : top;
    if (!film) return;
    const over = before.find((f) => f.endMin > film.endMin && !sameLayer(f.key, film.key));
    const atMin =
      when === "laid-over"
        ? over && (this.begun.get(over.opId) ?? over.endMin)
        : when === "rubbed"
          ? film.rubbedMin
          : reportMin;
    if (atMin == null || atMin <= film.endMin) return;
    const own = this.lookAt(film, milestone);
    own.afterMin = Math.max(own.afterMin ?? atMin, atMin);
    own.byMin = null;
    own.atMin = null;
  }

  private topAt(atMin: number): Film | undefined {
    return this.films.findLast((f) => f.endMin <= atMin);
  }

  private lookAt(film: Film, milestone: Milestone): Growing {
    const id = `${film.opId}@${Math.round(film.endMin)}/${milestone}`;
    const own: Growing = this.found.get(id) ?? {
      id,
      regionId: this.regionId,
      opId: film.opId,
      milestone,
      coats: film.coats,
      canId: film.laid.productId,
      afterMin: null,
      byMin: null,
      atMin: null,
      leftOut: null,
    };
    this.found.set(id, own);
    return own;
  }

  seen(): readonly SeenFilm[] {
    return [...this.found.values()].filter(
      (f) => f.leftOut !== null || f.afterMin !== null || f.byMin !== null || f.atMin !== null,
    );
  }
}

const sameLayer = (a: OpKey, b: OpKey): boolean =>
  a.subjectId === b.subjectId && a.round?.n === b.round?.n && a.round?.what === b.round?.what;

/** What a piece of work waits for in the film below it; null = for nothing of it, or nothing that is told apart. */
function askedBy(key: OpKey, film: Film): Milestone | null {
  switch (key.kind) {
    case "coat":
      if (sameLayer(key, film.key)) return ownGapMilestone(film.product);
      // a film that was rubbed has told already, and takes the next by other means
      return film.rubbedMin === null ? "recoat" : null;
    case "sand":
      return "sandable";
    case "mask":
      return "tape-safe";
    case "unmask":
      return "touch";
    case "fit":
    case "hold":
    case "touch-in":
      return "handle";
    default:
      return null;
  }
}

/**
 * What was seen of a film, against what the film model has for it in the air it really had.
 * @param sameLabel the can's label is still what it was: what the look tells is told of the can; else of the shed alone
 */
export function filmLook(film: SeenFilm, world: Omit<WitnessWorld, "cardOf">, sameLabel: boolean): FilmLook {
  const { id, regionId, opId, milestone, coats, canId } = film;
  const top = coats.at(-1)!;
  const filmMin = top.endMin;
  const seen = [film.afterMin, film.byMin, film.atMin].filter((m): m is number => m !== null);
  const seenMin = Math.max(filmMin, ...seen);
  const shell = {
    id,
    regionId,
    opId,
    milestone,
    canId,
    filmMin,
    seenMin,
    wftUm: top.wftUm,
    productId: sameLabel ? canId : asItWas(canId),
  };
  const none = { predictedMin: 1, afterMin: null, byMin: null, atMin: null };
  const out = (leftOut: LeftOut): FilmLook => ({ ...shell, ...none, leftOut });
  const ofLabel = top.wftUm / top.product.label.wftUm;
  if (film.leftOut === "before-coat" || film.leftOut === "backwards") return out(film.leftOut);
  if (!(ofLabel >= FILM_OF_LABEL.least && ofLabel <= FILM_OF_LABEL.most)) return out("thickness");
  const fromMin = coats[0]!.endMin;
  if (!world.airIsSane(regionId, fromMin, seenMin)) return out("air");
  const clock = world.clockOf(regionId, fromMin, seenMin + 1);
  const ratioAt = (atMin: number | null) => (atMin === null ? null : progressAt(coats, milestone, clock, atMin));
  const [after, by, at] = [film.afterMin, film.byMin, film.atMin].map(ratioAt) as [
    number | null,
    number | null,
    number | null,
  ];
  const ratio = at ?? by ?? after!;
  const reached = milestoneAfter(coats, milestone, clock, 1);
  // beyond the look the air is not asked: there the share of the wait that was over by then tells how long it is
  const predictedMin = Math.max(
    1,
    reached.outcome === "reached"
      ? reached.atMin - filmMin
      : (seenMin - filmMin) / Math.max(TELLS.least, ratioAt(seenMin)!),
  );
  if (ratio < TELLS.least && by === null) return { ...out("early"), predictedMin };
  if (ratio > TELLS.most && after === null) return { ...out("late"), predictedMin };
  const minutes = (r: number | null) => (r === null ? null : r * predictedMin);
  return {
    ...shell,
    predictedMin,
    afterMin: minutes(after !== null && after >= TELLS.least ? after : null),
    byMin: minutes(by !== null && by <= TELLS.most ? by : null),
    atMin: minutes(at),
    leftOut: film.leftOut,
  };
}

/** What a can is learnt of under a label that is not its any more. */
export const asItWas = (canId: string): string => `${canId} as it was`;

/** Those that count. */
export const telling = (looks: readonly FilmLook[]): readonly FilmLook[] =>
  looks.filter((l) => l.leftOut === null && (l.afterMin !== null || l.byMin !== null || l.atMin !== null));
