const LENGTH = 16;

/** An id nobody else has. Not by randomUUID, which browsers keep from pages that came over plain http, as the phone's may. */
export const freshId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(LENGTH)), (byte) => byte.toString(36).padStart(2, "0"))
    .join("")
    .slice(0, LENGTH);
