import { writeFileSync } from "node:fs";
import { fieldbook } from "./lib/fieldbook";

writeFileSync("docs/fields.md", fieldbook());
