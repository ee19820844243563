"use client";

import { useEffect, useId, useRef } from "react";
import type { Backdrop } from "@/contracts";
import type { PlannedOp } from "@/core/plan";
import { clock, day } from "../format";
import { AirTrack } from "./AirTrack";
import { type Axis, axisOf, BENCH_WIDE, EVEN } from "./axis";
import { Lane, type LaneOf } from "./Lane";
import { Textures, textureIds } from "./Textures";

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
}

const NAMES_PX = 116;
const AIR_PX = 74;
const HEAD_PX = 40;
const LANE_PX = 52;

/** Lanes of parts against time; air, nights and bench sessions behind them on the same axis. */
export function Timeline(props: TimelineProps) {
  const { lanes, back, nowMin, timeZone, even } = props;
  const axis = axisOf(back.sessions, back.fromMin, back.toMin, even ? EVEN : BENCH_WIDE);
  const ids = textureIds(useId());
  const scroller = useRef<HTMLDivElement>(null);
  const nowPx = axis.x(nowMin);
  useEffect(() => {
    scroller.current?.scrollTo({ left: Math.max(0, nowPx - 180) });
  }, [nowPx]);
  const height = HEAD_PX + AIR_PX + lanes.length * LANE_PX + 6;
  return (
    <div className="flex rounded-box border border-base-300">
      <div className="shrink-0 border-r border-base-300 text-sm" style={{ width: NAMES_PX, paddingTop: HEAD_PX }}>
        <div className="soft px-2" style={{ height: AIR_PX }}>
          air, °C
          <br />
          and humidity
        </div>
        {lanes.map((l) => (
          <div key={l.regionId} className="flex items-center px-2 font-semibold" style={{ height: LANE_PX }}>
            {l.name}
          </div>
        ))}
      </div>
      <section
        ref={scroller}
        className="min-w-0 flex-1 overflow-x-auto"
        aria-label="Timetable, scrolls sideways"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
      >
        <svg width={axis.widthPx} height={height} className="block">
          <title>Timetable</title>
          <Textures ids={ids} />
          <Behind axis={axis} back={back} timeZone={timeZone} height={height} />
          <g transform={`translate(0 ${HEAD_PX})`}>
            <AirTrack axis={axis} back={back} height={AIR_PX} />
          </g>
          {lanes.map((lane, i) => (
            <g key={lane.regionId} transform={`translate(0 ${HEAD_PX + AIR_PX + i * LANE_PX})`}>
              <Lane
                lane={lane}
                axis={axis}
                ids={ids}
                spine={props.spine}
                chosen={props.chosen}
                choose={props.choose}
                titleOf={props.titleOf}
                timeZone={timeZone}
              />
            </g>
          ))}
          <NowLine x={nowPx} height={height} />
        </svg>
      </section>
    </div>
  );
}

function Behind({ axis, back, timeZone, height }: { axis: Axis; back: Backdrop; timeZone: string; height: number }) {
  const { x } = axis;
  return (
    <g>
      <rect width={axis.widthPx} height={height} fill="var(--color-base-200)" />
      {back.nights.map((n) => (
        <rect
          key={n.startMin}
          x={x(n.startMin)}
          width={x(n.endMin) - x(n.startMin)}
          y={HEAD_PX}
          height={height}
          fill="var(--color-base-300)"
          opacity="0.75"
        />
      ))}
      {back.sessions.map((s) => (
        <g key={s.startMin}>
          <rect
            x={x(s.startMin)}
            width={x(s.endMin) - x(s.startMin)}
            y={HEAD_PX}
            height={height}
            fill="var(--color-base-100)"
          />
          <text x={x(s.startMin) + 3} y={HEAD_PX - 5} fontSize="12" fill="currentColor">
            {clock(s.startMin, timeZone)}
          </text>
          {x(s.endMin) - x(s.startMin) > 90 && (
            <text x={x(s.endMin) - 3} y={HEAD_PX - 5} fontSize="12" textAnchor="end" fill="currentColor">
              {clock(s.endMin, timeZone)}
            </text>
          )}
        </g>
      ))}
      {back.midnights.map((m) => (
        <path key={m} d={`M${x(m)} 0v${height}`} stroke="var(--ink)" strokeOpacity="0.35" strokeDasharray="2 4" />
      ))}
      {[back.fromMin, ...back.midnights].map((m) => (
        <text key={m} x={x(m) + 5} y="15" fontSize="13" fontWeight="700" fill="currentColor">
          {day(m, timeZone)}
        </text>
      ))}
    </g>
  );
}

function NowLine({ x, height }: { x: number; height: number }) {
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
