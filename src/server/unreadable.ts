import { type UnreadableRows, unreadableRows } from "@/db";

/** Rows of the database that had to be left aside, for the screens to say so. */
export const getUnreadable = (): readonly UnreadableRows[] => unreadableRows();
