import { z } from "zod";
import { invalid } from "./problem";

/** Whatever the validator finds is told in plain words, by its field. */

const schema = z.strictObject({
  list: z.array(z.string()).max(1),
  count: z.number().int(),
  either: z.union([z.string(), z.number()]),
  sort: z.discriminatedUnion("kind", [z.object({ kind: z.literal("a") }), z.object({ kind: z.literal("b") })]),
  name: z.string().min(2).max(4),
  when: z.iso.datetime(),
  share: z.number().min(0).max(1),
  yes: z.boolean(),
  map: z.record(z.string(), z.number()),
  own: z.string().regex(/x/, "is no x"),
});
const GOOD = {
  list: [],
  count: 1,
  either: 1,
  sort: { kind: "a" },
  name: "abc",
  when: "2026-01-01T00:00:00Z",
  share: 0.5,
  yes: true,
  map: {},
  own: "x",
};
const toldOf = (value: unknown): string => {
  const parsed = schema.safeParse(value);
  if (parsed.success) return "";
  const outcome = invalid(parsed.error);
  return outcome.ok ? "" : outcome.problem.detail;
};

it("what is right is taken", () => expect(toldOf(GOOD)).toBe(""));
it.each<[unknown, string]>([
  [null, "the input must be an object"],
  [[], "the input must be an object"],
  [{ ...GOOD, list: undefined }, "list must be a list"],
  [{ ...GOOD, list: ["a", "b"] }, "list must hold at most 1 entries"],
  [{ ...GOOD, list: [3] }, "list.0 must be a text"],
  [{ ...GOOD, count: 1.5 }, "count must be a whole number"],
  [{ ...GOOD, either: true }, "either is none of what may stand here"],
  [{ ...GOOD, sort: { kind: "c" } }, "sort.kind is none of what may stand here"],
  [{ ...GOOD, name: "a" }, "name must hold at least 2 characters"],
  [{ ...GOOD, name: "abcde" }, "name must hold at most 4 characters"],
  [{ ...GOOD, when: "soon" }, "when is not written as it should be"],
  [{ ...GOOD, share: 2 }, "share must be at most 1"],
  [{ ...GOOD, share: -1 }, "share must be at least 0"],
  [{ ...GOOD, yes: "yes" }, "yes must be true or false"],
  [{ ...GOOD, map: { a: "b" } }, "map.a must be a number"],
  [{ ...GOOD, own: "y" }, "own is no x"],
  [{ ...GOOD, more: 1 }, "more is not known here"],
])("%j: %s", (value, told) => expect(toldOf(value)).toBe(told));
