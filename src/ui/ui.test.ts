import { clock, clockTyped, countdown, duration, relativeDay } from "@/format";
import { MILESTONE_NAME, safetyLine } from "@/messages";
import { product } from "../../tests/support/world";
import { holdsWords } from "./components/Finder";
import { sectionGeometry } from "./section/geometry";
import { blankDraft, draftOf, productFrom } from "./shelf/draft";
import { axisOf, BENCH_WIDE, EVEN } from "./timeline/axis";
import { isFilmWait } from "./waits/WhySoLong";

const film = (addedUm: number, takenUm = 0, putty = false) => ({ addedUm, takenUm, putty });

describe("section", () => {
  it("stacks bands without gaps, bottom layer on the face", () => {
    const g = sectionGeometry([film(40, 10), film(25), film(15)], 300);
    expect(g.bands[0]!.topPx + g.bands[0]!.heightPx).toBeCloseTo(g.facePx);
    expect(g.bands[1]!.topPx + g.bands[1]!.heightPx).toBeCloseTo(g.bands[0]!.topPx);
    expect(g.bands[2]!.topPx).toBeCloseTo(0);
  });
  it("draws every film to one scale and the sanded ghost with it", () => {
    const g = sectionGeometry([film(60, 20), film(40)], 200);
    expect(g.bands[0]!.heightPx / 40).toBeCloseTo(g.bands[1]!.heightPx / 40);
    expect(g.bands[0]!.ghostPx).toBeCloseTo(20 * g.pxPerUm);
  });
  it("breaks a putty that would flatten the rest", () => {
    const g = sectionGeometry([film(1000, 0, true), film(20), film(20)], 300);
    expect(g.bands.map((b) => b.broken)).toEqual([true, false, false]);
    expect(g.bands[1]!.heightPx).toBeGreaterThan(40);
  });
  it("an empty pile is no trouble, a thin film is still seen", () => {
    expect(sectionGeometry([], 300).bands).toEqual([]);
    expect(sectionGeometry([film(900), film(0.5)], 300).bands[1]!.heightPx).toBeGreaterThanOrEqual(5);
  });
  it("the scale bar is a round length that can be seen", () => {
    const g = sectionGeometry([film(137)], 300);
    expect([50, 20, 100]).toContain(g.barUm);
    expect(g.barUm * g.pxPerUm).toBeGreaterThan(30);
  });
});

describe("time axis", () => {
  const sessions = [
    { startMin: 100, endMin: 200 },
    { startMin: 1000, endMin: 1100 },
  ];
  const axis = axisOf(sessions, 0, 2000, BENCH_WIDE);
  it("never runs backwards and ends at its width", () => {
    let last = -1;
    for (let t = 0; t <= 2000; t += 7) {
      expect(axis.x(t)).toBeGreaterThan(last);
      last = axis.x(t);
    }
    expect(axis.x(2000)).toBeCloseTo(axis.widthPx);
  });
  it("gives a bench minute its width wherever it lies", () => {
    expect(axis.x(150) - axis.x(140)).toBeCloseTo(10 * BENCH_WIDE.benchPxPerMin);
    expect(axis.x(1050) - axis.x(1040)).toBeCloseTo(10 * BENCH_WIDE.benchPxPerMin);
    expect(axis.x(600) - axis.x(500)).toBeCloseTo(100 * BENCH_WIDE.restPxPerMin);
  });
  it("even time is even, and what lies outside is held at the ends", () => {
    const even = axisOf(sessions, 0, 2000, EVEN);
    expect(even.x(1500) / even.x(500)).toBeCloseTo(3);
    expect([axis.x(-50), axis.x(9999)]).toEqual([0, axis.widthPx]);
  });
});

describe("times as people read them", () => {
  it.each([
    [0, "0 min"],
    [59, "59 min"],
    [60, "1 h"],
    [95, "1 h 35 min"],
    [4000, "2 d 19 h"],
    [-5, "0 min"],
  ])("%i min → %s", (m, text) => expect(duration(m)).toBe(text));
  it.each([
    [42, "0:42"],
    [725, "12:05"],
    [11_250, "3:07:30"],
    [-3, "0:00"],
  ])("%i s → %s", (s, text) => expect(countdown(s)).toBe(text));
  it("are told in the shed's zone, across its change of clocks", () => {
    const noonUtc = Date.UTC(2026, 6, 1, 12) / 60_000;
    expect(clock(noonUtc, "Europe/London")).toBe("13:00");
    expect(clock(Date.UTC(2026, 0, 1, 12) / 60_000, "Europe/London")).toBe("12:00");
    expect(relativeDay(noonUtc + 1440, noonUtc, "UTC")).toBe("tomorrow 12:00");
  });
});

describe("a time of day as it was typed", () => {
  it.each([
    ["19:00", "19:00"],
    ["7", "07:00"],
    ["1930", "19:30"],
    ["930", "09:30"],
    ["7.30 pm", "19:30"],
    ["12 am", "00:00"],
    ["12pm", "12:00"],
    [" 8h15 ", "08:15"],
    ["", ""],
    ["25:00", "25:00"],
    ["13 pm", "13 pm"],
    ["19:75", "19:75"],
    ["noon", "noon"],
  ])("%j is %j", (typed, clock) => expect(clockTyped(typed)).toBe(clock));
});

describe("the product form", () => {
  it("gives back what it was given", () => {
    for (const id of ["lightship-white", "fairing-putty", "grip-promoter"])
      expect(productFrom(draftOf(product(id)), id, product(id))).toMatchObject(product(id));
  });
  it("sends what is not a number as it is, for the contract to refuse", () => {
    expect(productFrom({ ...blankDraft(), name: "x", volumeSolids: "lots", leftMl: "1,5" }, "new", null)).toMatchObject(
      {
        volumeSolids: "lots",
        leftMl: 1.5,
      },
    );
  });
});

describe("cautions", () => {
  it("always defer to the safety data sheet", () => {
    for (const id of ["foam-sealer", "grey-primer", "two-pack-gloss", "lightship-white"])
      expect(safetyLine(product(id))).toContain("safety data sheet decides");
  });
  it("name what the product can do", () => {
    expect(safetyLine(product("two-pack-gloss"))).toMatch(/Isocyanate: air-fed/);
    expect(safetyLine(product("grey-primer"))).toMatch(/never above 45 °C/);
    expect(safetyLine(product("lightship-white"))).toMatch(/rags/);
  });
});

describe("why so long", () => {
  it("is offered of films only: where nothing dries there is nothing to take apart", () => {
    const offered = Object.keys(MILESTONE_NAME).filter((m) => isFilmWait(m as keyof typeof MILESTONE_NAME));
    expect(offered).toEqual(["flash", "touch", "handle", "recoat", "sandable", "tape-safe", "polishable", "cured"]);
  });
});

describe("finding by words", () => {
  it.each([
    ["Grey primer, aerosol", "primer grey", true],
    ["Grey primer, aerosol", "grey pr", true],
    ["Grey primer, aerosol", "gpa", false],
    ["Settings", "sting", false],
    ["Deckhouse, Walls", "walls", true],
  ])("%s by “%s”: %s", (value, search, found) => {
    expect(holdsWords(value, search) > 0).toBe(found);
  });
  it("another name counts, and what begins so comes first", () => {
    expect(holdsWords("Grey primer", "rattle", ["rattle can primer"])).toBeGreaterThan(0);
    expect(holdsWords("Grey primer", "grey")).toBeGreaterThan(holdsWords("Old grey primer", "grey"));
  });
});
