import type { FamilyId, JarId, Label, Method, Product, Role, Unknown, Window } from "../../model";
import { NOTHING_SAID } from "../nothing-said";

/** What a jar of a kind is like. Figures are what such products usually say, at 20 °C and 50 % RH: estimates, until a label is read. */
export interface JarRow {
  readonly id: JarId;
  readonly name: string;
  /** what people call it, doubles of other regions included */
  readonly also: readonly string[];
  /** what it is for, one line */
  readonly use: string;
  readonly facts: JarFacts;
}
export type JarFacts = Omit<Product, "id" | "name" | "maker" | "aliases" | "leftMl" | "note">;

/** Minutes after the coat, in the order a film reaches them; null = such labels do not say. */
type Times = readonly [
  flash: number | null,
  touch: number | null,
  handle: number | null,
  sandable: number | null,
  tapeSafe: number | null,
  cured: number | null,
];

const AT_20 = { tempC: 20, rhPct: 50 } as const;
interface Coat {
  readonly wftUm: number;
  readonly coats?: number;
  readonly gapMin?: number;
  readonly polishableMin?: number;
}
export const says = (coat: Coat, times: Times, recoat: readonly Window[] = []): Label => {
  const [flashMin, touchMin, handleMin, sandableMin, tapeSafeMin, curedMin] = times;
  return {
    ...AT_20,
    coats: 1,
    gapMin: null,
    polishableMin: null,
    ...coat,
    flashMin,
    touchMin,
    handleMin,
    sandableMin,
    tapeSafeMin,
    curedMin,
    recoat,
  };
};
/** Papers, tapes and wipes leave no film. */
export const NO_FILM: Label = says({ wftUm: 20 }, [null, null, null, null, null, null]);

type Made = readonly [role: Role, family: FamilyId | Unknown, carriers: Product["carriers"], method: Method];
type Facts = Partial<Omit<JarFacts, "role" | "family" | "carriers" | "method" | "label">>;

export const factsOf = ([role, family, carriers, method]: Made, label: Label, more: Facts = {}): JarFacts => ({
  ...NOTHING_SAID,
  role,
  family,
  carriers,
  method,
  label,
  ...more,
});

/** Air such labels ask for: water-borne stuff wants it warm and not damp, lacquer stands a little more cold. */
export const WATER_AIR = { minTempC: 10, maxTempC: 30, maxRhPct: 75 } as const;
export const LACQUER_AIR = { minTempC: 10, maxTempC: 30, maxRhPct: 80 } as const;
export const OIL_AIR = { minTempC: 8, maxTempC: 30, maxRhPct: 85 } as const;
export const TWO_PART_AIR = { minTempC: 15, maxTempC: 30, maxRhPct: 80 } as const;
export const VAPOUR = ["solvent-vapour", "flammable"] as const;
/** As sprayed from a can: gas that dissolves the paint, strong solvents. */
export const CAN = { propellant: "dimethyl-ether", distanceCm: 25, hazards: [...VAPOUR], limits: LACQUER_AIR } as const;
/** A small airbrush at model distance. */
export const AIRBRUSH = { nozzleMm: 0.4, pressureBar: 1.5, distanceCm: 10 } as const;
export const GUN = { nozzleMm: 1.3, pressureBar: 2, distanceCm: 18 } as const;
