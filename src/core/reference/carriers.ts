import { BITES, type Bite, type Carrier, type FamilyId, type Unknown } from "../model";
import { familyFacts } from "./families";

/** The default bite of each class of carrier. Source: common trade practice; exceptions live with the film or material. */
const BITE_BY_CARRIER: Readonly<Record<Carrier, Bite>> = {
  water: "B0",
  alcohol: "B1",
  "glycol-ether": "B1",
  aliphatic: "B2",
  aromatic: "B3",
  ester: "B3",
  ketone: "B4",
  ether: "B4",
  "reactive-diluent": "B3",
};

/** A card that says water alone carries a binder no water alone ever carried. */
export const carriersContradict = (p: {
  readonly family: FamilyId | Unknown;
  readonly carriers: readonly Carrier[] | Unknown;
}): boolean =>
  p.family !== "unknown" &&
  familyFacts(p.family).neverWaterAlone &&
  p.carriers !== "unknown" &&
  p.carriers.length > 0 &&
  p.carriers.every((c) => c === "water");

/**
 * Carriers of a paint with which a thinner's carrier gets on in one cup. Thinners are blends: lacquer thinner is esters, ketones and
 * aromatics together, and goes with any paint that is carried by one of the strong ones. Source: common trade practice.
 */
const MEETS: Readonly<Record<Carrier, readonly Carrier[]>> = {
  water: ["water"],
  alcohol: ["alcohol", "glycol-ether"],
  "glycol-ether": ["glycol-ether", "water", "alcohol"],
  aliphatic: ["aliphatic"],
  aromatic: ["aromatic", "ester", "ketone", "ether"],
  ester: ["ester", "ketone", "ether"],
  ketone: ["ester", "ketone", "ether"],
  ether: ["ester", "ketone", "ether"],
  "reactive-diluent": ["reactive-diluent"],
};

/** Whether a thinner goes with a paint that is carried, or by its label thinned, by these. Alcohol in a blend is its helper, not its class. */
export function thins(thinner: readonly Carrier[], paint: readonly Carrier[]): boolean {
  const deciding = thinner.length > 1 ? thinner.filter((c) => c !== "alcohol") : thinner;
  return deciding.every((c) => MEETS[c].some((m) => paint.includes(m)));
}

/** Strength of the strongest carrier as an index of BITES; 100 % solids (no carrier) bites like water. */
export function strongestBite(carriers: readonly Carrier[]): number {
  return carriers.reduce((worst, c) => Math.max(worst, BITES.indexOf(BITE_BY_CARRIER[c])), 0);
}
