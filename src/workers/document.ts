import { createHash } from "node:crypto";
import {
  canonicalJson,
  DOCUMENT_FORMAT,
  diagnoseRequestSchema,
  documentSchema,
  done,
  failed,
  invalid,
  type ModelDocument,
  OLDER_FORMATS,
  type Outcome,
  type PhotoType,
  planRequestSchema,
  type SchemaOf,
  upgradeDocument,
} from "@/contracts";
import { isOneOf, type Product } from "@/core/model";
import { PICTURE_FAULTS, pictureOf } from "./picture";

/** Documents read and written: what takes its time with a big one, and needs nothing but the document. */

const MAX_FORMAT_TOLD = 40;

/** Refuses what is not ours, is newer, or is broken, with the path of the fault. */
export function readDocument(input: unknown): Outcome<ModelDocument> {
  const format = typeof input === "object" && input !== null ? (input as { format?: unknown }).format : undefined;
  if (typeof format !== "string")
    return failed("invalid", "format is missing: this is not an Elm Bench document.", [
      { path: "format", message: "is missing" },
    ]);
  if (isOneOf(OLDER_FORMATS)(format)) return readDocument(upgradeDocument(input as object));
  if (format !== DOCUMENT_FORMAT) {
    const newer = /^elm-bench\/([0-9]+)$/.test(format);
    const told = format.slice(0, MAX_FORMAT_TOLD);
    return failed(
      newer ? "newer-format" : "invalid",
      newer
        ? `format: the document is ${told}, this application reads ${DOCUMENT_FORMAT}. Update the application first.`
        : `format: ${told} is not an Elm Bench document.`,
      [{ path: "format", message: `is ${told}, not ${DOCUMENT_FORMAT}` }],
    );
  }
  const parsed = documentSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  for (const [hash, photo] of Object.entries(parsed.data.photos ?? {})) {
    const message = photoFault(hash, photo);
    if (message) return failed("invalid", `photos.${hash} ${message}`, [{ path: `photos.${hash}`, message }]);
  }
  for (const [hash, card] of Object.entries(parsed.data.cards ?? {}))
    if (hashOfCard(card as Product) !== hash)
      return failed("invalid", `cards.${hash} holds another card than its name says`, [
        { path: `cards.${hash}`, message: "holds another card than its name says" },
      ]);
  return done(parsed.data);
}

function photoFault(hash: string, photo: NonNullable<ModelDocument["photos"]>[string]): string | null {
  const bytes = Buffer.from(photo.base64, "base64");
  if (hashOfBytes(bytes) !== hash) return "holds another picture than its name says";
  const picture = pictureOf(bytes);
  if (!picture.ok) return PICTURE_FAULTS[picture.fault];
  return picture.type === photo.type ? null : `is ${picture.type}, not ${photo.type}`;
}

/** Name of a card: the hash of its canonical text. */
export const hashOfCard = (card: Product): string => hashOfBytes(Buffer.from(canonicalJson(card)));

/** Name of a picture: the hash of what it holds. */
export const hashOfBytes = (bytes: Uint8Array): string => createHash("sha256").update(bytes).digest("hex");

/** A file's text: what is not JSON is refused with the place of the fault. */
export function readText(text: string): Outcome<ModelDocument> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return failed("invalid", `The file is not JSON: ${(error as Error).message}`, [
      { path: "", message: "is not JSON" },
    ]);
  }
  return readDocument(value);
}

export interface SentPhoto {
  readonly hash: string;
  readonly type: PhotoType;
  readonly bytes: Uint8Array;
}

/** The one way of writing a document: the same model always gives the same bytes. */
export function writeText(doc: ModelDocument, photos: readonly SentPhoto[]): string {
  const byHash = photos.map((p) => [p.hash, { type: p.type, base64: Buffer.from(p.bytes).toString("base64") }]);
  return canonicalJson({
    ...doc,
    products: [...doc.products].sort((a, b) => (a.id < b.id ? -1 : 1)),
    ...(photos.length > 0 ? { photos: Object.fromEntries(byHash) } : {}),
  });
}

export interface PlanRequest {
  readonly document: ModelDocument;
  readonly now?: string | undefined;
}

/** What is sent to be planned; a fault inside the document is named from the request down. */
export const readPlanRequest = (body: unknown): Outcome<PlanRequest> => readWithDocument(body, planRequestSchema);
export const readDiagnoseRequest = (body: unknown) => readWithDocument(body, diagnoseRequestSchema);

/** A request that holds a document: whatever is wrong in that is told by its own path. */
function readWithDocument<T>(body: unknown, schema: SchemaOf<T>): Outcome<T> {
  const inner = typeof body === "object" && body !== null && "document" in body ? readDocument(body.document) : null;
  if (inner && !inner.ok) {
    const fields = inner.problem.fields.map((f) => ({ ...f, path: ["document", f.path].filter(Boolean).join(".") }));
    return { ok: false, problem: { ...inner.problem, fields } };
  }
  const parsed = schema.safeParse(inner?.ok ? { ...(body as object), document: inner.value } : body);
  return parsed.success ? done(parsed.data) : invalid(parsed.error);
}
