"use client";

import { useState } from "react";
import { FILM_ROLES, isOneOf, type Layer, type Product, type SetUp, type Tape } from "@/core/model";
import { TACK_NAME } from "@/messages";
import { NumberCell, SelectCell, TickCell } from "../components/cells";
import { ProductOptions } from "../components/ProductOptions";
import type { SaveField } from "../hooks/useRow";

const NO_TAPE: Tape = { tack: "low", onMin: null, offMin: null };
const YES_NO = { no: "no", yes: "yes" };

/** What is seldom asked of a layer: depth of a fill, warmth, tape, the gap between its own coats. */
export function LayerMore({
  layer,
  product,
  of,
  others,
  save,
}: {
  layer: Layer;
  product: Product;
  of: string;
  /** what may stand in its place */
  others: readonly Product[];
  save: SaveField;
}) {
  const [fault, setFault] = useState<string | null>(null);
  const told = [
    layer.depthUm != null,
    layer.coatGapMin != null,
    layer.heatC != null,
    layer.tape != null,
    layer.setUp?.backing,
    layer.scuffWet,
  ].filter(Boolean).length;
  const setUp = (fields: Partial<SetUp>) => save({ setUp: { ...layer.setUp, ...fields } });
  const sprayed = product.method === "aerosol" || product.method === "airbrush" || product.method === "spray-gun";
  if (!isOneOf(FILM_ROLES)(product.role)) return null;
  return (
    <details className="mt-1.5 text-sm" open={told > 0 || undefined}>
      <summary className="cursor-pointer soft">More of this layer{told > 0 && ` (${told} told)`}</summary>
      <div className="mt-1.5 flex flex-wrap items-start gap-2">
        <select
          className="select select-sm w-52"
          aria-label={`Replace ${of} by`}
          value=""
          onChange={async (e) => setFault((await save({ productId: e.target.value }))?.detail ?? null)}
        >
          <option value="">Replace by…</option>
          <ProductOptions products={others} />
        </select>
        {fault && (
          <p role="alert" className="font-semibold text-error">
            {fault}
          </p>
        )}
        {product.role === "putty" && (
          <>
            <NumberCell
              value={layer.depthUm ?? null}
              field="depthUm"
              label={`Depth to fill with ${of}`}
              unit="µm deep"
              save={save}
              className="w-40"
            />
            <TickCell
              label="backed"
              field="backing"
              value={layer.setUp?.backing ?? false}
              save={({ backing }) => setUp({ backing: backing === true })}
            />
          </>
        )}
        {layer.coats > 1 && (
          <NumberCell
            value={layer.coatGapMin ?? null}
            field="coatGapMin"
            label={`Gap between the coats of ${of}`}
            unit="min apart"
            placeholder="flash"
            save={save}
            className="w-36"
          />
        )}
        {layer.before.includes("heat") && (
          <NumberCell
            value={layer.heatC ?? null}
            field="heatC"
            label={`Warmed before ${of} to`}
            unit="°C"
            save={save}
            className="w-28"
          />
        )}
        {layer.before.includes("scuff") && (
          <TickCell label="scuffed wet" field="scuffWet" value={layer.scuffWet ?? false} save={save} />
        )}
        {sprayed && (
          <NumberCell
            value={layer.setUp?.canTempC ?? null}
            field="canTempC"
            label={`Can or cup of ${of} at`}
            unit="°C in the can"
            save={({ canTempC }) => setUp({ canTempC: canTempC as number | null })}
            className="w-44"
          />
        )}
        <TapeFields tape={layer.tape ?? null} of={of} save={save} />
      </div>
    </details>
  );
}

function TapeFields({ tape, of, save }: { tape: Tape | null; of: string; save: SaveField }) {
  const part: SaveField = async (fields) => {
    const problem = await save({ tape: { ...(tape ?? NO_TAPE), ...fields } });
    return problem
      ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace("tape.", "") })) }
      : null;
  };
  return (
    <>
      <SelectCell
        value={tape ? "yes" : "no"}
        field="tape"
        label={`Tape on ${of}`}
        options={{ no: "no tape on it", yes: "tape on it" }}
        save={({ tape: on }) => save({ tape: on === YES_NO.yes ? NO_TAPE : null })}
        className="w-36"
      />
      {tape && (
        <>
          <SelectCell
            value={tape.tack}
            field="tack"
            label={`Tack of the tape on ${of}`}
            options={TACK_NAME}
            save={part}
            className="w-32"
          />
          <NumberCell
            value={tape.onMin}
            field="onMin"
            label={`Tape goes on ${of} after`}
            unit="min after"
            placeholder="tape safe"
            save={part}
            className="w-40"
          />
          <NumberCell
            value={tape.offMin}
            field="offMin"
            label={`Tape comes off ${of} after`}
            unit="min, off"
            save={part}
            className="w-36"
          />
        </>
      )}
    </>
  );
}
