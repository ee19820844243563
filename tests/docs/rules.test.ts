import { readFileSync } from "node:fs";
import { CATALOGUE } from "@/core/rules";
import { rulebook } from "../../scripts/lib/rulebook";

it("docs/rules.md is what the catalogue says (npm run rules)", () => {
  const text = readFileSync("docs/rules.md", "utf8");
  expect(text).toBe(rulebook());
  for (const r of CATALOGUE) expect(text).toContain(`\`${r.id}\``);
});
