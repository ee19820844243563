import { readFileSync } from "node:fs";
import * as server from "@/server";
import { freshStore, must, refusal } from "../support/store";

freshStore();
beforeEach(() => void must(server.loadDemo(true)));

/** The JSON of the paper on the HTTP face, in order: a check, its answer shortened, a suggestion, the two forms of a film, readings; last a sum. */
const [check, answer, suggestion, filmCase, filmOn, readings, ...rest] = [
  ...readFileSync("docs/api.md", "utf8").matchAll(/```json\n([\s\S]*?)```/g),
].map((m) => JSON.parse(m[1]!));

it("the documented check is answered as documented", () => {
  const judged = must(server.checkStack(check));
  expect(judged.worst).toBe(answer.worst);
  for (const { rule, verdict } of answer.verdicts)
    expect(judged.verdicts).toContainEqual(expect.objectContaining({ rule, verdict }));
  expect(judged.ledger[0]!.addedUm).toBeCloseTo(answer.ledger[0].added_um, 9);
});

it("the documented suggestion finds what it asks for, and says why not the other", async () => {
  const { answer: found, whyNot } = must(await server.suggestStacks(suggestion));
  if (found.outcome !== "found") throw new Error("nothing found");
  expect(found.best).toHaveLength(suggestion.best);
  expect(found.best[0]!.stack.layers.map((l) => l.productId)).toEqual(["water-primer", "estuary-blue", "water-matt"]);
  expect(whyNot).toMatchObject([{ productId: "new-clear", why: { outcome: "dearer" } }]);
});

it("the documented film case and application are run", async () => {
  const f = must(await server.filmOf(filmCase));
  if (f.form !== "case") throw new Error("another form");
  expect(f.answer.reachedMin).toBeCloseTo(31.74, 0);
  expect(f.answer.samples.map((s) => s.atMin)).toEqual(filmCase.sample_minutes);
  const on = must(await server.filmOf(filmOn));
  if (on.form !== "application") throw new Error("another form");
  expect(on.answer.run.mass.sandedUm).toBeGreaterThan(0);
  expect(on.answer.films.map((x) => x.product.id)).toEqual(["build-primer", "grey-primer"]);
});

it("the documented readings are taken, at a time that has been", () => {
  const at = new Date(server.nowMs() - 60_000).toISOString();
  expect(must(server.takeReadings({ readings: [{ ...readings.readings[0], at }] }))).toMatchObject({
    taken: 1,
    replaced: 0,
  });
});

it("the documented sum is done", () => {
  const { id, result } = must(server.askSum("film", rest.at(-1)));
  expect(id).toBe("film");
  expect(result.lines.find((l) => l.id === "dftUm")!.value).toBeCloseTo(16.8, 6);
});

it("the documented looks teach what is said of them", async () => {
  const { shed, products } = must(await server.askLearnt(rest.at(-2)));
  expect(products.map((p) => [p.productId, p.looks])).toEqual([
    ["estuary-blue", 2],
    ["buoy-red", 0],
  ]);
  expect(products[0]!.median).toBeGreaterThan(1.2);
  expect(products[1]!.median).toBeCloseTo(shed.median, 1);
  const refused = async (look: object) =>
    refusal(await server.askLearnt({ looks: [{ product: "a", predicted_min: 9, ...look }], products: [] }));
  expect(await refused({})).toBe("invalid looks.0.by_min");
  expect(await refused({ after_min: 9, by_min: 9 })).toBe("invalid looks.0.by_min");
  expect(await refused({ at_min: 9, by_min: 9 })).toBe("invalid looks.0.at_min");
  expect(await refused({ by_min: 0 })).toBe("invalid looks.0.by_min");
});
