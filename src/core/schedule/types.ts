/** Absolute minutes; a null end never comes. */
export interface Span {
  readonly startMin: number;
  readonly endMin: number | null;
}

export interface Op {
  readonly id: string;
  readonly durationMin: number;
  /** amounts of renewable resources held while the operation runs */
  readonly needs: Readonly<Record<string, number>>;
  /** what a resource has to be loaded with for it, by resource */
  readonly loads?: Readonly<Record<string, string>> | undefined;
  /** resources it goes on holding after it has ended: a drying rack, a box, the holder the part hangs from */
  readonly keeps?: readonly Keep[] | undefined;
  /** what it gives to the air and what it cannot bear there */
  readonly air?: SharedAir | undefined;
  /** nobody has to be there: it need not lie inside a session */
  readonly unattended?: boolean | undefined;
  /** starts then and at no other time */
  readonly lockMin?: number | null | undefined;
  /** wished end; missing it costs, but does not forbid */
  readonly dueMin?: number | null | undefined;
  /** how much a minute late counts; left out = 1 */
  readonly dueWeight?: number | undefined;
  /** not before this moment */
  readonly releaseMin: number;
  /** the whole operation must lie inside one of these; null = any time */
  readonly gate: readonly Span[] | null;
  /** already begun or done: where it really lies; no rule but resources applies to it */
  readonly fixed: { readonly startMin: number; readonly endMin: number } | null;
}

export type EndOf = (opId: string) => number;

/** A tool not used for so long was put away clean, minutes (est.). */
export const PUT_AWAY_MIN = 240;

export interface Keep {
  readonly resource: string;
  readonly amount: number;
  /** moment until which it is held, for an operation that ends at `endMin` */
  readonly untilMin: (endMin: number) => number;
}

/**
 * All operations share one air. What one of them gives off (`gives`, from its start until `settleMin` after its end) must not
 * meet what another leaves open (`mindsUntilMin`, from its start), unless both are of one kind.
 */
export interface SharedAir {
  readonly gives: string | null;
  readonly settleMin: number;
  /** until when what an operation ending at `endMin` leaves behind takes harm; null = never */
  readonly mindsUntilMin: ((endMin: number) => number) | null;
  /** operations of one owner never foul each other: their own waits say when one may follow the other */
  readonly of?: string | undefined;
}

export interface Link {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /**
   * Spans in which `to` may start, in rising order, once `from` and everything before it in the chain has
   * ended at the times given. Empty = never within the horizon.
   */
  readonly allowed: (endOf: EndOf) => readonly Span[];
  /** operations on whose ends `allowed` hangs; left out = on that of `from` alone */
  readonly hangsOn?: readonly string[] | undefined;
  /** asking it is slow: a film model has to answer */
  readonly dear?: boolean | undefined;
  /** true when some span has an end: then `from` must not be placed without looking at `to` */
  readonly bounded: boolean;
  /** rough wait for priorities, minutes; no promise */
  readonly estimateMin: number;
  /** a wait that is never shorter than this, minutes; for the lower bound */
  readonly leastMin: number;
}

/** Two pieces of work that had better be done in one go: no night between them that need not be. */
export interface Near {
  readonly from: string;
  readonly to: string;
  /** how much a night between them counts against one between others */
  readonly weight: number;
}

export interface Problem {
  readonly ops: readonly Op[];
  readonly links: readonly Link[];
  /** wished for, after the finish: forbids nothing */
  readonly near?: readonly Near[] | undefined;
  /** how pale what a tool is loaded with is, 0–1, by load: pale goes before dark where it may, wished for and no more */
  readonly paleness?: Readonly<Record<string, number>> | undefined;
  readonly capacity: Readonly<Record<string, number>>;
  /** minutes between two operations on a resource that is loaded with something else for the second; closed time counts */
  readonly setupMin?: Readonly<Record<string, number>> | undefined;
  /** a resource of which a set-up takes one while it lasts: somebody's hands; absent = it needs nobody */
  readonly setupTakes?: string | undefined;
  /** rising, not overlapping; every operation that is not fixed lies wholly inside one */
  readonly sessions: readonly { readonly startMin: number; readonly endMin: number }[];
  readonly nowMin: number;
  /** starts are multiples of this */
  readonly gridMin: number;
}

/** What held an operation's start back last. */
export type BoundBy =
  | { readonly kind: "now" }
  | { readonly kind: "link"; readonly linkId: string }
  | { readonly kind: "session" }
  | { readonly kind: "gate" }
  | { readonly kind: "resource"; readonly resource: string; readonly opId: string }
  | { readonly kind: "air"; readonly opId: string }
  | { readonly kind: "release" }
  /** where an earlier plan had it, although it could be sooner */
  | { readonly kind: "kept" }
  | { readonly kind: "lock" }
  | { readonly kind: "window"; readonly linkId: string };

export interface Placed {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number;
  /** what held the start back last */
  readonly boundBy: BoundBy;
}

/** Why an operation fits nowhere: the smallest thing in the way that the search could name. */
export type Conflict =
  | {
      readonly kind: "no-session-long-enough";
      readonly opId: string;
      readonly longestMin: number;
      readonly neededMin: number;
    }
  | { readonly kind: "no-session-left"; readonly opId: string }
  | { readonly kind: "gate-shut"; readonly opId: string }
  | { readonly kind: "wait-beyond-horizon"; readonly opId: string; readonly linkId: string }
  | { readonly kind: "window"; readonly opId: string; readonly linkId: string }
  /** it was locked to a moment at which it cannot start; `heldBy` is what stands in the way */
  | { readonly kind: "lock"; readonly opId: string; readonly heldBy: BoundBy };

/** What a placement is made from: who goes first, and who is held back until when; by operation. */
export interface Genes {
  readonly priority: ReadonlyMap<string, number>;
  readonly hold: ReadonlyMap<string, number>;
  /** starts kept free for operations until their turn comes, where nothing firm lies there */
  readonly reserve?: ReadonlyMap<string, number> | undefined;
  /** sessions left empty, by their start */
  readonly skip?: ReadonlySet<number> | undefined;
}

export type Schedule =
  | {
      readonly outcome: "placed";
      readonly placed: readonly Placed[];
      readonly endMin: number;
      /** no plan of these rules can end before this */
      readonly boundMin: number;
      /** a later search over a like problem may start from it */
      readonly genes: Genes;
      readonly stats: { readonly tries: number };
    }
  | { readonly outcome: "conflict"; readonly conflict: Conflict };
