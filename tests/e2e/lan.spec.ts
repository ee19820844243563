import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { get } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { freePort, ROOT } from "../../scripts/lib/ensure.mjs";

/** `npm start -- --lan` as its owner and a phone find it; a second address of this machine stands for the network's. */
const ADDRESS = "127.0.0.2";
let child: ChildProcess;
let data: string;
let said = "";
let inside = 0;

const link = () => /http:\/\/127\.0\.0\.2:\d+\/pair\?token=[\w-]+/.exec(said)?.[0] ?? "";

test.beforeAll(async () => {
  test.setTimeout(120_000);
  data = mkdtempSync(join(tmpdir(), "elm-bench-lan-"));
  inside = await freePort(4700);
  child = spawn(process.execPath, ["scripts/start.mjs", "--lan"], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(inside), ELM_BENCH_DATA: data, ELM_BENCH_LAN_ADDRESSES: ADDRESS },
  });
  child.stdout!.on("data", (d) => {
    said += d;
  });
  child.stderr!.on("data", (d) => {
    said += d;
  });
  await expect.poll(link, { timeout: 90_000 }).not.toBe("");
  await expect
    .poll(
      () =>
        fetch(`http://127.0.0.1:${inside}/bench`).then(
          (r) => r.status,
          () => 0,
        ),
      { timeout: 60_000 },
    )
    .toBe(200);
});
test.afterAll(async () => {
  const ended = new Promise((done) => child.once("exit", done));
  child.kill("SIGTERM");
  await ended;
  rmSync(data, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
});

test("it says what it opens and to whom, and shows a link as a picture of blocks", () => {
  expect(said).toContain("Open to the local network");
  expect(said).toContain("Whoever in this network holds a link or the pass phrase");
  expect(said).toContain("Not encrypted");
  expect(said).toMatch(/Pass phrase: [\w]{4}-[\w]{4}-[\w]{4}/);
  expect(said).toMatch(/[▀▄█]{10}/);
});

test("a phone is let in by the link, once; it is listed, named anew and shut out", async ({ browser }) => {
  const door = new URL(link()).origin;
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  expect((await phone.request.get(`${door}/api/v1/shelf.json`)).status()).toBe(401);
  await phone.goto(`${door}/bench`);
  await expect(phone).toHaveURL(/\/pair$/);
  await phone.goto(link());
  await phone.getByLabel("Name of this device").fill("Phone at the booth");
  await phone.getByRole("button", { name: "Let this device in" }).click();
  await expect(phone).toHaveURL(`${door}/bench`);
  await expect(phone.locator("html[data-answers]")).toHaveCount(1);
  const other = await (await browser.newContext()).newPage();
  await other.goto(link());
  await other.getByLabel("Name of this device").fill("Another");
  await other.getByRole("button", { name: "Let this device in" }).click();
  await expect(other.getByRole("alert")).toContainText("already");

  // what the phone changes is changed here: an action goes through the door
  await phone.goto(`${door}/settings`);
  await expect(phone.locator("html[data-answers]")).toHaveCount(1);
  const gloves = /gloves/i;
  await phone.getByLabel(gloves).check();
  const own = await (await browser.newContext()).newPage();
  await own.goto(`http://127.0.0.1:${inside}/settings#devices`);
  await expect(own.locator("html[data-answers]")).toHaveCount(1);
  await expect(own.getByLabel(gloves)).toBeChecked();
  const list = own.getByRole("region", { name: "Devices in this network" });
  const name = list.getByLabel("Name of the device Phone at the booth");
  await name.fill("Booth");
  await name.press("Enter");
  await expect(list.getByLabel("Name of the device Booth")).toBeVisible();
  await list.getByRole("button", { name: "Let another device in" }).click();
  await expect(list.getByAltText(/^QR code: http:\/\/127\.0\.0\.2/)).toBeVisible();
  await list.getByRole("button", { name: "Shut out Booth" }).click();
  await expect(list.getByLabel("Name of the device Booth")).toHaveCount(0);
  await phone.goto(`${door}/bench`);
  await expect(phone).toHaveURL(/\/pair$/);
});

test("the loopback is as it was; under a name that is not its own the door does not answer", async ({ request }) => {
  expect((await request.get(`http://127.0.0.1:${inside}/bench`)).status()).toBe(200);
  const { port } = new URL(link());
  const status = await new Promise((done) => {
    get({ host: ADDRESS, port, path: "/pair", headers: { host: "evil.example" } }, (res) => done(res.statusCode));
  });
  expect(status).toBe(421);
});
