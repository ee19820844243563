import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { asciiStl, ballMesh, binaryStl, boxMesh } from "../support/meshes";
import { redPng } from "../support/png";
import { benchTest } from "./support/server";

const test = benchTest("demo");

const rule = (page: Page, id: string) => page.locator(`[data-rule="${id}"]`);
const worstOf = (page: Page, region: string) =>
  page.getByRole("navigation", { name: "Regions" }).getByRole("link", { name: region });

test("judged, put right, judged again: a taken-out step, a wrong sealer, a claim from the shelf", async ({ page }) => {
  await page.goto("/stacks?region=ml-hull-topsides");
  const ready = page.getByRole("region", { name: "Preparation of the bare face" });
  await ready.getByRole("button", { name: "Take out: Key all over" }).click();
  await expect(rule(page, "slick-unkeyed-visible")).toHaveAttribute("data-verdict", "stop");
  await expect(worstOf(page, "Hull Topsides")).toContainText("Stop");
  await rule(page, "slick-unkeyed-visible").getByRole("button", { name: "Add: key all over" }).click();
  await expect(rule(page, "slick-unkeyed-visible")).toHaveCount(0);
  await expect(worstOf(page, "Hull Topsides")).toContainText("Care");
  // thinner foam sealer, and the ramp's coupon no longer speaks for it
  await page.goto("/stacks?region=ml-wall-ramp");
  await expect(page.getByText("Your own coupon passed")).toBeVisible();
  const heavier = page.getByLabel("Wet film a coat of layer 2, Grey primer, aerosol, µm wet");
  await heavier.fill("30");
  await heavier.press("Enter");
  await expect(page.getByText("Your own coupon passed")).toHaveCount(0);
  await expect(worstOf(page, "Sea wall Slipway ramp")).toContainText(/Stop|Test/);
  await expect(page.getByText("Trials close to this pile")).toBeVisible();
  await heavier.fill("12");
  await heavier.press("Enter");
  await expect(page.getByText("Your own coupon passed")).toBeVisible();
});

test("found, adopted, planned: and why not something else", async ({ page }) => {
  await page.goto("/stacks?region=ml-fenders-all");
  await page.getByRole("button", { name: "Find stacks" }).click();
  await expect(page.getByRole("heading", { name: "Worth choosing between" })).toBeVisible();
  const found = page.locator("[data-found]");
  await expect(found.first()).toContainText("Fender black, flexible");
  await expect(page.getByTestId("as-it-stands")).toContainText(/against the best, |nothing on the shelf does better/);
  await expect(page.getByText("the list is proved")).toBeVisible();
  const why = page.getByRole("region", { name: "Why not another product" });
  await why.getByRole("combobox").selectOption({ label: "One-pack deck varnish" });
  await expect(why).toContainText("air-fed breathing protection");
  await page.getByLabel("It ends in").selectOption("clear");
  await expect(found.first()).toContainText("Water clear");
  const name = (await found.first().getAttribute("data-found"))!;
  await found.first().getByRole("button", { name: /^Use / }).click();
  await expect(page.getByText("The stack is on the region")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Fenders, All over", exact: true })).toBeVisible();
  for (const layer of name.split(" → "))
    await expect(page.getByRole("heading", { name: layer, exact: true })).toBeVisible();
  await page.goto("/plan");
  await page.getByRole("button", { name: "Plan again" }).click();
  await expect(page.getByRole("button", { name: "Plan again" })).toBeEnabled();
  await expect(page.getByTestId("finish")).toBeVisible();
  await page.goto("/stacks?region=ml-fenders-all&find=1");
  await expect(page.getByText("the best by this way of working").first()).toBeVisible();
});

test("a way of working is copied, changed, chosen and kept; a figure that cannot be is named", async ({ page }) => {
  await page.goto("/stacks?region=ml-fittings-all&find=1");
  await expect(page.locator("[data-found]").first()).toBeVisible();
  await page.getByRole("button", { name: "Look at it, copy it" }).click();
  const form = page.getByRole("form", { name: "Way of working" });
  await form.getByLabel("Copy it under the name").fill("Slow and light");
  await form.getByLabel("a gram of film").fill("heavy");
  await form.getByRole("button", { name: "Keep my copy" }).click();
  await expect(form.getByText("must be a number", { exact: true })).toBeVisible();
  await expect(form.getByLabel("Copy it under the name")).toHaveValue("Slow and light");
  await form.getByLabel("a gram of film").fill("40");
  await form.getByRole("radio", { name: "Mist and keep thin, to save detail" }).check();
  await form.getByRole("button", { name: "Keep my copy" }).click();
  await expect(page.getByRole("combobox", { name: "Way of working" })).toHaveValue(/^w-/);
  await page.reload();
  await expect(page.locator("html[data-answers]")).toHaveCount(1);
  await expect(page.getByRole("combobox", { name: "Way of working" }).locator("option:checked")).toHaveText(
    "Slow and light",
  );
  await page.getByText("Where good practice differs, and the side").click();
  await expect(page.getByText("Mist and keep thin, to save detail.").first()).toBeVisible();
});

test("a coupon that passes lifts the verdict; one that fails sets a stop", async ({ page }) => {
  await page.goto("/stacks?region=ml-winch-all");
  const asked = rule(page, "old-unknown-mild");
  await expect(asked).toHaveAttribute("data-verdict", "test");
  await asked.getByRole("button", { name: "Plan a coupon of the first layer" }).click();
  await expect(page).toHaveURL(/coupons\?coupon=/);
  const card = page.getByRole("region", { name: "Second-hand winch: scrap of 1 layer" });
  await card.getByRole("button", { name: "Painted just now" }).click();
  await expect(card.getByRole("button", { name: "Painted just now" })).toHaveCount(0);
  const tell = async (result: string, tested: boolean) => {
    await card.getByRole("radio", { name: result, exact: true }).check();
    await card.getByLabel("It was through cured").check();
    await card.getByLabel("Tape pulled, or cross-hatched").setChecked(tested);
    await card.getByLabel("Score, 1 to 5").fill("4");
    await card.getByRole("button", { name: "Write it down" }).click();
  };
  await tell("passed", false);
  await expect(card.getByText("Provisional")).toBeVisible();
  await page.goto("/stacks?region=ml-winch-all");
  await expect(asked).toHaveAttribute("data-verdict", "test");
  await page.goBack();
  await tell("passed", true);
  await expect(card.getByText("Lifts “test” to “care” for:")).toBeVisible();
  await card.getByRole("link", { name: "Second-hand winch, All over" }).click();
  await expect(asked).toHaveAttribute("data-verdict", "care");
  await expect(asked).toContainText("Your own coupon passed");
  await page.goBack();
  await tell("failed", true);
  await expect(card.getByText("Makes these layers a stop for:")).toBeVisible();
  await page.goto("/stacks?region=ml-winch-all");
  await expect(rule(page, "coupon-failed")).toHaveAttribute("data-verdict", "stop");
});

test("several trials at once by keyboard; a void one puts its repeat on the list; a hole in foam needs no tape", async ({
  page,
}) => {
  await page.goto("/coupons");
  await page.getByRole("button", { name: "Plan trials" }).press("Enter");
  const dialog = page.getByRole("dialog", { name: "Plan trials on scrap" });
  await dialog.getByLabel("Scrap like").selectOption({ label: "Sea wall, Slipway ramp" });
  await dialog.getByLabel("Of its stack").selectOption("0");
  await dialog.getByLabel("Find a product to try").fill("primer");
  await dialog.getByRole("checkbox", { name: "Grey primer, aerosol" }).press("Space");
  await dialog.getByRole("checkbox", { name: "Water primer, pale grey" }).press("Space");
  await dialog.getByLabel("Coats").fill("none");
  await dialog.getByRole("button", { name: "Plan 2 coupons" }).press("Enter");
  await expect(dialog.getByRole("alert")).toContainText("coats");
  await dialog.getByLabel("Coats").fill("2");
  await dialog.getByRole("button", { name: "Plan 2 coupons" }).press("Enter");
  await expect(page).toHaveURL(/coupons\?coupon=/);
  const name = "Grey primer, aerosol: scrap alone, as on Sea wall";
  const planned = page.getByRole("region", { name: "To be painted" });
  await expect(planned.getByRole("button", { name })).toBeVisible();
  await expect(planned.getByRole("button", { name: "Water primer, pale grey: scrap alone" })).toBeVisible();
  // the foam went at once: no tape, and it counts
  const card = page.getByRole("region", { name, exact: true });
  await card.getByRole("radio", { name: "failed" }).check();
  await card.getByRole("button", { name: "Write it down" }).click();
  await expect(card.getByText("a hint only")).toBeVisible();
  await planned.getByRole("button", { name: "Water primer, pale grey: scrap alone" }).click();
  const other = page.getByRole("region", { name: "Water primer, pale grey: scrap alone, as on Sea wall", exact: true });
  await other.getByRole("radio", { name: "void: do it again" }).check();
  await other.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Its repeat is on the list").first()).toBeVisible();
  await expect(
    planned.getByRole("button", { name: "Water primer, pale grey: scrap alone, as on Sea wall, again" }),
  ).toBeVisible();
});

test("a score that cannot be is named, and what was typed stays", async ({ page }) => {
  await page.goto("/coupons?coupon=ml-coupon-ramp");
  const form = page.getByRole("form", { name: "What came of it" });
  await form.getByLabel("Score, 1 to 5").fill("eleven");
  await form.getByLabel("What was seen").fill("held");
  await form.getByRole("button", { name: "Write it down" }).click();
  await expect(form.getByRole("alert")).toContainText("score must be a number");
  await expect(form.getByLabel("What was seen")).toHaveValue("held");
});

test("the shelf goes out as CSV and comes in again: nothing changes; a changed line is taken over; a bad one is not", async ({
  page,
}) => {
  await page.goto("/shelf");
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export as CSV" }).click();
  const csv = readFileSync(await (await download).path(), "utf8");
  const dialog = page.getByRole("dialog", { name: "Bring in products" });
  const bring = async (text: string, name = "shelf.csv") => {
    await page.getByRole("button", { name: "Bring in", exact: true }).click();
    await dialog
      .getByLabel(/Shelf file/)
      .setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text, "utf8") });
  };
  await bring(csv);
  await expect(dialog).toContainText(/0 new, 0 differ from yours, 55 as they are here/);
  await dialog.getByRole("button", { name: "Close" }).click();
  const row = csv.split("\r\n").findIndex((l) => l.startsWith("estuary-blue,"));
  const lines = csv.split("\r\n");
  const withRow = (text: string) => lines.map((l, i) => (i === row ? text : l)).join("\r\n");
  await bring(
    withRow(
      lines[row]!.replace("Estuary blue", "Estuary blue, new batch").replace(/^([^,]*),(.*?),(Dunn)/, '$1,"$2",$3'),
    ),
  );
  await expect(dialog).toContainText("1 differ from yours");
  await dialog.getByLabel("Products that differ from yours").selectOption("replace");
  await dialog.getByRole("button", { name: "Bring them in" }).click();
  await expect(page.getByText("0 added, 1 changed, 54 kept")).toBeVisible();
  await expect(page.getByRole("button", { name: "Estuary blue, new batch" })).toBeVisible();
  await bring(withRow(lines[row]!.replace("colour,wb-acrylic", "colour,treacle")));
  await expect(dialog.getByRole("alert")).toContainText(`line ${row + 1}, family`);
  await expect(dialog.getByRole("button", { name: "Bring them in" })).toBeDisabled();
  await dialog.getByRole("button", { name: "Close" }).click();
  await bring("{ nearly", "shelf.json");
  await expect(dialog.getByRole("alert")).toContainText("is not JSON");
});

test("facets, regional names, side by side", async ({ page }) => {
  await page.goto("/shelf");
  await page.getByLabel("Search the shelf").fill("cellulose thinner");
  await expect(page.locator("[data-product]")).toHaveCount(1);
  await expect(page.locator("[data-product]")).toContainText("Lacquer thinner");
  await page.getByRole("button", { name: "Show all" }).click();
  await page.getByLabel("Safe on").selectOption("xps");
  await page.getByLabel("Role", { exact: true }).selectOption("primer");
  await expect(page.locator('[data-product="foam-spray-primer"]')).toBeVisible();
  await expect(page.locator('[data-product="grey-primer"]')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('[data-product="grey-primer"]')).toHaveCount(0);
  await page.goto("/shelf");
  await page.getByLabel("Put Two-pack epoxy primer side by side").check();
  await page.getByLabel("Put Boatyard epoxy primer, grey side by side").check();
  const both = page.getByRole("region", { name: "Side by side" });
  await expect(both.getByRole("row", { name: /≠ Flash/ })).toContainText("25 min");
  await expect(both.getByRole("row", { name: /≠ Flash/ })).toContainText("30 min");
});

test("what somebody says is kept with its source, and only a stronger one is believed", async ({ page }) => {
  await page.goto("/shelf?product=water-primer");
  const card = page.getByRole("complementary", { name: "Product card" });
  const sandable = card.getByRole("row", { name: /Sandable/ });
  await expect(sandable).toContainText("3 h");
  const say = async (value: string, source: string) => {
    await card.getByRole("button", { name: "Add what somebody says" }).click();
    const form = card.getByRole("form", { name: "What somebody says" });
    await form.getByLabel("Value, min").fill(value);
    await form.getByLabel("From").selectOption(source);
    await form.getByRole("button", { name: "Keep it" }).click();
  };
  await say("soon", "hearsay");
  await expect(card.getByRole("alert")).toContainText("claims.0.value must be a number");
  await card.getByRole("button", { name: "Leave it" }).click();
  await say("1440", "hearsay");
  await expect(card.getByText("24 h", { exact: true })).toBeVisible();
  await expect(sandable).toContainText("3 h");
  await say("240", "own-log");
  await expect(sandable).toContainText("4 h");
  await expect(sandable).toContainText("own log");
});

const RADIUS = 25;

test("an STL file gives its area within 0.1 %: a ball and a box made here; a broken one is refused", async ({
  page,
}) => {
  await page.goto("/parts?region=ml-anchor-all");
  const card = page.getByRole("region", { name: "All of Anchor, All over" });
  const helper = card.getByRole("region", { name: "Reckon the area of Anchor, All over" });
  await helper.getByRole("radio", { name: "STL file" }).check();
  const measure = async (name: string, bytes: Uint8Array) => {
    await helper
      .getByLabel(/^STL file, ASCII/)
      .setInputFiles({ name, mimeType: "model/stl", buffer: Buffer.from(bytes) });
  };
  const area = async () => Number.parseFloat((await helper.locator("output").textContent())!);
  await measure("ball.stl", binaryStl(ballMesh(RADIUS, 100, [4, 5, 6])));
  await expect(helper).toContainText("50 × 50 × 50 in the file’s units");
  await expect(helper.getByRole("button", { name: "Use this area" })).toBeDisabled();
  await helper.getByLabel("One unit of the file is").selectOption("mm");
  const ball = (4 * Math.PI * RADIUS ** 2) / 100;
  expect(Math.abs((await area()) / ball - 1)).toBeLessThan(1e-3);
  await helper.getByRole("button", { name: "Use this area" }).click();
  await expect(card.getByLabel("Area of Anchor, All over, cm²")).toHaveValue(/^78\.[45]$/);
  await measure("box.stl", asciiStl(boxMesh(20, 30, 40)));
  await expect(helper).toContainText("12 triangles, 20 × 30 × 40");
  await expect(helper).toContainText("24 cm³ inside");
  expect(Math.abs((await area()) / 52 - 1)).toBeLessThan(1e-3);
  await measure("cut.stl", binaryStl(boxMesh(1, 1, 1)).slice(0, 300));
  await expect(helper.getByRole("alert")).toContainText("cut.stl: The file is cut off");
  await measure("letter.stl", new TextEncoder().encode("Dear all, ".repeat(40)));
  await expect(helper.getByRole("alert")).toContainText("This is no STL file");
  await helper.getByRole("radio", { name: "sphere" }).check();
  await helper.getByLabel("diameter, mm").fill("10");
  await expect(helper.locator("output")).toHaveText("3.142 cm²");
});

test("the rest of a region is told on its card, judged at once, and a bad figure is named", async ({ page }) => {
  await page.goto("/parts?region=ml-deck-planks");
  const card = page.getByRole("region", { name: "All of Deck, Planking" });
  const depth = card.getByLabel("Deepest dent or gap of Deck, Planking, µm");
  await depth.fill("deep");
  await depth.press("Enter");
  await expect(card.getByRole("alert")).toContainText("must be a number");
  await depth.fill("350");
  await depth.press("Enter");
  await expect(page.locator('[data-part="ml-deck"]')).toContainText("to fill 350 µm");
  await card.getByLabel("It has old paint on it").check();
  await expect(card.getByText("no dry sanding, no hot air")).toBeVisible();
  await page.reload();
  await expect(card.getByLabel("Old finish of Deck, Planking", { exact: true })).toHaveValue("unknown");
  await page.goto("/stacks?region=ml-deck-planks");
  await expect(rule(page, "old-unknown-mild").or(rule(page, "old-unknown-strong")).first()).toBeVisible();
});

test("layers are dragged by the keyboard, copied to other regions, and that is undone", async ({ page }) => {
  await page.goto("/stacks?region=ml-deck-planks");
  const names = () => page.locator("[data-layer] h3").allTextContents();
  const [top, bottom] = await names();
  const grip = page.getByRole("button", { name: `Drag layer 2, ${top} to another place` });
  await grip.focus();
  await page.keyboard.press("Space");
  await page.waitForTimeout(200);
  await page.keyboard.press("ArrowDown");
  await page.waitForTimeout(200);
  await page.keyboard.press("Space");
  await expect.poll(names).toEqual([bottom, top]);
  await page.getByRole("button", { name: "Copy to other regions" }).click();
  const dialog = page.getByRole("dialog", { name: /Lay the stack of Deck/ });
  await dialog.getByLabel(/Deckhouse, Wheelhouse panes/).check();
  await dialog.getByLabel(/Anchor, All over/).check();
  await dialog.getByRole("button", { name: "Copy", exact: true }).click();
  await expect(page.getByText("The stack lies on 2 more regions")).toBeVisible();
  await expect(worstOf(page, "Deckhouse Wheelhouse panes")).not.toContainText("no layers yet");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(worstOf(page, "Deckhouse Wheelhouse panes")).toContainText("no layers yet");
  await page.getByLabel("See another stack beside this one").selectOption({ label: "Hull, Topsides" });
  await expect(page.getByRole("heading", { name: "Two stacks side by side" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Hull, Topsides" })).toContainText("Layer 4, Water clear, matt, matt");
});

test("a photo is kept with a coupon, and a file that is none is refused", async ({ page }) => {
  await page.goto("/coupons?coupon=ml-coupon-winch");
  const form = page.getByRole("form", { name: "What came of it" });
  const photo = form.getByLabel(/^Photo/);
  await photo.setInputFiles({ name: "note.png", mimeType: "image/png", buffer: Buffer.from("not a picture") });
  await expect(form.getByRole("alert")).toContainText("no picture");
  await photo.setInputFiles({ name: "winch.png", mimeType: "image/png", buffer: redPng() });
  await expect(form.getByRole("img")).toBeVisible();
  await form.getByRole("button", { name: "Write it down" }).click();
  await page.reload();
  await expect(form.getByRole("img")).toBeVisible();
  expect(await form.getByRole("img").evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(0);
});
