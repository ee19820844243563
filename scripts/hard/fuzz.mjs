/**
 * Bodies that are nearly right, over every endpoint that writes or reckons: good ones of the API's own examples with some of their
 * values put wrong. None may be answered with a fault of ours, none may take long, none that is refused may change anything.
 */
const NASTY = [
  null,
  true,
  false,
  0,
  -1,
  1e9,
  1e308,
  -1e308,
  5e-324,
  0.1,
  2 ** 53,
  "",
  " ",
  "x",
  "constructor",
  "__proto__",
  "toString",
  "hasOwnProperty",
  "A\r\nB",
  "\u0000",
  "\u202e\u2066",
  "=1+1",
  "<script>",
  "%",
  "../..",
  "2026-11-29T10:00:00Z",
  "0001-01-01T00:00:00Z",
  "2099-12-31T23:59:59Z",
  "9999-12-31T23:59:59Z",
  "2026-02-30",
  "1e999",
  "NaN",
  "ß".repeat(5000),
  [],
  {},
  [[]],
  [null],
  { toString: 1 },
  { constructor: { prototype: null } },
  Array(50).fill(0),
];

export const slots = (value, path = []) =>
  value !== null && typeof value === "object"
    ? Object.keys(value).flatMap((k) => [[...path, k], ...slots(value[k], [...path, k])])
    : [];

const at = (value, path) => path.reduce((v, k) => v?.[k], value);

/** One wrong thing done to a copy of a good body. */
function spoil(body, random, all) {
  const pick = (list) => list[Math.floor(random() * list.length)];
  const path = pick(all);
  const parent = at(body, path.slice(0, -1));
  const key = path.at(-1);
  if (parent === undefined || parent === null || typeof parent !== "object") return;
  const kind = Math.floor(random() * 8);
  if (kind === 0) delete parent[key];
  else if (kind === 1 && Array.isArray(parent)) parent.push(structuredClone(parent[key]));
  else if (kind === 2) parent[pick(["constructor", "more", "id", "toString"])] = pick(NASTY);
  else if (kind === 3 && typeof parent[key] === "number") parent[key] *= pick([-1, 1e6, 1e-6, 0.5, 3]);
  else if (kind === 4) parent[key] = structuredClone(at(body, pick(all)) ?? null);
  else parent[key] = structuredClone(pick(NASTY));
}

export function spoiled(good, random, all = slots(good)) {
  const body = structuredClone(good);
  for (let n = 1 + Math.floor(random() * 3); n > 0; n--) spoil(body, random, all);
  return body;
}

const lcg = (seed) => {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
};

/** @param url of a server on throw-away data with the demo in it */
export async function fuzz(url, { bodies, seed = 1909, slowMs = 2000, say = console.log }) {
  const random = lcg(seed);
  const MODEL = "/api/v1/models/marram-lass";
  const json = async (path) => (await fetch(url + path)).json();
  const openapi = await json("/api/v1/openapi.json");
  const document = await json(`${MODEL}?photos=none`);
  document.log = document.log.slice(0, 25);
  const small = structuredClone(document);
  small.parts = small.parts.slice(0, 1);
  const regions = new Set(small.parts.flatMap((p) => p.regions.map((r) => r.id)));
  small.log = small.log.filter((e) => regions.has(e.regionId));
  small.air = undefined;
  small.plan = null;
  small.planning = undefined;
  const kept = JSON.parse(JSON.stringify(small));
  const shelf = await json("/api/v1/shelf.json");
  const sums = await json("/api/v1/sums");
  const examples = Object.entries(openapi.paths).flatMap(([path, verbs]) =>
    Object.entries(verbs).flatMap(([verb, op]) => {
      const content = op.requestBody?.content?.["application/json"];
      const example = content?.example ?? Object.values(content?.examples ?? {})[0]?.value;
      return example && !path.includes("{") ? [{ verb: verb.toUpperCase(), path, body: example }] : [];
    }),
  );
  const now = new Date().toISOString();
  const targets = [
    ...examples,
    { verb: "POST", path: "/api/v1/plan", body: { document: kept, now } },
    {
      verb: "POST",
      path: "/api/v1/diagnose",
      body: { document: kept, region: kept.parts[0].regions[0].id, sign: "tacky", at: now },
    },
    { verb: "PUT", path: MODEL, body: document, put: true },
    {
      verb: "PUT",
      path: "/api/v1/models/fuzzed",
      body: { ...kept, model: { ...kept.model, id: "fuzzed" } },
      put: true,
    },
    { verb: "POST", path: "/api/v1/shelf.json", body: { ...shelf, products: shelf.products.slice(0, 3) }, put: true },
    {
      verb: "POST",
      path: "/api/v1/climate/readings",
      body: { at: now, temp_c: 12, rh_pct: 60, source: "fuzz" },
      put: true,
    },
    {
      verb: "POST",
      path: "/api/v1/check",
      body: { region: { material: "pla" }, layers: [{ product: shelf.products[0].id, coats: 2 }] },
    },
    ...sums.sums.map((s) => ({
      verb: "POST",
      path: `/api/v1/sums/${s.id}`,
      body: Object.fromEntries(s.inputs.map((i) => [i.id ?? i.name, i.usual ?? i.example ?? 1])),
    })),
  ].map((t) => ({ ...t, slots: slots(t.body) }));
  /** All that could be changed; what is told of the hour is left out. */
  const state = async () =>
    JSON.stringify([
      (await fetch(url + MODEL)).headers.get("etag"),
      await (await fetch(`${url}/api/v1/shelf.json`)).text(),
    ]);
  const tally = { sent: 0, taken: 0, refused: 0, faults: [], slow: [], changed: [] };
  let before = await state();
  for (let n = 0; n < bodies; n++) {
    const t = targets[Math.floor(random() * targets.length)];
    const body = spoiled(t.body, random, t.slots);
    const text = JSON.stringify(body);
    const began = performance.now();
    const headers = { "content-type": "application/json" };
    if (t.path === MODEL) headers["if-match"] = JSON.parse(before)[0];
    const answer = await fetch(url + t.path, {
      method: t.verb,
      headers,
      body: text,
      signal: AbortSignal.timeout(60_000),
    }).catch((e) => e);
    const tookMs = performance.now() - began;
    const what = {
      path: t.path,
      text: text.length > 4000 ? `${text.slice(0, 4000)}…` : text,
      n,
      tookMs: Math.round(tookMs),
    };
    tally.sent += 1;
    if (answer instanceof Error || answer.status >= 500)
      tally.faults.push({ ...what, status: String(answer.status ?? answer.name) });
    if (tookMs > slowMs) tally.slow.push(what);
    if (answer.ok) tally.taken += 1;
    else tally.refused += 1;
    if (!(answer instanceof Error)) await answer.arrayBuffer();
    if (!t.put) continue;
    const after = await state();
    if (!answer.ok && after !== before) tally.changed.push(what);
    before = after;
    if (n % 1000 === 999) say(`${n + 1} sent`);
  }
  return tally;
}
