import type { FaceView, LessonView, MarkView } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { type FaceMend, isOpenReport, movesNoPlan, type Report, taughtBy } from "@/core/history";
import { BARE_FACE, CAUSES, type FaceNow, RECIPES, type RecipeId } from "@/core/mishap";
import { isOneOf, type Product } from "@/core/model";
import { type Diagnosis, diagnose, faceAt, faceNow, type ToldMishap } from "@/core/plan";
import type { ModelSnapshot, Snapshot } from "./snapshot";

/** A mend is named after the entry that puts it in; one that is only weighed has no entry yet. */
export const WEIGHED = "weighed";

export const causeOf = new Map(CAUSES.map((c) => [c.id, c]));
const isRecipe = isOneOf(RECIPES);

/** Ways a face was mended before, by any report of the same sign. */
export const triedOn = (reports: readonly Report[], r: Pick<Report, "regionId" | "sign">): readonly RecipeId[] =>
  reports
    .filter((x) => x.regionId === r.regionId && x.sign === r.sign && !x.withdrawn)
    .flatMap((x) => x.recipes.filter(isRecipe));

/** What the shelf has, best first for a mend: what is used on this model, then the rest. */
function shelfFor(m: ModelSnapshot, s: Snapshot): readonly Product[] {
  const used = new Set(m.tree.flatMap((p) => p.regions.flatMap((r) => r.stack.layers.map((l) => l.productId))));
  const all = s.data.shelf.map((i) => s.productOf(i.product.id)).filter((p) => p.owned !== false);
  return [...all.filter((p) => used.has(p.id)), ...all.filter((p) => !used.has(p.id))];
}

const toldOf = (m: ModelSnapshot, s: Snapshot, r: Report, mendId = WEIGHED): ToldMishap => ({
  regionId: r.regionId,
  sign: r.sign,
  extent: r.extent,
  place: r.place,
  atMin: r.atMin,
  answers: r.answers,
  tried: triedOn(
    m.history.reports.filter((x) => x.atMin <= r.atMin),
    r,
  ),
  mendId,
  shelf: shelfFor(m, s),
});

/** Something was done to the face after a moment, ms since 1970: what lies there is not what lay there then. */
const workedOnSince = (m: ModelSnapshot, regionId: string, atMs: number): boolean =>
  m.sources.log.some((e) => e.regionId === regionId && Date.parse(e.at) > atMs && !movesNoPlan(e.kind));

/** A report explained by what lay there when it showed, and mended over what lies there now. */
export function diagnosed(m: ModelSnapshot, s: Snapshot, r: Report, mendId = WEIGHED): Diagnosis | null {
  const atMs = Math.round(r.atMin * MS_PER_MIN);
  const before = workedOnSince(m, r.regionId, atMs) ? m.inputAt(atMs) : m.input;
  return diagnose(m.input, toldOf(m, s, r, mendId), before);
}

/** Films have their times whatever the minute: kept until something is laid, or air or cans change. */
const holder = globalThis as unknown as { elmBenchFaces?: Map<string, FaceNow> };
const MOST_KEPT = 2000;

export function faceOf(m: ModelSnapshot, regionId: string, nowMin: number): FaceNow {
  holder.elmBenchFaces ??= new Map();
  const known = holder.elmBenchFaces;
  const key = m.filmKey(regionId);
  const own = known.get(key);
  if (own) return own;
  if (known.size > MOST_KEPT) known.clear();
  const at = faceAt(m.input, regionId, nowMin, m.judgePile);
  const face = at === null ? BARE_FACE : faceNow(at);
  known.set(key, face);
  return face;
}

/** Marks of a face that are still there, in the order they were seen. */
export function marksOn(m: ModelSnapshot, regionId: string): readonly MarkView[] {
  const photos = photosOf(m);
  return m.history.looks
    .filter((l) => l.regionId === regionId)
    .flatMap((l) =>
      l.marks
        .filter((k) => k.closed === null)
        .map(
          (k): MarkView => ({
            ...k,
            lookId: l.id,
            atMin: l.atMin,
            layerId: l.layerId,
            photo: photos.get(l.id) ?? null,
          }),
        ),
    );
}

export function faceView(m: ModelSnapshot, regionId: string, nowMin: number): FaceView {
  const reports = m.history.reports.filter((r) => r.regionId === regionId && isOpenReport(r));
  const photos = photosOf(m);
  const seen = m.history.looks.filter((l) => l.regionId === regionId).flatMap((l) => photos.get(l.id) ?? []);
  return {
    face: faceOf(m, regionId, nowMin),
    reports: [...reports]
      .reverse()
      .map((r) => ({ id: r.id, sign: r.sign, atMin: r.atMin, mended: r.recipes.length > 0 })),
    marks: marksOn(m, regionId),
    photo: seen.at(-1) ?? null,
  };
}

/** Pictures of looks and reports, by their entry. */
const photosOf = (m: ModelSnapshot): ReadonlyMap<string, string> =>
  new Map(m.sources.log.flatMap((e) => ("photo" in e && e.photo ? [[e.id, e.photo] as const] : [])));

/** What the mishaps of every model taught, newest first. */
export function lessonsOf(s: Snapshot): readonly LessonView[] {
  return s.data.models
    .flatMap((head) => {
      const m = s.model(head.id);
      return m ? lessonsIn(m, s) : [];
    })
    .sort((a, b) => b.atMin - a.atMin);
}

function lessonsIn(m: ModelSnapshot, s: Snapshot): readonly LessonView[] {
  return m.history.reports.flatMap((r): LessonView[] => {
    const cause = causeOf.get(taughtBy(r) ?? "");
    const home = s.home(r.regionId);
    if (!cause || !home) return [];
    const layers = m.input.regions.find((x) => x.region.id === r.regionId)?.stack.layers ?? [];
    const at = layers.findIndex((l) => l.id === r.layerId);
    return [
      {
        reportId: r.id,
        modelId: m.head.id,
        regionId: r.regionId,
        cause: cause.id,
        sign: r.sign,
        on: cause.lesson.on,
        shift: cause.lesson.shift,
        atMin: r.atMin,
        where: home.part.name,
        productId: layers[at]?.productId ?? null,
        belowId: layers[at - 1]?.productId ?? null,
        material: home.node.region.material,
      },
    ];
  });
}

/** Layers that mends put into a pile. */
export const mendedLayers = (mends: readonly FaceMend[]) =>
  mends.flatMap((mend) => mend.layers.map((layer) => ({ over: mend.over, layer })));
