import * as server from "@/server";
import { problemResponse } from "../../../../http";

export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const log = server.exportLog(id, Object.fromEntries(new URL(request.url).searchParams), "json");
  if (!log.ok) return problemResponse(log.problem);
  return new Response(log.value, {
    headers: { "content-type": "application/json", "content-disposition": `attachment; filename="${id}-log.json"` },
  });
}
