/** Vets the catalogue when it is loaded and makes each condition a function: a rule that cannot fire stops the application. */

import { err, ok, type Result } from "../base";
import { type Condition, compileTest, leaves, type Test } from "./condition";
import { FACT_SPECS, type FactName, RULE_SCOPES, type RuleScope } from "./facts";
import type { Rule } from "./rule";

export interface RuleFault {
  readonly ruleId: string;
  readonly fault:
    | "duplicate-id"
    | "unknown-fact"
    | "fact-not-in-scope"
    | "wrong-kind"
    | "unknown-value"
    | "never-fires"
    | "contradiction";
  readonly detail: string;
}

/** A vetted rule with what makes it quick to ask. */
export interface CompiledRule extends Rule {
  readonly test: Test;
  readonly factNames: readonly FactName[];
}
export type RuleBook = Readonly<Record<RuleScope, readonly CompiledRule[]>>;

const compiled = (rule: Rule): CompiledRule => ({
  ...rule,
  test: compileTest(rule.when),
  factNames: [...new Set(leaves(rule.when).map((l) => l.fact))],
});

/**
 * Vets rules and files them by scope. Refuses the whole book with every fault found: duplicate id, unknown
 * fact, fact without a value in that scope, condition of the wrong kind, value outside the vocabulary,
 * condition that can never be true, two rules that say different things of the very same facts.
 */
export function compileRules(rules: readonly Rule[]): Result<RuleBook, readonly RuleFault[]> {
  const seen = new Set<string>();
  const faults = rules.flatMap((rule) => {
    const duplicate: RuleFault[] = seen.has(rule.id)
      ? [{ ruleId: rule.id, fault: "duplicate-id", detail: rule.id }]
      : [];
    seen.add(rule.id);
    const leafFaults = leaves(rule.when).flatMap((leaf) => vetLeaf(rule, leaf));
    const dead: RuleFault[] =
      leafFaults.length === 0 && neverTrue(rule.when)
        ? [{ ruleId: rule.id, fault: "never-fires", detail: "its conditions exclude each other" }]
        : [];
    return [...duplicate, ...leafFaults, ...dead];
  });
  const sound = faults.length === 0 ? contradictions(rules) : [];
  if (faults.length + sound.length > 0) return err([...faults, ...sound]);
  return ok(
    Object.fromEntries(
      RULE_SCOPES.map((s) => [s, rules.filter((r) => r.scope === s).map(compiled)]),
    ) as unknown as Record<RuleScope, CompiledRule[]>,
  );
}

type Leaf = ReturnType<typeof leaves>[number];

/** Pairs of one scope over the same facts that hold for exactly the same values, yet give different verdicts. */
function contradictions(rules: readonly Rule[]): RuleFault[] {
  const groups = new Map<string, Rule[]>();
  for (const rule of rules) {
    const facts = [...new Set(leaves(rule.when).map((l) => l.fact))].sort().join();
    const key = `${rule.scope}: ${facts}`;
    groups.set(key, [...(groups.get(key) ?? []), rule]);
  }
  return [...groups.values()].flatMap((group) =>
    group.flatMap((a, i) =>
      group
        .slice(i + 1)
        .filter((b) => a.verdict !== b.verdict && sameConditions(a.when, b.when))
        .map((b): RuleFault => ({ ruleId: b.id, fault: "contradiction", detail: `${a.id} says ${a.verdict}` })),
    ),
  );
}

/** Do two conditions over the same facts agree for every value those facts can have? Beyond the bound: not proved, so no. */
function sameConditions(a: Condition, b: Condition): boolean {
  const list = [...leaves(a), ...leaves(b)];
  const patterns = patternsOf(list);
  if (combinationsOf(patterns) > MAX_COMBINATIONS) return false;
  const truth = new Map<Leaf, boolean>();
  const agree = (at: number): boolean => {
    if (at === patterns.length) return truthOf(a, truth) === truthOf(b, truth);
    return patterns[at]!.every((answers) => {
      for (const [leaf, holds] of answers) truth.set(leaf, holds);
      return agree(at + 1);
    });
  };
  return agree(0);
}

function vetLeaf(rule: Rule, leaf: Leaf): RuleFault[] {
  const say = (fault: RuleFault["fault"], detail: string): RuleFault[] => [{ ruleId: rule.id, fault, detail }];
  const spec = FACT_SPECS[leaf.fact];
  if (!spec) return say("unknown-fact", leaf.fact);
  if (!spec.scopes.includes(rule.scope)) return say("fact-not-in-scope", `${leaf.fact} in ${rule.scope}`);
  if ("in" in leaf || "has" in leaf) {
    const asked = "in" in leaf ? leaf.in : leaf.has;
    const want = "in" in leaf ? "one-of" : "set-of";
    if (spec.of.kind !== want) return say("wrong-kind", leaf.fact);
    const allowed = spec.of.values;
    if (asked.length === 0) return say("never-fires", `${leaf.fact} has no value to match`);
    return asked.filter((v) => !allowed.includes(v)).flatMap((v) => say("unknown-value", `${leaf.fact}: ${v}`));
  }
  if ("is" in leaf) return spec.of.kind === "flag" ? [] : say("wrong-kind", leaf.fact);
  if (spec.of.kind !== "number") return say("wrong-kind", leaf.fact);
  const { min, max } = spec.of;
  return (leaf.from ?? min) > Math.min(leaf.to ?? max, max) || (leaf.to ?? max) < min
    ? say("never-fires", `${leaf.fact} outside ${min}–${max}`)
    : [];
}

/** More combinations than this are not tried: the condition is then taken to be satisfiable. */
const MAX_COMBINATIONS = 100_000;

/**
 * Tries every combination of leaf truths that one value per fact can give: for each fact the distinct answers its
 * own leaves have over its possible values, then all of them against each other. Exact below the bound.
 */
function neverTrue(when: Condition): boolean {
  const patterns = patternsOf(leaves(when));
  if (combinationsOf(patterns) > MAX_COMBINATIONS) return false;
  const truth = new Map<Leaf, boolean>();
  const satisfiable = (at: number): boolean => {
    if (at === patterns.length) return truthOf(when, truth);
    return patterns[at]!.some((answers) => {
      for (const [leaf, holds] of answers) truth.set(leaf, holds);
      return satisfiable(at + 1);
    });
  };
  return !satisfiable(0);
}

type Pattern = ReturnType<typeof distinctAnswers>;
const patternsOf = (list: readonly Leaf[]): readonly Pattern[] =>
  [...new Set(list.map((l) => l.fact))].map((fact) => distinctAnswers(list.filter((l) => l.fact === fact)));
const combinationsOf = (patterns: readonly Pattern[]): number => patterns.reduce((n, p) => n * p.length, 1);

/** The different ways in which the leaves of one fact can turn out, over every value the fact can have. */
function distinctAnswers(own: readonly Leaf[]): readonly (readonly (readonly [Leaf, boolean])[])[] {
  const found = new Map<string, readonly (readonly [Leaf, boolean])[]>();
  for (const value of candidateValues(own[0]!.fact, own)) {
    const answers = own.map((leaf) => [leaf, leafHolds(leaf, value)] as const);
    found.set(answers.map(([, holds]) => (holds ? "1" : "0")).join(""), answers);
  }
  return [...found.values()];
}

function truthOf(c: Condition, truth: ReadonlyMap<Leaf, boolean>): boolean {
  if ("all" in c) return c.all.every((x) => truthOf(x, truth));
  if ("any" in c) return c.any.some((x) => truthOf(x, truth));
  if ("not" in c) return !truthOf(c.not, truth);
  return truth.get(c) ?? false;
}

function candidateValues(
  fact: string,
  own: readonly Leaf[],
): readonly (string | number | boolean | readonly string[])[] {
  const { of } = FACT_SPECS[fact]!;
  if (of.kind === "one-of") return of.values;
  if (of.kind === "flag") return [true, false];
  if (of.kind === "set-of") {
    const named = [...new Set(own.flatMap((l) => ("has" in l ? l.has : [])))];
    return Array.from({ length: 2 ** named.length }, (_, bits) => named.filter((_v, i) => bits & (1 << i)));
  }
  const edges = own
    .flatMap((l) => ("from" in l || "to" in l ? [l.from, l.to] : []))
    .filter((x): x is number => x !== undefined);
  return [of.min, of.max, ...edges.flatMap((e) => [e - 1e-6, e, e + 1e-6])].filter((x) => x >= of.min && x <= of.max);
}

function leafHolds(leaf: Leaf, value: string | number | boolean | readonly string[]): boolean {
  if ("in" in leaf) return leaf.in.includes(value as string);
  if ("has" in leaf) return leaf.has.some((v) => (value as readonly string[]).includes(v));
  if ("is" in leaf) return value === leaf.is;
  return (value as number) >= (leaf.from ?? -Infinity) && (value as number) <= (leaf.to ?? Infinity);
}
