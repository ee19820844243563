import { AsyncLocalStorage } from "node:async_hooks";

export { DEVICE_HEADER } from "@/db";

const callers = new AsyncLocalStorage<string>();
const MOST_NAME = 60;

/** A name as the door passes it on; null = there is none, or it is none. */
function nameIn(header: string | null): string | null {
  if (header === null) return null;
  try {
    return decodeURIComponent(header).trim().slice(0, MOST_NAME) || null;
  } catch {
    return null;
  }
}

/** Does something for whoever asked: what is written in the log then names the device. @param header of the request; null = this machine itself */
export function forDevice<T>(header: string | null, work: () => T): T {
  const name = nameIn(header);
  return name === null ? work() : callers.run(name, work);
}

/** The device at the other end; null = this machine. */
export const callerName = (): string | null => callers.getStore() ?? null;
