import { done, failed, MAX_PHOTO_BYTES, type Outcome, type PhotoType } from "@/contracts";
import { insertPhoto, type Photo, readPhoto } from "@/db";
import { hashOfBytes } from "@/workers/document";
import { notFound, reading, writing } from "../guard";

/** What a picture's first bytes say it is; the name and the sender's word are not asked. */
function photoTypeOf(bytes: Buffer): PhotoType | null {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return "image/jpeg";
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))) return "image/png";
  if (bytes.subarray(0, 4).toString("latin1") === "RIFF" && bytes.subarray(8, 12).toString("latin1") === "WEBP")
    return "image/webp";
  return null;
}

/** Keeps a picture under its content hash; the same picture twice is kept once. */
export function addPhoto(bytes: Buffer): Outcome<{ hash: string }> {
  if (bytes.byteLength > MAX_PHOTO_BYTES)
    return failed("too-large", "The picture is over 6 MB. Make it smaller first.");
  const type = photoTypeOf(bytes);
  if (!type)
    return failed("invalid", "The file is no JPEG, PNG or WebP picture.", [
      { path: "photo", message: "is no JPEG, PNG or WebP picture" },
    ]);
  const hash = hashOfBytes(bytes);
  return writing((db) => {
    insertPhoto(db, { hash, type, bytes });
    return done({ hash });
  });
}

export const getPhoto = (hash: string): Outcome<Photo> =>
  reading((db) => {
    const photo = readPhoto(db, hash);
    return photo ? done(photo) : notFound("The photo");
  });
