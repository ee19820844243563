import type { Milestone } from "../model";
import type { OpRecord } from "../work";
import { type BenchEvent, SIGN_LACKS } from "./event";

export type Deed = Extract<BenchEvent, { kind: "started" | "done" }>;

/** What a log comes to. */
export interface History {
  /** starts and dones nobody has unsaid, in the order they were told */
  readonly standing: readonly Deed[];
  /** by operation: when it was begun, and done with what; one that is open has no end */
  readonly records: readonly OpRecord[];
  /** the last look at each operation that found it not ready */
  readonly notYet: readonly { readonly opId: string; readonly atMin: number; readonly lacks: Milestone | null }[];
}

/**
 * The one reading of the log: later events speak louder, and "taken back" unsays the last start or done of its operation that still
 * stands; where none does it says nothing.
 */
export function fold(events: readonly BenchEvent[]): History {
  const standing: Deed[] = [];
  const notYet = new Map<string, History["notYet"][number]>();
  for (const e of events) {
    if (e.kind === "started" || e.kind === "done") standing.push(e);
    if (e.kind === "taken-back") {
      const at = standing.findLastIndex((d) => d.opId === e.opId);
      if (at >= 0) standing.splice(at, 1);
    }
    if (e.kind === "not-yet")
      notYet.set(e.opId, { opId: e.opId, atMin: e.atMin, lacks: e.sign === null ? null : SIGN_LACKS[e.sign] });
  }
  return { standing, records: recordsOf(standing), notYet: [...notYet.values()] };
}

function recordsOf(standing: readonly Deed[]): readonly OpRecord[] {
  const records = new Map<string, OpRecord>();
  for (const d of standing) {
    const { opId, atMin } = d;
    const begun = records.get(opId)?.startMin ?? atMin;
    records.set(
      opId,
      d.kind === "started"
        ? { opId, startMin: atMin, endMin: null, coats: null, wftUm: null }
        : { opId, startMin: Math.min(begun, atMin), endMin: atMin, coats: d.coats, wftUm: d.wftUm },
    );
  }
  return [...records.values()];
}

/** The last thing that stands of each region: the one that can still be unsaid. */
export function lastStanding({ standing }: History): ReadonlyMap<string, Deed> {
  return new Map(standing.map((d) => [d.regionId, d]));
}
