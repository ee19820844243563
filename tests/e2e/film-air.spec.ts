import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("demo");

/** What the hull's primer still waits for, minutes. */
const countdownMin = async (page: Page) => {
  const text = await page.locator('[data-region="ml-hull-topsides"]').getByTestId("countdown").textContent();
  const parts = (text ?? "").split(":").map(Number);
  const [h, m] = parts.length === 3 ? parts : [0, parts[0]];
  return 60 * h! + m!;
};

test("a reading typed in moves the timers on the Bench; a wrong one is refused by its field and kept", async ({
  page,
}) => {
  await page.goto("/bench");
  const before = await countdownMin(page);
  await page.goto("/air");
  const form = page.getByRole("region", { name: "Log a reading" });
  await form.getByLabel("Temperature").fill("chilly");
  await form.getByLabel("Humidity").fill("70");
  await form.getByRole("button", { name: "Keep the reading" }).click();
  await expect(form.getByRole("alert")).toContainText("Temperature must be a number");
  await expect(form.getByLabel("Temperature")).toHaveValue("chilly");
  await form.getByLabel("Temperature").fill("8");
  await form.getByRole("button", { name: "Keep the reading" }).click();
  await expect(form.getByText("by hand")).toBeVisible();
  await expect(page.getByTestId("air-source")).toContainText("by hand");
  await page.goto("/bench");
  expect(await countdownMin(page)).toBeGreaterThan(before + 30);
  await page.getByRole("button", { name: "Why so long?" }).first().click();
  await expect(page.getByTestId("why")).toContainText("colder than the label’s air");
  await page.goto("/air");
  await form.getByRole("button", { name: /Remove the reading of 8 °C/ }).click();
  await expect(form.getByText("by hand")).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(form.getByText("by hand")).toBeVisible();
  await form.getByRole("button", { name: /Remove the reading of 8 °C/ }).click();
  await expect(form.getByText("by hand")).toBeHidden();
});

test("the ribbon hears of a reading by itself, and the page follows", async ({ page, request }) => {
  await page.goto("/bench");
  const before = await countdownMin(page);
  const clock = await (await request.get("/api/v1/climate")).json();
  expect(clock.points.length).toBeGreaterThan(300);
  const sent = await request.post("/api/v1/climate/readings", {
    data: { at: "2026-11-26T19:19:00Z", temp_c: 7, rh_pct: 72, source: "window sill" },
  });
  const { taken, now } = await sent.json();
  expect({ taken, from: now.from, source: now.source }).toEqual({ taken: 1, from: "measured", source: "window sill" });
  // a minute later it is on its way back to what is expected
  expect(Math.abs(now.temp_c - 7)).toBeLessThan(0.5);
  await expect(page.getByTestId("air-source")).toContainText("window sill");
  await expect.poll(() => countdownMin(page)).toBeGreaterThan(before + 30);
  await page.goto("/air");
  await page.getByRole("button", { name: /Remove the reading of 7 °C/ }).click();
  await expect(page.getByText("window sill").last()).toBeHidden();
});

test("the stand-in hygrometer posts like a device; in fog nothing that clouds may be sprayed", async ({ page }) => {
  await page.goto("/air");
  const standIn = page.getByRole("region", { name: "Stand-in hygrometer" });
  await standIn.getByLabel("Weather").selectOption("fog");
  await standIn.getByRole("checkbox").click();
  await expect(page.getByTestId("air-source")).toContainText("stand-in hygrometer");
  await expect(page.getByText("Lacquers and lacquer primers").locator("../..")).toContainText("shut now");
  await standIn.getByRole("checkbox").uncheck();
  await expect(standIn.getByText("off")).toBeVisible();
  const sent = page
    .getByRole("list", { name: "Newest readings" })
    .getByRole("listitem")
    .filter({ hasText: "stand-in" });
  while ((await sent.count()) > 0) {
    const before = await sent.count();
    await sent.first().getByRole("button").click();
    await expect.poll(() => sent.count()).toBeLessThan(before);
  }
});

test("a forecast is looked at before it is taken: faults by line, assumptions, then the hours", async ({ page }) => {
  await page.goto("/air");
  const box = page.getByRole("region", { name: "Forecast" });
  const file = (name: string, text: string) =>
    box
      .getByLabel("Forecast file, CSV or JSON")
      .setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  await file(
    "mixed.csv",
    "time,temp_c,rh_pct\n2026-11-26 20:00,9,70\n2026-11-26 21:00,48 °F,70\n2026-11-26 20:00,7,70\n",
  );
  await expect(box.getByRole("alert")).toContainText("line 3, temp_c: units are mixed");
  await expect(box.getByRole("alert")).toContainText("line 4, time: the same hour stands on line 2");
  await expect(box.getByRole("button", { name: "Take this forecast over" })).toBeDisabled();
  await expect(box.getByText("None is in force")).toBeVisible();
  await file(
    "cold.csv",
    "time,temp_c,rh_pct\n2026-11-26 22:00,3,80\n2026-11-26 20:00,4,80\n2026-11-27 09:00,2,80\n2026-11-27 12:00,5,75\n",
  );
  await expect(box.getByRole("list", { name: "Taken for granted" })).toContainText("out of order");
  await expect(box.getByRole("list", { name: "Taken for granted" })).toContainText("typical day fills a hole");
  await box.getByRole("button", { name: "Take this forecast over" }).click();
  await expect(box.getByText("In force until")).toContainText("12:00");
  await page.getByText("The same as a table").click();
  await expect(page.getByRole("row").filter({ hasText: "forecast" }).first()).toBeVisible();
  await box.getByRole("button", { name: "Put it away" }).click();
  await expect(box.getByText("None is in force")).toBeVisible();
});

test("a warm box within the part’s limit shortens its wait; a hotter one is refused", async ({ page }) => {
  await page.goto("/bench");
  const before = await countdownMin(page);
  await page.goto("/air");
  const local = page.getByRole("region", { name: "Parts in air of their own" });
  await local.getByLabel("Part").selectOption({ label: "Hull" });
  await local.getByLabel("Box at").fill("75");
  await local.getByRole("button", { name: "Add the stay" }).click();
  await expect(local.getByRole("alert")).toContainText("at most 60 °C");
  await local.getByLabel("Box at").fill("45");
  await local.getByRole("button", { name: "Add the stay" }).click();
  await expect(local.getByText("in a warm box:")).toBeVisible();
  await page.goto("/bench");
  expect(await countdownMin(page)).toBeLessThan(before - 30);
  await page.goto("/air");
  await local.getByRole("button", { name: "remove" }).click();
  await expect(local.getByText("in a warm box:")).toBeHidden();
});

test("a film by the keyboard: thicker is later, hurry shows its fault, the run is a table and a file", async ({
  page,
}) => {
  await page.goto("/film?product=build-primer");
  const headline = page.getByTestId("film-headline");
  await expect(headline).toContainText("Sandable after");
  const first = (await headline.textContent()) ?? "";
  await page.getByLabel("Wet film of each coat").focus();
  for (let i = 0; i < 30; i++) await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(/wftUm=100/);
  await expect(headline).not.toHaveText(first);
  await page.reload();
  await expect(page.getByText("100 µm", { exact: true })).toBeVisible();
  await page.getByLabel("What is done then").selectOption("sand");
  await expect(page.getByTestId("film-faults")).toContainText("Sanded too soon");
  await expect(page.getByTestId("film-faults")).toContainText("It would be right after");
  await page.getByLabel("What is done then").selectOption("coat");
  await expect(page.getByTestId("film-faults")).toContainText("Solvent trapped");
  await page.getByText("The same as a table").click();
  await expect(page.getByTestId("film-table").getByRole("row")).toHaveCount(22);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "This run as CSV" }).click();
  const text = readFileSync(await (await download).path(), "utf8").split("\r\n");
  expect(text[0]).toMatch(/^minutes_after_last_coat,phi_at_/);
  expect(text.length).toBeGreaterThan(100);
  await expect(page.locator('[data-chart="drawn"]')).toHaveCount(2);
});

test("air too damp to dry in is told as never, with its reason", async ({ page }) => {
  await page.goto("/film?product=estuary-blue&tempC=14&rhPct=92");
  await expect(page.getByTestId("film-headline")).toContainText("never dries here");
  await expect(page.getByTestId("film-milestones")).toContainText("not in this air");
});

test("no warmth without a material, and never above its limit", async ({ page }) => {
  await page.goto("/film?product=grey-primer&boxC=85");
  await expect(page.getByLabel("warm box")).toBeDisabled();
  await page.getByLabel("Material under it").selectOption("pla");
  await expect(page.getByText("Box, at most 45 °C")).toBeVisible();
  await expect(page.getByTestId("film-milestones")).toContainText("with the warm box");
  await expect(page.getByText("never an aerosol can")).toBeVisible();
});

test("whose number is right: each quote gets its clock, a slip is told", async ({ page }) => {
  await page.goto("/film?product=build-primer");
  const whose = page.getByRole("region", { name: "Whose number is right?" });
  await whose.getByLabel("Wait quoted by the label").fill("20 min");
  await whose.getByLabel("Wait quoted by a friend").fill("2 h");
  await expect(whose.getByRole("listitem").nth(0)).toContainText("most likely ready to recoat");
  await expect(whose.getByRole("listitem").nth(1)).toContainText("most likely sandable");
  await whose.getByLabel("Wait quoted by somebody in a forum").fill("ages");
  await expect(whose.getByRole("alert")).toContainText("such as 20 min, 2 h or 1 day");
  await expect(whose.getByRole("heading", { name: /Your case tonight/ })).toBeVisible();
});

test("the plan says the film model has looked at every wait", async ({ page }) => {
  await page.goto("/plan");
  await expect(page.getByTestId("verified")).toContainText("waits run through the film model");
  await expect(page.getByTestId("bound")).toContainText(/No order of work could end sooner|it cannot end before/);
});
