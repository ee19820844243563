import { expect, type Page } from "@playwright/test";
import { begin } from "./support/begin";
import { benchTest } from "./support/server";

const test = benchTest("demo");

const answered = (page: Page) => expect(page.locator("html[data-answers]")).toHaveCount(1);

test("getting ready is put in order: a step again, a wait of one's own, as it was proposed", async ({ page }) => {
  await page.goto("/stacks?region=ml-prop-blades");
  await answered(page);
  const ready = page.getByRole("region", { name: "Preparation of the bare face" });
  const steps = ready.getByRole("listitem");
  const names = async () => (await steps.allInnerTexts()).map((t) => t.split("\n").slice(0, 3).join(" "));
  const before = await names();
  await ready.getByLabel("Add a step of getting ready").selectOption("degrease");
  await expect(steps).toHaveCount(before.length + 1);
  await expect(steps.last()).toContainText("Degrease");
  await ready.getByLabel("Left alone after: Degrease, hours").last().fill("nonsense");
  await ready.getByLabel("Left alone after: Degrease, hours").last().press("Enter");
  await expect(ready.getByRole("alert")).toContainText("such as 12");
  await ready.getByLabel("Left alone after: Degrease, hours").last().fill("12");
  await ready.getByLabel("Left alone after: Degrease, hours").last().press("Enter");
  await expect(ready.getByRole("alert")).toHaveCount(0);
  await expect(ready.getByLabel("Left alone after: Degrease, hours").last()).toHaveValue("12");
  // it is shown before it is kept; a page read anew in between would hold the revision before
  const kept = page.waitForResponse((r) => r.request().method() === "POST" && r.url().includes("/stacks"));
  await ready.getByRole("button", { name: "Earlier: Degrease" }).last().click();
  await expect(steps.last()).not.toContainText("Degrease");
  await kept;
  await page.reload();
  await answered(page);
  await expect(steps).toHaveCount(before.length + 1);
  await ready.getByRole("button", { name: /^As proposed/ }).click();
  await expect(ready.getByText("as proposed", { exact: true })).toBeVisible();
});

test("the fillers of the shelf are told for a gap, one is put on, and a can is warmed for its coat", async ({
  page,
}) => {
  await page.goto("/stacks?region=ml-anchor-all");
  await answered(page);
  await page.getByText(/^Which filler/).click();
  const first = page.locator("[data-filler]").first();
  const name = ((await first.locator("b").textContent()) ?? "").trim();
  await first.getByRole("button").click();
  // over the etch it was judged on, under the colour
  await expect(page.getByText(/^Which filler/)).toContainText("over Wash etch, green");
  await expect(page.locator("[data-layer]").nth(1)).toContainText(name);
  await page.goto("/stacks?region=ml-house-walls");
  await answered(page);
  const can = page
    .locator("[data-layer]")
    .filter({ has: page.getByRole("checkbox", { name: "warm the can" }) })
    .first();
  await can.getByRole("checkbox", { name: "warm the can" }).check();
  await expect(can).toContainText(/The can: from 10 °C to 28 °C in about \d+ min.*\(est\.\)/);
});

test("the lamp is read with the stand-in, and a distance nought is refused by name", async ({ page }) => {
  await page.goto("/settings");
  await answered(page);
  const lamp = page.getByRole("region", { name: "Curing lamp" });
  await expect(lamp).toContainText("It was never read");
  await lamp.getByLabel("Distance of the meter, cm").fill("0");
  await lamp.getByRole("button", { name: "Read the lamp" }).click();
  await expect(lamp.getByRole("alert")).toContainText("cm");
  await lamp.getByLabel("Distance of the meter, cm").fill("12");
  await lamp.getByRole("button", { name: "Read the lamp" }).click();
  await expect(lamp).toContainText("stand-in lamp meter");
  await expect(lamp).toContainText("mW/cm² at 12 cm");
});

test("a step that ends with a look is ticked when it is done, and the log holds it", async ({ page, bench }) => {
  await page.goto("/bench");
  await answered(page);
  const tile = page.locator('[data-region="ml-keel-all"]');
  await expect(tile).toContainText("Degrease");
  await begin(page, tile);
  await tile.getByRole("button", { name: "Done…" }).click();
  const dialog = page.getByRole("dialog", { name: /^Done: Ballast keel/ });
  await dialog.getByRole("checkbox", { name: /^Looked for: a white cloth/ }).check();
  await dialog.getByRole("button", { name: "Done", exact: true }).click();
  await expect(dialog).toBeHidden();
  const { log } = await (await page.request.get(`${bench.url}/api/v1/models/marram-lass`)).json();
  expect(log.at(-1)).toMatchObject({ kind: "done", checked: true });
  await page.goto("/logbook");
  await expect(page.getByRole("table")).toContainText("looked for, and so");
});

test("adhesives are compared on a joint, and a part is copied bare", async ({ page }) => {
  await page.goto("/plan");
  await answered(page);
  await page.getByText(/^How it goes together/).click();
  await page
    .getByText(/^Which adhesive/)
    .first()
    .click();
  await expect(page.locator("[data-glue]").first()).toContainText(/worked on after/);
  await page.goto("/parts");
  await answered(page);
  await page.getByLabel("Copy or give away Anchor").selectOption({ label: "Copy it here" });
  await expect(page.getByRole("textbox", { name: "Part" }).last()).toHaveValue("Anchor, once more");
});

test("a zone of a face is told, has its own filler and verdicts, and a share of nothing is refused where it was typed", async ({
  page,
}) => {
  await page.goto("/parts");
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  await page.getByRole("button", { name: "More of Deckhouse, Walls" }).click();
  const card = page.getByRole("region", { name: "All of Deckhouse, Walls" });
  await card.getByRole("button", { name: "Add a zone" }).click();
  await card.getByLabel(/^Name of the zone zone \d of Deckhouse, Walls/).fill("roof");
  await page.keyboard.press("Enter");
  for (const [figure, um] of [
    ["Ridges", "180"],
    ["Deepest dent or gap", "900"],
  ] as const) {
    await card.getByLabel(`${figure} of roof on Deckhouse, Walls, µm`).fill(um);
    await page.keyboard.press("Enter");
  }
  const share = card.getByLabel("Share of roof on Deckhouse, Walls, %");
  await share.fill("0");
  await share.press("Enter");
  await expect(card.getByRole("alert")).toContainText("0.1 % to 100 % of the face");
  await share.press("Escape");
  await page.goto("/stacks");
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  await page.getByRole("link", { name: /Walls/ }).first().click();
  const told = page.locator("li[data-rule='gap-unfilled']").filter({ hasText: "Zone roof:" });
  await expect(told).toBeVisible();
  await page.getByText(/Which filler for the zone roof/).click();
  await page
    .getByRole("button", { name: /^Fill roof with/ })
    .first()
    .click();
  await expect(told).toHaveCount(0);
  await expect(page.getByLabel(/^Where layer 2, .* lies$/)).toHaveValue("zone:roof");
});
