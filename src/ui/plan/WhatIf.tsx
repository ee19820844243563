"use client";

import { useState } from "react";
import { askForPlanAction } from "@/actions/plan";
import { saveShopAction } from "@/actions/settings";
import type { PlanScreen } from "@/contracts";
import type { Caution } from "@/core/model";
import { figureField, figureShown, figureTyped, unitShown } from "@/format";
import { useAct } from "../hooks/useAct";

const CAUTION_NAME: Readonly<Record<Caution, string>> = {
  likely: "likely waits (even odds)",
  safe: "safe waits (nine in ten)",
};

/** Tonight's cold and how cautious the plan is: each change plans again at once. */
export function WhatIf({ screen }: { screen: PlanScreen }) {
  const { shop, shopRev, today, planVia } = screen;
  const { act, busy } = useAct();
  const tonight = shop.air.tonight?.date === today ? shop.air.tonight.coldestC : null;
  const [text, setText] = useState(figureField(tonight, "°C"));
  const [fault, setFault] = useState<string | null>(null);
  const change = async (edit: Record<string, unknown>, field: string) => {
    const saved = await act(() => saveShopAction(shopRev, edit), { quiet: true });
    setFault(
      saved.ok ? null : (saved.problem.fields.find((f) => f.path.endsWith(field))?.message ?? saved.problem.detail),
    );
    if (saved.ok && screen.plan && planVia) await act(() => askForPlanAction(planVia));
  };
  const setTonight = () => {
    const coldestC = figureTyped(text, "°C");
    void change({ air: { tonight: coldestC === null ? null : { date: today, coldestC } } }, "coldestC");
  };
  const usual = shop.air.kind === "day" ? shop.air.meanC - shop.air.swingC : shop.air.meanC;
  return (
    <form
      className="flex flex-wrap items-center gap-x-2 gap-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        setTonight();
      }}
      aria-label="What if"
    >
      <label className="flex items-center gap-2">
        Coldest tonight
        <span className={`input input-sm w-26 ${fault ? "input-error" : ""}`}>
          <input
            className="text-right"
            inputMode="decimal"
            aria-label={`Coldest tonight, ${unitShown("°C")}`}
            aria-invalid={fault !== null}
            placeholder={`${figureShown(usual, "°C")} usual`}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <span className="soft text-xs">{unitShown("°C")}</span>
        </span>
      </label>
      <button type="submit" className="btn btn-sm" disabled={busy}>
        Try it
      </button>
      <label className="flex items-center gap-2">
        Plan with
        <select
          className="select select-sm w-52"
          value={shop.caution}
          disabled={busy}
          onChange={(e) => void change({ caution: e.target.value }, "caution")}
        >
          {Object.entries(CAUTION_NAME).map(([v, name]) => (
            <option key={v} value={v}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          Coldest tonight {fault}
        </p>
      )}
    </form>
  );
}
