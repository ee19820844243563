import { type FileFault, failed, type Outcome } from "@/contracts";
import { type Db, openDb, StorageTrouble, type TroubleKind, transact } from "@/db";
import { type ModelSnapshot, type Snapshot, snapshotOf } from "./workspace/snapshot";

/** What each trouble means and what to do about it, for the API's `detail`; the screens have their own words. */
const DETAIL: Readonly<Record<TroubleKind, string>> = {
  "storage-missing":
    "The database file is gone. Put it back from a backup, or remove elm-bench.here beside it to start over. Nothing was saved.",
  "storage-in-use":
    "Another Elm Bench serves this data folder already. Use that one, or stop it first. Nothing was saved.",
  "storage-locked": "Another program holds the database. Close it and try again. Nothing was saved.",
  "storage-read-only": "The database cannot be written. Check the permissions of the data folder. Nothing was saved.",
  "storage-damaged": "The database file is damaged. Restore a backup. Nothing was saved.",
  "storage-full": "The disk is full. Free some space and try again. Nothing was saved.",
  "storage-newer":
    "The database was written by a later version of Elm Bench. Update the application, or restore a backup from before. Nothing was changed.",
};

function asProblem(error: unknown): Outcome<never> {
  if (error instanceof StorageTrouble) return failed(error.kind, DETAIL[error.kind]);
  throw error;
}

/** What is to be done once the write at hand is safe. */
let afterwards: (() => void)[] = [];
export const onceWritten = (work: () => void): void => void afterwards.push(work);

/** A write: all of it or none; trouble with the file becomes a problem, a bug stays an exception. */
export function writing<T>(work: (db: Db) => Outcome<T>): Outcome<T> {
  afterwards = [];
  const outcome = written(work);
  const due = outcome.ok ? afterwards : [];
  afterwards = [];
  for (const next of due) next();
  return outcome;
}

function written<T>(work: (db: Db) => Outcome<T>): Outcome<T> {
  let outcome: Outcome<T> | null = null;
  try {
    return transact((db) => {
      outcome = work(db);
      if (!outcome.ok) throw new Refused();
      return outcome;
    });
  } catch (error) {
    return error instanceof Refused && outcome ? outcome : asProblem(error);
  }
}

/** Rolls the transaction back when a use case refuses half way. */
class Refused extends Error {}

/** Trouble with the file becomes a problem, a bug stays an exception. */
export function guarded<T>(work: () => Outcome<T>): Outcome<T> {
  try {
    return work();
  } catch (error) {
    return asProblem(error);
  }
}

export const reading = <T>(work: (db: Db) => Outcome<T>): Outcome<T> => guarded(() => work(openDb()));

/** Looks at the bench as it is. */
export const viewing = <T>(work: (snapshot: Snapshot) => Outcome<T>): Outcome<T> =>
  reading((db) => work(snapshotOf(db)));

/** Looks at one model of it. */
export const viewingModel = <T>(modelId: string, work: (m: ModelSnapshot, s: Snapshot) => Outcome<T>): Outcome<T> =>
  viewing((s) => {
    const m = s.model(modelId);
    return m ? work(m, s) : notFound("The model");
  });

export const conflict = (what: string): Outcome<never> =>
  failed(
    "conflict",
    `${what} was changed elsewhere since you opened it. Yours was not saved; look at the other version first.`,
  );
/** A file with faults is refused whole; the first is told aloud, all of them by line and column. */
export function fileRefusal(faults: readonly FileFault[]): Outcome<never> | null {
  const first = faults[0];
  const place = (f: FileFault) => `line ${f.line}${f.column ? `, ${f.column}` : ""}`;
  return first
    ? failed(
        "invalid",
        `${place(first)}: ${first.message}. Nothing was taken over.`,
        faults.map((f) => ({ path: place(f), message: f.message })),
      )
    : null;
}

export const notFound = (what: string): Outcome<never> => failed("not-found", `${what} is not here (any more).`);
