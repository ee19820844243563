import { z } from "zod";
import { type DevicesView, done, failed, invalid, nameSchema, type Outcome, type PairLink } from "@/contracts";
import { deviceStore } from "@/db";
import { nowMs } from "../clock";
import { notFound } from "../guard";
import { getDevices } from "../shed/devices";

const renameSchema = z.strictObject({ id: z.string().max(40), name: nameSchema });

export function renameDevice(input: unknown): Outcome<DevicesView> {
  const parsed = renameSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return deviceStore().rename(parsed.data.id, parsed.data.name) ? getDevices() : notFound("The device");
}

/** It is a stranger from its next request on. */
export const removeDevice = (id: string): Outcome<DevicesView> =>
  deviceStore().remove(id) ? getDevices() : notFound("The device");

/** A link that lets one device in, once, within ten minutes. */
export function newPairLink(): Outcome<PairLink> {
  const url = deviceStore().doorUrl();
  if (url === null)
    return failed("refused", "The network is shut out: start Elm Bench with “npm start -- --lan” to let a device in.");
  const { token, expiresMs } = deviceStore().newToken(nowMs());
  return done({ link: `${url}/pair?token=${token}`, expiresMs });
}
