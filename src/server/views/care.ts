import type { CareView, LogEntry } from "@/contracts";
import { MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import { PROTECTIONS, type Product, type Region } from "@/core/model";
import { type Asked, covers, hasTrait, PRACTICES, protectionFor, setUpOf } from "@/core/reference";
import { LAYS_PAINT, type Operation } from "@/core/work";
import type { Snapshot } from "../workspace/snapshot";

/** What was confirmed so long ago was another session. */
const SESSION_MIN = 6 * MIN_PER_HOUR;

/** What of one session is known already. */
export interface SessionSoFar {
  readonly worn: readonly Asked[];
  /** what there is none of, as it was told */
  readonly without: readonly Asked[];
  readonly laid: ReadonlySet<string>;
}

export function sessionSoFar({ data }: Snapshot, atMs: number): SessionSoFar {
  const since = new Date(atMs - SESSION_MIN * MS_PER_MIN).toISOString();
  const lately = [...data.logs.values()].flatMap((log) => log.filter((e: LogEntry) => e.at >= since));
  return {
    worn: lately.flatMap((e) => (e.kind === "started" ? (e.worn ?? []) : [])),
    without: lately.flatMap((e) => (e.kind === "started" ? (e.without ?? []) : [])),
    laid: new Set(lately.flatMap((e) => (e.kind === "done" && e.laid ? [e.laid.productId] : []))),
  };
}

/** What is worn and running for a step of a region. */
export function careFor(
  op: Operation,
  region: Region,
  product: Product | null,
  s: Snapshot,
  so: SessionSoFar,
): CareView {
  const { asks, everyTime } = protectionFor({
    product,
    sprayed: op.sprayed,
    dusty: op.dusty,
    blows: op.step === "blow-out",
    strips: op.extra?.kind === "strip",
    lamp: op.step === "post-cure" || op.lampMin !== undefined || op.extra?.kind === "lamp",
    rawResin: hasTrait(region.material, "hardened-by-light"),
  });
  const paints = product !== null && LAYS_PAINT.has(op.kind) && setUpOf(product).length > 0;
  const have: readonly Asked[] = [...s.data.shopState.shop.protection, ...PRACTICES];
  const absent = asks.filter((a) => (PROTECTIONS as readonly Asked[]).includes(a) && !covers(have, a));
  return {
    asks,
    absent,
    // what there is none of is told once a session, as what is worn is asked
    due: everyTime || asks.some((a) => !covers(so.worn, a) && !(absent.includes(a) && so.without.includes(a))),
    paints,
    fresh: paints && !so.laid.has(product.id),
  };
}
