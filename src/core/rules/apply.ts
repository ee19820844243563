import { type StopKind, type Verdict, worseVerdict } from "../model";
import type { CompiledRule, RuleBook } from "./compile";
import { evaluate } from "./condition";
import { type FactSheet, isCandidates, type KnownValue, type RuleScope, slotOf } from "./facts";
import type { Evidence, Remedy } from "./rule";

/** One verdict as data; its words live in ui/messages under `code`. */
export interface Fired {
  readonly rule: string;
  readonly verdict: Verdict;
  readonly kind: StopKind;
  readonly code: string;
  /** the facts that decided, by name */
  readonly facts: Readonly<Record<string, KnownValue>>;
  readonly remedy: readonly Remedy[];
  readonly evidence: Evidence;
  readonly missing: readonly string[];
  /** what finding the missing fact out might bring; it may also bring nothing */
  readonly would?: readonly MayBe[];
}

/** A rule an unknown fact leaves open. */
interface MayBe {
  readonly rule: string;
  readonly verdict: Verdict;
}

/** Code and rule id of a verdict given because something is not known. */
export const MISSING_FACT = "missing-fact";

function factsOf(rule: CompiledRule, facts: FactSheet): Record<string, KnownValue> {
  const known: Record<string, KnownValue> = {};
  for (const fact of rule.factNames) {
    const v = facts.slots[slotOf(fact)];
    if (v !== undefined && v !== null && !isCandidates(v)) known[fact] = v;
  }
  return known;
}

function firedBy(rule: CompiledRule, facts: FactSheet): Fired {
  const { id, verdict, kind, remedy, evidence } = rule;
  return { rule: id, verdict, kind, code: id, facts: factsOf(rule, facts), remedy, evidence, missing: [] };
}

/**
 * Every rule of a scope against the facts. What is unknown is never defaulted: rules it leaves open are
 * gathered into one verdict per missing entry: stop when a candidate would be a stop, otherwise test.
 */
export function applyRules(book: RuleBook, scope: RuleScope, facts: FactSheet): readonly Fired[] {
  const fired: Fired[] = [];
  const open = new Map<string, { verdict: Verdict; missing: readonly string[]; would: readonly MayBe[] }>();
  for (const rule of book[scope]) {
    // most rules hang on nothing open: those are asked outright
    if (facts.open.length === 0 || !rule.factNames.some((n) => facts.open.includes(n))) {
      if (rule.test(facts.slots)) fired.push(firedBy(rule, facts));
      continue;
    }
    const { truth, missing } = evaluate(rule.when, facts);
    if (truth === "true") {
      fired.push(firedBy(rule, facts));
    } else if (truth === "unknown") {
      const key = missing.join(" ");
      const so = open.get(key);
      const verdict = worseVerdict(so?.verdict ?? "test", rule.verdict === "stop" ? "stop" : "test");
      open.set(key, { verdict, missing, would: [...(so?.would ?? []), { rule: rule.id, verdict: rule.verdict }] });
    }
  }
  for (const { verdict, missing, would } of open.values()) {
    fired.push({
      rule: MISSING_FACT,
      verdict,
      kind: "finish",
      code: MISSING_FACT,
      facts: {},
      remedy: [{ do: "advice", key: "find-out" }],
      evidence: "trade-practice",
      missing,
      would,
    });
  }
  return fired;
}

export const worstOf = (fired: readonly { verdict: Verdict }[]): Verdict =>
  fired.reduce<Verdict>((worst, f) => worseVerdict(worst, f.verdict), "ok");
