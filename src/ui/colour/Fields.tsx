"use client";

import { Plus, X } from "lucide-react";
import type { ColourScreen } from "@/contracts";
import type { Scheme, SchemeField } from "@/core/model";
import { inUnits } from "@/format";
import { NumberCell, TextCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";
import type { Fault } from "./fault";

type Chosen = NonNullable<ColourScreen["chosen"]>;
const PERCENT = 100;
const LEAST_SHARE = 0.01;

const nextName = (fields: readonly SchemeField[]): string => {
  for (let n = fields.length + 1; ; n++) if (!fields.some((f) => f.name === `field ${n}`)) return `field ${n}`;
};

/** The fields of a face: their names, how much of it each takes, and their colours. */
export function Fields({
  screen,
  chosen,
  change,
  fault,
}: {
  screen: ColourScreen;
  chosen: Chosen;
  change: (scheme: Scheme) => Promise<boolean>;
  fault: Fault | null;
}) {
  const { scheme } = chosen;
  const { fields } = scheme;
  const left = Math.max(0, 1 - fields.reduce((sum, f) => sum + f.share, 0));
  const put = (next: readonly SchemeField[]) => {
    const names = new Set(next.map((f) => f.name));
    const colours = new Set(next.flatMap((f) => f.productId ?? []));
    return change({
      fields: next,
      edges: scheme.edges.filter((e) => e.between.every((name) => names.has(name))),
      order: scheme.order?.filter((id) => colours.has(id)) ?? null,
    });
  };
  const own = (n: number, edit: Partial<SchemeField>) => fields.map((f, k) => (k === n ? { ...f, ...edit } : f));
  const save =
    (n: number): SaveField =>
    async (told) => {
      const name = typeof told.name === "string" ? told.name : null;
      if (name !== null) {
        // its edges follow a field that is called something else
        const was = fields[n]!.name;
        const edges = scheme.edges.map((e) => {
          const [a, b] = e.between.map((x) => (x === was ? name : x)) as [string, string];
          return { ...e, between: [a, b] as const };
        });
        await change({ ...scheme, fields: own(n, { name }), edges });
        return null;
      }
      const share = typeof told.share === "number" ? { share: told.share / PERCENT } : {};
      const coats = "coats" in told ? { coats: told.coats as number | null } : {};
      await put(own(n, { ...share, ...coats }));
      return null;
    };
  const at = fault?.path.match(/^fields\.(\d+)\.(\w+)/);
  return (
    <section aria-label="Fields" className="grid gap-2">
      <h3 className="font-bold">Fields</h3>
      {fields.map((f, n) => (
        <div
          key={f.name}
          className="grid grid-cols-[minmax(0,1fr)_5.5rem_2rem] items-center gap-2 sm:grid-cols-[minmax(0,1fr)_5.5rem_minmax(0,1.4fr)_5rem_2rem]"
          data-field={f.name}
        >
          <TextCell value={f.name} field="name" label={`Name of ${f.name}`} save={save(n)} />
          <NumberCell
            value={Math.round(1000 * f.share) / 10}
            field="share"
            label={`Share of ${f.name}`}
            unit="%"
            save={save(n)}
          />
          <select
            className="select select-sm w-full"
            aria-label={`Colour of ${f.name}`}
            value={f.productId ?? ""}
            onChange={(e) => void put(own(n, { productId: e.target.value || null }))}
          >
            <option value="">as it is below</option>
            {screen.colours.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
                {c.owned ? "" : " (to buy)"}
              </option>
            ))}
          </select>
          <NumberCell
            value={f.coats}
            field="coats"
            label={`Coats of ${f.name}`}
            unit=""
            placeholder="to hide"
            save={save(n)}
          />
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={`Take ${f.name} out`}
            onClick={() => void put(fields.filter((_, k) => k !== n))}
          >
            <X className="size-4" aria-hidden />
          </button>
        </div>
      ))}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {at ? `${fields[Number(at[1])]?.name ?? "a field"}: ${at[2]} ` : ""}
          {inUnits(fault.message)}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-sm"
          disabled={left < LEAST_SHARE / 10}
          onClick={() => {
            const share = fields.length === 0 ? 0.5 : Math.max(LEAST_SHARE, Math.round(1000 * left) / 1000);
            void put([
              ...fields,
              { name: nextName(fields), share: Math.min(share, left), productId: null, coats: null },
            ]);
          }}
        >
          <Plus className="size-4" aria-hidden />
          Field
        </button>
        <span className="soft text-sm">
          {left < 1e-4
            ? "The whole face is shared out."
            : `${Math.round(1000 * left) / 10} % of the face is in no field: that stays as it is below.`}
        </span>
      </div>
    </section>
  );
}
