import type { Role, Scheme, SealKind, Touch } from "@/core/model";
import type { FinishingStep, Order, Unpainted, Why } from "@/core/scheme";

/** An order of a scheme with what it takes. */
export interface OrderView extends Order {
  /** for every step but the last: what it and the next the other way round would cost more */
  readonly whys: readonly Why[];
  /** paint by colour, landed and lost, ml */
  readonly ml: Readonly<Record<string, number>>;
}

/** Everything the Colour screen shows. */
export interface ColourScreen {
  readonly regions: readonly { readonly id: string; readonly name: string; readonly fields: number }[];
  /** null = the model has no region */
  readonly chosen: {
    readonly regionId: string;
    readonly name: string;
    readonly rev: number;
    readonly stackRev: number;
    /** null = nobody measured it: a usual face is taken */
    readonly areaCm2: number | null;
    readonly scheme: Scheme;
    /** shade under the scheme, sRGB; null = nobody knows */
    readonly ground: string | null;
    /** the cheapest order; null = no field has a colour */
    readonly best: OrderView | null;
    /** the order the user wants; null = the best */
    readonly wanted: OrderView | null;
    /** what each field saves when it is stuck on or printed in place of painted; null = too many colours to ask */
    readonly unpainted: readonly Unpainted[] | null;
    /** the pile holds this very order */
    readonly inStack: boolean;
    /** a colour of it lies on the part by the log: what is on it stays in the pile, and nothing is put in anew */
    readonly begun: boolean;
    readonly touches: readonly Touch[];
    readonly finishing: {
      /** in order, with the clears put in among them */
      readonly steps: readonly FinishingStep[];
      readonly missing: readonly SealKind[];
      readonly inStack: boolean;
      /** some of it lies on the part by the log */
      readonly begun: boolean;
    };
  } | null;
  /** what markings and dirt can be made with */
  readonly touchProducts: readonly {
    readonly id: string;
    readonly name: string;
    readonly role: Role;
    readonly owned: boolean;
  }[];
  /** clears by their ids */
  readonly clearNames: Readonly<Record<string, string>>;
  readonly colours: readonly {
    readonly id: string;
    readonly name: string;
    readonly colour: string;
    readonly owned: boolean;
  }[];
}
