import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
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
import { renameOldKeys, upgradeOldLog } from "./upgrade";

export type Db = BetterSQLite3Database<typeof schema>;

interface Open {
  readonly db: Db;
  readonly changes: Database.Statement<[], number>;
  readonly nth: number;
  readonly raw: Database.Database;
  readonly lock: Database.Database;
  readonly file: string;
  readonly inode: number;
}

/** One connection a process; kept on globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as { elmBenchStore?: Open; elmBenchOpened?: number; elmBenchEnded?: number };

const dataDir = (): string => resolve(/*turbopackIgnore: true*/ process.env.ELM_BENCH_DATA ?? "data");
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

/** The file may be taken away, replaced or emptied while we hold it: then nothing more is acknowledged. */
function stillThere(open: Open): void {
  const here = existsSync(open.file) ? statSync(open.file) : null;
  if (here?.ino === open.inode && here.size > 0) return;
  closeDb();
  throw new StorageTrouble(here?.ino === open.inode ? "storage-damaged" : "storage-missing", open.file);
}

export function closeDb(): void {
  holder.elmBenchStore?.raw.close();
  holder.elmBenchStore?.lock.close();
  delete holder.elmBenchStore;
}

/**
 * One server a folder: a lock held in a file of its own for as long as the process lives. The operating system lets go of it
 * however the process ends.
 */
function lockFolder(): Database.Database {
  const lock = new Database(join(dataDir(), "elm-bench.lock"), { timeout: 0 });
  try {
    lock.pragma("journal_mode = DELETE");
    lock.exec("begin exclusive");
    return lock;
  } catch (error) {
    lock.close();
    const { code } = error as { code?: unknown };
    if (typeof code === "string" && (code.startsWith("SQLITE_BUSY") || code.startsWith("SQLITE_LOCKED")))
      throw new StorageTrouble("storage-in-use", dbFile());
    throw error;
  }
}

function connect(): Open {
  const file = dbFile();
  const fresh = !existsSync(file);
  if (fresh && existsSync(markFile())) throw new StorageTrouble("storage-missing", file);
  mkdirSync(dataDir(), { recursive: true });
  if (!fresh) accessSync(file, constants.R_OK);
  // an emptied file would be taken for a new one, and its emptiness backed up
  if (!fresh && statSync(file).size === 0 && existsSync(markFile())) throw new StorageTrouble("storage-damaged", file);
  accessSync(dataDir(), constants.W_OK);
  const lock = lockFolder();
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
    upgradeOldData(db);
    if (!existsSync(markFile()))
      writeFileSync(
        markFile(),
        "An Elm Bench database lives in this folder. Delete this file only to start over without it.\n",
      );
    // what was only in the log beside it goes into the file, so that an emptied file is told from a young one
    raw.pragma("wal_checkpoint(TRUNCATE)");
    const changes = raw.prepare<[], number>("select total_changes()").pluck();
    holder.elmBenchOpened = (holder.elmBenchOpened ?? 0) + 1;
    return { db, raw, lock, file, inode: statSync(file).ino, changes, nth: holder.elmBenchOpened };
  } catch (error) {
    raw.close();
    lock.close();
    throw error;
  }
}

/** All of it or none: a crash in the middle leaves what was there. */
const upgradeOldData = (db: Db): void =>
  db.transaction((tx) => {
    renameOldKeys(tx as unknown as Db);
    upgradeOldLog(tx as unknown as Db);
  });

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
  const newest = readdirSync(backupDir())
    .filter((f) => f.endsWith(".db"))
    .sort()
    .at(-1);
  return !newest || Date.now() - statSync(join(backupDir(), newest)).mtimeMs > BACKUP_EVERY_MS;
}

/**
 * A whole copy beside the database: before its shape changes, and once a day at the first opening; the oldest go. It counts only
 * once it has been opened and read: until then it bears another ending.
 */
function backUp(raw: Database.Database): void {
  const folder = backupDir();
  mkdirSync(folder, { recursive: true });
  for (const f of readdirSync(folder).filter((f) => f.endsWith(PART))) unlinkSync(join(folder, f));
  const { stamp } = raw.prepare("select strftime('%Y%m%dT%H%M%S', 'now') as stamp").get() as { stamp: string };
  const copy = join(folder, `elm-bench-${stamp}.db`);
  try {
    raw.prepare("vacuum into ?").run(copy + PART);
    readWhole(copy + PART);
    renameSync(copy + PART, copy);
  } catch (error) {
    if (existsSync(copy + PART)) unlinkSync(copy + PART);
    throw error;
  }
  const whole = readdirSync(folder).filter((f) => f.endsWith(".db"));
  for (const old of whole.sort().slice(0, -KEEP_BACKUPS)) unlinkSync(join(folder, old));
}
const PART = ".part";

/** @throws when a copy cannot be opened and read through */
function readWhole(file: string): void {
  const copy = new Database(file, { readonly: true, fileMustExist: true });
  try {
    const told = copy.pragma("quick_check", { simple: true });
    if (told !== "ok") throw new StorageTrouble("storage-damaged", file);
  } finally {
    copy.close();
  }
}

/**
 * What the database says has not changed while this has not: rows written over this connection, transactions ended (one that is
 * rolled back takes its rows with it, but not their count), and the connection. Nobody else writes: the folder is ours.
 */
export function revision(): string {
  openDb();
  const { nth, changes } = holder.elmBenchStore!;
  return `${nth}.${holder.elmBenchEnded ?? 0}.${changes.get()}`;
}

/** Runs a write whole or not at all. @throws StorageTrouble */
export function transact<T>(work: (db: Db) => T): T {
  const db = openDb();
  try {
    const result = db.transaction((tx) => work(tx as unknown as Db), { behavior: "immediate" });
    // acknowledged only if what was written to is still the file that is there
    if (holder.elmBenchStore) stillThere(holder.elmBenchStore);
    return result;
  } catch (error) {
    throw troubleFrom(error, dbFile());
  } finally {
    holder.elmBenchEnded = (holder.elmBenchEnded ?? 0) + 1;
  }
}
