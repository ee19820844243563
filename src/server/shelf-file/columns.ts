import { type Field, PRODUCT_ROWS } from "@/core/model";

/** The shelf as a table: which column holds which figure. From the registry of fields, read by both directions, so that they cannot drift. */

export interface Column {
  /** heading; units in the name */
  readonly name: string;
  /** where it stands in a product, dotted */
  readonly path: string;
  readonly kind: "text" | "number" | "flag" | "list" | "json";
  /** what an empty cell means; a column that may be left out of a product altogether means that */
  readonly empty: unknown;
}

/** Optional facts: an empty cell leaves them out, as a product without them would. */
export const LEFT_OUT = Symbol("left out");

const KIND: Readonly<Record<Field["kind"], Column["kind"]>> = {
  name: "text",
  text: "text",
  note: "text",
  date: "text",
  colour: "text",
  ratio: "text",
  photo: "text",
  choice: "text",
  number: "number",
  share: "number",
  flag: "flag",
  list: "list",
  texts: "list",
  windows: "json",
};

function emptyOf(f: Field): unknown {
  if (f.cell !== undefined) return f.cell;
  return f.absent === "left-out" || f.absent === "null-or-left-out" ? LEFT_OUT : null;
}

/** What is no single thing stands in its cell as JSON. */
const nested = (name: string): Column => ({ name, path: name, kind: "json", empty: LEFT_OUT });

export const COLUMNS: readonly Column[] = [
  { name: "id", path: "id", kind: "text", empty: "" },
  ...PRODUCT_ROWS.flatMap(({ path, field }): readonly Column[] =>
    field.csv === null ? [] : [{ name: field.csv, path, kind: KIND[field.kind], empty: emptyOf(field) }],
  ),
  nested("light"),
  nested("claims"),
  nested("recipe"),
];
