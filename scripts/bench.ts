import { benchFilm } from "./bench/film";
import { benchFinder } from "./bench/finder";
import { benchJudge } from "./bench/judge";
import { benchPlan } from "./bench/plan";

/** npm run bench [-- film judge finder plan]: what is measured, one JSON line a result. */
const BENCHES: Readonly<Record<string, () => void>> = {
  film: benchFilm,
  judge: benchJudge,
  finder: benchFinder,
  plan: benchPlan,
};

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in BENCHES));
if (unknown.length > 0) {
  console.error(`There is no bench ${unknown.join(", ")}; there are ${Object.keys(BENCHES).join(", ")}.`);
  process.exitCode = 1;
} else for (const name of asked.length > 0 ? asked : Object.keys(BENCHES)) BENCHES[name]!();
