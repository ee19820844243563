import { writeSync } from "node:fs";
import { seededRandom } from "@/core/base";
import { logTitle, toldTitle } from "@/messages";
import * as server from "@/server";

/**
 * A user at a bench that is about to lose its power: does whatever the tiles offer, and says on its standard output what was
 * acknowledged, entry by entry. Run as a process of its own, so that it can be killed.
 */
const random = seededRandom(Number(process.argv[2]));
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
const acknowledged = (told: { ok: boolean; value?: unknown }) => {
  const entry = told.ok ? (told.value as { id?: string } | null) : null;
  if (entry?.id) writeSync(1, `${entry.id}\n`);
};

function step(modelId: string): void {
  const bench = server.getBench(modelId);
  if (!bench.ok) throw new Error(bench.problem.detail);
  const tile = pick(bench.value.tiles);
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

const models = server.getModels();
if (!models.ok) throw new Error(models.problem.detail);
const modelId = models.value.current!.id;
for (;;) step(modelId);
