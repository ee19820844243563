/** @jest-environment node */

import { mkdtempSync, rmSync } from "node:fs";
import { createServer, request, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { DEVICE_HEADER, DeviceStore } from "../db/devices";
import { certificateIn } from "./certificate";
import { doorFor } from "./door";
import { pairPage } from "./page";
import { Tries } from "./tries";

/** The door as a stranger and as a known device find it, with a stand-in for the application behind it. */

let folder: string;
let store: DeviceStore;
let inside: Server;
let outside: Server;
let nowMs = 1_000_000_000_000;
const seen: { path: string; headers: Record<string, unknown>; body: string }[] = [];

const listening = (server: Server) =>
  new Promise<number>((done) => server.listen(0, "127.0.0.1", () => done((server.address() as AddressInfo).port)));

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "elm-bench-door-"));
  store = new DeviceStore(folder);
  store.setPhrase("able-bake-cake");
  seen.length = 0;
  inside = createServer((req, res) => {
    let body = "";
    req.on("data", (d) => {
      body += d;
    });
    req.on("end", () => {
      seen.push({ path: req.url!, headers: { ...req.headers }, body });
      if (req.url === "/moved") res.writeHead(307, { location: `http://${req.headers.host}/bench` }).end();
      else res.writeHead(200, { "content-type": "text/plain", "set-cookie": "theme=dark" }).end(`inside ${req.url}`);
    });
  });
  const port = await listening(inside);
  outside = createServer(
    doorFor({
      store,
      tries: new Tries(),
      target: { host: "127.0.0.1", port },
      hosts: ["192.168.7.2", "shed.local"],
      secure: false,
      nowMs: () => nowMs,
    }),
  );
  await listening(outside);
});
afterEach(() => {
  for (const server of [inside, outside]) {
    server.closeAllConnections();
    server.close();
  }
  store.close();
  rmSync(folder, { recursive: true });
});

interface Answer {
  readonly status: number;
  readonly headers: NodeJS.Dict<string | string[]>;
  readonly body: string;
}
function ask(path: string, over: { method?: string; headers?: Record<string, string>; body?: string } = {}) {
  const { port } = outside.address() as AddressInfo;
  return new Promise<Answer>((done, fail) => {
    const headers = { host: "192.168.7.2:4281", accept: "text/html", ...over.headers };
    const req = request({ host: "127.0.0.1", port, path, method: over.method ?? "GET", headers }, (res) => {
      let body = "";
      res.on("data", (d) => {
        body += d;
      });
      res.on("end", () => done({ status: res.statusCode!, headers: res.headers, body }));
    });
    req.on("error", fail);
    req.end(over.body);
  });
}
const pair = (form: Record<string, string>) =>
  ask("/pair", {
    method: "POST",
    headers: { "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams(form).toString(),
  });
const cookieFrom = (a: Answer) => String(a.headers["set-cookie"]).split(";")[0]!;
const letIn = async (name = "Phone") => cookieFrom(await pair({ token: store.newToken(nowMs).token, name }));

describe("a stranger", () => {
  it.each([
    ["a page", "/bench", "text/html", 303],
    ["the API", "/api/v1/models", "application/json", 401],
    ["news", "/events", "text/event-stream", 401],
    ["a script", "/_next/static/chunk.js", "*/*", 401],
    ["the icon", "/icon.svg", "image/svg+xml", 401],
  ])("gets nothing of the application: %s", async (_, path, accept, status) => {
    expect((await ask(path, { headers: { accept } })).status).toBe(status);
    expect(seen).toEqual([]);
  });
  it("writes nothing, whatever it shows", async () => {
    for (const cookie of ["", "elm-bench-device=", "elm-bench-device=guess", "other=1"])
      expect((await ask("/bench", { method: "POST", headers: { cookie }, body: "x" })).status).toBe(401);
    expect(seen).toEqual([]);
  });
  it("under another name is not answered at all, not even the pairing page", async () => {
    for (const host of ["evil.example", "127.0.0.1:4281", "192.168.7.3"])
      expect((await ask("/pair", { headers: { host } })).status).toBe(421);
    expect((await ask("/pair", { headers: { host: "shed.local:4281" } })).status).toBe(200);
  });
});

describe("letting a device in", () => {
  it("by a link: once, with a session the browser's scripts never see", async () => {
    const { token } = store.newToken(nowMs);
    const first = await pair({ token, name: "Phone at the booth" });
    expect(first.status).toBe(303);
    expect(String(first.headers["set-cookie"])).toMatch(
      /^elm-bench-device=[\w-]{40,}; Max-Age=\d+; Path=\/; HttpOnly; SameSite=Lax$/,
    );
    expect(store.devices().map((d) => d.name)).toEqual(["Phone at the booth"]);
    const again = await pair({ token, name: "Another" });
    expect(again.status).toBe(403);
    expect(again.body).toContain("already");
    expect(store.devices()).toHaveLength(1);
  });
  it("not by a link that is too old, or made up", async () => {
    const { token } = store.newToken(nowMs);
    nowMs += 11 * 60_000;
    expect((await pair({ token, name: "Late" })).body).toContain("too old");
    expect((await pair({ token: "made-up", name: "Guess" })).status).toBe(403);
    expect(store.devices()).toEqual([]);
  });
  it("by the pass phrase, however it is typed", async () => {
    expect((await pair({ phrase: "ABLE BAKE CAKE", name: "Tablet" })).status).toBe(303);
    expect((await pair({ phrase: "able-bake-cak", name: "Guess" })).status).toBe(403);
    expect((await pair({ phrase: "", name: "Guess" })).status).toBe(403);
  });
  it("only with a name, and nothing it is called gets out of its place in the page", async () => {
    expect((await pair({ phrase: "able-bake-cake", name: "  " })).body).toContain("Name: give this device a name");
    expect(pairPage({ token: '"><script>', name: "<b>", fault: "<i>" })).not.toMatch(/<script>|<b>|<i>/);
  });
  it("guessing is slow: after eight nobody at that address is heard, the right phrase included, for ten minutes", async () => {
    for (let i = 0; i < 8; i++) expect((await pair({ phrase: `guess ${i}`, name: "G" })).status).toBe(403);
    const shut = await pair({ phrase: "able-bake-cake", name: "Owner" });
    expect(shut.status).toBe(429);
    expect(Number(shut.headers["retry-after"])).toBeGreaterThan(500);
    nowMs += 11 * 60_000;
    expect((await pair({ phrase: "able-bake-cake", name: "Owner" })).status).toBe(303);
  });
  it("not more than thirty", async () => {
    for (let i = 0; i < 30; i++) store.pair(`d${i}`, nowMs);
    expect((await pair({ token: store.newToken(nowMs).token, name: "One more" })).body).toContain("Thirty devices");
  });
  it("a form of a megabyte is no form of ours", async () => {
    expect((await pair({ phrase: "x".repeat(1_000_000), name: "Big" })).status).toBe(413);
    expect(store.devices()).toEqual([]);
  });
});

describe("a known device", () => {
  it("is passed on as if it were this machine, without its secret, and back with the application's own cookies", async () => {
    const cookie = await letIn();
    const a = await ask("/bench?x=1", { headers: { cookie: `a=1; ${cookie}; b=2` } });
    expect([a.status, a.body]).toEqual([200, "inside /bench?x=1"]);
    expect(String(a.headers["set-cookie"])).toBe("theme=dark");
    expect(seen[0]!.headers).toMatchObject({ cookie: "a=1; b=2", host: expect.stringMatching(/^127\.0\.0\.1:/) });
  });
  it("goes by the name it was given, whatever it says itself", async () => {
    const cookie = await letIn();
    await ask("/bench", { headers: { cookie, [DEVICE_HEADER]: "somebody%20else" } });
    expect(seen[0]!.headers[DEVICE_HEADER]).toBe(encodeURIComponent(store.devices()[0]!.name));
  });
  it("writes from its own pages only", async () => {
    const cookie = await letIn();
    const post = (origin: string) => ask("/bench", { method: "POST", headers: { cookie, origin }, body: "deed" });
    expect((await post("http://evil.example")).status).toBe(403);
    expect((await post("http://192.168.7.2:4281")).status).toBe(200);
    expect(seen).toHaveLength(1);
    expect(seen[0]).toMatchObject({ body: "deed", headers: { origin: expect.stringMatching(/^http:\/\/127/) } });
  });
  it("a way on that names the application's own address is told as the door's", async () => {
    const cookie = await letIn();
    expect((await ask("/moved", { headers: { cookie } })).headers.location).toBe("http://192.168.7.2:4281/bench");
  });
  it("shut out, it is a stranger at its next request; another's session is another's", async () => {
    const [one, other] = [await letIn("One"), await letIn("Other")];
    expect(store.remove(store.devices().find((d) => d.name === "One")!.id)).toBe(true);
    expect((await ask("/api/v1/models", { headers: { cookie: one, accept: "*/*" } })).status).toBe(401);
    expect((await ask("/api/v1/models", { headers: { cookie: other } })).status).toBe(200);
  });
  it("hears plainly that the application is not there", async () => {
    const cookie = await letIn();
    await new Promise((done) => inside.close(done));
    expect((await ask("/bench", { headers: { cookie } })).status).toBe(502);
  });
});

describe("what is kept", () => {
  it("holds no secret that would open anything", () => {
    const paired = store.pair("Phone", nowMs) as { secret: string };
    const { token } = store.newToken(nowMs);
    store.close();
    const { readFileSync, readdirSync } = jest.requireActual<typeof import("node:fs")>("node:fs");
    const all = readdirSync(folder)
      .map((f) => readFileSync(join(folder, f)).toString("latin1"))
      .join();
    for (const secret of [paired.secret, token, "able-bake-cake", "ablebakecake"]) expect(all).not.toContain(secret);
    store = new DeviceStore(folder);
    expect(store.deviceOf(paired.secret, nowMs)?.name).toBe("Phone");
  });
  it("when a device was here is written once a minute, not at every request", () => {
    const { secret } = store.pair("Phone", nowMs) as { secret: string };
    const first = nowMs;
    store.deviceOf(secret, first + 30_000);
    expect(store.devices()[0]!.seenMs).toBe(first);
    store.deviceOf(secret, first + 61_000);
    expect(store.devices()[0]!.seenMs).toBe(first + 61_000);
  });
  it("a door whose process is gone is shut", () => {
    store.opened("http://192.168.7.2:4281", process.pid);
    expect(store.doorUrl()).toBe("http://192.168.7.2:4281");
    store.opened("http://192.168.7.2:4281", 4_000_000);
    expect(store.doorUrl()).toBeNull();
  });
  it("the certificate is made once for the same names, anew for others or when it is old", async () => {
    const made = await certificateIn(folder, ["192.168.7.2", "shed.local"], nowMs);
    expect(made.cert).toContain("BEGIN CERTIFICATE");
    expect(await certificateIn(folder, ["shed.local", "192.168.7.2"], nowMs)).toEqual(made);
    expect((await certificateIn(folder, ["192.168.7.9"], nowMs)).cert).not.toBe(made.cert);
  }, 20_000);
});
