import { type DevicesView, done, type Outcome } from "@/contracts";
import { deviceStore } from "@/db";

/** Devices of the local network that were let in, and whether its door stands open. */
export function getDevices(): Outcome<DevicesView> {
  const store = deviceStore();
  return done({ doorUrl: store.doorUrl(), devices: [...store.devices()] });
}
