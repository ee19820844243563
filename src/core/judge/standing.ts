import type { PlacedVerdict } from "./types";

/** About the person at the bench, not about a layer: true of every sprayed or rubbed one alike. */
const isStanding = (v: PlacedVerdict): boolean =>
  v.verdict === "care" && v.remedy.some((r) => r.do === "advice" && r.key === "wear-protection");

/** Standing cares told once, by the lowest layer they concern, and last: said of every layer they bury what is peculiar to one. */
export function standingOnce(verdicts: readonly PlacedVerdict[]): readonly PlacedVerdict[] {
  const seen = new Set<string>();
  const standing = verdicts.filter((v) => {
    if (!isStanding(v) || seen.has(v.code)) return false;
    seen.add(v.code);
    return true;
  });
  return [...verdicts.filter((v) => !isStanding(v)), ...standing];
}
