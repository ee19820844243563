import type { BeforeStep, PrepStep } from "../model";
import { materialFacts } from "../reference";
import { type Near, NIGHT_MIN } from "../schedule";
import type { Chain, Operation, PlanRegion, Tie } from "../work";

/** The last of the dust and grease comes off right before the paint goes on, or new dust has settled. */
const LAST_CLEAN: ReadonlySet<string> = new Set<PrepStep | BeforeStep>(["dust-off", "wipe", "tack-off"]);
/** Once washed, bared or keyed a face gathers grease, rust and dust; it should not lie so over night without need. */
const BARED: ReadonlySet<string> = new Set<PrepStep | BeforeStep>([
  "degrease",
  "derust",
  "wash",
  "blow-out",
  "dry",
  "key",
  "rinse",
  "scuff",
]);

/** What takes harm while it lies and waits for what it was done for: tape, a face wiped clean, one got ready. */
export type Waiting = "tape" | "clean" | "ready";
export function waitsAs({ kind, step }: Operation): Waiting | null {
  if (kind === "mask") return "tape";
  if ((kind !== "prep" && kind !== "before") || step === null) return null;
  if (LAST_CLEAN.has(step)) return "clean";
  return BARED.has(step) ? "ready" : null;
}

/** Why two pieces of work had better be done in one go. */
export type NearKind = Waiting | "bare-metal" | "coats" | "turn";

/** What a night between them counts against one between others (est.). What was wiped the evening before is wiped once more. */
const NIGHT: Readonly<Record<NearKind, number>> = { clean: 5, "bare-metal": 4, coats: 3, ready: 2, tape: 2, turn: 1 };

interface FaceWork {
  readonly chain: Chain;
  readonly planned: PlanRegion;
}

interface NearTie {
  readonly tie: Tie;
  readonly as: NearKind;
}

/** Pairs of one face's work that had better be done in one go. */
export function nearTies({ chain, planned }: FaceWork): readonly NearTie[] {
  const { material } = planned.region;
  const isMetal = material !== null && material !== "unknown" && materialFacts(material).group === "metal";
  const byId = new Map(chain.ops.map((op) => [op.id, op]));
  const firstCoat = chain.ops.findIndex((op) => op.kind === "coat");
  const bare = new Set(chain.ops.slice(0, Math.max(0, firstCoat)).map((op) => op.id));
  const near = chain.ties.flatMap((tie): NearTie[] => {
    const [from, to] = [byId.get(tie.from), byId.get(tie.to)];
    if (!from || !to) return [];
    if (from.kind === "coat" && to.kind === "coat" && from.layerId === to.layerId) return [{ tie, as: "coats" }];
    // sprayed in the last minutes before one leaves it lies on one side all night
    if (from.kind === "coat" && to.kind === "turn") return [{ tie, as: "turn" }];
    const as = waitsAs(from);
    // how long tape lies at the most is its own tie
    if (as === null || to.kind === "unmask") return [];
    return [{ tie, as: as === "ready" && isMetal && bare.has(from.id) ? "bare-metal" : as }];
  });
  // a night on the way to the paint counts once, not again on the way to the wipe before it
  const painted = new Set(near.flatMap(({ tie }) => (byId.get(tie.to)!.kind === "coat" ? tie.from : [])));
  return near.filter(({ tie }) => byId.get(tie.to)!.kind === "coat" || !painted.has(tie.from));
}

/** The same of all faces, as the schedule takes it. */
export const nearPairs = (chains: readonly FaceWork[], aliasOf: (opId: string) => string): readonly Near[] =>
  chains.flatMap((live) =>
    nearTies(live).flatMap(({ tie, as }): Near[] => {
      const [from, to] = [aliasOf(tie.from), aliasOf(tie.to)];
      return from === to ? [] : [{ from, to, weight: NIGHT[as] }];
    }),
  );

/** What lies over night without need, in minutes of a later end, as the search has weighed it. */
export const overNightMin = (left: readonly { readonly as: NearKind; readonly nights: number }[]): number =>
  left.reduce((sum, { as, nights }) => sum + NIGHT_MIN * NIGHT[as] * nights, 0);
