import type { ExtraWork, MarkKind, MarkSize, Mend, Milestone, MishapExtent, MishapSign, Product } from "../model";

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
    /** somebody looked and it was time; `turned` = it had only just come to it */
    | { readonly kind: "ready"; readonly turned: boolean }
    /** what was seen of a film is struck out of what the shed has taught, or taken in again */
    | { readonly kind: "heeded"; readonly lookId: string; readonly yes: boolean }
    /** extra work put up: it comes before anything else of its region */
    | { readonly kind: "asked"; readonly work: ExtraWork }
    /** extra work done, and told only then */
    | { readonly kind: "worked"; readonly work: ExtraWork }
    /** dry film of one layer as a gauge showed it, µm */
    | { readonly kind: "measured"; readonly layerId: string; readonly dftUm: number }
    /** the last thing that stands of that operation is unsaid */
    | { readonly kind: "taken-back" }
    /** something went wrong: what it looks like, on which layer it lies and how much of the face has it */
    | {
        readonly kind: "reported";
        readonly sign: MishapSign;
        readonly layerId: string | null;
        readonly extent: MishapExtent;
        readonly place: string | null;
      }
    /** how far a report reaches, and where, told later */
    | {
        readonly kind: "amended";
        readonly reportId: string;
        readonly extent: MishapExtent;
        readonly place: string | null;
      }
    /** something only somebody at the bench can know, said of a report */
    | { readonly kind: "answered"; readonly reportId: string; readonly fact: string; readonly yes: boolean }
    /** a mend put into the plan */
    | { readonly kind: "mended"; readonly reportId: string | null; readonly recipe: string; readonly mend: Mend }
    /** a report was none; what is not done yet of its mend goes with it */
    | { readonly kind: "withdrawn"; readonly reportId: string }
    /** a report is closed: by what it was, if that is known, which makes a lesson */
    | { readonly kind: "settled"; readonly reportId: string; readonly cause: string | null }
    /** its lesson is struck out */
    | { readonly kind: "struck"; readonly reportId: string }
    /** the face was looked at after its uppermost layer, and this was found */
    | { readonly kind: "looked"; readonly layerId: string | null; readonly marks: readonly Mark[] }
    /** marks that are no more, by the work that ended them */
    | { readonly kind: "closed"; readonly markIds: readonly string[]; readonly byOpId: string | null }
  );

/** A place on a face where something is to be done. */
export interface Mark {
  readonly id: string;
  readonly kind: MarkKind;
  readonly size: MarkSize;
  /** on the picture it was seen in, shares of its width and height; null = no picture */
  readonly at: { readonly x: number; readonly y: number } | null;
  readonly note: string;
}

/** Said of a face without anything being done to it. */
const SAYINGS = [
  "reported",
  "amended",
  "answered",
  "withdrawn",
  "settled",
  "struck",
  "looked",
  "closed",
  "heeded",
] as const;
/** A report that was none takes its mend along; marks are what a round is planned for. */
const MOVES: ReadonlySet<EventKind> = new Set<EventKind>(["withdrawn", "looked", "closed", "heeded"]);
/** Nothing that is planned hangs on these. */
export const movesNoPlan = (kind: EventKind): boolean =>
  !MOVES.has(kind) && (SAYINGS as readonly string[]).includes(kind);
export type Saying = Extract<BenchEvent, { kind: (typeof SAYINGS)[number] }>;
export const isSaying = (e: BenchEvent): e is Saying => (SAYINGS as readonly string[]).includes(e.kind);
/** What stands until it is unsaid. */
export type Deed = Exclude<BenchEvent, Saying | { kind: "not-yet" | "ready" | "taken-back" }>;
export type EventKind = BenchEvent["kind"];
export type EventOf<K extends EventKind> = Extract<BenchEvent, { kind: K }>;
