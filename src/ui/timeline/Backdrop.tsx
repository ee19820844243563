import type { Backdrop as Back } from "@/contracts";
import { clock, day } from "@/format";
import type { Axis } from "./axis";

interface Sight {
  readonly fromPx: number;
  readonly toPx: number;
}
interface BehindProps {
  readonly axis: Axis;
  readonly back: Back;
  readonly height: number;
  readonly sight: Sight;
}

const inSight = (axis: Axis, s: { startMin: number; endMin: number }, sight: Sight): boolean =>
  axis.x(s.endMin) >= sight.fromPx && axis.x(s.startMin) <= sight.toPx;

/** Nights shaded, bench sessions as light columns, midnights dashed. */
export function Behind({ axis, back, height, sight }: BehindProps) {
  const { x } = axis;
  return (
    <g>
      <rect width={axis.widthPx} height={height} fill="var(--color-base-200)" />
      {back.nights
        .filter((n) => inSight(axis, n, sight))
        .map((n) => (
          <rect
            key={n.startMin}
            x={x(n.startMin)}
            width={x(n.endMin) - x(n.startMin)}
            height={height}
            fill="var(--color-base-300)"
            opacity="0.75"
          />
        ))}
      {back.sessions
        .filter((s) => inSight(axis, s, sight))
        .map((s) => (
          <rect
            key={s.startMin}
            x={x(s.startMin)}
            width={x(s.endMin) - x(s.startMin)}
            height={height}
            fill="var(--color-base-100)"
          />
        ))}
      {back.midnights
        .filter((m) => inSight(axis, { startMin: m, endMin: m }, sight))
        .map((m) => (
          <path key={m} d={`M${x(m)} 0v${height}`} stroke="var(--ink)" strokeOpacity="0.35" strokeDasharray="2 4" />
        ))}
    </g>
  );
}

/** Dates, and the hours of each session where there is room. */
export function Heading({ axis, back, timeZone, sight, height }: BehindProps & { timeZone: string }) {
  const { x } = axis;
  return (
    <g>
      {back.sessions
        .filter((s) => inSight(axis, s, sight) && x(s.endMin) - x(s.startMin) > LEAST_FOR_HOURS_PX)
        .map((s) => (
          <g key={s.startMin}>
            <text x={x(s.startMin) + 3} y={height - 5} fontSize="12" fill="currentColor">
              {clock(s.startMin, timeZone)}
            </text>
            {x(s.endMin) - x(s.startMin) > 90 && (
              <text x={x(s.endMin) - 3} y={height - 5} fontSize="12" textAnchor="end" fill="currentColor">
                {clock(s.endMin, timeZone)}
              </text>
            )}
          </g>
        ))}
      {[back.fromMin, ...back.midnights]
        .flatMap((m, i, all) => labelsOf(x(m), x(all[i + 1] ?? back.toMin)).map((px) => ({ m, px })))
        .filter(({ px }) => px >= sight.fromPx && px <= sight.toPx)
        .map(({ m, px }) => (
          <text key={px} x={px + 5} y="15" fontSize="13" fontWeight="700" fill="currentColor">
            {day(m, timeZone)}
          </text>
        ))}
    </g>
  );
}
/** A day drawn wide says its date more than once, so that one always stands in sight; one too narrow says nothing. */
function labelsOf(fromPx: number, toPx: number): readonly number[] {
  const count = Math.max(1, Math.floor((toPx - fromPx) / DATE_EVERY_PX));
  return toPx - fromPx > LEAST_FOR_DATE_PX ? Array.from({ length: count }, (_, i) => fromPx + i * DATE_EVERY_PX) : [];
}
const DATE_EVERY_PX = 560;
const LEAST_FOR_HOURS_PX = 40;
const LEAST_FOR_DATE_PX = 74;
