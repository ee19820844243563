import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import * as server from "@/server";
import { freshStore, must, rawDb } from "../../tests/support/store";
import { closeDb, unreadableRows } from ".";

/** Databases as earlier versions of this program left them: made by them, and kept row by row. */
const store = freshStore();
const DRIZZLE = "drizzle";
const MIGRATIONS = readdirSync(DRIZZLE)
  .filter((f) => f.endsWith(".sql"))
  .sort();
const JOURNAL = JSON.parse(readFileSync(join(DRIZZLE, "meta", "_journal.json"), "utf8")) as {
  entries: { when: number }[];
};

/** The database of the nth migration, as if that program had just been stopped. */
function leaveBehind(nth: number): void {
  const raw = rawDb(store.file());
  raw.pragma("foreign_keys = OFF");
  raw.exec("create table __drizzle_migrations (id integer primary key, hash text not null, created_at numeric)");
  for (const [i, file] of MIGRATIONS.slice(0, nth + 1).entries()) {
    raw.exec(readFileSync(join(DRIZZLE, file), "utf8").replaceAll("--> statement-breakpoint", ""));
    raw
      .prepare("insert into __drizzle_migrations (hash, created_at) values (?, ?)")
      .run(file, JOURNAL.entries[i]!.when);
  }
  raw.exec(readFileSync(join("tests", "fixtures", `database-${String(nth).padStart(4, "0")}.sql`), "utf8"));
  raw.close();
}

describe.each(MIGRATIONS.slice(0, -1).map((f, n) => [n, f] as const))("a database of migration %i (%s)", (nth) => {
  it("opens with everything in it; its log gets the products its coats were laid with", () => {
    leaveBehind(nth);
    const { current } = must(server.getModels());
    const modelId = current!.id;
    const before = rawDb(store.file());
    const rows = before.prepare("select count(*) from log").pluck().get();
    before.close();
    const log = must(server.getLog(modelId));
    expect(log).toHaveLength(Number(rows));
    expect(log.length).toBeGreaterThan(10);
    const coats = log.filter((e) => e.kind === "done" && e.coats !== null);
    expect(coats.length).toBeGreaterThan(0);
    // the demo was logged as its piles were laid: whichever way it was told, it is the pile's own product
    const tree = must(server.getTree(modelId));
    const layers = tree.flatMap((p) => p.regions.flatMap((r) => r.stack.layers));
    const own = coats.flatMap((e) => {
      const layer = layers.find((l) => e.opId.startsWith(`${l.id}:`));
      return layer ? [{ e, layer }] : [];
    });
    // a mend's own layers are in no pile
    expect(own.length).toBeGreaterThan(coats.length / 2);
    for (const { e, layer } of own) expect(e).toMatchObject({ laid: { productId: layer.productId, card: null } });
    expect(unreadableRows()).toEqual([]);
    expect(must(server.getBench(modelId)).tiles.some((t) => t.done > 0)).toBe(true);
    must(server.getShelf());
    must(server.getCoupons(modelId));
    must(server.getPlanScreen(modelId));
    expect(must(server.getJudged(modelId)).every((r) => r.answer.outcome === "judged")).toBe(true);
  });
  it("is brought up to date once: opened again, not a row is written", () => {
    leaveBehind(nth);
    must(server.getModels());
    closeDb();
    const text = () => {
      const raw = rawDb(store.file());
      const told = raw.prepare("select id, entry from log order by seq").all();
      raw.close();
      return JSON.stringify(told);
    };
    const first = text();
    must(server.getModels());
    closeDb();
    expect(text()).toBe(first);
  });
});
