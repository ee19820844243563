"use client";

import { type FormEvent, useState } from "react";
import { addLocalAirAction, putLocalAirBackAction, removeLocalAirAction } from "@/actions/air";
import { type AirScreen, LOCAL_AIR_KINDS, type LocalAirCard, type LocalAirView, type Problem } from "@/contracts";
import { figureTyped, relativeDay, tempText } from "@/format";
import { LOCAL_NAME } from "@/messages";
import { offerUndo, useAct } from "../hooks/useAct";
import { Field } from "./ReadingForm";

/** A booth's moving air, m/s: extraction pulls about three times still air. */
const BOOTH_M_S = 0.3;

const told = (l: LocalAirView, nowMin: number, timeZone: string): string => {
  const from = relativeDay(Date.parse(l.card.from) / 60_000, nowMin, timeZone);
  if (l.card.kind === "brought-in") return `${from}, at ${tempText(l.card.tempC ?? 0)}`;
  const to = relativeDay(Date.parse(l.card.to) / 60_000, nowMin, timeZone);
  return `${from} to ${to}${l.card.tempC === null ? "" : `, ${tempText(l.card.tempC)}`}`;
};

/** Parts in air of their own: a warm box or booth for some hours, or fresh from a colder place. */
export function LocalAirs({ screen, modelId }: { screen: AirScreen; modelId: string }) {
  const { act, busy } = useAct();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [kind, setKind] = useState<LocalAirCard["kind"]>("warm-box");
  const [partId, setPartId] = useState(screen.parts[0]?.id ?? "");
  const limit = screen.parts.find((p) => p.id === partId)?.dryHeatMaxC ?? null;
  const number = (data: FormData, name: string, unit: string): unknown =>
    figureTyped(String(data.get(name) ?? ""), unit);
  const add = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const data = new FormData(e.currentTarget);
    const inHours = Number(number(data, "inHours", "h") ?? 0);
    const forHours = Number(number(data, "forHours", "h") ?? 0);
    const from = (screen.nowMin + inHours * 60) * 60_000;
    if (Number.isNaN(from) || Number.isNaN(forHours)) {
      const path = Number.isNaN(from) ? "inHours" : "forHours";
      return setProblem({ code: "invalid", detail: "", fields: [{ path, message: "must be a number" }] });
    }
    const input = {
      kind,
      from: new Date(from).toISOString(),
      to: new Date(kind === "brought-in" ? from : from + forHours * 3_600_000).toISOString(),
      tempC: kind === "booth" ? null : number(data, "tempC", "°C"),
      airflowMS: kind === "booth" ? BOOTH_M_S : null,
    };
    const outcome = await act(() => addLocalAirAction(modelId, partId, input), { quiet: true });
    setProblem(
      outcome.ok
        ? null
        : {
            ...outcome.problem,
            fields: outcome.problem.fields.map((f) =>
              f.path === "to" ? { ...f, path: "forHours" } : f.path === "from" ? { ...f, path: "inHours" } : f,
            ),
          },
    );
  };
  const remove = async (l: LocalAirView) => {
    const outcome = await act(() => removeLocalAirAction(l.id));
    if (outcome.ok)
      offerUndo(`${l.partName}: stay removed`, () => void act(() => putLocalAirBackAction(l.partId, l.card)));
  };
  return (
    <section aria-labelledby="local-title" className="grid content-start gap-2">
      <h2 id="local-title" className="text-lg font-bold">
        Parts in air of their own
      </h2>
      {screen.locals.length === 0 && (
        <p className="soft text-sm">None. A part in a warm box dries on its own clock; say so here.</p>
      )}
      <ul className="grid gap-1 text-sm">
        {screen.locals.map((l) => (
          <li key={l.id} className="flex items-center gap-2">
            <span className="flex-1">
              <strong>{l.partName}</strong> {LOCAL_NAME[l.card.kind]}: {told(l, screen.nowMin, screen.timeZone)}
            </span>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => void remove(l)}>
              remove
            </button>
          </li>
        ))}
      </ul>
      {screen.parts.length > 0 && (
        <form onSubmit={(e) => void add(e)} className="grid grid-cols-2 items-start gap-2" noValidate>
          <label className="grid gap-0.5 text-sm">
            Part
            <select className="select select-sm w-full" value={partId} onChange={(e) => setPartId(e.target.value)}>
              {screen.parts.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-0.5 text-sm">
            is
            <select
              className="select select-sm w-full"
              value={kind}
              onChange={(e) => setKind(e.target.value as typeof kind)}
            >
              {LOCAL_AIR_KINDS.map((k) => (
                <option key={k} value={k}>
                  {LOCAL_NAME[k]}
                </option>
              ))}
            </select>
          </label>
          <Field name="inHours" label="Starting in" unit="h" problem={problem} initial="0" />
          {kind !== "brought-in" && <Field name="forHours" label="For" unit="h" problem={problem} initial="4" />}
          {kind !== "booth" && (
            <Field name="tempC" label={kind === "warm-box" ? "Box at" : "It came from"} unit="°C" problem={problem} />
          )}
          <button type="submit" className="btn btn-sm col-span-2" disabled={busy}>
            Add the stay
          </button>
        </form>
      )}
      {problem?.fields.every((f) => !["inHours", "forHours", "tempC"].includes(f.path)) && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
      {kind === "warm-box" && (
        <p className="border-l-4 border-secondary pl-2 text-sm">
          {limit === null
            ? "No material is told for this part: no warmth yet."
            : `At most ${tempText(limit)} for this part.`}{" "}
          Only after touch dry, vented, no bare element, never an aerosol can. The product’s safety data sheet decides.
        </p>
      )}
    </section>
  );
}
