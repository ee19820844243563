import { climate, NOW_MIN, product, steadyAir } from "../../../tests/support/world";
import type { Climate } from "./climate";
import { prefixClock } from "./clock";
import { type FilmFaultKind, filmFaults, type NextAct } from "./faults";
import { milestonesByModel } from "./model-run";

const clockOf = (air: Climate) => prefixClock(air, 0, 60 * 1440);
const coat = (id: string, endMin = 0, times = 1) => ({
  product: product(id),
  wftUm: product(id).label.wftUm * times,
  endMin,
});
const kinds = (
  coats: Parameters<typeof filmFaults>[0],
  air: Climate,
  act: NextAct | null,
  until = 600,
): readonly FilmFaultKind[] => filmFaults(coats, air, clockOf(air), act, until).map((f) => f.kind);
const AT_20 = steadyAir(20, 50);

describe("what the simulated film says went wrong", () => {
  it("left alone in good air, nothing", () => {
    for (const id of ["grey-primer", "estuary-blue", "lightship-white", "two-pack-gloss"])
      expect(kinds([coat(id)], AT_20, null)).toEqual([]);
  });
  it("sanded before the model has it sandable, and when that would have been; a minute after it, nothing", () => {
    const coats = [coat("build-primer", 0), coat("build-primer", 15)];
    const [right] = milestonesByModel(coats, ["sandable"], AT_20, clockOf(AT_20), 50_000);
    const soon = filmFaults(coats, AT_20, clockOf(AT_20), { kind: "sand", atMin: right! / 2 }, 0);
    expect(soon).toMatchObject([{ kind: "sanded-too-soon" }]);
    expect(soon[0]!.by).toBeGreaterThan(0.01);
    expect(soon[0]!.rightAtMin).toBeCloseTo(right!, 0);
    expect(kinds(coats, AT_20, { kind: "sand", atMin: right! + 1 })).toEqual([]);
  });
  it("a film that is dry but has not reacted is too soon for paper as well", () => {
    const coats = [{ ...coat("epoxy-primer"), wftUm: 10 }];
    expect(kinds(coats, AT_20, { kind: "sand", atMin: 200 })).toEqual(["sanded-too-soon"]);
  });
  it("a thick lacquer coated over once its skin has closed traps what is below; later it does not", () => {
    const coats = [coat("build-primer", 0, 2)];
    const at = (atMin: number) => kinds(coats, AT_20, { kind: "coat", atMin, carrierBite: 3 });
    expect(at(35)).toContain("trapped");
    const [fault] = filmFaults(coats, AT_20, clockOf(AT_20), { kind: "coat", atMin: 35, carrierBite: 3 }, 0);
    expect(at(fault!.rightAtMin! + 1)).not.toContain("trapped");
  });
  it("an enamel wrinkles under a strong carrier in its forbidden gap, not under a weak one, nor before or after", () => {
    const at = (atMin: number, carrierBite: number) =>
      kinds([coat("lightship-white")], AT_20, { kind: "coat", atMin, carrierBite }).includes("wrinkle");
    expect(at(1000, 3)).toBe(true);
    expect(at(1000, 1)).toBe(false);
    expect(at(200, 3)).toBe(false);
    expect(at(4400, 3)).toBe(false);
  });
  it("a water-borne film too cold while wet never closes", () => {
    expect(kinds([coat("foam-sealer")], steadyAir(7, 55), null)).toEqual(["coalescence-lost"]);
    expect(kinds([coat("foam-sealer")], steadyAir(14, 55), null)).toEqual([]);
  });
  it("lacquer clouds in damp air, enamel does not", () => {
    expect(kinds([coat("lacquer-gloss")], steadyAir(18, 82), null)).toEqual(["blush"]);
    expect(kinds([coat("lightship-white")], steadyAir(18, 82), null)).toEqual([]);
  });
  it("dew on a part colder than the air's dew point", () => {
    expect(kinds([coat("estuary-blue")], steadyAir(14, 108), null)).toContain("condensation");
  });
  it("a cold night after a warm evening is found as it comes", () => {
    const night = climate({ kind: "day", meanC: 13, swingC: 6, rhPct: 60 });
    const thick = [{ ...coat("foam-sealer", NOW_MIN, 3) }];
    const found = filmFaults(thick, night, prefixClock(night, NOW_MIN, NOW_MIN + 20 * 1440), null, NOW_MIN + 900);
    expect(found.map((f) => f.kind)).toEqual(["coalescence-lost"]);
    expect(found[0]!.atMin).toBeGreaterThan(NOW_MIN + 60);
  });
});
