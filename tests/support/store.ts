import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import type { Outcome } from "@/contracts";
import { closeDb } from "@/db";

/** A Monday evening: what a use case answers must not depend on the hour it is tested at. */
process.env.ELM_BENCH_CLOCK = "2026-03-02T19:00:00Z";

/** A database of its own for each test, in a folder that goes with it. */
export function freshStore(): { readonly dir: () => string; readonly file: () => string } {
  let dir = "";
  beforeEach(() => {
    dir = mkdtempSync(join(tmpdir(), "elm-bench-test-"));
    process.env.ELM_BENCH_DATA = dir;
  });
  afterEach(() => {
    closeDb();
    chmodSync(dir, 0o755);
    rmSync(dir, { recursive: true, force: true });
  });
  return { dir: () => dir, file: () => join(dir, "elm-bench.db") };
}

/** The value of an outcome that must be good. */
export function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(`${outcome.problem.code}: ${outcome.problem.detail}`);
  return outcome.value;
}

/** Code and first field of an outcome that must be bad. */
export function refusal(outcome: Outcome<unknown>): string {
  if (outcome.ok) throw new Error("it went through");
  const { code, fields } = outcome.problem;
  return fields[0] ? `${code} ${fields[0].path}` : code;
}

/** A database file as anybody may open it: to spoil a row, or to hold a lock. */
export const rawDb = (file: string) => new Database(file);

/** Every SQL statement prepared while a test runs, in order. Ends with the test. */
export function statementsAsked(): string[] {
  const asked: string[] = [];
  const { prepare } = Database.prototype;
  const counted = function counted(this: Database.Database, sql: string) {
    asked.push(sql);
    return prepare.call(this, sql);
  };
  jest.spyOn(Database.prototype, "prepare").mockImplementation(counted as typeof prepare);
  return asked;
}
