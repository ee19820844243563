"use client";

import { useState } from "react";
import { correctMixAction } from "@/actions/shelf";
import type { Problem, ShelfItem } from "@/contracts";
import type { MixRecipe } from "@/core/model";
import { dateShown, figureTyped } from "@/format";
import { partsText } from "@/messages";
import { useAct } from "../hooks/useAct";

const ISO_DAY = 10;

const stepText = ({ kind, drops, name }: MixRecipe["steps"][number]): string => {
  if (kind === "drops") return `and ${drops} drop${drops === 1 ? "" : "s"} of ${name}`;
  return kind === "mixed" ? "as mixed (est.)" : "as it dried";
};

/** Of a mix: what it was made of, every shade it has had, and what is done to it now: drops of another paint, or the shade it dried to. */
export function RecipeBox({
  item,
  recipe,
  paints,
}: {
  item: ShelfItem;
  recipe: MixRecipe;
  /** colours of the shelf, this one left out */
  paints: readonly { readonly id: string; readonly name: string }[];
}) {
  const { act, busy } = useAct();
  const [drops, setDrops] = useState("2");
  const [addId, setAddId] = useState(paints[0]?.id ?? "");
  const [dried, setDried] = useState(item.product.colour);
  const [problem, setProblem] = useState<Problem | null>(null);
  const correct = async (told: unknown) => {
    const outcome = await act(() => correctMixAction(item.product.id, item.rev, told), { quiet: true });
    setProblem(outcome.ok ? null : outcome.problem);
  };
  return (
    <section aria-label="Recipe" className="grid gap-2">
      <h3 className="font-bold">Recipe</h3>
      <p>{partsText(recipe)}</p>
      <ol className="grid gap-1" aria-label="Shades it has had">
        {recipe.steps.map((s, n) => (
          <li key={`${s.at}-${s.kind}-${s.colour}`} className="flex items-center gap-2">
            <span
              className="size-5 shrink-0 rounded-field border border-base-content/40"
              style={{ background: s.colour }}
              aria-hidden
            />
            <span>
              <strong>v{n + 1}</strong> {stepText(s)}
            </span>
            <span className="soft ml-auto text-sm">{dateShown(s.at.slice(0, ISO_DAY))}</span>
          </li>
        ))}
      </ol>
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void correct({ kind: "drops", addId, drops: figureTyped(drops, "") });
        }}
      >
        <input
          className="input input-sm w-16 text-right"
          inputMode="numeric"
          aria-label="Drops"
          value={drops}
          onChange={(e) => setDrops(e.target.value)}
        />
        drops of
        <select
          className="select select-sm min-w-0 flex-1"
          aria-label="Paint dropped in"
          value={addId}
          onChange={(e) => setAddId(e.target.value)}
        >
          {paints.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
        <button type="submit" className="btn btn-sm" disabled={busy || addId === ""}>
          Drop in
        </button>
      </form>
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void correct({ kind: "dried", colour: dried });
        }}
      >
        <label className="flex items-center gap-2">
          Brushed out and dry it is
          <input
            type="color"
            className="h-8 w-14"
            aria-label="Shade it dried to"
            value={dried}
            onChange={(e) => setDried(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={busy}>
          Keep that shade
        </button>
      </form>
      <p className="soft text-sm">
        Wet it looks another shade: compare what has dried, beside the sample, in daylight.
      </p>
      {problem && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
    </section>
  );
}
