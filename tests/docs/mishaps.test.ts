import { readFileSync } from "node:fs";
import { AID_LINES, ASKED_FACTS, CAUSES, LESSON_SHIFTS, NO_WAY, RECIPES, TOLD_FACTS } from "@/core/mishap";
import { MARK_KINDS, MISHAP_SIGNS } from "@/core/model";
import {
  aidText,
  causeText,
  factText,
  lessonText,
  MARK_NAME,
  MISHAP_NAME,
  NO_WAY_TEXT,
  questionText,
  RECIPE_NAME,
} from "@/messages";
import { mishapbook } from "../../scripts/lib/mishapbook";

it("docs/mishaps.md is what the catalogue says (npm run rules)", () =>
  expect(readFileSync("docs/mishaps.md", "utf8")).toBe(mishapbook()));

describe("everything that can be said has its words", () => {
  it("causes, each by its own name", () => {
    const texts = CAUSES.map((c) => causeText(c.id));
    for (const [n, c] of CAUSES.entries()) expect(texts[n]).not.toBe(c.id);
    for (const sign of MISHAP_SIGNS) {
      const own = CAUSES.filter((c) => c.sign === sign).map((c) => causeText(c.id));
      expect(new Set(own).size).toBe(own.length);
    }
  });
  it("first aid is short enough to be read at arm's length", () => {
    for (const line of AID_LINES) {
      expect(aidText(line).length).toBeGreaterThan(8);
      expect(aidText(line).length).toBeLessThanOrEqual(60);
    }
    expect(new Set(AID_LINES.map(aidText)).size).toBe(AID_LINES.length);
  });
  it("facts say yes and no differently, with their figure where they have one", () => {
    for (const f of [...TOLD_FACTS, ...ASKED_FACTS]) {
      const yes = factText(f, { yes: true, opIds: [], figure: 42 });
      expect(yes).not.toBe(factText(f, { yes: false, opIds: [] }));
      expect(yes).not.toContain("#");
    }
    for (const f of ASKED_FACTS) expect(questionText(f)).toMatch(/\?$/);
  });
  it("signs, ways, reasons against them, lessons, marks", () => {
    for (const s of MISHAP_SIGNS) expect(MISHAP_NAME[s][0]).toBeTruthy();
    for (const r of RECIPES) expect(RECIPE_NAME[r][1].length).toBeGreaterThan(10);
    for (const w of NO_WAY) expect(NO_WAY_TEXT[w]).toBeTruthy();
    for (const l of LESSON_SHIFTS) expect(lessonText(l)).toBeTruthy();
    for (const m of MARK_KINDS) expect(MARK_NAME[m]).toBeTruthy();
  });
});
