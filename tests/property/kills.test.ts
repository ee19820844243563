import { copyFileSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { eventOf, NO_CARDS } from "@/contracts";
import { seededRandom } from "@/core/base";
import { fold } from "@/core/history";
import { closeDb, unreadableRows } from "@/db";
import * as server from "@/server";
import { leaveBehind, MIGRATIONS } from "../support/earlier";
import { freshStore, must, rawDb } from "../support/store";
import { bundleChild, workAndKill } from "../support/storm";

/** Of each kind: a thousand in all where it may take its time. */
const KILLS = process.env.ELM_BENCH_HARD === "1" ? Number(process.env.ELM_BENCH_KILLS ?? 250) : 2;
const LIMIT_MS = 60_000 + KILLS * 15_000;
/** What so many did is put away: a log of thousands of lines is not what is asked about here. */
const AFRESH_EVERY = 20;

const store = freshStore();
beforeAll(bundleChild);

const whole = (file: string): void => {
  const raw = rawDb(file);
  expect(raw.pragma("integrity_check", { simple: true })).toBe("ok");
  raw.close();
};

/** The demo, as a program that was stopped left it. */
function demo(): void {
  closeDb();
  for (const f of readdirSync(store.dir())) rmSync(join(store.dir(), f), { recursive: true });
  must(server.loadDemo(true));
  closeDb();
}

it(
  "at the bench: what was acknowledged is there, once, and the history still reads",
  async () => {
    const random = seededRandom(41);
    let safe: string[] = [];
    let all = 0;
    for (let n = 0; n < KILLS; n++) {
      if (n % AFRESH_EVERY === 0) {
        demo();
        safe = [];
      }
      const after = { lines: 1 + Math.floor(random() * 12), ms: Math.floor(random() * 40) };
      const told = await workAndKill(store.dir(), "bench", 100 + n, after);
      all += told.length;
      safe.push(...told);
      whole(store.file());
      const modelId = must(server.getModels()).current!.id;
      const log = must(server.getLog(modelId));
      const ids = log.map((e) => e.id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(ids).toEqual(expect.arrayContaining(safe));
      expect(fold(log.map((e) => eventOf(e, NO_CARDS))).records.length).toBeGreaterThan(0);
      expect(must(server.getBench(modelId)).tiles.length).toBeGreaterThan(0);
      expect(unreadableRows()).toEqual([]);
      closeDb();
    }
    expect(all).toBeGreaterThanOrEqual(KILLS);
  },
  LIMIT_MS,
);

/** What a model holds, whatever its ids are. */
function sizeOf(modelId: string): string {
  const doc = JSON.parse(must(server.exportDocument(modelId, false)));
  const regions = doc.parts.flatMap((p: { regions: { stack: { layers: unknown[] } }[] }) => p.regions);
  const layers = regions.flatMap((r: { stack: { layers: unknown[] } }) => r.stack.layers);
  return [doc.parts, regions, layers, doc.log, doc.coupons].map((list) => list.length).join(" ");
}

/** The one word every product says. */
function shelfWord(): string {
  const words = new Set(must(server.getShelf()).map((i) => i.product.note));
  expect(words.size).toBe(1);
  return [...words][0]!;
}

it(
  "amid imports: each is there whole or not at all",
  async () => {
    const random = seededRandom(42);
    let models: string[] = [];
    let word = "";
    const past = new Set<string>();
    let size = "";
    for (let n = 0; n < KILLS; n++) {
      if (n % AFRESH_EVERY === 0) {
        demo();
        models = [must(server.getModels()).current!.id];
        size = sizeOf(models[0]!);
        const shelf = JSON.parse(must(server.exportShelf("json")));
        for (const p of shelf.products) p.note = "at first";
        must(server.importShelf(JSON.stringify(shelf), "json", "replace"));
        word = "at first";
        past.clear();
        closeDb();
      }
      const after = { lines: 1 + Math.floor(random() * 2), ms: Math.floor(random() * 300) };
      const told = await workAndKill(store.dir(), "imports", 500 + n, after);
      whole(store.file());
      models.push(...told.flatMap((l) => (l.startsWith("model ") ? [l.slice("model ".length)] : [])));
      const here = must(server.getModels()).models.map((m) => m.id);
      expect(here).toEqual(expect.arrayContaining(models));
      // one more may be there that was not acknowledged any more; every one of them is whole
      expect(here.length).toBeLessThanOrEqual(models.length + 1);
      for (const id of here) expect(sizeOf(id)).toBe(size);
      models = here;
      const acked = told.flatMap((l) => (l.startsWith("shelf ") ? [l.slice("shelf ".length)] : []));
      // the one that was acknowledged last, or one that was on its way; none of before
      const over = new Set([...past, word, ...acked]);
      over.delete(acked.at(-1) ?? word);
      const now = shelfWord();
      expect(over).not.toContain(now);
      for (const gone of [...over, ...acked, word]) past.add(gone);
      word = now;
      expect(unreadableRows()).toEqual([]);
      closeDb();
    }
  },
  LIMIT_MS,
);

it(
  "amid copies, and copies put back: every copy that counts is sound, and what is there is one of them or later",
  async () => {
    const random = seededRandom(43);
    for (let n = 0; n < KILLS; n++) {
      if (n % AFRESH_EVERY === 0) demo();
      const after = { lines: 1 + Math.floor(random() * 3), ms: Math.floor(random() * 250) };
      const told = await workAndKill(store.dir(), "copies", 900 + n, after);
      whole(store.file());
      const copies = must(server.getBackups()).backups.map((b) => b.name);
      for (const line of told) {
        const [, name] = /^copy (.+)$/.exec(line) ?? [];
        // of many copies the oldest go
        if (name && copies.length < 10) expect(copies).toContain(name);
      }
      for (const name of copies) expect(must(server.lookIntoBackup(name)).models.length).toBeGreaterThan(0);
      expect(must(server.getModels()).current).not.toBeNull();
      must(server.getBench(must(server.getModels()).current!.id));
      expect(unreadableRows()).toEqual([]);
      closeDb();
    }
  },
  LIMIT_MS,
);

it(
  "while a database of before is brought up to today's shape: it opens the next time with every line of its log",
  async () => {
    const random = seededRandom(44);
    const olds = MIGRATIONS.slice(0, -1);
    const kept = join(store.dir(), "..", `elm-bench-old-${process.pid}.db`);
    let killedAmid = 0;
    for (let n = 0; n < KILLS; n++) {
      closeDb();
      for (const f of readdirSync(store.dir())) rmSync(join(store.dir(), f), { recursive: true });
      leaveBehind(store.file(), n % olds.length);
      copyFileSync(store.file(), kept);
      const old = rawDb(kept);
      const rows = Number(old.prepare("select count(*) from log").pluck().get());
      old.close();
      const told = await workAndKill(store.dir(), "opening", n, { lines: 0, ms: 120 + Math.floor(random() * 500) });
      if (told.length === 0) killedAmid += 1;
      whole(store.file());
      const { current } = must(server.getModels());
      expect(must(server.getLog(current!.id))).toHaveLength(rows);
      must(server.getBench(current!.id));
      expect(unreadableRows()).toEqual([]);
    }
    rmSync(kept, { force: true });
    if (KILLS > 20) expect(killedAmid).toBeGreaterThan(KILLS / 10);
  },
  LIMIT_MS,
);
