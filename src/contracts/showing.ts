import { z } from "zod";

/**
 * How figures and times are shown to whoever sits in front: the reader's own choice, kept with the shed, never part of a
 * document. Storage, files and the API speak °C, µm, mm, ml, bar and 24 hours whatever is chosen here.
 */
export const showingSchema = z.strictObject({
  temp: z.enum(["c", "f"]),
  film: z.enum(["um", "mil"]),
  length: z.enum(["mm", "in"]),
  volume: z.enum(["ml", "fl-oz"]),
  pressure: z.enum(["bar", "psi"]),
  clock: z.enum(["24", "12"]),
  dates: z.enum(["dmy", "mdy", "ymd"]),
  week: z.enum(["mon", "sun"]),
});
export type Showing = z.infer<typeof showingSchema>;

export const USUAL_SHOWING: Showing = {
  temp: "c",
  film: "um",
  length: "mm",
  volume: "ml",
  pressure: "bar",
  clock: "24",
  dates: "dmy",
  week: "mon",
};
