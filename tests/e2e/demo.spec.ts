import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

const test = benchTest("demo");

/** What the drying tile still counts down. */
const secondsLeft = async (page: Page) => {
  const text = (await page.locator('[data-zone="drying"]').getByTestId("countdown").first().textContent())!;
  return text.split(":").reduce((sum, part) => 60 * sum + Number(part), 0);
};

test("the demo is mid-way: one in hand, one ready, one drying, and planned", async ({ page }) => {
  await page.goto("/bench");
  await expect(page.locator('[data-zone="in-hand"]')).toContainText("Propeller");
  await expect(page.locator('[data-zone="ready"]')).toContainText("Sea wall");
  await expect(page.locator('[data-zone="drying"]')).toContainText("Hull");
  const session = page.getByRole("region", { name: "This session in order" });
  await expect(session).toContainText(/Propeller: .*\(in hand\)/);
  expect(await session.getByRole("listitem").count()).toBeGreaterThan(4);
  await expect(page).toHaveTitle(/\d ready · next in \d+ min/);
});

test("the bell rings when a wait runs out while the page is open, and only then", async ({ page, bench }) => {
  await page.addInitScript(() => {
    const rung: number[] = [];
    Object.assign(window, { rung });
    const start = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (when?: number) {
      rung.push(when ?? 0);
      return start.call(this, when);
    };
  });
  const rung = () => page.evaluate(() => (window as unknown as { rung: number[] }).rung.length);
  await page.goto("/bench");
  await page.getByRole("button", { name: "Silent" }).click();
  await expect(page.getByRole("button", { name: "Rings when ready" })).toHaveAttribute("aria-pressed", "true");
  expect(await rung()).toBe(2);
  await page.clock.install({ time: new Date() });
  await page.clock.fastForward("03:30:00");
  await expect(page.locator('[data-zone="ready"]')).toContainText("Hull");
  expect(await rung()).toBe(4);
  await page.goto(`${bench.url}/bench`);
  await expect(page.locator('[data-zone="drying"]')).toContainText("Hull");
  expect(await rung()).toBe(0);
});

test("timers are right on a page opened from another one long after the first was loaded", async ({ page }) => {
  await page.clock.install({ time: new Date() });
  await page.goto("/bench");
  const left = () => secondsLeft(page);
  const before = await left();
  const rail = page.getByRole("navigation", { name: "Main" });
  await rail.getByRole("link", { name: "Parts" }).click();
  await expect(page.getByLabel("Material of Hull, Topsides")).toBeVisible();
  await page.clock.fastForward("10:00");
  await rail.getByRole("link", { name: "Bench", exact: true }).click();
  await expect(page.locator('[data-zone="drying"]')).toContainText("Hull");
  await expect.poll(async () => before - (await left())).toBeGreaterThan(9.5 * 60);
});

test("a colder night and a heavier coat move the finish", async ({ page, bench }) => {
  await page.goto("/bench");
  const mild = await secondsLeft(page);
  await page.goto("/plan");
  await page.getByLabel("Coldest tonight, °C").fill("-6");
  await page.getByRole("button", { name: "Try it" }).click();
  await expect(page.getByTestId("moved")).toBeVisible();
  // the end of all hangs on the search, which may find a better order under any forecast; the film hangs on the night
  await page.goto("/bench");
  expect((await secondsLeft(page)) - mild).toBeGreaterThan(3600);
  await page.goto("/stacks?region=ml-wall-stones");
  // the wall by itself is done later; where it comes in a plan of thirteen parts is the search's own affair
  const alone = page.locator("dt", { hasText: "Done, alone" }).locator("xpath=following-sibling::dd[1]");
  const light = (await alone.textContent()) ?? "";
  // a page that is left takes with it what it had not sent yet
  const saved = () => page.waitForResponse((r) => r.request().method() === "POST" && r.url().includes("/stacks"));
  const flooded = saved();
  await page.getByLabel("Heaviness of layer 1, Foam sealer, brush-on").selectOption("flood");
  await flooded;
  const coated = saved();
  await page.getByLabel("Coats of layer 3, Wet stone grey, coats").fill("5");
  await page.getByLabel("Coats of layer 3, Wet stone grey, coats").press("Enter");
  await coated;
  await expect(alone).not.toHaveText(light);
  await page.goto("/plan");
  await expect(page.getByText("has changed since")).toBeVisible();
  const wallCoats = async () => {
    const { plan } = await (await page.request.get(`${bench.url}/api/v1/models/marram-lass`)).json();
    return plan.steps.filter((s: { opId: string }) => s.opId.startsWith("ml-wall-3")).length;
  };
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect.poll(wallCoats).toBe(5);
});

test("a stop keeps its part out of the plan until a reason is written, and the plan carries it", async ({ page }) => {
  await page.goto("/stacks?region=ml-prop-blades");
  await page.getByLabel("Product for the next layer").selectOption({ label: "Hull filler, two-part" });
  await page.getByRole("button", { name: "Put it on top" }).click();
  await page.getByLabel("Move layer 4, Hull filler, two-part down").click();
  await page.getByLabel("Move layer 3, Hull filler, two-part down").click();
  const stop = page.locator('[data-rule="etch-under-polyester"]');
  await expect(stop).toContainText("Polyester filler lifts etch");
  await page.goto("/plan");
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Not planned" })).toContainText("Propeller");
  await page.goto("/stacks?region=ml-prop-blades");
  await stop.getByRole("button", { name: "Go ahead all the same" }).click();
  await stop.getByRole("button", { name: "Write it down" }).click();
  await expect(stop.getByRole("alert")).toContainText("needs a written reason");
  await stop.getByLabel(/Why it will hold/).fill("boss only, filed flush afterwards");
  await stop.getByRole("button", { name: "Write it down" }).click();
  await expect(stop).toContainText("Going ahead because: boss only, filed flush afterwards");
  await page.goto("/plan");
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect(page.getByRole("region", { name: "Finish" })).toContainText("boss only, filed flush afterwards");
  await page.goto("/stacks?region=ml-prop-blades");
  await page.getByRole("button", { name: /Remove layer 2, Hull filler/ }).click();
  await expect(stop).toHaveCount(0);
});

test("a safety stop offers no way round it", async ({ page }) => {
  await page.goto("/stacks?region=ml-hull-topsides");
  await page.getByLabel("Product for the next layer").selectOption({ label: "Two-pack gloss clear" });
  await page.getByRole("button", { name: "Put it on top" }).click();
  const stop = page.locator('[data-rule="isocyanate-sprayed"]');
  await expect(stop).toContainText("cannot be overridden");
  await expect(stop.getByRole("button", { name: /Go ahead/ })).toHaveCount(0);
  await page.goto("/plan");
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Not planned" })).toContainText("it cannot be overridden");
  await page.goto("/stacks?region=ml-hull-topsides");
  await page.getByRole("button", { name: /Remove layer 5/ }).click();
  await expect(stop).toHaveCount(0);
});

test("the wrong choices are caught on the screen, and a remedy mends one", async ({ page }) => {
  await page.goto("/parts");
  await page.getByLabel("Name of the new part").fill("Trial");
  await page.getByRole("button", { name: "Add part" }).click();
  const material = page.getByLabel("Material of Trial, All over");
  await material.selectOption("petg");
  await page.getByRole("link", { name: "Stack of Trial, All over" }).click();
  const choose = async (label: string) => {
    await page.getByLabel("Product for the next layer").selectOption({ label });
    await page.getByRole("button", { name: "Put it on top" }).click();
  };
  const rule = (id: string) => page.locator(`[data-rule="${id}"]`);
  const ready = page.getByRole("region", { name: "Preparation of the bare face" });
  await ready.getByRole("button", { name: "Take out: Key all over" }).click();
  await choose("Estuary blue");
  await expect(rule("slick-unkeyed-visible")).toBeVisible();
  await rule("slick-unkeyed-visible").getByRole("button", { name: "Add: key all over" }).click();
  await expect(ready.getByText("Key all over", { exact: true })).toBeVisible();
  await expect(rule("colour-on-slick")).toBeVisible();
  await page.getByRole("button", { name: /Remove layer 1/ }).click();
  await choose("Wash etch, green");
  await expect(rule("etch-not-on-metal")).toBeVisible();
  await page.getByRole("button", { name: /Remove layer 1/ }).click();
  await choose("Red stopper");
  await expect(rule("putty-not-on-bare")).toBeVisible();
  await page.getByRole("button", { name: /Remove layer 1/ }).click();
  await choose("Lightship white enamel");
  await choose("Lacquer clear, gloss");
  await page.getByLabel(/Gap before layer 2/).fill("900");
  await page.getByLabel(/Gap before layer 2/).press("Enter");
  await expect(rule("alkyd-forbidden-gap")).toBeVisible();
  await rule("alkyd-forbidden-gap").getByRole("button", { name: "Let the plan find the window" }).click();
  await expect(rule("alkyd-forbidden-gap")).toHaveCount(0);
});

test("search finds a product under another of its names, and the shortcuts go where they say", async ({ page }) => {
  await page.goto("/bench");
  await page.keyboard.press("Control+k");
  await page.getByPlaceholder(/Part, product/).fill("stopper");
  await page.getByRole("option", { name: "Red stopper" }).click();
  await expect(page).toHaveURL(/product=red-stopper/);
  await page.goto("/bench");
  await page.keyboard.press("Control+k");
  await page.getByPlaceholder(/Part, product/).fill("rattle can");
  await expect(page.getByRole("option", { name: /Grey primer, aerosol/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("g");
  await page.keyboard.press("o");
  await expect(page).toHaveURL(/logbook/);
});

test("on a phone the bench fits and its buttons are big enough for gloves", async ({ browser, bench }) => {
  const phone = await browser.newPage({ viewport: { width: 390, height: 800 } });
  await phone.goto(`${bench.url}/bench`);
  await expect(phone.getByRole("button", { name: "Start", exact: true }).first()).toBeVisible();
  const overflow = await phone.evaluate(
    () => document.querySelector("#content")!.scrollWidth - document.querySelector("#content")!.clientWidth,
  );
  expect(overflow).toBeLessThanOrEqual(0);
  for (const button of await phone.locator("article button:visible").all())
    expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await phone.close();
});

test("what no step asks for is told by the keyboard, waited for, and taken back in the logbook", async ({ page }) => {
  await page.goto("/bench");
  const wall = page.locator('article[data-region="ml-wall-stones"]');
  await wall.getByRole("button", { name: /^Something else/ }).press("Enter");
  const dialog = page.getByRole("dialog", { name: /^Something else: Sea wall/ });
  await dialog.getByRole("radio", { name: "Rubbed down" }).check();
  await dialog.getByLabel("Paper").fill("3");
  await dialog.getByLabel("Paper").press("Enter");
  await expect(dialog.getByRole("alert").first()).toContainText("grit");
  await dialog.getByRole("radio", { name: "Washed" }).check();
  await dialog.getByRole("button", { name: "Write it down" }).press("Enter");
  await expect(wall).toContainText("until part dry");
  await page.goto("/logbook");
  const row = page.locator('tr[data-kind="worked"]').first();
  await expect(row).toContainText("Wash again");
  await row.getByRole("button", { name: /^Take back/ }).press("Enter");
  await expect(page.locator('tr[data-kind="taken-back"]').first()).toContainText("Wash again");
  await page.goto("/bench");
  await expect(wall).not.toContainText("until part dry");
});

test("paint that is on the part is not edited away: told so, and the pile stays", async ({ page }) => {
  await page.goto("/stacks?region=ml-hull-topsides");
  await page.getByRole("button", { name: /^Remove .*High-build primer/ }).click();
  await expect(page.getByText("lies on the part already")).toBeVisible();
  await expect(page.getByText("taken off")).toHaveCount(0);
});
