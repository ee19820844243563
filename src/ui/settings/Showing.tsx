"use client";

import { type Shop, type Showing, showingSchema, USUAL_SHOWING } from "@/contracts";
import { SelectCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";
import { Labelled, within } from "./fields";

const NAMES: {
  readonly [K in keyof Showing]: { readonly label: string; readonly of: Readonly<Record<Showing[K], string>> };
} = {
  temp: { label: "Temperatures in", of: { c: "°C", f: "°F" } },
  film: { label: "Films in", of: { um: "µm", mil: "mil (thousandths of an inch)" } },
  length: { label: "Lengths and areas in", of: { mm: "mm and cm²", in: "inches" } },
  volume: { label: "Amounts in", of: { ml: "ml", "fl-oz": "fl oz (US)" } },
  pressure: { label: "Pressures in", of: { bar: "bar", psi: "psi" } },
  clock: { label: "Clock of", of: { "24": "24 hours: 19:00", "12": "12 hours: 7:00 pm" } },
  dates: {
    label: "Dates as",
    of: { dmy: "day, month, year", mdy: "month, day, year", ymd: "year, month, day: 2026-11-28" },
  },
  week: { label: "Weeks begin on", of: { mon: "Monday", sun: "Sunday" } },
};

/** In which units and in what order this reader sees and types figures; what is stored does not change. */
export function ShowingSettings({ shop, save }: { shop: Shop; save: SaveField }) {
  const now = shop.showing ?? USUAL_SHOWING;
  const own = within(save, "showing", (fields) => fields);
  return (
    <section id="showing" aria-labelledby="showing-title" className="grid gap-3">
      <h2 id="showing-title" className="border-b border-base-300 text-lg font-bold">
        Units, clock and dates
      </h2>
      <p className="soft">
        How figures are shown and typed, here and on every screen. Nothing stored changes; files and the API keep µm,
        °C, ml and 24 hours.
      </p>
      <div className="flex flex-wrap gap-4">
        {(Object.keys(showingSchema.shape) as (keyof Showing)[]).map((key) => (
          <Labelled key={key} label={NAMES[key].label}>
            <SelectCell
              value={now[key]}
              field={key}
              label={NAMES[key].label}
              options={NAMES[key].of}
              save={own}
              className="w-60"
            />
          </Labelled>
        ))}
      </div>
    </section>
  );
}
