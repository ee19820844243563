/** npm test: everything that must hold, from nothing installed. Prints the true sums of Jest and Playwright last. */
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT, run } from "./lib/ensure.mjs";

const bin = (name) => join(ROOT, "node_modules/.bin", name);
const TMP = join(ROOT, ".tmp");
const JEST = join(TMP, "jest.json");
const BROWSER = join(TMP, "playwright.json");

const broken = [];
function stage(name, work) {
  console.log(`\n== ${name}`);
  const startedMs = Date.now();
  const status = work();
  console.log(`-- ${name}: ${status === 0 ? "good" : "BROKEN"}, ${Math.round((Date.now() - startedMs) / 1000)} s`);
  if (status !== 0) broken.push(name);
}

/** A build that fails is a finding like any other, not the end of the run. */
function building() {
  try {
    ensureBuilt();
    return 0;
  } catch (error) {
    console.error(error.message);
    return 1;
  }
}

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : null);

function sums() {
  const jest = read(JEST);
  const browser = read(BROWSER)?.stats;
  const passed = (jest?.numPassedTests ?? 0) + (browser ? browser.expected + browser.flaky : 0);
  // a suite that could not even be loaded, or a runner that left no report, counts as one failure
  const failed =
    (jest ? jest.numFailedTests + jest.numRuntimeErrorTestSuites : 1) +
    (browser ? browser.unexpected + browser.skipped : 1);
  return { passed, failed };
}

mkdirSync(TMP, { recursive: true });
for (const file of [JEST, BROWSER]) rmSync(file, { force: true });
ensureInstalled();
ensureChromium();
stage("types of the core alone", () => run(bin("tsc"), ["-p", "src/core/tsconfig.json"]));
stage("types", () => run(bin("tsc"), ["--noEmit"]));
stage("lint and format", () => run(bin("biome"), ["check", "--error-on-warnings", "."]));
stage("fences", () => run(process.execPath, ["scripts/fences.mjs"]));
stage("nothing unused", () => run(bin("knip"), []));
stage("known weaknesses", () => run(process.execPath, ["scripts/audit.mjs"]));
stage("unit, property and vector tests", () => run(bin("jest"), ["--json", `--outputFile=${JEST}`]));
stage("production build", building);
stage("browser", () => run(bin("playwright"), ["test"]));
const { passed, failed } = sums();
// a retry must not hide anything: what needed one is counted aloud, apart from the sums
const secondTry = read(BROWSER)?.stats.flaky ?? 0;
if (secondTry > 0) console.log(`\nflaky: ${secondTry} of the browser tests passed only at the second try`);
if (broken.length > 0) console.log(`\nbroken: ${broken.join(", ")}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = broken.length > 0 || failed > 0 ? 1 : 0;
