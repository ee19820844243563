"use client";

import { ImagePlus, X } from "lucide-react";
import { useId, useState } from "react";

/** Longest side a photo is kept at, px: enough to judge a finish, small enough for a shed's disk. */
const LONGEST_PX = 1600;
const JPEG_QUALITY = 0.85;

/** The picture made smaller; redrawing it also leaves behind where and with what it was taken. */
async function shrunk(file: File): Promise<Blob> {
  const image = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
  const canvas = new OffscreenCanvas(Math.round(image.width * scale), Math.round(image.height * scale));
  canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: "image/jpeg", quality: JPEG_QUALITY });
}

async function upload(file: File): Promise<string> {
  const body = await shrunk(file).catch(() => null);
  if (!body) throw new Error(`${file.name} is no picture this browser can read.`);
  const response = await fetch("/api/v1/photos", { method: "POST", body });
  const answer = (await response.json()) as { hash?: string; detail?: string };
  if (!response.ok || !answer.hash) throw new Error(answer.detail ?? "The picture was not taken over.");
  return answer.hash;
}

/** One photo: shown, replaced, taken away. */
export function PhotoField({
  label,
  hash,
  save,
  small = false,
}: {
  label: string;
  hash: string | null;
  save: (hash: string | null) => void;
  /** in a row of other things: a thumbnail */
  small?: boolean;
}) {
  const id = useId();
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setFault(null);
    try {
      save(await upload(file));
    } catch (error) {
      setFault((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className={small ? "flex flex-wrap items-center gap-2" : "grid justify-items-start gap-1"}>
      {hash && (
        // biome-ignore lint/performance/noImgElement: comes from the local database, at its own size
        <img
          src={`/api/v1/photos/${hash}`}
          alt={label}
          className={`rounded-box border border-base-300 ${small ? "h-8" : "max-h-48"}`}
        />
      )}
      <span className="flex gap-2">
        <label htmlFor={id} className={`btn btn-sm ${busy ? "btn-disabled" : ""}`}>
          <ImagePlus className="size-4" aria-hidden />
          {hash ? "Another photo" : "Photo"}
          <span className="sr-only"> of {label}</span>
        </label>
        <input
          id={id}
          type="file"
          accept="image/*"
          className="sr-only"
          onChange={(e) => void take(e.target.files?.[0])}
        />
        {hash && (
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => save(null)}>
            <X className="size-4" aria-hidden />
            <span className={small ? "sr-only" : ""}>Take the photo away</span>
          </button>
        )}
      </span>
      {fault && (
        <p role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
