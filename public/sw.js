/** Keeps the last state of the bench, so that the phone at the booth shows it while Elm Bench is out of reach. */

const PAGES = "elm-bench-pages-1";
const PARTS = "elm-bench-parts-1";
const BENCH = "/bench";
/** Builds leave their parts behind: the newest are kept. */
const MOST_PARTS = 250;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

self.addEventListener("fetch", (e) => {
  const { request } = e;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== self.location.origin) return;
  if (url.pathname.startsWith("/_next/static/")) e.respondWith(part(request));
  else if (request.mode === "navigate") e.respondWith(page(request, url));
});

/** Named by what is in them, so they never change. */
async function part(request) {
  const cache = await caches.open(PARTS);
  const kept = await cache.match(request);
  if (kept) return kept;
  const fresh = await fetch(request);
  if (fresh.ok) {
    await cache.put(request, fresh.clone());
    const all = await cache.keys();
    for (const old of all.slice(0, Math.max(0, all.length - MOST_PARTS))) await cache.delete(old);
  }
  return fresh;
}

/** From the server while it answers; the bench as it was last, marked with when, once it does not. */
async function page(request, url) {
  try {
    const fresh = await fetch(request);
    // a door whose application is gone says so with a 502
    if (fresh.status === 502) throw new Error("the application is not there");
    if (fresh.ok && !fresh.redirected && url.pathname === BENCH) await keep(fresh.clone());
    // sent away from the bench it is a device that was shut out: it has no business with what was kept
    if (fresh.type === "opaqueredirect" && url.pathname === BENCH) await caches.delete(PAGES);
    return fresh;
  } catch (error) {
    const kept = await (await caches.open(PAGES)).match(BENCH);
    if (!kept) throw error;
    return url.pathname === BENCH ? kept : Response.redirect(BENCH, 302);
  }
}

async function keep(response) {
  const text = await response.text();
  const headers = new Headers(response.headers);
  for (const name of ["content-length", "content-encoding", "transfer-encoding"]) headers.delete(name);
  const marked = text.replace("<html ", `<html data-kept-ms="${Date.now()}" `);
  await (await caches.open(PAGES)).put(BENCH, new Response(marked, { headers }));
}
