"use client";

import { type ChangeEvent, type ReactNode, useState } from "react";
import { type FieldErrors, type FieldPath, useFormContext } from "react-hook-form";
import { type Field, PRODUCT_ROWS } from "@/core/model";
import { inUnits, unitShown } from "@/format";
import { FIELD_GROUPS, type FieldGroup, type FieldWords, PRODUCT_WORDS, type ProductPath } from "@/messages";
import { DateInput } from "../components/DateInput";
import { useToday } from "../hooks/useNow";
import type { ProductDraft } from "./draft";

/** Cells of the product form, each by its row of the registry and its words. */

type Path = FieldPath<ProductDraft>;
const ROW = new Map(PRODUCT_ROWS.map((r) => [r.path, r.field]));

function faultAt(errors: FieldErrors<ProductDraft>, path: string): string | null {
  let node: unknown = errors;
  for (const key of path.split(".")) node = (node as Record<string, unknown> | undefined)?.[key];
  const message =
    (node as { message?: unknown; root?: { message?: unknown } } | undefined)?.message ??
    (node as { root?: { message?: unknown } } | undefined)?.root?.message;
  return typeof message === "string" ? inUnits(message) : null;
}

const useFault = (path: string): string | null => faultAt(useFormContext<ProductDraft>().formState.errors, path);

interface CellProps {
  readonly path: ProductPath;
  readonly field: Field;
  readonly words: FieldWords;
}

const unitOf = ({ field, words }: Pick<CellProps, "field" | "words">): string =>
  unitShown(words.unit ?? (field.kind === "number" ? field.unit : field.kind === "share" ? "%" : ""));

const Hint = ({ id, text }: { id?: string; text: string | undefined }) =>
  text ? (
    <p id={id} className="soft text-xs">
      {text}
    </p>
  ) : null;

function TextCell({ path, field, words }: CellProps) {
  const { register } = useFormContext<ProductDraft>();
  const fault = useFault(path);
  const unit = unitOf({ field, words });
  const id = `f-${path}`;
  return (
    <div className={words.wide ? "col-span-2" : ""}>
      <label htmlFor={id} className="text-sm">
        {words.label}
        {unit && <span className="soft"> ({unit})</span>}
      </label>
      <input
        id={id}
        aria-invalid={fault !== null}
        aria-describedby={fault ? `${id}-fault` : words.hint ? `${id}-hint` : undefined}
        inputMode={field.kind === "number" || field.kind === "share" ? "decimal" : undefined}
        className={`input input-sm w-full ${fault ? "input-error" : ""}`}
        {...register(path as Path)}
      />
      <Hint id={`${id}-hint`} text={words.hint} />
      {fault && (
        <p id={`${id}-fault`} role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}

function DateCell({ path, words }: CellProps) {
  const { watch, setValue } = useFormContext<ProductDraft>();
  const today = useToday();
  const fault = useFault(path);
  return (
    <div>
      <label htmlFor={`f-${path}`} className="text-sm">
        {words.label}
      </label>
      <DateInput
        id={`f-${path}`}
        value={String(watch(path as Path) ?? "")}
        today={today}
        invalid={fault !== null}
        onChange={(day) => setValue(path as Path, day as never, { shouldDirty: true })}
      />
      {fault && (
        <p role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}

function NoteCell({ path, words }: CellProps) {
  const { register } = useFormContext<ProductDraft>();
  return (
    <div className="col-span-2">
      <label htmlFor={`f-${path}`} className="text-sm">
        {words.label}
      </label>
      <textarea id={`f-${path}`} className="textarea w-full" rows={2} {...register(path as Path)} />
    </div>
  );
}

function ColourCell({ path, words }: CellProps) {
  const { register } = useFormContext<ProductDraft>();
  return (
    <label className="text-sm">
      {words.label}
      <input type="color" className="h-8 w-full" {...register(path as Path)} />
    </label>
  );
}

function ChoiceCell({ path, words }: CellProps) {
  const { register } = useFormContext<ProductDraft>();
  const fault = useFault(path);
  return (
    <label className={`text-sm ${words.wide ? "col-span-2" : ""}`}>
      {words.label}
      <select className={`select select-sm w-full ${fault ? "select-error" : ""}`} {...register(path as Path)}>
        {words.none !== undefined && <option value="">{words.none}</option>}
        {Object.entries(words.options ?? {}).map(([v, name]) => (
          <option key={v} value={v}>
            {name}
          </option>
        ))}
      </select>
      <Hint text={words.hint} />
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {fault}
        </span>
      )}
    </label>
  );
}

/** A tick that belongs to a list: that nobody knows it, or that nothing of it is so. */
const BESIDE: Readonly<Partial<Record<ProductPath, { readonly path: Path; readonly label: string }>>> = {
  carriers: { path: "carriersUnknown", label: "I do not know: judge as the strongest" },
  resists: { path: "resistsTold", label: "Its card says nothing else is stood" },
};

function ListCell({ path, words }: CellProps) {
  const { register, setValue } = useFormContext<ProductDraft>();
  // who ticks a carrier knows one: "I do not know" need not be found and taken off as well
  const said = (e: ChangeEvent<HTMLInputElement>) => {
    if (path === "carriers" && e.target.checked) setValue("carriersUnknown", false, { shouldDirty: true });
  };
  return (
    <fieldset className="col-span-2">
      <legend className="text-sm">{words.label}</legend>
      <div className="flex flex-wrap gap-x-3 gap-y-1">
        {Object.entries(words.options ?? {}).map(([v, name]) => (
          <label key={v} className="flex min-h-6 items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              value={v}
              {...register(path as Path, { onChange: said })}
            />
            {name}
          </label>
        ))}
      </div>
      {BESIDE[path] && (
        <div className="mt-2">
          <Flag {...BESIDE[path]} />
        </div>
      )}
    </fieldset>
  );
}

function Flag({ path, label }: { path: Path; label: string }) {
  const { register } = useFormContext<ProductDraft>();
  return (
    <label className="flex min-h-6 items-center gap-1.5 text-sm">
      <input type="checkbox" className="checkbox checkbox-xs" {...register(path)} />
      {label}
    </label>
  );
}

function WindowsCell({ path, words }: CellProps) {
  return (
    <>
      <div className="col-span-2 -mb-2">
        <Hint text={words.hint} />
      </div>
      <WindowRow path={path} i={0} label={words.label} />
      <WindowRow path={path} i={1} label="Second window" />
    </>
  );
}

function WindowRow({ path, i, label }: { path: ProductPath; i: 0 | 1; label: string }) {
  const { register, formState } = useFormContext<ProductDraft>();
  const fault =
    ["", ".0", ".1"].map((end) => faultAt(formState.errors, `${path}.${i}${end}`)).find((f) => f !== null) ?? null;
  const cls = `input input-sm w-full ${fault ? "input-error" : ""}`;
  return (
    <fieldset className="col-span-2">
      <legend className="text-sm">
        {label} <span className="soft">(min after the coat; leave “shuts” empty if it never does)</span>
      </legend>
      <div className="grid grid-cols-2 gap-3">
        {(["opens", "shuts"] as const).map((end, n) => (
          <input
            key={end}
            aria-label={`${label}: ${end}, min`}
            aria-invalid={fault !== null}
            inputMode="decimal"
            placeholder={end}
            className={cls}
            {...register(`${path}.${i}.${n}` as Path)}
          />
        ))}
      </div>
      {fault && (
        <p role="alert" className="text-sm font-semibold text-error">
          {fault}
        </p>
      )}
    </fieldset>
  );
}

const CELL: Readonly<Record<Exclude<Field["kind"], "flag" | "photo">, (props: CellProps) => ReactNode>> = {
  name: TextCell,
  text: TextCell,
  texts: TextCell,
  number: TextCell,
  share: TextCell,
  date: DateCell,
  ratio: TextCell,
  note: NoteCell,
  colour: ColourCell,
  choice: ChoiceCell,
  list: ListCell,
  windows: WindowsCell,
};

interface GroupProps {
  readonly group: FieldGroup;
  /** not asked just now */
  readonly hidden: ReadonlySet<ProductPath>;
  /** a new card folds what few labels say */
  readonly isNew: boolean;
}

/** The fields of one group in the order of their words, ticks last. */
export function FieldGroupCells({ group, hidden, isNew }: GroupProps) {
  const rows = (Object.entries(PRODUCT_WORDS) as [ProductPath, FieldWords][]).flatMap(([path, words]) => {
    const field = ROW.get(path);
    return field && words.group === group && !hidden.has(path) ? [{ path, words, field }] : [];
  });
  if (rows.length === 0) return null;
  const flags = rows.filter((r) => r.field.kind === "flag");
  const cells = (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2">
      {rows.map(({ path, words, field }) => {
        if (field.kind === "flag" || field.kind === "photo") return null;
        const Cell = CELL[field.kind];
        return <Cell key={path} path={path} words={words} field={field} />;
      })}
      {flags.length > 0 && (
        <div className="col-span-2 flex flex-wrap gap-x-4 gap-y-1">
          {flags.map(({ path, words }) => (
            <Flag key={path} path={path as Path} label={words.label} />
          ))}
        </div>
      )}
    </div>
  );
  const title = FIELD_GROUPS[group];
  if (isNew && FOLDED.has(group))
    return (
      <Folded title={title} paths={rows.map((r) => r.path)}>
        {cells}
      </Folded>
    );
  return (
    <section className={title && "border-t border-base-300 pt-2"}>
      {title && <h3 className="mb-1 font-bold">{title}</h3>}
      {cells}
    </section>
  );
}

/** What few labels say and few jobs ask for: there, but out of the way until it is wanted or at fault. */
const FOLDED: ReadonlySet<FieldGroup> = new Set<FieldGroup>(["film", "spray", "limits"]);
function Folded({ title, paths, children }: { title: string; paths: readonly ProductPath[]; children: ReactNode }) {
  const { errors } = useFormContext<ProductDraft>().formState;
  const [open, setOpen] = useState(false);
  const isFaulty = paths.some((p) => faultAt(errors, p) !== null);
  return (
    <details
      className="border-t border-base-300 pt-2"
      open={open || isFaulty}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary className="cursor-pointer font-bold">{title}</summary>
      <div className="pt-1">{children}</div>
    </details>
  );
}
