import { MAX_BODY_MIB, type Outcome, type Problem, type ProblemCode } from "@/contracts";
import { asStored } from "@/format";

const MAX_BODY_BYTES = MAX_BODY_MIB * 1024 * 1024;

const STATUS: Readonly<Record<ProblemCode, number>> = {
  invalid: 422,
  "not-found": 404,
  conflict: 409,
  refused: 409,
  "in-use": 409,
  "newer-format": 422,
  "too-large": 413,
  "storage-missing": 503,
  "storage-in-use": 503,
  "storage-locked": 503,
  "storage-read-only": 503,
  "storage-damaged": 503,
  "storage-full": 507,
  "storage-newer": 503,
};

/** An RFC 9457 problem document. */
export function problemResponse(problem: Problem, status = STATUS[problem.code]): Response {
  const body = {
    type: `urn:elm-bench:problem:${problem.code}`,
    title: problem.code,
    status,
    detail: problem.detail,
    errors: problem.fields,
  };
  return Response.json(body, { status, headers: { "content-type": "application/problem+json" } });
}

export const jsonResponse = (value: unknown, status = 200): Response => Response.json(value, { status });

const refuse = (code: ProblemCode, detail: string): { ok: false; problem: Problem } => ({
  ok: false,
  problem: { code, detail, fields: [] },
});

/** The body, read no further than the limit whatever its headers promise. */
export async function readBytes(request: Request): Promise<Outcome<Buffer>> {
  const reader = request.body?.getReader();
  if (!reader) return refuse("invalid", "The body is empty.");
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    bytes += part.value.byteLength;
    if (bytes > MAX_BODY_BYTES) {
      await reader.cancel();
      return refuse("too-large", `The body is over ${MAX_BODY_MIB} MiB.`);
    }
    chunks.push(part.value);
  }
  return { ok: true, value: Buffer.concat(chunks) };
}

/** The body as JSON. */
async function readJson(request: Request): Promise<Outcome<unknown>> {
  const body = await readBytes(request);
  if (!body.ok) return body;
  try {
    return { ok: true, value: JSON.parse(body.value.toString("utf8")) };
  } catch (error) {
    return refuse("invalid", `The body is not JSON: ${(error as Error).message}`);
  }
}

/** Reads the body, runs the use case, and answers with its value or its problem. */
export async function answer<T>(
  request: Request,
  use: (body: unknown) => Outcome<T> | Promise<Outcome<T>>,
  tell: (value: T) => unknown,
): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  const outcome = await use(body.value);
  return outcome.ok ? jsonResponse(asStored(() => tell(outcome.value))) : problemResponse(outcome.problem);
}
