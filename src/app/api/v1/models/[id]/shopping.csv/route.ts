import * as server from "@/server";
import { problemResponse } from "../../../../http";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const list = server.shoppingList(id);
  if (!list.ok) return problemResponse(list.problem);
  return new Response(list.value, {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="${id}-shopping.csv"`,
    },
  });
}
