"use client";

import { Plus, X } from "lucide-react";
import type { ShelfItem } from "@/contracts";
import type { Product } from "@/core/model";
import { labelTimes, strongestBite } from "@/core/reference";
import { searchWords } from "../components/Finder";
import { duration } from "../format";
import { useAddress } from "../hooks/useAddress";
import { FAMILY_NAME, METHOD_NAME, ROLE_NAME } from "../messages";
import { ProductForm } from "./ProductForm";

const biteOf = (p: Product): string => p.bite ?? (p.carriers === "unknown" ? "B?" : `B${strongestBite(p.carriers)}`);

function matches(p: Product, query: string): boolean {
  const q = query.trim().toLowerCase();
  if (q === "") return true;
  const words = [
    p.name,
    p.maker,
    ROLE_NAME[p.role],
    FAMILY_NAME[p.family],
    ...searchWords(p.name, [...p.aliases, ROLE_NAME[p.role], FAMILY_NAME[p.family]]),
  ];
  return words.some((w) => w.toLowerCase().includes(q));
}

function Time({ p, m }: { p: Product; m: "flash" | "sandable" | "cured" }) {
  const t = labelTimes(p)[m];
  return (
    <td className="px-2 text-right whitespace-nowrap">
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

function windowsText(p: Product): string {
  if (p.label.recoat.length === 0) return "not given";
  return p.label.recoat
    .map(([lo, hi]) => (hi === null ? `from ${duration(lo)}` : `${duration(lo)} – ${duration(hi)}`))
    .join("; ");
}

function Row({
  item,
  chosen,
  narrow,
  choose,
}: {
  item: ShelfItem;
  chosen: boolean;
  narrow: boolean;
  choose: () => void;
}) {
  const { product: p } = item;
  const left = p.leftMl === null ? "?" : `${p.leftMl} ml`;
  return (
    <tr data-product={p.id} className={`border-b border-base-300 ${chosen ? "bg-base-200" : "hover:bg-base-200/60"}`}>
      <td className="py-1.5 pr-2 pl-3">
        <span
          className="block size-7 rounded-field border border-base-content/40"
          style={{ background: p.colour }}
          aria-hidden
        />
      </td>
      <td className="px-2">
        <button type="button" className="link-hover text-left font-semibold" aria-pressed={chosen} onClick={choose}>
          {p.name}
        </button>
        <span className="soft block text-sm">
          {p.maker}
          {p.maker && " · "}
          {METHOD_NAME[p.method]}
        </span>
      </td>
      <td className="px-2">
        {ROLE_NAME[p.role]}
        <span className="soft block text-sm">{FAMILY_NAME[p.family]}</span>
      </td>
      <td className="px-2 font-semibold">{biteOf(p)}</td>
      <Time p={p} m="flash" />
      {!narrow && <td className="px-2 text-sm">{windowsText(p)}</td>}
      <Time p={p} m="sandable" />
      {!narrow && <Time p={p} m="cured" />}
      <td className="px-2 text-right whitespace-nowrap">{left}</td>
      {!narrow && (
        <td className="px-2 text-right text-sm">
          {item.usedIn > 0 ? `${item.usedIn} stack${item.usedIn > 1 ? "s" : ""}` : "–"}
        </td>
      )}
    </tr>
  );
}

const HEADS = ["", "Product", "Role, family", "Bite", "Flash", "Recoat window", "Sandable", "Cured", "Left", "Used in"];
/** Left out while a card is open beside the list. */
const WIDE_ONLY = new Set(["Recoat window", "Cured", "Used in"]);
const RIGHT = new Set(["Flash", "Sandable", "Cured", "Left", "Used in"]);

export function ShelfView({ shelf }: { shelf: readonly ShelfItem[] }) {
  const { params, set } = useAddress();
  const query = params.get("q") ?? "";
  const role = params.get("role") ?? "";
  const chosen = params.get("product");
  const shown = shelf.filter((i) => matches(i.product, query) && (role === "" || i.product.role === role));
  const roles = [...new Set(shelf.map((i) => i.product.role))];
  const item = shelf.find((i) => i.product.id === chosen) ?? null;
  const editing = chosen === "new" || item !== null;
  return (
    <main className="flex h-full min-h-0 flex-col lg:flex-row">
      <div className="min-w-0 flex-1 overflow-auto p-4">
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <h1 className="text-xl font-bold">Shelf</h1>
          <input
            type="search"
            className="input input-sm w-64"
            aria-label="Search the shelf"
            placeholder="Name, alias, family…"
            defaultValue={query}
            onChange={(e) => set({ q: e.target.value })}
          />
          <select
            className="select select-sm w-44"
            aria-label="Role"
            value={role}
            onChange={(e) => set({ role: e.target.value })}
          >
            <option value="">every role</option>
            {roles.map((r) => (
              <option key={r} value={r}>
                {ROLE_NAME[r]}
              </option>
            ))}
          </select>
          <span className="soft text-sm">
            {shown.length} of {shelf.length}
          </span>
          <span className="flex-1" />
          <button type="button" className="btn btn-primary btn-sm" onClick={() => set({ product: "new" })}>
            <Plus className="size-4" aria-hidden />
            Add a product
          </button>
        </div>
        {shelf.length === 0 ? (
          <p className="rounded-box bg-base-200 p-6 text-lg">
            The shelf is empty. Add what you own: name, role, what flies off while it dries, and the times from the
            label are enough to begin.
          </p>
        ) : (
          <table className={`w-full text-[15px] ${editing ? "min-w-[560px]" : "min-w-[820px]"}`}>
            <thead>
              <tr className="border-b-2 border-base-300">
                {HEADS.filter((h) => !(editing && WIDE_ONLY.has(h))).map((h) => (
                  <th
                    key={h}
                    scope="col"
                    className={`px-2 py-1 text-sm font-semibold ${RIGHT.has(h) ? "text-right" : "text-left"}`}
                  >
                    {h || <span className="sr-only">Colour</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {shown.map((i) => (
                <Row
                  key={i.product.id}
                  item={i}
                  chosen={i.product.id === chosen}
                  narrow={editing}
                  choose={() => set({ product: i.product.id })}
                />
              ))}
            </tbody>
          </table>
        )}
        <p className="soft mt-3 text-sm">
          Times are the label’s own, at its own air and thickness; <span className="text-warning">est.</span> marks what
          the label leaves out. For hazards the product’s safety data sheet decides.
        </p>
      </div>
      {editing && (
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
              onClick={() => set({ product: null })}
            >
              <X className="size-4" aria-hidden />
            </button>
          </div>
          <ProductForm key={chosen} item={item} onSaved={(id) => set({ product: id })} />
        </aside>
      )}
    </main>
  );
}
