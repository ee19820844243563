import { randomUUID } from "node:crypto";

/** A short id that is safe in URLs and documents; 60 random bits. */
export const newId = (prefix: string): string => `${prefix}-${randomUUID().replaceAll("-", "").slice(0, 15)}`;
