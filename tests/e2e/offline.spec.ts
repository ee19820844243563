import { expect } from "@playwright/test";
import { begin } from "./support/begin";
import { benchTest } from "./support/server";

const test = benchTest("demo");

test("out of reach the bench stands as it was, marked old; what is done is kept and sent when it is back", async ({
  page,
  bench,
}) => {
  test.setTimeout(120_000);
  await page.goto("/bench");
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => {}));
  // the second load goes through the keeper, and is kept
  await page.reload();
  const ready = page.locator('[data-zone="ready"] article').first();
  const region = (await ready.getAttribute("data-region"))!;
  const tile = page.locator(`article[data-region="${region}"]`);
  await bench.kill();
  await begin(page, ready);
  await expect(page.getByText("Elm Bench is out of reach.")).toBeVisible();
  await expect(page.locator('[data-kept="start"]')).toHaveCount(1);
  await expect(page.locator(`[data-zone="in-hand"] article[data-region="${region}"]`)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/This is the bench as of/)).toBeVisible();
  await tile.getByRole("button", { name: "Done…" }).click();
  await page.getByRole("dialog", { name: /^Done/ }).getByRole("button", { name: "Done", exact: true }).click();
  await expect(page.locator('[data-kept="done"]')).toHaveCount(1);
  await expect(tile).toHaveCount(0);
  // another page leads back to the bench that was kept
  await page.goto(`${bench.url}/plan`);
  await expect(page).toHaveURL(/\/bench$/);
  await expect(page.locator("[data-kept]")).toHaveCount(2);
  await bench.start();
  await expect(page.locator("[data-kept]")).toHaveCount(0, { timeout: 45_000 });
  await expect(page.getByText("Elm Bench is out of reach.")).toBeHidden();
  await page.goto("/logbook");
  const name = await page.locator("tbody tr").first().textContent();
  expect(name).toContain("Done");
  await expect(page.locator('tbody tr[data-kind="started"]').first()).toBeVisible();
});
