import { writeSync } from "node:fs";
import { seededRandom } from "@/core/base";
import { logTitle, toldTitle } from "@/messages";
import * as server from "@/server";
import type { StormKind } from "./storm";

/**
 * A bench that is about to lose its power: it does one kind of work over and over, and says on its standard output what was
 * acknowledged, a line each. Run as a process of its own, so that it can be killed.
 */
const random = seededRandom(Number(process.argv[2]));
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
const tell = (line: string): void => void writeSync(1, `${line}\n`);
const value = <T>(told: { ok: true; value: T } | { ok: false; problem: { detail: string } }): T => {
  if (!told.ok) throw new Error(told.problem.detail);
  return told.value;
};
const current = (): string => value(server.getModels()).current!.id;

const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
const acknowledged = (told: { ok: boolean; value?: unknown }) => {
  const entry = told.ok ? (told.value as { id?: string } | null) : null;
  if (entry?.id) tell(entry.id);
};

/** Does whatever the tiles offer; where a plan hangs on it, that is made meanwhile. */
function atTheBench(): void {
  const tile = pick(value(server.getBench(current())).tiles);
  const opId = tile.op?.id;
  const dice = random();
  if (dice < 0.15)
    acknowledged(
      server.tell(
        tile.regionId,
        { kind: "worked", work: { kind: "wash", how: "rinse" }, minutesAgo: 0, note: "" },
        toldTitle,
        String,
      ),
    );
  else if (dice < 0.25)
    acknowledged(
      server.tell(tile.regionId, { kind: "asked", work: { kind: "strip", downTo: null }, note: "" }, toldTitle, String),
    );
  else if (dice < 0.35 && opId) server.takeBack(tile.regionId, opId);
  else if (opId && tile.zone === "in-hand") acknowledged(server.finishOp(tile.regionId, { ...DONE, opId }, logTitle));
  else if (opId) acknowledged(server.startOp(tile.regionId, { opId, reason: "the power may fail" }, logTitle, String));
}

/** Brings the model in as a copy of itself, and the shelf over the shelf with one word changed in every product. */
function bringingIn(): void {
  if (random() < 0.5) {
    const text = value(server.exportDocument(current(), false));
    tell(`model ${value(server.importText(text, { onExisting: "copy", takeShop: false })).modelId}`);
    return;
  }
  const word = `run ${Math.floor(random() * 1e9)}`;
  const shelf = JSON.parse(value(server.exportShelf("json"))) as { products: Record<string, unknown>[] };
  for (const p of shelf.products) p.note = word;
  value(server.importShelf(JSON.stringify(shelf), "json", "replace"));
  tell(`shelf ${word}`);
}

/** Copies, and copies put back, each time over a shelf that says which it is. */
function copying(): void {
  const { backups } = value(server.makeBackup());
  tell(`copy ${backups[0]!.name}`);
  bringingIn();
  if (random() < 0.5) {
    value(server.putBackupBack(backups[0]!.name));
    tell(`back ${backups[0]!.name}`);
  }
}

const WORK: Readonly<Record<StormKind, () => void>> = {
  bench: atTheBench,
  imports: bringingIn,
  copies: copying,
  // opening is the work: it is brought up to this program's shape
  opening: () => tell(`open ${current()}`),
};
const work = WORK[process.argv[3] as StormKind];
for (;;) work();
