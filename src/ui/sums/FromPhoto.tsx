"use client";

import { type PointerEvent, useEffect, useRef, useState } from "react";

/** Photos are drawn no wider than this: enough to point at. */
const MOST_PX = 760;
/** So far about the point the shade is taken from, pixels of what is drawn. */
const AROUND_PX = 4;

const STEPS = ["card", "patch"] as const;
type Step = (typeof STEPS)[number];
const ASKS: Readonly<Record<Step, string>> = {
  card: "Point at the grey card.",
  patch: "Now at the patch; again for another.",
};

/** Middle of what lies about a point, #rrggbb. */
function shadeAt(canvas: HTMLCanvasElement, x: number, y: number): string | null {
  const from = { x: Math.max(0, Math.round(x) - AROUND_PX), y: Math.max(0, Math.round(y) - AROUND_PX) };
  const size = 2 * AROUND_PX + 1;
  const data = canvas.getContext("2d", { willReadFrequently: true })?.getImageData(from.x, from.y, size, size).data;
  if (!data) return null;
  const sums = [0, 0, 0];
  let count = 0;
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] === 0) continue;
    count += 1;
    for (let c = 0; c < 3; c++) sums[c]! += data[i + c]!;
  }
  if (count === 0) return null;
  return `#${sums
    .map((s) =>
      Math.round(s / count)
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;
}

/** A photograph on this device, pointed at: the card first, then the patch. It is not sent anywhere. */
export function FromPhoto({ take }: { take: (shades: Readonly<Partial<Record<Step, string>>>) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [image, setImage] = useState<ImageBitmap | null>(null);
  const [step, setStep] = useState<Step>("card");
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    const on = canvas.current;
    if (!on || !image) return;
    const scale = Math.min(1, MOST_PX / image.width);
    on.width = Math.max(1, Math.round(image.width * scale));
    on.height = Math.max(1, Math.round(image.height * scale));
    on.getContext("2d", { willReadFrequently: true })?.drawImage(image, 0, 0, on.width, on.height);
  }, [image]);
  const open = async (file: File | undefined) => {
    if (!file) return;
    setFault(null);
    try {
      setImage(await createImageBitmap(file));
      setStep("card");
    } catch {
      setFault("That is no picture this browser can read.");
    }
  };
  const point = (e: PointerEvent<HTMLCanvasElement>) => {
    const on = e.currentTarget;
    const box = on.getBoundingClientRect();
    const shade = shadeAt(
      on,
      ((e.clientX - box.left) / box.width) * on.width,
      ((e.clientY - box.top) / box.height) * on.height,
    );
    if (shade === null) return;
    take({ [step]: shade });
    setStep("patch");
  };
  return (
    <div className="grid gap-2 rounded-box bg-base-200 p-3">
      <label className="grid gap-1 text-sm">
        A photo with a grey card in it (it stays on this device)
        <input
          type="file"
          accept="image/*"
          className="file-input file-input-sm w-full"
          onChange={(e) => void open(e.target.files?.[0])}
        />
      </label>
      {fault && (
        <p role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
      {image && (
        <>
          <p role="status" className="text-sm font-semibold">
            {ASKS[step]}
          </p>
          <canvas
            ref={canvas}
            className="w-full cursor-crosshair rounded-box"
            aria-label="The photo, to point at"
            onPointerDown={point}
          />
          <button type="button" className="btn btn-ghost btn-sm justify-self-start" onClick={() => setStep("card")}>
            Point at the card again
          </button>
        </>
      )}
    </div>
  );
}
