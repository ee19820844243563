import { type IncomingMessage, request, type ServerResponse } from "node:http";
import { DEVICE_HEADER, type DeviceStore, type PairFault } from "../db/devices";
import { pairPage } from "./page";
import type { Tries } from "./tries";

/**
 * The door to the local network: a server of its own before the application, which stays on loopback. Everything, pages, actions, API
 * and events alike, passes here or not at all.
 *
 *   request ──1 known host? ──2 /pair ──3 known device? ──4 own origin? ──► the application, as if from this machine
 */
export interface DoorOptions {
  readonly store: DeviceStore;
  readonly tries: Tries;
  /** the application on loopback */
  readonly target: { readonly host: string; readonly port: number };
  /** names and addresses it answers to, without a port */
  readonly hosts: readonly string[];
  readonly secure: boolean;
  readonly nowMs: () => number;
}

const COOKIE = "elm-bench-device";
const YEAR_S = 365 * 86_400;
const MOST_FORM_BYTES = 4096;
const MOST_NAME = 60;

const FAULTS: Readonly<Record<PairFault, string>> = {
  unknown: "That link is not one of ours, or the pass phrase is wrong.",
  used: "That link has let a device in already; each does so once. Ask for another where Elm Bench was started.",
  expired: "That link is too old: it holds for ten minutes. Ask for another where Elm Bench was started.",
  "too-many": "Thirty devices are let in already. Remove one under Settings first.",
};

export const doorFor =
  (options: DoorOptions) =>
  (req: IncomingMessage, res: ServerResponse): void =>
    void handle(options, req, res).catch(() => refuse(res, 502, "Not reached", "The application does not answer."));

async function handle(o: DoorOptions, req: IncomingMessage, res: ServerResponse): Promise<void> {
  const host = req.headers.host ?? "";
  if (!o.hosts.includes(nameOf(host)))
    return refuse(res, 421, "Unknown host", "This door answers only to its own addresses.");
  const url = new URL(req.url ?? "/", `http://${host}`);
  if (url.pathname === "/pair") return pairing(o, req, res, url);
  const secret = cookieOf(req);
  const device = secret === null ? null : o.store.deviceOf(secret, o.nowMs());
  if (device === null) return stranger(req, res);
  const writes = req.method !== "GET" && req.method !== "HEAD";
  const { origin } = req.headers;
  const from = req.headers["sec-fetch-site"];
  const elsewhere = origin !== undefined && origin !== `${o.secure ? "https" : "http"}://${host}`;
  if (writes && (elsewhere || from === "cross-site" || from === "same-site"))
    return refuse(res, 403, "Other origin", "Writes are taken only from this application’s own pages.");
  forward(o, req, res, host, device.name);
}

/** Nothing of the application, not even its icon. */
function stranger(req: IncomingMessage, res: ServerResponse): void {
  const page = req.method === "GET" && (req.headers.accept ?? "").includes("text/html");
  if (page) res.writeHead(303, { location: "/pair", "cache-control": "no-store" }).end();
  else refuse(res, 401, "Not let in", "This device is not paired. Open /pair on it first.");
}

async function pairing(o: DoorOptions, req: IncomingMessage, res: ServerResponse, url: URL): Promise<void> {
  if (req.method === "GET") return show(res, 200, { token: url.searchParams.get("token"), name: "", fault: null });
  if (req.method !== "POST") return refuse(res, 405, "Not so", "Pairing takes GET and POST.");
  const address = req.socket.remoteAddress ?? "";
  const waitS = o.tries.waitS(address, o.nowMs());
  const body = await bodyOf(req);
  if (body === null) return refuse(res, 413, "Too large", "That is no pairing form.");
  const form = new URLSearchParams(body);
  const token = form.get("token");
  const name = (form.get("name") ?? "").trim().slice(0, MOST_NAME);
  if (waitS > 0) {
    res.setHeader("retry-after", String(waitS));
    const fault = `Too many wrong guesses. Try again in ${Math.ceil(waitS / 60)} min.`;
    return show(res, 429, { token, name, fault });
  }
  if (name === "") return show(res, 400, { token, name, fault: "Name: give this device a name you will know it by." });
  const paired = letIn(o, token, form.get("phrase") ?? "", name);
  if ("secret" in paired) {
    const flags = `Max-Age=${YEAR_S}; Path=/; HttpOnly; SameSite=Lax${o.secure ? "; Secure" : ""}`;
    res.writeHead(303, { location: "/bench", "set-cookie": `${COOKIE}=${paired.secret}; ${flags}` }).end();
    return;
  }
  if (paired.fault === "unknown") o.tries.missed(address, o.nowMs());
  show(res, 403, { token: paired.fault === "too-many" ? token : null, name, fault: FAULTS[paired.fault] });
}

function letIn(
  o: DoorOptions,
  token: string | null,
  phrase: string,
  name: string,
): { secret: string } | { fault: PairFault } {
  if (token !== null) return o.store.pairByToken(token, name, o.nowMs());
  return o.store.phraseIs(phrase) ? o.store.pair(name, o.nowMs()) : { fault: "unknown" };
}

/** On to the application, which takes it for a request of this machine; where it points to itself, it points here. */
function forward(o: DoorOptions, req: IncomingMessage, res: ServerResponse, host: string, by: string): void {
  const inside = `${o.target.host}:${o.target.port}`;
  const { cookie, "x-forwarded-host": _, "x-forwarded-for": __, "x-forwarded-proto": ___, ...headers } = req.headers;
  const others = (cookie ?? "").split(/;\s*/).filter((c) => c !== "" && !c.startsWith(`${COOKIE}=`));
  const onward = request(
    {
      ...o.target,
      method: req.method,
      path: req.url,
      headers: {
        ...headers,
        host: inside,
        // what a device says of itself here is overwritten: the name is the one it was given
        [DEVICE_HEADER]: encodeURIComponent(by),
        ...(headers.origin ? { origin: `http://${inside}` } : {}),
        ...(others.length > 0 ? { cookie: others.join("; ") } : {}),
      },
    },
    (answer) => {
      const { location } = answer.headers;
      const own = location?.replace(`http://${inside}`, `${o.secure ? "https" : "http"}://${host}`);
      res.writeHead(answer.statusCode ?? 502, { ...answer.headers, ...(own ? { location: own } : {}) });
      answer.pipe(res);
    },
  );
  onward.on("error", () => {
    if (!res.headersSent) refuse(res, 502, "Not reached", "The application does not answer.");
    else res.destroy();
  });
  res.on("close", () => onward.destroy());
  req.pipe(onward);
}

/** A short form's text; null = it is longer than any of ours, and the rest of it is not kept. */
function bodyOf(req: IncomingMessage): Promise<string | null> {
  return new Promise((done, fail) => {
    let text = "";
    req.setEncoding("utf8");
    req.on("data", (piece: string) => {
      if (text.length <= MOST_FORM_BYTES) text += piece;
    });
    req.on("end", () => done(text.length > MOST_FORM_BYTES ? null : text));
    req.on("error", fail);
  });
}

const nameOf = (host: string): string => host.replace(/:\d+$/, "").toLowerCase();

function cookieOf(req: IncomingMessage): string | null {
  const found = (req.headers.cookie ?? "").split(/;\s*/).find((c) => c.startsWith(`${COOKIE}=`));
  return found ? found.slice(COOKIE.length + 1) : null;
}

const GUARDED = {
  "cache-control": "no-store",
  "content-security-policy":
    "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
};

function show(res: ServerResponse, status: number, page: Parameters<typeof pairPage>[0]): void {
  res.writeHead(status, { ...GUARDED, "content-type": "text/html; charset=utf-8" }).end(pairPage(page));
}

function refuse(res: ServerResponse, status: number, title: string, detail: string): void {
  if (res.headersSent) return void res.destroy();
  res
    .writeHead(status, { ...GUARDED, "content-type": "application/problem+json" })
    .end(JSON.stringify({ type: "about:blank", title, status, detail }));
}
