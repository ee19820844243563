import { freshStore, must } from "../../tests/support/store";
import * as server from ".";

freshStore();
beforeEach(() => void must(server.loadDemo(true)));

const post = (over: object = {}) =>
  server.takeLampReading({ irradiance_mw_cm2: 5, distance_cm: 10, source: "bench meter", ...over });
const fittings = () => must(server.getBenchScreen("marram-lass")).tiles.find((t) => t.regionId === "ml-fittings-all");

describe("a lamp that is read", () => {
  it("says what parts get where they lie, and how long a side takes", () => {
    const now = must(post({ wavelength_nm: 405 }));
    expect(now.atPartMwCm2).toBeCloseTo(5, 6);
    expect(now.sideMin).toBeGreaterThan(15);
    expect(must(server.getLamp())).toEqual(now);
    expect(now.lamp.wavelengthNm).toBe(405);
  });
  it("the last reading counts, an older one told late does not; the wavelength stays told", () => {
    const at = (min: number) => new Date(server.nowMs() - min * 60_000).toISOString();
    must(post({ at: at(5), wavelength_nm: 395 }));
    must(post({ at: at(60), irradiance_mw_cm2: 50 }));
    const kept = must(server.getLamp());
    expect(kept.lamp.reading?.mwCm2).toBe(5);
    expect(must(post({ irradiance_mw_cm2: 9 })).lamp.wavelengthNm).toBe(395);
  });
  it.each([
    ["no light", { irradiance_mw_cm2: 0 }, "irradiance_mw_cm2"],
    ["a lamp at distance nought", { distance_cm: 0 }, "distance_cm"],
    ["from tomorrow", { at: new Date(Date.now() + 86_400_000).toISOString() }, "at"],
    ["no reading at all", { irradiance_mw_cm2: undefined }, "irradiance_mw_cm2"],
  ])("%s is refused by its field, and the last reading stays", (_, over, path) => {
    must(post());
    const refused = post(over);
    expect(refused.ok).toBe(false);
    if (!refused.ok) expect(refused.problem.fields.map((f) => f.path)).toContain(path);
    expect(must(server.getLamp()).lamp.reading?.mwCm2).toBe(5);
  });
  it("moved away by the user it gives less, by the square", () => {
    must(post());
    const { shop, shopRev } = must(server.getPlanScreen("marram-lass"));
    expect(shop.lamp?.partCm).toBe(10);
    must(server.saveShop(shopRev, { lamp: { partCm: 20 } }));
    expect(must(server.getLamp()).atPartMwCm2).toBeCloseTo(1.25, 6);
    expect(fittings()).toBeDefined();
  });
  it("the stand-in refuses a distance nought before it sends anything", async () => {
    const refused = await server.readStandInLamp("http://127.0.0.1:1", 0);
    expect(refused.ok).toBe(false);
    if (!refused.ok) expect(refused.problem.fields.map((f) => f.path)).toEqual(["cm"]);
  });
});

describe("adhesives of the shelf on a fitting", () => {
  it("are told best first, each with its times, and why not another", () => {
    const screen = must(server.getPlanScreen("marram-lass"));
    const choices = screen.glues["ml-prop"]!;
    expect(choices.length).toBeGreaterThan(1);
    const order = ["ok", "care", "test", "stop"];
    const ranks = choices.map((c) => order.indexOf(c.verdict));
    expect([...ranks].sort((a, b) => a - b)).toEqual(ranks);
    for (const c of choices) {
      expect(c.worksMin).toBeGreaterThanOrEqual(c.setsMin);
      if (c.verdict !== "ok") expect(c.told.length).toBeGreaterThan(0);
    }
  });
  it("nobody tried the fit: that is said, until a dry fit is planned", () => {
    const told = () => must(server.getPlanScreen("marram-lass")).joints["ml-prop"]!.map((v) => v.rule);
    expect(told()).toContain("fit-untried");
    const { node } = must(server.getJudged("marram-lass")).find((j) => j.node.region.id === "ml-prop-blades")!;
    must(server.saveStack("ml-prop-blades", node.stackRev, { ...node.stack, prep: ["dry-fit", ...node.stack.prep] }));
    expect(told()).not.toContain("fit-untried");
  });
});
