import { logTitle } from "@/messages";
import * as server from "@/server";
import { problemResponse } from "../../../../http";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const calendar = server.planCalendar(id, logTitle);
  if (!calendar.ok) return problemResponse(calendar.problem);
  return new Response(calendar.value, {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": `attachment; filename="${id}-plan.ics"`,
    },
  });
}
