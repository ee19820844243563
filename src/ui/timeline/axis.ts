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
  /** the moment drawn at a px; the other way round */
  readonly at: (px: number) => number;
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
  /** the edge at or before a value, by one of its two measures, and where between it and the next the value lies */
  const between = (value: number, of: (e: { atMin: number; px: number }) => number) => {
    let lo = 0;
    let hi = edges.length - 1;
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1;
      if (of(edges[mid]!) <= value) lo = mid;
      else hi = mid;
    }
    const a = edges[lo]!;
    const b = edges[hi]!;
    return { a, b, share: of(b) === of(a) ? 0 : (value - of(a)) / (of(b) - of(a)) };
  };
  const widthPx = edges.at(-1)!.px;
  const x = (atMin: number): number => {
    const { a, b, share } = between(Math.min(Math.max(atMin, fromMin), toMin), (e) => e.atMin);
    return a.px + share * (b.px - a.px);
  };
  const at = (px: number): number => {
    const { a, b, share } = between(Math.min(Math.max(px, 0), widthPx), (e) => e.px);
    return a.atMin + share * (b.atMin - a.atMin);
  };
  return { fromMin, toMin, widthPx, x, at };
}

/** Both measures stretched alike. */
export const zoomed = (s: AxisScale, by: number): AxisScale => ({
  benchPxPerMin: s.benchPxPerMin * by,
  restPxPerMin: s.restPxPerMin * by,
});
