import * as server from "@/server";
import { jsonResponse, problemResponse } from "../../http";
import { lampJson } from "./json";

/** The curing lamp as it was last read, and how long a side lies under it. */
export function GET(): Response {
  const now = server.getLamp();
  return now.ok ? jsonResponse(lampJson(now.value)) : problemResponse(now.problem);
}
