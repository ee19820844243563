import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

/** A scheme from its fields to the timetable: order and reasons, masks, another order with its price, put into the pile, planned. */

const test = benchTest("demo");
test.describe.configure({ mode: "serial" });

const box = (page: Page, name: string) => page.locator(`[data-box="${name}"]`);
const steps = (page: Page) => page.getByRole("region", { name: "Order of the colours" }).locator("[data-step]");

test("the scheme stands step by step: what is open, what goes on, what is covered", async ({ page }) => {
  await page.goto("/colour");
  await expect(page.getByRole("heading", { name: "Hull", exact: true })).toBeVisible();
  await expect(steps(page)).toHaveCount(2);
  await expect(box(page, "topsides")).toHaveAttribute("data-at", "covered");
  await expect(box(page, "waterline")).toHaveAttribute("data-at", "open");
  await page.getByLabel("Step of the order").fill("1");
  await expect(box(page, "bottom")).toHaveAttribute("data-at", "covered");
  await expect(box(page, "waterline")).toHaveAttribute("data-at", "now");
  await expect(steps(page).first()).toContainText("Before Chalk white: the other way round takes");
});

test("another order is the user’s, with what it takes more; the best comes back", async ({ page }) => {
  await page.goto("/colour?region=ml-hull-topsides");
  await page.getByRole("button", { name: "Buoy red later" }).click();
  await expect(page.getByRole("heading", { name: "Your order" })).toBeVisible();
  await expect(page.getByText(/^Against the best: /)).toBeVisible();
  await expect(steps(page).first()).toContainText("Chalk white");
  await page.getByRole("button", { name: "The best order again" }).click();
  await expect(steps(page).first()).toContainText("Buoy red");
});

test("what not painting a field would save is told, and a line along cut film takes longer than along tape", async ({
  page,
}) => {
  await page.goto("/colour?region=ml-hull-topsides");
  const unpainted = page.getByTestId("unpainted");
  await unpainted.getByText("Not painting a field").click();
  await expect(unpainted.getByRole("listitem")).toHaveCount(2);
  await expect(unpainted).toContainText(/waterline saves 2 coats, .* of work/);
  const sum = page.getByTestId("order-sum");
  const alongTape = await sum.textContent();
  const edge = page.getByLabel("Edge between waterline and bottom", { exact: true });
  await edge.selectOption("film");
  await expect(sum).not.toHaveText(alongTape!);
  await edge.selectOption("hard");
  await expect(sum).toHaveText(alongTape!);
});

test("put into the pile the colours lie side by side, and the plan masks, bares and sprays them in that order", async ({
  page,
}) => {
  test.setTimeout(180_000);
  await page.goto("/colour?region=ml-hull-topsides");
  await page.getByRole("button", { name: "Put it into the pile" }).click();
  await expect(page.getByRole("button", { name: "It lies in the pile so" })).toBeDisabled();
  await page.goto("/plan");
  await page.getByRole("button", { name: /^Plan (again|everything)$/ }).click();
  await expect(page.getByRole("button", { name: "Plan again" })).toBeEnabled({ timeout: 90_000 });
  await page.getByRole("tab", { name: "Evenings" }).click();
  const evenings = page.getByRole("region", { name: "Bench sessions" });
  for (const work of [
    /Buoy red.* on bottom/,
    /Chalk white.* on waterline/,
    /Cover topsides for the next colour/,
    /Take the tape off bottom/,
  ])
    await expect(evenings.getByText(work).first()).toBeVisible();
  // the card shows what is open and what is covered by then
  await page.goto("/plan/card");
  await expect(
    page.getByRole("img", { name: "topsides covered, waterline now, bottom covered" }).first(),
  ).toBeVisible();
});

test("a scheme of one’s own on a bare face, by keys; nonsense is named and nothing is lost", async ({ page }) => {
  await page.goto("/colour?region=ml-keel-all");
  await expect(page.getByText("Name the fields of this face")).toBeVisible();
  await page.getByRole("button", { name: "Field", exact: true }).press("Enter");
  await page.getByLabel("Colour of field 1").selectOption({ label: "Keel black enamel" });
  await page.getByRole("button", { name: "Field", exact: true }).press("Enter");
  await page.getByLabel("Colour of field 2").selectOption({ label: "Lightship white enamel" });
  await expect(steps(page)).toHaveCount(2);
  await page.getByRole("button", { name: "They meet" }).press("Enter");
  await expect(page.getByLabel("Edge between field 1 and field 2", { exact: true })).toHaveValue("hard");
  const share = page.getByLabel("Share of field 2");
  await share.fill("80");
  await share.press("Enter");
  await expect(page.getByRole("region", { name: "Fields" }).getByRole("alert")).toContainText(
    "more than the face: 130 %",
  );
  await page.reload();
  await expect(page.getByLabel("Share of field 2")).toHaveValue("50");
  const name = page.getByLabel("Name of field 2");
  await name.fill("fin");
  await name.press("Enter");
  await expect(page.getByLabel("Edge between field 1 and fin", { exact: true })).toBeVisible();
});

test("markings and dirt stand in their order with the clears they want, and go into the pile by keys", async ({
  page,
}) => {
  test.setTimeout(180_000);
  await page.goto("/colour?region=ml-hull-topsides");
  const list = page.getByRole("region", { name: "Markings and dirt" });
  const kinds = () => list.locator("[data-step]").evaluateAll((all) => all.map((e) => e.getAttribute("data-step")));
  expect((await kinds()).filter((k) => k !== "seal" && k !== "gloss-under" && k !== "barrier")).toEqual([
    "waterslide",
    "waterslide",
    "streaks",
    "dust",
  ]);
  const share = list.getByLabel("Share of the face, mud line");
  await share.fill("0");
  await share.press("Enter");
  await expect(list.getByRole("alert")).toContainText("mud line");
  await page.reload();
  await expect(share).toHaveValue("6");
  await list.getByLabel("Add a marking or a trace of weather").selectOption("chips");
  await expect(list.locator('[data-step="chips"]')).toContainText("Damage before dirt");
  await list.getByRole("button", { name: "Put them into the pile" }).press("Enter");
  await expect(list.getByRole("button", { name: "They lie in the pile so" })).toBeDisabled();
  await page.goto("/plan?view=table");
  await page.getByRole("button", { name: /^Plan (again|everything)$/ }).click();
  await expect(page.getByRole("button", { name: "Plan again" })).toBeEnabled({ timeout: 90_000 });
  await page.getByRole("tab", { name: "Evenings" }).click();
  await expect(
    page
      .getByRole("region", { name: "Bench sessions" })
      .getByText(/Waterslide decals: .*name on both bows, 2 pieces/)
      .first(),
  ).toBeVisible();
});
