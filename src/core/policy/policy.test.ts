import { region } from "../../../tests/support/world";
import type { PlacedVerdict } from "../judge";
import { MATERIALS, type Region } from "../model";
import { materialFacts } from "../reference";
import { heatLimitC, noReasonFor, stillStops, wetOnly } from ".";

describe("warmth", () => {
  it("is that of the most delicate face; of a part nobody knows, none is safe to name", () => {
    expect(heatLimitC([{ material: "steel-iron" }, { material: "xps" }])).toBe(materialFacts("xps").dryHeatMaxC);
    expect(heatLimitC([{ material: null }, { material: "unknown" }])).toBeNull();
    expect(heatLimitC([])).toBeNull();
  });
  it("one more face never makes it warmer", () => {
    for (const a of MATERIALS)
      for (const b of MATERIALS)
        expect(heatLimitC([{ material: a }, { material: b }])).toBeLessThanOrEqual(heatLimitC([{ material: a }])!);
  });
});

describe("dry paper is out", () => {
  const old = { family: "unknown", ageDays: null, rub: "untested" } as const;
  it.each<[string, Partial<Region>, boolean]>([
    ["on a material nobody told", { material: null }, true],
    ["on one nobody knows", { material: "unknown" }, true],
    ["on white metal nobody tested", { material: "white-metal", lead: null }, true],
    ["on white metal found free of lead", { material: "white-metal", lead: "none" }, false],
    ["on a print", { material: "pla" }, false],
    ["over old paint nobody tested", { material: "pla", oldFinish: { ...old, lead: "unknown" } }, true],
    ["over old paint with lead in it", { material: "pla", oldFinish: { ...old, lead: "present" } }, true],
    ["over old paint free of it", { material: "pla", oldFinish: { ...old, lead: "none" } }, false],
  ])("%s: %j", (_, face, wet) => expect(wetOnly(region(face))).toBe(wet));
});

describe("stops", () => {
  const verdict = (verdict: PlacedVerdict["verdict"], kind: PlacedVerdict["kind"], key = "k") =>
    ({ verdict, kind, key }) as PlacedVerdict;
  it("a written reason answers a finish stop of its own key, a blank one nothing, and a safety stop none", () => {
    const stops = stillStops([
      { key: "k", reason: "tried on scrap" },
      { key: "blank", reason: "  " },
    ]);
    expect(stops(verdict("stop", "finish"))).toBe(false);
    expect(stops(verdict("stop", "finish", "other"))).toBe(true);
    expect(stops(verdict("stop", "finish", "blank"))).toBe(true);
    expect(stops(verdict("stop", "safety"))).toBe(true);
    for (const mild of ["ok", "care", "test"] as const) expect(stops(verdict(mild, "safety"))).toBe(false);
  });
  it("only a finish stop takes a reason", () => {
    expect(noReasonFor(verdict("stop", "finish"))).toBeNull();
    expect(noReasonFor(verdict("stop", "safety"))).toBe("safety");
    expect(noReasonFor(verdict("care", "safety"))).toBe("no-stop");
  });
});
