import type { z } from "zod";

const PROBLEM_CODES = [
  "invalid",
  "not-found",
  "conflict",
  "refused",
  "in-use",
  "newer-format",
  "too-large",
  "storage-missing",
  "storage-in-use",
  "storage-locked",
  "storage-read-only",
  "storage-damaged",
  "storage-full",
  "storage-newer",
] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

export interface FieldFault {
  /** dotted path, array indices as numbers: label.recoat.0.1 */
  readonly path: string;
  readonly message: string;
}

/** What went wrong, as data: the same on the API (RFC 9457) and on screen. */
export interface Problem {
  readonly code: ProblemCode;
  readonly detail: string;
  readonly fields: readonly FieldFault[];
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const failed = (code: ProblemCode, detail: string, fields: readonly FieldFault[] = []): Outcome<never> => ({
  ok: false,
  problem: { code, detail, fields },
});

/** More choices than this are counted, not listed. */
const CHOICES_TOLD = 24;
const oneOf = (values: readonly string[]): string => {
  if (values.length === 1) return `must be ${values[0]}`;
  const rest = values.length > CHOICES_TOLD ? ` and ${values.length - CHOICES_TOLD} more` : "";
  return `must be one of ${values.slice(0, CHOICES_TOLD).join(", ")}${rest}`;
};

/** So begins what the validator says by itself, where a field has no words of its own. */
const BY_ITSELF = /^(Invalid|Too (big|small))/;
const KIND_NAME: Readonly<Record<string, string>> = {
  object: "an object",
  record: "an object",
  array: "a list",
  string: "a text",
  number: "a number",
  int: "a whole number",
  boolean: "true or false",
};

const sized = (origin: string, limit: number | bigint): string =>
  origin === "string"
    ? `${limit} characters`
    : origin === "array" || origin === "set"
      ? `${limit} entries`
      : `${limit}`;

/** What the validator found, as one says it. */
function plainly(issue: z.core.$ZodIssue): string {
  if (!BY_ITSELF.test(issue.message)) return issue.message;
  switch (issue.code) {
    case "invalid_type":
      return `must be ${KIND_NAME[issue.expected] ?? issue.expected}`;
    case "too_big":
      return `must ${issue.origin === "number" ? "be" : "hold"} at most ${sized(issue.origin, issue.maximum)}`;
    case "too_small":
      return `must ${issue.origin === "number" ? "be" : "hold"} at least ${sized(issue.origin, issue.minimum)}`;
    case "invalid_format":
      return "is not written as it should be";
    default:
      return "is none of what may stand here";
  }
}

/** Zod's issues as field faults; a plain sentence for each. */
export function fieldFaults(error: z.ZodError): readonly FieldFault[] {
  return error.issues.map((issue) => {
    const path = issue.path.map(String).join(".");
    if (issue.code === "unrecognized_keys")
      return { path: [path, issue.keys[0]].filter(Boolean).join("."), message: "is not known here" };
    if (issue.code === "invalid_value") return { path, message: oneOf(issue.values.map(String)) };
    return { path, message: plainly(issue) };
  });
}

export const invalid = (error: z.ZodError): Outcome<never> => {
  const faults = fieldFaults(error);
  const first = faults[0];
  return failed("invalid", first ? `${first.path || "the input"} ${first.message}` : "the input is not valid", faults);
};
