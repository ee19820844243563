"use client";

import type { Shop } from "@/contracts";
import { tempText } from "@/format";
import { NumberCell, SelectCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";
import { Labelled, within } from "./fields";

const AIR_KINDS = { steady: "steady: the same day and night", day: "a typical day, warmer and colder" };

/** The air where nothing was measured or foretold. */
export function AirSettings({ shop, save, today }: { shop: Shop; save: SaveField; today: string }) {
  const { air } = shop;
  const saveAir = within(save, "air", (fields) => fields);
  const tonight = air.tonight?.date === today ? air.tonight.coldestC : null;
  const saveTonight = within(save, "air", (fields) => ({
    tonight: fields.coldestC === null ? null : { date: today, coldestC: fields.coldestC },
  }));
  const day = air.kind === "day";
  return (
    <section id="air" aria-labelledby="air-title" className="grid gap-3">
      <h2 id="air-title" className="border-b border-base-300 text-lg font-bold">
        Typical air
      </h2>
      <p className="soft">
        What the air is taken to be where nothing was measured and no forecast reaches. Moisture in the air stays the
        same through the day, so cold hours are damp hours.
      </p>
      <div className="flex flex-wrap gap-4">
        <Labelled label="Kind">
          <SelectCell
            value={air.kind}
            field="kind"
            label="Kind of air"
            options={AIR_KINDS}
            save={saveAir}
            className="w-72"
          />
        </Labelled>
        <Labelled label={day ? "Mean temperature" : "Temperature"}>
          <NumberCell
            value={air.meanC}
            field="meanC"
            label="Mean temperature"
            unit="°C"
            save={saveAir}
            className="w-28"
          />
        </Labelled>
        {day && (
          <Labelled label="Swing to either side">
            <NumberCell value={air.swingC} field="swingC" label="Swing" unit="∆°C" save={saveAir} className="w-28" />
          </Labelled>
        )}
        {day && (
          <Labelled label="Warmest at">
            <NumberCell
              value={air.warmestHour}
              field="warmestHour"
              label="Warmest hour"
              unit="o’clock"
              save={saveAir}
              className="w-32"
            />
          </Labelled>
        )}
        <Labelled label="Humidity at the mean">
          <NumberCell value={air.rhPct} field="rhPct" label="Humidity" unit="% RH" save={saveAir} className="w-28" />
        </Labelled>
        <Labelled label="Moving air">
          <NumberCell
            value={air.airflowMS}
            field="airflowMS"
            label="Airflow"
            unit="m/s"
            save={saveAir}
            className="w-28"
          />
        </Labelled>
        <Labelled label="Coldest tonight">
          <NumberCell
            value={tonight}
            field="coldestC"
            label="Coldest tonight"
            unit="°C"
            placeholder="as usual"
            save={saveTonight}
            className="w-32"
          />
        </Labelled>
      </div>
      {day && (
        <p>
          Coldest as usual: <strong>{tempText(air.meanC - air.swingC)}</strong>, warmest{" "}
          <strong>{tempText(air.meanC + air.swingC)}</strong>. Still room air is about 0.1 m/s, an extracted booth 0.3,
          a fan 0.6.
        </p>
      )}
    </section>
  );
}
