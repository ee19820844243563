import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { rawDb } from "./store";

const DRIZZLE = "drizzle";
/** The shapes a database has had, oldest first; the last is today's. */
export const MIGRATIONS = readdirSync(DRIZZLE)
  .filter((f) => f.endsWith(".sql"))
  .sort();
const JOURNAL = JSON.parse(readFileSync(join(DRIZZLE, "meta", "_journal.json"), "utf8")) as {
  entries: { when: number }[];
};

/** The database of the nth migration, as if that program had just been stopped. */
export function leaveBehind(file: string, nth: number): void {
  const raw = rawDb(file);
  raw.pragma("foreign_keys = OFF");
  raw.exec("create table __drizzle_migrations (id integer primary key, hash text not null, created_at numeric)");
  for (const [i, name] of MIGRATIONS.slice(0, nth + 1).entries()) {
    raw.exec(readFileSync(join(DRIZZLE, name), "utf8").replaceAll("--> statement-breakpoint", ""));
    raw
      .prepare("insert into __drizzle_migrations (hash, created_at) values (?, ?)")
      .run(name, JOURNAL.entries[i]!.when);
  }
  raw.exec(readFileSync(join("tests", "fixtures", `database-${String(nth).padStart(4, "0")}.sql`), "utf8"));
  raw.close();
}
