/**
 * The application's own server. What it turns away never reaches the application: a method it does not have, an address that
 * cannot be read, and a request from the network that says it is from this machine.
 */
import { createServer } from "node:http";
import { resolve } from "node:path";
import { fileURLToPath } from "node:url";
import next from "next";
import { turns } from "./lib/turns.mjs";

const [port, host] = process.argv.slice(2);
const dir = resolve(fileURLToPath(import.meta.url), "../..");

const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS"];
const LOOPBACK_NAMES = ["localhost", "127.0.0.1", "[::1]", ""];

const fromHere = (address = "") => address === "::1" || /^(::ffff:)?127\./.test(address);
const nameOf = (hostHeader = "") => hostHeader.replace(/:\d+$/, "").toLowerCase();

function readable(url = "/") {
  try {
    decodeURIComponent(new URL(url, "http://here").pathname);
    return true;
  } catch {
    return false;
  }
}

/** Why a request is not taken; null = it is. */
function turnedAway({ method, url, headers, socket }) {
  if (!METHODS.includes(method)) return [405, "Not so", `${method} is not taken here.`];
  if (!readable(url)) return [400, "Not an address", "The address holds a % that stands for nothing."];
  if (!fromHere(socket.remoteAddress) && LOOPBACK_NAMES.includes(nameOf(headers.host)))
    return [421, "Unknown host", "From the network this server answers only to the names in ELM_BENCH_HOSTS."];
  return null;
}

function refuse(res, [status, title, detail]) {
  const headers = {
    "content-type": "application/problem+json",
    ...(status === 405 ? { allow: METHODS.join(", ") } : {}),
  };
  res.writeHead(status, headers).end(JSON.stringify({ type: "about:blank", title, status, detail }));
}

const app = next({ dev: false, dir, hostname: host, port: Number(port), quiet: true });
await app.prepare();
const handle = app.getRequestHandler();
/** So many at a time are quicker for each of them than all at once. */
const AT_ONCE = 4;
/** Who waits for a plan, or listens for as long as a page is open, holds nobody up for longer. */
const LONG_MS = 250;
/** More than this a line does not come down again while anybody still waits. */
const LONGEST_LINE = 1000;
const inTurn = turns(AT_ONCE, LONG_MS, LONGEST_LINE);
/** Files of the application itself cost nothing. */
const isFile = (url = "") => url.startsWith("/_next/static/");

const server = createServer((req, res) => {
  const why = turnedAway(req);
  if (why) return refuse(res, why);
  // nothing is packed for this very machine: it costs more than the way it saves
  if (fromHere(req.socket.remoteAddress)) delete req.headers["accept-encoding"];
  if (isFile(req.url)) return void handle(req, res);
  const serve = (done) => {
    res.once("close", done);
    void handle(req, res);
  };
  if (!inTurn(serve, () => req.socket.destroyed)) {
    res.setHeader("retry-after", "5");
    refuse(res, [
      503,
      "Too much at once",
      "More is asked of this server than it can answer. Nothing was saved; try again in a moment.",
    ]);
  }
});
server.listen(Number(port), host);
/** A page left open holds its stream for as long as it can; what is acknowledged is on disk by then. */
const LEAVES_AFTER_MS = 2000;
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), LEAVES_AFTER_MS);
  });
