"use client";

import type { AirScreen } from "@/contracts";
import type { GateReason } from "@/core/film";
import { clock, dayClock } from "@/format";
import { gateText, KIND_NAME } from "@/messages";

/** When can I spray what: a bar of open hours per kind, from now on, sessions marked. */
export function OpenHours({ screen }: { screen: AirScreen }) {
  const { nowMin, timeZone, open, sessions, points } = screen;
  const toMin = points.at(-1)!.atMin;
  const at = (m: number) => `${(100 * (Math.max(m, nowMin) - nowMin)) / (toMin - nowMin)}%`;
  const wide = (s: { startMin: number; endMin: number }) =>
    `${(100 * (s.endMin - Math.max(s.startMin, nowMin))) / (toMin - nowMin)}%`;
  if (open.length === 0)
    return (
      <p className="soft">There are no coatings on the shelf yet, so no hours to tell. Add products under Shelf.</p>
    );
  return (
    <div className="grid gap-1.5">
      {open.map((o) => (
        <div key={o.kind} className="grid grid-cols-[11rem_1fr] items-center gap-3 max-sm:grid-cols-1 max-sm:gap-0.5">
          <div className="leading-tight">
            <p className="font-semibold">{KIND_NAME[o.kind]}</p>
            <p className="soft text-xs">strictest: {o.productName}</p>
          </div>
          <div>
            <div className="relative h-7 overflow-hidden rounded-field border border-base-300 bg-base-200" aria-hidden>
              {sessions
                .filter((s) => s.endMin > nowMin && s.startMin < toMin)
                .map((s) => (
                  <span
                    key={s.startMin}
                    className="absolute inset-y-0 border-x border-secondary/60 bg-secondary/15"
                    style={{ left: at(s.startMin), width: wide(s) }}
                  />
                ))}
              {o.spans.map((s) => (
                <span
                  key={s.startMin}
                  className="absolute inset-y-1.5 rounded-sm bg-success"
                  style={{ left: at(s.startMin), width: wide(s) }}
                />
              ))}
            </div>
            <p className="text-sm">
              {o.nowReason === null ? (
                <strong className="text-success">open now</strong>
              ) : (
                <>
                  <strong>shut now:</strong> {gateText(o.nowReason as GateReason)}
                </>
              )}
              <Next spans={o.spans} shut={o.nowReason !== null} nowMin={nowMin} timeZone={timeZone} toMin={toMin} />
            </p>
          </div>
        </div>
      ))}
      <p className="soft text-sm">
        Green: the air suits the strictest product of that kind you own, while it is laid and until it is touch dry (an
        hour at the most, est.). Brown: bench sessions. The label decides where it is stricter.
      </p>
    </div>
  );
}

function Next({
  spans,
  shut,
  nowMin,
  timeZone,
  toMin,
}: {
  spans: AirScreen["open"][number]["spans"];
  shut: boolean;
  nowMin: number;
  timeZone: string;
  toMin: number;
}) {
  if (shut) {
    const next = spans.find((s) => s.startMin > nowMin);
    return <>{next ? `; opens ${dayClock(next.startMin, timeZone)}` : "; does not open in these three days"}</>;
  }
  const own = spans.find((s) => s.startMin <= nowMin + 15 && s.endMin > nowMin);
  if (!own || own.endMin >= toMin - 15) return <> and for the days shown</>;
  return <> until {own.endMin - nowMin < 1440 ? clock(own.endMin, timeZone) : dayClock(own.endMin, timeZone)}</>;
}
