import * as server from "@/server";
import { leaveBehind, MIGRATIONS } from "../../tests/support/earlier";
import { freshStore, must, rawDb } from "../../tests/support/store";
import { closeDb, unreadableRows } from ".";

/** Databases as earlier versions of this program left them: made by them, and kept row by row. */
const store = freshStore();
describe.each(MIGRATIONS.slice(0, -1).map((f, n) => [n, f] as const))("a database of migration %i (%s)", (nth) => {
  it("opens with everything in it; its log gets the products its coats were laid with", () => {
    leaveBehind(store.file(), nth);
    const { current } = must(server.getModels());
    const modelId = current!.id;
    const before = rawDb(store.file());
    const rows = before.prepare("select count(*) from log").pluck().get();
    before.close();
    const log = must(server.getLog(modelId));
    expect(log).toHaveLength(Number(rows));
    expect(log.length).toBeGreaterThan(10);
    const coats = log.filter((e) => e.kind === "done" && e.coats !== null);
    expect(coats.length).toBeGreaterThan(0);
    // the demo was logged as its piles were laid: whichever way it was told, it is the pile's own product
    const tree = must(server.getTree(modelId));
    const layers = tree.flatMap((p) => p.regions.flatMap((r) => r.stack.layers));
    const own = coats.flatMap((e) => {
      const layer = layers.find((l) => e.opId.startsWith(`${l.id}:`));
      return layer ? [{ e, layer }] : [];
    });
    // a mend's own layers are in no pile
    expect(own.length).toBeGreaterThan(coats.length / 2);
    for (const { e, layer } of own) expect(e).toMatchObject({ laid: { productId: layer.productId, card: null } });
    expect(unreadableRows()).toEqual([]);
    expect(must(server.getBench(modelId)).tiles.some((t) => t.done > 0)).toBe(true);
    must(server.getShelf());
    must(server.getCoupons(modelId));
    must(server.getPlanScreen(modelId));
    expect(must(server.getJudged(modelId)).every((r) => r.answer.outcome === "judged")).toBe(true);
  });
  it("is brought up to date once: opened again, not a row is written", () => {
    leaveBehind(store.file(), nth);
    must(server.getModels());
    closeDb();
    const text = () => {
      const raw = rawDb(store.file());
      const told = raw.prepare("select id, entry from log order by seq").all();
      raw.close();
      return JSON.stringify(told);
    };
    const first = text();
    must(server.getModels());
    closeDb();
    expect(text()).toBe(first);
  });
});
