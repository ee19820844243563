import { writeFileSync } from "node:fs";
import { rulebook } from "./lib/rulebook";

writeFileSync("docs/rules.md", rulebook());
