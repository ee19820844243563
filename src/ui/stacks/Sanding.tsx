import { Plus, X } from "lucide-react";
import { useState } from "react";
import { type Layer, type Paper, type Product, RUB_SIGNS, type SandAfter } from "@/core/model";
import { GRIT_SCALE_NAME, RUB_SIGN_NAME } from "@/messages";
import { NumberCell, SelectCell } from "../components/cells";
import { ProductOptions } from "../components/ProductOptions";
import type { SaveField } from "../hooks/useRow";

const DEFAULT_SANDING: SandAfter = { grit: 400, wet: false, takesUm: 10 };
/** The next paper of a ladder is about half as coarse again. */
const NEXT_STEP = 1.5;
const PAPERS = [60, 80, 120, 180, 240, 320, 400, 600, 800, 1000, 1500, 2000, 3000] as const;
const nextPaper = ({ grit, scale, wet }: Paper): Paper => ({
  grit: PAPERS.find((p) => p >= grit * NEXT_STEP - 1) ?? grit,
  ...(scale ? { scale } : {}),
  wet,
});

/** The rub after a layer: its papers in order, and what they take off together. */
export function Sanding({
  layer,
  of,
  guides,
  save,
}: {
  layer: Layer;
  of: string;
  /** paints that stand out against it, most of all first */
  guides: readonly Product[];
  save: SaveField;
}) {
  const s = layer.sandAfter;
  const [fault, setFault] = useState<string | null>(null);
  const put = async (sandAfter: SandAfter | null) => {
    const problem = await save({ sandAfter });
    setFault(problem?.detail ?? null);
    return problem;
  };
  const part: SaveField = async (fields) => {
    const problem = await save({ sandAfter: { ...(s ?? DEFAULT_SANDING), ...fields } });
    return problem
      ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace("sandAfter.", "") })) }
      : null;
  };
  const further = s?.further ?? [];
  const withFurther = (papers: readonly Paper[]) => ({ ...s!, further: papers.length === 0 ? undefined : papers });
  return (
    <div className="grid gap-1 text-sm">
      <div className="flex flex-wrap items-start gap-2">
        <span className="soft pt-1">after it:</span>
        <label className="flex items-center gap-1 pt-1">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={s !== null}
            onChange={() => void put(s ? null : DEFAULT_SANDING)}
          />
          sand<span className="sr-only"> {of}</span>
        </label>
        {s && (
          <>
            <PaperFields paper={s} of={of} n={1} save={part} />
            <NumberCell
              value={s.takesUm}
              field="takesUm"
              label={`Sanding takes off ${of}`}
              unit="µm off"
              save={part}
              className="w-28"
            />
            <button
              type="button"
              className="btn btn-ghost btn-xs gap-1"
              onClick={() => void put(withFurther([...further, nextPaper(further.at(-1) ?? s)]))}
            >
              <Plus className="size-3" aria-hidden />
              paper<span className="sr-only"> after {of}</span>
            </button>
          </>
        )}
      </div>
      {further.map((paper, k) => (
        <div key={k} className="flex flex-wrap items-start gap-2 pl-10">
          <span className="soft pt-1">then</span>
          <PaperFields
            paper={paper}
            of={of}
            n={k + 2}
            save={async (fields) => {
              const papers = further.map((p, i) => (i === k ? { ...p, ...(fields as Partial<Paper>) } : p));
              const problem = await save({ sandAfter: withFurther(papers) });
              const prefix = `sandAfter.further.${k}.`;
              return problem
                ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace(prefix, "") })) }
                : null;
            }}
          />
          <button
            type="button"
            className="btn btn-ghost btn-xs btn-square"
            aria-label={`Leave out paper ${k + 2} after ${of}`}
            onClick={() => void put(withFurther(further.filter((_, i) => i !== k)))}
          >
            <X className="size-3" aria-hidden />
          </button>
        </div>
      ))}
      {s && (
        <div className="flex flex-wrap items-center gap-2 pl-10">
          <select
            className="select select-xs w-52"
            aria-label={`Rub ${of} until`}
            value={s.until ?? ""}
            onChange={(e) => void put(without(s, "until", e.target.value))}
          >
            <option value="">until it is right</option>
            {RUB_SIGNS.map((sign) => (
              <option key={sign} value={sign}>
                until: {RUB_SIGN_NAME[sign]}
              </option>
            ))}
          </select>
          <select
            className="select select-xs w-52"
            aria-label={`Guide coat before rubbing ${of}`}
            value={s.guideId ?? ""}
            onChange={(e) => void put(without(s, "guideId", e.target.value))}
          >
            <option value="">no guide coat</option>
            <ProductOptions products={guides} />
          </select>
        </div>
      )}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}

/** A rub with one thing of it told anew, or no longer. */
function without(s: SandAfter, field: "until" | "guideId", value: string): SandAfter {
  const { [field]: _, ...others } = s;
  return (value === "" ? others : { ...others, [field]: value }) as SandAfter;
}

/** @param n which paper of the rub, from 1 */
function PaperFields({ paper, of, n, save }: { paper: Paper; of: string; n: number; save: SaveField }) {
  const which = n === 1 ? "" : `, paper ${n}`;
  return (
    <>
      <NumberCell
        value={paper.grit}
        field="grit"
        label={`Grit after ${of}${which}`}
        unit={paper.scale === "CAMI" ? "" : "P"}
        save={save}
        className="w-20"
      />
      <SelectCell
        value={paper.scale ?? "P"}
        field="scale"
        label={`Grit scale after ${of}${which}`}
        options={GRIT_SCALE_NAME}
        save={save}
        className="w-28"
      />
      <label className="flex items-center gap-1 pt-1">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          checked={paper.wet}
          onChange={() => void save({ wet: !paper.wet })}
        />
        wet<span className="sr-only">{` after ${of}${which}`}</span>
      </label>
    </>
  );
}
