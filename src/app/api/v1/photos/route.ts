import * as server from "@/server";
import { jsonResponse, problemResponse, readBytes } from "../../http";

/** Keeps a picture and answers with the name it goes by. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBytes(request);
  if (!body.ok) return problemResponse(body.problem);
  const outcome = server.addPhoto(body.value);
  return outcome.ok ? jsonResponse(outcome.value, 201) : problemResponse(outcome.problem);
}
