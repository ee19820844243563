import { freshStore, must } from "../../tests/support/store";
import * as server from ".";

freshStore();
beforeEach(() => void must(server.loadDemo(true)));

const MODEL = "marram-lass";
const iso = (minutesAgo: number) => new Date(server.nowMs() - minutesAgo * 60_000).toISOString();
const hull = () => must(server.getBenchScreen(MODEL)).tiles.find((t) => t.regionId === "ml-hull-topsides")!;
const post = (body: unknown) => server.takeReadings(body);

describe("readings", () => {
  it("are kept, replaced when told again for the same minute, and told as the air now", () => {
    const first = must(post({ readings: [{ at: iso(1), temp_c: 11, rh_pct: 70, source: "porch" }] }));
    expect(first).toMatchObject({ taken: 1, replaced: 0, now: { from: "measured", source: "porch" } });
    const again = must(post({ at: iso(1), temp_c: 12, rh_pct: 71, source: "porch" }));
    expect(again).toMatchObject({ taken: 1, replaced: 1 });
    expect(again.now.tempC).toBeCloseTo(12, 0);
  });
  it("a cold one moves the timers on the Bench, and asks for a new plan", async () => {
    must(await server.makePlan(MODEL));
    const before = hull().wait!.likelyMin;
    must(post({ at: iso(0), temp_c: 6, rh_pct: 75 }));
    expect(hull().wait!.likelyMin).toBeGreaterThan(before + 30);
    expect(must(server.getPlan(MODEL))!.fresh).toBe(false);
  });
  it("one that says what was expected leaves the plan as it was", async () => {
    must(await server.makePlan(MODEL));
    const { tempC, rhPct } = must(server.getAirNow());
    must(post({ at: iso(0), temp_c: tempC, rh_pct: rhPct }));
    expect(must(server.getPlan(MODEL))!.fresh).toBe(true);
  });
  it.each([
    [{ at: "yesterday", temp_c: 12, rh_pct: 60 }, "readings.0.at"],
    [{ at: "2099-01-01T00:00:00Z", temp_c: 12, rh_pct: 60 }, "readings.0.at"],
    [{ at: "2020-01-01T00:00:00Z", temp_c: 120, rh_pct: 60 }, "readings.0.temp_c"],
    [{ at: "2020-01-01T00:00:00Z", temp_c: 12, rh_pct: -1 }, "readings.0.rh_pct"],
    [{ at: "2020-01-01T00:00:00Z", temp_c: 12, rh_pct: 60, wind: 3 }, "readings.0.wind"],
  ])("%j is refused by its field, and nothing is kept", (reading, path) => {
    const before = must(server.getAirScreen(MODEL)).readings.length;
    const refused = post({ readings: [{ at: iso(5), temp_c: 10, rh_pct: 50 }, reading].reverse() });
    expect(refused).toMatchObject({ ok: false, problem: { code: "invalid", fields: [{ path }] } });
    expect(must(server.getAirScreen(MODEL)).readings).toHaveLength(before);
  });
  it("typed in, removed, and put back", () => {
    must(server.addReading({ minutesAgo: 2, tempC: 14, rhPct: 55 }));
    const mine = must(server.getAirScreen(MODEL)).readings.find((r) => r.source === "by hand")!;
    must(server.removeReading(mine.atMs, mine.source));
    expect(must(server.getAirScreen(MODEL)).readings.some((r) => r.source === "by hand")).toBe(false);
    must(server.putReadingBack(mine));
    expect(must(server.getAirScreen(MODEL)).readings).toContainEqual(mine);
    expect(server.addReading({ minutesAgo: 2, tempC: "warm", rhPct: 55 })).toMatchObject({
      ok: false,
      problem: { fields: [{ path: "tempC" }] },
    });
  });
});

describe("the forecast", () => {
  const rows = (tempC: number) =>
    Array.from(
      { length: 25 },
      (_, h) =>
        `${new Date(Math.ceil(server.nowMs() / 3_600_000) * 3_600_000 + h * 3_600_000).toISOString()},${tempC},70`,
    );
  const text = (tempC: number) => ["time,temp_c,rh_pct", ...rows(tempC)].join("\n");
  it("taken over it is what the coming hours are", () => {
    must(server.importForecast(text(4), "csv"));
    const screen = must(server.getAirScreen(MODEL));
    const later = screen.points.find((p) => p.atMin > screen.nowMin + 20 * 60)!;
    expect(later.tempC).toBeCloseTo(4, 0);
    expect(screen.spans.some((s) => s.from === "forecast")).toBe(true);
    must(server.dropForecast());
    expect(must(server.getAirScreen(MODEL)).forecastUntilMin).toBeNull();
  });
  it("of frost tonight is told where something water-borne stands in the shed, and of a mild night not", () => {
    const cold = () => {
      const { answer } = must(server.getJudged(MODEL)).find(({ partName }) => partName === "Sea wall")!;
      if (answer.outcome !== "judged") throw new Error(answer.outcome);
      return answer.verdicts.filter((v) => v.rule === "frost-on-stock");
    };
    must(server.importForecast(text(9), "csv"));
    expect(cold()).toEqual([]);
    must(server.importForecast(text(-4), "csv"));
    expect(cold()).not.toEqual([]);
    must(server.dropForecast());
  });
  it("with a fault in it nothing changes", () => {
    must(server.importForecast(text(4), "csv"));
    const before = must(server.getAirScreen(MODEL)).forecastUntilMin;
    expect(server.importForecast(`${text(9)}\nnever,1,1`, "csv")).toMatchObject({
      ok: false,
      problem: { detail: expect.stringContaining("line 27, time") },
    });
    expect(must(server.getAirScreen(MODEL)).forecastUntilMin).toBe(before);
  });
  it("of the stand-in comes in by the same door", () => {
    expect(must(server.takeStandInForecast("cold-snap")).hours).toBe(73);
    expect(server.takeStandInForecast("hail")).toMatchObject({ ok: false });
  });
});

describe("parts in air of their own", () => {
  const stay = (over: object = {}) => ({
    kind: "warm-box",
    from: iso(-60),
    to: iso(-360),
    tempC: 40,
    airflowMS: null,
    ...over,
  });
  it("a warm box shortens what its part waits for, and only that", () => {
    const before = hull().wait!.likelyMin;
    const part = must(server.getTree(MODEL)).find((p) => p.regions.some((r) => r.region.id === "ml-hull-topsides"))!;
    const { id } = must(server.addLocalAir(MODEL, part.id, stay()));
    expect(hull().wait!.likelyMin).toBeLessThan(before - 30);
    must(server.removeLocalAir(id));
    expect(hull().wait!.likelyMin).toBeCloseTo(before, 0);
  });
  it("before its film is touch dry is refused, with the hour: a wet film is never warmed", () => {
    const part = must(server.getTree(MODEL)).find((p) => p.regions.some((r) => r.region.id === "ml-hull-topsides"))!;
    expect(server.addLocalAir(MODEL, part.id, stay({ from: iso(25) }))).toMatchObject({
      ok: false,
      problem: {
        code: "refused",
        fields: [{ path: "from", message: expect.stringMatching(/18:\d\d.*not touch dry/) }],
      },
    });
  });
  it("warmer than the part stands is refused, naming its limit", () => {
    const part = must(server.getTree(MODEL)).find((p) => p.name === "Sea wall")!;
    expect(server.addLocalAir(MODEL, part.id, stay({ tempC: 55 }))).toMatchObject({
      ok: false,
      problem: { code: "refused", fields: [{ path: "tempC", message: expect.stringContaining("50 °C") }] },
    });
    expect(server.addLocalAir(MODEL, part.id, stay({ to: iso(-30) }))).toMatchObject({
      ok: false,
      problem: { fields: [{ path: "to" }] },
    });
  });
  it("travel with the document, byte for byte, and follow their parts under new ids", () => {
    const part = must(server.getTree(MODEL))[0]!;
    must(server.addLocalAir(MODEL, part.id, stay({ tempC: 35 })));
    const text = must(server.exportDocument(MODEL));
    expect(JSON.parse(text).air.local).toHaveLength(1);
    must(server.importText(text, { onExisting: "replace", takeShop: true }));
    expect(must(server.exportDocument(MODEL))).toBe(text);
    const copy = must(server.importText(text, { onExisting: "copy", takeShop: false }));
    expect(must(server.getAirScreen(copy.modelId)).locals).toHaveLength(1);
  });
  it("are outgrown by no edit and no undo: a material that stands less, or a face that comes back", () => {
    const wall = must(server.getTree(MODEL)).find((p) => p.name === "Sea wall")!;
    const [first, second] = wall.regions;
    must(server.editNode("region", first!.region.id, first!.rev, { material: "steel-iron" }));
    must(server.deleteNode("region", second!.region.id));
    for (const r of wall.regions.slice(2)) must(server.deleteNode("region", r.region.id));
    const { id } = must(server.addLocalAir(MODEL, wall.id, stay({ tempC: 80 })));
    const warm = { ok: false, problem: { code: "refused", fields: [{ path: "material" }] } };
    expect(server.editNode("region", first!.region.id, first!.rev + 1, { material: "xps" })).toMatchObject(warm);
    expect(server.restoreNode("region", second!.region.id)).toMatchObject(warm);
    must(server.removeLocalAir(id));
    must(server.restoreNode("region", second!.region.id));
    must(server.editNode("region", first!.region.id, first!.rev + 1, { material: "xps" }));
  });
  it("hotter than the part stands come in by no file either, and nothing is changed", () => {
    const wall = must(server.getTree(MODEL)).find((p) => p.name === "Sea wall")!;
    must(server.addLocalAir(MODEL, wall.id, stay({ tempC: 35 })));
    const text = must(server.exportDocument(MODEL));
    const doc = JSON.parse(text);
    doc.air.local[0].card.tempC = 55;
    expect(server.importText(JSON.stringify(doc), { onExisting: "replace", takeShop: true })).toMatchObject({
      ok: false,
      problem: { code: "refused", fields: [{ path: "air.local.0.card.tempC" }] },
    });
    expect(must(server.exportDocument(MODEL))).toBe(text);
  });
});

describe("why so long", () => {
  it("answers for a wait that runs, and says so where there is none", async () => {
    const tile = hull();
    const { why, productName } = must(await server.whyThisWait(tile.regionId, tile.op!.id));
    expect(productName).toContain("High-build primer");
    expect(why.causes.reduce((f, c) => f * c.factor, why.labelMin)).toBeCloseTo(why.waitMin, 3);
    expect(await server.whyThisWait("ml-fittings-all", "ml-fittings-all:prep:wash")).toMatchObject({
      ok: false,
      problem: { detail: "This step waits for no film." },
    });
  });
});

describe("the film model over HTTP", () => {
  const coat = {
    wft_um: 40,
    applied_at_min: 0,
    beta: 10,
    Ed: 60000,
    dH: 38000,
    water: false,
    kappa: 1,
    phiFormed: 0.2,
    phi0: 0.7,
    k: 10,
    D0: 2.27,
  };
  const air = { minute: 0, temp_c: 20, rh_pct: 50, airflow: 1 };
  it("refuses what cannot be, by its field", async () => {
    const bad = (over: object) => server.filmOf({ layers: [coat], climate: [air], phi_max_threshold: 0.05, ...over });
    expect(await bad({ layers: [{ ...coat, wft_um: 0 }] })).toMatchObject({
      problem: { fields: [{ path: "layers.0.wft_um" }] },
    });
    expect(await bad({ climate: [air, air] })).toMatchObject({
      problem: { fields: [{ path: "climate", message: expect.stringContaining("no minute told twice") }] },
    });
    expect(await bad({ layers: [{ ...coat, applied_at_min: 9 }, coat] })).toMatchObject({
      problem: { fields: [{ path: "layers" }] },
    });
    expect(await server.filmOf({ layers: [{ product: "nothing-here" }] })).toMatchObject({
      problem: { fields: [{ path: "layers.0.product" }] },
    });
  });
  it("refuses a label that contradicts itself, naming both times", async () => {
    const product = {
      role: "primer",
      family: "acrylic-lacquer",
      carriers: ["ester"],
      label: { touch_min: 60, sandable_min: 20 },
    };
    expect(await server.filmOf({ layers: [{ product }] })).toMatchObject({
      ok: false,
      problem: {
        fields: [{ path: "layers.0.product.label.sandableMin", message: expect.stringContaining("touchMin") }],
      },
    });
  });
  it("air too damp for its water-borne film is never, with the reason", async () => {
    const water = { ...coat, water: true, k: 3, D0: 1.2, beta: 6 };
    const f = must(
      await server.filmOf({ layers: [water], climate: [{ ...air, rh_pct: 95 }], phi_max_threshold: 0.08 }),
    );
    expect(f).toMatchObject({
      form: "case",
      answer: { reachedMin: null, outcome: "never-in-this-air", reason: expect.stringContaining("water") },
    });
  });
  it("a product of the shelf answers with its own label's times", async () => {
    const f = must(await server.filmOf({ layers: [{ product: "grey-primer" }] }));
    if (f.form !== "application") throw new Error("another form");
    expect(f.answer.milestones.find((m) => m.milestone === "sandable")!.min).toBeCloseTo(60, 0);
  });
});
