import type { MarkView } from "@/contracts";
import { MARK_NAME, MARK_SIZE_NAME } from "@/messages";

/** In words, for a list and for whoever cannot see the picture. */
export const markText = (m: Pick<MarkView, "kind" | "size" | "note">): string =>
  `${MARK_NAME[m.kind]}, ${MARK_SIZE_NAME[m.size]}${m.note ? `, ${m.note}` : ""}`;
