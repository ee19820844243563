import type { FillerChoice } from "@/core/finder";
import type { AsItLies, SeenMark } from "@/core/history";
import type { JudgeAnswer } from "@/core/judge";
import type { AskedFact, FaceNow, KnownFact, LessonOn, LessonShift, MishapFact, NoWay, RecipeId } from "@/core/mishap";
import type {
  BenchSession,
  CouponResult,
  Layer,
  Mend,
  MishapExtent,
  MishapSign,
  Product,
  Region,
  Stack,
  StripWay,
  Verdict,
} from "@/core/model";
import type { BenchTile, MendPrice, PlanAnswer, PlanInput, StackTotals, WhyOpWaits } from "@/core/plan";
import type { Asked } from "@/core/reference";
import type { Fired, ReadyStep } from "@/core/rules";
import type { Operation, PrepTime } from "@/core/work";
import type { AirNow } from "./air";
import type { CouponCard } from "./coupon";
import type { ModelState } from "./model";
import type { Planning } from "./planning";
import type { Shop } from "./shop";
import type { Showing } from "./showing";

/** What the screens are shown: read models, never sent in. */

export type NodeKind = "model" | "part" | "region";

export interface ModelHead {
  readonly id: string;
  readonly name: string;
  readonly scale: string;
  readonly note: string;
  readonly state: ModelState;
  readonly rev: number;
}

export interface RegionNode {
  readonly region: Region;
  readonly stack: Stack;
  readonly overrides: readonly { readonly key: string; readonly reason: string }[];
  /** guards the region's own fields */
  readonly rev: number;
  /** guards preparation and layers */
  readonly stackRev: number;
}

export interface PartNode {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  readonly note: string;
  readonly photo: string | null;
  readonly rev: number;
  readonly regions: readonly RegionNode[];
}

export interface ShelfItem {
  readonly product: Product;
  readonly rev: number;
  /** regions whose stacks use it; of many the first */
  readonly places: readonly { readonly regionId: string; readonly name: string }[];
  /** how many there are */
  readonly placeCount: number;
}

export interface JudgedRegion {
  readonly node: RegionNode;
  readonly partName: string;
  readonly answer: JudgeAnswer;
}

export interface PlanView {
  readonly answer: PlanAnswer;
  readonly plannedMs: number;
  /** false when something it was made from has changed since, or work it had planned is overdue */
  readonly fresh: boolean;
  readonly beforeDoneMin: number | null;
}

/** Whether a plan is on its way. */
interface PlanMaking {
  readonly state: "making" | "still";
  /** why the last one asked for was not made; null = it was */
  readonly why: string | null;
}

export interface BenchView {
  readonly tiles: readonly BenchTile[];
  readonly plan: PlanView | null;
  readonly nowMs: number;
}

/** One region's pile with everything the Stacks screen shows of it. */
export interface StackView {
  readonly modelId: string;
  /** the model has a plan already */
  readonly planned: boolean;
  readonly chosen: JudgedRegion;
  /** every product of its layers, also those taken off the shelf since */
  readonly products: readonly Product[];
  /** coupons close to this pile that do not speak for it */
  readonly near: readonly { readonly id: string; readonly name: string; readonly result: CouponResult }[];
  readonly totals: StackTotals;
  /** operations of this region begun or done: changing the pile under them is said aloud */
  readonly begun: number;
  /** layers its mends put in, which are the log's and not the user's own, with the layer each lies over */
  readonly mended: readonly { readonly over: string | null; readonly layer: Layer }[];
  /** what earlier mishaps taught */
  readonly lessons: readonly LessonView[];
  /** the pile as it lies by the log, where it differs from the user's own; null = it does not */
  readonly liesAs: AsItLies | null;
  /** the order of getting ready as it is proposed for this face, and what each step of its own takes */
  /** paints that stand out against a layer, for a guide coat before it is rubbed, best first, by layer */
  readonly guides: Readonly<Record<string, readonly string[]>>;
  /** fillers of the shelf for its gap and those of its zones, best first, over the ground of its pile, and at which place in it */
  readonly fillers: readonly {
    readonly at: number;
    /** null = the face's own gap */
    readonly zone: string | null;
    readonly depthUm: number | null;
    readonly choices: readonly FillerChoice[];
  }[];
  readonly ready: { readonly proposed: readonly ReadyStep[]; readonly times: readonly PrepTime[] };
}

export interface AirSample {
  readonly atMin: number;
  readonly tempC: number;
  readonly rhPct: number;
  readonly dewMarginC: number;
}

/** What is wrong in a file, and where. */
export interface FileFault {
  /** 1 = the heading line; of a JSON file the place of the product, from 1 */
  readonly line: number;
  /** heading of the column, or the path in a JSON product */
  readonly column: string;
  readonly message: string;
}
interface ReadLine {
  readonly line: number;
  readonly name: string;
  /** new to the shelf; the same facts as here; other facts than here */
  readonly state: "new" | "same" | "differs";
}
export interface ShelfPreview {
  readonly lines: readonly ReadLine[];
  readonly faults: readonly FileFault[];
}

/** A coupon with what it says on the model at hand. */
export interface CouponView {
  readonly card: CouponCard;
  readonly rev: number;
  /** through cured by the film model's reckoning, or said to be */
  readonly ripe: boolean;
  /** its result is in and may decide */
  readonly counts: boolean;
  /** regions whose piles it speaks for, by id */
  readonly speaksFor: readonly string[];
}

export interface CouponScreen {
  readonly coupons: readonly CouponView[];
  /** regions of the model at hand, judged: where a trial is asked for */
  readonly regions: readonly JudgedRegion[];
}

/** What lies behind the lanes of a timetable. */
export interface Backdrop {
  readonly fromMin: number;
  readonly toMin: number;
  readonly sessions: readonly BenchSession[];
  readonly nights: readonly BenchSession[];
  readonly midnights: readonly number[];
  readonly air: readonly AirSample[];
}

/** A plan's input as it is sent to a worker: products as a list, for a function cannot be sent. */
export type SentPlanInput = Omit<PlanInput, "productOf"> & { readonly products: readonly Product[] };

/** Of an adhesive on one of the two parts it joins. */
export interface JointVerdict {
  readonly partId: string;
  readonly rule: string;
  readonly verdict: Verdict;
  readonly missing: readonly string[];
}

/** Why a wait is as long as it is, with where the part hangs, so that what is offered can be taken. */
export interface WhyHere extends WhyOpWaits {
  readonly modelId: string;
  readonly partId: string;
}

/** An adhesive of the shelf for one fitting: what is to be said of it there, and how long it takes. */
export interface GlueChoice {
  readonly glueId: string;
  readonly told: readonly JointVerdict[];
  /** worst of them */
  readonly verdict: Verdict;
  readonly setsMin: number;
  readonly worksMin: number;
}

/** A day one might come to the bench beside the usual ones, with the hours one would. */
export interface SpareDay {
  /** local date, YYYY-MM-DD */
  readonly date: string;
  readonly from: string;
  readonly to: string;
  readonly startMin: number;
  readonly endMin: number;
  /** all of that day's sessions with it */
  readonly spans: readonly { readonly from: string; readonly to: string }[];
}

/** A model as the bench has it: planned with the others, or left alone and what that costs. */
export interface ModelOnBench extends Pick<ModelHead, "id" | "name" | "state" | "rev"> {
  /** its own last work by the plan; null = it is not in it */
  readonly doneMin: number | null;
  /** wished for by then; null = by no date */
  readonly dueMin: number | null;
  /** no region of it has layers: there is nothing of it to plan */
  readonly bare: boolean;
  /** of one that ends after its date: days one might come to the bench beside the usual ones; empty = on time, or there are none */
  readonly spare: readonly SpareDay[];
  /** of a resting one: recoat windows of what lies on it, that shut while nobody works on it, soonest first */
  readonly windows: readonly { readonly name: string; readonly shutsMin: number }[];
}

/** Everything the Plan screen shows. */
export interface PlanScreen {
  readonly modelId: string;
  /** every model there is, in the user's order */
  readonly models: readonly ModelOnBench[];
  /** the active model that the plan of all is asked for by; null = none is active */
  readonly planVia: string | null;
  readonly plan: PlanView | null;
  readonly making: PlanMaking;
  /** of everything active, in the user's order; `name` tells part and, where it matters, region and model */
  readonly regions: readonly { readonly id: string; readonly name: string; readonly modelId: string }[];
  readonly parts: readonly { readonly id: string; readonly name: string; readonly regionIds: readonly string[] }[];
  /** fields of the colour schemes, by region */
  readonly schemes: Readonly<Record<string, readonly { readonly name: string; readonly share: number }[]>>;
  /** what was said of the plan, by model */
  readonly plannings: Readonly<Record<string, { readonly planning: Planning; readonly rev: number }>>;
  /** faces with marks still to be seen to */
  readonly toFill: readonly { readonly regionId: string; readonly marks: readonly MarkView[] }[];
  /** what is to be said of the adhesive of each fitting, by the part that is fitted */
  readonly joints: Readonly<Record<string, readonly JointVerdict[]>>;
  /** adhesives to choose from for each fitting, best first, by the part that is fitted */
  readonly glues: Readonly<Record<string, readonly GlueChoice[]>>;
  readonly products: Readonly<Record<string, Product>>;
  readonly shop: Shop;
  readonly shopRev: number;
  /** local date, YYYY-MM-DD */
  readonly today: string;
  readonly nowMin: number;
  readonly timeZone: string;
  /** null without a timetable */
  readonly backdrop: Backdrop | null;
}

/** A film of the miniature pile on a bench tile. */
export interface MiniFilm {
  readonly layerId: string;
  readonly colour: string;
  readonly um: number;
}

/** A film with the name of what it is, and whether a coat of it lies there by the log. */
export interface NamedFilm extends MiniFilm {
  readonly name: string;
  readonly lies: boolean;
}

/** Everything the Bench shows. */
export interface BenchScreen {
  /** whose parts these are, in the user's order */
  readonly models: readonly { readonly id: string; readonly name: string; readonly regionIds: readonly string[] }[];
  readonly tiles: readonly BenchTile[];
  readonly plan: PlanView | null;
  readonly making: PlanMaking;
  readonly names: Readonly<Record<string, string>>;
  readonly products: Readonly<Record<string, Product>>;
  readonly films: Readonly<Record<string, readonly NamedFilm[]>>;
  /** what first aid and marks have to know, by region */
  readonly faces: Readonly<Record<string, FaceView>>;
  /** what earlier mishaps taught */
  readonly lessons: readonly LessonView[];
  /** of a finished face the look whose day has come and that nobody has made; null = none */
  readonly looksDue: Readonly<Record<string, { readonly days: number; readonly dueMin: number } | null>>;
  /** regions that came with a finish or a seal on them, and still have it */
  readonly covered: readonly string[];
  /** what is worn and running for the next step of each region, and whether it is asked now */
  readonly care: Readonly<Record<string, CareView>>;
  readonly session: BenchSession | null;
  readonly air: { readonly tempC: number; readonly rhPct: number };
  readonly timeZone: string;
}

/** What is worn and running for a piece of work. */
export interface CareView {
  readonly asks: readonly Asked[];
  /** of these, what Settings says there is none of */
  readonly absent: readonly Asked[];
  /** it was not confirmed yet this session, or is every time */
  readonly due: boolean;
  /** it puts on something that has to be set up for */
  readonly paints: boolean;
  /** and that was not put on yet this session: what to set is shown first */
  readonly fresh: boolean;
}

/** Whole copies of the database, newest first. */
export interface BackupsView {
  readonly backups: readonly { readonly name: string; readonly madeMs: number; readonly bytes: number }[];
}

export interface BackupInside {
  /** it can be read from end to end */
  readonly whole: boolean;
  readonly models: readonly string[];
  readonly products: number;
  readonly logLines: number;
  /** of the newest line of its log; null = none */
  readonly newestMs: number | null;
}

/** What became of that in whose place a copy was put; null = there was none. */
export interface RestoredView {
  readonly before: string | null;
  readonly aside: string | null;
}

/** Devices of the local network that were let in. */
export interface DevicesView {
  /** where they find the application; null = the network is shut out */
  readonly doorUrl: string | null;
  readonly devices: readonly {
    readonly id: string;
    readonly name: string;
    readonly pairedMs: number;
    readonly seenMs: number;
  }[];
}

/** Lets one device in, once. */
export interface PairLink {
  readonly link: string;
  readonly expiresMs: number;
}

/** What work no layer asks for would do. */
export interface WorkWeighed {
  readonly verdicts: readonly Fired[];
  /** ways of stripping that spare its material */
  readonly ways: readonly StripWay[];
}

/** What every screen shows around itself. */
export interface FrameView {
  readonly models: readonly { readonly id: string; readonly name: string }[];
  readonly currentId: string | null;
  readonly air: AirNow;
  readonly timeZone: string;
  /** the next or present time at the bench */
  readonly session: BenchSession | null;
  /** the wait that is over first */
  readonly next: {
    readonly op: Operation;
    readonly partName: string;
    readonly productNames: Readonly<Record<string, string>>;
    readonly likelyMin: number;
  } | null;
  readonly regions: readonly { readonly id: string; readonly name: string }[];
  readonly products: readonly { readonly id: string; readonly name: string; readonly aliases: readonly string[] }[];
  /** how this reader sees figures and times */
  readonly showing: Showing;
  /** rows that had to be left aside */
  readonly unreadable: readonly { readonly what: string; readonly count: number }[];
}

/** A cause of something that went wrong, with what speaks for it and against. */
export interface CauseView {
  readonly id: string;
  readonly chance: number;
  readonly for: readonly EvidenceView[];
  readonly against: readonly EvidenceView[];
}
interface EvidenceView {
  readonly fact: MishapFact;
  readonly known: KnownFact;
}

/** A way to mend with its price; one that is none here says why. */
export type WayView =
  | { readonly recipe: RecipeId; readonly ok: false; readonly why: NoWay }
  | {
      readonly recipe: RecipeId;
      readonly ok: true;
      readonly price: MendPrice;
      /** paint it takes, in the user's own money; null = nobody knows */
      readonly cost: number | null;
      /** this spot was mended so before */
      readonly tried: boolean;
      /** in words of work, in order */
      readonly mend: Mend;
    };

/** Something that went wrong, explained. */
export interface ReportView {
  readonly report: {
    readonly id: string;
    readonly regionId: string;
    readonly atMin: number;
    readonly sign: MishapSign;
    readonly extent: MishapExtent;
    readonly place: string | null;
    readonly cause: string | null;
    readonly closed: boolean;
    readonly recipes: readonly string[];
  };
  readonly causes: readonly CauseView[];
  readonly questions: readonly AskedFact[];
  readonly ways: readonly WayView[];
  readonly lessons: readonly LessonView[];
}

/** What an earlier mishap teaches. */
export interface LessonView {
  readonly reportId: string;
  readonly modelId: string;
  readonly regionId: string;
  readonly cause: string;
  readonly sign: MishapSign;
  readonly on: LessonOn;
  readonly shift: LessonShift;
  readonly atMin: number;
  readonly where: string;
  readonly productId: string | null;
  readonly belowId: string | null;
  readonly material: string | null;
}

/** A mark a look left, still to be seen to. */
export interface MarkView extends SeenMark {
  readonly lookId: string;
  readonly atMin: number;
  readonly layerId: string | null;
  readonly photo: string | null;
}

/** What the bench has to know of a face beside its step. */
export interface FaceView {
  readonly face: FaceNow;
  /** open reports, newest first */
  readonly reports: readonly {
    readonly id: string;
    readonly sign: MishapSign;
    readonly atMin: number;
    readonly mended: boolean;
  }[];
  /** marks that are open, in the order they were seen */
  readonly marks: readonly MarkView[];
  /** its last picture, and the marks of that look */
  readonly photo: string | null;
}
