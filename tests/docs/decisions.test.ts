import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const DIR = join(__dirname, "../../docs/decisions");
const files = readdirSync(DIR).filter((f) => /^\d{4}-.*\.md$/.test(f));
const rows = new Map(
  [...readFileSync(join(DIR, "README.md"), "utf8").matchAll(/^\| \[\d{4}\]\(([^)]+)\) \| (.+?) \| (.+?) \|$/gm)].map(
    (m) => [m[1]!, { title: m[2]!, status: m[3]! }] as const,
  ),
);
const textOf = (file: string) => readFileSync(join(DIR, file), "utf8");

it("the list of decisions names each file, once and in order", () => {
  expect([...rows.keys()]).toEqual([...files].sort());
});
it.each(files)("%s is listed under its own title", (file) => {
  expect(rows.get(file)!.title).toBe(textOf(file).split("\n")[0]!.replace(/^# /, ""));
});
it.each(files)("%s has the status it tells of itself", (file) => {
  const own = /^Superseded by (\d{4})\.$/m.exec(textOf(file))?.[1];
  if (own) expect(rows.get(file)!.status).toBe(`superseded by ${own}`);
  else expect(rows.get(file)!.status).toMatch(/^in force/);
});
