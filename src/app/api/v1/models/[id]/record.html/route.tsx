import * as server from "@/server";
import { RecordSheet } from "@/ui/record/RecordSheet";
import { problemResponse } from "../../../../http";

/** The record as one file: no script, nothing fetched, pictures inside. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const record = server.getRecord(id);
  if (!record.ok) return problemResponse(record.problem);
  // asked for here alone: the framework keeps it out of pages, where it has no business
  const { renderToStaticMarkup } = await import("react-dom/server");
  const body = renderToStaticMarkup(<RecordSheet record={record.value} photo={inside} only="all" regionId={null} />);
  const title = record.value.model.name.replace(/[&<>]/g, "");
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'"><title>${title}</title></head><body>${body}</body></html>`;
  return new Response(html, {
    headers: {
      "content-type": "text/html; charset=utf-8",
      "content-disposition": `attachment; filename="${id}-record.html"`,
    },
  });
}

/** A picture as it stands in the file; one that is gone is left out. */
function inside(hash: string): string | null {
  const photo = server.getPhoto(hash);
  return photo.ok ? `data:${photo.value.type};base64,${Buffer.from(photo.value.bytes).toString("base64")}` : null;
}
