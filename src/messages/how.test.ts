import { BEFORE_STEPS, PREP_STEPS } from "@/core/model";
import { workHow } from ".";

describe("how work is done well", () => {
  it.each(PREP_STEPS.filter((s) => s !== "dry"))("%s has its sentence", (step) => {
    expect(workHow({ kind: "prep", step }, null)).toMatch(/\.$/);
  });
  it("putty is pressed in, whatever it is laid with; paint goes by its tool", () => {
    const filled = workHow({ kind: "coat", step: null }, { role: "putty", method: "spread" });
    expect(filled).toMatch(/Pressed in/);
    expect(workHow({ kind: "coat", step: null }, { role: "colour", method: "brush" })).not.toBe(filled);
    expect(workHow({ kind: "coat", step: null }, { role: "colour", method: "aerosol" })).toMatch(/underside first/);
  });
  it("says nothing where there is nothing to say", () => {
    expect(workHow({ kind: "prep", step: "dry" }, null)).toBeNull();
    expect(workHow({ kind: "coat", step: null }, null)).toBeNull();
    expect(
      BEFORE_STEPS.map((step) => workHow({ kind: "before", step }, null)).filter((t) => t !== null).length,
    ).toBeGreaterThan(2);
  });
});
