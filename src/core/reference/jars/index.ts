import { type Confirmable, FILM_ROLES, isOneOf, JARS, type JarId, type Product, type Role } from "../../model";
import { strongestBite } from "../carriers";
import { familyFacts } from "../families";
import { CLEARS } from "./clears";
import { COLOURS } from "./colours";
import { FILLERS } from "./fillers";
import { PRIMERS } from "./primers";
import { factsOf, type JarFacts, type JarRow } from "./row";
import { SUNDRIES } from "./sundries";

export type { JarFacts, JarRow } from "./row";

const ROWS = new Map([...FILLERS, ...PRIMERS, ...COLOURS, ...CLEARS, ...SUNDRIES].map((r) => [r.id, r]));
/** Every kind, in the order of the vocabulary. */
export const JAR_ROWS: readonly JarRow[] = JARS.flatMap((id) => ROWS.get(id) ?? []);
export const jarRow = (id: JarId): JarRow => ROWS.get(id)!;

const MOST_ALIASES = 3;
/** A card as a jar of this kind usually has it; its name is the kind's until it is given its own. */
export function cardOfJar(jar: JarId, id: string): Product {
  const { name, also, facts } = jarRow(jar);
  const own = { id, name, maker: "", aliases: also.slice(0, MOST_ALIASES), leftMl: null, note: "" };
  return { ...facts, ...own, jar, source: "typical", owned: true };
}

/** Which facts of a jar a danger hangs on: what it dries from decides over foam, a hardener may be an isocyanate. */
export function dangersOf({ role, family, carriers, hazards }: JarFacts): readonly Confirmable[] {
  const dry = role === "abrasive" || (role === "masking" && carriers.length === 0);
  const hardener =
    hazards.some((h) => h.startsWith("isocyanate")) || (family !== "unknown" && familyFacts(family).isocyanate);
  return [...(dry ? [] : (["carriers"] as const)), ...(hardener ? (["hazards"] as const) : [])];
}

/** What of a card is its kind's word only where a danger hangs on it; nothing for a card that was read off a label. */
export const unconfirmed = (p: Product): readonly Confirmable[] =>
  p.jar == null ? [] : dangersOf(jarRow(p.jar).facts).filter((c) => isTypical(p, c));

/** Bite from which a carrier is a danger to foam, whatever else is in the can. */
export const BITES_FOAM = 2;
const doubted = new WeakMap<Product, Product>();
/**
 * A card as it counts where the face is, or may be, foam: that such a jar usually dries from something mild is no proof that
 * this one does, so until its label was read its carrier is not known.
 */
export function onFoam(p: Product): Product {
  if (p.jar == null || p.carriers === "unknown" || strongestBite(p.carriers) >= BITES_FOAM) return p;
  const known = doubted.get(p);
  if (known) return known;
  const made = unconfirmed(p).includes("carriers") ? { ...p, carriers: "unknown" as const } : p;
  doubted.set(p, made);
  return made;
}

const MINUTES_UP_TO_MIN = 60;
/** Bite from which only lacquer thinner cleans a brush. */
const STRONG_BITE = 3;
/** The three questions that tell kinds apart without reading: what cleans it up, how soon it is touch dry, one part or two. */
export interface JarTraits {
  readonly cleansWith: "water" | "alcohol" | "spirit" | "strong" | "nothing";
  readonly dryIn: "minutes" | "hours";
  readonly parts: 1 | 2;
}
/** What takes a brush clean, by what the paint dries from; what hardens by itself is not cleaned once it has. */
function cleansWith(carriers: Product["carriers"]): JarTraits["cleansWith"] {
  if (carriers === "unknown") return "strong";
  if (carriers.length === 0 || carriers.includes("reactive-diluent")) return "nothing";
  if (strongestBite(carriers) >= STRONG_BITE) return "strong";
  if (carriers.includes("aliphatic")) return "spirit";
  return carriers[0] === "alcohol" || (carriers.includes("alcohol") && !carriers.includes("water"))
    ? "alcohol"
    : "water";
}
export const traitsOf = ({ facts: { family, carriers, label, mixRatio } }: JarRow): JarTraits => ({
  cleansWith: cleansWith(carriers),
  dryIn: (label.touchMin ?? 0) <= MINUTES_UP_TO_MIN ? "minutes" : "hours",
  parts: mixRatio != null || (family !== "unknown" && familyFacts(family).twoPart) ? 2 : 1,
});
/** Kinds that fit what was answered; a question left open rules nothing out. */
export const jarsLike = (told: Partial<JarTraits>): readonly JarRow[] =>
  JAR_ROWS.filter((r) => {
    const own = traitsOf(r);
    return (Object.keys(told) as (keyof JarTraits)[]).every((k) => told[k] === undefined || told[k] === own[k]);
  });

const wordsOf = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
/** Worth of finding a word in a place: its name, what else it is called, what it is for. */
const WORTH = { exact: 10, begins: 5, name: 4, also: 3, use: 1 } as const;
const holds = (place: string, word: string): number => {
  const own = wordsOf(place);
  return own.includes(word) ? 2 : own.some((w) => w.startsWith(word)) ? 1 : 0;
};

/** Kinds by what people call them, best first; every word must be found somewhere. Nothing asked finds all. */
export function findJars(text: string): readonly JarRow[] {
  const words = wordsOf(text);
  const scored = JAR_ROWS.map((row, i) => {
    const each = words.map((w) =>
      Math.max(
        WORTH.name * holds(row.name, w),
        WORTH.also * holds(row.also.join(" "), w),
        WORTH.use * holds(row.use, w),
      ),
    );
    const asked = words.join(" ");
    const names = [row.name, ...row.also].map((n) => wordsOf(n).join(" "));
    const exact = names.includes(asked) ? WORTH.exact : asked !== "" && names[0]!.startsWith(asked) ? WORTH.begins : 0;
    return { row, i, score: each.some((s) => s === 0) ? -1 : each.reduce((a, b) => a + b, exact) };
  });
  return scored
    .filter((s) => s.score >= 0)
    .sort((a, b) => b.score - a.score || a.i - b.i)
    .map((s) => s.row);
}

/** A field of a card, dotted, that still says what its kind says. */
export function isTypical(p: Product, path: string): boolean {
  if (p.jar == null || (p.confirmed ?? []).some((c) => c === path)) return false;
  const at = (from: object): unknown =>
    path.split(".").reduce<unknown>((o, key) => (o as Record<string, unknown> | null | undefined)?.[key], from);
  const own = at(p);
  const kind = at(jarRow(p.jar).facts);
  return kind != null && JSON.stringify(own) === JSON.stringify(kind);
}

const LABEL_TIMES = ["flashMin", "touchMin", "handleMin", "sandableMin", "tapeSafeMin", "curedMin"] as const;
const middle = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
const slowest = (list: readonly (number | null)[]): number | null => {
  const told = list.filter((t) => t !== null);
  return told.length > 0 ? Math.max(...told) : null;
};

/**
 * What is taken of a product of which nobody said more than its role: binder and carrier not known, every time the slowest of
 * the kinds of that role, the film of the middle one. All of it assumed.
 */
export function leastKnown(role: Role): JarFacts {
  const kinds = JAR_ROWS.map((r) => r.facts).filter((f) => f.role === role);
  const first = kinds[0]!;
  const label = { ...first.label, coats: 1, gapMin: null, recoat: [], wftUm: middle(kinds.map((k) => k.label.wftUm)) };
  for (const t of LABEL_TIMES) Object.assign(label, { [t]: slowest(kinds.map((k) => k.label[t])) });
  const film = isOneOf(FILM_ROLES)(role);
  return factsOf([role, "unknown", "unknown", film ? "brush" : first.method], label);
}
