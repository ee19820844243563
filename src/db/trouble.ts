const TROUBLES = [
  "storage-missing",
  "storage-in-use",
  "storage-locked",
  "storage-read-only",
  "storage-damaged",
  "storage-full",
  "storage-newer",
] as const;
export type TroubleKind = (typeof TROUBLES)[number];

/** The database cannot be used; the screens say which way and what to do. */
export class StorageTrouble extends Error {
  override name = "StorageTrouble";
  constructor(
    readonly kind: TroubleKind,
    readonly file: string,
  ) {
    super(`${kind}: ${file}`);
  }
}

const BY_CODE: readonly (readonly [prefix: string, kind: TroubleKind])[] = [
  ["SQLITE_BUSY", "storage-locked"],
  ["SQLITE_LOCKED", "storage-locked"],
  ["SQLITE_READONLY", "storage-read-only"],
  ["SQLITE_PERM", "storage-read-only"],
  ["SQLITE_CANTOPEN", "storage-read-only"],
  ["EACCES", "storage-read-only"],
  ["EROFS", "storage-read-only"],
  ["EPERM", "storage-read-only"],
  ["ENOTDIR", "storage-read-only"],
  ["EEXIST", "storage-read-only"],
  ["SQLITE_CORRUPT", "storage-damaged"],
  ["SQLITE_NOTADB", "storage-damaged"],
  ["SQLITE_IOERR", "storage-damaged"],
  ["SQLITE_FULL", "storage-full"],
  ["ENOSPC", "storage-full"],
];

/** What an error of the driver means to the user; anything else is passed on as it is. */
export function troubleFrom(error: unknown, file: string): unknown {
  if (error instanceof StorageTrouble) return error;
  // looked at by shape: the driver's errors may come from another realm than this file's
  for (let e = error; typeof e === "object" && e !== null; e = (e as { cause?: unknown }).cause) {
    const code = (e as { code?: unknown }).code;
    const kind = typeof code === "string" ? BY_CODE.find(([prefix]) => code.startsWith(prefix))?.[1] : undefined;
    if (kind) return new StorageTrouble(kind, file);
  }
  return error;
}
