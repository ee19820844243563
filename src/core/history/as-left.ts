import type { Region } from "../model";
import type { Face } from "./lying";

/**
 * A region as its log has left it, or is to leave it: an old finish or a seal it came with is gone once it is stripped to the
 * material, as far as what follows is concerned. Lead that was in the old finish is still counted with.
 */
export function asLeft(region: Region, face: Face | undefined): Region {
  const bare = face?.extra.some(({ work }) => work.kind === "strip" && work.downTo === null) ?? false;
  if (!bare || !comesCovered(region)) return region;
  return {
    ...region,
    oldFinish: null,
    sealedBy: null,
    conditions: region.conditions.filter((c) => c !== "sealed" && c !== "bare-spots"),
    lead: region.lead ?? leadLeft(region),
  };
}

const leadLeft = ({ oldFinish }: Region): Region["lead"] =>
  oldFinish && oldFinish.lead !== "none" ? oldFinish.lead : null;

/** It came with a finish or a seal on it, which can be taken off. */
export const comesCovered = (region: Region): boolean =>
  region.oldFinish != null || region.sealedBy != null || region.conditions.includes("sealed");
