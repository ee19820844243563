import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test as base } from "@playwright/test";
import { freePort, ROOT, seedDemo, serverArgs } from "../../../scripts/lib/ensure.mjs";

/** Thursday 2026-11-26, 19:20 in London: twenty minutes into an evening session. */
const EVENING = "2026-11-26T19:20:00Z";

/** The production server on a throw-away database, with a clock that starts where it is told. */
export class Bench {
  private child: ChildProcess | null = null;
  port = 0;
  readonly data = mkdtempSync(join(tmpdir(), "elm-bench-e2e-"));

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  seed(clock = EVENING): void {
    seedDemo(this.data, { ELM_BENCH_CLOCK: clock, ELM_BENCH_ZONE: "Europe/London" });
  }

  async start(clock = EVENING): Promise<void> {
    this.port ||= await freePort(4400);
    const env = {
      ...process.env,
      ELM_BENCH_DATA: this.data,
      ELM_BENCH_CLOCK: clock,
      TZ: "Europe/London",
      NEXT_TELEMETRY_DISABLED: "1",
    };
    this.child = spawn(process.execPath, serverArgs(this.port), { cwd: ROOT, stdio: "ignore", env });
    for (let tries = 0; tries < 150; tries++) {
      const up = await fetch(`${this.url}/api/v1/openapi.json`).then(
        (r) => r.ok,
        () => false,
      );
      if (up) return;
      await new Promise((later) => setTimeout(later, 200));
    }
    throw new Error("the server did not come up");
  }

  /** Ends the server without asking: as a power cut would. */
  async kill(): Promise<void> {
    const child = this.child;
    this.child = null;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((done) => child.once("exit", done));
    child.kill("SIGKILL");
    await ended;
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.data, { recursive: true, force: true });
  }
}

/** A server for the tests of one file: with the demo in it, or with nothing at all. */
export function benchTest(start: "demo" | "empty") {
  return base.extend<{ bench: Bench }, { shared: Bench }>({
    shared: [
      // biome-ignore lint/correctness/noEmptyPattern: the runner wants the first argument destructured
      async ({}, use) => {
        const bench = new Bench();
        if (start === "demo") bench.seed();
        await bench.start();
        await use(bench);
        await bench.end();
      },
      { scope: "worker", timeout: 90_000 },
    ],
    bench: async ({ shared }, use) => use(shared),
    // a page that has been drawn but does not answer yet would swallow what a test, faster than any hand, does to it
    page: async ({ page }, use) => {
      for (const name of ["goto", "reload"] as const) {
        const go = page[name].bind(page) as (...args: unknown[]) => Promise<unknown>;
        Object.assign(page, {
          [name]: async (...args: unknown[]) => {
            const response = await go(...args);
            await page.locator("html[data-answers]").waitFor({ state: "attached" });
            return response;
          },
        });
      }
      await use(page);
    },
    baseURL: async ({ shared }, use) => use(shared.url),
  });
}
