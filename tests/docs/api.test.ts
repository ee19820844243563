import { readFileSync } from "node:fs";
import * as server from "@/server";
import { freshStore, must } from "../support/store";

freshStore();
beforeEach(() => void must(server.loadDemo(true)));

/** The JSON of the paper on the HTTP face, in order: a check, its answer shortened, a suggestion. */
const [check, answer, suggestion] = [...readFileSync("docs/api.md", "utf8").matchAll(/```json\n([\s\S]*?)```/g)].map(
  (m) => JSON.parse(m[1]!),
);

it("the documented check is answered as documented", () => {
  const judged = must(server.checkStack(check));
  expect(judged.worst).toBe(answer.worst);
  for (const { rule, verdict } of answer.verdicts)
    expect(judged.verdicts).toContainEqual(expect.objectContaining({ rule, verdict }));
  expect(judged.ledger[0]!.addedUm).toBeCloseTo(answer.ledger[0].added_um, 9);
});

it("the documented suggestion finds what it asks for, and says why not the other", () => {
  const { answer: found, whyNot } = must(server.suggestStacks(suggestion));
  if (found.outcome !== "found") throw new Error("nothing found");
  expect(found.best).toHaveLength(suggestion.best);
  expect(found.best[0]!.stack.layers.map((l) => l.productId)).toEqual(["water-primer", "estuary-blue", "water-matt"]);
  expect(whyNot).toMatchObject([{ productId: "new-clear", why: { outcome: "dearer" } }]);
});
