import { product } from "../../tests/support/world";
import { jarLabelLines, recipeText } from "./jar-label";

describe("a jar’s own label", () => {
  it("gives its waits at its own air, those nobody gave as estimates", () => {
    const p = product("grey-primer");
    const [told] = jarLabelLines({ ...p, label: { ...p.label, tempC: 20, touchMin: 30, curedMin: null } });
    const waits = told!.replaceAll("\u00a0", " ");
    expect(waits).toMatch(/^At 20 /);
    expect(waits).toMatch(/touch 30 min( ·|$)/);
    expect(waits).toMatch(/cured .* est\.$/);
  });
  it("of a two-pack how it is mixed and how long it keeps in the cup; of any jar its dates", () => {
    const lines = jarLabelLines({
      ...product("grey-primer"),
      mixRatio: "4:1",
      potLifeMin: 240,
      openedOn: "2026-03-01",
      useBy: null,
    });
    expect(lines).toContain("mix 4:1 by volume, pot life 4 h");
    expect(lines.at(-1)).toMatch(/^opened .*2026$/);
  });
  it("what leaves no film has no waits", () =>
    expect(jarLabelLines({ ...product("grey-primer"), role: "thinner", openedOn: null, useBy: null })).toEqual([]));
});

it("a recipe is its parts, its drops and the shade it has now", () => {
  const parts = [
    { name: "white", parts: 3 },
    { name: "ochre", parts: 1 },
  ];
  const step = { at: "2026-11-20T19:00:00.000Z", colour: "#ddccaa" };
  const steps = [
    { ...step, kind: "mixed" as const },
    { ...step, kind: "drops" as const, name: "black", drops: 2 },
    { ...step, kind: "dried" as const },
  ];
  const text = recipeText({ parts, steps } as unknown as Parameters<typeof recipeText>[0]);
  expect(text).toMatch(/^3 parts white \+ 1 part ochre \+ 2 drops black; v3, as it dried, /);
});
