/** Where a round's layers stand in a stack: `${layer}~r2f` is the spot fill of the second round over that layer. */
const ROUND_ID = /~r(\d+)([fp])$/;

/** The round a layer was put in for, from 1; null = the user's own layer. */
export const roundOf = (layerId: string): number | null => {
  const found = ROUND_ID.exec(layerId);
  return found ? Number(found[1]) : null;
};
export const roundId = (layerId: string, n: number, what: "f" | "p"): string => `${layerId}~r${n}${what}`;
