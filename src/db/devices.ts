import { createHash, randomBytes, scryptSync, timingSafeEqual } from "node:crypto";
import { existsSync, mkdirSync } from "node:fs";
import { join, resolve } from "node:path";
import Database from "better-sqlite3";
import { troubleFrom } from "./trouble";

/** Which device a request came through, by the name it was given, percent-encoded; the door puts it there. */
export const DEVICE_HEADER = "x-elm-bench-device";

/**
 * Devices of the local network that were let in, in a file of its own beside the database: the door writes it while it serves, the
 * application when a device is removed. Secrets are kept as digests only; what a device shows is not in the file.
 */

export interface Device {
  readonly id: string;
  readonly name: string;
  readonly pairedMs: number;
  readonly seenMs: number;
}

/** A link for one device: its token is told once and kept as a digest. */
const TOKEN_LIVES_MS = 10 * 60_000;
const SEEN_STEP_MS = 60_000;
const MOST_DEVICES = 30;
/** The door and the application write the same file: how long one waits for the other, ms. */
const BUSY_MS = 3000;

const digest = (secret: string): string => createHash("sha256").update(secret).digest("hex");
const fresh = (bytes: number): string => randomBytes(bytes).toString("base64url");

export type PairFault = "unknown" | "used" | "expired" | "too-many";

export class DeviceStore {
  private readonly db: Database.Database;

  /** @param folder where the application keeps its data */
  constructor(folder: string) {
    mkdirSync(folder, { recursive: true });
    this.db = new Database(storeFile(folder), { timeout: BUSY_MS });
    this.db.pragma("journal_mode = WAL");
    this.db.exec(`
      create table if not exists phrase (one integer primary key check (one = 1), salt blob not null, hash blob not null);
      create table if not exists tokens (hash text primary key, expires_ms integer not null, used_ms integer);
      create table if not exists devices (
        id text primary key, name text not null, hash text not null unique, paired_ms integer not null, seen_ms integer not null
      );
      create table if not exists door (one integer primary key check (one = 1), url text not null, pid integer not null);
    `);
  }

  hasPhrase(): boolean {
    return this.db.prepare("select 1 from phrase").get() !== undefined;
  }

  setPhrase(phrase: string): void {
    const salt = randomBytes(16);
    this.db.prepare("insert or replace into phrase values (1, ?, ?)").run(salt, scryptSync(plain(phrase), salt, 32));
  }

  phraseIs(phrase: string): boolean {
    const row = this.db.prepare<[], { salt: Buffer; hash: Buffer }>("select salt, hash from phrase").get();
    return row !== undefined && timingSafeEqual(scryptSync(plain(phrase), row.salt, 32), row.hash);
  }

  newToken(nowMs: number): { token: string; expiresMs: number } {
    const token = fresh(18);
    const expiresMs = nowMs + TOKEN_LIVES_MS;
    this.db.prepare("delete from tokens where expires_ms < ?").run(nowMs - TOKEN_LIVES_MS);
    this.db.prepare("insert into tokens values (?, ?, null)").run(digest(token), expiresMs);
    return { token, expiresMs };
  }

  /** Lets a device in by a one-time token. @returns what it shows from now on */
  pairByToken(token: string, name: string, nowMs: number): { secret: string } | { fault: PairFault } {
    return this.db
      .transaction((): { secret: string } | { fault: PairFault } => {
        const row = this.db
          .prepare<[string], { expires_ms: number; used_ms: number | null }>(
            "select expires_ms, used_ms from tokens where hash = ?",
          )
          .get(digest(token));
        if (!row) return { fault: "unknown" };
        if (row.used_ms !== null) return { fault: "used" };
        if (row.expires_ms < nowMs) return { fault: "expired" };
        const paired = this.pair(name, nowMs);
        if ("secret" in paired)
          this.db.prepare("update tokens set used_ms = ? where hash = ?").run(nowMs, digest(token));
        return paired;
      })
      .immediate();
  }

  /** Lets a device in; whoever calls has made sure that it may. */
  pair(name: string, nowMs: number): { secret: string } | { fault: PairFault } {
    const { n } = this.db.prepare<[], { n: number }>("select count(*) as n from devices").get()!;
    if (n >= MOST_DEVICES) return { fault: "too-many" };
    const secret = fresh(32);
    this.db.prepare("insert into devices values (?, ?, ?, ?, ?)").run(fresh(9), name, digest(secret), nowMs, nowMs);
    return { secret };
  }

  /** The device that shows this secret; null = none. */
  deviceOf(secret: string, nowMs: number): Device | null {
    const row = this.db
      .prepare<[string], { id: string; name: string; paired_ms: number; seen_ms: number }>(
        "select id, name, paired_ms, seen_ms from devices where hash = ?",
      )
      .get(digest(secret));
    if (!row) return null;
    if (nowMs - row.seen_ms >= SEEN_STEP_MS)
      this.db.prepare("update devices set seen_ms = ? where id = ?").run(nowMs, row.id);
    return { id: row.id, name: row.name, pairedMs: row.paired_ms, seenMs: row.seen_ms };
  }

  devices(): readonly Device[] {
    return this.db
      .prepare<[], Device>(
        "select id, name, paired_ms as pairedMs, seen_ms as seenMs from devices order by paired_ms, id",
      )
      .all();
  }

  rename = (id: string, name: string): boolean =>
    this.db.prepare("update devices set name = ? where id = ?").run(name, id).changes === 1;
  remove = (id: string): boolean => this.db.prepare("delete from devices where id = ?").run(id).changes === 1;

  /** Under which address the door stands open. */
  opened(url: string, pid: number): void {
    this.db.prepare("insert or replace into door values (1, ?, ?)").run(url, pid);
  }
  shut(): void {
    this.db.prepare("delete from door").run();
  }
  /** Address of the open door; null = it is shut, or whoever opened it is gone. */
  doorUrl(): string | null {
    const row = this.db.prepare<[], { url: string; pid: number }>("select url, pid from door").get();
    if (!row) return null;
    try {
      process.kill(row.pid, 0);
      return row.url;
    } catch {
      return null;
    }
  }

  close(): void {
    this.db.close();
  }
}

/** Typed on a phone: capitals, blanks and dashes do not matter. */
const plain = (phrase: string): string => phrase.toLowerCase().replaceAll(/[\s-]/g, "");

const holder = globalThis as unknown as { elmBenchDevices?: { readonly folder: string; readonly store: DeviceStore } };

const dataFolder = (): string => resolve(/*turbopackIgnore: true*/ process.env.ELM_BENCH_DATA ?? "data");
const storeFile = (folder: string): string => join(folder, "elm-bench-devices.db");

/** Without a store no device was ever let in: looking makes none. */
export const anyDeviceStore = (): boolean => existsSync(storeFile(dataFolder()));

/** The store beside the database in use; opened on first use. @throws StorageTrouble, which says what to do */
export function deviceStore(): DeviceStore {
  const folder = dataFolder();
  try {
    return opened(folder);
  } catch (error) {
    throw troubleFrom(error, storeFile(folder));
  }
}

function opened(folder: string): DeviceStore {
  if (holder.elmBenchDevices?.folder !== folder) {
    holder.elmBenchDevices?.store.close();
    holder.elmBenchDevices = { folder, store: new DeviceStore(folder) };
  }
  return holder.elmBenchDevices.store;
}
