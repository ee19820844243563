import type { Region } from "../model";
import { materialFacts } from "../reference";

/** Dry sanding is out where the metal, or an old finish nobody tested, may hold lead. */
export const wetOnly = (region: Region): boolean =>
  region.material === null ||
  region.material === "unknown" ||
  (materialFacts(region.material).mayHoldLead && region.lead !== "none") ||
  region.lead === "unknown" ||
  region.lead === "present" ||
  (region.oldFinish != null && region.oldFinish.lead !== "none");
