import { FILM_ROLES, isOneOf, type Layer, type Product, type SetUp } from "@/core/model";
import { NumberCell, SelectCell, TextCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";

const named = (products: readonly Product[]): Readonly<Record<string, string>> =>
  Object.fromEntries(products.map((p) => [p.id, p.name]));

/** What goes into the cup with a layer's product: thinner by parts, another product, the ratio really mixed, minutes a batch is worked. */
export function Cup({
  layer,
  product,
  shelf,
  of,
  save,
}: {
  layer: Layer;
  product: Product;
  shelf: readonly Product[];
  of: string;
  save: SaveField;
}) {
  const setUp = (fields: Partial<SetUp>) => save({ setUp: { ...layer.setUp, ...fields } });
  // cleared is as good as not told
  const text: SaveField = (fields) =>
    save(Object.fromEntries(Object.entries(fields).map(([k, v]) => [k, v === "" ? null : v])));
  const paints = shelf.filter((p) => isOneOf(FILM_ROLES)(p.role) && p.id !== product.id);
  const thinners = shelf.filter((p) => p.role === "thinner" || p.role === "degreaser");
  const thinned = layer.thinnerId != null || layer.thinRatio != null;
  return (
    <>
      {thinners.length > 0 && (
        <SelectCell
          value={layer.thinnerId ?? "none"}
          field="thinnerId"
          label={`Thinner in ${of}`}
          options={{ none: "as it is, no thinner", ...named(thinners) }}
          save={({ thinnerId }) => save({ thinnerId: thinnerId === "none" ? null : thinnerId })}
          className="w-52"
        />
      )}
      {(thinned || thinners.length === 0) && (
        <Ratio
          value={layer.thinRatio ?? ""}
          field="thinRatio"
          label={`Paint to thinner in ${of}, parts`}
          unit="paint : thinner"
          save={text}
        />
      )}
      {paints.length > 0 && (
        <SelectCell
          value={layer.mixedWithId ?? "none"}
          field="mixedWithId"
          label={`Second product in the cup of ${of}`}
          options={{ none: "nothing else in the cup", ...named(paints) }}
          save={({ mixedWithId }) => save({ mixedWithId: mixedWithId === "none" ? null : mixedWithId })}
          className="w-52"
        />
      )}
      {product.mixRatio && (
        <Ratio
          value={layer.mixUsed ?? ""}
          field="mixUsed"
          label={`Really mixed for ${of}, parts`}
          unit={`mixed; label ${product.mixRatio}`}
          save={text}
        />
      )}
      {product.potLifeMin !== null && (
        <NumberCell
          value={layer.setUp?.batchMin ?? null}
          field="batchMin"
          label={`One batch of ${of} is worked for`}
          unit="min a batch"
          save={({ batchMin }) => setUp({ batchMin: batchMin as number | null })}
          className="w-40"
        />
      )}
    </>
  );
}

function Ratio({
  value,
  field,
  label,
  unit,
  save,
}: {
  value: string;
  field: string;
  label: string;
  unit: string;
  save: SaveField;
}) {
  return (
    <span className="flex items-center gap-1">
      <TextCell value={value} field={field} label={label} save={save} className="w-20" />
      <span className="soft text-xs">{unit}</span>
    </span>
  );
}
