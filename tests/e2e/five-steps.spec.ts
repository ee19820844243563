import { expect, type Page } from "@playwright/test";
import { begin } from "./support/begin";
import { benchTest } from "./support/server";

const test = benchTest("empty");

async function addProduct(
  page: Page,
  fields: Record<string, string>,
  choices: Record<string, string>,
  carriers: readonly string[],
) {
  await page.goto("/shelf?product=new&jar=blank");
  const card = page.getByRole("complementary", { name: "Product card" });
  for (const [label, value] of Object.entries(choices))
    await card.getByRole("combobox", { name: label, exact: true }).selectOption(value);
  const flies = card.getByRole("group", { name: "What flies off while it dries" });
  await flies.getByLabel("water", { exact: true }).uncheck();
  for (const c of carriers) await flies.getByLabel(c, { exact: true }).check();
  for (const [label, value] of Object.entries(fields))
    await card.getByLabel(label, { exact: true }).first().fill(value);
  await card.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("button", { name: fields.Name!, exact: true })).toBeVisible();
}

test("from an empty shed to a logged coat: parts, shelf, stack, plan, bench, logbook", async ({ page, bench }) => {
  test.setTimeout(240_000);
  await test.step("1 Parts", async () => {
    await page.goto("/");
    await expect(page.getByRole("heading", { name: "Nothing on the bench yet" })).toBeVisible();
    await page.getByRole("button", { name: "Start a model" }).click();
    await expect(page).toHaveURL(/parts/);
    await page.getByLabel("Name of the new part").fill("Keel");
    await page.getByRole("button", { name: "Add part" }).click();
    const row = page.locator("[data-region]").first();
    await row.getByLabel("Material of Keel, All over").selectOption("steel-iron");
    await row.getByLabel("Area of Keel, All over, cm²").fill("120");
    await row.getByLabel("Area of Keel, All over, cm²").press("Enter");
    await expect(page.getByText("Without a material")).toBeHidden();
    await page.reload();
    await expect(page.getByLabel("Area of Keel, All over, cm²")).toHaveValue("120");
  });

  await test.step("1 Parts: a delete is undone", async () => {
    await page.getByRole("button", { name: "Delete part Keel" }).click();
    await expect(page.getByText("No parts yet")).toBeVisible();
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.getByLabel("Material of Keel, All over")).toHaveValue("steel-iron");
  });

  await test.step("2 Shelf: two products by hand", async () => {
    await addProduct(
      page,
      {
        Name: "Test etch",
        Flash: "10",
        "Touch dry": "12",
        "Recoat window: opens, min": "20",
        "Recoat window: shuts, min": "480",
        "Through cured": "1440",
      },
      { Role: "primer-etch", "Family (binder)": "pvb-etch", "Applied by": "brush" },
      ["alcohol"],
    );
    await addProduct(
      page,
      {
        Name: "Test lacquer",
        Flash: "10",
        "Touch dry": "12",
        "Recoat window: opens, min": "15",
        Sandable: "60",
        "Through cured": "1440",
      },
      { Role: "colour", "Family (binder)": "acrylic-lacquer", "Applied by": "brush" },
      ["acetate (ester)"],
    );
  });

  await test.step("3 Stacks: the wrong way round is caught, the right way is not", async () => {
    await page.goto("/stacks");
    const put = async (name: string) => {
      await page.getByLabel("Product for the next layer").selectOption({ label: name });
      await page.getByRole("button", { name: "Put it on top" }).click();
      await expect(page.getByRole("region", { name: new RegExp(`Layer \\d: ${name}`) })).toBeVisible();
    };
    await put("Test etch");
    await expect(page.locator('[data-rule="etch-left-bare"]')).toBeVisible();
    await put("Test lacquer");
    await expect(page.locator('[data-rule="etch-left-bare"]')).toBeHidden();
    await expect(page.locator('[data-verdict="stop"]')).toHaveCount(0);
    await expect(page.getByRole("img", { name: /Section through 2 layers/ })).toBeVisible();
    await page.getByLabel(/Coats of layer 2/).fill("2");
    await page.getByLabel(/Coats of layer 2/).press("Enter");
    await expect(page.getByText(/Build/)).toBeVisible();
  });

  await test.step("4 Plan: one press, a timetable, a calendar, a document", async () => {
    await page.goto("/plan");
    await page.getByRole("button", { name: "Plan everything" }).click();
    await expect(page.getByTestId("finish")).toBeVisible();
    const ics = await page.request.get((await page.getByRole("link", { name: "Calendar file" }).getAttribute("href"))!);
    const text = await ics.text();
    expect(text).toContain("SUMMARY:Keel: Test lacquer\\, coat 2 of 2");
    const doc = await page.request.get((await page.getByRole("link", { name: "Model as JSON" }).getAttribute("href"))!);
    expect(await doc.json()).toMatchObject({ format: "elm-bench/2", parts: [{ name: "Keel" }] });
  });

  await test.step("5 Bench: start, finish with what was really put on, not yet, timers through a restart", async () => {
    await page.goto("/bench");
    for (const step of ["Degrease", "Take off rust", "Key all over", "Wipe clean"]) {
      const tile = page.getByRole("article", { name: `Keel: ${step}` });
      await begin(page, tile, /^(Start|It is ready: start)$/);
      await tile.getByRole("button", { name: "Done…" }).click();
      await page
        .getByRole("dialog", { name: `Done: Keel, ${step}` })
        .getByRole("button", { name: "Done" })
        .click();
      await expect(tile).toBeHidden();
    }
    const etch = page.getByRole("article", { name: "Keel: Test etch" });
    await begin(page, etch, /start/i);
    await etch.getByRole("button", { name: "Done…" }).click();
    const dialog = page.getByRole("dialog", { name: /Done: Keel/ });
    await dialog.getByLabel("Wet film a coat").fill("80");
    await dialog.getByLabel("Air read").fill("11.5");
    await dialog.getByRole("button", { name: "Done" }).click();
    const drying = page.getByRole("region", { name: "Drying" }).getByRole("article");
    const likely = async () => (await drying.getByRole("definition").nth(1).textContent()) ?? "";
    await expect(drying.getByTestId("countdown")).toBeVisible();
    const before = await likely();
    await page.reload();
    expect(await likely()).toBe(before);
    await bench.kill();
    await bench.start("2026-11-26T19:24:00Z");
    await page.goto("/bench");
    expect(await likely()).toBe(before);
    await drying.getByRole("button", { name: "Looked…" }).click();
    await page
      .getByRole("dialog", { name: /Looked: Keel/ })
      .getByLabel("Tacky")
      .check();
    await page
      .getByRole("dialog", { name: /Looked: Keel/ })
      .getByRole("button", { name: "Write it down" })
      .click();
    await expect(page.getByRole("dialog", { name: /Looked/ })).toBeHidden();
  });

  await test.step("5 Logbook: what was done, when, in what air", async () => {
    await page.goto("/logbook");
    const done = page.locator('tr[data-kind="done"]').first();
    await expect(done).toContainText("Test etch");
    await expect(done).toContainText("1 coat, 80 µm wet");
    await expect(done).toContainText("11.5 °C");
    await expect(page.locator('tr[data-kind="not-yet"]')).toContainText("Tacky");
  });

  await test.step("the model goes out as a document, is deleted, and comes back the same", async () => {
    await page.goto("/parts");
    const href = (await page.getByRole("link", { name: "Export" }).getAttribute("href"))!;
    const before = await (await page.request.get(href)).text();
    await page.getByRole("button", { name: "Delete model" }).click();
    await expect(page.getByRole("heading", { name: "Nothing on the bench yet" })).toBeVisible();
    await page.getByRole("button", { name: "Import one" }).click();
    const dialog = page.getByRole("dialog", { name: "Bring in a model" });
    await dialog
      .getByLabel(/^Document/)
      .setInputFiles({ name: "keel.json", mimeType: "application/json", buffer: Buffer.from(before) });
    await dialog.getByRole("button", { name: "Bring it in" }).click();
    await expect(page.getByLabel("Material of Keel, All over")).toHaveValue("steel-iron");
    expect(await (await page.request.get(href)).text()).toBe(before);
  });
});
