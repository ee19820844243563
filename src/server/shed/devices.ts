import { type DevicesView, done, type Outcome } from "@/contracts";
import { anyDeviceStore, deviceStore } from "@/db";
import { reading } from "../guard";

/** Devices of the local network that were let in, and whether its door stands open. */
export const getDevices = (): Outcome<DevicesView> =>
  reading(() => {
    if (!anyDeviceStore()) return done({ doorUrl: null, devices: [] });
    const store = deviceStore();
    return done({ doorUrl: store.doorUrl(), devices: [...store.devices()] });
  });
