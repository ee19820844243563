import { type EntryOf, failed, invalid, type Outcome, type RegionNode, type ToldInput, toldSchema } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { comesCovered, type Face } from "@/core/history";
import { type FaceNow, stageAt } from "@/core/mishap";
import { type ExtraWork, opIds, type Region, type Verdict, workedWith } from "@/core/model";
import { wetOnly } from "@/core/policy";
import { STRIP_FACTS } from "@/core/reference";
import { nowMs } from "../clock";
import { notFound, writing } from "../guard";
import { newId } from "../ids";
import { faceOf } from "../workspace/mishaps";
import { snapshotOf } from "../workspace/snapshot";
import { workJudged } from "../workspace/work-judged";
import { entryBase, record } from "./bench";

type Told = EntryOf<"asked"> | EntryOf<"worked"> | EntryOf<"measured">;

/** Something done to a face, or wanted, that no step of its pile asks for; or what a gauge showed. The plan follows. */
export function tell(
  regionId: string,
  input: unknown,
  titleOf: (told: ToldInput, part: string) => string,
  reasonOf: (code: string) => string,
): Outcome<Told> {
  const parsed = toldSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const told = parsed.data;
  return writing((db) => {
    const snapshot = snapshotOf(db);
    const home = snapshot.home(regionId);
    const m = home && snapshot.model(home.modelId);
    if (!home || !m) return notFound("The part");
    const face = m.input.regions.find((r) => r.region.id === regionId)?.face;
    const fault =
      faultOf(told, home.node, face, nowMs() / MS_PER_MIN) ?? dryFault(told, faceOf(m, regionId, snapshot.nowMin));
    if (fault) return failed("refused", `${fault.path}: ${fault.message}.`, [fault]);
    const withId = told.kind === "measured" ? null : workedWith(told.work);
    if (withId !== null && !snapshot.data.products.has(withId)) return notFound("The product");
    // what happened is written down whatever it did; what is asked for is not, where it would ruin the part
    const stop = told.kind === "asked" && workJudged(m, regionId, told.work, nowMs() / MS_PER_MIN).find(isStop);
    if (stop)
      return failed("refused", `Not so: ${reasonOf(stop.code)} Choose another product, or another way.`, [
        { path: "work.withId", message: "harms what it touches" },
      ]);
    const id = newId("l");
    const opId = told.kind === "measured" ? opIds.gauge(regionId, id) : opIds.extra(regionId, id);
    const base = entryBase(snapshot, home.modelId, { regionId, opId, title: titleOf(told, home.part.name) });
    const ago = told.kind === "asked" ? 0 : told.minutesAgo;
    const own = { ...base, id, at: new Date(Date.parse(base.at) - ago * MS_PER_MIN).toISOString(), note: told.note };
    const entry: Told =
      told.kind === "measured"
        ? { ...own, kind: told.kind, layerId: told.layerId, dftUm: told.dftUm }
        : { ...own, kind: told.kind, work: told.work };
    return record(db, home.modelId, entry);
  });
}

const isStop = ({ verdict }: { verdict: Verdict }): boolean => verdict === "stop";

interface Fault {
  readonly path: string;
  readonly message: string;
}

/** Wiping takes off what is wet, and nothing else; what somebody did is written down whatever it was. */
const dryFault = (told: ToldInput, face: FaceNow): Fault | null =>
  told.kind === "asked" &&
  told.work.kind === "strip" &&
  told.work.way === "wiped" &&
  stageAt(face, nowMs() / MS_PER_MIN) !== "wet"
    ? { path: "work.way", message: "it is touch dry: wiping takes it off no more" }
    : null;

function faultOf(told: ToldInput, { region }: RegionNode, face: Face | undefined, nowMin: number): Fault | null {
  if (told.kind !== "measured") return workFault(told, region, face, nowMin);
  return face?.layers.some((l) => l.layerId === told.layerId)
    ? null
    : { path: "layerId", message: "no coat of that layer lies there by the log" };
}

function workFault(
  told: Exclude<ToldInput, { kind: "measured" }>,
  region: Region,
  face: Face | undefined,
  nowMin: number,
): Fault | null {
  const { work } = told;
  if (told.kind === "asked" && work.kind === "rub" && !work.wet && wetOnly(region))
    return { path: "work.wet", message: "its metal or old paint may hold lead: it is rubbed wet, and only wet" };
  if (work.kind !== "strip") return null;
  const way = work.way ?? "by-hand";
  if (told.kind === "asked" && STRIP_FACTS[way].needs === "stripper" && !work.withId)
    return { path: "work.withId", message: "which product strips it? It has to suit what it touches" };
  if ((face?.layers ?? []).length === 0 && work.downTo === null && comesCovered(region)) return null;
  return stripFault(work, face, told.kind === "worked" ? nowMin - told.minutesAgo : nowMin);
}

function stripFault(
  { downTo }: Extract<ExtraWork, { kind: "strip" }>,
  face: Face | undefined,
  atMin: number,
): Fault | null {
  const layers = face?.layers ?? [];
  if (layers.length === 0)
    return { path: "work.kind", message: "nothing lies on it by the log that could be stripped" };
  if (downTo !== null && layers.findIndex((l) => l.layerId === downTo) < 0)
    return { path: "work.downTo", message: "no coat of that layer lies there by the log" };
  if (downTo !== null && layers.at(-1)?.layerId === downTo)
    return { path: "work.downTo", message: "nothing lies over that layer" };
  const lastMin = Math.max(...layers.flatMap((l) => l.coats.map((c) => c.endMin)));
  return atMin < lastMin ? { path: "minutesAgo", message: "its last coat went on after that" } : null;
}
