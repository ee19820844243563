import type { PlacedVerdict } from "@/core/judge";
import type { HandsFactor } from "@/core/learning";
import type { MishapSign, Region, WorkKind } from "@/core/model";
import type { FollowUpLook, Hours, RecordFilm, Spent } from "@/core/record";
import type { Calibration, Explained, FilmLook } from "@/core/witness";
import type { LogEntry } from "./log";

/** What the log proves and teaches, as screens are shown it: read models, never sent in. */

/** A film of a face as it lies there. */
export interface FilmView extends Omit<RecordFilm, "product"> {
  readonly name: string;
  readonly colour: string;
  readonly family: string;
  /** air of its coats, as the log had it */
  readonly air: { readonly leastC: number; readonly mostC: number; readonly rhPct: number } | null;
}

/** What would go over the uppermost film if it chipped, judged at that date. */
export interface TouchUpView {
  readonly name: string;
  readonly daysSince: number;
  /** null = nobody said what is left, or it is gone */
  readonly leftMl: number | null;
  readonly onShelf: boolean;
  readonly openedOn: string | null;
  readonly useBy: string | null;
  readonly pastDate: boolean;
  /** how it goes over itself: wiped clean, or scuffed first; null = not with this */
  readonly how: "wipe" | "scuff" | null;
  /** what is said of it as it would go on, as texts of the judge */
  readonly verdicts: readonly Pick<
    PlacedVerdict,
    "code" | "missing" | "detail" | "fine" | "rest" | "zone" | "verdict"
  >[];
  readonly tapeSafe: boolean;
}

/** One face of a record. */
export interface RecordFace {
  readonly regionId: string;
  readonly part: string;
  readonly face: string;
  readonly count: number;
  readonly material: Region["material"];
  readonly areaCm2: number | null;
  readonly films: readonly FilmView[];
  /** got ready and worked on, as the log has it, oldest first */
  readonly works: readonly { readonly atMin: number; readonly title: string; readonly note: string }[];
  readonly faults: readonly {
    readonly atMin: number;
    readonly sign: MishapSign;
    readonly place: string | null;
    readonly cause: string | null;
    readonly recipes: readonly string[];
    readonly open: boolean;
  }[];
  readonly photos: readonly { readonly hash: string; readonly atMin: number; readonly title: string }[];
  readonly coupons: readonly string[];
  readonly hours: Hours;
  readonly followUps: readonly FollowUpLook[];
  readonly touchUp: TouchUpView | null;
}

/** What the log proves of a model. */
export interface RecordView {
  readonly model: { readonly id: string; readonly name: string; readonly scale: string; readonly note: string };
  readonly atMin: number;
  readonly timeZone: string;
  /** nothing has been done to it yet */
  readonly empty: boolean;
  readonly faces: readonly RecordFace[];
  readonly hours: Hours;
  readonly spent: readonly (Spent & { readonly name: string })[];
  /** what has a price, summed; null = nothing has */
  readonly money: number | null;
  /** pieces that are all alike; 1 = it is made of different parts */
  readonly pieces: number;
}

/** What the logs say was used of a product. */
export interface UsedView {
  readonly coats: number;
  readonly faces: number;
  readonly models: number;
  /** ml; weighed, or reckoned */
  readonly ml: number;
  /** some of it was reckoned from face and film */
  readonly reckoned: boolean;
}

/** A log as it is shown, newest first. */
export interface LogbookView {
  readonly entries: readonly LogEntry[];
  /** lines it has altogether */
  readonly total: number;
  /** older ones are left out */
  readonly more: boolean;
  /** entries that can still be taken back */
  readonly standing: readonly string[];
  readonly names: readonly { readonly id: string; readonly name: string }[];
  /** local date, YYYY-MM-DD */
  readonly today: string;
  readonly timeZone: string;
}

/** How long something takes in this shed against its label, by its quantiles. */
export interface FactorView {
  readonly median: number;
  readonly p10: number;
  readonly p90: number;
}

/** What was seen of one film, as the shed has learnt from it. */
export interface LookView extends Omit<FilmLook, "productId" | "opId" | "wftUm"> {
  /** part and face; null = they are gone */
  readonly place: string | null;
}

/** What looks have taught of the shed's waits. */
export interface TaughtView {
  readonly shed: FactorView;
  /** looks that count */
  readonly count: number;
  readonly calibration: Calibration;
  /** by product, those somebody has looked at */
  readonly products: Readonly<
    Record<string, FactorView & { readonly count: number; readonly strange: Explained | null }>
  >;
  /** how long one's own hands take, by kind of work; those anything was seen of */
  readonly hands: readonly (HandsFactor & { readonly kind: WorkKind })[];
  /** since when they count, ISO 8601; null = since ever */
  readonly handsSince: string | null;
  /** newest first, those left out included */
  readonly looks: readonly LookView[];
  readonly names: Readonly<Record<string, string>>;
  readonly timeZone: string;
}
