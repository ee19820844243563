import { z } from "zod";

/** Text of a label, as it stands; what is beyond the reader's own limit is told by it, not refused. */
const MOST_CHARS = 1_000_000;
export const labelTextSchema = z.strictObject({
  text: z.string({ error: "must be the text of a label" }).max(MOST_CHARS, `must be at most ${MOST_CHARS} characters`),
});
