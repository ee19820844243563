import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { MORE_PAIRS } from "../../tests/support/more-rule-cases";
import { type Case, fallen, inputOf, PAIRS } from "../../tests/support/rule-cases";
import { CATALOGUE } from "../core/rules";
import { toldSchema } from "./log";
import { layerSchema, regionSchema, stackSchema } from "./model";
import { parseProduct } from "./product";

/**
 * Every rule can be fired from a screen: by facts that the screens store, each of which has a field there. What a case holds goes
 * through the schemas a change of a screen goes through, and the rule must still fire.
 */

/** Rules whose facts no screen asks yet. */
const WAITING: readonly string[] = [];

/** Roles that stand in a pile only by the API: on the screens they belong to other work. */
const NO_LAYER = new Set(["stripper", "masking", "abrasive"]);

/** The case as the screens would store it. */
function asStored(c: Case) {
  const input = inputOf(c);
  const region = regionSchema.parse(JSON.parse(JSON.stringify(input.region)));
  const { prep, prepWith, prepSoakMin, layers } = input.stack;
  const plain = layers.map(({ air: _, ...l }) => l);
  const stack = stackSchema.parse(JSON.parse(JSON.stringify({ prep, prepWith, prepSoakMin, layers: plain })));
  const known = new Map<string, ReturnType<typeof parseProduct>>();
  const productOf = (id: string) => {
    const own = known.get(id) ?? parseProduct(JSON.parse(JSON.stringify(input.productOf(id))));
    known.set(id, own);
    return own;
  };
  for (const l of stack.layers) expect(NO_LAYER.has(productOf(l.productId).role)).toBe(false);
  if (c.work) toldSchema.parse({ kind: "asked", work: c.work, note: "" });
  return { ...input, region, stack, productOf };
}

const SCREENS = join("src", "ui");
const sources = (folder: string): readonly string[] =>
  readdirSync(join(SCREENS, folder))
    .filter((f) => f.endsWith(".tsx") && !f.includes(".test."))
    .map((f) => readFileSync(join(SCREENS, folder, f), "utf8"));

describe("every rule is within reach of a screen", () => {
  const pairs = { ...PAIRS, ...MORE_PAIRS };
  it.each(CATALOGUE.filter((r) => !WAITING.includes(r.id)).map((r) => r.id))("%s", (id) => {
    const c = pairs[id]!.fires;
    expect(fallen(c, asStored(c)).map((v) => v.rule)).toContain(id);
  });
  it("what waits is a rule", () => {
    const ids = CATALOGUE.map((r) => r.id);
    expect(WAITING.filter((id) => !ids.includes(id))).toEqual([]);
  });
});

describe("every fact of a layer has a field", () => {
  const shown = [...sources("stacks"), ...sources("bench")].join("\n");
  /** told by what is done to the pile, not by a field */
  const OTHERWISE = new Set([
    "id",
    "productId",
    "before",
    "beforeWith",
    "sandAfter",
    "setUp",
    "tape",
    "scuffWet",
    "touch",
  ]);
  const nested = (schema: unknown): readonly string[] => {
    const s = schema as { unwrap?: () => unknown; shape?: object };
    return s.unwrap ? nested(s.unwrap()) : Object.keys(s.shape ?? {});
  };
  const { shape } = layerSchema;
  it.each([...Object.keys(shape), ...nested(shape.setUp), ...nested(shape.tape)].filter((f) => !OTHERWISE.has(f)))(
    "%s",
    (field) => expect(shown).toMatch(new RegExp(`field="${field}"`)),
  );
});
