import { logEntrySchema, type PilesThen, upgradeEntry } from ".";

const PILES: PilesThen = {
  productOfLayer: (id) => ({ y1: "grey", y2: "red" })[id] ?? null,
  products: [
    { id: "grey", name: "Grey primer" },
    { id: "grey-fine", name: "Grey primer, fine" },
    { id: "red", name: "Buoy red" },
    { id: "red-2", name: "Buoy red" },
    { id: "gone", name: "Old undercoat" },
  ],
};
const entry = (over: object) => ({
  id: "l1",
  regionId: "r",
  opId: "y1:coat:1",
  kind: "done",
  at: "2026-03-01T19:00:00.000Z",
  title: "Deck: Grey primer",
  coats: 1,
  wftUm: 40,
  sign: null,
  override: null,
  air: { tempC: 18, rhPct: 50, source: "typical" },
  note: "",
  ...over,
});
const upgraded = (over: object) => logEntrySchema.parse(upgradeEntry(entry(over), PILES));

describe("an entry of the older shape", () => {
  it.each([
    ["named in its title", {}, { productId: "grey", known: "then" }],
    ["with its coat told", { title: "Deck: Grey primer, coat 1 of 2" }, { productId: "grey", known: "then" }],
    [
      "one name beginning like another",
      { title: "Deck: Grey primer, fine, coat 1 of 2" },
      { productId: "grey-fine", known: "then" },
    ],
    [
      "of namesakes the one in the pile",
      { opId: "y2:coat:1", title: "Deck: Buoy red" },
      { productId: "red", known: "then" },
    ],
    ["swapped in the pile since", { title: "Deck: Old undercoat" }, { productId: "gone", known: "then" }],
    ["a layer gone since", { opId: "y9:coat:2", title: "Deck: Old undercoat" }, { productId: "gone", known: "then" }],
    ["named by a can renamed since", { title: "Deck: Gray primer" }, { productId: "grey", known: "as-the-stack-is" }],
    ["of a round, whose can may be another than its layer's", { opId: "y1~r1f:coat:1", title: "Deck: Putty" }, null],
    ["nobody knows any more", { opId: "y9:coat:1", title: "Deck: Something" }, null],
    ["no coat", { opId: "y1:sand", title: "Deck: Sand P400", coats: null, wftUm: null }, null],
  ])("%s", (_, over, laid) => {
    const told = upgraded(over);
    expect("laid" in told ? told.laid : null).toEqual(laid && { ...laid, card: null });
  });
  it("keeps what each kind has to say, and nothing else", () => {
    expect(upgraded({ kind: "started", coats: null, wftUm: null })).not.toHaveProperty("coats");
    expect(upgraded({ kind: "not-yet", coats: null, wftUm: null, sign: "tacky" })).toMatchObject({ sign: "tacky" });
    expect(upgraded({ kind: "taken-back", used: { productId: "grey", ml: 3 } })).toMatchObject({
      used: { ml: 3 },
      coats: 1,
    });
  });
  it("of today's shape is left as it is, and so is what nobody knows", () => {
    for (const value of [
      { ...entry({}), sign: undefined, laid: undefined },
      { kind: "done" },
      "text",
      null,
      { kind: "flown" },
    ]) {
      const told = typeof value === "object" && value !== null ? JSON.parse(JSON.stringify(value)) : value;
      expect(upgradeEntry(told, PILES)).toBe(told);
    }
  });
});
