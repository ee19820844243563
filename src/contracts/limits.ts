/** Largest body any route reads, MiB: a document with its photos. */
export const MAX_BODY_MIB = 96;
