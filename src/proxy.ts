import { type NextRequest, NextResponse } from "next/server";
import { MAX_BODY_MIB } from "@/contracts/limits";

const LOOPBACK = ["localhost", "127.0.0.1", "[::1]"];
/** Names this server answers to; more only when its owner says so. */
const hosts = (): readonly string[] => [
  ...LOOPBACK,
  ...(process.env.ELM_BENCH_HOSTS?.split(",")
    .map((h) => h.trim())
    .filter(Boolean) ?? []),
];
const MAX_API_BODY_BYTES = MAX_BODY_MIB * 1024 * 1024;

const nameOf = (host: string): string => host.replace(/:\d+$/, "");

function refuse(status: number, title: string, detail: string): NextResponse {
  return NextResponse.json(
    { type: "about:blank", title, status, detail },
    { status, headers: { "content-type": "application/problem+json" } },
  );
}

/** Every request: known host, same origin for writes, bounded size, and a content policy without remote sources. */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get("host") ?? "";
  if (!hosts().includes(nameOf(host)))
    return refuse(
      421,
      "Unknown host",
      "This server answers only to the names it was told. Set ELM_BENCH_HOSTS to add one.",
    );
  const origin = request.headers.get("origin");
  const writes = request.method !== "GET" && request.method !== "HEAD";
  const elsewhere = origin !== null && origin !== `http://${host}` && origin !== `https://${host}`;
  // a browser says where a write comes from, also where it sends no origin; a programme says neither
  const from = request.headers.get("sec-fetch-site");
  if (writes && (elsewhere || from === "cross-site" || from === "same-site"))
    return refuse(403, "Other origin", "Writes are taken only from this application’s own pages.");
  if (Number(request.headers.get("content-length") ?? 0) > MAX_API_BODY_BYTES)
    return refuse(413, "Too large", `The body is over ${MAX_BODY_MIB} MiB.`);
  const nonce = btoa(crypto.randomUUID());
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${process.env.NODE_ENV === "development" ? " 'unsafe-eval'" : ""}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("referrer-policy", "same-origin");
  return response;
}

export const config = { matcher: "/((?!_next/static|icon.svg).*)" };
