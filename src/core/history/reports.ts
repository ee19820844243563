import type { MishapExtent, MishapSign } from "../model";
import type { BenchEvent, Deed, Mark } from "./event";

/** Something that went wrong, with all that was said of it since. */
export interface Report {
  readonly id: string;
  readonly regionId: string;
  readonly atMin: number;
  readonly sign: MishapSign;
  /** uppermost layer then; null = nothing lay there */
  readonly layerId: string | null;
  readonly extent: MishapExtent;
  readonly place: string | null;
  readonly answers: ReadonlyMap<string, boolean>;
  readonly withdrawn: boolean;
  /** absent = it is open; null = closed, and nobody knows what it was */
  readonly cause?: string | null | undefined;
  /** its lesson was struck out */
  readonly struck: boolean;
  /** ways it was mended, oldest first */
  readonly recipes: readonly string[];
}

/** Nobody has closed it, or said that it was nothing. */
export const isOpenReport = (r: Report): boolean => !r.withdrawn && r.cause === undefined;
/** The cause a closed report teaches by; null = it is open, was nothing, nobody knows, or its lesson was struck out. */
export const taughtBy = (r: Report): string | null => (r.withdrawn || r.struck ? null : (r.cause ?? null));

/** A look at a face. */
export interface Look {
  readonly id: string;
  readonly regionId: string;
  readonly atMin: number;
  readonly layerId: string | null;
  readonly marks: readonly SeenMark[];
}
export interface SeenMark extends Mark {
  /** null = it is still there */
  readonly closed: { readonly atMin: number; readonly byOpId: string | null } | null;
}

type Growing = { -readonly [K in keyof Report]: Report[K] };

/** Reports with what was said of each, oldest first. */
export function reportsOf(events: readonly BenchEvent[], standing: readonly Deed[]): readonly Report[] {
  const reports = new Map<string, Growing>();
  for (const e of events) {
    if (e.kind === "reported") {
      const { id, regionId, atMin, sign, layerId, extent, place } = e;
      const told = { id, regionId, atMin, sign, layerId, extent, place };
      reports.set(id, { ...told, answers: new Map(), withdrawn: false, struck: false, recipes: [] });
    }
    const own = "reportId" in e && e.reportId !== null ? reports.get(e.reportId) : undefined;
    if (!own) continue;
    if (e.kind === "amended") Object.assign(own, { extent: e.extent, place: e.place });
    if (e.kind === "answered") own.answers = new Map([...own.answers, [e.fact, e.yes]]);
    if (e.kind === "withdrawn") own.withdrawn = true;
    if (e.kind === "settled") own.cause = e.cause;
    if (e.kind === "struck") own.struck = true;
  }
  for (const d of standing) {
    const own = d.kind === "mended" && d.reportId !== null ? reports.get(d.reportId) : undefined;
    if (own && d.kind === "mended") own.recipes = [...own.recipes, d.recipe];
  }
  return [...reports.values()];
}

export function looksOf(events: readonly BenchEvent[]): readonly Look[] {
  const closed = new Map<string, NonNullable<SeenMark["closed"]>>();
  for (const e of events)
    if (e.kind === "closed") for (const id of e.markIds) closed.set(id, { atMin: e.atMin, byOpId: e.byOpId });
  return events.flatMap((e) =>
    e.kind === "looked"
      ? [
          {
            id: e.id,
            regionId: e.regionId,
            atMin: e.atMin,
            layerId: e.layerId,
            marks: e.marks.map((m) => ({ ...m, closed: closed.get(m.id) ?? null })),
          },
        ]
      : [],
  );
}
