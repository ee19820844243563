import { done, failed, type Outcome, type PartNode, type Planning } from "@/contracts";
import { readKey, rekey } from "@/core/model";
import {
  type Db,
  insertPart,
  insertRegion,
  modelHead,
  movePartRows,
  readPlanning,
  replaceStack,
  setOverride,
  writePlanning,
} from "@/db";
import { notFound, writing } from "../guard";
import { newId } from "../ids";
import { snapshotOf } from "../workspace/snapshot";

/** Parts copied and given away: the part as it is wanted, without or with what was done to it. */

interface Found {
  readonly modelId: string;
  readonly part: PartNode;
}

function partOf(db: Db, partId: string): Found | null {
  const s = snapshotOf(db);
  for (const [modelId, tree] of s.data.trees) {
    const part = tree.find((p) => p.id === partId);
    if (part) return { modelId, part };
  }
  return null;
}

/** The same part once more, in the same model or another: its faces, piles and reasons, bare again and without history. */
export function copyPart(partId: string, toModelId: string): Outcome<{ id: string }> {
  return writing((db) => {
    const found = partOf(db, partId);
    if (!found) return notFound("The part");
    if (!modelHead(db, toModelId)) return notFound("The model");
    const { part } = found;
    const id = newId("p");
    const name = found.modelId === toModelId ? copyName(part.name) : part.name;
    insertPart(db, toModelId, { id, name, count: part.count, note: part.note, photo: part.photo });
    for (const { region, stack, overrides } of part.regions) {
      const regionId = newId("r");
      const layers = stack.layers.map((l) => ({ ...l, id: newId("y") }));
      insertRegion(db, id, { ...region, id: regionId }, stack);
      replaceStack(db, regionId, 0, { ...stack, layers });
      // a reason goes with its layers under their new ids; one that names none of them stays behind
      for (const { key, reason } of overrides) {
        const own = rekey(key, stack.layers, layers);
        if (own !== null) setOverride(db, regionId, own, reason);
      }
    }
    return done({ id });
  });
}

const MOST_NAME = 80;
const copyName = (name: string): string => `${name.slice(0, MOST_NAME - COPY.length)}${COPY}`;
const COPY = ", once more";

/**
 * The part itself into another model, with its log: whatever was done to it goes along, what was said of it in the plan goes where it
 * can, and what it was to be joined to stays behind.
 */
export function movePart(partId: string, toModelId: string): Outcome<{ unjoined: number }> {
  return writing((db) => {
    const found = partOf(db, partId);
    if (!found) return notFound("The part");
    if (!modelHead(db, toModelId)) return notFound("The model");
    if (found.modelId === toModelId)
      return failed("invalid", "It is in that model already.", [
        { path: "modelId", message: "is where it is already" },
      ]);
    const regionIds = found.part.regions.map((r) => r.region.id);
    const own = new Set([partId, ...regionIds, ...found.part.regions.flatMap((r) => r.stack.layers.map((l) => l.id))]);
    const from = readPlanning(db, found.modelId);
    const to = readPlanning(db, toModelId);
    const { stays, goes, unjoined } = divided(from.planning, own);
    movePartRows(db, { partId, regionIds, toModelId });
    writePlanning(db, found.modelId, stays, from.rev);
    writePlanning(db, toModelId, { ...to.planning, ...joined(to.planning, goes) }, to.rev);
    return done({ unjoined });
  });
}

type Moves = Pick<Planning, "locks" | "minutes" | "rounds" | "fills" | "fillPlaces" | "away" | "batches">;

/** What was said of a part's work, and what of everything else's. */
function divided(
  said: Planning,
  own: ReadonlySet<string>,
): { readonly stays: Planning; readonly goes: Moves; readonly unjoined: number } {
  const isOwn = (key: string) => own.has(readKey(key)?.subjectId ?? key);
  const split = <T>(told: Readonly<Record<string, T>>, mine: boolean): Record<string, T> =>
    Object.fromEntries(Object.entries(told).filter(([k]) => isOwn(k) === mine));
  const sides = (mine: boolean): Moves => ({
    locks: split(said.locks, mine),
    minutes: split(said.minutes, mine),
    rounds: split(said.rounds, mine),
    ...(said.fills ? { fills: split(said.fills, mine) } : {}),
    ...(said.fillPlaces ? { fillPlaces: split(said.fillPlaces, mine) } : {}),
    away: split(said.away, mine),
    // coats sprayed together are one model's work: what is left of a batch has to be two at the least
    batches: said.batches.map((b) => b.filter((id) => isOwn(id) === mine)).filter((b) => b.length > 1),
  });
  const joins = said.joins.filter((j) => !own.has(j.partId) && !own.has(j.ontoId));
  return {
    stays: { ...said, ...sides(false), joins },
    goes: sides(true),
    unjoined: said.joins.length - joins.length,
  };
}

const joined = (to: Planning, more: Moves): Moves => ({
  locks: { ...to.locks, ...more.locks },
  minutes: { ...to.minutes, ...more.minutes },
  rounds: { ...to.rounds, ...more.rounds },
  ...(to.fills || more.fills ? { fills: { ...to.fills, ...more.fills } } : {}),
  ...(to.fillPlaces || more.fillPlaces ? { fillPlaces: { ...to.fillPlaces, ...more.fillPlaces } } : {}),
  away: { ...to.away, ...more.away },
  batches: [...to.batches, ...more.batches],
});
