import { Plus, X } from "lucide-react";
import { useState } from "react";
import type { Problem } from "@/contracts";
import { MOST_ZONES, type Region, type Zone } from "@/core/model";
import { SPOT_SHARE } from "@/core/reference";
import { ZONE_WORDS } from "@/messages";
import { NumberCell, TextCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";

const PERCENT = 100;

/** Zones of a face with needs of their own, each filled and levelled by what is put on it by name. */
export function Zones({
  region,
  of,
  save,
}: {
  readonly region: Region;
  readonly of: string;
  readonly save: SaveField;
}) {
  const zones = region.zones ?? [];
  const [fault, setFault] = useState<string | null>(null);
  const store = (next: readonly Zone[]): Promise<Problem | null> => save({ zones: next });
  const put = async (next: readonly Zone[]) => setFault((await store(next))?.detail ?? null);
  const left = Math.max(0, 1 - zones.reduce((sum, z) => sum + z.share, 0));
  return (
    <div className="grid gap-2">
      <p className="soft text-sm">
        A zone needs more than the rest of the face: an upside-down dome, a rough top. Layers are put on it by its name.
      </p>
      {zones.map((zone, n) => {
        const saveZone: SaveField = async (fields) => {
          const next = { ...fields, ...(typeof fields.share === "number" ? { share: fields.share / PERCENT } : {}) };
          const problem = await store(zones.map((z, k) => (k === n ? { ...z, ...next } : z)));
          const own = `zones.${n}.`;
          return problem
            ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace(own, "") })) }
            : null;
        };
        const figure = (field: "ridgeUm" | "fillDepthUm" | "fillWidthUm") => (
          <span className="grid gap-0.5 text-sm">
            {ZONE_WORDS[field]}
            <NumberCell
              value={zone[field]}
              field={field}
              label={`${ZONE_WORDS[field]} of ${zone.name} on ${of}`}
              unit="µm"
              placeholder="none"
              save={saveZone}
            />
          </span>
        );
        return (
          <fieldset key={zone.name} className="grid grid-cols-2 items-start gap-2 rounded-box bg-base-200 p-2">
            <legend className="sr-only">Zone {zone.name}</legend>
            <span className="grid gap-0.5 text-sm">
              {ZONE_WORDS.name}
              <TextCell
                value={zone.name}
                field="name"
                label={`Name of the zone ${zone.name} of ${of}`}
                save={saveZone}
              />
            </span>
            <span className="grid gap-0.5 text-sm">
              <span className="flex justify-between">
                {ZONE_WORDS.share}
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square -mt-1"
                  aria-label={`Take away the zone ${zone.name} of ${of}`}
                  onClick={() => void put(zones.filter((_, k) => k !== n))}
                >
                  <X className="size-3.5" aria-hidden />
                </button>
              </span>
              <NumberCell
                value={zone.share * PERCENT}
                field="share"
                label={`Share of ${zone.name} on ${of}`}
                unit="%"
                save={saveZone}
              />
            </span>
            {figure("ridgeUm")}
            {figure("fillDepthUm")}
            {figure("fillWidthUm")}
          </fieldset>
        );
      })}
      {fault && (
        <p role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
      {zones.length < MOST_ZONES && (
        <button
          type="button"
          className="btn btn-sm justify-self-start gap-1"
          disabled={left < 0.01}
          onClick={() =>
            void put([
              ...zones,
              {
                name: freeName(zones),
                share: Math.min(SPOT_SHARE, left),
                ridgeUm: region.ridgeUm,
                fillDepthUm: null,
                fillWidthUm: null,
              },
            ])
          }
        >
          <Plus className="size-4" aria-hidden />
          Add a zone
        </button>
      )}
    </div>
  );
}

const freeName = (zones: readonly Zone[]): string => {
  const taken = new Set(zones.map((z) => z.name));
  let n = zones.length + 1;
  while (taken.has(`zone ${n}`)) n += 1;
  return `zone ${n}`;
};
