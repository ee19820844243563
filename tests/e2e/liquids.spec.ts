import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("demo");

const answered = (page: Page) => expect(page.locator("html[data-answers]")).toHaveCount(1);
const top = (page: Page) => page.locator("[data-layer]").first();

test("a wipe is judged by what it is done with, and gone again with its step", async ({ page }) => {
  await page.goto("/stacks?region=ml-wall-stones");
  await answered(page);
  await top(page).getByRole("checkbox", { name: "wipe clean" }).check();
  await top(page)
    .getByLabel(/^Wipe clean before layer/)
    .selectOption({ label: "Alcohol wipe" });
  const stop = page.locator('[data-rule="wipe-same-class"]');
  await expect(stop).toContainText("Wipe clean, Alcohol wipe:");
  await top(page)
    .getByLabel(/^Wipe clean before layer/)
    .selectOption("");
  await expect(stop).toHaveCount(0);
  await top(page).getByRole("checkbox", { name: "wipe clean" }).uncheck();
});

test("bare foam under acetone-strong stripper or thinner is refused as preparation", async ({ page }) => {
  await page.goto("/stacks?region=ml-wall-ramp");
  await answered(page);
  const ready = page.getByRole("region", { name: "Preparation of the bare face" });
  await ready.getByLabel("Add a step of getting ready").selectOption("wipe");
  await ready.getByLabel("Wipe clean with").selectOption({ label: "Lacquer thinner" });
  await expect(page.locator('[data-rule="liquid-bare-stop"]')).toContainText("Wipe clean, Lacquer thinner:");
  await ready.getByRole("button", { name: "Take out: Wipe clean" }).click();
  await expect(page.locator('[data-rule="liquid-bare-stop"]')).toHaveCount(0);
});

test("polish stands on top, leaves no film, and what goes over it wants it cleaned off", async ({ page }) => {
  await page.goto("/stacks?region=ml-mast-tube");
  await answered(page);
  const films = await page.locator("[data-layer]").count();
  const put = async (label: string) => {
    await page.getByLabel("Product for the next layer").selectOption({ label });
    await page.getByRole("button", { name: "Put it on top" }).click();
  };
  await put("Cutting polish");
  await expect(page.getByText("polish, leaves no film")).toBeVisible();
  await put("Lacquer clear, gloss");
  await expect(page.locator('[data-rule="over-polish"]')).toBeVisible();
  await page
    .locator('[data-rule="over-polish"]')
    .getByRole("button", { name: /degrease/i })
    .click();
  await expect(page.locator('[data-rule="over-polish"]')).toHaveCount(0);
  for (const name of [/^Remove layer \d+, Lacquer clear, gloss/, /^Remove layer \d+, Cutting polish/]) {
    await page.getByRole("button", { name }).first().click();
    await expect(page.getByRole("button", { name })).toHaveCount(0);
  }
  await expect(page.locator("[data-layer]")).toHaveCount(films);
});

test("a cup thinned one to one leaves half the film; a ratio that is none is said at its field", async ({ page }) => {
  await page.goto("/stacks?region=ml-keel-all");
  await answered(page);
  const dry = async () => Number(/([\d.]+) µm dry/.exec((await top(page).textContent()) ?? "")![1]);
  const before = await dry();
  await top(page).getByText("More of this layer").click();
  await top(page)
    .getByLabel(/^Thinner in/)
    .selectOption({ label: "White spirit" });
  const ratio = top(page).getByLabel(/^Paint to thinner/);
  await ratio.fill("half and half");
  await ratio.press("Enter");
  await expect(top(page).getByRole("alert")).toContainText("parts by volume");
  await ratio.fill("1:1");
  await ratio.press("Enter");
  await expect.poll(dry).toBeCloseTo(before / 2, 1);
  await top(page)
    .getByLabel(/^Thinner in/)
    .selectOption({ label: "Lacquer thinner" });
  await expect(page.locator('[data-rule="wrong-thinner"]')).toBeVisible();
});

test("papers in order: one too coarse a step is told, and a paper between mends it", async ({ page }) => {
  await page.goto("/stacks?region=ml-keel-all");
  await answered(page);
  const lower = page.locator("[data-layer]").nth(1);
  await lower.getByRole("checkbox", { name: /^sand/ }).check();
  await lower.getByLabel(/^Grit after/).fill("180");
  await lower.getByLabel(/^Grit after/).press("Enter");
  await lower.getByRole("button", { name: /^paper after/ }).click();
  const second = lower.getByLabel(/^Grit after .*, paper 2/);
  await second.fill("1000");
  await second.press("Enter");
  await expect(page.locator('[data-rule="ladder-jump"]')).toBeVisible();
  await second.fill("320");
  await second.press("Enter");
  await expect(page.locator('[data-rule="ladder-jump"]')).toHaveCount(0);
});

test("a strip is weighed before it is asked for: what would ruin the part is refused, with what would do", async ({
  page,
}) => {
  await page.goto("/bench");
  await answered(page);
  const tile = page.locator('article[data-region="ml-hull-topsides"]');
  await tile.getByRole("button", { name: /something else/i }).click();
  const dialog = page.getByRole("dialog", { name: /Something else: Hull/ });
  await dialog.getByText("Stripped", { exact: true }).click();
  await expect(dialog.getByText("Sent out to be blasted")).toHaveCount(0);
  await dialog.getByText("Stripper brushed on").click();
  await dialog.getByText("To be done next").click();
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(dialog.getByRole("alert")).toContainText("which product strips it");
  await dialog.getByLabel("With").selectOption({ label: "Lacquer stripper" });
  await expect(dialog.locator('[data-rule^="liquid-bare"]')).toBeVisible();
  await dialog.getByRole("button", { name: "Leave it" }).click();
  await expect(dialog).toBeHidden();
});
