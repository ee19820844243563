import { BEFORE_STEPS, type ExtraWork, PREP_STEPS } from "@/core/model";
import { workHow } from ".";

describe("how work is done well", () => {
  it.each(PREP_STEPS.filter((s) => s !== "dry"))("%s has its sentence", (step) => {
    expect(workHow({ kind: "prep", step }, null)).toMatch(/\.$/);
  });
  it("putty is pressed in, whatever it is laid with; paint goes by its tool", () => {
    const filled = workHow(
      { kind: "coat", step: null },
      {
        role: "putty",
        method: "spread",
        family: "polyester-2k",
      },
    );
    expect(filled).toMatch(/Pressed in/);
    expect(workHow({ kind: "coat", step: null }, { role: "colour", method: "brush", family: "alkyd" })).not.toBe(
      filled,
    );
    expect(workHow({ kind: "coat", step: null }, { role: "colour", method: "aerosol", family: "alkyd" })).toMatch(
      /underside first/,
    );
  });
  it("what light hardens is laid in skins with the lamp between, whatever it is laid with", () => {
    for (const role of ["putty", "clear"] as const)
      expect(workHow({ kind: "coat", step: null }, { role, method: "brush", family: "uv-acrylate" })).toMatch(
        /lamp passed slowly/,
      );
  });
  it.each<ExtraWork>([
    { kind: "pad" },
    { kind: "look", until: "touch" },
    { kind: "polish" },
    { kind: "strip", downTo: null },
  ])("work no layer asks for has its sentence: $kind", (extra) =>
    expect(workHow({ kind: "extra", step: null, extra }, null)).toMatch(/\.$/),
  );
  it("paper says by what it leaves whether it was time", () =>
    expect(workHow({ kind: "sand", step: null }, null)).toMatch(/Powder means it is ready/));
  it("says nothing where there is nothing to say", () => {
    expect(workHow({ kind: "prep", step: "dry" }, null)).toBeNull();
    expect(workHow({ kind: "coat", step: null }, null)).toBeNull();
    expect(
      BEFORE_STEPS.map((step) => workHow({ kind: "before", step }, null)).filter((t) => t !== null).length,
    ).toBeGreaterThan(2);
  });
  it("of work in sittings, where to stop for today; the last one is simply the work", () => {
    const of = (n: number) =>
      workHow(
        { kind: "coat", step: null, sitting: { n, of: 2 } },
        { role: "colour", method: "brush", family: "alkyd" },
      )!;
    const whole = workHow({ kind: "coat", step: null }, { role: "colour", method: "brush", family: "alkyd" });
    expect(of(1)).toMatch(/panel line/);
    expect(of(2)).toBe(whole);
    expect(workHow({ kind: "extra", step: "dry", sitting: { n: 1, of: 2 } }, null)).toMatch(/next sitting/);
  });
  it("a mask tells of what lies along its edges beside tape", () => {
    const tape = workHow({ kind: "mask", step: null }, null)!;
    const fluid = workHow({ kind: "mask", step: null, maskedBy: ["fluid"] }, null)!;
    expect(fluid.startsWith(tape)).toBe(true);
    expect(fluid).toMatch(/within a day or two/);
  });
});
