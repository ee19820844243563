"use client";

import { type KeyboardEvent, useEffect, useId, useState } from "react";
import type { Problem } from "@/contracts";
import { figureField, figureTyped, unitShown } from "@/format";
import type { SaveField } from "../hooks/useRow";

const CONFLICT = "Changed in another tab meanwhile. Enter puts yours over it, Esc takes theirs.";
const messageOf = (p: Problem, field: string): string =>
  p.code === "conflict" ? CONFLICT : (p.fields.find((f) => f.path === field)?.message ?? p.detail);

interface CellProps {
  readonly field: string;
  readonly label: string;
  readonly save: SaveField;
  readonly className?: string;
}

/** A field that saves itself on Enter or on leaving it, keeps what was typed when it was refused, and says why beside it. */
function useDraft(shown: string, field: string, save: SaveField, parse: (text: string) => unknown) {
  const [draft, setDraft] = useState(shown);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    if (!fault) setDraft(shown);
  }, [shown, fault]);
  const commit = async (force = false) => {
    if (draft === shown && !(force && fault)) {
      setFault(null);
      return;
    }
    const problem = await save({ [field]: parse(draft) });
    setFault(problem ? messageOf(problem, field) : null);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === "Enter") void commit(true);
    if (e.key === "Escape") {
      setDraft(shown);
      setFault(null);
    }
  };
  return { draft, setDraft, fault, commit, onKeyDown };
}

function Fault({ id, text }: { id: string; text: string | null }) {
  return text ? (
    <p id={id} role="alert" className="mt-1 max-w-60 text-sm font-semibold text-error">
      {text}
    </p>
  ) : null;
}

export function TextCell({ value, field, label, save, className }: CellProps & { value: string }) {
  const id = useId();
  const d = useDraft(value, field, save, (t) => t);
  return (
    <div className={className}>
      <input
        aria-label={label}
        aria-invalid={d.fault !== null}
        aria-describedby={d.fault ? id : undefined}
        className={`input input-sm w-full ${d.fault ? "input-error" : ""}`}
        value={d.draft}
        onChange={(e) => d.setDraft(e.target.value)}
        onBlur={() => void d.commit()}
        onKeyDown={d.onKeyDown}
      />
      <Fault id={id} text={d.fault} />
    </div>
  );
}

export function NumberCell({
  value,
  field,
  label,
  unit,
  save,
  className,
  placeholder = "?",
}: CellProps & { value: number | null; unit: string; placeholder?: string }) {
  const id = useId();
  const shown = unitShown(unit);
  const d = useDraft(figureField(value, unit), field, save, (text) => figureTyped(text, unit));
  return (
    <div className={className}>
      <label className={`input input-sm w-full ${d.fault ? "input-error" : ""}`}>
        <input
          aria-label={`${label}, ${shown}`}
          aria-invalid={d.fault !== null}
          aria-describedby={d.fault ? id : undefined}
          inputMode="decimal"
          className="min-w-0 text-right"
          value={d.draft}
          placeholder={placeholder}
          onChange={(e) => d.setDraft(e.target.value)}
          onBlur={() => void d.commit()}
          onKeyDown={d.onKeyDown}
        />
        <span className="soft text-xs">{shown}</span>
      </label>
      <Fault id={id} text={d.fault} />
    </div>
  );
}

export function SelectCell({
  value,
  field,
  label,
  save,
  options,
  empty,
  className,
}: CellProps & { value: string | null; options: Readonly<Record<string, string>>; empty?: string }) {
  const [fault, setFault] = useState<string | null>(null);
  const [shown, setShown] = useState(value ?? "");
  const id = useId();
  useEffect(() => setShown(value ?? ""), [value]);
  const change = async (next: string) => {
    setShown(next);
    const problem = await save({ [field]: next === "" ? null : next });
    setFault(problem ? messageOf(problem, field) : null);
  };
  return (
    <div className={className}>
      <select
        aria-label={label}
        aria-describedby={fault ? id : undefined}
        className={`select select-sm w-full ${shown === "" ? "border-warning font-bold text-warning" : ""}`}
        value={shown}
        onChange={(e) => void change(e.target.value)}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {Object.entries(options).map(([v, name]) => (
          <option key={v} value={v}>
            {name}
          </option>
        ))}
      </select>
      <Fault id={id} text={fault} />
    </div>
  );
}

/** A yes or no that shows at once what was chosen, and goes back with the reason when it was refused. */
export function TickCell({ value, field, label, save }: CellProps & { value: boolean }) {
  const [shown, setShown] = useState(value);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => setShown(value), [value]);
  const change = async (next: boolean) => {
    setShown(next);
    const problem = await save({ [field]: next });
    setFault(problem ? messageOf(problem, field) : null);
    if (problem) setShown(value);
  };
  return (
    <div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={shown}
          onChange={(e) => void change(e.target.checked)}
        />
        {label}
      </label>
      <Fault id="" text={fault} />
    </div>
  );
}

export function ChipsCell({
  value,
  field,
  label,
  save,
  options,
  empty = "none given",
}: CellProps & {
  value: readonly string[];
  options: Readonly<Record<string, string>>;
  /** what is said where nothing is chosen */
  empty?: string;
}) {
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [chosen, setChosen] = useState(value);
  useEffect(() => setChosen(value), [value]);
  const toggle = async (v: string) => {
    const next = chosen.includes(v) ? chosen.filter((x) => x !== v) : [...chosen, v];
    setChosen(next);
    const problem = await save({ [field]: next });
    setFault(problem ? messageOf(problem, field) : null);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: only closes what its own button opened
    <div
      className="relative"
      onKeyDown={(e) => e.key === "Escape" && setOpen(false)}
      onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && setOpen(false)}
    >
      <button
        type="button"
        className="btn btn-sm h-auto min-h-8 w-full justify-start py-1 text-left font-normal"
        aria-expanded={open}
        aria-label={`${label}: ${chosen.map((c) => options[c]).join(", ") || empty}`}
        onClick={() => setOpen(!open)}
      >
        {chosen.length > 0 ? chosen.map((c) => options[c]).join(", ") : <span className="soft">{empty}</span>}
      </button>
      {open && (
        <fieldset
          className="absolute z-20 mt-1 grid w-80 grid-cols-2 gap-x-2 rounded-box border border-base-300 bg-base-100 p-3 shadow-lg"
          aria-label={label}
        >
          {Object.entries(options).map(([v, name]) => (
            <label key={v} className="flex items-center gap-2 py-0.5 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={chosen.includes(v)}
                onChange={() => void toggle(v)}
              />{" "}
              {name}
            </label>
          ))}
        </fieldset>
      )}
      <Fault id="" text={fault} />
    </div>
  );
}
