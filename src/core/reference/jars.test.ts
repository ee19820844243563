import { productSchema } from "@/contracts";
import { FILM_ROLES, isOneOf, JARS, type JarId, type Product, ROLES } from "../model";
import {
  cardOfJar,
  carriersContradict,
  dangersOf,
  findJars,
  isTypical,
  JAR_ROWS,
  jarRow,
  jarsLike,
  labelTimes,
  leastKnown,
  onFoam,
  traitsOf,
  trustedFigure,
  unconfirmed,
} from ".";

const card = (jar: JarId, more: Partial<Product> = {}): Product => ({ ...cardOfJar(jar, "a-jar"), ...more });

describe("kinds of jar", () => {
  it("every kind of the vocabulary has its row, and every row is a card one could save", () => {
    expect(JAR_ROWS.map((r) => r.id)).toEqual([...JARS]);
    for (const r of JAR_ROWS) {
      const parsed = productSchema.safeParse(card(r.id));
      expect({ id: r.id, faults: parsed.success ? [] : parsed.error.issues }).toEqual({ id: r.id, faults: [] });
      expect({ id: r.id, odd: carriersContradict(card(r.id)) }).toEqual({ id: r.id, odd: false });
    }
  });

  it("names and other names are told apart, and no two kinds go by the same", () => {
    const names = JAR_ROWS.map((r) => r.name.toLowerCase());
    expect(new Set(names).size).toBe(names.length);
    for (const r of JAR_ROWS) expect(r.use.length).toBeGreaterThan(10);
  });

  it.each([
    ["filler primer", "filler-primer-aerosol"],
    ["stopper", "stopper"],
    ["spot putty", "stopper"],
    ["satin spray", "lacquer-spray"],
    ["emulsion", "wall-paint"],
    ["latex paint", "wall-paint"],
    ["hobby enamel", "hobby-enamel"],
    ["floor polish", "floor-polish"],
    ["foam varnish", "foam-varnish"],
    ["printing resin", "resin-as-filler"],
    ["five minute epoxy", "five-minute-epoxy"],
    ["mineral spirits", "spirit-wipe"],
    ["super glue", "instant-glue"],
    ["2K clear", "two-pack-clear-spray"],
    ["self etch", "etch-aerosol"],
    ["model acrylic", "water-acrylic"],
    ["decorator's filler", "wall-filler"],
  ] as const)("found by what people call it: %s", (words, jar) => {
    expect(findJars(words)[0]?.id).toBe(jar);
  });
  it("every word must be found; nothing asked finds all", () => {
    expect(findJars("primer zzz")).toEqual([]);
    expect(findJars("  ").length).toBe(JARS.length);
  });

  it.each([
    [
      "cleans up with water, dry in minutes, one part",
      { cleansWith: "water", dryIn: "minutes", parts: 1 },
      "water-acrylic",
      "hobby-enamel",
    ],
    ["white spirit, hours", { cleansWith: "spirit", dryIn: "hours" }, "hobby-enamel", "lacquer-spray"],
    ["sharp smell, minutes", { cleansWith: "strong", dryIn: "minutes" }, "lacquer-spray", "water-spray"],
    ["two parts that set by themselves", { cleansWith: "nothing", parts: 2 }, "kneaded-epoxy", "stopper"],
    ["alcohol", { cleansWith: "alcohol" }, "shellac", "water-acrylic"],
  ] as const)("three questions narrow: %s", (_of, told, fits, not) => {
    const ids = jarsLike(told).map((r) => r.id);
    expect(ids).toContain(fits);
    expect(ids).not.toContain(not);
    expect(ids.length).toBeLessThan(JARS.length / 2);
  });
  it("answers never lead away from the jar they were given for", () => {
    for (const r of JAR_ROWS) expect(jarsLike(traitsOf(r))).toContain(r);
  });
});

describe("figures a modeller would nod at", () => {
  it.each([
    ["primer-aerosol", "sandable", 30, 120],
    ["filler-primer-aerosol", "sandable", 60, 240],
    ["stopper", "sandable", 45, 180],
    ["body-filler", "sandable", 20, 45],
    ["wood-filler", "sandable", 30, 90],
    ["flexible-filler", "sandable", 720, 2880],
    ["water-primer", "sandable", 720, 2880],
    ["hobby-enamel", "cured", 4320, 20_160],
    ["water-acrylic", "touch", 5, 30],
    ["two-pack-clear", "cured", 4320, 20_160],
    ["etch-aerosol", "recoat", 15, 60],
  ] as const)("%s: %s", (jar, milestone, least, most) => {
    const min = labelTimes(card(jar))[milestone].min;
    expect(min).toBeGreaterThanOrEqual(least);
    expect(min).toBeLessThanOrEqual(most);
  });
  it("a film never hardens before it can be touched, and stays within its windows", () => {
    for (const { facts, id } of JAR_ROWS) {
      const { touchMin, recoat } = facts.label;
      for (const [opens, shuts] of recoat)
        expect({ id, ok: shuts === null || shuts > opens }).toEqual({ id, ok: true });
      if (isOneOf(FILM_ROLES)(facts.role)) expect({ id, told: touchMin !== null }).toEqual({ id, told: true });
    }
  });
});

describe("what a danger hangs on stays open", () => {
  it("the carrier of everything liquid, isocyanate of every two-part urethane", () => {
    expect(dangersOf(jarRow("water-acrylic").facts)).toEqual(["carriers"]);
    expect(dangersOf(jarRow("two-pack-clear").facts)).toEqual(["carriers", "hazards"]);
    expect(dangersOf(jarRow("masking-tape").facts)).toEqual([]);
    expect(dangersOf(jarRow("wet-and-dry").facts)).toEqual([]);
  });
  it("a mild kind proves nothing over foam until its label was read, or its carrier was told", () => {
    const open = card("water-spray");
    expect(unconfirmed(open)).toEqual(["carriers"]);
    expect(onFoam(open).carriers).toBe("unknown");
    expect(onFoam(card("water-spray", { confirmed: ["carriers"] })).carriers).toEqual(["water", "alcohol"]);
    expect(onFoam(card("water-spray", { carriers: ["water"] })).carriers).toEqual(["water"]);
    // what is strong anyway needs no doubt
    expect(onFoam(card("lacquer-spray"))).toMatchObject({ carriers: ["ester", "aromatic"] });
  });
  it("what still says what its kind says is typical; what was changed is the label's", () => {
    const changed = card("hobby-enamel", { source: "label" });
    const p = { ...changed, label: { ...changed.label, sandableMin: 2880 } };
    expect(isTypical(p, "label.touchMin")).toBe(true);
    expect(trustedFigure(p, "touchMin")).toMatchObject({ source: "typical" });
    expect(trustedFigure(p, "sandableMin")).toMatchObject({ source: "label", value: 2880 });
    const claimed = { ...p, claims: [{ figure: "touchMin" as const, value: 90, source: "label" as const, note: "" }] };
    expect(trustedFigure(claimed, "touchMin")).toMatchObject({ value: 90, source: "label" });
  });
});

it("of a product of which only the role is told every time is the slowest of its kinds, and nothing decides a danger", () => {
  for (const role of ROLES) {
    const least = leastKnown(role);
    expect(least).toMatchObject({ role, carriers: "unknown", family: "unknown" });
    for (const { facts } of JAR_ROWS)
      if (facts.role === role) expect(least.label.touchMin ?? 0).toBeGreaterThanOrEqual(facts.label.touchMin ?? 0);
  }
});
