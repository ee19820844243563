import { defineConfig } from "@playwright/test";
import { CHROMIUM_ARGS, CHROMIUM_PATH } from "./tests/e2e/support/chromium";

/** Browser tests against the production build; each file starts a server of its own on a database of its own. */
export default defineConfig({
  testDir: "tests/e2e",
  workers: 1,
  fullyParallel: false,
  // shared machines stall for seconds at a time; what passes only at the second try is reported as flaky
  retries: 1,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  outputDir: ".tmp/playwright",
  reporter: [["list"], ["json", { outputFile: ".tmp/playwright.json" }]],
  use: {
    browserName: "chromium",
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM_PATH, args: [...CHROMIUM_ARGS] },
    actionTimeout: 15_000,
    screenshot: "only-on-failure",
  },
});
