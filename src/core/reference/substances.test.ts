import { CARRIERS, HAZARDS } from "../model";
import { casIsSound, SUBSTANCES, substanceByCas } from ".";

describe("substances a label may name", () => {
  it("there are some hundred and fifty, each once, by number and by every name", () => {
    expect(SUBSTANCES.length).toBeGreaterThanOrEqual(150);
    const numbers = SUBSTANCES.map((s) => s.cas);
    expect(new Set(numbers).size).toBe(numbers.length);
    const names = SUBSTANCES.flatMap((s) => s.names);
    const twice = names.filter((n, i) => names.indexOf(n) !== i);
    expect(twice).toEqual([]);
    for (const n of names) expect(n).toBe(n.toLowerCase());
  });
  it("every number has its check digit", () => {
    expect(SUBSTANCES.filter((s) => !casIsSound(s.cas)).map((s) => `${s.cas} ${s.names[0]}`)).toEqual([]);
    expect(casIsSound("67-64-2")).toBe(false);
  });
  it("every one tells something, and every class and hazard of a can has one", () => {
    for (const s of SUBSTANCES) expect(Boolean(s.carrier ?? s.propellant ?? s.hazard ?? s.family ?? s.lead)).toBe(true);
    expect(new Set(SUBSTANCES.flatMap((s) => s.carrier ?? []))).toEqual(new Set(CARRIERS));
    for (const h of HAZARDS.filter((x) => !["isocyanate-unknown", "solvent-vapour", "flammable"].includes(x)))
      expect(SUBSTANCES.some((s) => s.hazard === h)).toBe(true);
    expect(substanceByCas("108-65-6")?.names).toContain("pgmea");
    expect(substanceByCas("0-00-0")).toBeNull();
  });
});
