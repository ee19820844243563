import { failed, type ModelDocument, type Outcome } from "@/contracts";
import * as server from "@/server";
import { jsonResponse, problemResponse, readBytes } from "../../../http";

type Context = { params: Promise<{ id: string }> };

/** The whole model as one canonical elm-bench/2 document; its ETag guards a later PUT. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const asked = new URL(request.url).searchParams;
  const tag = server.versionOf(id);
  if (!tag.ok) return problemResponse(tag.problem);
  const text = await server.exportFile(id, asked.get("photos") !== "none");
  if (!text.ok) return problemResponse(text.problem);
  const headers = new Headers({ "content-type": "application/json; charset=utf-8", etag: `"${tag.value}"` });
  if (asked.has("download")) headers.set("content-disposition", `attachment; filename="${id}.elm-bench.json"`);
  return new Response(text.value, { headers });
}

/** What stands between a document and the model it would replace; null = nothing. */
function guard(request: Request, id: string, document: ModelDocument): Outcome<never> | null {
  const named = document.model.id;
  if (named !== id)
    return failed("invalid", `model.id is ${named}, the address says ${id}`, [
      { path: "model.id", message: `is not ${id}` },
    ]);
  const here = server.versionOf(id);
  if (!here.ok) return here.problem.code === "not-found" ? null : here;
  if (request.headers.get("if-match") === `"${here.value}"`) return null;
  return failed(
    "conflict",
    "The model is here already. Send If-Match with the ETag of the version you read; if it differs, somebody changed it since.",
  );
}

/** Brings a whole model in, new or over the version whose ETag is sent in If-Match. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const body = await readBytes(request);
  if (!body.ok) return problemResponse(body.problem);
  const read = await server.readFile(body.value.toString("utf8"));
  if (!read.ok) return problemResponse(read.problem);
  // from here on nothing else is let in between: what is guarded is what is replaced
  const refused = guard(request, id, read.value);
  if (refused && !refused.ok)
    return problemResponse(refused.problem, refused.problem.code === "conflict" ? 412 : undefined);
  const outcome = server.importRead(read.value, { onExisting: "replace", takeShop: false });
  return outcome.ok ? jsonResponse(outcome.value) : problemResponse(outcome.problem);
}
