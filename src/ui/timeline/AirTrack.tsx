import type { Backdrop } from "@/contracts";
import { figureShown } from "@/format";
import type { Axis } from "./axis";

const LEAST_MARGIN_C = 3;

/** Temperature as a line, humidity as a fainter one, hours too near the dew point marked along the foot. */
export function AirTrack({ axis, back, height }: { axis: Axis; back: Backdrop; height: number }) {
  const temps = back.air.map((a) => a.tempC);
  const low = Math.floor(Math.min(...temps) / 5) * 5;
  const high = Math.max(low + 5, Math.ceil(Math.max(...temps) / 5) * 5);
  const y = (t: number) => height - 10 - ((t - low) / (high - low)) * (height - 20);
  const yRh = (rh: number) => height - 10 - (rh / 100) * (height - 20);
  const line = (of: (a: Backdrop["air"][number]) => number) =>
    back.air.map((a, i) => `${i ? "L" : "M"}${axis.x(a.atMin).toFixed(1)} ${of(a).toFixed(1)}`).join("");
  const damp = back.air.filter((a) => a.dewMarginC < LEAST_MARGIN_C);
  return (
    <g aria-hidden>
      <path d={line((a) => yRh(a.rhPct))} fill="none" stroke="var(--wet)" strokeWidth="1.4" strokeDasharray="5 3" />
      <path d={line((a) => y(a.tempC))} fill="none" stroke="var(--color-secondary)" strokeWidth="2.2" />
      {damp.map((a) => (
        <rect
          key={a.atMin}
          x={axis.x(a.atMin)}
          width={Math.max(1, axis.x(a.atMin + 30) - axis.x(a.atMin))}
          y={height - 6}
          height="4"
          fill="var(--color-error)"
        />
      ))}
      {back.sessions.map((s) => {
        const at = back.air.find((a) => a.atMin >= s.startMin);
        return at ? (
          <text
            key={s.startMin}
            x={axis.x(s.startMin) + 4}
            y={y(at.tempC) - 6 < 12 ? y(at.tempC) + 15 : y(at.tempC) - 6}
            fontSize="12"
            fill="var(--color-secondary)"
            fontWeight="700"
          >
            {Math.round(figureShown(at.tempC, "°C"))}° · {Math.round(at.rhPct)} %
          </text>
        ) : null;
      })}
      <path d={`M0 ${height}H${axis.widthPx}`} stroke="var(--ink)" strokeOpacity="0.3" />
    </g>
  );
}
