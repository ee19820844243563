"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { Minus, Plus, Scan } from "lucide-react";
import { type ReactNode, useEffect, useId, useMemo, useRef, useState } from "react";
import type { Backdrop } from "@/contracts";
import type { Move, PlannedOp } from "@/core/plan";
import { unitShown } from "@/format";
import { AirTrack } from "./AirTrack";
import { axisOf, BENCH_WIDE, EVEN, zoomed } from "./axis";
import { Behind, Heading } from "./Backdrop";
import { LANE_PX, Lane, type LaneOf } from "./Lane";
import { Textures, textureIds } from "./Textures";
import { type Drag, useDrag } from "./useDrag";
import { useZoom } from "./useZoom";

interface TimelineProps {
  readonly lanes: readonly LaneOf[];
  readonly back: Backdrop;
  readonly nowMin: number;
  readonly timeZone: string;
  readonly even: boolean;
  readonly spine: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly choose: (opId: string) => void;
  readonly titleOf: (op: PlannedOp) => string;
  /** told while a block is pulled, and once it is let go */
  readonly over: (d: Drag) => void;
  readonly drop: (d: Drag) => void;
  /** what a pulled block would do where it is, in words */
  readonly trial: ReactNode;
  readonly trialFits: boolean | null;
  /** what lay elsewhere in the plan before */
  readonly moved: readonly Move[];
}

const NAMES_PX = 132;
const AIR_PX = 56;
const HEAD_PX = 40;
/** Drawn beyond what is in sight, px. */
const SPARE_PX = 600;
const OVERSCAN = 4;

/** Lanes of parts against time; air, nights and bench sessions behind them on the same axis. Only what is in sight is drawn. */
export function Timeline(props: TimelineProps) {
  const { lanes, back, nowMin, timeZone, even, spine, chosen, titleOf } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const { zoom, by, reset, onKey } = useZoom(scroller, NAMES_PX, 1);
  const axis = useMemo(
    () => axisOf(back.sessions, back.fromMin, back.toMin, zoomed(even ? EVEN : BENCH_WIDE, zoom)),
    [back, even, zoom],
  );
  const { drag, grab, wasPull } = useDrag(axis, { over: props.over, drop: props.drop });
  const ids = textureIds(useId());
  const sight = useSight(scroller);
  const nowPx = axis.x(nowMin);
  const first = useRef(true);
  useEffect(() => {
    if (!first.current) return;
    first.current = false;
    scroller.current?.scrollTo({ left: Math.max(0, nowPx - 180) });
  }, [nowPx]);
  const rows = useVirtualizer({
    count: lanes.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => LANE_PX,
    overscan: OVERSCAN,
    initialRect: { width: 1200, height: 600 },
  });
  const [withBefore, setWithBefore] = useState(false);
  const fromMin = useMemo(
    () => new Map(withBefore ? props.moved.map((m) => [m.opId, m.fromMin]) : []),
    [props.moved, withBefore],
  );
  const topPx = HEAD_PX + AIR_PX;
  return (
    <div className="rounded-box border border-base-300">
      <div className="flex items-center gap-1 border-b border-base-300 px-2 py-1 text-sm">
        <ZoomButton label="Closer" onClick={() => by(1.25)} icon={<Plus className="size-4" aria-hidden />} />
        <ZoomButton label="Farther" onClick={() => by(0.8)} icon={<Minus className="size-4" aria-hidden />} />
        <ZoomButton label="As at first" onClick={reset} icon={<Scan className="size-4" aria-hidden />} />
        {props.moved.length > 0 && (
          <label className="flex items-center gap-2 px-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={withBefore}
              onChange={(e) => setWithBefore(e.target.checked)}
            />
            where it lay before
          </label>
        )}
        <p className="min-w-0 flex-1 truncate px-2" role="status" data-testid="trial">
          {props.trial ?? (
            <span className="soft">
              Pull a block (a finger rests on it first) to see what moving it would do; Ctrl and wheel zoom.
            </span>
          )}
        </p>
      </div>
      <section
        ref={scroller}
        className="relative max-h-[74vh] overflow-auto"
        aria-label="Timetable, scrolls both ways"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        onKeyDown={onKey}
      >
        <div className="relative" style={{ width: NAMES_PX + axis.widthPx, height: topPx + rows.getTotalSize() + 6 }}>
          <div className="sticky top-0 z-20 flex bg-base-100" style={{ height: topPx, width: NAMES_PX + axis.widthPx }}>
            <div
              className="soft sticky left-0 z-10 shrink-0 border-r border-base-300 bg-base-100 px-2 text-sm"
              style={{ width: NAMES_PX, paddingTop: HEAD_PX }}
            >
              air, {unitShown("°C")}
              <br />
              and humidity
            </div>
            <svg width={axis.widthPx} height={topPx} className="block shrink-0">
              <title>Dates and air</title>
              <Textures ids={ids} />
              <g transform={`translate(0 ${HEAD_PX})`}>
                <Behind axis={axis} back={back} height={AIR_PX} sight={sight} />
                <AirTrack axis={axis} back={back} height={AIR_PX} />
              </g>
              <Heading axis={axis} back={back} timeZone={timeZone} height={HEAD_PX} sight={sight} />
              <NowHead x={nowPx} height={topPx} />
            </svg>
          </div>
          {rows.getVirtualItems().map((row) => {
            const lane = lanes[row.index]!;
            return (
              <div
                key={lane.regionId}
                className="absolute left-0 flex"
                style={{ top: topPx + row.start, height: LANE_PX, width: NAMES_PX + axis.widthPx }}
              >
                <div
                  className="sticky left-0 z-10 flex shrink-0 items-center border-r border-b border-base-300 bg-base-100 px-2 text-sm leading-tight font-semibold"
                  style={{ width: NAMES_PX }}
                >
                  <span className="line-clamp-2" title={lane.name}>
                    {lane.name}
                  </span>
                </div>
                <svg width={axis.widthPx} height={LANE_PX} className="block shrink-0">
                  <title>{lane.name}</title>
                  <Behind axis={axis} back={back} height={LANE_PX} sight={sight} />
                  <Lane
                    lane={lane}
                    axis={axis}
                    ids={ids}
                    spine={spine}
                    chosen={chosen}
                    choose={(id) => !wasPull() && props.choose(id)}
                    titleOf={titleOf}
                    timeZone={timeZone}
                    sight={sight}
                    grab={grab}
                  />
                  {lane.ops.map(
                    (o) =>
                      fromMin.has(o.id) && (
                        <Before
                          key={o.id}
                          x={axis.x(fromMin.get(o.id)!)}
                          to={axis.x(fromMin.get(o.id)! + o.handsOnMin)}
                          nowPx={axis.x(o.startMin)}
                        />
                      ),
                  )}
                  {drag && lane.ops.some((o) => o.id === drag.op.id) && (
                    <Ghost
                      x={axis.x(drag.startMin)}
                      to={axis.x(drag.startMin + drag.op.handsOnMin)}
                      fits={props.trialFits}
                    />
                  )}
                  <path d={`M${nowPx} 0V${LANE_PX}`} stroke="var(--color-error)" strokeWidth="2" />
                </svg>
              </div>
            );
          })}
        </div>
      </section>
    </div>
  );
}

function ZoomButton({ label, onClick, icon }: { label: string; onClick: () => void; icon: ReactNode }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label={label}
      title={label}
      onClick={onClick}
    >
      {icon}
    </button>
  );
}

/** Where a pulled block would lie: a broken bar where it does not fit, so that it is not told by colour alone. */
function Ghost({ x, to, fits }: { x: number; to: number; fits: boolean | null }) {
  const colour = fits === false ? "var(--color-error)" : "var(--color-primary)";
  return (
    <g pointerEvents="none" data-testid="ghost">
      <rect
        x={x}
        y="12"
        width={Math.max(5, to - x)}
        height="28"
        rx="3"
        fill={colour}
        fillOpacity="0.35"
        stroke={colour}
        strokeWidth="2.5"
        strokeDasharray={fits === false ? "5 4" : undefined}
      />
      {fits === false && <path d={`M${x} 12L${Math.max(x + 5, to)} 40`} stroke={colour} strokeWidth="2" />}
    </g>
  );
}

/** Where a piece lay in the plan before, with a line to where it lies now. */
function Before({ x, to, nowPx }: { x: number; to: number; nowPx: number }) {
  const width = Math.max(5, to - x);
  return (
    <g
      pointerEvents="none"
      data-testid="before"
      fill="none"
      stroke="var(--color-base-content)"
      strokeWidth="1.4"
      strokeDasharray="3 3"
    >
      <rect x={x} y="10" width={width} height="32" rx="3" />
      <path d={`M${x + width / 2} 10L${nowPx + width / 2} 6`} />
    </g>
  );
}

function NowHead({ x, height }: { x: number; height: number }) {
  return (
    <g>
      <path d={`M${x} 18V${height}`} stroke="var(--color-error)" strokeWidth="2" />
      <path d={`M${x - 6} 18h12l-6 8z`} fill="var(--color-error)" />
      <text x={x + 9} y="26" fontSize="12" fontWeight="700" fill="var(--color-error)">
        now
      </text>
    </g>
  );
}

const SIGHT_STEP_PX = 200;

/** The px of the drawing that can be seen, in coarse steps, so that scrolling a little draws nothing anew. */
function useSight(scroller: { readonly current: HTMLElement | null }) {
  const [sight, setSight] = useState({ fromPx: 0, toPx: 3000 });
  useEffect(() => {
    const el = scroller.current;
    if (!el) return;
    const look = () => {
      const from = Math.floor(el.scrollLeft / SIGHT_STEP_PX) * SIGHT_STEP_PX;
      const next = { fromPx: from - SPARE_PX, toPx: from + el.clientWidth + SPARE_PX };
      setSight((was) => (was.fromPx === next.fromPx && was.toPx === next.toPx ? was : next));
    };
    look();
    el.addEventListener("scroll", look, { passive: true });
    window.addEventListener("resize", look);
    return () => {
      el.removeEventListener("scroll", look);
      window.removeEventListener("resize", look);
    };
  }, [scroller]);
  return sight;
}
