"use client";

import { useState } from "react";
import { readStandInLampAction } from "@/actions/settings";
import { type Shop, USUAL_LAMP } from "@/contracts";
import { cureSideMin, lampAtPartMwCm2, SUNS, sunSideMin } from "@/core/reference";
import { duration, figureField, figureShown, numberTyped, relativeDay, unitShown } from "@/format";
import { NumberCell } from "../components/cells";
import { useAct } from "../hooks/useAct";
import type { SaveField } from "../hooks/useRow";
import { Labelled, within } from "./fields";

/** The curing lamp: what was read of it, how far from it parts lie, and what that makes of a side of a printed part. */
export function LampSettings({ shop, save, nowMs }: { shop: Shop; save: SaveField; nowMs: number }) {
  const lamp = shop.lamp ?? USUAL_LAMP;
  const own = within(save, "lamp", (fields) => fields);
  const { reading } = lamp;
  const atPart = reading ? lampAtPartMwCm2(reading.mwCm2, reading.cm, lamp.partCm) : null;
  const sideMin = duration(cureSideMin(atPart));
  return (
    <section aria-labelledby="lamp" className="grid gap-3">
      <h2 id="lamp" className="border-b border-base-300 text-lg font-bold">
        Curing lamp
      </h2>
      <p className="max-w-2xl">
        {reading && atPart !== null ? (
          <>
            <b>{round2(reading.mwCm2)} mW/cm²</b> at {figureShown(reading.cm, "cm")} {unitShown("cm")}, read{" "}
            {relativeDay(Math.floor(Date.parse(reading.at) / 60_000), Math.floor(nowMs / 60_000), shop.timeZone)} by the{" "}
            {reading.source}; where parts lie about {round2(atPart)} mW/cm². A side of a printed part: <b>{sideMin}</b>{" "}
            (est.; the resin’s bottle decides).
          </>
        ) : (
          <>
            It was never read: an ordinary box is taken, <b>{sideMin}</b> a side (est.). Read it once with a meter, here
            or through <code>/api/v1/lamp/readings</code>.
          </>
        )}
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <Labelled label="Parts lie so far from the lamp">
          <NumberCell
            value={lamp.partCm}
            field="partCm"
            label="Distance of parts"
            unit="cm"
            save={own}
            className="w-28"
          />
        </Labelled>
        <Labelled label="Its light (on the lamp or its box)">
          <NumberCell
            value={lamp.wavelengthNm}
            field="wavelengthNm"
            label="Wavelength"
            unit="nm"
            save={own}
            className="w-28"
          />
        </Labelled>
        <StandInMeter />
      </div>
      <p className="soft text-sm">
        Never look into it, and shield it: such light harms eyes and skin though little of it is seen. Sun cures too,
        and spoils paint that lies in it:{" "}
        {SUNS.map((sun) => `${sun} about ${duration(sunSideMin(sun))} a side`).join(", ")} (est.). A face that lies in
        the sun gets those minutes under Parts, “Minutes a side”.
      </p>
    </section>
  );
}

/** No meter yet: a simulated one reads a simulated lamp, and posts what it reads as a real one would. */
function StandInMeter() {
  const { act, busy } = useAct();
  const [cm, setCm] = useState(() => figureField(USUAL_LAMP.partCm, "cm"));
  const [fault, setFault] = useState<string | null>(null);
  const read = async () => {
    const outcome = await act(() => readStandInLampAction(numberTyped(cm, "cm")), { quiet: true });
    setFault(outcome.ok ? null : outcome.problem.detail);
  };
  return (
    <div className="grid gap-1">
      <span className="text-sm">No meter? A simulated one, of a simulated lamp</span>
      <span className="flex flex-wrap items-center gap-2">
        at
        <input
          className={`input input-sm w-20 text-right ${fault ? "input-error" : ""}`}
          inputMode="decimal"
          aria-label="Distance of the meter, cm"
          aria-invalid={fault !== null}
          value={cm}
          onChange={(e) => setCm(e.target.value)}
        />
        {unitShown("cm")}
        <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void read()}>
          Read the lamp
        </button>
        {fault && (
          <span role="alert" className="font-semibold text-error">
            {fault}
          </span>
        )}
      </span>
    </div>
  );
}

const round2 = (x: number): number => Math.round(x * 100) / 100;
