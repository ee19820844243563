import { type FactName, type FactSheet, type FactValue, isCandidates, type KnownValue, slotOf } from "./facts";

/** A condition over named facts; a rule's "applies when". */
export type Condition =
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition }
  | { readonly fact: FactName; readonly in: readonly string[] }
  | { readonly fact: FactName; readonly has: readonly string[] }
  | { readonly fact: FactName; readonly is: boolean }
  | { readonly fact: FactName; readonly from?: number; readonly to?: number };

export const all = (...of: Condition[]): Condition => ({ all: of });
export const any = (...of: Condition[]): Condition => ({ any: of });
export const not = (of: Condition): Condition => ({ not: of });
export const is = (fact: FactName, ...values: string[]): Condition => ({ fact, in: values });
/** the set holds at least one of these */
export const has = (fact: FactName, ...values: string[]): Condition => ({ fact, has: values });
export const yes = (fact: FactName): Condition => ({ fact, is: true });
export const no = (fact: FactName): Condition => ({ fact, is: false });
/** from ≤ value */
export const atLeast = (fact: FactName, from: number): Condition => ({ fact, from });
/** value ≤ to */
export const atMost = (fact: FactName, to: number): Condition => ({ fact, to });
/** limit < value; like every leaf false when the fact does not apply */
export const above = (fact: FactName, limit: number): Condition => all(atLeast(fact, limit), not(atMost(fact, limit)));
/** value < limit */
export const below = (fact: FactName, limit: number): Condition => all(atMost(fact, limit), not(atLeast(fact, limit)));

/** Kleene's three values: what is not known stays so unless the rest decides it. */
type Truth = "true" | "false" | "unknown";

export interface Evaluation {
  readonly truth: Truth;
  /** entries whose being unknown kept the condition from an answer */
  readonly missing: readonly string[];
}

const T: Evaluation = { truth: "true", missing: [] };
const F: Evaluation = { truth: "false", missing: [] };

const unite = (es: readonly Evaluation[]): readonly string[] => [...new Set(es.flatMap((e) => e.missing))];

export function evaluate(c: Condition, facts: FactSheet): Evaluation {
  if ("all" in c) return conjunction(c.all.map((x) => evaluate(x, facts)));
  if ("any" in c) return negate(conjunction(c.any.map((x) => negate(evaluate(x, facts)))));
  if ("not" in c) return negate(evaluate(c.not, facts));
  const value: FactValue | undefined = facts.slots[slotOf(c.fact)];
  if (!isCandidates(value)) return holds(c, value ?? null) ? T : F;
  const answers = new Set(value.candidates.map((v) => holds(c, v)));
  if (answers.size === 2) return { truth: "unknown", missing: [value.missing] };
  return answers.has(true) ? T : F;
}

function conjunction(parts: readonly Evaluation[]): Evaluation {
  if (parts.some((p) => p.truth === "false")) return F;
  const open = parts.filter((p) => p.truth === "unknown");
  return open.length > 0 ? { truth: "unknown", missing: unite(open) } : T;
}

const negate = (e: Evaluation): Evaluation => (e.truth === "true" ? F : e.truth === "false" ? T : e);

type Leaf = Extract<Condition, { fact: FactName }>;

function holds(c: Leaf, value: KnownValue): boolean {
  if (value === null) return false;
  if ("in" in c) return typeof value === "string" && c.in.includes(value);
  if ("has" in c) return Array.isArray(value) && c.has.some((v) => value.includes(v));
  if ("is" in c) return value === c.is;
  return (
    typeof value === "number" && (c.from === undefined || value >= c.from) && (c.to === undefined || value <= c.to)
  );
}

/** Every leaf of a condition, for vetting and for telling which facts decided. */
export function leaves(c: Condition): readonly Leaf[] {
  if ("all" in c) return c.all.flatMap(leaves);
  if ("any" in c) return c.any.flatMap(leaves);
  if ("not" in c) return leaves(c.not);
  return [c];
}

/** A condition as a plain yes-or-no over a sheet none of whose facts it names is open. */
export type Test = (slots: FactSheet["slots"]) => boolean;

/** Compiles a condition once, for facts that are all known: the same answers as `evaluate`, without its bookkeeping. */
export function compileTest(c: Condition): Test {
  if ("all" in c) {
    const parts = c.all.map(compileTest);
    return (f) => {
      for (const t of parts) if (!t(f)) return false;
      return true;
    };
  }
  if ("any" in c) {
    const parts = c.any.map(compileTest);
    return (f) => {
      for (const t of parts) if (t(f)) return true;
      return false;
    };
  }
  if ("not" in c) {
    const inner = compileTest(c.not);
    return (f) => !inner(f);
  }
  const slot = slotOf(c.fact);
  if ("is" in c) return (f) => f[slot] === c.is;
  if ("in" in c) return c.in.length === 1 ? (f) => f[slot] === c.in[0] : (f) => c.in.includes(f[slot] as string);
  return (f) => holds(c, (f[slot] as KnownValue | undefined) ?? null);
}
