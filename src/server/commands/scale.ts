import { z } from "zod";
import {
  done,
  failed,
  invalid,
  type LighterReading,
  type Outcome,
  ranged,
  type ScaleReading,
  scaleReadingSchema,
} from "@/contracts";
import { seededRandom } from "@/core/base";
import { nowMs } from "../clock";
import { postAsDevice } from "./stand-in-post";

/**
 * The kitchen or letter scale of the shed: what it says is looked at once and then gone, so the last word of it is held in memory and
 * no further.
 */
const holder = globalThis as unknown as {
  elmBenchScale?: ScaleReading | undefined;
  /** what was weighed lately, each thing once: an empty pan and the same word again left out */
  elmBenchWeighed?: readonly ScaleReading[] | undefined;
};
const WEIGHED_KEPT = 20;
/** Less than this on the pan is nothing, and so much one word differs from the next when nothing changed, g (est.). */
const EMPTY_G = 1;
const SAME_G = 0.05;
/** A can weighed longer ago than this was weighed for something else, hours (est.). */
const LATELY_H = 12;
const MS_PER_H = 3_600_000;

function keepWeighed(reading: ScaleReading): void {
  const kept = holder.elmBenchWeighed ?? [];
  const last = kept.at(-1);
  if (reading.massG < EMPTY_G || (last && Math.abs(last.massG - reading.massG) <= SAME_G)) return;
  holder.elmBenchWeighed = [...kept, reading].slice(-WEIGHED_KEPT);
}

/** By how much what was weighed last is lighter than what was weighed before it and was heavier: a can before and after a coat. */
export function getLighter(): Outcome<LighterReading> {
  const lately = (holder.elmBenchWeighed ?? []).filter((r) => nowMs() - Date.parse(r.at) <= LATELY_H * MS_PER_H);
  const after = lately.at(-1);
  const before = after && lately.findLast((r) => r.massG > after.massG + SAME_G);
  if (!before)
    return failed(
      "refused",
      "The scale has not weighed a can before and after: put it on before the coat, and again now.",
    );
  return done({ beforeG: before.massG, afterG: after.massG, lighterG: round2(before.massG - after.massG) });
}
const round2 = (x: number): number => Math.round(x * 100) / 100;

export const getScale = (): Outcome<ScaleReading | null> => done(holder.elmBenchScale ?? null);

/** POST scale/readings: the last one counts. A scale below nought was not tared, and is told so. */
export function takeScaleReading(body: unknown): Outcome<ScaleReading> {
  const parsed = scaleReadingSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const { mass_g: massG, source } = parsed.data;
  const reading = { massG, at: new Date(nowMs()).toISOString(), source: source ?? "scale" };
  holder.elmBenchScale = reading;
  keepWeighed(reading);
  return done(reading);
}

/** Scatter of a cheap scale, and its step. */
const STAND_IN_NAME = "stand-in scale";
const STAND_IN = { scatter: 0.02, stepG: 0.01 } as const;

/** A scale that is not there weighs what is expected to lie on it and posts that to the documented endpoint, as a real one would. */
export async function readStandInScale(origin: string, expectedG: number): Promise<Outcome<ScaleReading>> {
  const asked = z.strictObject({ expectedG: ranged(0.01, 10_000, "g") }).safeParse({ expectedG });
  if (!asked.success) return invalid(asked.error);
  const random = seededRandom(Math.floor(nowMs() / 1000));
  const read = expectedG * (1 + STAND_IN.scatter * (2 * random() - 1));
  const mass_g = Math.max(STAND_IN.stepG, Math.round(read / STAND_IN.stepG) * STAND_IN.stepG);
  const reading = { massG: mass_g, at: new Date(nowMs()).toISOString(), source: STAND_IN_NAME };
  const posted = await postAsDevice(origin, "/api/v1/scale/readings", { mass_g, source: STAND_IN_NAME });
  return posted.ok ? done(reading) : posted;
}
