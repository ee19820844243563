import type { Link, Op, Problem, Span } from "./types";

/** The neutral workshop format: slots from Monday 00:00, lags and windows between END of one and START of the next. */
export interface Instance {
  readonly id: string;
  readonly sessions: readonly (readonly [number, number])[];
  readonly resources: Readonly<Record<string, number>>;
  readonly operations: readonly {
    readonly id: string;
    readonly duration: number;
    readonly resources: Readonly<Record<string, number>>;
    readonly colour?: string;
  }[];
  readonly lags?: readonly {
    readonly from: string;
    readonly to: string;
    readonly min: number;
    readonly max?: number | null;
  }[];
  readonly windows?: readonly {
    readonly from: string;
    readonly to: string;
    readonly allowed: readonly (readonly [number, number | null])[];
  }[];
  readonly setups?: readonly { readonly resource: string; readonly by: "colour"; readonly slots: number }[];
}

function link(from: string, to: string, allowed: readonly (readonly [number, number | null])[], n: number): Link {
  const least = Math.min(...allowed.map(([lo]) => lo));
  return {
    id: `${n}:${from}>${to}`,
    from,
    to,
    estimateMin: least,
    leastMin: least,
    bounded: allowed.some(([, hi]) => hi !== null),
    allowed: (endOf) =>
      allowed.map(([lo, hi]): Span => ({ startMin: endOf(from) + lo, endMin: hi === null ? null : endOf(from) + hi })),
  };
}

/** An instance as a problem; slots serve as minutes: the rules do not care. */
export function problemOfInstance(i: Instance): Problem {
  const loads = (o: Instance["operations"][number]) =>
    o.colour === undefined
      ? undefined
      : Object.fromEntries(
          (i.setups ?? []).filter((s) => s.resource in o.resources).map((s) => [s.resource, o.colour!]),
        );
  const ties = [
    ...(i.lags ?? []).map((l) => ({ from: l.from, to: l.to, allowed: [[l.min, l.max ?? null]] as const })),
    ...(i.windows ?? []),
  ];
  return {
    ops: i.operations.map(
      (o): Op => ({
        id: o.id,
        durationMin: o.duration,
        needs: o.resources,
        loads: loads(o),
        releaseMin: 0,
        gate: null,
        fixed: null,
      }),
    ),
    links: ties.map((t, n) => link(t.from, t.to, t.allowed, n)),
    capacity: i.resources,
    setupMin: Object.fromEntries((i.setups ?? []).map((s) => [s.resource, s.slots])),
    sessions: i.sessions.map(([startMin, endMin]) => ({ startMin, endMin })),
    nowMin: 0,
    gridMin: 1,
  };
}
