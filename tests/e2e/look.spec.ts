import AxeBuilder from "@axe-core/playwright";
import { type BrowserContext, expect } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("demo");

const PLACES = [
  "/begin",
  "/shelf?product=new",
  "/bench",
  "/parts",
  "/parts?region=ml-winch-all",
  "/shelf?product=lightship-white",
  "/shelf?product=lightship-white&edit=1",
  "/shelf?compare=epoxy-primer,marine-epoxy-grey",
  "/stacks?region=ml-hull-topsides",
  "/stacks?region=ml-winch-all&find=1",
  "/stacks?region=ml-hull-topsides&beside=ml-wall-ramp",
  "/air",
  "/film?product=lightship-white&coats=2&act=coat&actAfterMin=600",
  "/colour?region=ml-hull-topsides",
  "/sums?sum=recipe",
  "/sums?sum=gap&depthUm=1500",
  "/coupons?coupon=ml-coupon-ramp",
  "/plan?op=ml-hull-1%3Asand",
  "/plan?view=evenings",
  "/plan?view=table",
  "/plan/card",
  "/logbook",
  "/record",
  "/settings",
  "/bench?wrong=ml-hull-topsides",
  "/bench?wrong=ml-house-walls&report=ml-clog-house",
];

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
/** What is looked at on a phone. */
const ON_PHONE = [
  "/bench",
  "/bench?wrong=ml-hull-topsides",
  "/parts",
  "/shelf",
  "/stacks?region=ml-hull-topsides",
  "/logbook",
  "/settings",
  "/colour?region=ml-hull-topsides",
  "/sums?sum=weigh-in",
];

const looks = [
  ...(["light", "dark"] as const).flatMap((colorScheme) =>
    PLACES.map((path) => ({ path, colorScheme, viewport: DESK })),
  ),
  ...ON_PHONE.map((path) => ({ path, colorScheme: "light" as const, viewport: PHONE })),
];
const TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];
/** What the dark theme can change of a page: its colours, nothing else. */
const BY_COLOUR = ["color-contrast", "link-in-text-block"];

// one browser profile for all of them: what the pages have in common is fetched and compiled once
let context: BrowserContext | undefined;
test.beforeAll(async ({ browser }) => {
  context = await browser.newContext();
});
test.afterAll(() => context?.close());

for (const { path, colorScheme, viewport } of looks) {
  test(`axe finds nothing serious on ${path}, ${colorScheme}, ${viewport.width} px`, async ({ bench }) => {
    const page = await context!.newPage();
    await page.emulateMedia({ colorScheme });
    await page.setViewportSize(viewport);
    const errors: string[] = [];
    page.on("pageerror", (e) => errors.push(e.message));
    await page.goto(bench.url + path);
    await expect(page.locator("html")).toHaveAttribute("data-theme", colorScheme === "dark" ? "lampbench" : "daybench");
    await expect(page.locator("main")).toBeVisible();
    const axe = new AxeBuilder({ page });
    const { violations } = await (colorScheme === "dark" ? axe.withRules(BY_COLOUR) : axe.withTags(TAGS)).analyze();
    const serious = violations.filter((v) => v.impact === "serious" || v.impact === "critical");
    expect(
      serious.map(
        (v) =>
          `${v.id}: ${v.nodes
            .map((n) => n.target.join(" "))
            .slice(0, 4)
            .join(" | ")}`,
      ),
    ).toEqual([]);
    expect(errors).toEqual([]);
    // nothing scrolls sideways, not even inside its own box, but what says so
    if (viewport === PHONE)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
    await page.close();
  });
}

test("nothing is asked of anybody but this server", async ({ page, bench }) => {
  const asked = new Set<string>();
  page.on("request", (r) => r.url().startsWith("http") && asked.add(new URL(r.url()).origin));
  for (const path of PLACES) await page.goto(path);
  expect([...asked]).toEqual([bench.url]);
});

test("the main job by the keyboard alone: material, layer, plan, start, done", async ({ page }) => {
  const tabTo = async (name: RegExp) => {
    for (let n = 0; n < 150; n++) {
      await page.keyboard.press("Tab");
      const at = await page.evaluate(() => {
        const e = document.activeElement as HTMLElement | null;
        return e?.getAttribute("aria-label") ?? e?.textContent?.trim() ?? "";
      });
      if (name.test(at)) return;
    }
    throw new Error(`no way to ${name} by Tab`);
  };
  await page.goto("/parts?add=part");
  await expect(page.getByLabel("Name of the new part")).toBeFocused();
  await page.keyboard.type("Rudder");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Material of Rudder, All over")).toBeFocused();
  await page.keyboard.type("Glassfibre");
  await expect(page.getByLabel("Material of Rudder, All over")).toHaveValue("glassfibre");
  await expect(page.getByText(/^saved/)).toBeVisible();
  await tabTo(/^Stack of Rudder/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Rudder, All over" })).toBeVisible();
  await tabTo(/^Product for the next layer/);
  await page.keyboard.type("Foam sealer");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: /Layer 1: Foam sealer/ })).toBeVisible();
  await page.locator("body").press("g");
  await page.keyboard.press("l");
  await expect(page).toHaveURL(/plan/);
  await tabTo(/^Plan again/);
  await page.keyboard.press("Enter");
  // the tabs are one stop, and the arrows go through them
  await tabTo(/^Lanes$/);
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("region", { name: "Bench sessions" })).toContainText("Rudder");
  await page.locator("body").press("g");
  await page.keyboard.press("b");
  await expect(page).toHaveURL(/bench/);
  const tile = page.getByRole("article", { name: /^Rudder: Wash and rinse/ });
  await tile.getByRole("button", { name: "Start" }).focus();
  await page.keyboard.press("Enter");
  await tile.getByRole("button", { name: "Done…" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog", { name: /Done: Rudder/ })).toBeVisible();
  await tabTo(/^Done$/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Drying" })).toContainText("Rudder");
});
