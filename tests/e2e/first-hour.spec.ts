import { writeFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("empty");
// a newcomer's first hour: what comes later goes on with what was made before, so that all of it is tried again together
test.describe.configure({ mode: "serial" });

/** Presses and fields of a newcomer, counted as they are made. */
function counting(page: Page) {
  let acts = 0;
  return {
    click: async (...args: Parameters<Page["getByRole"]>) => {
      acts += 1;
      await page
        .getByRole(...args)
        .first()
        .click();
    },
    pick: async (selector: string) => {
      acts += 1;
      await page.locator(selector).click();
    },
    type: async (label: RegExp, text: string) => {
      acts += 1;
      await page.getByLabel(label).fill(text);
    },
    press: async (key: string) => {
      acts += 1;
      await page.keyboard.press(key);
    },
    acts: () => acts,
  };
}

test("from an empty bench to a judged stack in at most twelve acts, and to a plan in one more", async ({ page }) => {
  await page.goto("/bench");
  const me = counting(page);
  const began = Date.now();
  await me.click("link", { name: "One part: what can I put on it?" });
  await me.pick('[data-material="pla"]');
  await me.type(/What is on the can/, "filler primer");
  await me.press("Enter");
  await me.type(/What is on the can/, "satin spray");
  await me.press("Enter");
  await me.click("button", { name: "What can I put on it?" });
  await me.click("button", { name: /^Use Filler primer, aerosol → Colour spray/ });
  await expect(page.locator('[data-rule="bare-bite-care"]')).toBeVisible();
  expect(me.acts()).toBeLessThanOrEqual(12);
  expect(Date.now() - began).toBeLessThan(60_000);
  await me.click("button", { name: "Plan the work" });
  await expect(page.getByTestId("finish")).toBeVisible();
  expect(me.acts()).toBeLessThanOrEqual(13);
  // when one is at the bench and how warm it is there is asked once
  const ask = page.locator('[data-ask="shed"]');
  await expect(ask).toContainText("°C");
  await ask.getByRole("button", { name: "It is right so" }).click();
  await expect(ask).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId("finish")).toBeVisible();
  await expect(ask).toHaveCount(0);
});

test("the same by keyboard alone", async ({ page }) => {
  await page.goto("/begin");
  await page.locator('[data-material="hips"]').focus();
  await page.keyboard.press("Enter");
  // the next question has the focus
  await expect(page.getByLabel(/What is on the can/)).toBeFocused();
  await page.keyboard.type("model acrylic");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("list", { name: "You have" })).toContainText("Model acrylic, water-borne");
  await expect(page.getByLabel(/What is on the can/)).toBeFocused();
  await page.getByRole("button", { name: "What can I put on it?" }).press("Enter");
  await expect(page.getByRole("heading", { name: "Stacks for My part, All over" })).toBeVisible();
});

test("nothing chosen is told at its question, and nothing is made", async ({ page, bench }) => {
  await page.goto("/begin");
  await page.getByRole("button", { name: "What can I put on it?" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Choose what it is made of" })).toBeVisible();
  const shelf = await (await page.request.get(`${bench.url}/api/v1/shelf.json`)).json();
  expect(shelf.products.filter((p: { typical_of?: string; jar?: string }) => p.jar === "stopper")).toEqual([]);
});

test("a can in ten seconds; over foam its kind proves nothing until the label was read", async ({ page }) => {
  await page.goto("/shelf");
  await page.getByRole("button", { name: "Add a product" }).click();
  await page.keyboard.type("water-based spray paint");
  await page.keyboard.press("Enter");
  const card = page.getByRole("complementary", { name: "Product card" });
  await card.getByRole("button", { name: "Save" }).click();
  await expect(card.getByTestId("confirm")).toContainText("Such jars usually dry from water, alcohol");
  await expect(card.getByText("typical of its kind").first()).toBeVisible();
  // on the shelf, before the page is left
  await expect(card.getByRole("button", { name: "Edit" })).toBeVisible();

  await page.goto("/begin");
  await page.locator('[data-material="eps"]').click();
  await page.getByLabel("Called").fill("Float");
  await page.getByRole("button", { name: "What can I put on it?" }).click();
  await page.getByRole("button", { name: "To the stack" }).click();
  await page.getByLabel("Product for the next layer").selectOption({ label: "Water-borne spray, aerosol" });
  await page.getByRole("button", { name: "Put it on top" }).click();
  await expect(page.locator('[data-verdict="stop"]').first()).toContainText("the product’s carrier");
  await page
    .getByRole("link", { name: /Read its label/ })
    .first()
    .click();
  await page.getByTestId("confirm").getByRole("checkbox").click();
  await expect(page.getByTestId("confirm")).toBeHidden();
  await page.goBack();
  await expect(page.getByRole("navigation", { name: "Regions" })).toContainText("Float");
  await expect(page.getByText("Missing: the product’s carrier")).toHaveCount(0);
});

test("three answers anybody can give narrow the kinds", async ({ page }) => {
  await page.goto("/shelf?product=new");
  await page.getByRole("button", { name: "I do not know what kind" }).click();
  await page.getByLabel("white spirit; oily smell").check();
  await page.getByLabel("hours", { exact: true }).check();
  await expect(page.locator('[data-jar="hobby-enamel"]')).toBeVisible();
  await expect(page.locator('[data-jar="lacquer-spray"]')).toHaveCount(0);
});

const SHEET = `Touch dry: 25 min at 23 °C. Dry to handle: 2 hours. Sandable after 3 to 4 hours. Recoat within 1 h or after 24 h.
Solids by volume 41 %. Contains toluene 108-88-3 10-25 %. Volume solids 340 %.`;

test("a label is read, ticked, taken over, and stands on the card with its words", async ({ page }) => {
  await page.goto("/shelf?product=new&jar=lacquer-spray");
  const card = page.getByRole("complementary", { name: "Product card" });
  await card.getByText("Read its label", { exact: true }).click();
  await card.getByLabel(/Text of the label/).fill(SHEET);
  await card.getByRole("button", { name: "Read it" }).click();
  const says = card.getByRole("region", { name: "What the text says" });
  await expect(says).toContainText("Sandable: 4 h");
  await expect(says).toContainText("the card says 12");
  await expect(says.getByRole("list", { name: "Not taken" })).toContainText("Volume solids");
  // the card's own says otherwise, and is left as it is
  await says.getByRole("checkbox", { name: /^Handle/ }).uncheck();
  await says.getByRole("button", { name: "Take it over" }).click();
  await card.getByRole("textbox", { name: "Name" }).fill("Bus red");
  await card.getByRole("button", { name: "Save" }).click();
  await expect(card.getByText("“Sandable after 3 to 4 hours”")).toBeVisible();
  await expect(card.getByRole("row", { name: /^Sandable 4 h label/ })).toBeVisible();
  await expect(card.getByRole("row", { name: /^Fit to handle 30 min typical/ })).toBeVisible();
  await expect(card.getByText("xylene kind (aromatic)")).toBeVisible();
  // toluene was named: what it dries from is read, and asked no more
  await expect(card.getByTestId("confirm")).toBeHidden();
});

test("a PDF's text is read here; a scan, a broken file and nonsense are told", async ({ page, browser }, info) => {
  const maker = await browser.newPage();
  await maker.setContent("<p>Touch dry: 25 min</p><p>Pot life: 4-6 hours</p>");
  const sheet = info.outputPath("sheet.pdf");
  writeFileSync(sheet, await maker.pdf());
  await maker.setContent("<svg width='300' height='200'><rect width='200' height='90'/></svg>");
  const scan = info.outputPath("scan.pdf");
  writeFileSync(scan, await maker.pdf());
  await maker.close();
  const broken = info.outputPath("broken.pdf");
  writeFileSync(broken, "no PDF at all");
  await page.goto("/shelf?product=new&jar=blank");
  const card = page.getByRole("complementary", { name: "Product card" });
  await card.getByText("Read its label", { exact: true }).click();
  const file = card.locator('input[accept*="pdf"]');
  await file.setInputFiles(sheet);
  await expect(card.getByRole("region", { name: "What the text says" })).toContainText("Pot life: 4 h");
  await file.setInputFiles(scan);
  await expect(card.getByRole("alert")).toContainText("is a picture of a page");
  await file.setInputFiles(broken);
  await expect(card.getByRole("alert")).toContainText("could not be read as a PDF");
  await card
    .getByLabel(/Text of the label/)
    .fill("Vor Gebrauch gut schütteln. Trocken nach zwanzig Minuten, überlackierbar später.");
  await card.getByRole("button", { name: "Read it" }).click();
  await expect(card.getByRole("list", { name: "Not taken" })).toContainText("Only English labels are read");
});

test("a new card has nothing answered; what is missing is told at its field, the first of them in hand", async ({
  page,
}) => {
  await page.goto("/shelf?product=new&jar=blank");
  const card = page.getByRole("complementary", { name: "Product card" });
  await expect(card.getByLabel("Role")).toHaveValue("");
  await expect(card.getByLabel("Applied by")).toHaveValue("");
  await expect(card.getByLabel("I do not know: judge as the strongest")).toBeChecked();
  await card.getByRole("button", { name: "Save" }).click();
  await expect(card.getByText("Not saved yet")).toBeVisible();
  await expect(card.getByRole("textbox", { name: "Name" })).toBeFocused();
});

test("a print’s ridges are reckoned from its layer height; a layer is replaced in its place", async ({ page }) => {
  await page.goto("/parts");
  await page.getByRole("button", { name: "More of My part, All over" }).first().click();
  const ridges = page.getByRole("form", { name: /Reckon the ridges of My part/ });
  await ridges.getByLabel("Layer height, mm").fill("0,2");
  await ridges.getByLabel(/Face leans/).fill("60");
  await ridges.getByRole("button", { name: "Use these ridges" }).click();
  await expect(page.getByLabel("Ridges of My part, All over, µm").first()).toHaveValue("100");
  await page.getByRole("link", { name: "Stack of My part, All over" }).first().click();
  const top = page.getByRole("region", { name: /^Layer 2: Colour spray/ });
  await expect(top.getByLabel(/^Heaviness/)).toContainText("light, 21 µm");
  await top.getByText("More of this layer").click();
  await top.getByLabel(/^Replace layer 2/).selectOption({ label: "Model acrylic, water-borne" });
  await expect(page.getByRole("region", { name: /^Layer 2: Model acrylic/ })).toBeVisible();
});

test("a stop that wants protection leads to Settings and back", async ({ page }) => {
  await page.goto("/stacks");
  await page.getByRole("navigation", { name: "Regions" }).getByText("My part").first().click();
  await page
    .getByRole("link", { name: /declare it under Settings/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { name: "Protection you have and use" })).toBeVisible();
  await page.getByRole("link", { name: "Back to where you were" }).click();
  await expect(page).toHaveURL(/\/stacks/);
});

test("on a phone five places are under the thumb and the rest behind one; nothing scrolls sideways", async ({
  browser,
  bench,
}) => {
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await phone.newPage();
  await page.goto(`${bench.url}/begin`);
  await page.locator("html[data-answers]").waitFor({ state: "attached" });
  const bar = page.getByRole("navigation", { name: "Main" });
  await expect(bar.getByRole("link")).toHaveCount(5);
  expect(await bar.evaluate((n) => n.scrollWidth - n.clientWidth)).toBe(0);
  await bar.getByRole("button", { name: "More" }).click();
  await page.getByRole("link", { name: "Logbook" }).click();
  await expect(page).toHaveURL(/logbook/);
  await expect(bar.getByRole("button", { name: "Logbook" })).toBeVisible();
  for (const path of ["/begin", "/shelf?product=new", "/bench", "/settings"]) {
    await page.goto(`${bench.url}${path}`);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide, path).toBeLessThanOrEqual(390);
  }
  await phone.close();
});

test("find finds what holds the words, deeds as well as places", async ({ page }) => {
  await page.goto("/bench");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("units clock");
  await expect(page.getByRole("option")).toHaveCount(1);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Units, clock and dates" })).toBeVisible();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("stng");
  await expect(page.getByText("Nothing goes by that name here.")).toBeVisible();
});
