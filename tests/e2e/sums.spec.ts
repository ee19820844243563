import { expect, type Page } from "@playwright/test";
import { benchTest } from "./support/server";

/** Sums: opened from where they are needed, filled in from the shed, told in figures; nonsense is named. */

const test = benchTest("demo");
const line = (page: Page, id: string) => page.getByTestId("sum").locator(`[data-line="${id}"] dd`);

test("opened from the shelf a sum knows the product; what is typed goes over what is known, and its address can be kept", async ({
  page,
}) => {
  await page.goto("/shelf?product=lightship-white");
  await page.getByRole("link", { name: "How much paint" }).click();
  await expect(page.getByRole("heading", { name: "How much paint" })).toBeVisible();
  await expect(page.getByText("Tell area, and the sum follows.")).toBeVisible();
  await page.getByLabel("on the face").selectOption({ label: "Hull" });
  await expect(line(page, "paintMl")).toHaveText("7.5 ml");
  await expect(page.getByText("It is enough, the reserve counted.")).toBeVisible();
  await page.getByLabel("coats", { exact: true }).fill("4");
  await expect(line(page, "paintMl")).toHaveText("15 ml");
  await expect(page).toHaveURL(/coats=4/);
  await page.reload();
  await expect(line(page, "paintMl")).toHaveText("15 ml");
  await page.getByRole("button", { name: "As it was" }).click();
  await expect(line(page, "paintMl")).toHaveText("7.5 ml");
});

test("nonsense is named at its field with its range, and the last answer does not stand beside it", async ({
  page,
}) => {
  await page.goto("/sums?sum=light");
  await expect(line(page, "sideS")).toBeVisible();
  await page.getByLabel("the part lies at, cm").fill("0");
  await expect(page.getByRole("form", { name: "Figures" }).getByRole("alert")).toContainText(
    "the part lies at must be between 0.5 and 300 cm",
  );
  await expect(page.getByTestId("sum")).toBeHidden();
  await page.getByLabel("the part lies at, cm").fill("near");
  await expect(page.getByRole("form", { name: "Figures" }).getByRole("alert")).toContainText("must be a number");
  await page.getByLabel("the part lies at, cm").fill("5");
  await expect(line(page, "atPartMwCm2")).toHaveText("16 mW/cm²");
  await page.goto("/sums?sum=constructor");
  await expect(page.getByRole("heading", { name: "How much paint" })).toBeVisible();
});

test("a shade is read off a photo with a grey card in it, and mixed towards; what is no picture is told", async ({
  page,
}) => {
  await page.goto("/sums?sum=photo");
  const file = page.getByLabel(/A photo with a grey card/);
  await file.setInputFiles({ name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") });
  await expect(page.getByText("That is no picture this browser can read.")).toBeVisible();
  // a card in lamplight on the left, a patch on the right
  const png = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement("canvas"), { width: 300, height: 100 });
    const on = canvas.getContext("2d")!;
    for (const [colour, x] of [
      ["#967850", 0],
      ["#8c5f28", 150],
    ] as const) {
      on.fillStyle = colour;
      on.fillRect(x, 0, 150, 100);
    }
    return canvas.toDataURL("image/png").split(",")[1]!;
  });
  await file.setInputFiles({ name: "bench.png", mimeType: "image/png", buffer: Buffer.from(png, "base64") });
  const photo = page.getByLabel("The photo, to point at");
  const box = (await photo.boundingBox())!;
  await photo.click({ position: { x: box.width / 4, y: box.height / 2 } });
  await expect(page.getByLabel("card in the photo", { exact: true })).toHaveValue("#967850");
  await photo.click({ position: { x: (3 * box.width) / 4, y: box.height / 2 } });
  await expect(page.getByLabel("patch in the photo", { exact: true })).toHaveValue("#8c5f28");
  await expect(page.getByText("The light was strongly coloured")).toBeVisible();
  // what was shown for the patch before is not taken on: the link waits for the answer
  await page.getByRole("link", { name: "Mix towards it" }).click();
  await expect(page.getByLabel("wanted shade", { exact: true })).toHaveValue("#6e5d3e");
});

test("the label of a jar is printed from its card", async ({ page }) => {
  await page.goto("/shelf?product=lightship-white");
  await page.getByRole("link", { name: "Label", exact: true }).click();
  const label = page.locator('[data-label="lightship-white"]');
  await expect(label).toContainText("Lightship white enamel");
  await expect(label).toContainText(/touch.*5.h/);
  await expect(label).toContainText("The safety data sheet decides");
  await page.goto("/shelf/labels?product=no-such-jar");
  await expect(page.getByText("No mix is on the shelf")).toBeVisible();
});

test("a shade is mixed of the shelf’s paints, and the mix stands on the shelf with what it is made of", async ({
  page,
}) => {
  await page.goto("/sums?sum=recipe");
  await page.getByLabel("wanted shade", { exact: true }).fill("#6d7f8b");
  await expect(page.getByRole("columnheader", { name: "paint" })).toBeVisible();
  await page.getByLabel("Call it").fill("Gull grey");
  await page.getByRole("button", { name: "Put mix 1 on the shelf" }).click();
  await expect(page.getByText("Gull grey stands on the shelf.")).toBeVisible();
  await page.getByRole("link", { name: "Look at it" }).click();
  await expect(page.getByText(/^Mixed of \d+ parts/)).toBeVisible();
  // put right by drops and by what it dried to, every shade it has had stays with it
  const recipe = page.getByRole("region", { name: "Recipe" });
  const shades = recipe.getByRole("list", { name: "Shades it has had" }).getByRole("listitem");
  await expect(shades).toHaveCount(1);
  await recipe.getByLabel("Drops", { exact: true }).fill("none");
  await recipe.getByRole("button", { name: "Drop in" }).press("Enter");
  await expect(recipe.getByRole("alert")).toBeVisible();
  await recipe.getByLabel("Drops", { exact: true }).fill("3");
  await recipe.getByLabel("Paint dropped in").selectOption({ label: "Chalk white" });
  await recipe.getByRole("button", { name: "Drop in" }).press("Enter");
  await expect(shades.nth(1)).toContainText("v2 and 3 drops of Chalk white");
  await recipe.getByLabel("Shade it dried to").fill("#7a8b97");
  await recipe.getByRole("button", { name: "Keep that shade" }).press("Enter");
  await expect(shades.nth(2)).toContainText("v3 as it dried");
});

test("an answer is taken over into the layer it is of", async ({ page }) => {
  await page.goto("/sums?sum=film&product=estuary-blue&region=ml-hull-topsides&way=wet-from-dry&filmUm=15");
  const take = page.getByRole("button", { name: /^Take it over: Hull, layer 3, \d+/ });
  await take.press("Enter");
  await expect(page.getByText(/^Layer 3 of Hull has .* wet a coat now\./)).toBeVisible();
  await expect(take).toBeHidden();
  await page.getByRole("link", { name: "Its stack" }).click();
  await expect(page.getByLabel(/^Wet film a coat of layer 3/)).not.toHaveValue("");
});

test("the stand-in scale posts like a device; one below nought is told to be tared", async ({ page, request }) => {
  await page.goto("/sums?sum=weigh-in&product=lightship-white&region=ml-hull-topsides&gainG=2");
  await page.getByRole("button", { name: "Read the stand-in scale" }).click();
  await expect(page.getByRole("status")).toContainText("g, by the stand-in scale");
  const now = (await (await request.get("/api/v1/scale")).json()) as { reading: { mass_g: number } };
  expect(now.reading.mass_g).toBeGreaterThan(0);
  const below = await request.post("/api/v1/scale/readings", { data: { mass_g: -3 } });
  expect(below.status()).toBe(422);
  expect(((await below.json()) as { detail: string }).detail).toContain("tare the scale");
});

test("by machine: the list names every input with its range, and one sum answers under the same names", async ({
  request,
}) => {
  const { sums } = (await (await request.get("/api/v1/sums")).json()) as {
    sums: { id: string; inputs: { id: string; min?: number }[] }[];
  };
  expect(sums.length).toBeGreaterThan(20);
  const film = await request.post("/api/v1/sums/film", {
    data: { film_um: 60, solids_pct: 42, paint_parts: 2, thinner_parts: 1 },
  });
  const { results } = (await film.json()) as { results: { id: string; value: number; unit: string }[] };
  expect(results.find((r) => r.id === "dft_um")).toEqual({ id: "dft_um", value: expect.closeTo(16.8, 6), unit: "µm" });
  const none = await request.post("/api/v1/sums/toString", { data: {} });
  expect(none.status()).toBe(404);
});
