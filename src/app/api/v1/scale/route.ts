import * as server from "@/server";
import { jsonResponse, problemResponse } from "../../http";
import { scaleJson } from "./json";

/** What the scale said last; null = nothing since the application was started. */
export function GET(): Response {
  const now = server.getScale();
  return now.ok ? jsonResponse({ reading: now.value && scaleJson(now.value) }) : problemResponse(now.problem);
}
