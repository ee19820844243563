import { readFileSync } from "node:fs";
import { request as httpRequest } from "node:http";
import { expect } from "@playwright/test";
import { redPng } from "../support/png";
import { benchTest } from "./support/server";

const test = benchTest("demo");
const MODEL = "/api/v1/models/marram-lass";

test("check judges a sent stack in words and data", async ({ request }) => {
  const answer = await (
    await request.post("/api/v1/check", {
      data: {
        region: { material: "xps", finish: "seen" },
        layers: [{ product: "grey-primer", heaviness: "mist" }],
        protection: ["extraction", "p3"],
      },
    })
  ).json();
  expect(answer).toMatchObject({ worst: "stop", ledger: [{ added_um: 40 * 0.3 * 0.24 }] });
  expect(answer.verdicts[0]).toMatchObject({
    rule: "bare-bite-stop",
    where: { region: true },
    text: "The carrier dissolves this material. It is the ester (acetate kind) and the aromatic (xylene kind) that bite.",
  });
});

test("problems come as RFC 9457 documents that name the field", async ({ request }) => {
  const wrong = await request.post("/api/v1/check", {
    data: { region: { material: "cheese", finish: "seen" }, layers: [] },
  });
  expect(wrong.status()).toBe(422);
  expect(wrong.headers()["content-type"]).toContain("application/problem+json");
  const problem = await wrong.json();
  expect(problem).toMatchObject({ status: 422, type: "urn:elm-bench:problem:invalid" });
  expect(problem.errors.map((e: { path: string }) => e.path)).toEqual(["region.material", "layers"]);
  expect(
    (
      await request.post("/api/v1/plan", { data: "{ nearly", headers: { "content-type": "application/json" } })
    ).status(),
  ).toBe(422);
  expect((await request.get("/api/v1/models/nobody")).status()).toBe(404);
});

test("a whole model goes out and comes in again byte for byte; a stale one is refused", async ({ request }) => {
  const first = await request.get(MODEL);
  const text = await first.text();
  const etag = first.headers().etag!;
  const put = (data: string, headers: Record<string, string> = {}) =>
    request.put(MODEL, { data, headers: { "content-type": "application/json", ...headers } });
  expect((await put(text)).status()).toBe(412);
  expect((await put(text, { "if-match": '"stale"' })).status()).toBe(412);
  expect((await put(text, { "if-match": etag })).status()).toBe(200);
  expect(await (await request.get(MODEL)).text()).toBe(text);
  // a document with its photos is many megabytes, and comes in like any other
  const now = (await request.get(MODEL)).headers().etag!;
  expect((await put(text + " ".repeat(12 * 1024 * 1024), { "if-match": now })).status()).toBe(200);
  expect(
    (
      await request.put("/api/v1/models/other", { data: text, headers: { "content-type": "application/json" } })
    ).status(),
  ).toBe(422);
});

test("plan answers for a sent document; openapi describes what is served", async ({ request }) => {
  const document = await (await request.get(MODEL)).json();
  const plan = await (await request.post("/api/v1/plan", { data: { document, now: "2026-11-26T19:20:00Z" } })).json();
  expect(plan.outcome).toBe("planned");
  expect(plan.ops.length).toBeGreaterThan(20);
  expect(Date.parse(plan.done)).toBeGreaterThan(Date.parse("2026-11-26T19:20:00Z"));
  const api = await (await request.get("/api/v1/openapi.json")).json();
  expect(Object.keys(api.paths)).toEqual(
    expect.arrayContaining([
      "/api/v1/check",
      "/api/v1/suggest",
      "/api/v1/shelf.csv",
      "/api/v1/plan",
      "/api/v1/models/{id}",
      "/api/v1/models/{id}/plan.ics",
    ]),
  );
  expect(api.components.schemas.CheckRequest.properties.region.properties.material.enum).toContain("petg");
  expect(await (await request.get("/api/v1/schema/elm-bench-2.json")).json()).toMatchObject({ type: "object" });
});

test("suggest finds stacks from the shelf and from what is sent, and says why not", async ({ request }) => {
  const ask = async (data: unknown) => request.post("/api/v1/suggest", { data });
  const region = { material: "petg", conditions: ["clean"], finish: "seen", exposure: ["handled"], area_cm2: 200 };
  const own = await (await ask({ region, until: "clear", colour: "estuary-blue", why_not: ["two-pack-gloss"] })).json();
  expect(own).toMatchObject({ outcome: "found", exact: true, way: "show" });
  expect(own.best.length).toBe(10);
  for (const s of own.best) expect(s.layers.map((l: { product: string }) => l.product)).toContain("estuary-blue");
  expect(own.best.map((s: { cost: number }) => s.cost)).toEqual(
    own.best.map((s: { cost: number }) => s.cost).toSorted((a: number, b: number) => a - b),
  );
  expect(own.why_not[0]).toMatchObject({ product: "two-pack-gloss", outcome: "never" });
  const label = { wft_um: 40, flash_min: 20, recoat: [[60, null]], sandable_min: 360, cured_min: 7200 };
  const sent = await (
    await ask({
      region,
      shelf: [
        "water-primer",
        { id: "teal", role: "colour", family: "wb-acrylic", carriers: ["water"], label, owned: false, price: 4 },
      ],
      best: 1,
    })
  ).json();
  expect(sent.best[0]).toMatchObject({ to_buy: ["teal"], layers: [{ product: "water-primer" }, { product: "teal" }] });
  const none = await (await ask({ region: { ...region, material: "unknown" } })).json();
  expect(none).toMatchObject({ outcome: "none", reasons: [{ kind: "material-unknown" }] });
  const wrong = await ask({ region, shelf: ["nowhere"], way: "fast" });
  expect(wrong.status()).toBe(422);
  expect((await wrong.json()).errors).toEqual([{ path: "shelf.0", message: "is not on the shelf" }]);
});

test("the shelf goes out and comes in over HTTP; a bad line is told and nothing taken over", async ({ request }) => {
  const csv = await (await request.get("/api/v1/shelf.csv")).text();
  const post = (data: string) =>
    request.post("/api/v1/shelf.csv?existing=replace", { data, headers: { "content-type": "text/csv" } });
  expect(await (await post(csv)).json()).toEqual({ added: 0, changed: 0, kept: 55 });
  const bad = await post(csv.replace("wb-acrylic", "treacle"));
  expect(bad.status()).toBe(422);
  expect((await bad.json()).errors[0].path).toMatch(/^line \d+, family$/);
  expect(await (await request.get("/api/v1/shelf.csv")).text()).toBe(csv);
  expect((await (await request.get("/api/v1/shelf.json")).json()).format).toBe("elm-bench-shelf/1");
});

test("a picture is kept under its hash and goes out with the document, or is left out by choice", async ({
  request,
}) => {
  const kept = await request.post("/api/v1/photos", { data: redPng(), headers: { "content-type": "image/png" } });
  expect(kept.status()).toBe(201);
  const { hash } = await kept.json();
  const photo = await request.get(`/api/v1/photos/${hash}`);
  expect(photo.headers()["content-type"]).toBe("image/png");
  expect(await photo.body()).toEqual(redPng());
  expect((await request.post("/api/v1/photos", { data: "not a picture" })).status()).toBe(422);
  const first = await request.get(MODEL);
  const document = await first.json();
  document.parts[0].photo = hash;
  const put = await request.put(MODEL, { data: document, headers: { "if-match": first.headers().etag! } });
  expect(put.status()).toBe(200);
  const text = await (await request.get(MODEL)).text();
  expect(JSON.parse(text).photos[hash]).toEqual({ type: "image/png", base64: redPng().toString("base64") });
  expect((await (await request.get(`${MODEL}?photos=none`)).json()).photos).toBeUndefined();
});

test("other hosts, other origins and unbounded bodies are turned away", async ({ request, bench }) => {
  const asHost = await new Promise<number>((done) =>
    httpRequest(
      { port: bench.port, host: "127.0.0.1", path: "/api/v1/openapi.json", headers: { host: "bench.example" } },
      (r) => done(r.statusCode!),
    ).end(),
  );
  expect(asHost).toBe(421);
  expect(
    (await request.post("/api/v1/check", { data: {}, headers: { origin: "http://elsewhere.example" } })).status(),
  ).toBe(403);
  const page = await request.get("/bench");
  expect(page.headers()["content-security-policy"]).toContain("default-src 'self'");
  const big = await request.post("/api/v1/check", {
    data: Buffer.alloc(97 * 1024 * 1024, 32),
    headers: { "content-type": "application/json" },
  });
  expect(big.status()).toBe(413);
});

test("film answers the reference cases as they stand, and samples where asked", async ({ request }) => {
  const { cases } = JSON.parse(readFileSync("tests/vectors/film.json", "utf8"));
  for (const c of cases) {
    const a = await (await request.post("/api/v1/film", { data: c })).json();
    expect({ id: c.id, near: Math.abs(a.t_phi_max_below / c.expect.t_phi_max_below - 1) < 0.01 }).toEqual({
      id: c.id,
      near: true,
    });
    a.samples.forEach((s: Record<string, number>, i: number) => {
      const want = c.expect.samples[i];
      expect(Math.abs(s.minutes_after_last_coat! / want.minutes_after_last_coat - 1)).toBeLessThan(0.01);
      expect(Math.abs(s.mean_phi_top_coat! - want.mean_phi_top_coat)).toBeLessThan(0.006);
    });
    expect(a.dft_um).toBeCloseTo(c.expect.dft_um, 6);
  }
  const asked = await (await request.post("/api/v1/film", { data: { ...cases[0], sample_minutes: [1, 90] } })).json();
  expect(asked.samples.map((s: Record<string, number>) => s.minutes_after_last_coat)).toEqual([1, 90]);
});

test("film answers for a product put on, never reached as null with an outcome", async ({ request }) => {
  const run = async (data: object) => (await request.post("/api/v1/film", { data })).json();
  const fine = await run({
    layers: [{ product: "build-primer", coats: 2, wft_um: 70 }],
    air: { temp_c: 20, rh_pct: 50 },
  });
  expect(fine.milestones.find((m: { milestone: string }) => m.milestone === "sandable")).toMatchObject({
    outcome: "reached",
  });
  const damp = await run({ layers: [{ product: "estuary-blue" }], air: { temp_c: 12, rh_pct: 95 } });
  expect(damp.milestones.find((m: { milestone: string }) => m.milestone === "sandable")).toMatchObject({
    min: null,
    outcome: "never-in-this-air",
  });
  const wrong = await request.post("/api/v1/film", { data: { layers: [{ product: "build-primer", coats: 0 }] } });
  expect(wrong.status()).toBe(422);
  expect((await wrong.json()).errors[0].path).toBe("layers.0.coats");
});

test("a forecast posted is taken whole or refused by line", async ({ request }) => {
  const post = (data: string) =>
    request.post("/api/v1/climate/forecast", { data, headers: { "content-type": "text/csv" } });
  const wrong = await post("time,temp_c,rh_pct\n2026-11-26T20:00:00Z,9,170\n");
  expect(wrong.status()).toBe(422);
  expect((await wrong.json()).errors[0].path).toBe("line 2, rh_pct");
  const taken = await post("time,temp_c,rh_pct\n2026-11-26T20:00:00Z,9,70\n2026-11-26T21:00:00Z,8,71\n");
  expect(await taken.json()).toMatchObject({ hours: 2 });
});

test("what no page of ours sends is turned away before it reaches anything, in words", async ({ bench }) => {
  const ask = (method: string, path: string, headers: Record<string, string> = {}) =>
    new Promise<{ status: number; body: string }>((done, failed) => {
      const sent = httpRequest(`${bench.url}`, { method, path, headers }, (answer) => {
        let body = "";
        answer.on("data", (chunk) => {
          body += chunk;
        });
        answer.on("end", () => done({ status: answer.statusCode!, body }));
      });
      sent.on("error", failed);
      sent.end();
    });
  expect(await ask("TRACE", "/bench")).toMatchObject({ status: 405, body: expect.stringContaining("TRACE") });
  for (const path of ["/api/v1/models/%", "/api/v1/photos/%ff", "/%"])
    expect(await ask("GET", path)).toMatchObject({ status: 400, body: expect.stringContaining("stands for nothing") });
  for (const from of ["cross-site", "same-site"])
    expect(await ask("POST", "/api/v1/climate/readings", { "sec-fetch-site": from })).toMatchObject({ status: 403 });
  expect((await ask("POST", "/api/v1/climate/readings", { "sec-fetch-site": "same-origin" })).status).toBe(422);
  expect((await ask("GET", "/bench")).status).toBe(200);
});

test("a body in pieces over the limit is told as too large, one under it by what is wrong with it", async ({
  bench,
}) => {
  const send = (mib: number) =>
    fetch(`${bench.url}/api/v1/check`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      duplex: "half",
      body: new ReadableStream({
        start(out) {
          for (let n = 0; n < mib; n++) out.enqueue(new Uint8Array(1024 * 1024).fill(32));
          out.close();
        },
      }),
    } as RequestInit);
  expect((await send(12)).status).toBe(422);
  expect((await send(110)).status).toBe(413);
});
