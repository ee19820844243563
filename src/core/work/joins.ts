import { opIds, type Product } from "../model";
import { type GlueTimes, glueTimes, HELD_BY_HAND_MIN, SIDE_LABOUR } from "../reference";
import { blankOperation, type Chain, type Operation, type Tie } from "./operations";
import { inSteps } from "./sources/put-together";
import type { Join, Wait } from "./types";

/** A wait between two parts: what is fitted waits for both. */
export interface CrossTie {
  readonly tie: Tie;
  /** region whose film is waited for */
  readonly regionId: string;
}

type ProductOf = (id: string) => Product;
const glueOf = ({ glueId }: Join, productOf: ProductOf): GlueTimes => glueTimes(glueId ? productOf(glueId) : null);
const setBy = ({ worksMin, byReaction }: GlueTimes): Wait => ({ kind: "joint", refMin: worksMin, byReaction });
const HELD: Wait = { kind: "milestone", milestone: "handle", leastMin: 0 };

/** A region's chain with the fitting of its part, if it is the one that carries it: first of all, or last of all. */
export function withFit(chain: Chain, joins: readonly Join[], productOf: ProductOf): Chain {
  const join = joins.find((j) => j.regionIds[0] === chain.regionId);
  const first = chain.ops[0];
  const last = chain.ops.at(-1);
  if (!join || !first || !last) return chain;
  const glue = glueOf(join, productOf);
  // what sets in minutes is held by hand; for longer a band or a clamp holds it
  const heldMin = join.glueId && glue.setsMin <= HELD_BY_HAND_MIN ? glue.setsMin : 0;
  const fit: Operation = {
    ...blankOperation,
    id: opIds.fit(join.partId),
    regionId: chain.regionId,
    kind: "fit",
    handsOnMin: inSteps(SIDE_LABOUR.fit.fixedMin + heldMin),
    withId: join.glueId ?? undefined,
  };
  return join.when === "before-paint"
    ? { ...chain, ops: [fit, ...chain.ops], ties: [{ from: fit.id, to: first.id, wait: setBy(glue) }, ...chain.ties] }
    : { ...chain, ops: [...chain.ops, fit], ties: [...chain.ties, { from: last.id, to: fit.id, wait: HELD }] };
}

/** What fitting waits for in the other part, and what in the other part waits for it. */
export function crossTies(chains: readonly Chain[], joins: readonly Join[], productOf: ProductOf): readonly CrossTie[] {
  const byRegion = new Map(chains.map((c) => [c.regionId, c]));
  return joins.flatMap((j): CrossTie[] => {
    const carrier = byRegion.get(j.regionIds[0] ?? "");
    const fitId = opIds.fit(j.partId);
    if (!carrier?.ops.some((o) => o.id === fitId)) return [];
    return [...j.regionIds.slice(1), ...j.onto.regionIds].flatMap((regionId): CrossTie[] => {
      const own = byRegion.get(regionId)?.ops.filter((o) => o.kind !== "fit") ?? [];
      if (own.length === 0) return [];
      return j.when === "before-paint"
        ? [{ tie: { from: fitId, to: own[0]!.id, wait: setBy(glueOf(j, productOf)) }, regionId: carrier.regionId }]
        : [{ tie: { from: own.at(-1)!.id, to: fitId, wait: HELD }, regionId }];
    });
  });
}

/** Parts that go onto each other in a circle, in order; null = none do. */
export function joinCircle(joins: readonly { partId: string; onto: { partId: string } }[]): readonly string[] | null {
  const onto = new Map(joins.map((j) => [j.partId, j.onto.partId]));
  for (const start of onto.keys()) {
    const path = [start];
    for (let at = onto.get(start); at !== undefined; at = onto.get(at)) {
      if (path.includes(at)) return path.slice(path.indexOf(at));
      path.push(at);
    }
  }
  return null;
}
