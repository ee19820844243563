/** A picture made small enough to keep, beside the page. Redrawn, it holds nothing of where and with what it was taken. */

import * as Comlink from "comlink";

/** Largest file that is looked at, bytes. */
const MOST_BYTES = 60 * 1024 * 1024;
/** Tried one after the other until the picture is small enough. */
const QUALITIES = [0.85, 0.75, 0.65, 0.5, 0.35] as const;

export interface ShrinkAsked {
  readonly longestPx: number;
  /** as small as that if it can be, bytes */
  readonly wishBytes: number;
}
export type Shrunk =
  | { readonly ok: true; readonly blob: Blob }
  | { readonly ok: false; readonly why: "empty" | "huge" | "unreadable" };

export async function shrink(file: Blob, { longestPx, wishBytes }: ShrinkAsked): Promise<Shrunk> {
  if (file.size === 0) return { ok: false, why: "empty" };
  if (file.size > MOST_BYTES) return { ok: false, why: "huge" };
  const image = await createImageBitmap(file).catch(() => null);
  if (image === null) return { ok: false, why: "unreadable" };
  const scale = Math.min(1, longestPx / Math.max(image.width, image.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(image.width * scale)),
    Math.max(1, Math.round(image.height * scale)),
  );
  canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  let blob = await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITIES[0] });
  for (const quality of QUALITIES.slice(1)) {
    if (blob.size <= wishBytes) break;
    blob = await canvas.convertToBlob({ type: "image/jpeg", quality });
  }
  return { ok: true, blob };
}

Comlink.expose({ shrink });
