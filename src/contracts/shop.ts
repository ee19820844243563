import { z } from "zod";
import { CAUTIONS, PROTECTIONS } from "@/core/model";
import { FOLLOW_UP_DAYS } from "@/core/reference";
import { daySchema, idSchema, momentSchema, ranged, uniqueList } from "./base";
import { showingSchema } from "./showing";
import { waySchema } from "./way";

const dateSchema = daySchema;
const clockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, "must be a time such as 19:30");

const airSchema = z.strictObject({
  kind: z.enum(["steady", "day"]),
  meanC: ranged(-20, 45, "°C"),
  swingC: ranged(0, 20, "°C"),
  warmestHour: ranged(0, 24, "o’clock"),
  rhPct: ranged(1, 100, "% RH"),
  airflowMS: ranged(0, 10, "m/s"),
  tonight: z.strictObject({ date: dateSchema, coldestC: ranged(-30, 45, "°C") }).nullable(),
});

const span = { from: clockSchema, to: clockSchema };
const ordered = (s: { from: string; to: string }) => s.to > s.from;
const endsLater = { error: "must end after it starts", path: ["to"] };

const weeklySpanSchema = z
  .strictObject({
    weekday: ranged(1, 7, "(1 = Monday)").refine(Number.isInteger, { error: "must be a whole number" }),
    ...span,
  })
  .refine(ordered, endsLater);
/** A day that differs: `spans` replace the weekly pattern on that date; none = not at the bench. */
const exceptionSchema = z.strictObject({
  date: dateSchema,
  spans: z.array(z.strictObject(span).refine(ordered, endsLater)).max(6),
});

const timeZoneSchema = z.string().refine(isTimeZone, { error: "must be a time zone such as Europe/London" });

function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: zone }) !== null;
  } catch {
    return false;
  }
}

const habitsSchema = z.strictObject({
  covered: z.boolean(),
  coldStore: z.boolean(),
  holders: ranged(1, 1000, "holders").refine(Number.isInteger, { error: "must be a whole number" }).nullable(),
  clamps: ranged(1, 1000, "clamps").refine(Number.isInteger, { error: "must be a whole number" }).nullable().optional(),
  boothMm: ranged(10, 20_000, "mm").nullable().optional(),
  followUpDays: z.array(ranged(1, 3650, "days").refine(Number.isInteger, { error: "must be whole days" })).max(6),
});

export const USUAL_HABITS: z.infer<typeof habitsSchema> = {
  covered: false,
  coldStore: false,
  holders: null,
  followUpDays: [...FOLLOW_UP_DAYS],
};

/** The curing lamp of the shed: what was last read of it, and how far from it parts lie. */
const lampSchema = z.strictObject({
  wavelengthNm: ranged(200, 800, "nm").nullable(),
  partCm: ranged(0.5, 200, "cm"),
  reading: z
    .strictObject({
      at: momentSchema,
      mwCm2: ranged(0.01, 1000, "mW/cm²"),
      cm: ranged(0.5, 200, "cm"),
      source: z.string().trim().min(1).max(60),
    })
    .nullable(),
});
export type Lamp = z.infer<typeof lampSchema>;
export const USUAL_LAMP: Lamp = { wavelengthNm: null, partCm: 10, reading: null };

/** POST lamp/readings: what a lamp meter says. */
export const lampReadingSchema = z.strictObject({
  at: momentSchema.optional(),
  irradiance_mw_cm2: ranged(0.01, 1000, "mW/cm²"),
  distance_cm: ranged(0.5, 200, "cm"),
  wavelength_nm: ranged(200, 800, "nm").nullable().optional(),
  source: z.string().trim().min(1).max(60).optional(),
});

export const shopSchema = z.strictObject({
  timeZone: timeZoneSchema,
  air: airSchema,
  protection: uniqueList(z.enum(PROTECTIONS)),
  caution: z.enum(CAUTIONS),
  pattern: z.array(weeklySpanSchema).max(30),
  exceptions: z.array(exceptionSchema).max(200),
  /** how wet and waiting parts are kept, and when finished ones are looked at again */
  habits: habitsSchema.optional(),
  lamp: lampSchema.optional(),
  /** the user's own ways of working, beside the ready-made */
  ways: z.array(waySchema).max(30, "must hold at most 30").optional(),
  /** the way new searches start from */
  wayId: idSchema.optional(),
  /** what one's own hands have taught counts from here on; null or left out = all of it */
  handsSince: momentSchema.nullable().optional(),
  /** how this reader sees figures and times; left out of documents */
  showing: showingSchema.optional(),
});
/** A change of some fields; of a group only what changes, so that two changes right after each other both hold. */
export const shopEditSchema = shopSchema.partial().extend({
  air: airSchema.partial().optional(),
  habits: habitsSchema.partial().optional(),
  lamp: lampSchema.partial().optional(),
  showing: showingSchema.partial().optional(),
});
export type ShopEdit = z.infer<typeof shopEditSchema>;
export type Shop = z.infer<typeof shopSchema>;
