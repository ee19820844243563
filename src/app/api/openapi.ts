import { z } from "zod";
import {
  checkRequestSchema,
  DOCUMENT_FORMAT,
  documentSchema,
  filmApplicationSchema,
  filmCaseSchema,
  labelTextSchema,
  lampReadingSchema,
  learnRequestSchema,
  planRequestSchema,
  readingsRequestSchema,
  SUM_IDS,
  scaleReadingSchema,
  suggestRequestSchema,
  sumSchema,
} from "@/contracts";

const schemaOf = (schema: z.ZodType): unknown => z.toJSONSchema(schema, { unrepresentable: "any", io: "input" });

const json = (schema: unknown) => ({ "application/json": { schema } });
const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const problems = {
  "4XX": {
    description: "What is wrong, with the field named",
    content: { "application/problem+json": { schema: ref("Problem") } },
  },
  "503": {
    description: "The database cannot be used",
    content: { "application/problem+json": { schema: ref("Problem") } },
  },
};
const ok = (description: string, content: unknown) => ({ "200": { description, content }, ...problems });
const modelId = { name: "id", in: "path", required: true, schema: { type: "string" } };

const shelfFile = (type: string) => ({
  get: {
    summary: "The shelf as a file",
    responses: ok("One product a line or an entry", { [type]: { schema: { type: "string" } } }),
  },
  post: {
    summary: "Take a shelf file over, all of it or nothing",
    parameters: [{ name: "existing", in: "query", required: false, schema: { enum: ["keep", "replace"] } }],
    requestBody: { required: true, content: { [type]: { schema: { type: "string" } } } },
    responses: ok("How many were added, changed and kept", json({ type: "object" })),
  },
});

/** The document format as JSON Schema. */
export const documentJsonSchema = (): unknown => schemaOf(documentSchema);

/** The HTTP face as OpenAPI 3.1; request schemas come from the contracts, so they cannot drift from what is checked. */
export function openApi() {
  return {
    openapi: "3.1.0",
    info: {
      title: "Elm Bench",
      version: "1",
      description: "Judging coating stacks and planning their work. JSON, µm, minutes, °C, cm².",
    },
    paths: {
      "/api/v1/check": {
        post: {
          summary: "Judge a stack",
          requestBody: { required: true, content: json(ref("CheckRequest")) },
          responses: ok("Verdicts, steps, limits and film ledger", json({ type: "object" })),
        },
      },
      "/api/v1/suggest": {
        post: {
          summary: "Find the best stacks for a region",
          requestBody: { required: true, content: json(ref("SuggestRequest")) },
          responses: ok("The best stacks, the trades between them, and why not others", json({ type: "object" })),
        },
      },
      "/api/v1/read-label": {
        post: {
          summary: "Read the text of a label, technical sheet or safety data sheet",
          requestBody: { required: true, content: json(ref("LabelText")) },
          responses: ok(
            "Figures with the words they came from, solvents, hazards, and what was not taken",
            json({ type: "object" }),
          ),
        },
      },
      "/api/v1/film": {
        post: {
          summary: "Run the film model on a case in its own figures, or on products",
          requestBody: {
            required: true,
            content: json({ oneOf: [ref("FilmCase"), ref("FilmApplication")] }),
          },
          responses: ok(
            "Times, samples, mass balance; null and an outcome where it is never reached",
            json({ type: "object" }),
          ),
        },
      },
      "/api/v1/climate": {
        get: {
          summary: "The shed's air from a day back to three days ahead",
          responses: ok("Points, and what each stretch rests on", json({ type: "object" })),
        },
      },
      "/api/v1/climate/readings": {
        post: {
          summary: "Readings of a thermo-hygrometer; the same minute told again replaces what was told",
          requestBody: { required: true, content: json(ref("Readings")) },
          responses: ok("How many were taken, and the air now", json({ type: "object" })),
        },
      },
      "/api/v1/climate/forecast": {
        post: {
          summary: "Take a forecast over, all of it or nothing",
          requestBody: {
            required: true,
            content: { "text/csv": { schema: { type: "string" } }, ...json({ type: "object" }) },
          },
          responses: ok("Hours taken over, and what was taken for granted", json({ type: "object" })),
        },
      },
      "/api/v1/climate/live": {
        get: {
          summary: "The air as it changes and plans as they are made, as server-sent events",
          responses: ok("Events named air and plan", { "text/event-stream": { schema: { type: "string" } } }),
        },
      },
      "/api/v1/lamp": {
        get: {
          summary: "The curing lamp as it was last read, and how long a side of a printed part lies under it",
          responses: ok("Light at the part, minutes a side", json({ type: "object" })),
        },
      },
      "/api/v1/lamp/readings": {
        post: {
          summary: "What a lamp meter reads; the last reading counts",
          requestBody: { required: true, content: json(ref("LampReading")) },
          responses: ok("The lamp as it now stands", json({ type: "object" })),
        },
      },
      "/api/v1/learn": {
        post: {
          summary: "What looks at the bench tell of a shed and its products; keeps nothing",
          requestBody: { required: true, content: json(ref("LearnRequest")) },
          responses: ok(
            "Median, p10 and p90 of the shed’s own part and of each product’s time factor",
            json({ type: "object" }),
          ),
        },
      },
      "/api/v1/scale": {
        get: {
          summary: "What the scale said last; null = nothing since the application was started",
          responses: ok("Grams, when and by which scale", json({ type: "object" })),
        },
      },
      "/api/v1/scale/readings": {
        post: {
          summary: "What a scale weighs; the last reading counts and is not kept beyond the next start",
          requestBody: { required: true, content: json(ref("ScaleReading")) },
          responses: ok("The reading as it was taken", json({ type: "object" })),
        },
      },
      "/api/v1/sums": {
        get: {
          summary: "Every sum, with what it asks, its ranges, its formula and where that comes from",
          responses: ok("The sums", json({ type: "object" })),
        },
      },
      "/api/v1/sums/{id}": {
        post: {
          summary: "One sum with the figures sent, the usual ones for what is left out; keeps nothing",
          parameters: [{ name: "id", in: "path", required: true, schema: { enum: SUM_IDS } }],
          requestBody: {
            required: true,
            content: json({
              oneOf: SUM_IDS.map((id) => ({ title: id, ...(schemaOf(sumSchema(id, true)) as object) })),
            }),
          },
          responses: ok("Results with their units, the rows of its table, notes", json({ type: "object" })),
        },
      },
      "/api/v1/shelf.csv": shelfFile("text/csv"),
      "/api/v1/shelf.json": shelfFile("application/json"),
      "/api/v1/photos": {
        post: {
          summary: "Keep a picture (JPEG, PNG or WebP, up to 6 MB)",
          requestBody: { required: true, content: { "image/*": { schema: { type: "string", format: "binary" } } } },
          responses: { "201": { description: "Its hash", content: json({ type: "object" }) }, ...problems },
        },
      },
      "/api/v1/photos/{hash}": {
        get: {
          summary: "A picture by its hash",
          parameters: [{ name: "hash", in: "path", required: true, schema: { type: "string" } }],
          responses: ok("The picture", { "image/*": { schema: { type: "string", format: "binary" } } }),
        },
      },
      "/api/v1/plan": {
        post: {
          summary: "Plan a document without keeping it",
          requestBody: { required: true, content: json(ref("PlanRequest")) },
          responses: ok("A timetable, or what stands in the way", json({ type: "object" })),
        },
      },
      "/api/v1/diagnose": {
        post: {
          summary: "What went wrong on a face of a document: first aid, causes, ways to mend; keeps nothing",
          requestBody: { required: true, content: json({ type: "object" }) },
          responses: ok("First aid, ranked causes, priced repairs", json({ type: "object" })),
        },
      },
      "/api/v1/models/{id}": {
        get: {
          summary: `A whole model as ${DOCUMENT_FORMAT}`,
          parameters: [modelId, { name: "photos", in: "query", required: false, schema: { enum: ["none"] } }],
          responses: ok("The document; ETag names its version", json(ref("Document"))),
        },
        put: {
          summary: "Bring a whole model in, or replace the version named in If-Match",
          parameters: [modelId, { name: "If-Match", in: "header", required: false, schema: { type: "string" } }],
          requestBody: { required: true, content: json(ref("Document")) },
          responses: ok("What was brought in", json({ type: "object" })),
        },
      },
      "/api/v1/models/{id}/plan.ics": {
        get: {
          summary: "The timetable as iCalendar",
          parameters: [modelId],
          responses: ok("RFC 5545", { "text/calendar": { schema: { type: "string" } } }),
        },
      },
      "/api/v1/models/{id}/shopping.csv": {
        get: {
          summary: "What the plan in force takes and is not there",
          parameters: [modelId],
          responses: ok("A line a product", { "text/csv": { schema: { type: "string" } } }),
        },
      },
      "/api/v1/models/{id}/record.html": {
        get: {
          summary: "What the log proves of a model, as one file: no script, nothing fetched, pictures inside",
          parameters: [modelId],
          responses: ok("The record", { "text/html": { schema: { type: "string" } } }),
        },
      },
      ...Object.fromEntries(
        (["csv", "json"] as const).map((kind) => [
          `/api/v1/models/{id}/log.${kind}`,
          {
            get: {
              summary: "The log of a model, newest first, or what of it is looked for",
              parameters: [
                modelId,
                ...["q", "from", "to", "region", "kind"].map((name) => ({
                  name,
                  in: "query",
                  required: false,
                  schema: { type: "string" },
                })),
              ],
              responses: ok(
                "The lines",
                kind === "csv" ? { "text/csv": { schema: { type: "string" } } } : json({ type: "object" }),
              ),
            },
          },
        ]),
      ),
      "/api/v1/schema/elm-bench-2.json": {
        get: {
          summary: "The document format as JSON Schema",
          responses: { "200": { description: "JSON Schema 2020-12", content: json({ type: "object" }) } },
        },
      },
    },
    components: {
      schemas: {
        CheckRequest: schemaOf(checkRequestSchema),
        SuggestRequest: schemaOf(suggestRequestSchema),
        PlanRequest: schemaOf(planRequestSchema),
        LabelText: schemaOf(labelTextSchema),
        FilmCase: schemaOf(filmCaseSchema),
        FilmApplication: schemaOf(filmApplicationSchema),
        LearnRequest: schemaOf(learnRequestSchema),
        ScaleReading: schemaOf(scaleReadingSchema),
        LampReading: schemaOf(lampReadingSchema),
        Readings: schemaOf(readingsRequestSchema),
        Document: documentJsonSchema(),
        Problem: {
          type: "object",
          required: ["type", "title", "status", "detail", "errors"],
          properties: {
            type: { type: "string" },
            title: { type: "string" },
            status: { type: "integer" },
            detail: { type: "string" },
            errors: {
              type: "array",
              items: { type: "object", properties: { path: { type: "string" }, message: { type: "string" } } },
            },
          },
        },
      },
    },
  };
}
