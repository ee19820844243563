import { BEFORE_STEPS, type BeforeStep, isOneOf, type Layer, LIQUID_BEFORE, type Product } from "@/core/model";
import { BEFORE_NAME } from "@/messages";
import type { SaveField } from "../hooks/useRow";
import { LiquidSelect, withLiquid } from "./Liquids";

/** What is done to the film below before a layer goes on, and with what. */
export function Befores({
  layer,
  of,
  shelf,
  save,
}: {
  layer: Layer;
  of: string;
  shelf: readonly Product[];
  save: SaveField;
}) {
  const isCan = shelf.some((p) => p.id === layer.productId && p.method === "aerosol");
  const toggle = (step: BeforeStep) => {
    const before = BEFORE_STEPS.filter((s) => (s === step ? !layer.before.includes(s) : layer.before.includes(s)));
    const gone = isOneOf(LIQUID_BEFORE)(step) && !before.includes(step);
    void save({ before, ...(gone ? { beforeWith: withLiquid(layer.beforeWith, step, null) } : {}) });
  };
  return (
    <fieldset className="flex flex-wrap items-center gap-2 pt-1 text-sm" aria-label={`Before ${of}`}>
      <span className="soft">before it:</span>
      {BEFORE_STEPS.filter((s) => s !== "dry" && (s !== "warm-can" || isCan || layer.before.includes(s))).map((s) => (
        <span key={s} className="flex items-center gap-1">
          <label className="flex items-center gap-1">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={layer.before.includes(s)}
              onChange={() => toggle(s)}
            />
            {BEFORE_NAME[s].toLowerCase()}
          </label>
          {isOneOf(LIQUID_BEFORE)(s) && layer.before.includes(s) && (
            <LiquidSelect
              label={`${BEFORE_NAME[s]} before ${of} with`}
              value={layer.beforeWith?.[s]}
              shelf={shelf}
              usual="with the usual"
              choose={(id) => void save({ beforeWith: withLiquid(layer.beforeWith, s, id) })}
            />
          )}
        </span>
      ))}
    </fieldset>
  );
}
