/** Time to px, with the minutes at the bench drawn wider than the rest: waits of days and coats of minutes on one line. */

export interface Stretch {
  readonly startMin: number;
  readonly endMin: number;
}

export interface Axis {
  readonly fromMin: number;
  readonly toMin: number;
  readonly widthPx: number;
  /** px from the left edge; moments outside the axis are held at its ends */
  readonly x: (atMin: number) => number;
}

export interface AxisScale {
  readonly benchPxPerMin: number;
  readonly restPxPerMin: number;
}

/** Bench time wide: an evening reads like a page, the night between like a margin. */
export const BENCH_WIDE: AxisScale = { benchPxPerMin: 2, restPxPerMin: 0.11 };
/** Even time: as a clock would draw it. */
export const EVEN: AxisScale = { benchPxPerMin: 0.35, restPxPerMin: 0.35 };

/** @param sessions rising, not overlapping */
export function axisOf(sessions: readonly Stretch[], fromMin: number, toMin: number, scale: AxisScale): Axis {
  const edges: { atMin: number; px: number }[] = [{ atMin: fromMin, px: 0 }];
  const goTo = (atMin: number, pxPerMin: number) => {
    const last = edges.at(-1)!;
    if (atMin > last.atMin) edges.push({ atMin, px: last.px + (atMin - last.atMin) * pxPerMin });
  };
  for (const s of sessions) {
    const startMin = Math.max(s.startMin, fromMin);
    const endMin = Math.min(s.endMin, toMin);
    if (endMin <= startMin) continue;
    goTo(startMin, scale.restPxPerMin);
    goTo(endMin, scale.benchPxPerMin);
  }
  goTo(toMin, scale.restPxPerMin);
  const x = (atMin: number): number => {
    const t = Math.min(Math.max(atMin, fromMin), toMin);
    let lo = 0;
    let hi = edges.length - 1;
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1;
      if (edges[mid]!.atMin <= t) lo = mid;
      else hi = mid;
    }
    const a = edges[lo]!;
    const b = edges[hi]!;
    return b.atMin === a.atMin ? a.px : a.px + ((t - a.atMin) / (b.atMin - a.atMin)) * (b.px - a.px);
  };
  return { fromMin, toMin, widthPx: edges.at(-1)!.px, x };
}
