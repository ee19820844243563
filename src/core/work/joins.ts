import { opIds, type Product, type Role } from "../model";
import { type GlueTimes, glueTimes, HELD_BY_HAND_MIN, SIDE_LABOUR } from "../reference";
import { blankOperation, type Chain, LAYS_PAINT, type Operation, type Tie } from "./operations";
import { DUST_SETTLED, inSteps, NO_WAIT } from "./sources/put-together";
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

/** Where colour begins; what comes before it is ground. */
export const COLOURED: ReadonlySet<Role> = new Set<Role>(["colour", "clear", "wash", "decal"]);
function colourAt({ ops }: Chain, productOf: ProductOf): number {
  const coat = ops.find((op) => op.kind === "coat" && COLOURED.has(productOf(op.productId!).role));
  return coat ? ops.findIndex((op) => op.layerId === coat.layerId) : ops.length;
}

/** What is told of work done, by its operation. */
type Told = ReadonlyMap<string, unknown>;

/**
 * How many of a chain's operations come before it is joined. Over the ground that is before the last round of fill, sand and
 * prime: the steps and cracks of the joint are filled in it. Where that round has begun, before the colour.
 */
function joinedAt(chain: Chain, when: Join["when"], productOf: ProductOf, told: Told): number {
  if (when === "before-paint") return 0;
  if (when === "after-paint") return chain.ops.length;
  const colour = colourAt(chain, productOf);
  const last = Math.max(0, ...chain.ops.slice(0, colour).map((op) => op.round ?? 0));
  const round = last === 0 ? -1 : chain.ops.findIndex((op) => op.round === last);
  const begun = chain.ops.slice(0, colour).some((op) => op.round === last && told.has(op.id));
  return round < 0 || begun ? colour : round;
}

/** A region's chain with the fitting of its part, if it is the one that carries it: first of all, over the ground, or last of all. */
export function withFit(chain: Chain, joins: readonly Join[], productOf: ProductOf, told: Told): Chain {
  const join = joins.find((j) => j.regionIds[0] === chain.regionId);
  if (!join || chain.ops.length === 0) return chain;
  const glue = glueOf(join, productOf);
  const at = joinedAt(chain, join.when, productOf, told);
  const before = chain.ops[at - 1];
  const next = chain.ops[at];
  const own = fittingOf(join, chain.regionId, glue);
  const last = own.at(-1)!;
  return {
    ...chain,
    ops: [...chain.ops.slice(0, at), ...own, ...chain.ops.slice(at)],
    ties: [
      ...chain.ties,
      ...(before ? [{ from: before.id, to: own[0]!.id, wait: HELD }] : []),
      ...own.slice(1).map((op) => ({ from: own[0]!.id, to: op.id, wait: setBy(glue) })),
      ...(next ? [{ from: last.id, to: next.id, wait: own.length > 1 ? DUST_SETTLED : setBy(glue) }] : []),
    ],
  };
}

/** Joined, and, where paint follows over a named adhesive, what was squeezed out of the joint taken off again. */
function fittingOf(join: Join, regionId: string, glue: GlueTimes): readonly Operation[] {
  // what sets in minutes is held by hand; for longer a band or a clamp holds it
  const by = glue.setsMin <= HELD_BY_HAND_MIN ? "hand" : "clamp";
  const heldMin = join.glueId && by === "hand" ? glue.setsMin : 0;
  const fit: Operation = {
    ...blankOperation,
    id: opIds.fit(join.partId),
    regionId,
    kind: "fit",
    handsOnMin: inSteps(SIDE_LABOUR.fit.fixedMin + heldMin),
    withId: join.glueId ?? undefined,
    held: join.glueId ? { by, min: glue.setsMin } : undefined,
  };
  if (!join.glueId || join.when === "after-paint") return [fit];
  const dress: Operation = {
    ...blankOperation,
    id: opIds.dress(join.partId),
    regionId,
    kind: "dress",
    handsOnMin: inSteps(SIDE_LABOUR.dress.fixedMin),
    dusty: true,
  };
  return [fit, dress];
}

/** What fitting waits for in the other part, and what in the other part waits for it; and for the fit to be tried. */
export function crossTies(
  chains: readonly Chain[],
  joins: readonly Join[],
  productOf: ProductOf,
  told: Told,
): readonly CrossTie[] {
  const byRegion = new Map(chains.map((c) => [c.regionId, c]));
  return joins.flatMap((j): CrossTie[] => {
    const others = [...j.regionIds.slice(1), ...j.onto.regionIds].flatMap((id) => byRegion.get(id) ?? []);
    const carrier = byRegion.get(j.regionIds[0] ?? "");
    const fitId = opIds.fit(j.partId);
    const joined = carrier?.ops.some((o) => o.id === fitId)
      ? others.flatMap((c) => joinedTies(c, carrier, j, productOf, told))
      : [];
    return [...joined, ...triedTies(j, byRegion)];
  });
}

function joinedTies(other: Chain, carrier: Chain, j: Join, productOf: ProductOf, told: Told): readonly CrossTie[] {
  const bare = { ...other, ops: other.ops.filter((o) => o.kind !== "fit" && o.kind !== "dress") };
  const at = joinedAt(bare, j.when, productOf, told);
  const before = bare.ops[at - 1];
  const next = bare.ops[at];
  const dressed = carrier.ops.some((o) => o.id === opIds.dress(j.partId));
  const ready: Tie | null = next
    ? {
        from: dressed ? opIds.dress(j.partId) : opIds.fit(j.partId),
        to: next.id,
        wait: dressed ? DUST_SETTLED : setBy(glueOf(j, productOf)),
      }
    : null;
  return [
    ...(before ? [{ tie: { from: before.id, to: opIds.fit(j.partId), wait: HELD }, regionId: other.regionId }] : []),
    ...(ready ? [{ tie: ready, regionId: carrier.regionId }] : []),
  ];
}

/** A fit is tried while both parts are bare: neither is coated, nor are they joined, before. */
function triedTies(j: Join, byRegion: ReadonlyMap<string, Chain>): readonly CrossTie[] {
  const both = [...j.regionIds, ...j.onto.regionIds].flatMap((id) => byRegion.get(id) ?? []);
  const tries = both.flatMap(({ regionId, ops }) =>
    ops.flatMap((op) => (op.kind === "prep" && op.step === "dry-fit" ? [{ regionId, id: op.id }] : [])),
  );
  return tries.flatMap(({ regionId, id }) =>
    both.flatMap((c): CrossTie[] => {
      const first = c.regionId === regionId ? undefined : c.ops.find((op) => LAYS_PAINT.has(op.kind));
      return first ? [{ tie: { from: id, to: first.id, wait: NO_WAIT }, regionId }] : [];
    }),
  );
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
