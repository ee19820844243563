import { type EntryOf, failed, invalid, type Outcome, type RegionNode, type ToldInput, toldSchema } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { Face } from "@/core/history";
import { type ExtraWork, opIds, type Region } from "@/core/model";
import { wetOnly } from "@/core/policy";
import { nowMs } from "../clock";
import { notFound, writing } from "../guard";
import { newId } from "../ids";
import { snapshotOf } from "../workspace/snapshot";
import { entryBase, record } from "./bench";

type Told = EntryOf<"asked"> | EntryOf<"worked"> | EntryOf<"measured">;

/** Something done to a face, or wanted, that no step of its pile asks for; or what a gauge showed. The plan follows. */
export function tell(
  regionId: string,
  input: unknown,
  titleOf: (told: ToldInput, part: string) => string,
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
    const fault = faultOf(told, home.node, face, nowMs() / MS_PER_MIN);
    if (fault) return failed("refused", `${fault.path}: ${fault.message}.`, [fault]);
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

interface Fault {
  readonly path: string;
  readonly message: string;
}

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
