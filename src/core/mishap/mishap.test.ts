import { MISHAP_SIGNS, type MishapSign } from "../model";
import {
  ASKED_FACTS,
  type AskedFact,
  BARE_FACE,
  CAUSES,
  causeFaults,
  FACE_TRAITS,
  type FaceNow,
  type FaceTrait,
  FILM_STAGES,
  firstAid,
  type MishapFact,
  type MishapFacts,
  questionsFor,
  rankCauses,
  signsFor,
  stageAt,
  TOLD_FACTS,
} from ".";

const known = (...facts: (MishapFact | `!${MishapFact}`)[]): MishapFacts =>
  Object.fromEntries(
    facts.map((f) => {
      const not = f.startsWith("!");
      return [not ? f.slice(1) : f, { yes: !not, opIds: [] }];
    }),
  );
const first = (sign: MishapSign, facts: MishapFacts) => rankCauses(sign, facts)[0]!.cause.id;

/** What is known where a cause is at work: all that speaks for it and what must be; what else is asked of its sign is not so. */
const storyOf = (id: string): MishapFacts => {
  const cause = CAUSES.find((c) => c.id === id)!;
  const own = new Set([...(cause.must ?? []), ...(Object.keys(cause.for) as MishapFact[])]);
  const others = CAUSES.filter((c) => c.sign === cause.sign).flatMap((c) => [
    ...(Object.keys(c.for) as MishapFact[]),
    ...(c.must ?? []),
  ]);
  return known(...own, ...others.filter((f) => !own.has(f)).map((f) => `!${f}` as const));
};
/** The near miss: what speaks for it is known not to be so, and what speaks for its neighbours is. */
const missOf = (id: string): MishapFacts => {
  const cause = CAUSES.find((c) => c.id === id)!;
  const other = CAUSES.find((c) => c.sign === cause.sign && c.id !== id)!;
  const own = Object.keys(cause.for) as MishapFact[];
  const against = (Object.keys(other.for) as MishapFact[]).filter((f) => !own.includes(f));
  return known(...own.map((f) => `!${f}` as const), ...against, ...(cause.must ?? []).map((f) => `!${f}` as const));
};

describe("causes", () => {
  /** Nothing of its own speaks for these: they stand where nothing else does. */
  const PLAIN = new Set(["ran-out.no-count"]);
  it.each(CAUSES.map((c) => c.id))("%s is first where what speaks for it is so, and not where it is not", (id) => {
    const sign = id.split(".")[0] as MishapSign;
    expect(first(sign, PLAIN.has(id) ? {} : storyOf(id))).toBe(id);
    if (!PLAIN.has(id)) expect(first(sign, missOf(id))).not.toBe(id);
  });
  it("what cannot have been is not offered", () => {
    expect(rankCauses("flakes", known("!tape-laid")).map((r) => r.cause.id)).not.toContain("flakes.tape-pulled");
    expect(rankCauses("lifting", known("!in-gap")).map((r) => r.cause.id)).not.toContain("lifting.forbidden-gap");
  });
  it("chances are shares of one, whatever is known", () => {
    for (const sign of MISHAP_SIGNS)
      for (const facts of [{}, known("heavy", "early"), known("!heavy", "bites", "tape-laid")])
        expect(rankCauses(sign, facts).reduce((s, r) => s + r.chance, 0)).toBeCloseTo(1, 9);
  });
  it("a fact no cause asks for moves nothing, and every fact is asked for by some", () => {
    const used = new Set(
      CAUSES.flatMap((c) => [...Object.keys(c.for), ...Object.keys(c.against ?? {}), ...(c.must ?? [])]),
    );
    for (const f of ASKED_FACTS) expect(used).toContain(f);
    // facts of the log that only stand beside a picture of it
    const idle = TOLD_FACTS.filter((f) => !used.has(f));
    expect(idle).toEqual(["redissolves"]);
  });
});

describe("a catalogue that is not whole is refused by name", () => {
  const [own] = CAUSES;
  it.each([
    ["a cause that cannot be", { prior: 0 }, "cannot be"],
    ["one nothing mends", { mends: [] }, "no mend"],
    ["one mended by nothing known", { mends: ["pray"] }, "no recipe"],
    ["one that asks for what is no fact", { for: { moon: 3 } }, "no fact"],
    ["a weight that says nothing", { for: { heavy: 1 } }, "says nothing"],
  ])("%s", (_, over, said) => {
    expect(causeFaults([...CAUSES.slice(1), { ...own!, ...over } as never]).join()).toContain(said);
  });
  it("a sign without a cause, a cause told twice", () => {
    expect(causeFaults(CAUSES.filter((c) => c.sign !== "nib")).join()).toContain("nib has no cause");
    expect(causeFaults([...CAUSES, own!]).join()).toContain("told twice");
  });
});

describe("questions", () => {
  it("an answer moves the ranking the way it speaks", () => {
    const before = rankCauses("fish-eyes", {}).find((r) => r.cause.id === "fish-eyes.fingers")!.chance;
    const after = rankCauses("fish-eyes", known("bare-hands")).find((r) => r.cause.id === "fish-eyes.fingers")!.chance;
    const denied = rankCauses("fish-eyes", known("!bare-hands")).find(
      (r) => r.cause.id === "fish-eyes.fingers",
    )!.chance;
    expect(after).toBeGreaterThan(before);
    expect(denied).toBeLessThan(before);
  });
  it("no more than two, none that was answered, each worth its asking and the best first", () => {
    for (const sign of MISHAP_SIGNS) {
      const asked = questionsFor(sign, {});
      expect(asked.length).toBeLessThanOrEqual(2);
      for (const q of asked) expect(q.gainBits).toBeGreaterThan(0);
      expect([...asked].sort((a, b) => b.gainBits - a.gainBits)).toEqual(asked);
      const answered = known(...asked.map((q) => q.fact));
      for (const q of questionsFor(sign, answered)) expect(asked.map((a) => a.fact)).not.toContain(q.fact);
    }
  });
  it("the gain is what the answer is expected to take off the doubt, worked out the long way", () => {
    const entropy = (ps: number[]) => ps.reduce((h, p) => h - (p > 0 ? p * Math.log2(p) : 0), 0);
    const chances = (facts: MishapFacts) => rankCauses("nib", facts).map((r) => r.chance);
    const fact: AskedFact = "not-stirred";
    const now = rankCauses("nib", {});
    // P(yes) by the law of total probability, each cause's likelihood from its weight and the base rate 0.3
    const like = (w: number) => (0.3 * w) / (0.7 + 0.3 * w);
    const yes = now.reduce((p, r) => p + r.chance * like(r.cause.for[fact] ?? 1), 0);
    const expected =
      entropy(chances({})) - yes * entropy(chances(known(fact))) - (1 - yes) * entropy(chances(known(`!${fact}`)));
    const told = questionsFor("nib", {}, 99).find((q) => q.fact === fact)!;
    expect(told.gainBits).toBeCloseTo(expected, 9);
  });
});

const face = (stage: (typeof FILM_STAGES)[number], ...traits: FaceTrait[]): FaceNow => {
  const at = { bare: null, wet: [10, 20, 30], touch: [-1, 20, 30], sandable: [-1, -1, 30], cured: [-1, -1, -1] }[stage];
  return {
    ...BARE_FACE,
    traits,
    top: at && {
      layerId: "l",
      productId: "p",
      opId: "o",
      endMin: -5,
      touchMin: at[0]!,
      handleMin: at[0]!,
      sandableMin: at[1]!,
      curedMin: at[2]!,
    },
  };
};

describe("first aid", () => {
  it.each(MISHAP_SIGNS.flatMap((s) => FILM_STAGES.map((stage) => [s, stage] as const)))(
    "%s while %s: one to three lines on any face",
    (sign, stage) => {
      for (const t of [[], ...FACE_TRAITS.map((x) => [x])]) {
        const { lines } = firstAid(sign, face(stage, ...t), 0);
        expect(lines.length).toBeGreaterThan(0);
        expect(lines.length).toBeLessThanOrEqual(3);
      }
    },
  );
  it("no thinner on foam, on old paint nobody tested, or on a wash the rules do not let be wiped", () => {
    const wipes = (sign: MishapSign, ...t: FaceTrait[]) =>
      firstAid(sign, face("wet", ...t), 0).lines.some((l) => l === "wipe-off-own" || l === "wipe-streak");
    expect(wipes("lifting", "fragile")).toBe(false);
    expect(wipes("eaten", "foam", "fragile")).toBe(false);
    expect(wipes("fish-eyes", "fragile")).toBe(false);
    expect(wipes("streak", "wash")).toBe(false);
    expect(wipes("lifting")).toBe(true);
    expect(wipes("streak", "wash", "wipeable")).toBe(true);
  });
  it("nothing says to rub where lead may be, but wet", () => {
    for (const sign of ["clogging", "rubbed-through"] as const)
      expect(firstAid(sign, face("sandable", "wet-only"), 0).lines).toContain("lead-wet");
  });
  it("it holds until the film comes on, and is counted down to that", () => {
    expect(firstAid("run", face("wet"), 0).holdsUntilMin).toBe(10);
    expect(firstAid("run", face("wet"), 9).holdsUntilMin).toBe(10);
    expect(firstAid("run", face("touch"), 0).holdsUntilMin).toBe(20);
    expect(firstAid("run", face("cured"), 0).holdsUntilMin).toBeNull();
    expect(stageAt(face("wet"), 11)).toBe("touch");
  });
});

describe("signs", () => {
  it("every sign is offered once; what cannot be comes last, and says what it lacks", () => {
    const offered = signsFor(BARE_FACE, 0);
    expect(offered.map((o) => o.sign).sort()).toEqual([...MISHAP_SIGNS].sort());
    const firstLack = offered.findIndex((o) => o.lacks !== null);
    expect(offered.slice(firstLack).every((o) => o.lacks !== null)).toBe(true);
    expect(offered.find((o) => o.sign === "run")!.lacks).toBe("film");
    expect(offered.find((o) => o.sign === "dropped")!.lacks).toBeNull();
  });
  it.each<[string, FaceNow, MishapSign]>([
    ["a wet sprayed film", face("wet", "sprayed"), "run"],
    ["a wash", face("wet", "wash", "brushed"), "streak"],
    ["foam with wet paint", face("wet", "foam", "fragile"), "eaten"],
    ["at the paper", { ...face("touch", "putty"), next: "sand" }, "clogging"],
    ["as the tape comes off", { ...face("sandable", "tape"), next: "unmask" }, "bleed"],
    ["a resin print months later", face("cured", "resin"), "weeping"],
  ])("%s brings forward what it is likely to be", (_, f, sign) =>
    expect(
      signsFor(f, 0)
        .filter((o) => o.likely)
        .map((o) => o.sign),
    ).toContain(sign),
  );
});
