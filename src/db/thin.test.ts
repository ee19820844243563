import Database from "better-sqlite3";
import { seededRandom } from "@/core/base";
import { thinReadings } from "./thin";

const NOW_MS = Date.UTC(2026, 10, 30);
const DAY_MS = 86_400_000;
const STEP_MS = 600_000;

function shed(readings: readonly (readonly [atMs: number, source: string])[]) {
  const raw = new Database(":memory:");
  raw.exec("create table readings (at_ms integer not null, source text not null, primary key (at_ms, source))");
  const insert = raw.prepare("insert or ignore into readings values (?, ?)");
  raw.transaction(() => {
    for (const r of readings) insert.run(...r);
  })();
  return raw;
}

it("of each device the last of every ten minutes stays, and all of the last sixty days", () => {
  const random = seededRandom(11);
  const all = Array.from(
    { length: 4000 },
    () => [NOW_MS - 58 * DAY_MS - Math.floor(random() * 4 * DAY_MS), random() < 0.5 ? "shed" : "booth"] as const,
  );
  const untilMs = NOW_MS - 60 * DAY_MS;
  const last = new Map<string, number>();
  for (const [at, source] of all) {
    const key = at < untilMs ? `${source} ${Math.floor(at / STEP_MS)}` : `${source} ${at} whole`;
    last.set(key, Math.max(last.get(key) ?? 0, at));
  }
  const raw = shed(all);
  const before = raw.prepare("select count(*) from readings").pluck().get() as number;
  const gone = thinReadings(raw, NOW_MS);
  const kept = raw.prepare("select source || ' ' || at_ms from readings order by 1").pluck().all();
  expect(kept).toEqual([...last].map(([key, at]) => `${key.split(" ")[0]} ${at}`).sort());
  expect(gone).toBe(before - kept.length);
  expect(thinReadings(raw, NOW_MS)).toBe(0);
});

/** Where each was held against all that stay, 20 000 took two seconds, and this many minutes. */
it("a year of a reading every two minutes is thinned in the time it takes to read it", () => {
  const year = Array.from({ length: 262_800 }, (_, n) => [NOW_MS - 61 * DAY_MS - n * 120_000, "shed"] as const);
  // five to a step; the first and the last step are begun and not filled
  expect(thinReadings(shed(year), NOW_MS)).toBe(year.length - (year.length / 5 + 1));
});
