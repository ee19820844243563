import { freshId } from "../fresh-id";

/** Ids for layers put on by hand; the database and documents ask only that they are unique. */
export const freshLayerId = (): string => `y-${freshId()}`;
