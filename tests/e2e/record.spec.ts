import { writeFileSync } from "node:fs";
import { expect } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("demo");

test("the record is found from the logbook, tells films and hours, and its touch-up cards what goes over a chip", async ({
  page,
}) => {
  await page.goto("/logbook");
  await page.getByRole("link", { name: "Record", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Marram Lass" })).toBeVisible();
  const hull = page.locator(".record .face").filter({ has: page.getByRole("heading", { name: /^Hull/ }) });
  await expect(hull).toContainText("High-build primer, aerosol, 2 coats");
  await expect(hull.getByRole("img", { name: "Section of the films as they lie" })).toBeVisible();
  await expect(page.getByText(/hands-on/).first()).toBeVisible();
  await page.getByRole("link", { name: "Touch-up cards" }).click();
  await expect(page.getByRole("heading", { name: "Touch-up: Marram Lass" })).toBeVisible();
  await expect(page.getByText("If it chips")).toHaveCount(0);
  await expect(page.getByRole("row", { name: /^What is left of it/ }).first()).toBeVisible();
});

test("the record as one file opens from disk with the network off, and fetches nothing", async ({
  page,
  browser,
  bench,
}, info) => {
  const models = await page.request.get(`${bench.url}/api/v1/models/marram-lass/record.html`);
  expect(models.headers()["content-disposition"]).toContain("marram-lass-record.html");
  const html = await models.text();
  expect(html).not.toContain("<script");
  expect(html).not.toMatch(/(src|href)="(?!data:)/);
  const file = info.outputPath("record.html");
  writeFileSync(file, html);
  const alone = await browser.newContext({ offline: true });
  const sheet = await alone.newPage();
  const asked: string[] = [];
  sheet.on("request", (r) => asked.push(r.url()));
  await sheet.goto(`file://${file}`);
  await expect(sheet.getByRole("heading", { name: "Marram Lass" })).toBeVisible();
  expect(asked.filter((u) => !u.startsWith("file:") && !u.startsWith("data:"))).toEqual([]);
  await alone.close();
  expect((await page.request.get(`${bench.url}/api/v1/models/nowhere/record.html`)).status()).toBe(404);
});
