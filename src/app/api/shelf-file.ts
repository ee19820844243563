import * as server from "@/server";
import { jsonResponse, problemResponse, readBytes } from "./http";

const TYPE: Readonly<Record<server.FileKind, string>> = {
  csv: "text/csv; charset=utf-8; header=present",
  json: "application/json; charset=utf-8",
};

/** The shelf as a file. */
export function getShelfFile(kind: server.FileKind, request: Request): Response {
  const text = server.exportShelf(kind);
  if (!text.ok) return problemResponse(text.problem);
  const headers = new Headers({ "content-type": TYPE[kind] });
  if (new URL(request.url).searchParams.has("download"))
    headers.set("content-disposition", `attachment; filename="shelf.${kind}"`);
  return new Response(text.value, { headers });
}

/** Takes a shelf file over, all of it or nothing; `?existing=replace` lets it change products that are here. */
export async function postShelfFile(kind: server.FileKind, request: Request): Promise<Response> {
  const body = await readBytes(request);
  if (!body.ok) return problemResponse(body.problem);
  const existing = new URL(request.url).searchParams.get("existing") === "replace" ? "replace" : "keep";
  const outcome = server.importShelf(body.value.toString("utf8"), kind, existing);
  return outcome.ok ? jsonResponse(outcome.value) : problemResponse(outcome.problem);
}
