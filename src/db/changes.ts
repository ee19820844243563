import type Database from "better-sqlite3";

/**
 * Which tables have changed, counted by triggers of the connection's own: a write to one leaves what was read of the others as it
 * is. The counters live in the connection's temporary database and are rolled back with the rows they count.
 */

const TABLES = [
  "shop",
  "models",
  "parts",
  "regions",
  "layers",
  "overrides",
  "products",
  "bench_plan",
  "plans",
  "plans_asked",
  "planning",
  "coupons",
  "log",
  "cards",
  "forecast",
  "local_airs",
] as const;
type Table = (typeof TABLES)[number];
/** Lines of the log that were changed or taken out; mostly lines are only added. */
type Counter = Table | "log-rewritten";

const DEEDS = ["insert", "update", "delete"] as const;

export interface Changes {
  /** the same as long as none of these tables is written to */
  readonly of: (counters: readonly Counter[]) => string;
}

export function countChanges(raw: Database.Database): Changes {
  raw.exec("create temp table changed (name text primary key, n integer not null) without rowid");
  const add = raw.prepare("insert into temp.changed values (?, 0)");
  const triggered = (table: Table, deed: (typeof DEEDS)[number], counter: Counter) =>
    raw.exec(
      `create temp trigger "changed ${counter} ${deed}" after ${deed} on main.${table}
       begin update changed set n = n + 1 where name = '${counter}'; end`,
    );
  for (const table of TABLES) {
    add.run(table);
    for (const deed of DEEDS) triggered(table, deed, table);
  }
  add.run("log-rewritten");
  triggered("log", "update", "log-rewritten");
  triggered("log", "delete", "log-rewritten");
  const told = raw.prepare<[], [Counter, number]>("select name, n from temp.changed").raw();
  return {
    of: (counters) => {
      const now = new Map(told.all());
      return counters.map((c) => now.get(c)).join();
    },
  };
}
