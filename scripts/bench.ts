import { benchFilm } from "./bench/film";
import { benchFinder } from "./bench/finder";
import { benchJudge } from "./bench/judge";
import { benchPlan } from "./bench/plan";
import { benchSchedule } from "./bench/schedule";

/** npm run bench [-- film judge finder plan schedule [FILE…] [--starts]]: what is measured, one JSON line a result. */
const words = process.argv.slice(2);
const files = words.filter((w) => w.endsWith(".json"));
const withStarts = words.includes("--starts");
const BENCHES: Readonly<Record<string, () => void>> = {
  film: benchFilm,
  judge: benchJudge,
  finder: benchFinder,
  plan: benchPlan,
  schedule: () => benchSchedule(files, withStarts),
};

const asked = words.filter((w) => !files.includes(w) && w !== "--starts");
const unknown = asked.filter((name) => !(name in BENCHES));
if (unknown.length > 0) {
  console.error(`There is no bench ${unknown.join(", ")}; there are ${Object.keys(BENCHES).join(", ")}.`);
  process.exitCode = 1;
} else for (const name of asked.length > 0 ? asked : Object.keys(BENCHES)) BENCHES[name]!();
