"use client";

import { ImagePlus, X } from "lucide-react";
import { useId } from "react";
import { useUpload } from "../hooks/upload";

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
  const { take, busy, fault } = useUpload(save);
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
