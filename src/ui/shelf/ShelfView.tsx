"use client";

import { Download, Plus, Upload, X } from "lucide-react";
import { useRef } from "react";
import type { CouponCard, LessonView, ShelfItem, TaughtView, UsedView } from "@/contracts";
import { FAMILIES, isOneOf, JARS, MATERIALS, type Product, ROLES } from "@/core/model";
import { labelTimes, sourceOf } from "@/core/reference";
import { duration, volumeText } from "@/format";
import { BITE_NAME, FAMILY_NAME, MATERIAL_NAME, METHOD_NAME, ROLE_NAME } from "@/messages";
import { EvidenceMark } from "../components/EvidenceMark";
import { useAddress } from "../hooks/useAddress";
import { useFocusNext } from "../hooks/useFocusNext";
import { Compare } from "./Compare";
import { biteOf, FACET_NAMES, type Facets, isLow, isOld, readFacets, STOCK, shownBy } from "./facets";
import { leavesFilm, windowsText } from "./figures";
import { JarChooser } from "./JarChooser";
import { ProductCard } from "./ProductCard";
import { ProductForm } from "./ProductForm";
import { ShelfImport } from "./ShelfImport";

function Time({ p, m }: { p: Product; m: "flash" | "sandable" | "cured" }) {
  if (!leavesFilm(p))
    return (
      <td role="cell" className="soft px-2 text-right max-sm:hidden">
        –
      </td>
    );
  const t = labelTimes(p)[m];
  return (
    <td role="cell" className="px-2 text-right whitespace-nowrap max-sm:hidden">
      {duration(t.min)}
      {t.assumed && (
        <span className="text-warning" title="Not on the label: the family’s usual ratio">
          {" "}
          est.
        </span>
      )}
    </td>
  );
}

interface RowProps {
  readonly item: ShelfItem;
  readonly chosen: boolean;
  readonly narrow: boolean;
  readonly compared: boolean;
  readonly today: string;
  readonly choose: () => void;
  readonly compare: () => void;
}

function Row({ item, chosen, narrow, compared, today, choose, compare }: RowProps) {
  const { product: p, placeCount } = item;
  const left = p.leftMl === null ? "?" : volumeText(p.leftMl);
  return (
    <tr
      role="row"
      data-product={p.id}
      className={`border-b border-base-300 max-sm:flex max-sm:items-start max-sm:gap-1 ${chosen ? "bg-base-200" : "hover:bg-base-200/60"}`}
    >
      <td role="cell" className="py-1.5 pr-1 pl-3">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          aria-label={`Put ${p.name} side by side`}
          checked={compared}
          onChange={compare}
        />
      </td>
      <td role="cell" className="px-1">
        <span
          className="block size-7 rounded-field border border-base-content/40"
          style={{ background: p.colour }}
          aria-hidden
        />
      </td>
      <td role="cell" className="min-w-0 flex-1 px-2">
        <button type="button" className="link-hover text-left font-semibold" aria-pressed={chosen} onClick={choose}>
          {p.name}
        </button>
        <span className="soft block text-sm">
          {p.maker}
          {p.maker && " · "}
          {METHOD_NAME[p.method]}
          <span className="sm:hidden"> · {ROLE_NAME[p.role].toLowerCase()}</span>
        </span>
      </td>
      <td role="cell" className="px-2 max-sm:hidden">
        {ROLE_NAME[p.role]}
        <span className="soft block text-sm">{leavesFilm(p) ? FAMILY_NAME[p.family] : ""}</span>
      </td>
      <td role="cell" className="px-2 font-semibold max-sm:hidden">
        {biteOf(p)}
      </td>
      {!narrow && <Time p={p} m="flash" />}
      {!narrow && (
        <td role="cell" className="px-2 text-sm max-sm:hidden">
          {leavesFilm(p) ? windowsText(p) : ""}
        </td>
      )}
      <Time p={p} m="sandable" />
      {!narrow && <Time p={p} m="cured" />}
      <td role="cell" className="px-2 text-right whitespace-nowrap">
        {p.owned === false ? <span className="font-semibold text-warning">to buy</span> : left}
        {isLow(p) && <span className="block text-sm text-warning">nearly empty</span>}
        {isOld(p, today) && <span className="block text-sm text-warning">past its date</span>}
      </td>
      {!narrow && (
        <td role="cell" className="px-2 text-right text-sm whitespace-nowrap max-sm:hidden">
          {placeCount > 0 ? `${placeCount} stack${placeCount > 1 ? "s" : ""}` : "–"}
        </td>
      )}
      <td role="cell" className="px-2 max-sm:hidden">
        <EvidenceMark source={sourceOf(p)} />
      </td>
    </tr>
  );
}

const HEADS = [
  "",
  " ",
  "Product",
  "Role, family",
  "Bite",
  "Flash",
  "Recoat window",
  "Sandable",
  "Cured",
  "Left",
  "Used in",
  "From",
];
const HIDDEN_HEAD: Readonly<Record<string, string>> = { "": "Side by side", " ": "Colour" };
/** Left out while a card is open beside the list. */
const WIDE_ONLY = new Set(["Flash", "Recoat window", "Cured", "Used in"]);
const RIGHT = new Set(["Flash", "Sandable", "Cured", "Left", "Used in"]);

function FacetBar({
  facets,
  shelf,
  set,
}: {
  facets: Facets;
  shelf: readonly ShelfItem[];
  set: (changes: Record<string, string | null>) => void;
}) {
  const has = <K extends "role" | "family">(k: K) => new Set<string>(shelf.map((i) => i.product[k]));
  const [roles, families] = [has("role"), has("family")];
  const choice = (name: keyof Facets, label: string, all: string, options: readonly (readonly [string, string])[]) => (
    <select
      className="select select-sm w-40"
      aria-label={label}
      value={facets[name]}
      onChange={(e) => set({ [name]: e.target.value })}
    >
      <option value="">{all}</option>
      {options.map(([v, words]) => (
        <option key={v} value={v}>
          {words}
        </option>
      ))}
    </select>
  );
  return (
    <div className="mb-3 flex flex-wrap items-center gap-2">
      <input
        type="search"
        className="input input-sm w-56"
        aria-label="Search the shelf"
        placeholder="Name, alias, family…"
        defaultValue={facets.q}
        onChange={(e) => set({ q: e.target.value })}
      />
      {choice(
        "role",
        "Role",
        "every role",
        ROLES.filter((r) => roles.has(r)).map((r) => [r, ROLE_NAME[r]]),
      )}
      {choice(
        "family",
        "Family",
        "every family",
        FAMILIES.filter((f) => families.has(f)).map((f) => [f, FAMILY_NAME[f]]),
      )}
      {choice("bite", "Bite", "every bite", [...Object.entries(BITE_NAME), ["B?", "not known"]])}
      {choice(
        "on",
        "Safe on",
        "safe on …",
        MATERIALS.map((m) => [m, `safe on ${MATERIAL_NAME[m]}`]),
      )}
      {choice("stock", "Stock", "any stock", Object.entries(STOCK))}
      {FACET_NAMES.some((n) => facets[n] !== "") && (
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => set(Object.fromEntries(FACET_NAMES.map((n) => [n, null])))}
        >
          Show all
        </button>
      )}
    </div>
  );
}

interface ShelfProps {
  readonly shelf: readonly ShelfItem[];
  readonly coupons: readonly CouponCard[];
  /** what mishaps taught */
  readonly lessons: readonly LessonView[];
  /** what looks taught of waits; null = the log cannot be read */
  readonly taught: TaughtView | null;
  /** what the logs say was used, by product */
  readonly used: Readonly<Record<string, UsedView>>;
  /** local date, YYYY-MM-DD */
  readonly today: string;
}

export function ShelfView({ shelf, coupons, lessons, taught, used, today }: ShelfProps) {
  const { params, set } = useAddress();
  const facets = readFacets(params);
  const shown = shelf.filter((i) => shownBy(facets, today)(i.product));
  const chosen = params.get("product");
  const item = shelf.find((i) => i.product.id === chosen) ?? null;
  const open = chosen === "new" || item !== null;
  const compared = (params.get("compare") ?? "").split(",").filter((id) => shelf.some((i) => i.product.id === id));
  const toggle = (id: string) => {
    const next = compared.includes(id) ? compared.filter((c) => c !== id) : [...compared, id].slice(-2);
    set({ compare: next.join(",") || null });
  };
  const pair = compared.map((id) => shelf.find((i) => i.product.id === id)!.product);
  const bringIn = useRef<HTMLDialogElement>(null);
  const main = useRef<HTMLElement>(null);
  // saved or closed, what had the keyboard is gone: it goes on with the card, or with the list
  useFocusNext(`${chosen} ${params.get("edit")} ${params.get("jar")}`, () => {
    const card = main.current?.querySelector<HTMLElement>("aside [data-next], aside input:not([type=hidden])");
    return card ?? main.current?.querySelector<HTMLElement>("[data-next]");
  });
  return (
    <main ref={main} className="flex h-full min-h-0 flex-col lg:flex-row">
      <div className={`min-w-0 flex-1 overflow-auto p-4 ${open ? "max-lg:hidden" : ""}`}>
        <div className="mb-3 flex flex-wrap items-center gap-2">
          <h1 className="mr-2 text-xl font-bold">Shelf</h1>
          <span className="soft text-sm" role="status">
            {shown.length} of {shelf.length}
          </span>
          <span className="flex-1" />
          <button type="button" className="btn btn-sm" onClick={() => bringIn.current?.showModal()}>
            <Upload className="size-4" aria-hidden />
            Bring in
          </button>
          {(["csv", "json"] as const).map((kind) => (
            <a key={kind} className="btn btn-sm" href={`/api/v1/shelf.${kind}?download`} download>
              <Download className="size-4" aria-hidden />
              <span className="sr-only">Export as </span>
              {kind.toUpperCase()}
            </a>
          ))}
          <button
            type="button"
            data-next
            className="btn btn-primary btn-sm"
            onClick={() => set({ product: "new", jar: null })}
          >
            <Plus className="size-4" aria-hidden />
            Add a product
          </button>
        </div>
        <FacetBar facets={facets} shelf={shelf} set={set} />
        {pair.length === 2 && <Compare pair={[pair[0]!, pair[1]!]} close={() => set({ compare: null })} />}
        {pair.length === 1 && <p className="soft mb-2 text-sm">Tick a second product to see them side by side.</p>}
        {shelf.length === 0 ? (
          <p className="rounded-box bg-base-200 p-6 text-lg">
            The shelf is empty. Add what you own: choose the kind of jar by what it is called, and correct what your
            label says otherwise. A shelf file, CSV or JSON, can be brought in whole.
          </p>
        ) : (
          <table
            role="table"
            className={`as-cards w-full text-[15px] ${open ? "sm:min-w-[600px]" : "sm:min-w-[860px]"}`}
          >
            <thead role="rowgroup">
              <tr role="row" className="border-b-2 border-base-300">
                {HEADS.filter((h) => !(open && WIDE_ONLY.has(h))).map((h) => (
                  <th
                    key={h}
                    role="columnheader"
                    scope="col"
                    className={`px-2 py-1 text-sm font-semibold ${RIGHT.has(h) ? "text-right" : "text-left"}`}
                  >
                    {h.trim() || <span className="sr-only">{HIDDEN_HEAD[h]}</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody role="rowgroup">
              {shown.map((i) => (
                <Row
                  key={i.product.id}
                  item={i}
                  chosen={i.product.id === chosen}
                  narrow={open}
                  compared={compared.includes(i.product.id)}
                  today={today}
                  choose={() => set({ product: i.product.id, edit: null })}
                  compare={() => toggle(i.product.id)}
                />
              ))}
            </tbody>
          </table>
        )}
        {shelf.length > 0 && shown.length === 0 && (
          <p className="rounded-box bg-base-200 p-4">
            Nothing on the shelf is all of that. Take one of the choices back.
          </p>
        )}
        <p className="soft mt-3 text-sm">
          Times are the label’s own, at its own air and thickness; <span className="text-warning">est.</span> marks what
          the label leaves out. “Safe on” looks at the carrier on the bare material only; a stack is judged under
          Stacks. For hazards the product’s safety data sheet decides.
        </p>
      </div>
      {open && (
        <Side
          key={chosen}
          item={item}
          jar={params.get("jar")}
          editing={item === null || params.get("edit") !== null}
          coupons={coupons}
          lessons={lessons}
          taught={taught}
          used={used}
          today={today}
          paints={shelf.flatMap(({ product: p }) => (p.role === "colour" ? [{ id: p.id, name: p.name }] : []))}
          set={set}
        />
      )}
      <ShelfImport ref={bringIn} />
    </main>
  );
}

/** The card of a product, or the form that changes it. */
function Side({
  item,
  jar,
  editing,
  coupons,
  lessons,
  taught,
  used,
  today,
  paints,
  set,
}: Omit<ShelfProps, "shelf"> & {
  readonly paints: readonly { readonly id: string; readonly name: string }[];
  item: ShelfItem | null;
  /** a new card's kind, or that it is to be blank; null = not chosen yet */
  jar: string | null;
  editing: boolean;
  set: (changes: Record<string, string | null>) => void;
}) {
  return (
    <aside
      className="w-full shrink-0 overflow-auto border-base-300 bg-base-100 p-4 pb-0 lg:w-[440px] lg:border-l"
      aria-label="Product card"
    >
      <div className="mb-2 flex items-center justify-between">
        <h2 className="text-lg font-bold">{item ? item.product.name : "New product"}</h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Close the card"
          onClick={() => set({ product: null, edit: null, jar: null })}
        >
          <X className="size-4" aria-hidden />
        </button>
      </div>
      {item && !editing ? (
        <ProductCard
          item={item}
          coupons={coupons}
          lessons={lessons}
          taught={taught}
          used={used[item.product.id] ?? null}
          today={today}
          paints={paints.filter((c) => c.id !== item.product.id)}
          edit={() => set({ edit: "1" })}
        />
      ) : item === null && jar === null ? (
        <JarChooser choose={(kind) => set({ jar: kind })} />
      ) : (
        <ProductForm
          item={item}
          jar={isOneOf(JARS)(jar) ? jar : null}
          onSaved={(id) => set({ product: id, edit: null, jar: null })}
        />
      )}
    </aside>
  );
}
