import type { Milestone } from "../model";

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
    | { readonly kind: "done"; readonly coats: number | null; readonly wftUm: number | null }
    /** somebody looked and it was not time */
    | { readonly kind: "not-yet"; readonly sign: Sign | null }
    /** the last start or done of that operation is unsaid */
    | { readonly kind: "taken-back" }
  );
export type EventKind = BenchEvent["kind"];
export const EVENT_KINDS = ["started", "done", "not-yet", "taken-back"] as const satisfies readonly EventKind[];
