import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  statSync,
  unlinkSync,
  writeFileSync,
} from "node:fs";
import { join, resolve } from "node:path";
import Database from "better-sqlite3";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import * as schema from "./schema";
import { StorageTrouble, troubleFrom } from "./trouble";

export type Db = BetterSQLite3Database<typeof schema>;

interface Open {
  readonly db: Db;
  readonly raw: Database.Database;
  readonly file: string;
  readonly inode: number;
}

/** One connection a process; kept on globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as { elmBenchStore?: Open };

export const dataDir = (): string => resolve(/*turbopackIgnore: true*/ process.env.ELM_BENCH_DATA ?? "data");
const dbFile = (): string => join(dataDir(), "elm-bench.db");
/** Says that a database has lived here: without it a missing file is a first run, with it a loss. */
const markFile = (): string => join(dataDir(), "elm-bench.here");
const MIGRATIONS = resolve("drizzle");
/** How long a statement waits for another program to let go, ms. */
const BUSY_MS = 1500;
const KEEP_BACKUPS = 10;

/** The open database; opens, backs up and migrates on first use. @throws StorageTrouble, which says what to do */
export function openDb(): Db {
  try {
    const open = holder.elmBenchStore;
    if (open) {
      stillThere(open);
      return open.db;
    }
    holder.elmBenchStore = connect();
    return holder.elmBenchStore.db;
  } catch (error) {
    throw troubleFrom(error, dbFile());
  }
}

function stillThere(open: Open): void {
  if (existsSync(open.file) && statSync(open.file).ino === open.inode) return;
  closeDb();
  throw new StorageTrouble("storage-missing", open.file);
}

export function closeDb(): void {
  holder.elmBenchStore?.raw.close();
  delete holder.elmBenchStore;
}

function connect(): Open {
  const file = dbFile();
  const fresh = !existsSync(file);
  if (fresh && existsSync(markFile())) throw new StorageTrouble("storage-missing", file);
  mkdirSync(dataDir(), { recursive: true });
  if (!fresh) accessSync(file, constants.R_OK);
  const raw = new Database(file, { timeout: BUSY_MS });
  try {
    if (!fresh) accessSync(file, constants.W_OK);
    accessSync(dataDir(), constants.W_OK);
    raw.pragma("journal_mode = WAL");
    raw.pragma("synchronous = FULL");
    raw.pragma("foreign_keys = ON");
    const db = drizzle(raw, { schema });
    if (!fresh && (migrationsPending(raw) || backupIsOld())) backUp(raw);
    migrate(db, { migrationsFolder: MIGRATIONS });
    if (!existsSync(markFile()))
      writeFileSync(
        markFile(),
        "An Elm Bench database lives in this folder. Delete this file only to start over without it.\n",
      );
    return { db, raw, file, inode: statSync(file).ino };
  } catch (error) {
    raw.close();
    throw error;
  }
}

function migrationsPending(raw: Database.Database): boolean {
  const known = readdirSync(MIGRATIONS).filter((f) => f.endsWith(".sql")).length;
  const table = raw.prepare("select name from sqlite_master where name = '__drizzle_migrations'").get();
  if (!table) return true;
  const { n } = raw.prepare("select count(*) as n from __drizzle_migrations").get() as { n: number };
  return n < known;
}

const backupDir = (): string => join(dataDir(), "backups");
const BACKUP_EVERY_MS = 24 * 3600 * 1000;

/** True when the newest copy is more than a day old, or there is none. */
function backupIsOld(): boolean {
  if (!existsSync(backupDir())) return true;
  const newest = readdirSync(backupDir()).sort().at(-1);
  return !newest || Date.now() - statSync(join(backupDir(), newest)).mtimeMs > BACKUP_EVERY_MS;
}

/** A whole copy beside the database: before its shape changes, and once a day at the first opening; the oldest go. */
function backUp(raw: Database.Database): void {
  const folder = backupDir();
  mkdirSync(folder, { recursive: true });
  const { stamp } = raw.prepare("select strftime('%Y%m%dT%H%M%S', 'now') as stamp").get() as { stamp: string };
  raw.prepare("vacuum into ?").run(join(folder, `elm-bench-${stamp}.db`));
  for (const old of readdirSync(folder).sort().slice(0, -KEEP_BACKUPS)) unlinkSync(join(folder, old));
}

/** Runs a write whole or not at all. @throws StorageTrouble */
export function transact<T>(work: (db: Db) => T): T {
  const db = openDb();
  try {
    return db.transaction((tx) => work(tx as unknown as Db), { behavior: "immediate" });
  } catch (error) {
    throw troubleFrom(error, dbFile());
  }
}
