"use client";

import { useEffect, useState } from "react";
import type { SumsScreen } from "@/contracts";
import type { SumInput } from "@/core/sums";
import { figureField, figureShown, figureTyped, inUnits, unitShown } from "@/format";
import { SUM_TEXT, sumLabel, sumWord } from "@/messages";

type Typed = Readonly<Record<string, unknown>>;

/** The inputs of a sum, each with its unit; what is known of the product, face, air or lamp says so. */
export function SumForm({
  screen,
  typed,
  setTyped,
}: {
  screen: SumsScreen;
  typed: Typed;
  setTyped: (typed: Typed) => void;
}) {
  const tell = (name: string, value: unknown) => {
    const { [name]: _, ...rest } = typed;
    setTyped(value === undefined ? rest : { ...rest, [name]: value });
  };
  return (
    <form className="grid gap-2" aria-label="Figures" onSubmit={(e) => e.preventDefault()}>
      {Object.entries(screen.inputs).map(([name, input]) => {
        const fault = screen.faults.find((f) => f.path.split(".")[0] === name)?.message ?? null;
        return (
          <div key={name} className="grid grid-cols-[minmax(0,1fr)_11rem] items-center gap-x-3">
            <span className="leading-tight">
              {SUM_TEXT[screen.id].inputs[name] ?? name}
              {typed[name] === undefined && screen.known.includes(name) && <span className="soft text-xs"> known</span>}
            </span>
            <Field
              id={`${screen.id}-${name}`}
              label={sumLabel(screen.id, name, input.kind === "number" ? input.unit : "")}
              input={input}
              value={name in typed ? typed[name] : screen.values[name]}
              isWanting={screen.wanting.includes(name)}
              hasFault={fault !== null}
              tell={(value) => tell(name, value)}
            />
            {fault && (
              <p role="alert" className="col-span-2 text-sm font-semibold text-error">
                {SUM_TEXT[screen.id].inputs[name]} {inUnits(fault)}
              </p>
            )}
          </div>
        );
      })}
      {Object.keys(typed).length > 0 && (
        <button type="button" className="btn btn-ghost btn-sm justify-self-start" onClick={() => setTyped({})}>
          As it was
        </button>
      )}
    </form>
  );
}

interface FieldProps {
  readonly id: string;
  readonly label: string;
  readonly input: SumInput;
  readonly value: unknown;
  readonly isWanting: boolean;
  readonly hasFault: boolean;
  readonly tell: (value: unknown) => void;
}

function Field({ input, ...of }: FieldProps) {
  switch (input.kind) {
    case "choice":
      return (
        <select
          className="select select-sm w-full"
          aria-label={of.label}
          value={String(of.value)}
          onChange={(e) => of.tell(e.target.value)}
        >
          {input.options.map((o) => (
            <option key={o} value={o}>
              {sumWord(o)}
            </option>
          ))}
        </select>
      );
    case "colour":
      return <Shade {...of} />;
    case "numbers":
      return (
        <Text
          {...of}
          unit=""
          shown={Array.isArray(of.value) ? of.value.join(" ") : ""}
          read={(text) =>
            text.trim() === ""
              ? undefined
              : text
                  .trim()
                  .split(/[\s,;]+/)
                  .map((t) => figureTyped(t, ""))
          }
        />
      );
    case "number":
      return (
        <Text
          {...of}
          unit={unitShown(input.unit)}
          shown={typeof of.value === "number" ? figureField(rounded(of.value), input.unit) : String(of.value ?? "")}
          read={(text) => figureTyped(text, input.unit) ?? undefined}
        />
      );
  }
}

/** Four digits say all there is to know. */
const rounded = (x: number): number => Number(x.toPrecision(4));

function Text({
  label,
  unit,
  shown,
  read,
  isWanting,
  hasFault,
  tell,
}: Omit<FieldProps, "input"> & { unit: string; shown: string; read: (text: string) => unknown }) {
  const [text, setText] = useState(shown);
  const [on, setOn] = useState(false);
  // what comes from outside shows at once, but never under somebody's fingers
  useEffect(() => {
    if (!on) setText(shown);
  }, [shown, on]);
  return (
    <span className={`input input-sm w-full ${hasFault ? "input-error" : isWanting ? "input-warning" : ""}`}>
      <input
        className="text-right"
        inputMode="decimal"
        aria-label={label}
        aria-invalid={hasFault}
        value={text}
        onFocus={() => setOn(true)}
        onBlur={() => setOn(false)}
        onChange={(e) => {
          setText(e.target.value);
          tell(read(e.target.value));
        }}
      />
      {unit && <span className="soft text-xs">{unit}</span>}
    </span>
  );
}

function Shade({ label, value, hasFault, tell }: Omit<FieldProps, "input">) {
  const hex = String(value ?? "");
  return (
    <span className="flex gap-2">
      <input
        type="color"
        className="h-8 w-12 cursor-pointer rounded-field border border-base-300"
        aria-label={`${label}, picked`}
        value={/^#[0-9a-f]{6}$/i.test(hex) ? hex : "#888888"}
        onChange={(e) => tell(e.target.value)}
      />
      <input
        className={`input input-sm w-full font-mono ${hasFault ? "input-error" : ""}`}
        aria-label={label}
        aria-invalid={hasFault}
        value={hex}
        onChange={(e) => tell(e.target.value)}
      />
    </span>
  );
}

/** A figure as it is read: minutes as a time, lengths in the reader's unit. */
export const figureOf = (value: number, unit: string): number => figureShown(rounded(value), unit);
