"use client";

import { useState } from "react";
import type { Problem } from "@/contracts";
import { printRidgeUm } from "@/core/reference";
import { filmText, numberTyped, unitShown } from "@/format";

/** µm in a mm; no print is laid thicker in one layer. */
const MM = 1000;

interface RidgeProps {
  readonly of: string;
  readonly save: (um: number) => Promise<Problem | null>;
}

/** Ridges of a print from its layer height and how the face leans. */
export function RidgeHelper({ of, save }: RidgeProps) {
  const [layer, setLayer] = useState("");
  const [angle, setAngle] = useState("90");
  const [fault, setFault] = useState<string | null>(null);
  const layerUm = numberTyped(layer, "mm") * MM;
  const angleDeg = numberTyped(angle, "°");
  const um = printRidgeUm(layerUm, angleDeg);
  const isSane = um > 0 && layerUm <= MM && angleDeg >= 0 && angleDeg <= 90;
  return (
    <form
      aria-label={`Reckon the ridges of ${of}`}
      className="grid grid-cols-2 gap-2 rounded-box bg-base-200 p-3"
      onSubmit={async (e) => {
        e.preventDefault();
        setFault((await save(Math.round(um)))?.detail ?? null);
      }}
    >
      <label className="text-sm">
        Layer height, {unitShown("mm")}
        <input
          className="input input-sm w-full"
          inputMode="decimal"
          placeholder="0.2"
          value={layer}
          onChange={(e) => setLayer(e.target.value)}
        />
      </label>
      <label className="text-sm">
        Face leans, ° from level
        <input
          className="input input-sm w-full"
          inputMode="decimal"
          value={angle}
          onChange={(e) => setAngle(e.target.value)}
        />
      </label>
      <p className="soft col-span-2 text-sm">
        90 is an upright wall, 0 a gentle slope on top, where ridges are highest.
      </p>
      <span className="col-span-2 flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-sm btn-primary" disabled={!isSane}>
          Use these ridges
        </button>
        {isSane ? (
          <output className="font-bold">about {filmText(Math.round(um))} (estimate)</output>
        ) : (
          <span className="soft text-sm">
            Give the layer height, up to {unitShown("mm") === "mm" ? "1 mm" : "0.04 in"}.
          </span>
        )}
      </span>
      {fault && (
        <p role="alert" className="col-span-2 font-semibold text-error">
          {fault}
        </p>
      )}
    </form>
  );
}
