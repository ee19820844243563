"use client";

import type { ReactNode } from "react";
import { type Field, REGION_ROWS } from "@/core/model";
import { REGION_WORDS, type RegionGroup, type RegionPath, type RegionWords } from "@/messages";
import { NumberCell, SelectCell, TextCell, TickCell } from "../components/cells";
import type { SaveField } from "../hooks/useRow";

/** Facts of a region, each by its row of the registry and its words; every one saves itself. */

const ROW = new Map(REGION_ROWS.map((r) => [r.path, r.field]));
const YES_NO = { yes: "yes", no: "no", unknown: "I do not know" };

interface FactProps {
  readonly path: RegionPath;
  readonly value: unknown;
  /** the region in words */
  readonly of: string;
  readonly save: SaveField;
  /** said in place of the usual words where nothing is chosen */
  readonly none?: string | undefined;
}

export function FactRow({ path, value, of, save, none }: FactProps) {
  const field = ROW.get(path)!;
  const words: RegionWords = REGION_WORDS[path];
  const key = path.split(".").at(-1)!;
  const cell = cellOf({
    field,
    words,
    key,
    value,
    save,
    none,
    label: (words.aria ?? `${words.label} of %`).replace("%", of),
  });
  return field.kind === "flag" && !field.open ? cell : <Row label={words.label}>{cell}</Row>;
}

interface CellOf extends Omit<FactProps, "path" | "of"> {
  readonly field: Field;
  readonly words: RegionWords;
  readonly key: string;
  readonly label: string;
}

function cellOf({ field, words, key, value, save, none, label }: CellOf): ReactNode {
  switch (field.kind) {
    case "number": {
      // an empty figure of what may be unknown is one nobody knows: it is never filled in
      const own: SaveField = field.open ? (fields) => save({ [key]: fields[key] ?? "unknown" }) : save;
      return (
        <NumberCell
          value={typeof value === "number" ? value : null}
          field={key}
          label={label}
          unit={words.unit ?? field.unit}
          {...(field.open ? { placeholder: "not known" } : {})}
          save={own}
        />
      );
    }
    case "flag":
      if (!field.open) return <TickCell label={words.label} value={value === true} field={key} save={save} />;
      return (
        <SelectCell
          value={value == null ? null : value === "unknown" ? "unknown" : value ? "yes" : "no"}
          field={key}
          label={label}
          options={YES_NO}
          {...(field.absent === "must" ? {} : { empty: none ?? words.none ?? "not asked" })}
          save={({ [key]: told }) => save({ [key]: told === null || told === "unknown" ? told : told === "yes" })}
        />
      );
    case "choice":
      return (
        <SelectCell
          value={(value as string | null | undefined) ?? null}
          field={key}
          label={label}
          options={words.options ?? {}}
          {...(words.none === undefined ? {} : { empty: words.none })}
          save={save}
        />
      );
    case "texts":
      return (
        <TextCell
          value={((value ?? []) as readonly string[]).join(", ")}
          field={key}
          label={label}
          save={(fields) => save({ [key]: parted(String(fields[key])) })}
        />
      );
    default:
      return null;
  }
}

/** Names with commas between. */
const parted = (text: string): readonly string[] =>
  text
    .split(",")
    .map((z) => z.trim())
    .filter(Boolean);

function Row({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="grid grid-cols-[1fr_12rem] items-center gap-2">
      <span aria-hidden>{label}</span>
      {children}
    </div>
  );
}

/** Paths of a group, in the order of their words. */
export const pathsOf = (group: RegionGroup): readonly RegionPath[] =>
  (Object.entries(REGION_WORDS) as [RegionPath, RegionWords][]).flatMap(([path, w]) =>
    w.group === group ? [path] : [],
  );
