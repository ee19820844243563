import { z } from "zod";
import { done, failed, invalid, type Lamp, lampReadingSchema, type Outcome, USUAL_LAMP } from "@/contracts";
import { seededRandom } from "@/core/base";
import { cureSideMin, lampAtPartMwCm2 } from "@/core/reference";
import { writeShop } from "@/db";
import { nowMs } from "../clock";
import { conflict, viewing, writing } from "../guard";
import { ensureShop } from "../shed/hours";
import { postAsDevice } from "./stand-in-post";

/** A lamp as it stands: what it gives where parts lie, and how long a side lies there. */
export interface LampNow {
  readonly lamp: Lamp;
  /** null = it was never read */
  readonly atPartMwCm2: number | null;
  readonly sideMin: number;
}

function lampNow(lamp: Lamp = USUAL_LAMP): LampNow {
  const { reading, partCm } = lamp;
  const atPartMwCm2 = reading === null ? null : lampAtPartMwCm2(reading.mwCm2, reading.cm, partCm);
  return { lamp, atPartMwCm2, sideMin: cureSideMin(atPartMwCm2) };
}

export const getLamp = (): Outcome<LampNow> => viewing((s) => done(lampNow(s.data.shopState.shop.lamp)));

const AHEAD_MAX_MS = 5 * 60_000;

/** POST lamp/readings: the last one counts. */
export function takeLampReading(body: unknown): Outcome<LampNow> {
  const parsed = lampReadingSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const { at, irradiance_mw_cm2: mwCm2, distance_cm: cm, wavelength_nm, source } = parsed.data;
  const atMs = at === undefined ? nowMs() : Date.parse(at);
  if (atMs > nowMs() + AHEAD_MAX_MS)
    return failed("invalid", "at is in the future", [{ path: "at", message: "is in the future" }]);
  return writing((db) => {
    const state = ensureShop(db);
    const before = state.shop.lamp ?? USUAL_LAMP;
    if (before.reading !== null && Date.parse(before.reading.at) > atMs) return done(lampNow(before));
    const reading = { at: new Date(atMs).toISOString(), mwCm2, cm, source: source ?? "lamp meter" };
    const lamp: Lamp = { ...before, wavelengthNm: wavelength_nm ?? before.wavelengthNm, reading };
    const changed = writeShop(db, { ...state.shop, lamp }, state.airSetMs, state.rev);
    return changed === null ? conflict("The shed’s settings") : done(lampNow(lamp));
  });
}

/** The lamp that is not there: so much light at so far, falling with the square of the distance, and the scatter of a cheap meter. */
const STAND_IN_LAMP = { mwCm2: 8.4, cm: 10, wavelengthNm: 405, scatter: 0.03 } as const;

/** A lamp meter that is not there reads the lamp and posts it to the documented endpoint, as a real one would. */
export async function readStandInLamp(origin: string, cm: number): Promise<Outcome<null>> {
  const far = z.strictObject({ cm: lampReadingSchema.shape.distance_cm }).safeParse({ cm });
  if (!far.success) return invalid(far.error);
  const random = seededRandom(Math.floor(nowMs() / 1000));
  const trueMwCm2 = lampAtPartMwCm2(STAND_IN_LAMP.mwCm2, STAND_IN_LAMP.cm, cm);
  const read = trueMwCm2 * (1 + STAND_IN_LAMP.scatter * (2 * random() - 1));
  return postAsDevice(origin, "/api/v1/lamp/readings", {
    irradiance_mw_cm2: Math.round(read * 100) / 100,
    distance_cm: cm,
    wavelength_nm: STAND_IN_LAMP.wavelengthNm,
    source: "stand-in lamp meter",
  });
}
