import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

/** Two models, one person: planned as one, shown together, one of them left alone for a while. */

const test = benchTest("demo");
test.describe.configure({ mode: "serial" });

const planIsMade = (page: Page) =>
  expect(page.getByRole("button", { name: "Plan again" })).toBeEnabled({ timeout: 60_000 });
const onBench = (page: Page) => page.getByTestId("on-bench");

interface Doc {
  parts: { id: string }[];
  model: { id: string; name: string };
  log: unknown[];
  planning?: unknown;
  coupons: unknown[];
}

test("a second model comes onto the bench and is planned with the first", async ({ page, request }) => {
  test.setTimeout(180_000);
  const text = await (await request.get("/api/v1/models/marram-lass")).text();
  const doc = JSON.parse(text.replaceAll('"ml-', '"td-')) as Doc;
  doc.parts = doc.parts.filter((p) => ["td-mast", "td-deck"].includes(p.id));
  doc.model = { ...doc.model, id: "tender", name: "Tender" };
  const own = { ...doc, log: [], coupons: [], plan: null, planning: undefined, cards: undefined, air: undefined };
  const put = await request.put("/api/v1/models/tender", { data: own });
  expect(put.status(), await put.text()).toBeLessThan(300);

  await page.goto("/plan");
  await page.getByRole("button", { name: /^Plan (again|everything)$/ }).click();
  await planIsMade(page);
  await expect(onBench(page)).toContainText("Marram Lass, Tender");
  await onBench(page).getByText("On the bench").click();
  await expect(page.locator('[data-model="tender"]')).toContainText("done");
  // every lane says whose it is, and one model's can be shown alone
  await expect(page.getByTitle("Tender: Mast", { exact: true }).first()).toBeVisible();
  await page.getByRole("combobox", { name: /^show/ }).selectOption({ label: "Tender, all of it" });
  await expect(page.getByTitle("Marram Lass: Ballast keel", { exact: true })).toHaveCount(0);
  await page.getByRole("tab", { name: "Evenings" }).click();
  const evenings = page.getByRole("region", { name: "Bench sessions" });
  await expect(evenings).toContainText("Tender: ");
  await expect(evenings).toContainText("Marram Lass: ");
});

test("a date of its own, and what it counts, are kept by the model they are said of", async ({ page }) => {
  await page.goto("/plan");
  await onBench(page).getByText("On the bench").click();
  const date = page.getByLabel("Tender done by");
  await date.fill("2026-11-20");
  await date.press("Enter");
  await expect(page.locator('[data-model="tender"]').getByRole("alert")).toContainText("lies in the past");
  await date.fill("5 dec");
  await date.press("Enter");
  await expect(date).toHaveValue("5 Dec 2026");
  await page.getByLabel("What the date of Tender counts").selectOption({ label: "counts threefold" });
  await planIsMade(page);
  await expect(page.getByTestId("due")).toContainText("for Tender, wished for by");
});

test("the bench shows both, or one", async ({ page }) => {
  await page.goto("/bench");
  await expect(page.locator('article[data-region^="td-"]').first()).toBeVisible();
  await page.getByLabel("Whose parts are shown").selectOption({ label: "Tender" });
  await expect(page.locator('article[data-region^="ml-"]')).toHaveCount(0);
  await expect(page.locator('article[data-region^="td-"]').first()).toBeVisible();
});

test("left alone it is in no plan, and taken up again it is", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto("/plan");
  await onBench(page).getByText("On the bench").click();
  await page.getByLabel("State of Tender").selectOption("resting");
  await expect(onBench(page)).toContainText("and 1 that rest");
  await planIsMade(page);
  await expect(page.getByTitle("Tender: Mast", { exact: true })).toHaveCount(0);
  await page.getByLabel("State of Tender").selectOption("active");
  await planIsMade(page);
  await expect(page.getByTitle("Tender: Mast", { exact: true }).first()).toBeVisible({ timeout: 60_000 });
});

test("the ways to plan again stand beside each other, and one is taken for what it is", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto("/plan");
  await planIsMade(page);
  await page.getByRole("button", { name: "Compare ways" }).click();
  const ways = page.getByTestId("ways");
  for (const way of ["keep", "mend", "afresh"])
    await expect(ways.locator(`[data-way="${way}"]`).getByRole("button")).toBeVisible({ timeout: 90_000 });
  await expect(ways.locator('[data-way="keep"] td').nth(1)).toHaveText("0");
  await ways.getByRole("button", { name: "Take it: Afresh" }).click();
  await expect(ways).toBeHidden({ timeout: 60_000 });
  await planIsMade(page);
  await expect(page.getByTestId("finish")).toBeVisible();
});

test("none, likely and safe rounds stand beside each other, and one is planned with", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto("/plan");
  await planIsMade(page);
  await page.getByTestId("finish").click();
  await page.getByRole("button", { name: "Compare none, likely and safe" }).click();
  const rounds = page.getByTestId("rounds-compared");
  for (const way of ["none", "likely", "safe"])
    await expect(rounds.locator(`[data-rounds="${way}"]`)).toContainText("evenings", { timeout: 90_000 });
  await rounds.getByRole("button", { name: "Plan with it: no rounds" }).click();
  await planIsMade(page);
  await expect(page.getByLabel("Rounds on every face")).toHaveValue("0");
});

test("of a date nobody can keep it is told what would help, and by how much; one press does it", async ({ page }) => {
  test.setTimeout(240_000);
  await page.goto("/plan");
  await onBench(page).getByText("On the bench").click();
  const date = page.getByLabel("Marram Lass done by");
  await date.fill("29 nov");
  await date.press("Enter");
  await planIsMade(page);
  const ways = page.getByRole("region", { name: "The date of Marram Lass" });
  await expect(ways).toContainText("after its date");
  await ways.getByRole("button", { name: "Try what would help" }).click();
  await expect(ways.getByText(/one session more/).first()).toBeVisible({ timeout: 60_000 });
  await expect(ways.getByText("Tender rests")).toBeVisible({ timeout: 90_000 });
  await expect(ways.getByRole("status")).toBeHidden();
  // each tells what it gives, and what gives nothing offers nothing to press
  for (const tried of await ways.locator("[data-try]").all())
    await expect(tried).toContainText(/done .*(late|in time)|no sooner|no plan/);
  const session = ways.getByRole("button", { name: /^Do it: one session more/ }).first();
  await session.click();
  await planIsMade(page);
  // the evening is added to that day's own sessions
  const { shop } = (await (await page.request.get("/api/v1/models/marram-lass")).json()) as {
    shop: { exceptions: { date: string; spans: { from: string }[] }[] };
  };
  expect(shop.exceptions).toHaveLength(1);
  expect(shop.exceptions[0]!.spans.map((s) => s.from)).toContain("19:00");
});
