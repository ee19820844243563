import {
  accessSync,
  closeSync,
  constants,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readSync,
  renameSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { basename, join, resolve } from "node:path";
import Database from "better-sqlite3";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { type Backup, type BackupContents, backUp, backupIsOld, backupsIn, lookInto, putInPlace } from "./backups";
import { type Changes, countChanges } from "./changes";
import * as schema from "./schema";
import { thinReadings } from "./thin";
import { StorageTrouble, troubleFrom } from "./trouble";
import { renameOldKeys, upgradeOldLog } from "./upgrade";

export type Db = BetterSQLite3Database<typeof schema>;

interface Open {
  readonly db: Db;
  readonly changes: Database.Statement<[], number>;
  readonly tables: Changes;
  readonly nth: number;
  readonly raw: Database.Database;
  readonly lock: Database.Database;
  readonly file: string;
  readonly inode: number;
  /** of the log beside the file, which holds what is not in it yet; null = there is none */
  readonly walInode: number | null;
}

/** One connection a process; kept on globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as {
  elmBenchStore?: Open;
  elmBenchOpened?: number;
  elmBenchEnded?: number;
  elmBenchRolled?: number;
};

const dataDir = (): string => resolve(/*turbopackIgnore: true*/ process.env.ELM_BENCH_DATA ?? "data");
const dbFile = (): string => join(dataDir(), "elm-bench.db");
/** Says that a database has lived here: without it a missing file is a first run, with it a loss. */
const markFile = (): string => join(dataDir(), "elm-bench.here");
const MIGRATIONS = resolve("drizzle");
/** How long a statement waits for another program to let go, ms. */
const BUSY_MS = 1500;

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

const MAGIC = "SQLite format 3\0";

/** Asked of every write: somebody may have written over the file where it lies, or taken away the log beside it. */
function stillWhole(open: Open): void {
  stillThere(open);
  const head = Buffer.alloc(MAGIC.length);
  const fd = openSync(open.file, "r");
  try {
    readSync(fd, head, 0, head.length, 0);
  } finally {
    closeSync(fd);
  }
  if (head.toString("latin1") === MAGIC && inodeOf(`${open.file}-wal`) === open.walInode) return;
  closeDb();
  throw new StorageTrouble("storage-damaged", open.file);
}

const inodeOf = (file: string): number | null => statSync(file, { throwIfNoEntry: false })?.ino ?? null;

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

function connect(held: Database.Database | null = null): Open {
  const file = dbFile();
  const fresh = !existsSync(file);
  if (fresh && existsSync(markFile())) throw new StorageTrouble("storage-missing", file);
  mkdirSync(dataDir(), { recursive: true });
  if (!fresh) accessSync(file, constants.R_OK);
  // an emptied file would be taken for a new one, and its emptiness backed up
  if (!fresh && statSync(file).size === 0 && existsSync(markFile())) throw new StorageTrouble("storage-damaged", file);
  accessSync(dataDir(), constants.W_OK);
  const lock = held ?? lockFolder();
  const raw = new Database(file, { timeout: BUSY_MS });
  try {
    if (!fresh) accessSync(file, constants.W_OK);
    accessSync(dataDir(), constants.W_OK);
    raw.pragma("journal_mode = WAL");
    raw.pragma("synchronous = FULL");
    raw.pragma("foreign_keys = ON");
    const db = drizzle(raw, { schema });
    const steps = fresh ? "none-yet" : stepsOf(raw);
    if (steps === "newer") throw new StorageTrouble("storage-newer", file);
    const due = !fresh && (steps === "pending" || backupIsOld(backupDir(), Date.now()));
    if (due) backUp(raw, backupDir(), Date.now());
    migrate(db, { migrationsFolder: MIGRATIONS });
    // only once a whole copy lies beside it
    if (due) thinReadings(raw, Date.now());
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
    const tables = countChanges(raw);
    const walInode = inodeOf(`${file}-wal`);
    return { db, raw, lock, tables, walInode, file, inode: statSync(file).ino, changes, nth: holder.elmBenchOpened };
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

/** How the shape of a database stands to this program's. */
function stepsOf(raw: Database.Database): "pending" | "all" | "newer" {
  const known = readdirSync(MIGRATIONS).filter((f) => f.endsWith(".sql")).length;
  const table = raw.prepare("select name from sqlite_master where name = '__drizzle_migrations'").get();
  if (!table) return "pending";
  const { n } = raw.prepare("select count(*) as n from __drizzle_migrations").get() as { n: number };
  return n < known ? "pending" : n > known ? "newer" : "all";
}

const backupDir = (): string => join(dataDir(), "backups");

export const listBackups = (): readonly Backup[] => backupsIn(backupDir());

/** The copy of this name; null = there is none. */
export const backupNamed = (name: string): Backup | null => listBackups().find((b) => b.name === name) ?? null;

export const backupContents = ({ name }: Backup): BackupContents => lookInto(backupDir(), name);

/** A copy of what is there now. @returns its name @throws StorageTrouble */
export function backUpNow(): string {
  openDb();
  try {
    return backUp(holder.elmBenchStore!.raw, backupDir(), Date.now());
  } catch (error) {
    throw troubleFrom(error, dbFile());
  }
}

/** What was in place before a copy was taken back. */
export interface Restored {
  /** the copy made of it; null = it could not be opened, and was put aside */
  readonly before: string | null;
  /** where it was put if it could not be opened; null = there was none */
  readonly aside: string | null;
}

/**
 * Puts a copy in the place of the database: what is there now is copied first, or put aside where it cannot be opened any more.
 * The folder stays locked meanwhile. @throws StorageTrouble
 */
export function restoreBackup({ name }: Backup): Restored {
  const file = dbFile();
  try {
    const open = whileItOpens();
    const lock = open?.lock ?? lockFolder();
    try {
      const before = open ? backUp(open.raw, backupDir(), Date.now()) : null;
      open?.raw.close();
      delete holder.elmBenchStore;
      const aside = before === null ? putAside(file) : null;
      putInPlace(backupDir(), name, file);
      holder.elmBenchStore = connect(lock);
      return { before, aside };
    } catch (error) {
      // still open it goes on being ours
      if (!holder.elmBenchStore) lock.close();
      throw error;
    }
  } catch (error) {
    throw troubleFrom(error, file);
  }
}

/** The open database, if it can be. */
function whileItOpens(): Open | null {
  try {
    openDb();
    return holder.elmBenchStore ?? null;
  } catch (error) {
    const { kind } = error as StorageTrouble;
    if (kind === "storage-damaged" || kind === "storage-missing" || kind === "storage-newer") return null;
    throw error;
  }
}

/** A file that cannot be opened is kept, for whoever may read more of it. */
function putAside(file: string): string | null {
  if (!existsSync(file)) return null;
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(/[-:]/g, "");
  const aside = `${file}.aside-${stamp}`;
  for (const beside of ["", "-wal", "-shm"]) if (existsSync(file + beside)) renameSync(file + beside, aside + beside);
  return basename(aside);
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

/** The same for some tables only: what has not changed while they have not. */
export function revisionOf(tables: Parameters<Changes["of"]>[0]): string {
  openDb();
  const { nth, tables: changes } = holder.elmBenchStore!;
  return `${nth}.${holder.elmBenchRolled ?? 0}.${changes.of(tables)}`;
}

/** Runs a write whole or not at all. @throws StorageTrouble */
export function transact<T>(work: (db: Db) => T): T {
  const db = openDb();
  try {
    stillWhole(holder.elmBenchStore!);
    const result = db.transaction((tx) => work(tx as unknown as Db), { behavior: "immediate" });
    // acknowledged only if what was written to is still the file that is there
    if (holder.elmBenchStore) stillWhole(holder.elmBenchStore);
    return result;
  } catch (error) {
    // what was read while it lasted is not there any more
    holder.elmBenchRolled = (holder.elmBenchRolled ?? 0) + 1;
    throw troubleFrom(error, dbFile());
  } finally {
    holder.elmBenchEnded = (holder.elmBenchEnded ?? 0) + 1;
  }
}
