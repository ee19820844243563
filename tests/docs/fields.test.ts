import { readFileSync } from "node:fs";
import { fieldbook } from "../../scripts/lib/fieldbook";

it("docs/fields.md is what the registry says (npx tsx scripts/fields.ts)", () =>
  expect(readFileSync("docs/fields.md", "utf8")).toBe(fieldbook()));
