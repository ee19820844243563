import { isOneOf, MATERIALS, type MaterialId, type Product } from "@/core/model";
import { type BiteAnswer, materialFacts, strongestBite } from "@/core/reference";
import { FAMILY_NAME, ROLE_NAME } from "@/messages";
import { searchWords } from "../components/Finder";

/** What narrows the shelf: each facet stands in the address under its own name. */
export interface Facets {
  readonly q: string;
  readonly role: string;
  readonly family: string;
  readonly bite: string;
  readonly on: string;
  readonly stock: string;
}
export const FACET_NAMES = ["q", "role", "family", "bite", "on", "stock"] as const satisfies readonly (keyof Facets)[];

export const readFacets = (params: URLSearchParams): Facets =>
  Object.fromEntries(FACET_NAMES.map((n) => [n, params.get(n) ?? ""])) as unknown as Facets;

export const biteOf = (p: Product): string =>
  p.bite ?? (p.carriers === "unknown" ? "B?" : `B${strongestBite(p.carriers)}`);

/** What its carrier does to a bare material; an unknown one is taken as the strongest. */
export function bareVerdict(p: Product, material: MaterialId): BiteAnswer {
  const bite = p.bite ? Number(p.bite.slice(1)) : p.carriers === "unknown" ? 4 : strongestBite(p.carriers);
  return materialFacts(material).byBite[bite]!;
}

export const STOCK = {
  owned: "on the shelf",
  low: "nearly empty",
  old: "past its date",
  buy: "to buy",
} as const;

/** Below this share of a pack it is time to think of another. */
const LOW_SHARE = 0.2;
export const isLow = (p: Product): boolean => p.leftMl !== null && p.packMl != null && p.leftMl < LOW_SHARE * p.packMl;
export const isOld = (p: Product, today: string): boolean => p.useBy != null && p.useBy < today;

function inStock(p: Product, stock: string, today: string): boolean {
  switch (stock) {
    case "owned":
      return p.owned !== false;
    case "low":
      return isLow(p);
    case "old":
      return isOld(p, today);
    case "buy":
      return p.owned === false;
    default:
      return true;
  }
}

/** Name, maker, aliases and regional names, role and family: any of them finds it. */
function matches(p: Product, query: string): boolean {
  const q = query.trim().toLowerCase();
  if (q === "") return true;
  const kind = [ROLE_NAME[p.role], FAMILY_NAME[p.family]];
  return [p.name, p.maker, ...kind, ...searchWords(p.name, [...p.aliases, ...kind])].some((w) =>
    w.toLowerCase().includes(q),
  );
}

export const shownBy =
  (f: Facets, today: string) =>
  (p: Product): boolean =>
    matches(p, f.q) &&
    (f.role === "" || p.role === f.role) &&
    (f.family === "" || p.family === f.family) &&
    (f.bite === "" || biteOf(p) === f.bite) &&
    (!isOneOf(MATERIALS)(f.on) || bareVerdict(p, f.on) === "ok") &&
    inStock(p, f.stock, today);
