import type { ExtraWork, Milestone, Product } from "../model";

/** What was seen when it was not yet time. */
export const SIGNS = ["tacky", "paper-clogs", "still-wet", "dents", "smells", "other"] as const;
export type Sign = (typeof SIGNS)[number];

/** The milestone each sign shows the film not to have come to; null = it tells none. */
export const SIGN_LACKS: Readonly<Record<Sign, Milestone | null>> = {
  tacky: "touch",
  "still-wet": "touch",
  "paper-clogs": "sandable",
  dents: "handle",
  smells: null,
  other: null,
};

/** What a coat was laid with, as it was then. */
export interface Laid {
  readonly productId: string;
  /** its card of that day, under an id of its own; null = the log came without one */
  readonly card: Product | null;
  /** who says so: the entry itself, or only the pile as it stood when an older log was brought up to date */
  readonly known: "then" | "as-the-stack-is";
}

interface Told {
  readonly id: string;
  readonly regionId: string;
  readonly opId: string;
  readonly atMin: number;
}

/** Something that happened at the bench, as far as anything is reckoned from it. A log is a list of these in the order they were told. */
export type BenchEvent = Told &
  (
    | { readonly kind: "started" }
    /** coats laid in one go and the wet film of each, µm; null = none, or as planned */
    | {
        readonly kind: "done";
        readonly coats: number | null;
        readonly wftUm: number | null;
        readonly laid?: Laid | undefined;
      }
    /** somebody looked and it was not time */
    | { readonly kind: "not-yet"; readonly sign: Sign | null }
    /** extra work put up: it comes before anything else of its region */
    | { readonly kind: "asked"; readonly work: ExtraWork }
    /** extra work done, and told only then */
    | { readonly kind: "worked"; readonly work: ExtraWork }
    /** dry film of one layer as a gauge showed it, µm */
    | { readonly kind: "measured"; readonly layerId: string; readonly dftUm: number }
    /** the last thing that stands of that operation is unsaid */
    | { readonly kind: "taken-back" }
  );
/** What stands until it is unsaid. */
export type Deed = Exclude<BenchEvent, { kind: "not-yet" | "taken-back" }>;
export type EventKind = BenchEvent["kind"];
export type EventOf<K extends EventKind> = Extract<BenchEvent, { kind: K }>;
