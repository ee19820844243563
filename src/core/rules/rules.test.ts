import { REASON, reasonText, remedyText } from "@/messages";
import { applyRules, CATALOGUE, compileRules, RULE_BOOK, type Rule, worstOf } from ".";
import { all, any, atLeast, below, evaluate, has, is, no, not, yes } from "./condition";
import { factSheet } from "./facts";

const rule = (over: Partial<Rule>): Rule => ({
  id: "made-up",
  scope: "seam",
  when: is("seam.state", "open"),
  verdict: "care",
  kind: "finish",
  remedy: [],
  evidence: "trade-practice",
  ...over,
});
const faultsOf = (...rules: Rule[]) => {
  const r = compileRules(rules);
  return r.ok ? [] : r.error.map((f) => f.fault);
};

describe("vetting on load", () => {
  it("takes a sound rule", () => expect(faultsOf(rule({}))).toEqual([]));
  it.each<[string, Rule[], string]>([
    ["two rules of one id", [rule({}), rule({})], "duplicate-id"],
    ["a fact nobody knows", [rule({ when: is("region.mood" as never, "blue") })], "unknown-fact"],
    ["a fact that has no value there", [rule({ scope: "stack", when: is("seam.state", "open") })], "fact-not-in-scope"],
    ["a number asked as a word", [rule({ when: is("upper.wftUm", "thick") })], "wrong-kind"],
    ["a value outside the vocabulary", [rule({ when: is("seam.state", "soggy") })], "unknown-value"],
    ["a number outside its range", [rule({ when: atLeast("upper.biteStrength", 9) })], "never-fires"],
    [
      "conditions that exclude each other",
      [rule({ when: all(is("seam.state", "open"), is("seam.state", "gap")) })],
      "never-fires",
    ],
    [
      "a limit from both sides at once",
      [rule({ when: all(atLeast("upper.biteStrength", 3), below("upper.biteStrength", 2)) })],
      "never-fires",
    ],
    [
      "two rules that say different things of the same facts",
      [
        rule({ when: all(is("seam.state", "gap"), not(yes("seam.scuffed"))) }),
        rule({ id: "other", verdict: "stop", when: all(no("seam.scuffed"), is("seam.state", "gap")) }),
      ],
      "contradiction",
    ],
    [
      "a condition and its contrary",
      [rule({ when: all(yes("seam.scuffed"), not(yes("seam.scuffed"))) })],
      "never-fires",
    ],
  ])("refuses %s", (_what, rules, fault) => expect(faultsOf(...rules)).toContain(fault));
  it("the shipped catalogue passes, each rule in its scope", () => {
    expect(faultsOf(...CATALOGUE)).toEqual([]);
    expect(Object.values(RULE_BOOK).flat()).toHaveLength(CATALOGUE.length);
  });
});

describe("what is not known", () => {
  const water = { candidates: [0, 2, 4], missing: "product.carriers" };
  it("stays open when the candidates disagree, and names what is missing", () => {
    expect(evaluate(atLeast("upper.biteStrength", 2), factSheet({ "upper.biteStrength": water }))).toEqual({
      truth: "unknown",
      missing: ["product.carriers"],
    });
  });
  it("is decided when they agree, or when another leaf decides", () => {
    expect(evaluate(atLeast("upper.biteStrength", 0), factSheet({ "upper.biteStrength": water })).truth).toBe("true");
    expect(
      evaluate(
        all(atLeast("upper.biteStrength", 2), is("seam.state", "gap")),
        factSheet({
          "upper.biteStrength": water,
          "seam.state": "open",
        }),
      ).truth,
    ).toBe("false");
    expect(
      evaluate(
        any(atLeast("upper.biteStrength", 2), is("seam.state", "open")),
        factSheet({
          "upper.biteStrength": water,
          "seam.state": "open",
        }),
      ).truth,
    ).toBe("true");
  });
  it("counts as stop when a candidate would be one, else as test; never as ok", () => {
    const book = (verdict: Rule["verdict"]) => {
      const compiled = compileRules([rule({ verdict, when: atLeast("upper.biteStrength", 2) })]);
      if (!compiled.ok) throw new Error("faulty");
      return applyRules(compiled.value, "seam", factSheet({ "upper.biteStrength": water }));
    };
    expect(book("stop")).toMatchObject([{ verdict: "stop", missing: ["product.carriers"] }]);
    expect(book("care")).toMatchObject([{ verdict: "test" }]);
  });
  it("a fact that does not apply makes no condition true", () => {
    expect(evaluate(atLeast("stack.grooveLostPct", 0), factSheet({ "stack.grooveLostPct": null })).truth).toBe("false");
    expect(evaluate(has("region.exposure", "uv"), factSheet({})).truth).toBe("false");
  });
});

describe("words", () => {
  it("every rule has a reason of its own, and no reason lacks a rule", () => {
    const coded = new Set([
      ...CATALOGUE.map((r) => r.id),
      "first-holds",
      "seam-holds",
      "seam-same-product",
      "missing-fact",
      "assumed-decides",
      "coupon-failed",
    ]);
    expect([...coded].filter((id) => !REASON[id])).toEqual([]);
    expect(Object.keys(REASON).filter((id) => !coded.has(id))).toEqual([]);
    expect(new Set(Object.values(REASON)).size).toBe(coded.size);
  });
  it("every rule says what puts it right", () => {
    for (const r of CATALOGUE) {
      expect(r.remedy.length).toBeGreaterThan(0);
      for (const remedy of r.remedy) expect(remedyText(remedy)).not.toBe("");
    }
  });
  it("names what is missing", () =>
    expect(reasonText("missing-fact", ["product.carriers"])).toContain("the product’s carrier"));
});

it("the worst verdict is the pile's", () => {
  expect(worstOf([{ verdict: "care" }, { verdict: "stop" }, { verdict: "test" }])).toBe("stop");
  expect(worstOf([])).toBe("ok");
});
