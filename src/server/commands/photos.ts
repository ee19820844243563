import { done, failed, MAX_PHOTO_BYTES, type Outcome } from "@/contracts";
import { insertPhoto, type Photo, readPhoto } from "@/db";
import { hashOfBytes } from "@/workers/document";
import { PICTURE_FAULTS, pictureOf } from "@/workers/picture";
import { notFound, reading, writing } from "../guard";

/** Keeps a picture under its content hash; the same picture twice is kept once. */
export function addPhoto(bytes: Buffer): Outcome<{ hash: string }> {
  if (bytes.byteLength > MAX_PHOTO_BYTES)
    return failed("too-large", "The picture is over 6 MB. Make it smaller first.");
  const picture = pictureOf(bytes);
  if (!picture.ok) {
    const message = PICTURE_FAULTS[picture.fault];
    return failed(picture.fault === "no-picture" ? "invalid" : "too-large", `The file ${message}.`, [
      { path: "photo", message },
    ]);
  }
  const { type } = picture;
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
