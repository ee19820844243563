import { SUM_TEXT, sumNote } from "@/messages";
import * as server from "@/server";
import { answer } from "../../../http";
import { sumResultJson } from "../json";

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** One sum, with what is sent; nothing is kept. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  return answer(
    request,
    (body) => server.askSum(id, body),
    (of) => ({
      sum: of.id,
      title: SUM_TEXT[of.id].title,
      ...sumResultJson(of.result),
      notes: of.result.notes.map((code) => ({ code, text: sumNote(of.id, code) })),
    }),
  );
}
