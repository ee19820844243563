import { z } from "zod";
import { JOINT_LOADS, OBJECTIVES } from "@/core/model";
import { daySchema, idSchema, ranged, utcMomentSchema, whole } from "./base";
import { opIdSchema } from "./log";
import { placesSchema } from "./model";

const dateSchema = daySchema;

const JOIN_TIMES = ["before-paint", "primed", "after-paint"] as const;
const joinSchema = z
  .strictObject({
    partId: idSchema,
    ontoId: idSchema,
    when: z.enum(JOIN_TIMES),
    /** the adhesive it is joined with; none named is a slow one */
    glueId: idSchema.nullable().optional(),
    /** what pulls at it; left out = nobody said */
    load: z.enum(JOINT_LOADS).nullable().optional(),
    /** the smaller of its two faces */
    faceMm2: ranged(0.1, 1_000_000, "mm²").nullable().optional(),
  })
  .refine((j) => j.partId !== j.ontoId, { error: "cannot go onto itself", path: ["ontoId"] });

/** What the user has said about a model's plan; kept with the model, carried by its document. */
export const planningSchema = z.strictObject({
  objective: z.enum(OBJECTIVES),
  /** all work done by the end of that day */
  due: dateSchema.nullable(),
  /** how much a day late counts against a day of another model’s date; left out = 1 */
  weight: whole(1, 3, "").optional(),
  /** operation → the moment it is pinned to */
  locks: z.record(opIdSchema, utcMomentSchema),
  /** operation → hands-on minutes */
  minutes: z.record(opIdSchema, whole(1, 1440, "minutes")),
  /** region → rounds of fill, sand and prime */
  rounds: z.record(idSchema, whole(0, 4, "rounds")),
  /** region → the putty its rounds are filled with, in place of the one its stack holds; left out = of every region that one */
  fills: z.record(idSchema, idSchema).optional(),
  /** region → where its rounds are filled, in plain names; left out = wherever a look finds something */
  fillPlaces: z.record(idSchema, placesSchema.min(1, "must name a place")).optional(),
  /** coats done in one go */
  batches: z.array(z.array(opIdSchema).min(2, "needs at least two coats").max(60)).max(200),
  /** product to buy, or one that runs out → the day it arrives; region sent out → the day it is back */
  arrivals: z.record(idSchema, dateSchema),
  away: z.record(idSchema, dateSchema),
  joins: z.array(joinSchema).max(500),
});
export type Planning = z.infer<typeof planningSchema>;

export const NO_PLANNING: Planning = {
  objective: "finish",
  due: null,
  locks: {},
  minutes: {},
  rounds: {},
  batches: [],
  arrivals: {},
  away: {},
  joins: [],
};

/** Products that what was said of a plan names. */
export const productsInPlanning = ({ joins, fills }: Pick<Planning, "joins" | "fills">): readonly string[] => [
  ...joins.flatMap((j) => j.glueId ?? []),
  ...Object.values(fills ?? {}),
];
