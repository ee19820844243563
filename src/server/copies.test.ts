import { layerOfKey, opIds } from "@/core/model";
import { freshStore, must } from "../../tests/support/store";
import * as server from ".";

freshStore();
beforeEach(() => void must(server.loadDemo(true)));

const MODEL = "marram-lass";
const treeOf = (id: string) => must(server.getTree(id));
const part = (modelId: string, id: string) => treeOf(modelId).find((p) => p.id === id);
const other = () => must(server.addModel({ name: "Kittiwake", scale: "", note: "" })).id;
const bare = (s: {
  prep: readonly unknown[];
  layers: readonly { id: string; productId: string; coats: number }[];
}) => ({
  prep: s.prep,
  layers: s.layers.map(({ id, ...l }) => l),
});

describe("a part copied", () => {
  it("has the same faces and piles under ids of their own, and nothing of the log", () => {
    const to = other();
    const { id } = must(server.copyPart("ml-house", to));
    const [was, is] = [part(MODEL, "ml-house")!, part(to, id)!];
    expect(is.regions.map((r) => r.region.name)).toEqual(was.regions.map((r) => r.region.name));
    expect(is.regions.map((r) => bare(r.stack))).toEqual(was.regions.map((r) => bare(r.stack)));
    const ids = (p: typeof was) => p.regions.flatMap((r) => [r.region.id, ...r.stack.layers.map((l) => l.id)]);
    expect(ids(is).filter((x) => ids(was).includes(x))).toEqual([]);
    expect(must(server.getBench(to)).tiles.filter((t) => t.done > 0)).toEqual([]);
  });
  it("in the same model it says so by its name, and the first stays as it was", () => {
    const before = part(MODEL, "ml-house");
    const { id } = must(server.copyPart("ml-house", MODEL));
    expect(part(MODEL, id)!.name).toBe(`${before!.name}, once more`);
    expect(part(MODEL, "ml-house")).toEqual(before);
  });
  it("takes the written reasons along, each under its layer's new id and no other's", () => {
    const region = () => part(MODEL, "ml-prop")!.regions[0]!;
    const layers = Array.from({ length: 11 }, (_, i) => ({
      ...region().stack.layers.at(-1)!,
      id: `ml-x-${i + 1}`,
      productId: i === 0 ? "etch-green" : "one-pot-grey",
    }));
    must(
      server.saveStack(region().region.id, region().stackRev, {
        ...region().stack,
        layers: [...region().stack.layers, ...layers],
      }),
    );
    const stop = must(server.getJudged(MODEL)).find((j) => j.node.region.id === region().region.id)!.answer;
    if (stop.outcome !== "judged") throw new Error(stop.outcome);
    const finish = stop.verdicts.find((v) => v.verdict === "stop" && v.kind === "finish");
    if (!finish) throw new Error("nothing to write a reason for");
    must(server.overrideVerdict(region().region.id, finish.key, "tried on scrap"));
    const { id } = must(server.copyPart("ml-prop", MODEL));
    const copied = part(MODEL, id)!.regions[0]!;
    expect(copied.overrides).toHaveLength(1);
    expect(layerOfKey(copied.overrides[0]!.key)).toBe(copied.stack.layers[finish.where.layer]!.id);
  });
  it("of a part or to a model that is not there is refused", () => {
    expect(server.copyPart("nobody", MODEL).ok).toBe(false);
    expect(server.copyPart("ml-house", "nowhere").ok).toBe(false);
  });
});

describe("an order of getting ready nobody touched", () => {
  it("follows the face: proposed once a material is told, also after it was unknown; kept when it is not known again", () => {
    const { id, regionId } = must(server.addPart(MODEL, { name: "Rudder", count: 1, note: "", photo: null }));
    const node = () => part(MODEL, id)!.regions.find((r) => r.region.id === regionId)!;
    const tell = (fields: object) => void must(server.editNode("region", regionId, node().rev, fields));
    tell({ material: "unknown" });
    expect(node().stack.prep).toEqual([]);
    tell({ material: "pla" });
    expect(node().stack.prep).toEqual(["trim", "wash", "key", "dust-off"]);
    tell({ finish: "show" });
    expect(node().stack.prep).toContain("rinse");
    const proposed = node().stack.prep;
    tell({ material: "unknown" });
    expect(node().stack.prep).toEqual(proposed);
  });
});

describe("a part given away", () => {
  const doneOn = (modelId: string, regionId: string) =>
    must(server.getBench(modelId)).tiles.find((t) => t.regionId === regionId)?.done ?? null;
  it("takes its log along: as many steps are done there as were here, and none is left here", () => {
    const to = other();
    const done = doneOn(MODEL, "ml-house-walls")!;
    expect(done).toBeGreaterThan(0);
    must(server.movePart("ml-house", to));
    expect(doneOn(to, "ml-house-walls")).toBe(done);
    expect(doneOn(MODEL, "ml-house-walls")).toBeNull();
  });
  it("takes what was said of its work along, leaves its fittings, and comes back whole", () => {
    const to = other();
    const opId = opIds.coat(part(MODEL, "ml-prop")!.regions[0]!.stack.layers[0]!.id, 1);
    const said = (id: string) => must(server.getPlanScreen(id)).plannings[id]!;
    const { planning, rev } = said(MODEL);
    must(server.savePlanning(MODEL, rev, { ...planning, minutes: { ...planning.minutes, [opId]: 35 } }));
    expect(must(server.movePart("ml-prop", to)).unjoined).toBe(1);
    expect(said(MODEL).planning.minutes[opId]).toBeUndefined();
    expect(said(to).planning.minutes[opId]).toBe(35);
    expect(said(MODEL).planning.joins.map((j) => j.partId)).not.toContain("ml-prop");
    must(server.movePart("ml-prop", MODEL));
    expect(said(MODEL).planning.minutes[opId]).toBe(35);
    expect(part(MODEL, "ml-prop")).toBeDefined();
  });
  it("to where it is already is refused by the field, and nothing is moved", () => {
    const refused = server.movePart("ml-house", MODEL);
    expect(refused.ok).toBe(false);
    if (!refused.ok) expect(refused.problem.fields.map((f) => f.path)).toEqual(["modelId"]);
  });
});

describe("spots in places of their own", () => {
  const node = () => part(MODEL, "ml-anchor")!.regions[0]!;
  const spot = (id: string, share: number, ...places: string[]) => ({
    ...node().stack.layers[0]!,
    id,
    spot: share,
    places,
  });
  it("cannot add up to more than the face; over each other they may", () => {
    const save = (...spots: ReturnType<typeof spot>[]) =>
      server.saveStack(node().region.id, node().stackRev, {
        ...node().stack,
        layers: [...spots, ...node().stack.layers],
      });
    const crowded = save(spot("y-s1", 0.6, "fluke"), spot("y-s2", 0.6, "shank"));
    expect(crowded.ok).toBe(false);
    if (!crowded.ok) expect(crowded.problem.fields.map((f) => f.path)).toEqual(["layers.1.spot"]);
    must(save(spot("y-s1", 0.6, "fluke"), spot("y-s2", 0.6, "fluke")));
  });
  it.each([0, 1.2, -0.1])("a share of %p is refused by its field", (share) => {
    const refused = server.saveStack(node().region.id, node().stackRev, {
      ...node().stack,
      layers: [spot("y-s1", share)],
    });
    expect(refused.ok).toBe(false);
    if (!refused.ok) expect(refused.problem.fields.map((f) => f.path)[0]).toContain("layers.0.spot");
  });
});

describe("a gap", () => {
  it("wider than the face it is in is refused by the field that was told, and nothing is kept", () => {
    const node = () => part(MODEL, "ml-anchor")!.regions[0]!;
    const wide = server.editNode("region", node().region.id, node().rev, { fillWidthUm: 90_000 });
    expect(wide.ok).toBe(false);
    if (!wide.ok) expect(wide.problem.fields.map((f) => f.path)).toEqual(["fillWidthUm"]);
    expect(node().region.fillWidthUm).toBe(900);
    must(server.editNode("region", node().region.id, node().rev, { fillWidthUm: 1500 }));
    expect(node().region.fillWidthUm).toBe(1500);
  });
});
