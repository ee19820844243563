"use client";

import { useState } from "react";
import type { SetUpTold } from "@/contracts";
import type { Product } from "@/core/model";
import {
  changedFigure,
  nextFix,
  type PatchFix,
  type PatchSign,
  patchSigns,
  type SetUpFigure,
  setUpOf,
  strokesOf,
} from "@/core/reference";
import { figureField, figureTyped } from "@/format";
import { PATCH_FIX_TEXT, PATCH_SIGN_NAME, SET_UP_NAME, SET_UP_UNIT, STROKE_TEXT } from "@/messages";
import { EvidenceMark } from "../components/EvidenceMark";
import { Choice } from "./Choice";
import { Figure } from "./Figure";

type Figures = Readonly<Partial<Record<SetUpFigure, number>>>;
/** A card as it is being filled in. */
export interface SetUpDraft {
  readonly figures: Readonly<Partial<Record<SetUpFigure, string>>>;
  readonly patch: PatchSign | null;
  readonly changed: readonly PatchFix[];
}

const figuresOf = (product: Product): Figures => Object.fromEntries(setUpOf(product).map((l) => [l.figure, l.value]));
const asTyped = (figures: Figures): SetUpDraft["figures"] =>
  Object.fromEntries(Object.entries(figures).map(([f, v]) => [f, figureField(v, SET_UP_UNIT[f as SetUpFigure])]));
const typed = (draft: SetUpDraft): Figures =>
  Object.fromEntries(
    Object.entries(draft.figures).flatMap(([f, text]) => {
      const value = figureTyped(text, SET_UP_UNIT[f as SetUpFigure]);
      return value === null ? [] : [[f, value]];
    }),
  ) as Figures;

export function useSetUp(product: Product | null) {
  const fresh = (): SetUpDraft => ({ figures: product ? asTyped(figuresOf(product)) : {}, patch: null, changed: [] });
  const [draft, setDraft] = useState(fresh);
  /** What is told of it: figures only where a patch was made or something was set otherwise. */
  const told = (): SetUpTold | undefined => {
    const figures = typed(draft);
    const plain = product ? figuresOf(product) : {};
    const isChanged = Object.entries(figures).some(([f, v]) => v !== plain[f as SetUpFigure]);
    if (draft.patch === null && draft.changed.length === 0 && !isChanged) return undefined;
    return {
      ...figures,
      ...(draft.patch ? { patch: draft.patch } : {}),
      ...(draft.changed.length > 0 ? { changed: [...draft.changed] } : {}),
    };
  };
  return { draft, setDraft, told, clear: () => setDraft(fresh()) };
}

/** What to set before a coat, how the hand goes, and a test patch that changes one thing at a time. */
export function SetUp({
  product,
  opId,
  draft,
  setDraft,
  faultOf,
}: {
  product: Product;
  opId: string;
  draft: SetUpDraft;
  setDraft: (d: SetUpDraft) => void;
  faultOf: (path: string) => string | null;
}) {
  const lines = setUpOf(product);
  const sign = draft.patch;
  const fix = sign && sign !== "good" ? nextFix(product, sign, draft.changed) : null;
  const change = (f: PatchFix) => {
    const figures = { ...draft.figures, ...asTyped(changedFigure(f, typed(draft))) };
    setDraft({ figures, patch: null, changed: [...draft.changed, f] });
  };
  return (
    <section aria-label="Set-up" className="grid gap-2">
      <h3 className="text-lg font-bold">Set up: {product.name}</h3>
      <div className="grid grid-cols-2 gap-3">
        {lines.map((l) => (
          <div key={l.figure}>
            <Figure
              id={`${opId}-${l.figure}`}
              label={SET_UP_NAME[l.figure]}
              unit={SET_UP_UNIT[l.figure]}
              value={draft.figures[l.figure] ?? ""}
              fault={faultOf(`setUp.${l.figure}`)}
              onChange={(text) => setDraft({ ...draft, figures: { ...draft.figures, [l.figure]: text } })}
            />
            <p className="soft text-sm">
              {l.source === "usual" ? "usual for its kind, est." : <EvidenceMark source={l.source} words />}
              {l.others.map((o) => (
                <span key={`${o.source} ${o.value} ${o.note}`} className="block">
                  also {figureField(o.value, SET_UP_UNIT[l.figure])}: {o.note || o.source}
                </span>
              ))}
            </p>
          </div>
        ))}
      </div>
      <details open={product.method === "brush"}>
        <summary className="min-h-11 cursor-pointer content-center">How the hand goes</summary>
        <ul className="list-disc pl-5">
          {strokesOf(product).map((s) => (
            <li key={s}>{STROKE_TEXT[s]}</li>
          ))}
        </ul>
      </details>
      <fieldset className="grid grid-cols-2 gap-2">
        <legend className="mb-1">A patch on card first looks</legend>
        {patchSigns(product).map((s) => (
          <Choice key={s} name={`patch-${opId}`} on={sign === s} choose={() => setDraft({ ...draft, patch: s })}>
            {PATCH_SIGN_NAME[s]}
          </Choice>
        ))}
      </fieldset>
      {sign === "good" && <p role="status">Kept on its card as the set-up that worked.</p>}
      {sign && sign !== "good" && (
        <p role="status" className="flex flex-wrap items-center gap-2">
          {fix ? (
            <>
              Change one thing: <strong>{PATCH_FIX_TEXT[fix]}</strong>, and try again.
              <button type="button" className="btn" onClick={() => change(fix)}>
                Changed
              </button>
            </>
          ) : (
            "Everything was tried: the can is old, cold or not this product’s best, or the mix is wrong. Look at Something’s wrong, or take another."
          )}
        </p>
      )}
      {draft.changed.length > 0 && (
        <p className="soft text-sm">Changed so far: {draft.changed.map((f) => PATCH_FIX_TEXT[f]).join("; ")}.</p>
      )}
    </section>
  );
}
