import { z } from "zod";
import { done, invalid, type Outcome, ranged, type ScaleReading, scaleReadingSchema } from "@/contracts";
import { seededRandom } from "@/core/base";
import { nowMs } from "../clock";
import { postAsDevice } from "./stand-in-post";

/**
 * The kitchen or letter scale of the shed: what it says is looked at once and then gone, so the last word of it is held in memory and
 * no further.
 */
const holder = globalThis as unknown as { elmBenchScale?: ScaleReading | undefined };

export const getScale = (): Outcome<ScaleReading | null> => done(holder.elmBenchScale ?? null);

/** POST scale/readings: the last one counts. A scale below nought was not tared, and is told so. */
export function takeScaleReading(body: unknown): Outcome<ScaleReading> {
  const parsed = scaleReadingSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const { mass_g: massG, source } = parsed.data;
  const reading = { massG, at: new Date(nowMs()).toISOString(), source: source ?? "scale" };
  holder.elmBenchScale = reading;
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
