import type { Shop } from "@/contracts";
import { PLAIN_SHOP } from "@/db";
import { spareSessions } from "./hours";

/** Days one might come to the bench beside the usual ones. */
const at = (iso: string): number => Date.parse(iso) / 60_000;
const evening = (weekday: number) => ({ weekday, from: "19:00", to: "21:30" });
const shop = (over: Partial<Shop>): Shop => ({ ...PLAIN_SHOP, timeZone: "UTC", exceptions: [], ...over });

// 2026-03-02 is a Monday
const rows: readonly [string, Partial<Shop>, string, string, readonly string[]][] = [
  [
    "the days between, at the hours of most days",
    { pattern: [evening(1), evening(4), { weekday: 6, from: "10:00", to: "16:00" }] },
    "2026-03-02T20:00:00Z",
    "2026-03-08T23:00:00Z",
    ["2026-03-03 19:00–21:30", "2026-03-04 19:00–21:30", "2026-03-06 19:00–21:30"],
  ],
  [
    "today too, while its hours are still to come",
    { pattern: [evening(2)] },
    "2026-03-02T12:00:00Z",
    "2026-03-03T12:00:00Z",
    ["2026-03-02 19:00–21:30"],
  ],
  ["not today any more", { pattern: [evening(2)] }, "2026-03-02T20:00:00Z", "2026-03-03T12:00:00Z", []],
  [
    "no day that was said to be without one",
    { pattern: [evening(1)], exceptions: [{ date: "2026-03-03", spans: [] }] },
    "2026-03-02T20:00:00Z",
    "2026-03-05T00:00:00Z",
    ["2026-03-04 19:00–21:30"],
  ],
  [
    "an evening on a day that is used by daylight",
    { pattern: [evening(1), evening(2), { weekday: 3, from: "10:00", to: "13:00" }] },
    "2026-03-03T22:00:00Z",
    "2026-03-05T12:00:00Z",
    ["2026-03-04 19:00–21:30"],
  ],
  [
    "none where every day is used",
    { pattern: [1, 2, 3, 4, 5, 6, 7].map(evening) },
    "2026-03-02T20:00:00Z",
    "2026-03-20T00:00:00Z",
    [],
  ],
  ["none where nobody told any hours", { pattern: [] }, "2026-03-02T20:00:00Z", "2026-03-20T00:00:00Z", []],
];

it.each(rows)("%s", (_, over, from, before, want) => {
  const found = spareSessions(shop(over), at(from), at(before));
  expect(found.map((s) => `${s.date} ${s.from}–${s.to}`)).toEqual(want);
  for (const s of found) expect(s.endMin - s.startMin).toBe(150);
});

it("what the day has already stays beside it", () => {
  const pattern = [evening(1), evening(2), { weekday: 3, from: "10:00", to: "13:00" }];
  const [wednesday] = spareSessions(shop({ pattern }), at("2026-03-03T22:00:00Z"), at("2026-03-05T12:00:00Z"));
  expect(wednesday!.spans).toEqual([
    { from: "10:00", to: "13:00" },
    { from: "19:00", to: "21:30" },
  ]);
});
