import { writeFileSync } from "node:fs";
import { mishapbook } from "./lib/mishapbook";
import { rulebook } from "./lib/rulebook";

writeFileSync("docs/rules.md", rulebook());
writeFileSync("docs/mishaps.md", mishapbook());
