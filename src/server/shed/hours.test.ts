import type { Shop } from "@/contracts";
import { seededRandom } from "@/core/base";
import { PLAIN_SHOP } from "@/db";
import { localDate, localMin, spareSessions } from "./hours";

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

/** Clocks of whole hours, of half ones that are changed by half an hour, of quarters, and a day that was left out. */
describe.each(["Europe/London", "Australia/Lord_Howe", "Asia/Kathmandu", "America/St_Johns", "Pacific/Apia"])(
  "the wall clock of %s",
  (timeZone) => {
    const shown = new Intl.DateTimeFormat("en-CA", {
      timeZone,
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
    });
    const wallAt = (ms: number): string => shown.format(ms).replace(", ", " ");
    const random = seededRandom(7);
    const from = Date.UTC(2011, 0, 1);
    const moments = Array.from({ length: 400 }, () => from + Math.floor(random() * 16 * 365 * 1440) * 60_000);
    it("says the day", () => {
      for (const ms of moments) expect([ms, localDate(timeZone, ms)]).toEqual([ms, wallAt(ms).slice(0, 10)]);
    });
    it("says the moment of a day and an hour, whether asked once or twice", () => {
      for (const ms of [...moments, ...moments]) {
        const [date, clock] = wallAt(ms).split(" ") as [string, string];
        expect(wallAt(localMin(timeZone, date, clock) * 60_000)).toBe(`${date} ${clock}`);
      }
    });
  },
);
