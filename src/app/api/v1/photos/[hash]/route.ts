import * as server from "@/server";
import { problemResponse } from "../../../http";

/** A picture never changes under its name. */
const FOREVER = "private, max-age=31536000, immutable";

export async function GET(_request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  const { hash } = await params;
  const photo = server.getPhoto(hash);
  if (!photo.ok) return problemResponse(photo.problem);
  return new Response(new Uint8Array(photo.value.bytes), {
    headers: { "content-type": photo.value.type, "cache-control": FOREVER },
  });
}
