"use client";

import { type Shop, USUAL_HABITS } from "@/contracts";
import { NumberCell, TextCell, TickCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";
import { Labelled, within } from "./fields";

/** How wet and waiting parts are kept, and when finished ones are looked at again: the plan keeps to it. */
export function Habits({ shop, save }: { shop: Shop; save: SaveField }) {
  const habits = shop.habits ?? USUAL_HABITS;
  const own = within(save, "habits", (fields) => fields);
  const days: SaveField = (fields) => {
    const list = String(fields.followUpDays)
      .split(",")
      .map((d) => d.trim())
      .filter(Boolean);
    return own({ followUpDays: list.map((d) => (Number.isNaN(Number(d)) ? d : Number(d))) });
  };
  return (
    <section aria-labelledby="habits" className="grid gap-3">
      <h2 id="habits" className="border-b border-base-300 text-lg font-bold">
        How parts are kept
      </h2>
      <TickCell
        label="Wet parts stand under a cover: dust and mist in the room do not reach them"
        value={habits.covered}
        field="covered"
        save={own}
      />
      <TickCell
        label="Parts stand in the cold between sessions and have to warm up before they are coated"
        value={habits.coldStore}
        field="coldStore"
        save={own}
      />
      <div className="flex flex-wrap gap-4">
        <Labelled label="Holders for wet parts (empty: enough)">
          <NumberCell value={habits.holders} field="holders" label="Holders" unit="" save={own} className="w-28" />
        </Labelled>
        <Labelled label="Clamps and bands for joints (empty: enough)">
          <NumberCell value={habits.clamps ?? null} field="clamps" label="Clamps" unit="" save={own} className="w-28" />
        </Labelled>
        <Labelled label="Longest part the booth takes whole (empty: any)">
          <NumberCell
            value={habits.boothMm ?? null}
            field="boothMm"
            label="Booth"
            unit="mm"
            save={own}
            className="w-28"
          />
        </Labelled>
        <Labelled label="Look at a finished face again after so many days, commas between">
          <TextCell
            value={habits.followUpDays.join(", ")}
            field="followUpDays"
            label="Days until it is looked at again"
            save={days}
            className="w-40"
          />
        </Labelled>
      </div>
    </section>
  );
}
