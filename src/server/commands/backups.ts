import { type BackupInside, type BackupsView, done, type Outcome, type RestoredView } from "@/contracts";
import { backUpNow, backupContents, backupNamed, listBackups, restoreBackup } from "@/db";
import { guarded, notFound } from "../guard";

/** Copies of the database; told and put back also while the database itself cannot be opened. */

export const getBackups = (): Outcome<BackupsView> => guarded(() => done({ backups: [...listBackups()] }));

export const makeBackup = (): Outcome<BackupsView> =>
  guarded(() => {
    backUpNow();
    return getBackups();
  });

const THE_COPY = "The copy";

/** What a copy holds, read through from end to end. */
export const lookIntoBackup = (name: string): Outcome<BackupInside> =>
  guarded(() => {
    const copy = backupNamed(name);
    return copy ? done(backupContents(copy)) : notFound(THE_COPY);
  });

/** A copy in the place of what is here, which is copied first, or put aside where it cannot be opened. */
export const putBackupBack = (name: string): Outcome<RestoredView> =>
  guarded(() => {
    const copy = backupNamed(name);
    return copy ? done(restoreBackup(copy)) : notFound(THE_COPY);
  });
