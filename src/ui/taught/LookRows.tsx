"use client";

import { heedAction } from "@/actions/bench";
import type { FactorView, LookView } from "@/contracts";
import { day, duration } from "@/format";
import { LEFT_OUT_TEXT, MILESTONE_NAME } from "@/messages";
import { useAct } from "../hooks/useAct";

/** The axis: times of what was reckoned. */
const LEAST = 0.35;
const MOST = 5;
const TICKS = [0.5, 1, 2, 4] as const;
/** What lies beyond the axis ends short of its edge, so that it is seen. */
const EDGE = 97;
const place = (factor: number): number =>
  (100 * Math.log(Math.min(MOST, Math.max(LEAST, factor)) / LEAST)) / Math.log(MOST / LEAST);

interface LookRowsProps {
  readonly looks: readonly LookView[];
  /** what they have come to; null = nothing yet */
  readonly factor: FactorView | null;
  readonly timeZone: string;
  /** the name of each one's product; absent = they are all of one */
  readonly names?: Readonly<Record<string, string>>;
}

/** Looks one by one against what was reckoned: from the last "not yet" to the first "ready", and what they come to as a band behind. */
export function LookRows({ looks, factor, timeZone, names }: LookRowsProps) {
  const { act, busy } = useAct();
  return (
    <div className="grid gap-1">
      <div className="relative ml-40 mr-16 h-4 text-xs soft" aria-hidden>
        {TICKS.map((t) => (
          <span key={t} className="absolute -translate-x-1/2 whitespace-nowrap" style={{ left: `${place(t)}%` }}>
            {t} ×
          </span>
        ))}
      </div>
      <ul className="grid gap-0.5" aria-label="Looks">
        {looks.map((l) => (
          <li key={l.id} className="flex items-center gap-2 text-sm" data-look={l.id}>
            <span className="w-38 shrink-0 leading-tight">
              {day(l.seenMin, timeZone)}: {MILESTONE_NAME[l.milestone]}
              <span className="soft block truncate text-xs" title={whereOf(l, names)}>
                {whereOf(l, names)}
              </span>
            </span>
            <span className="relative h-6 flex-1 bg-base-200" title={saidBy(l)}>
              {factor && (
                <span
                  className="absolute inset-y-0 bg-secondary/25"
                  style={{ left: `${place(factor.p10)}%`, width: `${place(factor.p90) - place(factor.p10)}%` }}
                  aria-hidden
                />
              )}
              <span
                className="absolute inset-y-0 border-l border-base-content/40"
                style={{ left: `${place(1)}%` }}
                aria-hidden
              />
              <Seen look={l} />
              <span className="sr-only">{saidBy(l)}</span>
            </span>
            <span className="w-14 shrink-0 text-right">
              {l.leftOut === null || l.leftOut === "struck" ? (
                <button
                  type="button"
                  className="btn btn-xs"
                  disabled={busy || l.place === null}
                  aria-label={`${l.leftOut === null ? "Strike out" : "Take in again"}: ${MILESTONE_NAME[l.milestone]}, ${day(l.seenMin, timeZone)}`}
                  onClick={() => void act(() => heedAction({ lookId: l.id, yes: l.leftOut !== null }))}
                >
                  {l.leftOut === null ? "Strike" : "Count"}
                </button>
              ) : (
                <span className="soft text-xs">left out</span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

const whereOf = (l: LookView, names: LookRowsProps["names"]): string =>
  [names?.[l.canId], l.place ?? "its part is gone"].filter(Boolean).join(" · ");

/** A look in words. */
function saidBy(l: LookView): string {
  if (l.leftOut !== null && l.leftOut !== "struck") return LEFT_OUT_TEXT[l.leftOut];
  const told =
    l.atMin !== null
      ? `turned at ${duration(Math.round(l.atMin))}`
      : [
          l.afterMin !== null && `not yet at ${duration(Math.round(l.afterMin))}`,
          l.byMin !== null && `ready at ${duration(Math.round(l.byMin))}`,
        ]
          .filter(Boolean)
          .join(", ");
  return `${told}; ${duration(Math.round(l.predictedMin))} reckoned${l.leftOut === "struck" ? "; struck out" : ""}`;
}

/** Between the last "not yet" and the first "ready" it turned; open to the side nobody looked at. */
function Seen({ look: l }: { look: LookView }) {
  if (l.atMin === null && l.afterMin === null && l.byMin === null) return null;
  const faint = l.leftOut === null ? "" : "opacity-30";
  const at = (min: number) => place(min / l.predictedMin);
  if (l.atMin !== null)
    return (
      <span
        className={`absolute top-1/2 size-3 -translate-x-1/2 -translate-y-1/2 rounded-full bg-base-content ${faint}`}
        style={{ left: `${at(l.atMin)}%` }}
        aria-hidden
      />
    );
  const from = l.afterMin === null ? 0 : Math.min(EDGE, at(l.afterMin));
  const to = l.byMin === null ? 100 : at(l.byMin);
  return (
    <span
      className={`absolute top-1/2 h-1.5 -translate-y-1/2 ${l.afterMin !== null && l.byMin !== null ? "bg-base-content" : "bg-base-content/45"} ${l.afterMin !== null ? "border-l-4 border-base-content" : ""} ${l.byMin !== null ? "border-r-4 border-base-content" : ""} ${faint}`}
      style={{ left: `${from}%`, width: `${Math.max(0.5, to - from)}%` }}
      aria-hidden
    />
  );
}
