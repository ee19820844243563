import type { BeforeStep, PrepStep } from "../model";
import { materialFacts } from "../reference";
import type { Near } from "../schedule";
import type { Operation } from "../work";
import type { LiveChain } from "./problem";

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

/** What a night counts between a face got ready and what it is ready for; between tape and paint; and between two coats of one layer. */
const NIGHT = { bareMetal: 4, ready: 2, clean: 2, tape: 2, coats: 3 } as const;

/** Pairs of work that had better be done in one go, of all faces. */
export const nearPairs = (chains: readonly LiveChain[], aliasOf: (opId: string) => string): readonly Near[] =>
  chains.flatMap((live) => {
    const { chain, planned } = live;
    const { material } = planned.region;
    const isMetal = material !== null && material !== "unknown" && materialFacts(material).group === "metal";
    const byId = new Map(chain.ops.map((op) => [op.id, op]));
    const painted = chain.ops.findIndex((op) => op.kind === "coat");
    const bare = new Set(chain.ops.slice(0, Math.max(0, painted)).map((op) => op.id));
    return chain.ties.flatMap((tie): Near[] => {
      const [from, to] = [byId.get(tie.from), byId.get(tie.to)];
      if (!from || !to) return [];
      const pair = (weight: number) => [{ from: aliasOf(from.id), to: aliasOf(to.id), weight }];
      if (from.kind === "coat" && to.kind === "coat" && from.layerId === to.layerId) return pair(NIGHT.coats);
      const as = waitsAs(from);
      if (as === null) return [];
      return pair(as === "ready" && isMetal && bare.has(from.id) ? NIGHT.bareMetal : NIGHT[as]);
    });
  });
