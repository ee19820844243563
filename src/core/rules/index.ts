import { assert } from "../base";
import { CATALOGUE } from "./catalogue";
import { compileRules, type RuleBook } from "./compile";

export * from "./apply";
export { CATALOGUE } from "./catalogue";
export { compileRules, type RuleBook } from "./compile";
export { type Condition, leaves } from "./condition";
export * from "./derive";
export type { Facts, FactValue, FilmState, KnownValue } from "./facts";
export { type FactSheet, FILM_STATES, factSheet } from "./facts";
export * from "./ready";
export type { AdviceKey, Remedy, Rule } from "./rule";

function shippedBook(): RuleBook {
  const compiled = compileRules(CATALOGUE);
  assert(compiled.ok, compiled.ok ? "" : `the shipped rules are faulty: ${JSON.stringify(compiled.error)}`);
  return compiled.value;
}

/** The vetted catalogue. A faulty one stops the application from starting, with the rule named. */
export const RULE_BOOK: RuleBook = shippedBook();
