import { type Milestone, type OpKey, opIds, type PrepStep, prepStepOf, readKey } from "../model";
import { type BenchEvent, type Deed, type EventOf, isSaying, SIGN_LACKS } from "./event";
import { type Face, faceOf, mendWorkId } from "./lying";
import { type Look, looksOf, type Report, reportsOf } from "./reports";

/** What the log says of one operation. Coats done in one go: `coats` of `wftUm` each. */
export interface OpRecord {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number | null;
  readonly coats: number | null;
  readonly wftUm: number | null;
}

/** The last look at an operation that waits. */
interface Found {
  readonly opId: string;
  readonly atMin: number;
  readonly lacks: Milestone | null;
  /** it was time: nothing of its wait is left */
  readonly ready?: true;
}

/** What a log comes to. */
export interface History {
  /** everything nobody has unsaid, in the order it was told */
  readonly standing: readonly Deed[];
  /** by operation: when it was begun, and done with what; one that is open has no end. What a strip undid is not among them */
  readonly records: readonly OpRecord[];
  /** the last look at each operation that waits */
  readonly notYet: readonly Found[];
  /** what lies on each face that anything was done to, by region */
  readonly faces: ReadonlyMap<string, Face>;
  /** what went wrong, oldest first */
  readonly reports: readonly Report[];
  /** looks with what they found, oldest first */
  readonly looks: readonly Look[];
}

/**
 * The one reading of the log:
 *
 *   told ──1 unsay──► what stands ──2 strip──► what still holds ──3──► records, faces, looks
 *
 * Later events speak louder, and "taken back" unsays the last thing of its operation that still stands; where none does it says nothing.
 */
export function fold(events: readonly BenchEvent[]): History {
  const standing: Deed[] = [];
  const looks = new Map<string, History["notYet"][number]>();
  for (const e of events) {
    if (e.kind === "not-yet")
      looks.set(e.opId, { opId: e.opId, atMin: e.atMin, lacks: e.sign === null ? null : SIGN_LACKS[e.sign] });
    else if (e.kind === "ready") looks.set(e.opId, { opId: e.opId, atMin: e.atMin, lacks: null, ready: true });
    else if (e.kind === "taken-back") {
      const at = standing.findLastIndex((d) => d.opId === e.opId);
      if (at >= 0) standing.splice(at, 1);
    } else if (!isSaying(e)) standing.push(e);
  }
  const reports = reportsOf(events, standing);
  const { holds, strippedMin } = withoutStripped(withoutWithdrawn(standing, reports));
  const faces = new Map<string, Deed[]>();
  for (const d of holds) {
    const own = faces.get(d.regionId);
    if (own) own.push(d);
    else faces.set(d.regionId, [d]);
  }
  return {
    standing,
    records: recordsOf(holds),
    notYet: [...looks.values()].filter((l) => l.atMin > (strippedMin.get(l.opId) ?? Number.NEGATIVE_INFINITY)),
    faces: new Map([...faces].map(([regionId, deeds]) => [regionId, faceOf(deeds)])),
    reports,
    looks: looksOf(events),
  };
}

/** Mends of reports that were none keep what is done of them, and nothing else. */
function withoutWithdrawn(standing: readonly Deed[], reports: readonly Report[]): readonly Deed[] {
  const gone = new Set(reports.filter((r) => r.withdrawn).map((r) => r.id));
  if (gone.size === 0) return standing;
  const touched = new Set(standing.map((d) => d.opId));
  return standing.map((d) => (d.kind === "mended" && gone.has(d.reportId ?? "") ? onlyDone(d, touched) : d));
}

/** What of a mend was begun by the log. */
function onlyDone(d: EventOf<"mended">, touched: ReadonlySet<string>): EventOf<"mended"> {
  const { works, rub, cut, layers } = d.mend;
  const begun = (layerId: string) => [...touched].some((id) => readKey(id)?.subjectId === layerId);
  const kept = layers.filter((l) => begun(l.id));
  // a work is named by its place in the row: what stands before one that was done stays
  const last = works.findLastIndex((_, n) => touched.has(mendWorkId(d, n)));
  return {
    ...d,
    mend: {
      ...d.mend,
      works: works.slice(0, last + 1),
      rub: rub && touched.has(opIds.sand(rub.layerId)) ? rub : null,
      cut: kept.length > 0 ? cut : null,
      layers: kept,
    },
  };
}

/** Getting a face ready that has to be done again once its paint is off; lamps and drilled holes stay as they are. */
const UNDONE_BY_STRIP: ReadonlySet<string> = new Set<PrepStep>([
  "degrease",
  "wash",
  "dry",
  "key",
  "dust-off",
  "rinse",
  "wipe",
  "blow-out",
  "tack-off",
]);

/** Deeds whose film is still there. @returns also when each operation was undone, for looks at it */
function withoutStripped(standing: readonly Deed[]): { holds: readonly Deed[]; strippedMin: Map<string, number> } {
  const strippedMin = new Map<string, number>();
  let holds: Deed[] = [];
  for (const d of standing) {
    // one that is only asked for counts too: what is planned is what comes after it, and nothing else comes before
    for (const downTo of stripsOf(d)) {
      const gone = undoneBy(holds, d.regionId, downTo);
      for (const g of gone) strippedMin.set(g.opId, d.atMin);
      holds = holds.filter((h) => !gone.has(h)).map((h) => (h.regionId === d.regionId ? unmended(h, gone) : h));
    }
    holds.push(d);
  }
  return { holds, strippedMin };
}

/** Down to which layers a deed strips. */
function stripsOf(d: Deed): readonly (string | null)[] {
  const works = d.kind === "worked" || d.kind === "asked" ? [d.work] : d.kind === "mended" ? d.mend.works : [];
  return works.flatMap((w) => (w.kind === "strip" ? [w.downTo] : []));
}

/** A mend whose own layers came off again. */
function unmended(d: Deed, gone: ReadonlySet<Deed>): Deed {
  if (d.kind !== "mended" || d.mend.layers.length === 0) return d;
  const off = new Set([...gone].map(layerIn));
  // what was to follow on one that came off is not laid either
  const first = d.mend.layers.findIndex((l) => off.has(l.id));
  const layers = first < 0 ? d.mend.layers : d.mend.layers.slice(0, first);
  return layers.length === d.mend.layers.length ? d : { ...d, mend: { ...d.mend, layers } };
}

/** What a strip takes with it: the layers above the one that stays, all that was done to them, and, down to the material, its readying. */
function undoneBy(holds: readonly Deed[], regionId: string, downTo: string | null): ReadonlySet<Deed> {
  const own = holds.filter((h) => h.regionId === regionId);
  const lying = faceOf(own).layers.map((l) => l.layerId);
  const stays = new Set(downTo === null ? [] : lying.slice(0, lying.indexOf(downTo) + 1));
  const firstGone = own.findIndex((h) => layerIn(h) !== null && !stays.has(layerIn(h)!));
  return new Set(
    own.filter((h, i) => {
      const layerId = layerIn(h);
      if (layerId !== null) return !stays.has(layerId);
      if (h.kind === "worked" || h.kind === "asked") return h.work.kind !== "strip" && firstGone >= 0 && i > firstGone;
      if (h.kind === "mended") return h.mend.over === null || !stays.has(h.mend.over);
      const key = readKey(h.opId);
      if (downTo !== null || key === null) return false;
      return GONE_WITH_PAINT.has(key.kind) || (key.kind === "prep" && UNDONE_BY_STRIP.has(prepStepOf(key.arg!) ?? ""));
    }),
  );
}

/** Done for the paint that is gone. */
const GONE_WITH_PAINT: ReadonlySet<OpKey["kind"]> = new Set<OpKey["kind"]>(["bare", "hold", "touch-in"]);

const OF_LAYER: Readonly<Record<OpKey["kind"], boolean>> = {
  prep: false,
  before: true,
  coat: true,
  sand: true,
  use: true,
  inspect: true,
  mask: true,
  unmask: true,
  bare: false,
  fit: false,
  dress: false,
  hold: false,
  "touch-in": false,
  guide: true,
  extra: false,
  gauge: false,
  note: false,
  mend: false,
};

/** The user's own layer a deed was done to; null = it was done to the region or the part. */
function layerIn(d: Deed): string | null {
  if (d.kind === "measured") return d.layerId;
  const key = readKey(d.opId);
  return key !== null && OF_LAYER[key.kind] ? key.subjectId : null;
}

function recordsOf(deeds: readonly Deed[]): readonly OpRecord[] {
  const records = new Map<string, OpRecord>();
  for (const d of deeds) {
    const { opId, atMin } = d;
    const begun = records.get(opId)?.startMin ?? atMin;
    const bare = { opId, coats: null, wftUm: null };
    if (d.kind === "started") records.set(opId, { ...bare, startMin: atMin, endMin: null });
    if (d.kind === "worked") records.set(opId, { ...bare, startMin: atMin, endMin: atMin });
    if (d.kind === "done")
      records.set(opId, {
        opId,
        startMin: Math.min(begun, atMin),
        endMin: atMin,
        coats: d.coats,
        wftUm: d.wftUm,
      });
  }
  return [...records.values()];
}

/** The last thing that stands of each region: the one that can still be unsaid. */
export function lastStanding({ standing, reports }: History): ReadonlyMap<string, Deed> {
  // a mend whose report was none is nothing that could be unsaid
  const none = new Set(reports.filter((r) => r.withdrawn).map((r) => r.id));
  const stands = (d: Deed) => d.kind !== "mended" || !none.has(d.reportId ?? "");
  return new Map(standing.filter(stands).map((d) => [d.regionId, d]));
}
