"use client";

import { useState } from "react";
import {
  FILM_ROLES,
  HELPER_ROLES,
  isOneOf,
  type Layer,
  type MaterialGroup,
  type Product,
  type Role,
  type SetUp,
  type Tape,
  toldPartly,
  type Zone,
} from "@/core/model";
import { CAN_WARM_C, PART_WARM_C, SPOT_SHARE } from "@/core/reference";
import { sumsOf, TACK_NAME, warmthTexts } from "@/messages";
import { NumberCell, SelectCell, TextCell, TickCell } from "../components/cells";
import { ProductOptions } from "../components/ProductOptions";
import { SumLinks } from "../components/SumLinks";
import type { SaveField } from "../hooks/useRow";
import { Cup } from "./Cup";

const NO_TAPE: Tape = { tack: "low", onMin: null, offMin: null };
const YES_NO = { no: "no", yes: "yes" };

/** What is seldom asked of a layer: what else is in the cup, depth of a fill, warmth, tape, the gap between its own coats. */
export function LayerMore({
  layer,
  product,
  group,
  zones,
  of,
  shelf,
  regionId,
  save,
}: {
  layer: Layer;
  product: Product;
  /** of the part's material; null = nobody told */
  group: MaterialGroup | null;
  zones: readonly Zone[];
  of: string;
  shelf: readonly Product[];
  regionId: string;
  save: SaveField;
}) {
  const [fault, setFault] = useState<string | null>(null);
  const told = [
    layer.depthUm != null,
    layer.coatGapMin != null,
    layer.heatC != null,
    layer.before.includes("warm-part"),
    layer.before.includes("warm-can"),
    layer.tape != null,
    layer.setUp?.backing,
    layer.scuffWet,
    layer.thinnerId ?? layer.thinRatio,
    layer.mixedWithId,
    layer.mixUsed,
    layer.setUp?.batchMin != null,
    layer.setUp?.shaded,
    layer.setUp?.activator,
    layer.setUp?.edgesCovered === false,
    layer.spot != null || (layer.places?.length ?? 0) > 0,
  ].filter(Boolean).length;
  const setUp = (fields: Partial<SetUp>) => save({ setUp: { ...layer.setUp, ...fields } });
  const sprayed = product.method === "aerosol" || product.method === "airbrush" || product.method === "spray-gun";
  const film = isOneOf(FILM_ROLES)(product.role);
  const glue = product.family === "cyanoacrylate";
  const others = shelf.filter((p) => p.id !== product.id && isOneOf(film ? FILM_ROLES : HELPER_ROLES)(p.role));
  return (
    <details className="mt-1.5 text-sm" open={told > 0 || undefined}>
      <summary className="cursor-pointer soft">More of this layer{told > 0 && ` (${told} told)`}</summary>
      {film && <SumLinks ids={sumsOf(product)} product={product.id} region={regionId} />}
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
        {glue && (
          <TickCell
            label="set with activator"
            field="activator"
            value={layer.setUp?.activator ?? false}
            save={({ activator }) => setUp({ activator: activator === true })}
          />
        )}
        {product.family === "uv-acrylate" && (
          <TickCell
            label="light does not reach all of it"
            field="shaded"
            value={layer.setUp?.shaded ?? false}
            save={({ shaded }) => setUp({ shaded: shaded === true })}
          />
        )}
        {SEALS.has(product.role) && (
          <TickCell
            label="edges and cut faces covered too"
            field="edgesCovered"
            value={layer.setUp?.edgesCovered ?? true}
            save={({ edgesCovered }) => setUp({ edgesCovered: edgesCovered === true })}
          />
        )}
        {film && <Spot layer={layer} zones={zones} of={of} save={save} />}
        {film && <Cup layer={layer} product={product} shelf={shelf} of={of} save={save} />}
        {film && layer.coats > 1 && (
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
        {layer.before.includes("warm-part") && (
          <NumberCell
            value={layer.partC ?? null}
            field="partC"
            label={`Part warmed before ${of} to`}
            unit="°C the part"
            placeholder={String(PART_WARM_C)}
            save={save}
            className="w-40"
          />
        )}
        {layer.before.includes("scuff") && (
          <TickCell label="scuffed wet" field="scuffWet" value={layer.scuffWet ?? false} save={save} />
        )}
        {film && sprayed && (
          <NumberCell
            value={layer.setUp?.canTempC ?? null}
            field="canTempC"
            label={`Can or cup of ${of} at`}
            unit="°C in the can"
            placeholder={layer.before.includes("warm-can") ? String(CAN_WARM_C) : ""}
            save={({ canTempC }) => setUp({ canTempC: canTempC as number | null })}
            className="w-44"
          />
        )}
        {film && (
          <TapeFields tape={layer.tape ?? null} masks={shelf.filter((p) => p.role === "masking")} of={of} save={save} />
        )}
      </div>
      {warmthTexts(layer, product, group).map((text) => (
        <p key={text} className="soft mt-1">
          {text}
        </p>
      ))}
    </details>
  );
}

const SEALS: ReadonlySet<Role> = new Set<Role>(["sealer", "primer", "primer-highbuild"]);
const ANY = "any";
const USUAL = "usual";
const WHOLE = "whole";
const SPOTS = "spots";
const ZONE = "zone:";

/** Laid on the whole face, on one of its zones, or on a share of it. */
function Spot({ layer, zones, of, save }: { layer: Layer; zones: readonly Zone[]; of: string; save: SaveField }) {
  const zone = layer.spot == null && layer.places?.length === 1 ? zones.find((z) => z.name === layer.places![0]) : null;
  const told = zone ? `${ZONE}${zone.name}` : layer.spot === false ? WHOLE : toldPartly(layer) ? SPOTS : USUAL;
  const choose: SaveField = ({ spot }) => {
    if (typeof spot === "string" && spot.startsWith(ZONE))
      return save({ spot: null, places: [spot.slice(ZONE.length)] });
    if (spot === SPOTS) return save({ spot: SPOT_SHARE });
    return save({ spot: spot === WHOLE ? false : null, places: undefined });
  };
  return (
    <>
      <SelectCell
        value={told}
        field="spot"
        label={`Where ${of} lies`}
        options={{
          [USUAL]: "lies as its role goes",
          [WHOLE]: "on the whole face",
          ...Object.fromEntries(zones.map(({ name }) => [`${ZONE}${name}`, `on the zone ${name}`])),
          [SPOTS]: "on spots only",
        }}
        save={choose}
        className="w-44"
      />
      {told === SPOTS && (
        <NumberCell
          value={(typeof layer.spot === "number" ? layer.spot : SPOT_SHARE) * 100}
          field="spot"
          label={`Share of the face under ${of}`}
          unit="% of the face"
          save={({ spot }) => save({ spot: typeof spot === "number" ? spot / 100 : spot })}
          className="w-36"
        />
      )}
      {told === SPOTS && (
        <TextCell
          value={(layer.places ?? []).join(", ")}
          field="places"
          label={`Where ${of} lies, by name, commas between`}
          save={({ places }) => {
            const names = String(places)
              .split(",")
              .map((n) => n.trim())
              .filter(Boolean);
            return save({ places: names.length > 0 ? names : undefined });
          }}
          className="w-56"
        />
      )}
    </>
  );
}

function TapeFields({
  tape,
  masks,
  of,
  save,
}: {
  tape: Tape | null;
  masks: readonly Product[];
  of: string;
  save: SaveField;
}) {
  const own = masks.find((m) => m.id === tape?.productId);
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
      {tape && masks.length > 0 && (
        <SelectCell
          value={tape.productId ?? ANY}
          field="productId"
          label={`Mask on ${of}`}
          options={{ [ANY]: "any such tape", ...Object.fromEntries(masks.map((m) => [m.id, m.name])) }}
          save={({ productId }) => part({ productId: productId === ANY ? null : productId })}
          className="w-44"
        />
      )}
      {tape && (
        <>
          <SelectCell
            value={own?.tack ?? tape.tack}
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
