import { request as httpRequest } from "node:http";
import { expect } from "@playwright/test";
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
    text: "The carrier dissolves this material.",
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
    expect.arrayContaining(["/api/v1/check", "/api/v1/plan", "/api/v1/models/{id}", "/api/v1/models/{id}/plan.ics"]),
  );
  expect(api.components.schemas.CheckRequest.properties.region.properties.material.enum).toContain("petg");
  expect(await (await request.get("/api/v1/schema/elm-bench-1.json")).json()).toMatchObject({ type: "object" });
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
    data: Buffer.alloc(33 * 1024 * 1024, 32),
    headers: { "content-type": "application/json" },
  });
  expect(big.status()).toBe(413);
});
