import { z } from "zod";

const MOST_G = 10_000;

/** POST scale/readings: what a scale says. */
export const scaleReadingSchema = z.strictObject({
  mass_g: z
    .number({ error: "must be a number" })
    .refine((g) => Number.isFinite(g) && g <= MOST_G, { error: `must be at most ${MOST_G} g` })
    .refine((g) => !(g < 0), { error: "is below nought: tare the scale with nothing on it, and weigh again" }),
  source: z.string().trim().min(1).max(60).optional(),
});

export interface ScaleReading {
  readonly massG: number;
  readonly at: string;
  readonly source: string;
}

/** Two things weighed one after the other, the second lighter. */
export interface LighterReading {
  readonly beforeG: number;
  readonly afterG: number;
  readonly lighterG: number;
}
