/** Runs the import fences: the sources must break none, and every fence must catch the file made to break it. */

import { createRequire } from "node:module";
import { cruise } from "dependency-cruiser";
import extractTSConfig from "dependency-cruiser/config-utl/extract-ts-config";

const config = createRequire(import.meta.url)("../.dependency-cruiser.cjs");
const { output } = await cruise(
  ["src", "tests/fences"],
  { ...config.options, ruleSet: { forbidden: config.forbidden }, validate: true },
  undefined,
  { tsConfig: extractTSConfig("tsconfig.json") },
);
const { violations, totalCruised } = output.summary;
const inFences = (v) => v.from.startsWith("tests/fences/");
const broken = violations.filter((v) => !inFences(v));
for (const v of broken) console.error(`${v.rule.name}: ${v.from} -> ${v.to}`);
const fileOf = (rule) => `tests/fences/${rule.replace(/^(core-[a-z]+)-alone$/, "$1")}`;
const unproved = config.forbidden.filter(
  ({ name }) => !violations.some((v) => v.rule.name === name && v.from.startsWith(fileOf(name))),
);
for (const { name } of unproved) console.error(`the fence ${name} did not catch ${fileOf(name)}`);
if (totalCruised < 150) console.error(`only ${totalCruised} modules were looked at`);
console.log(
  `fences: ${config.forbidden.length} rules, ${totalCruised} modules, ${broken.length} broken, ${unproved.length} unproved`,
);
process.exit(broken.length + unproved.length > 0 || totalCruised < 150 ? 1 : 0);
