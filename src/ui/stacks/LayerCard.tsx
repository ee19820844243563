"use client";

import { ArrowDown, ArrowUp, Copy, Trash2 } from "lucide-react";
import { type ReactNode, useMemo } from "react";
import {
  FILM_ROLES,
  HEAVINESSES,
  isOneOf,
  type Layer,
  type MaterialGroup,
  type Product,
  type Zone,
} from "@/core/model";
import { HEAVINESS_OF_LABEL } from "@/core/reference";
import { figureShown, filmText } from "@/format";
import { HEAVINESS_NAME, ROLE_NAME, TOUCH_NAME } from "@/messages";
import { NumberCell, SelectCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";
import { Befores } from "./Befores";
import { LayerMore } from "./LayerMore";
import { Sanding } from "./Sanding";
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

/** Sits above its own fields: what the layer is, how it is laid, what is done before and after. */
export function LayerCard({
  n,
  layer,
  product,
  group,
  zones,
  shelf,
  regionId,
  guides,
  share,
  dryUm,
  change,
  grip,
  moves,
  children,
}: {
  n: number;
  layer: Layer;
  product: Product;
  /** of the part's material; null = nobody told */
  group: MaterialGroup | null;
  /** of the face, with needs of their own */
  zones: readonly Zone[];
  shelf: readonly Product[];
  regionId: string;
  /** products to mist over it before it is rubbed, best first */
  guides: readonly string[];
  /** of the face it lies on, (0, 1] */
  share: number;
  dryUm: number;
  change: ChangeStack;
  grip: Grip;
  moves: LayerMoves;
  children: ReactNode;
}) {
  const save = useMemo(() => layerSaver(change, layer.id), [change, layer.id]);
  const of = `layer ${n}, ${product.name}`;
  const film = isOneOf(FILM_ROLES)(product.role);
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
          {layer.touch ? `${TOUCH_NAME[layer.touch.kind]}: ` : ""}
          {product.name}
        </h3>
        <span className="soft text-sm whitespace-nowrap">
          {film
            ? `${filmText(dryUm)} dry${share < 1 ? `, on ${Math.round(share * 100)} % of the face` : ""}`
            : `${ROLE_NAME[product.role].toLowerCase()}, leaves no film`}
        </span>
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
        {film ? (
          <HowLaid layer={layer} product={product} of={of} save={save} />
        ) : (
          <HowUsed layer={layer} of={of} save={save} />
        )}
        <Befores layer={layer} of={of} shelf={shelf} save={save} />
        {film && (
          <Sanding
            layer={layer}
            of={of}
            guides={guides.flatMap((id) => shelf.find((p) => p.id === id) ?? [])}
            save={save}
          />
        )}
      </div>
      <LayerMore {...{ layer, product, group, zones, of, shelf, regionId, save }} />
      {children}
    </section>
  );
}

interface FieldsProps {
  readonly layer: Layer;
  readonly of: string;
  readonly save: SaveField;
}

/** Coats of a film: how many, how heavy, how far from the one below. */
function HowLaid({ layer, product, of, save }: FieldsProps & { product: Product }) {
  const wet = layer.wftUm ?? product.label.wftUm * HEAVINESS_OF_LABEL[layer.heaviness];
  return (
    <>
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
    </>
  );
}

/** What leaves no film: how often over, and how long after the film below. */
function HowUsed({ layer, of, save }: FieldsProps) {
  return (
    <>
      <NumberCell
        value={layer.coats}
        field="coats"
        label={`Times over with ${of}`}
        unit="times over"
        save={save}
        className="w-32"
      />
      <NumberCell
        value={layer.gapMin}
        field="gapMin"
        label={`Gap before ${of}`}
        unit="min gap"
        placeholder="when ready"
        save={save}
        className="w-40"
      />
    </>
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
