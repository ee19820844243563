import type { BenchSession, Product, Region, Stack } from "@/core/model";
import type { BenchTile, JudgeAnswer, PlanAnswer, StackTotals } from "@/core/plan";
import type { Shop } from "./shop";

/** What the screens are shown: read models, never sent in. */

export type NodeKind = "model" | "part" | "region";

export interface ModelHead {
  readonly id: string;
  readonly name: string;
  readonly scale: string;
  readonly note: string;
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
  /** regions whose stacks use it */
  readonly usedIn: number;
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

export interface BenchView {
  readonly tiles: readonly BenchTile[];
  readonly plan: PlanView | null;
  readonly nowMs: number;
}

/** One region's pile with everything the Stacks screen shows of it. */
export interface StackView {
  readonly chosen: JudgedRegion;
  /** every product of its layers, also those taken off the shelf since */
  readonly products: readonly Product[];
  /** coupons close to this pile that do not speak for it, by id */
  readonly near: readonly string[];
  readonly totals: StackTotals;
  /** operations of this region begun or done: changing the pile under them is said aloud */
  readonly begun: number;
}

export interface AirSample {
  readonly atMin: number;
  readonly tempC: number;
  readonly rhPct: number;
  readonly dewMarginC: number;
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

/** Everything the Plan screen shows. */
export interface PlanScreen {
  readonly modelId: string;
  readonly plan: PlanView | null;
  /** in the user's order; `name` tells part and, where it matters, region */
  readonly regions: readonly { readonly id: string; readonly name: string }[];
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

/** Everything the Bench shows. */
export interface BenchScreen {
  readonly tiles: readonly BenchTile[];
  readonly plan: PlanView | null;
  readonly names: Readonly<Record<string, string>>;
  readonly products: Readonly<Record<string, Product>>;
  readonly films: Readonly<Record<string, readonly MiniFilm[]>>;
  readonly session: BenchSession | null;
  readonly air: { readonly tempC: number; readonly rhPct: number };
  readonly timeZone: string;
}
