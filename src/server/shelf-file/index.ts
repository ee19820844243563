import {
  canonicalJson,
  done,
  type FileFault,
  failed,
  fieldFaults,
  type Outcome,
  productSchema,
  type ShelfPreview,
} from "@/contracts";
import type { Product } from "@/core/model";
import { allProducts, type Db, insertProduct, listShelf, productRev, setProductDeleted, updateProduct } from "@/db";
import { fileRefusal, reading, writing } from "../guard";
import { newId } from "../ids";
import { kept } from "../workspace/kept";
import { columnOf, csvRows, type FileRow, MAX_PRODUCTS, shelfToCsv } from "./csv";
import { filled } from "./fill";

const SHELF_FORMAT = "elm-bench-shelf/1";
export type FileKind = "csv" | "json";
/** What to do with a product whose id is on the shelf with other facts. */
export type OnExisting = "keep" | "replace";

export const exportShelf = (kind: FileKind): Outcome<string> =>
  reading((db) =>
    done(
      kept(`shelf as ${kind}`, ["products"], () => {
        const products = listShelf(db).map((i) => i.product);
        return kind === "csv" ? shelfToCsv(products) : canonicalJson({ format: SHELF_FORMAT, products });
      }),
    ),
  );

function jsonRows(text: string): { rows: readonly FileRow[]; faults: readonly FileFault[] } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return { rows: [], faults: [{ line: 1, column: "", message: `is not JSON: ${(error as Error).message}` }] };
  }
  const told = Array.isArray(value) ? { format: SHELF_FORMAT, products: value } : value;
  const { format, products } = (typeof told === "object" && told !== null ? told : {}) as {
    format?: unknown;
    products?: unknown;
  };
  if (format !== SHELF_FORMAT || !Array.isArray(products))
    return {
      rows: [],
      faults: [{ line: 1, column: "format", message: `must be ${SHELF_FORMAT} with a list of products` }],
    };
  return { rows: products.map((p, i) => ({ line: i + 1, value: { ...(p as object) } })), faults: [] };
}

interface Read {
  readonly products: readonly { readonly line: number; readonly product: Product }[];
  readonly faults: readonly FileFault[];
}

/** A file's products, each checked; one without an id gets one made from its name. */
function readFile(text: string, kind: FileKind): Read {
  const { rows, faults: own } = kind === "csv" ? csvRows(text) : jsonRows(text);
  if (rows.length > MAX_PRODUCTS)
    return {
      products: [],
      faults: [{ line: rows[MAX_PRODUCTS]!.line, column: "", message: `holds more than ${MAX_PRODUCTS} products` }],
    };
  const faults = [...own];
  const seen = new Map<string, number>();
  const named = new Map<string, number>();
  const products = rows.flatMap(({ line, value }) => {
    const id = typeof value.id === "string" && value.id !== "" ? value.id : idFrom(value.name, seen);
    const sameName = named.get(plainName(value.name));
    if (sameName !== undefined && value.id === undefined)
      faults.push({
        line,
        column: "name",
        message: `stands on line ${sameName} already: give one of them another name`,
      });
    named.set(plainName(value.name), line);
    const parsed = productSchema.safeParse({ ...filled(value), id });
    if (!parsed.success) {
      for (const f of fieldFaults(parsed.error))
        faults.push({ line, column: kind === "csv" ? columnOf(f.path) : f.path, message: f.message });
      return [];
    }
    const before = seen.get(id);
    if (before !== undefined) faults.push({ line, column: "id", message: `${id} stands on line ${before} already` });
    seen.set(id, line);
    return [{ line, product: parsed.data as Product }];
  });
  return { products, faults: firstOf(faults.sort((a, b) => a.line - b.line)) };
}

/** As many as anybody mends in one go; how many more there are is said. */
function firstOf(faults: readonly FileFault[]): readonly FileFault[] {
  const more = faults.length - MOST_TOLD;
  if (more <= 0) return faults;
  const { line } = faults[MOST_TOLD]!;
  return [...faults.slice(0, MOST_TOLD), { line, column: "", message: `and ${more} more from here on` }];
}
const MOST_TOLD = 200;

const plainName = (name: unknown): string => (typeof name === "string" ? name.trim().toLowerCase() : "");

function idFrom(name: unknown, seen: ReadonlyMap<string, number>): string {
  const plain = (typeof name === "string" ? name : "")
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 56);
  const id = plain === "" ? newId("s") : plain;
  return seen.has(id) ? newId("s") : id;
}

const MAX_TEXT = 5 * 1024 * 1024;

/** What a file would do to the shelf; nothing is changed. */
export const previewShelf = (text: string, kind: FileKind): Outcome<ShelfPreview> =>
  reading((db) => {
    if (text.length > MAX_TEXT) return failed("too-large", "The file is over 5 MB.");
    const { products, faults } = readFile(text, kind);
    const here = allProducts(db);
    return done({
      lines: products.map(({ line, product }) => ({ line, name: product.name, state: stateOf(product, here, db) })),
      faults,
    });
  });

/** A product's facts for comparing: a figure given as none is the same as one left out. */
const told = (p: Product): string => canonicalJson(Object.fromEntries(Object.entries(p).filter(([, v]) => v != null)));

function stateOf(p: Product, here: ReadonlyMap<string, Product>, db: Db): ShelfPreview["lines"][number]["state"] {
  const own = here.get(p.id);
  if (!own) return "new";
  if (told(own) !== told(p)) return "differs";
  return productRev(db, p.id) === null ? "new" : "same";
}

export interface ShelfImport {
  readonly added: number;
  readonly changed: number;
  readonly kept: number;
}

/** Takes a file over: every line of it, or, if one is at fault, none. */
export function importShelf(text: string, kind: FileKind, onExisting: OnExisting): Outcome<ShelfImport> {
  if (text.length > MAX_TEXT) return failed("too-large", "The file is over 5 MB.");
  const { products, faults } = readFile(text, kind);
  const refused = fileRefusal(faults);
  if (refused) return refused;
  return writing((db) => {
    const here = allProducts(db);
    const sums = { added: 0, changed: 0, kept: 0 };
    for (const { product } of products) {
      const state = stateOf(product, here, db);
      if (state === "new") {
        if (here.has(product.id)) setProductDeleted(db, product.id, null);
        else insertProduct(db, product);
        sums.added += 1;
      } else if (state === "differs" && onExisting === "replace") {
        setProductDeleted(db, product.id, null);
        updateProduct(db, product, productRev(db, product.id)!);
        sums.changed += 1;
      } else sums.kept += 1;
    }
    return done(sums);
  });
}
