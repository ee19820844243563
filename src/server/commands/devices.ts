import { z } from "zod";
import { type DevicesView, done, failed, invalid, nameSchema, type Outcome, type PairLink } from "@/contracts";
import { anyDeviceStore, deviceStore } from "@/db";
import { notFound, reading } from "../guard";
import { getDevices } from "../shed/devices";

const renameSchema = z.strictObject({ id: z.string().max(40), name: nameSchema });

export function renameDevice(input: unknown): Outcome<DevicesView> {
  const parsed = renameSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { id, name } = parsed.data;
  return reading(() => (deviceStore().rename(id, name) ? getDevices() : notFound("The device")));
}

/** It is a stranger from its next request on. */
export const removeDevice = (id: string): Outcome<DevicesView> =>
  reading(() => (deviceStore().remove(id) ? getDevices() : notFound("The device")));

/** A link that lets one device in, once, within ten minutes. */
export const newPairLink = (): Outcome<PairLink> =>
  reading(() => {
    const url = anyDeviceStore() ? deviceStore().doorUrl() : null;
    if (url === null)
      return failed(
        "refused",
        "The network is shut out: start Elm Bench with “npm start -- --lan” to let a device in.",
      );
    // the door keeps time by this machine, wherever the application's own clock was set to
    const { token, expiresMs } = deviceStore().newToken(Date.now());
    return done({ link: `${url}/pair?token=${token}`, expiresMs });
  });
