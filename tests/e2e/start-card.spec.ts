import { expect } from "@playwright/test";
import { begin } from "./support/begin";
import { benchTest } from "./support/server";

const test = benchTest("empty");
const START = /^(Start|It is ready: start)$/;

test("the first spray of an evening asks what is worn and shows what to set; a patch changes one thing; the next coat starts at once", async ({
  page,
}) => {
  await page.goto("/begin");
  await page.locator('[data-material="pla"]').click();
  for (const can of ["filler primer", "satin spray"]) {
    await page.getByLabel(/What is on the can/).fill(can);
    await page.keyboard.press("Enter");
  }
  await page.getByRole("button", { name: "What can I put on it?" }).click();
  await page
    .getByRole("button", { name: /^Use Filler primer, aerosol → Colour spray/ })
    .first()
    .click();
  await expect(page).toHaveURL(/stacks/);
  await page.goto("/bench");
  const tile = page.getByRole("article", { name: /^My part/ });
  const card = page.getByRole("dialog", { name: /^Start: My part/ });
  // the bare face is got ready first: nothing is asked before that
  for (let n = 0; n < 8; n++) {
    const title = (await tile.getAttribute("aria-label")) ?? "";
    if (/Filler primer/.test(title)) break;
    await begin(page, tile, START);
    await tile.getByRole("button", { name: "Done…" }).click();
    await page.getByRole("dialog", { name: /^Done/ }).getByRole("button", { name: "Done", exact: true }).click();
    await expect(tile).not.toHaveAttribute("aria-label", title);
  }
  await tile.getByRole("button", { name: START }).click();
  const worn = card.getByRole("region", { name: "Worn and running" });
  await expect(worn).toContainText("A2P3");
  await expect(worn).toContainText("No flame");
  const setUp = card.getByRole("region", { name: "Set-up" });
  await expect(setUp.getByLabel("Shake or stir for")).toHaveValue("3");
  const away = setUp.getByLabel("From the face");
  const before = Number(await away.inputValue());
  await setUp.getByLabel("rough, like fine sand").check();
  await expect(setUp.getByRole("status")).toContainText("go nearer");
  await setUp.getByRole("button", { name: "Changed" }).click();
  expect(Number(await away.inputValue())).toBeLessThan(before);
  await away.fill("a mile");
  await setUp.getByLabel("good", { exact: true }).check();
  await card.getByRole("button", { name: "All that is on: start" }).click();
  await expect(card.getByRole("alert").first()).toContainText("must be a number");
  await away.fill(String(before - 5));
  await card.getByRole("button", { name: "All that is on: start" }).click();
  await expect(card).toBeHidden();
  await tile.getByRole("button", { name: "Done…" }).click();
  await page.getByRole("dialog", { name: /^Done/ }).getByRole("button", { name: "Done", exact: true }).click();
  // the second coat: nothing changed, nothing is asked
  await expect(tile).toHaveAttribute("aria-label", /coat 2/);
  await tile.getByRole("button", { name: START }).click();
  await expect(tile.getByRole("button", { name: "Done…" })).toBeVisible();
  // what worked stands on the card, as this bench's own
  await page.goto("/shelf");
  await page
    .getByRole("link", { name: /Filler primer/ })
    .or(page.getByText("Filler primer, aerosol"))
    .first()
    .click();
  await expect(page.getByRole("complementary", { name: "Product card" })).toContainText("own log");
  await page.goto("/logbook");
  await expect(page.getByRole("main")).toContainText("patch good");
});
