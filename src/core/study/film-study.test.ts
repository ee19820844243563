import { climate, NOW_MIN, product } from "../../../tests/support/world";
import { milestoneAfter, prefixClock, steadyClock } from "../film";
import { filmStudy, type StudyInput, type StudyLayer } from "../study/film-study";
import { whoseNumber } from "../study/whose-number";
import { whyWait } from "../study/why";

const shed = climate({ kind: "day", meanC: 14, swingC: 4, rhPct: 60 });
const layer = (id: string, over: Partial<StudyLayer> = {}): StudyLayer => ({
  product: product(id),
  coats: product(id).label.coats,
  wftUm: product(id).label.wftUm,
  coatGapMin: null,
  gapMin: null,
  rubUm: 0,
  ...over,
});
const study = (layers: readonly StudyLayer[], over: Partial<StudyInput> = {}) =>
  filmStudy({
    layers,
    shed: shed.points,
    startMin: NOW_MIN,
    viewMin: null,
    steady: null,
    warmBox: null,
    act: null,
    ...over,
  });
const minOf = (s: ReturnType<typeof study>, air: string, milestone: string) =>
  s.runs.find((r) => r.air === air)!.milestones.find((m) => m.milestone === milestone)!.min;

describe("a study of a film", () => {
  it("in the label's air gives the label's times; in a colder shed longer ones, and the warm box shortens them", () => {
    const s = study([layer("build-primer")], { warmBox: { afterMin: 40, forMin: 300, tempC: 38 } });
    expect(minOf(s, "label", "sandable")).toBeCloseTo(120, 0);
    expect(minOf(s, "own", "sandable")!).toBeGreaterThan(150);
    expect(minOf(s, "warm-box", "sandable")!).toBeLessThan(minOf(s, "own", "sandable")!);
  });
  it("a wet film is never warmed: the box begins at touch dry at the earliest", () => {
    const s = study([layer("lightship-white")], { warmBox: { afterMin: 10, forMin: 300, tempC: 38 } });
    expect(s.boxAfterMin).toBeCloseTo(minOf(s, "own", "touch")!, 3);
    const later = study([layer("lightship-white")], { warmBox: { afterMin: 3000, forMin: 300, tempC: 38 } });
    expect(later.boxAfterMin).toBe(3000);
  });
  it("keeps its milestones in order and its mass together", () => {
    const s = study([layer("build-primer", { rubUm: 12 }), layer("estuary-blue")]);
    for (const [a, b] of [
      ["flash", "touch"],
      ["dust-free", "touch"],
      ["touch", "sandable"],
      ["sandable", "cured"],
    ])
      expect(minOf(s, "own", b!)!).toBeGreaterThanOrEqual(minOf(s, "own", a!)!);
    const { appliedUm, releasedUm, leftUm, sandedUm } = s.mass;
    expect(releasedUm + leftUm + sandedUm).toBeCloseTo(appliedUm, 6);
    expect(sandedUm).toBeGreaterThan(0);
  });
  it("the map has a figure wherever there is film, and what was sanded off is not in it", () => {
    const full = study([layer("build-primer"), layer("grey-primer")]);
    const rubbed = study([layer("build-primer", { rubUm: 12 }), layer("grey-primer")]);
    expect(full.coats.at(-1)!.topUm - rubbed.coats.at(-1)!.topUm).toBeCloseTo(12, 3);
    expect(full.phi).toHaveLength(full.heights.length);
    expect(full.phi[0]!.every((v) => v >= 0 && v < 1)).toBe(true);
    expect(full.phi.at(-1)!.some(Number.isNaN)).toBe(true);
  });
  it("a reacting film has a cure degree that only rises, 95 % when the label says cured", () => {
    const s = study([layer("epoxy-primer")], { steady: { tempC: 20, rhPct: 50, airflowMS: 0.1 }, viewMin: 10_080 });
    expect(s.alpha!.every((a, i) => i === 0 || a >= s.alpha![i - 1]!)).toBe(true);
    expect(s.alpha!.at(-1)!).toBeCloseTo(0.95, 2);
    expect(study([layer("grey-primer")]).alpha).toBeNull();
  });
  it("air too damp to dry in is an outcome with its reason", () => {
    const s = study([layer("estuary-blue")], { steady: { tempC: 15, rhPct: 90, airflowMS: 0.1 } });
    expect(s.runs[0]!.never).toBe("too-damp");
    expect(minOf(s, "own", "sandable")).toBeNull();
    expect(s.runs[1]!.never).toBeNull();
  });
});

describe("why so long", () => {
  it("the factors make the wait exactly, each on its own side", () => {
    const p = product("build-primer");
    const w = whyWait(
      [
        { product: p, wftUm: 120, endMin: NOW_MIN },
        { product: p, wftUm: 120, endMin: NOW_MIN + 20 },
      ],
      "sandable",
      shed,
    )!;
    expect(w.causes.reduce((f, c) => f * c.factor, w.labelMin)).toBeCloseTo(w.waitMin, 6);
    const of = (cause: string) => w.causes.find((c) => c.cause === cause)!.factor;
    expect(of("thickness")).toBeGreaterThan(2);
    expect(of("temperature")).toBeGreaterThan(1.1);
    expect(of("humidity")).toBeCloseTo(1, 6);
  });
  it("damp counts for water-borne films, moving air shortens", () => {
    const p = product("estuary-blue");
    const coats = [{ product: p, wftUm: p.label.wftUm, endMin: NOW_MIN }];
    const of = (air: Parameters<typeof climate>[0], cause: string) =>
      whyWait(coats, "touch", climate(air))!.causes.find((c) => c.cause === cause)!.factor;
    expect(of({ rhPct: 75 }, "humidity")).toBeGreaterThan(1.2);
    expect(of({ rhPct: 35 }, "humidity")).toBeLessThan(1);
    expect(of({ airflowMS: 0.6 }, "airflow")).toBeLessThan(0.9);
    expect(of({}, "temperature")).toBeCloseTo(1, 2);
  });
});

describe("whose number is right", () => {
  const ask = (id: string, mins: readonly number[]) =>
    whoseNumber({
      product: product(id),
      quotes: mins.map((min, i) => ({ who: `q${i}`, min })),
      climate: shed,
      tonight: prefixClock(shed, NOW_MIN, NOW_MIN + 40 * 1440),
      startMin: NOW_MIN,
      own: { coats: 2, wftUm: product(id).label.wftUm },
    });
  it("tells the label's own times as the clocks they are", () => {
    const { recoat, sandableMin, curedMin } = product("build-primer").label;
    const { answers } = ask("build-primer", [recoat[0]![0], sandableMin!, curedMin!]);
    expect(answers.map((a) => a.readings[0]!.milestone)).toEqual(["recoat", "sandable", "cured"]);
    for (const a of answers) {
      expect(a.readings[0]!.air).toBe("label");
      expect(a.readings[0]!.ofLabel).toBeCloseTo(1, 1);
    }
  });
  it("under the film it names, the number is true", () => {
    const p = product("build-primer");
    const at20 = steadyClock({ tempC: 20, rhPct: 50, airflowMS: 0.1 }, 0, 90_000);
    const told = ask("build-primer", [20, 45, 230, 500, 1440]).answers.flatMap((a) =>
      a.readings.map((r) => ({ ...r, min: a.quote.min })),
    );
    const atLabel = told.filter((r) => r.air === "label");
    expect(atLabel.length).toBeGreaterThan(4);
    for (const r of atLabel) {
      const coats = Array.from({ length: r.coats }, (_, n) => ({
        product: p,
        wftUm: r.wftUm,
        endMin: n * (p.label.gapMin ?? 15),
      }));
      const a = milestoneAfter(coats, r.milestone, at20);
      const min = a.outcome === "reached" ? a.atMin - coats.at(-1)!.endMin : Number.NaN;
      expect({ of: r.milestone, right: Math.abs(min / r.min - 1) < 0.1 }).toEqual({ of: r.milestone, right: true });
    }
  });
  it("a number true under nothing says so, and the nearest of the quotes to tonight's clocks is found", () => {
    const { answers, own } = ask("build-primer", [600_000]);
    expect(answers[0]!.readings).toEqual([]);
    const sand = own.find((o) => o.milestone === "sandable")!.min!;
    expect(ask("build-primer", [5, sand * 1.05]).own.find((o) => o.milestone === "sandable")!.nearest).toBe(1);
  });
});
