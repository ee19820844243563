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

/** Zod's issues as field faults; a plain sentence for each. */
export function fieldFaults(error: z.ZodError): readonly FieldFault[] {
  return error.issues.map((issue) => {
    const path = issue.path.map(String).join(".");
    if (issue.code === "unrecognized_keys")
      return { path: [path, issue.keys[0]].filter(Boolean).join("."), message: "is not known here" };
    if (issue.code === "invalid_value") return { path, message: oneOf(issue.values.map(String)) };
    return { path, message: issue.message };
  });
}

export const invalid = (error: z.ZodError): Outcome<never> => {
  const faults = fieldFaults(error);
  const first = faults[0];
  return failed("invalid", first ? `${first.path || "the input"} ${first.message}` : "the input is not valid", faults);
};
