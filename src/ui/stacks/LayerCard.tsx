"use client";

import { ArrowDown, ArrowUp, Copy, Trash2 } from "lucide-react";
import { type ReactNode, useMemo, useState } from "react";
import type { Problem } from "@/contracts";
import type { BeforeStep, Layer, Product, SandAfter } from "@/core/model";
import { BEFORE_STEPS, HEAVINESSES } from "@/core/model";
import { HEAVINESS_OF_LABEL } from "@/core/reference";
import { figureShown, filmText } from "@/format";
import { BEFORE_NAME, GRIT_SCALE_NAME, HEAVINESS_NAME } from "@/messages";
import { NumberCell, SelectCell } from "../components/cells";
import { LayerMore } from "./LayerMore";
import type { Grip } from "./SortablePile";
import { type ChangeStack, layerSaver } from "./useStack";

export interface LayerMoves {
  readonly up: (() => void) | null;
  readonly down: (() => void) | null;
  readonly repeat: () => void;
  readonly remove: () => void;
}

/** How heavily, and what that comes to in the wet with this product. */
const heavinessOf = (p: Product): Readonly<Record<string, string>> =>
  Object.fromEntries(
    HEAVINESSES.map((h) => [h, `${HEAVINESS_NAME[h]}, ${filmText(Math.round(p.label.wftUm * HEAVINESS_OF_LABEL[h]))}`]),
  );

const DEFAULT_SANDING: SandAfter = { grit: 400, wet: false, takesUm: 10 };

/** Sits above its own fields: what the layer is, how it is laid, what is done before and after. */
export function LayerCard({
  n,
  layer,
  product,
  others,
  dryUm,
  change,
  grip,
  moves,
  children,
}: {
  n: number;
  layer: Layer;
  product: Product;
  /** what may stand in its place */
  others: readonly Product[];
  dryUm: number;
  change: ChangeStack;
  grip: Grip;
  moves: LayerMoves;
  children: ReactNode;
}) {
  const save = useMemo(() => layerSaver(change, layer.id), [change, layer.id]);
  const of = `layer ${n}, ${product.name}`;
  const wet = layer.wftUm ?? product.label.wftUm * HEAVINESS_OF_LABEL[layer.heaviness];
  return (
    <section
      className="rounded-box border border-base-300 bg-base-100 p-2.5"
      aria-label={`Layer ${n}: ${product.name}`}
      data-layer={layer.id}
    >
      <div className="flex flex-wrap items-center gap-2">
        {grip(`Drag ${of} to another place`)}
        <span
          className="grid size-6 place-items-center rounded-full border border-base-content/50 text-sm font-bold"
          aria-hidden
        >
          {n}
        </span>
        <span
          className="size-6 rounded-field border border-base-content/40"
          style={{ background: product.colour }}
          aria-hidden
        />
        <h3 className="min-w-0 flex-1 truncate font-bold" title={product.name}>
          {product.name}
        </h3>
        <span className="soft text-sm whitespace-nowrap">{filmText(dryUm)} dry</span>
        <Tool label={`Move ${of} up`} onClick={moves.up}>
          <ArrowUp className="size-4" aria-hidden />
        </Tool>
        <Tool label={`Move ${of} down`} onClick={moves.down}>
          <ArrowDown className="size-4" aria-hidden />
        </Tool>
        <Tool label={`Repeat ${of}`} onClick={moves.repeat}>
          <Copy className="size-4" aria-hidden />
        </Tool>
        <Tool label={`Remove ${of}`} onClick={moves.remove}>
          <Trash2 className="size-4" aria-hidden />
        </Tool>
      </div>
      <div className="mt-2 flex flex-wrap items-start gap-x-2 gap-y-1.5">
        <NumberCell
          value={layer.coats}
          field="coats"
          label={`Coats of ${of}`}
          unit="coats"
          save={save}
          className="w-24"
        />
        <SelectCell
          value={layer.heaviness}
          field="heaviness"
          label={`Heaviness of ${of}`}
          options={heavinessOf(product)}
          save={save}
          className="w-36"
        />
        <NumberCell
          value={layer.wftUm}
          field="wftUm"
          label={`Wet film a coat of ${of}`}
          unit="µm wet"
          placeholder={`≈ ${figureShown(Math.round(wet), "µm")}`}
          save={save}
          className="w-32"
        />
        <NumberCell
          value={layer.gapMin}
          field="gapMin"
          label={`Gap before ${of}`}
          unit="min gap"
          placeholder="earliest"
          save={save}
          className="w-36"
        />
        <Befores layer={layer} of={of} save={save} />
        <Sanding layer={layer} of={of} save={save} />
      </div>
      <LayerMore layer={layer} product={product} of={of} others={others} save={save} />
      {children}
    </section>
  );
}

function Tool({ label, onClick, children }: { label: string; onClick: (() => void) | null; children: ReactNode }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs btn-square"
      aria-label={label}
      title={label}
      disabled={onClick === null}
      onClick={() => onClick?.()}
    >
      {children}
    </button>
  );
}

type Save = (fields: Record<string, unknown>) => Promise<Problem | null>;

function Befores({ layer, of, save }: { layer: Layer; of: string; save: Save }) {
  const toggle = (step: BeforeStep) => {
    const next = BEFORE_STEPS.filter((s) => (s === step ? !layer.before.includes(s) : layer.before.includes(s)));
    void save({ before: next });
  };
  return (
    <fieldset className="flex items-center gap-2 pt-1 text-sm" aria-label={`Before ${of}`}>
      <span className="soft">before it:</span>
      {BEFORE_STEPS.filter((s) => s !== "dry").map((s) => (
        <label key={s} className="flex items-center gap-1">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={layer.before.includes(s)}
            onChange={() => toggle(s)}
          />
          {BEFORE_NAME[s].toLowerCase()}
        </label>
      ))}
    </fieldset>
  );
}

function Sanding({ layer, of, save }: { layer: Layer; of: string; save: Save }) {
  const s = layer.sandAfter;
  const [fault, setFault] = useState<string | null>(null);
  const part = async (fields: Record<string, unknown>): Promise<Problem | null> => {
    const problem = await save({ sandAfter: { ...(s ?? DEFAULT_SANDING), ...fields } });
    return problem
      ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace("sandAfter.", "") })) }
      : null;
  };
  const toggle = async () => setFault((await save({ sandAfter: s ? null : DEFAULT_SANDING }))?.detail ?? null);
  return (
    <div className="flex flex-wrap items-start gap-2 text-sm">
      <span className="soft pt-1">after it:</span>
      <label className="flex items-center gap-1 pt-1">
        <input type="checkbox" className="checkbox checkbox-xs" checked={s !== null} onChange={() => void toggle()} />
        sand<span className="sr-only"> {of}</span>
      </label>
      {s && (
        <NumberCell
          value={s.grit}
          field="grit"
          label={`Grit after ${of}`}
          unit={s.scale === "CAMI" ? "" : "P"}
          save={part}
          className="w-20"
        />
      )}
      {s && (
        <SelectCell
          value={s.scale ?? "P"}
          field="scale"
          label={`Grit scale after ${of}`}
          options={GRIT_SCALE_NAME}
          save={part}
          className="w-28"
        />
      )}
      {s && (
        <NumberCell
          value={s.takesUm}
          field="takesUm"
          label={`Sanding takes off ${of}`}
          unit="µm off"
          save={part}
          className="w-28"
        />
      )}
      {s && (
        <label className="flex items-center gap-1 pt-1">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={s.wet}
            onChange={() => void part({ wet: !s.wet })}
          />
          wet
        </label>
      )}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
