import type { ProblemCode } from "@/contracts";

interface Words {
  readonly title: string;
  readonly what: string;
  readonly now: string;
}

/** What, why and what now, for everything that can go wrong with a request. */
export const TROUBLE: Readonly<Record<ProblemCode, Words>> = {
  invalid: {
    title: "That cannot be right",
    what: "Something entered is outside what is possible.",
    now: "Put right the field that is named; nothing else was lost.",
  },
  "not-found": {
    title: "It is not here",
    what: "What you asked for has gone or never was.",
    now: "Go back to the list and look again.",
  },
  conflict: {
    title: "It changed elsewhere",
    what: "Another tab or device changed the same thing first.",
    now: "Look at the other version, then decide whose stands.",
  },
  refused: { title: "Not done", what: "A rule stands in the way.", now: "Read the reason given." },
  "in-use": { title: "It is still in use", what: "Something else depends on it.", now: "Take it out there first." },
  "newer-format": {
    title: "The file is newer than this application",
    what: "It was written by a later version.",
    now: "Update the application; nothing was changed.",
  },
  "too-large": {
    title: "That is too large",
    what: "The file or message is over the limit.",
    now: "Send less at once.",
  },
  "storage-missing": {
    title: "The database file is gone",
    what: "There was a database in the data folder, and now there is none.",
    now: "Below, put a copy from the backups folder in its place. To start over with nothing, delete elm-bench.here in the data folder.",
  },
  "storage-in-use": {
    title: "Another Elm Bench serves this folder",
    what: "Two of them on one folder would overwrite each other’s work.",
    now: "Use the one that runs already, or stop it and load this page again.",
  },
  "storage-locked": {
    title: "Another program holds the database",
    what: "Nothing can be read or saved while it does.",
    now: "Close the other program (a backup tool, a database viewer, a second copy of this application), then try again.",
  },
  "storage-read-only": {
    title: "The database cannot be written",
    what: "The file or its folder is read-only for this application.",
    now: "Give the user who runs the application the right to write in the data folder, then try again.",
  },
  "storage-damaged": {
    title: "The database file is damaged",
    what: "It is not a whole database any more.",
    now: "Below, put a copy from the backups folder in its place; the damaged file is kept beside it.",
  },
  "storage-newer": {
    title: "The database is newer than this application",
    what: "A later version of Elm Bench has written in it; this one would not know all of it.",
    now: "Update the application. Or, below, put a copy from before in its place; the newer file is kept beside it.",
  },
  "storage-full": {
    title: "The disk is full",
    what: "There is no room to save.",
    now: "Free some space, then try again; what was saved before is safe.",
  },
};
