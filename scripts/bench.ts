import { execFileSync } from "node:child_process";
import { benchBench } from "./bench/bench";
import { benchColour } from "./bench/colour";
import { benchFilm } from "./bench/film";
import { benchFinder } from "./bench/finder";
import { benchJudge } from "./bench/judge";
import { benchLearning } from "./bench/learning";
import { benchMishaps } from "./bench/mishaps";
import { benchPeer } from "./bench/peer";
import { benchPlan } from "./bench/plan";
import { benchRecord } from "./bench/record";
import { benchSchedule } from "./bench/schedule";

/** npm run bench [-- film judge finder mishaps colour learning record plan bench schedule [FILE…] [--starts] | peer FILE… | pages]: what is measured, one JSON line a result. */
const words = process.argv.slice(2);
const files = words.filter((w) => w.endsWith(".json"));
const withStarts = words.includes("--starts");
const BENCHES: Readonly<Record<string, () => void | Promise<void>>> = {
  film: benchFilm,
  judge: benchJudge,
  finder: benchFinder,
  mishaps: benchMishaps,
  colour: benchColour,
  learning: benchLearning,
  record: benchRecord,
  plan: benchPlan,
  bench: benchBench,
  schedule: () => benchSchedule(files, withStarts),
};
/** Asked for by name only: they start a server or a browser. */
const APART: typeof BENCHES = {
  peer: () => benchPeer(files),
  pages: () => void execFileSync(process.execPath, ["scripts/bench/pages.mjs"], { stdio: "inherit" }),
};

const asked = words.filter((w) => !files.includes(w) && w !== "--starts");
const all = { ...BENCHES, ...APART };
const unknown = asked.filter((name) => !(name in all));
if (unknown.length > 0) {
  console.error(`There is no bench ${unknown.join(", ")}; there are ${Object.keys(all).join(", ")}.`);
  process.exitCode = 1;
} else for (const name of asked.length > 0 ? asked : Object.keys(BENCHES)) await all[name]!();
