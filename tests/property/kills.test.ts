import { spawn } from "node:child_process";
import { once } from "node:events";
import { eventOf, NO_CARDS } from "@/contracts";
import { seededRandom } from "@/core/base";
import { fold } from "@/core/history";
import { closeDb } from "@/db";
import * as server from "@/server";
import { freshStore, must, rawDb } from "../support/store";

const store = freshStore();
const KILLS = process.env.ELM_BENCH_HARD === "1" ? 20 : 2;

/** Works at the bench in a process of its own and kills it amid its writes. @returns the entries it was told are safe */
async function workAndKill(seed: number, afterEntries: number): Promise<readonly string[]> {
  const child = spawn(process.execPath, ["--import", "tsx", "tests/support/storm-child.ts", String(seed)], {
    env: { ...process.env, ELM_BENCH_DATA: store.dir(), NODE_ENV: "test" },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let told = "";
  let wrong = "";
  child.stderr.on("data", (chunk) => {
    wrong += chunk;
  });
  child.stdout.on("data", (chunk) => {
    told += chunk;
    if (told.split("\n").length > afterEntries) child.kill("SIGKILL");
  });
  await once(child, "close");
  if (child.signalCode !== "SIGKILL") throw new Error(`it ended by itself: ${wrong.slice(0, 600)}`);
  // a line cut short was on its way, and may be missing
  return told.split("\n").slice(0, -1);
}

it(
  "killed amid its writes, again and again: what was acknowledged is there, once, and the history still reads",
  async () => {
    must(server.loadDemo(true));
    closeDb();
    const random = seededRandom(41);
    const safe: string[] = [];
    for (let n = 0; n < KILLS; n++) {
      safe.push(...(await workAndKill(100 + n, 5 + Math.floor(random() * 20))));
      const raw = rawDb(store.file());
      expect(raw.pragma("integrity_check", { simple: true })).toBe("ok");
      raw.close();
      const modelId = must(server.getModels()).current!.id;
      const log = must(server.getLog(modelId));
      const ids = log.map((e) => e.id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(ids).toEqual(expect.arrayContaining(safe));
      const { records } = fold(log.map((e) => eventOf(e, NO_CARDS)));
      expect(records.length).toBeGreaterThan(0);
      expect(must(server.getBench(modelId)).tiles.length).toBeGreaterThan(0);
      closeDb();
    }
    expect(safe.length).toBeGreaterThan(KILLS * 5);
  },
  60_000 + KILLS * 30_000,
);
