import { expect, type Page } from "@playwright/test";
import { begin } from "./support/begin";
import { benchTest } from "./support/server";

const test = benchTest("demo");
test.describe.configure({ mode: "serial" });

const tile = (page: Page, zone: string) => page.locator(`[data-zone="${zone}"] article`);
/** Starts the first thing that is ready. @returns the operation's id */
async function startFirst(page: Page): Promise<string> {
  await page.goto("/bench");
  const first = tile(page, "ready")
    .filter({ has: page.getByRole("button", { name: "Start", exact: true }) })
    .first();
  const id = (await first.getAttribute("data-op"))!;
  await begin(page, first);
  await expect(page.locator(`[data-zone="in-hand"] article[data-op="${id}"]`)).toBeVisible();
  return id;
}

test("a start is in hand while its plan is still made, and a page elsewhere hears of both", async ({
  page,
  browser,
  bench,
}) => {
  const other = await browser.newPage();
  await other.goto(`${bench.url}/plan`);
  await expect(other.getByTestId("finish")).toBeVisible();
  const id = await startFirst(page);
  await expect(other.locator(`[data-op="${id}"]`)).toHaveAttribute("aria-label", /in hand/);
  await expect(page.getByText("Planning…")).toHaveCount(0);
  await expect(page.getByText("The plan is out of date")).toHaveCount(0);
  await other.close();
});

test("a power cut between an event and its plan loses neither", async ({ page, bench }) => {
  await page.goto("/bench");
  const first = tile(page, "ready")
    .filter({ has: page.getByRole("button", { name: "Start", exact: true }) })
    .first();
  const id = (await first.getAttribute("data-op"))!;
  const answered = page.waitForResponse((r) => r.request().method() === "POST" && r.url().endsWith("/bench"));
  await begin(page, first);
  await answered;
  await bench.kill();
  await bench.start("2026-11-26T19:40:00Z");
  await page.goto("/bench");
  await expect(page.locator(`[data-zone="in-hand"] article[data-op="${id}"]`)).toBeVisible();
  await expect(page.getByText("Planning…")).toHaveCount(0, { timeout: 30_000 });
  await page.goto("/plan");
  await expect(page.locator(`[data-op="${id}"]`)).toHaveAttribute("aria-label", /in hand/);
});

test("a document sent to be planned keeps nobody else waiting", async ({ request, bench }) => {
  const document = await (await request.get(`${bench.url}/api/v1/models/marram-lass`)).json();
  const order: string[] = [];
  const planned = request
    .post(`${bench.url}/api/v1/plan`, { data: { document, now: "2026-11-26T19:45:00Z" } })
    .then(async (r) => {
      order.push("planned");
      return (await r.json()) as { outcome: string };
    });
  for (let i = 0; i < 5; i++) {
    expect((await request.get(`${bench.url}/api/v1/climate`)).ok()).toBe(true);
    order.push("air");
  }
  expect((await planned).outcome).toBe("planned");
  expect(order).toEqual(["air", "air", "air", "air", "air", "planned"]);
});
