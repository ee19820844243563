import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("demo");

const doneMin = async (page: Page) => Number(await page.getByTestId("finish").getAttribute("data-done-min"));

test("days without a bench session put the finish off; an extra one brings it back", async ({ page }) => {
  await page.goto("/plan");
  const before = await doneMin(page);
  await page.goto("/settings#sessions");
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  const days = page.getByRole("region", { name: "Bench sessions" });
  for (const date of ["27 Nov 2026", "28 Nov 2026", "29 Nov 2026"]) {
    await days.getByLabel("Date").fill(date);
    await days.getByRole("button", { name: "Set this day" }).click();
    await expect(days.getByText(date)).toBeVisible();
  }
  await page.goto("/plan");
  await expect(page.getByText("has changed since")).toBeVisible();
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect(page.getByTestId("moved")).toContainText("later");
  expect(await doneMin(page)).toBeGreaterThan(before + 1440);
  await page.goto("/settings#sessions");
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  for (const date of ["27 Nov 2026", "28 Nov 2026", "29 Nov 2026"]) {
    await page.getByRole("button", { name: `Take out ${date}` }).click();
    await expect(page.getByRole("button", { name: `Take out ${date}` })).toBeHidden();
  }
  await page.goto("/plan");
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect(page.getByTestId("moved")).toContainText("sooner");
  // the clock has gone on since; the same evenings again make about the same plan
  expect(await doneMin(page)).toBeLessThan(before + 720);
});

test("a weekday’s session taken out is put back by undo", async ({ page }) => {
  await page.goto("/settings#sessions");
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  await page.getByRole("button", { name: "Take out Sunday 10:00" }).click();
  await expect(page.getByLabel("Sunday from")).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Sunday from")).toHaveValue("10:00");
});

test("a printed part with a metal insert is two regions, each judged by its own material", async ({ page }) => {
  await page.goto("/parts");
  await page.getByLabel("Name of the new part").fill("Capstan");
  await page.getByRole("button", { name: "Add part" }).click();
  await page.getByLabel("Material of Capstan, All over").selectOption("pla");
  await page.getByRole("button", { name: "Region of Capstan" }).click();
  await page.getByLabel("Region of Capstan").nth(1).fill("Shaft");
  await page.getByLabel("Region of Capstan").nth(1).press("Enter");
  await page.getByLabel("Material of Capstan, Shaft").selectOption("stainless");
  await page.getByRole("link", { name: "Stack of Capstan, Shaft" }).click();
  await page.getByLabel("Product for the next layer").selectOption({ label: "Grey primer, aerosol" });
  await page.getByRole("button", { name: "Put it on top" }).click();
  await expect(page.locator('[data-rule="metal-poor-grip"]')).toBeVisible();
  const regions = page.getByRole("navigation", { name: "Regions" });
  await expect(regions).toContainText("Shaft, Stainless, plated");
  await regions.getByRole("link", { name: /Capstan.*All over/ }).click();
  await expect(page.getByRole("heading", { name: "Capstan, All over" })).toBeVisible();
  await expect(page.locator('[data-rule="metal-poor-grip"]')).toHaveCount(0);
  await page.goto("/parts");
  await page.getByRole("button", { name: "Delete region Capstan, Shaft" }).click();
  await expect(page.getByLabel("Material of Capstan, Shaft")).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Material of Capstan, Shaft")).toHaveValue("stainless");
});

test("a layer taken off comes back by undo where it was", async ({ page }) => {
  await page.goto("/stacks?region=ml-wall-stones");
  const order = () => page.locator("[data-layer] h3").allTextContents();
  const before = await order();
  await page.getByRole("button", { name: /Remove layer 2, Water primer/ }).click();
  await expect.poll(order).toHaveLength(before.length - 1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(order).toEqual(before);
});

test("models stand side by side and the ribbon switches between them", async ({ page }) => {
  await page.goto("/parts");
  await page.getByRole("button", { name: "Model", exact: true }).click();
  await expect(page.getByText("No parts yet")).toBeVisible();
  const ribbon = page.getByLabel("Model on the bench");
  await expect(ribbon.getByRole("option")).toHaveCount(2);
  await page.goto("/plan");
  // one bench: what is planned is told, and that of the new one there is nothing yet
  await expect(page.getByText("to plan yet: no region has layers on it")).toBeVisible();
  await expect(page.getByTestId("on-bench")).toContainText("Marram Lass");
  await ribbon.selectOption({ label: "Marram Lass" });
  await expect(page.getByTestId("finish")).toBeVisible();
  await page.goto("/parts");
  await expect(page.getByLabel("Material of Hull, Topsides")).toHaveValue("petg");
});

test("the logbook filters by part and kind, and the last thing done can be taken back", async ({ page }) => {
  await page.goto("/logbook");
  await page.getByLabel("Part", { exact: true }).selectOption({ label: "Hull" });
  await page.getByLabel("Kind of entry").selectOption("done");
  await expect(page).toHaveURL(/region=ml-hull-topsides&kind=done/);
  await expect(page.locator("tbody tr")).toHaveCount(5);
  const takeBack = page.getByRole("button", { name: /Take back: Hull: High-build primer, coat 2 of 2/ });
  await takeBack.click();
  // the plan is made anew with it: leaving the page before the answer would leave the question unasked
  await expect(takeBack).toBeHidden();
  await page.goto("/bench");
  await expect(page.locator('[data-zone="in-hand"]')).toContainText("High-build primer, aerosol, coat 2 of 2");
  await page.goto("/logbook?kind=taken-back");
  await expect(page.locator("tbody tr")).toContainText("High-build primer, coat 2 of 2");
});

test("the theme chosen stays chosen", async ({ page }) => {
  await page.goto("/bench");
  const theme = () => page.locator("html").getAttribute("data-theme");
  expect(await theme()).toBe("daybench");
  await page.getByRole("button", { name: /Switch between day bench and lamp bench/ }).click();
  expect(await theme()).toBe("lampbench");
  await page.reload();
  expect(await theme()).toBe("lampbench");
});

test("every piece of work in the timetable opens what it waits for, and its address can be kept", async ({ page }) => {
  await page.goto("/plan");
  const sand = page.locator('[data-op="ml-hull-1:sand"]');
  await sand.focus();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/op=ml-hull-1%3Asand/);
  const card = page.getByRole("region", { name: "Hull: Wet-sand P400" });
  await expect(card).toContainText("Waits for “sandable”");
  await page.reload();
  await expect(card).toBeVisible();
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  await page.getByLabel("draw bench time wide").uncheck();
  await expect(page).toHaveURL(/axis=even/);
  await expect(card).toBeVisible();
});

test("another reader’s units, clock and dates hold on every screen and in every field; what is stored stays", async ({
  page,
  bench,
}) => {
  await page.goto("/settings");
  const choose = async (label: string, option: string) => {
    await page.getByLabel(label).selectOption(option);
    await expect(page.getByText(/^saved /)).toBeVisible();
  };
  for (const [label, option] of [
    ["Temperatures in", "f"],
    ["Films in", "mil"],
    ["Lengths and areas in", "in"],
    ["Clock of", "12"],
    ["Dates as", "mdy"],
    ["Weeks begin on", "sun"],
  ] as const)
    await choose(label, option);
  // at once, on the page where it was chosen
  await expect(page.getByLabel("Thursday from")).toHaveValue("7:00 pm");
  await expect(page.getByRole("region", { name: "Bench sessions" }).locator("span.font-semibold").first()).toHaveText(
    "Sunday",
  );
  const coldest = page.getByLabel("Coldest tonight, °F");
  await coldest.fill("29");
  await coldest.press("Enter");
  await page.reload();
  await expect(page.getByLabel("Coldest tonight, °F")).toHaveValue("29");
  await page.getByLabel("Mean temperature, °F").fill("900");
  await page.getByLabel("Mean temperature, °F").press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "between -4 and 113 °F" })).toBeVisible();
  await page.getByLabel("Mean temperature, °F").press("Escape");

  for (const path of [
    "/bench",
    "/parts",
    "/shelf?product=lightship-white",
    "/stacks",
    "/air",
    "/film",
    "/plan",
    "/plan/card",
    "/logbook",
  ]) {
    await page.goto(path);
    await expect(page.locator("html[data-answers]")).toHaveCount(1);
    // biome-ignore lint/performance/useDomNodeTextContent: what is not drawn is not read
    const text = await page.locator("body").innerText();
    expect(text.match(/\d ?(°C|µm|cm²)(?!\p{L})/gu), path).toBeNull();
    expect(text, path).not.toMatch(/\b(19|20|21):\d\d\b/);
  }
  const document = await (await page.request.get(`${bench.url}/api/v1/models/marram-lass`)).json();
  expect(document.shop.air.tonight.coldestC).toBeCloseTo((29 - 32) / 1.8, 4);
  expect(document.shop.showing).toBeUndefined();
});
