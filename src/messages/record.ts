import type { WorkKind } from "@/core/model";

export const WORK_KIND_NAME: Readonly<Record<WorkKind, string>> = {
  ready: "getting ready",
  coats: "coats",
  rubbing: "rubbing",
  masks: "masks",
  fitting: "fitting",
  other: "other",
};
