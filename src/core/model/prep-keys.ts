import type { Stack } from "./types";
import {
  isOneOf,
  PREP_STEPS,
  PREP_TIMES_MOST,
  type PrepKey,
  type PrepStep,
  SOAK_PREP,
  type SoakKey,
} from "./vocabulary";

/** A step of getting ready, with the key its liquid, its wait and its log entries go by. */
export interface PreparedStep {
  readonly step: PrepStep;
  readonly key: PrepKey;
}

/** The steps of a pile in order; one that comes again is told apart by which time it is. */
export function preparedSteps(prep: readonly PrepStep[]): readonly PreparedStep[] {
  const times = new Map<PrepStep, number>();
  return prep.map((step) => {
    const n = (times.get(step) ?? 0) + 1;
    times.set(step, n);
    return { step, key: prepKey(step, n) };
  });
}

const prepKey = (step: PrepStep, n: number): PrepKey => (n === 1 ? step : (`${step}-${n}` as PrepKey));

/** Every key some steps may have. */
export const prepKeysOf = (steps: readonly PrepStep[]): readonly PrepKey[] =>
  steps.flatMap((step) => Array.from({ length: PREP_TIMES_MOST }, (_, i) => prepKey(step, i + 1)));

/** The step a key is of; null = it is none of ours. */
export function prepStepOf(key: string): PrepStep | null {
  const step = key.replace(/-[23]$/, "");
  return isOneOf(PREP_STEPS)(step) ? step : null;
}

/** What is told of a pile's steps beside their order. */
export type PrepTold = Pick<Stack, "prep" | "prepWith" | "prepWaitMin" | "prepSoakMin">;

/** One step with all that is told of it, so that it can be moved about. */
export interface PrepRow {
  readonly step: PrepStep;
  readonly withId?: string | undefined;
  readonly waitMin?: number | undefined;
  readonly soakMin?: number | undefined;
}

export const prepRows = ({ prep, prepWith, prepWaitMin, prepSoakMin }: PrepTold): readonly PrepRow[] =>
  preparedSteps(prep).map(({ step, key }) => {
    const withId = prepWith?.[key];
    const waitMin = prepWaitMin?.[key];
    const soakMin = soakKept(step) ? prepSoakMin?.[key as SoakKey] : undefined;
    return {
      step,
      ...(withId ? { withId } : {}),
      ...(waitMin === undefined ? {} : { waitMin }),
      ...(soakMin === undefined ? {} : { soakMin }),
    };
  });

const soakKept = isOneOf(SOAK_PREP);

export function fromPrepRows(rows: readonly PrepRow[]): PrepTold {
  const keys = preparedSteps(rows.map((r) => r.step)).map(({ key }) => key);
  const told = <T>(of: (r: PrepRow) => T | undefined): Partial<Record<PrepKey, T>> | undefined => {
    const entries = rows.flatMap((r, i) => (of(r) === undefined ? [] : [[keys[i], of(r)] as const]));
    return entries.length === 0 ? undefined : (Object.fromEntries(entries) as Partial<Record<PrepKey, T>>);
  };
  const prepWith = told((r) => r.withId);
  const prepWaitMin = told((r) => r.waitMin);
  const prepSoakMin = told((r) => (soakKept(r.step) ? r.soakMin : undefined));
  return {
    prep: rows.map((r) => r.step),
    ...(prepWith ? { prepWith } : {}),
    ...(prepWaitMin ? { prepWaitMin } : {}),
    ...(prepSoakMin ? { prepSoakMin } : {}),
  };
}

/** Steps with one more among them: in its usual place, or, where it is there already, once more at the end. */
export function withStep(rows: readonly PrepRow[], step: PrepStep): readonly PrepRow[] {
  const times = rows.filter((r) => r.step === step).length;
  if (times >= PREP_TIMES_MOST) return rows;
  const later = rows.findIndex((r) => PREP_STEPS.indexOf(r.step) > PREP_STEPS.indexOf(step));
  const at = times > 0 || later < 0 ? rows.length : later;
  return [...rows.slice(0, at), { step }, ...rows.slice(at)];
}

/** The user's own order with whatever it lacks of another put where it usually stands. */
export const withSteps = (rows: readonly PrepRow[], steps: readonly PrepStep[]): readonly PrepRow[] =>
  steps.reduce((all, step) => (all.some((r) => r.step === step) ? all : withStep(all, step)), rows);
