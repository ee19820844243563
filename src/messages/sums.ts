import type { Product } from "@/core/model";
import type { SumId } from "@/core/sums";
import { LAYS_PAINT, type Operation } from "@/core/work";
import { unitShown } from "@/format";
import { SUM_TEXT } from "./sum-texts";
import { GRIT_SCALE_NAME, LOAD_NAME, MATERIAL_NAME, METHOD_NAME, PROPELLANT_NAME, VERDICT_NAME } from "./vocabulary";

/** The sums as they are listed. */
export const SUM_GROUPS: readonly (readonly [string, readonly SumId[]])[] = [
  ["Paint", ["quantities", "thin", "two-pack", "film", "weigh-in", "cost"]],
  ["Colour", ["hide", "recipe", "photo"]],
  ["Surface", ["ladder", "grits", "ridge", "skins", "gap", "detail", "fit", "mass"]],
  ["Warmth and water", ["dew", "warm-can", "warm-part", "gun", "box", "dry-part"]],
  ["Light and glue", ["light", "resin-cure", "glue"]],
  ["Units", ["convert"]],
];

const WORDS: Readonly<Record<string, string>> = {
  ...METHOD_NAME,
  ...MATERIAL_NAME,
  ...PROPELLANT_NAME,
  ...LOAD_NAME,
  ...GRIT_SCALE_NAME,
  ...VERDICT_NAME,
  "dry-from-wet": "wet film",
  "wet-from-dry": "dry film",
  rinse: "rinsed",
  soak: "soaked",
  "wet-rub": "wet-rubbed",
  flat: "flat faces",
  peg: "a peg in a hole",
  "part-dry": "water out of a part",
  reaction: "two-packs",
  oxidation: "oils and enamels",
  hardening: "hardening of what has dried",
};
/** A word a sum asks or answers with; "wipe" is a way to lay paint where it is asked, and solvent flying off where it is answered. */
export const sumWord = (word: string, answered = false): string =>
  answered && word === "wipe" ? "solvent flying off" : (WORDS[word] ?? word);

/** What a field is called, with the unit a reader sees. */
export const sumLabel = (id: SumId, input: string, unit: string): string => {
  const name = SUM_TEXT[id].inputs[input] ?? input;
  return unit ? `${name}, ${unitShown(unit)}` : name;
};
export const sumNote = (id: SumId, code: string): string => SUM_TEXT[id].notes?.[code] ?? code;

/** Sums one has with a product in hand. */
export function sumsOf({ role, potLifeMin, method, light }: Product): readonly SumId[] {
  if (role === "adhesive") return ["glue", ...(potLifeMin ? (["two-pack"] as const) : [])];
  if (role === "putty") return ["skins", "gap", ...(potLifeMin ? (["two-pack"] as const) : [])];
  return [
    "quantities",
    ...(method === "aerosol" ? (["warm-can"] as const) : (["thin"] as const)),
    ...(potLifeMin ? (["two-pack"] as const) : []),
    ...(role === "colour" ? (["hide", "recipe"] as const) : []),
    ...(light ? (["light"] as const) : []),
    "weigh-in",
  ];
}

const OF_STEP: Readonly<Partial<Record<NonNullable<Operation["step"]>, readonly SumId[]>>> = {
  degrease: ["dry-part"],
  wash: ["dry-part"],
  rinse: ["dry-part"],
  dry: ["dry-part", "warm-part"],
  "blow-out": ["dry-part"],
  "post-cure": ["light", "resin-cure"],
  key: ["ladder", "grits"],
  scuff: ["grits"],
  "dry-fit": ["fit"],
  "warm-part": ["warm-part", "dew"],
  heat: ["gun", "box", "warm-part"],
  "warm-can": ["warm-can"],
};

/** Sums one has at a piece of work. */
export function sumsOfWork(
  { kind, step }: Pick<Operation, "kind" | "step">,
  product: Product | null,
): readonly SumId[] {
  if (step !== null) return OF_STEP[step] ?? [];
  if (kind === "sand") return ["ladder", "grits"];
  if (kind === "fit") return ["glue", "fit"];
  return product && (LAYS_PAINT.has(kind) || kind === "touch-in") ? sumsOf(product) : [];
}
