import * as server from "@/server";
import { jsonResponse, problemResponse, readBytes } from "../../../http";

/** Takes a forecast over, CSV or JSON by its content type: all of it or nothing; says what was taken for granted. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBytes(request);
  if (!body.ok) return problemResponse(body.problem);
  const kind = (request.headers.get("content-type") ?? "").includes("json") ? "json" : "csv";
  const outcome = server.importForecast(body.value.toString("utf8"), kind);
  return outcome.ok ? jsonResponse(outcome.value) : problemResponse(outcome.problem);
}
