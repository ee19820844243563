import type { Locator, Page } from "@playwright/test";

/** Presses Start, and the card that asks what is worn and set, where it comes up first. */
export async function begin(page: Page, tile: Locator, name: string | RegExp = "Start"): Promise<void> {
  await tile.getByRole("button", { name, exact: true }).click();
  const card = page.getByRole("dialog", { name: /^Start: / });
  if (await card.isVisible()) await card.getByRole("button", { name: /^(Start it|All that is on: start)$/ }).click();
}
