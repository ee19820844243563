import { renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect } from "@playwright/test";
import Database from "better-sqlite3";
import { benchTest } from "./support/server";

const test = benchTest("demo");

test("two tabs on the same field: the second is told, nothing is overwritten, and it may decide", async ({
  context,
  bench,
}) => {
  const one = await context.newPage();
  const two = await context.newPage();
  for (const page of [one, two]) {
    await page.goto(`${bench.url}/parts`);
    await page.locator("html[data-answers]").waitFor({ state: "attached" });
  }
  const field = "Area of Hull, Topsides, cm²";
  await one.getByLabel(field).fill("700");
  await one.getByLabel(field).press("Enter");
  await expect(one.getByText(/^saved/)).toBeVisible();
  await two.getByLabel(field).fill("55");
  await two.getByLabel(field).press("Enter");
  await expect(two.getByText(/Changed in another tab meanwhile/)).toBeVisible();
  await expect(two.getByLabel(field)).toHaveValue("55");
  await one.reload();
  await expect(one.getByLabel(field)).toHaveValue("700");
  await two.getByLabel(field).press("Enter");
  await expect(two.getByText(/Changed in another tab/)).toBeHidden();
  await one.reload();
  await expect(one.getByLabel(field)).toHaveValue("55");
});

test("two tabs on the same product", async ({ context, bench }) => {
  const one = await context.newPage();
  const two = await context.newPage();
  for (const page of [one, two]) {
    await page.goto(`${bench.url}/shelf?product=red-stopper&edit=1`);
    await page.locator("html[data-answers]").waitFor({ state: "attached" });
  }
  await one.getByLabel("Name", { exact: true }).fill("Red stopper, new tin");
  await one.getByRole("button", { name: "Save" }).click();
  await expect(one.getByRole("button", { name: "Red stopper, new tin" })).toBeVisible();
  await two.getByLabel("Name", { exact: true }).fill("Red stopper, old tin");
  await two.getByRole("button", { name: "Save" }).click();
  await expect(two.getByRole("alert").filter({ hasText: "Changed in another tab meanwhile" })).toBeVisible();
  await expect(two.getByLabel("Name", { exact: true })).toHaveValue("Red stopper, old tin");
});

test("a database held by another program: the page says so, and the typed value is still there when it lets go", async ({
  page,
  bench,
}) => {
  await page.goto("/parts");
  const other = new Database(join(bench.data, "elm-bench.db"));
  other.exec("begin immediate");
  const area = page.getByLabel("Area of Sea wall, Stone courses, cm²");
  await area.fill("481");
  await area.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "Another program holds the database" })).toBeVisible();
  other.exec("rollback");
  other.close();
  await expect(area).toHaveValue("481");
  await area.press("Enter");
  await expect(page.getByText(/^saved/)).toBeVisible();
});

test("the database file gone: a page says what happened and what to do, and finds it again", async ({
  page,
  bench,
}) => {
  const file = join(bench.data, "elm-bench.db");
  renameSync(file, `${file}.away`);
  await page.goto("/parts");
  await expect(page.getByRole("heading", { name: "The database file is gone" })).toBeVisible();
  await expect(page.getByText("backups folder")).toBeVisible();
  renameSync(`${file}.away`, file);
  await page.getByRole("link", { name: "Try again" }).click();
  await expect(page.getByRole("heading", { name: "Ready" })).toBeVisible();
});

test("a copy is made, looked into and put back from Settings", async ({ page }) => {
  await page.goto("/settings#backups");
  await page.locator("html[data-answers]").waitFor({ state: "attached" });
  const copies = page.getByRole("region", { name: "Copies of everything" });
  const here = await copies.getByRole("listitem").count();
  await copies.getByRole("button", { name: "Make a copy now" }).click();
  await expect(copies.getByRole("listitem")).toHaveCount(here + 1);
  await copies
    .getByRole("button", { name: /^Look into/ })
    .first()
    .click();
  await expect(copies.getByText(/Read through, whole\. Models: Marram Lass\./)).toBeVisible();
  await page.goto("/parts");
  await page.locator("html[data-answers]").waitFor({ state: "attached" });
  const field = page.getByLabel("Area of Hull, Topsides, cm²");
  const before = await field.inputValue();
  await field.fill("612");
  await field.press("Enter");
  await expect(page.getByText(/^saved/)).toBeVisible();
  await page.goto("/settings#backups");
  await page.locator("html[data-answers]").waitFor({ state: "attached" });
  await copies
    .getByRole("button", { name: /^Put back/ })
    .first()
    .click();
  await copies.getByRole("button", { name: "Put it back" }).click();
  await expect(copies.getByRole("status")).toContainText("The copy is in place.");
  await page.goto("/parts");
  await expect(field).toHaveValue(before);
});

test("a damaged database: the page lists the copies, and one put back mends it", async ({ page, bench }) => {
  await page.goto("/settings");
  await page.locator("html[data-answers]").waitFor({ state: "attached" });
  await page.getByRole("button", { name: "Make a copy now" }).click();
  await expect(page.getByRole("button", { name: /^Put back/ }).first()).toBeVisible();
  await bench.kill();
  writeFileSync(join(bench.data, "elm-bench.db"), "spoilt".repeat(4000));
  await bench.start();
  await page.goto("/bench");
  await expect(page.getByRole("heading", { name: "The database file is damaged" })).toBeVisible();
  const copies = page.getByRole("region", { name: "Copies in the folder backups" });
  await copies
    .getByRole("button", { name: /^Put back/ })
    .first()
    .click();
  await copies.getByRole("button", { name: "Put it back" }).click();
  await expect(copies.getByRole("status")).toContainText("The file that could not be opened is kept as");
  await copies.getByRole("link", { name: "To the bench" }).click();
  await expect(page.getByRole("heading", { name: "Ready" })).toBeVisible();
});

test("killed in the middle of saves: every acknowledged one is there, the file is whole", async ({ page, bench }) => {
  await page.goto("/parts");
  const acknowledged: number[] = [];
  const etagOf = async () => (await fetch(`${bench.url}/api/v1/models/marram-lass`)).headers.get("etag")!;
  const doc = await (await fetch(`${bench.url}/api/v1/models/marram-lass`)).json();
  let stop = false;
  const writer = (async () => {
    for (let n = 1; !stop; n++) {
      const body = JSON.stringify({ ...doc, model: { ...doc.model, note: `save ${n}` } });
      const saved = await fetch(`${bench.url}/api/v1/models/marram-lass`, {
        method: "PUT",
        headers: { "if-match": await etagOf() },
        body,
      }).then((r) => r.ok);
      if (saved) acknowledged.push(n);
    }
  })().catch(() => undefined);
  await expect.poll(() => acknowledged.length, { timeout: 30_000 }).toBeGreaterThan(3);
  await bench.kill();
  stop = true;
  await writer;
  await bench.start();
  const after = await (await fetch(`${bench.url}/api/v1/models/marram-lass`)).json();
  const last = acknowledged.at(-1)!;
  expect([`save ${last}`, `save ${last + 1}`]).toContain(after.model.note);
  expect({ ...after, model: { ...after.model, note: "" } }).toEqual({ ...doc, model: { ...doc.model, note: "" } });
  const raw = new Database(join(bench.data, "elm-bench.db"), { readonly: true });
  expect(raw.pragma("integrity_check", { simple: true })).toBe("ok");
  raw.close();
});
