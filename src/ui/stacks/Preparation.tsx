import {
  isOneOf,
  LIQUID_PREP,
  type LiquidPrep,
  PREP_STEPS,
  type PrepStep,
  type Product,
  type Stack,
} from "@/core/model";
import { PREP_NAME } from "@/messages";
import { LiquidSelect, withLiquid } from "./Liquids";
import type { ChangeStack } from "./useStack";

/** What a step is done with where nobody says. */
const USUAL_LIQUID: Readonly<Record<LiquidPrep, string>> = {
  degrease: "with the usual",
  derust: "by brush and paper",
  wash: "with soap and water",
  wipe: "with a clean cloth",
};

/** What is done to the bare face before the first layer, step by step, and with what; the first thing there is to do. */
export function Preparation({
  stack,
  materialName,
  offered,
  shelf,
  change,
}: {
  stack: Stack;
  /** null = not given */
  materialName: string | null;
  /** steps this material usually asks for, put in with it */
  offered: readonly PrepStep[];
  shelf: readonly Product[];
  change: ChangeStack;
}) {
  const toggle = (step: PrepStep) =>
    void change((s) => {
      const prep = PREP_STEPS.filter((p) => (p === step ? !s.prep.includes(p) : s.prep.includes(p)));
      const gone = isOneOf(LIQUID_PREP)(step) && !prep.includes(step) && s.prepWith?.[step];
      return { ...s, prep, ...(gone ? { prepWith: withLiquid(s.prepWith, step, null) } : {}) };
    });
  return (
    <fieldset
      className="rounded-box border-2 border-dashed border-secondary/60 p-2.5"
      aria-label="Preparation of the bare face"
    >
      <h3 className="font-bold">
        First, getting the bare face ready{materialName === null ? "" : `: ${materialName}`}
      </h3>
      <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        {PREP_STEPS.map((s) => (
          <span key={s} className="flex flex-wrap items-center gap-1.5">
            <label className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={stack.prep.includes(s)}
                onChange={() => toggle(s)}
              />
              {PREP_NAME[s].toLowerCase()}
              {offered.includes(s) && <span className="badge badge-sm badge-outline">proposed</span>}
            </label>
            {isOneOf(LIQUID_PREP)(s) && stack.prep.includes(s) && (
              <LiquidSelect
                label={`${PREP_NAME[s]} with`}
                value={stack.prepWith?.[s]}
                shelf={shelf}
                usual={USUAL_LIQUID[s]}
                choose={(id) => void change((p) => ({ ...p, prepWith: withLiquid(p.prepWith, s, id) }))}
              />
            )}
          </span>
        ))}
      </div>
      {offered.length > 0 && (
        <p className="soft mt-1 text-sm">
          “Proposed” came with the material, and is work until the log has it done. Take out what the part has behind it
          already, and tell that under Parts as its condition.
        </p>
      )}
    </fieldset>
  );
}
