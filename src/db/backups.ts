import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, statSync, unlinkSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { StorageTrouble } from "./trouble";

/** Whole copies of the database in a folder beside it: made, told, looked into. Whatever else lies there is left alone. */

const KEEP_BACKUPS = 10;
const BACKUP_EVERY_MS = 24 * 3600 * 1000;
const MS_PER_S = 1000;
/** Copies made in the same second are told apart by later ones; a clock that was wrong is off by more. */
const APART_MS = 60_000;
/** Not counted until it has been read through. */
const PART = ".part";
const OWN = /^elm-bench-(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)\.db$/;

export interface Backup {
  readonly name: string;
  readonly madeMs: number;
  readonly bytes: number;
}

const nameAt = (ms: number): string =>
  `elm-bench-${new Date(ms).toISOString().slice(0, 19).replaceAll(/[-:]/g, "")}.db`;

function madeMs(name: string): number | null {
  const m = OWN.exec(name);
  if (!m) return null;
  const [y, mo, d, h, mi, s] = m.slice(1).map(Number) as [number, number, number, number, number, number];
  return Date.UTC(y, mo - 1, d, h, mi, s);
}

/** Copies made here, newest first; a file of another name, a folder and an empty file are none. */
export function backupsIn(folder: string): readonly Backup[] {
  if (!existsSync(folder)) return [];
  const own = readdirSync(folder).flatMap((name) => {
    const made = madeMs(name);
    if (made === null) return [];
    const { size, isFile } = fileAt(join(folder, name));
    return isFile && size > 0 ? [{ name, madeMs: made, bytes: size }] : [];
  });
  return own.sort((a, b) => b.madeMs - a.madeMs);
}

const fileAt = (path: string): { size: number; isFile: boolean } => {
  const told = statSync(path, { throwIfNoEntry: false });
  return { size: told?.size ?? 0, isFile: told?.isFile() ?? false };
};

/** True when the newest copy is more than a day old, or there is none; one dated in the future is from a clock that was wrong. */
export function backupIsOld(folder: string, nowMs: number): boolean {
  const newest = backupsIn(folder).find((b) => b.madeMs <= nowMs);
  return !newest || nowMs - newest.madeMs > BACKUP_EVERY_MS;
}

/** A whole copy under a name of its own, read through before it counts; of those made up to now the oldest go. @returns its name */
export function backUp(raw: Database.Database, folder: string, nowMs: number): string {
  mkdirSync(folder, { recursive: true });
  for (const f of readdirSync(folder))
    if (f.endsWith(PART) && madeMs(f.slice(0, -PART.length)) !== null) unlinkSync(join(folder, f));
  let atMs = nowMs;
  while (existsSync(join(folder, nameAt(atMs)))) atMs += MS_PER_S;
  const name = nameAt(atMs);
  const copy = join(folder, name);
  try {
    raw.prepare("vacuum into ?").run(copy + PART);
    readWhole(copy + PART);
    renameSync(copy + PART, copy);
  } catch (error) {
    if (existsSync(copy + PART)) unlinkSync(copy + PART);
    throw error;
  }
  const past = backupsIn(folder).filter((b) => b.madeMs <= atMs + APART_MS);
  for (const old of past.slice(KEEP_BACKUPS)) unlinkSync(join(folder, old.name));
  return name;
}

/** @throws StorageTrouble when a copy cannot be opened and read through */
function readWhole(file: string): void {
  const copy = opened(file);
  try {
    if (copy.pragma("integrity_check", { simple: true }) !== "ok") throw new StorageTrouble("storage-damaged", file);
  } finally {
    copy.close();
  }
}

const opened = (file: string): Database.Database => new Database(file, { readonly: true, fileMustExist: true });

/** What a copy holds, as far as its age allows to tell. */
export interface BackupContents {
  readonly whole: boolean;
  readonly models: readonly string[];
  readonly products: number;
  readonly logLines: number;
  /** of the last line of its log; null = none */
  readonly newestMs: number | null;
}

const NOTHING: BackupContents = { whole: false, models: [], products: 0, logLines: 0, newestMs: null };

export function lookInto(folder: string, name: string): BackupContents {
  const file = join(folder, name);
  try {
    readWhole(file);
  } catch {
    return NOTHING;
  }
  const copy = opened(file);
  const ask = <T>(sql: string, none: T, read: (rows: readonly Record<string, unknown>[]) => T): T => {
    try {
      return read(copy.prepare<[], Record<string, unknown>>(sql).all());
    } catch {
      // a copy of an earlier shape may lack what is asked for
      return none;
    }
  };
  const count = (rows: readonly Record<string, unknown>[]) => Number(rows[0]?.n ?? 0);
  try {
    return {
      whole: true,
      models: ask("select name from models where deleted_ms is null order by position", [], (rows) =>
        rows.map((r) => String(r.name)),
      ),
      products: ask("select count(*) as n from products where deleted_ms is null", 0, count),
      logLines: ask("select count(*) as n from log", 0, count),
      newestMs: ask("select max(at_ms) as n from log", null, (rows) => (rows[0]?.n == null ? null : Number(rows[0].n))),
    };
  } finally {
    copy.close();
  }
}

/** Puts a copy in the place of the database, which nothing has open; it is whole there or not there at all. @throws StorageTrouble */
export function putInPlace(folder: string, name: string, file: string): void {
  readWhole(join(folder, name));
  copyFileSync(join(folder, name), file + PART);
  readWhole(file + PART);
  // what was not yet written from the log beside the old file is none of the copy's
  for (const beside of ["-wal", "-shm"]) if (existsSync(file + beside)) unlinkSync(file + beside);
  renameSync(file + PART, file);
}
