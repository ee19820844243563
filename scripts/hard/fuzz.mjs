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

const slots = (value, path = []) =>
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

function spoiled(good, random, all = slots(good)) {
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

/** The same document as another model's, whose ids nobody else has. */
function underOtherIds(doc, modelId) {
  const ids = [
    ...doc.parts.flatMap((p) => [p.id, ...p.regions.flatMap((r) => [r.id, ...r.stack.layers.map((l) => l.id)])]),
    ...doc.log.map((e) => e.id),
    ...doc.coupons.map((c) => c.id),
  ].sort((a, b) => b.length - a.length);
  const text = ids.reduce(
    (t, id) => t.replaceAll(new RegExp(`"${id}(?=["~:])`, "g"), `"${modelId}-${id}`),
    JSON.stringify(doc),
  );
  const other = JSON.parse(text);
  return { ...other, model: { ...other.model, id: modelId } };
}

/** A value for what a sum asks: its usual one, else the first of its choices, else the middle of its range. */
const filledIn = (input) =>
  input.usual ??
  input.options?.[0] ??
  (input.kind === "colour"
    ? "#808080"
    : input.kind === "numbers"
      ? [input.min, input.max]
      : ((input.min ?? 0) + (input.max ?? 2)) / 2);

/** @param url of a server on throw-away data with the demo in it */
export async function fuzz(url, { bodies, seed = 1909, slowMs = 2000, say = console.log }) {
  const random = lcg(seed);
  const MODEL = "/api/v1/models/marram-lass";
  const json = async (path) => (await fetch(url + path)).json();
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
  const now = new Date().toISOString();
  const targets = [
    { verb: "POST", path: "/api/v1/plan", body: { document: kept, now } },
    {
      verb: "POST",
      path: "/api/v1/diagnose",
      body: { document: kept, region: kept.parts[0].regions[0].id, sign: "haze", at: now },
    },
    { verb: "PUT", path: MODEL, body: document, put: true },
    {
      verb: "PUT",
      path: "/api/v1/models/fuzzed",
      body: underOtherIds(kept, "fuzzed"),
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
    {
      verb: "POST",
      path: "/api/v1/suggest",
      body: {
        region: { material: "petg", conditions: ["clean"], finish: "seen", exposure: ["handled"], area_cm2: 200 },
        until: "clear",
        colour: "estuary-blue",
        why_not: ["two-pack-gloss"],
      },
    },
    {
      verb: "POST",
      path: "/api/v1/film",
      body: {
        layers: [{ product: "build-primer", coats: 2, wft_um: 70 }],
        air: { temp_c: 20, rh_pct: 50 },
        sample_minutes: [1, 90],
      },
    },
    {
      verb: "POST",
      path: "/api/v1/film",
      body: {
        layers: [
          {
            wft_um: 60,
            applied_at_min: 0,
            beta: 5,
            Ed: 30_000,
            dH: 40_000,
            water: false,
            kappa: 0.1,
            phiFormed: 0.2,
            phi0: 0.6,
            k: 1,
            D0: 100,
          },
        ],
        climate: [
          { minute: 0, temp_c: 15, rh_pct: 60, airflow: 1 },
          { minute: 600, temp_c: 8, rh_pct: 80, airflow: 1 },
        ],
        phi_max_threshold: 0.05,
        sample_minutes: [10, 60],
      },
    },
    {
      verb: "POST",
      path: "/api/v1/learn",
      body: {
        looks: [
          { product: "a", predicted_min: 60, after_min: 50, by_min: 90 },
          { product: "b", predicted_min: 200, at_min: 150 },
        ],
        products: ["a", "b", "c"],
      },
    },
    {
      verb: "POST",
      path: "/api/v1/read-label",
      body: { text: "Touch dry 30 min, recoat after 2 h or within 24 h at 20 °C" },
    },
    {
      verb: "POST",
      path: "/api/v1/lamp/readings",
      body: { at: now, irradiance_mw_cm2: 12, distance_cm: 10 },
      put: true,
    },
    { verb: "POST", path: "/api/v1/scale/readings", body: { mass_g: 12.5 }, put: true },
    ...sums.sums.map((s) => ({
      verb: "POST",
      path: `/api/v1/sums/${s.id}`,
      body: Object.fromEntries(s.inputs.map((i) => [i.id, filledIn(i)])),
    })),
  ].map((t) => ({ ...t, slots: slots(t.body) }));
  const versionOf = async (path) => (await fetch(url + path)).headers.get("etag");
  /** All that could be changed, but for what changes by itself: a plan made beside it, and the hour. */
  const state = async () => {
    const { plan: _, ...own } = await json(`${MODEL}?photos=none`);
    const others = ["/api/v1/models/fuzzed", MODEL].map(versionOf);
    const told = ["/api/v1/shelf.json", "/api/v1/lamp", "/api/v1/scale"].map(async (path) =>
      (await fetch(url + path)).text(),
    );
    return JSON.stringify([own, await Promise.all(others), await Promise.all(told)]);
  };
  const send = async ({ verb, path }, text) => {
    const tag = verb === "PUT" ? await versionOf(path) : null;
    const headers = { "content-type": "application/json", ...(tag ? { "if-match": tag } : {}) };
    return fetch(url + path, { method: verb, headers, body: text, signal: AbortSignal.timeout(60_000) });
  };
  // a body that is wrong before anything is spoilt would prove nothing
  const unfit = [];
  for (const t of targets) {
    const answer = await send(t, JSON.stringify(t.body));
    const told = await answer.text();
    if (!answer.ok) unfit.push(`${t.path}: ${answer.status} ${told.slice(0, 200)}`);
  }
  const tally = { kinds: targets.length, unfit, sent: 0, taken: 0, refused: 0, faults: [], slow: [], changed: [] };
  let before = await state();
  for (let n = 0; n < bodies; n++) {
    const t = targets[Math.floor(random() * targets.length)];
    const body = spoiled(t.body, random, t.slots);
    const text = JSON.stringify(body);
    const began = performance.now();
    const answer = await send(t, text).catch((e) => e);
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
