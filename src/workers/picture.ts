import { imageSize } from "image-size";
import type { PhotoType } from "@/contracts";

/** Longest side and most pixels of a picture that is kept: a browser that shows it unpacks every one of them. */
const LONGEST_PX = 16_384;
const MOST_MEGAPIXELS = 64;
const PX_PER_MEGAPIXEL = 1_000_000;

const TYPES: Readonly<Record<string, PhotoType>> = { jpg: "image/jpeg", png: "image/png", webp: "image/webp" };

export type Picture =
  | { readonly ok: true; readonly type: PhotoType }
  | { readonly ok: false; readonly fault: "no-picture" | "too-many-pixels" };

/** What a picture's own first bytes say it is and how large; nothing is unpacked, and neither name nor sender is asked. */
export function pictureOf(bytes: Uint8Array): Picture {
  const size = sizeOf(bytes);
  const type = TYPES[size?.type ?? ""];
  if (!size || !type || !(size.width > 0 && size.height > 0)) return { ok: false, fault: "no-picture" };
  const { width, height } = size;
  if (Math.max(width, height) > LONGEST_PX || width * height > MOST_MEGAPIXELS * PX_PER_MEGAPIXEL)
    return { ok: false, fault: "too-many-pixels" };
  return { ok: true, type };
}

export const PICTURE_FAULTS = {
  "no-picture": "is no JPEG, PNG or WebP picture that can be read",
  "too-many-pixels": `has more than ${MOST_MEGAPIXELS} million pixels, or a side over ${LONGEST_PX}: make it smaller first`,
} as const;

function sizeOf(bytes: Uint8Array): ReturnType<typeof imageSize> | null {
  try {
    return imageSize(bytes);
  } catch {
    return null;
  }
}
