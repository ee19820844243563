"use client";

import { useState } from "react";
import { addLocalAirAction, removeLocalAirAction } from "@/actions/air";
import { whyWaitAction } from "@/actions/bench";
import type { WhyHere } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { isOneOf, MILESTONES } from "@/core/model";
import type { WaitReport, WarmthOffer } from "@/core/plan";
import type { WaitCause } from "@/core/study";
import { dayClock, duration, tempText } from "@/format";
import { MILESTONE_NAME } from "@/messages";
import { offerUndo, useAct } from "../hooks/useAct";

/** What is no film — water, a wipe, a lamp’s time, a joint, dust — has nothing to take apart: then why is not offered. */
export const isFilmWait = (m: WaitReport["milestone"]): boolean => isOneOf(MILESTONES)(m);

/** What each cause is called when it makes the wait longer, and when shorter. */
const CAUSE: Readonly<Record<WaitCause, readonly [longer: string, shorter: string]>> = {
  thickness: ["thicker than the label’s film", "thinner than the label’s film"],
  coats: ["more wet coats under it than the label’s", "less wet film under it than the label’s"],
  temperature: ["colder than the label’s air", "warmer than the label’s air"],
  humidity: ["damper than the label’s air", "drier than the label’s air"],
  airflow: ["", "moving air"],
};
/** Factors nearer to 1 than this are not worth a line. */
const TELLING = 0.03;
/** A factor of this fills the bar to its side. */
const BAR_FULL = Math.log(2.5);

const times = (f: number): string => `× ${f >= 10 ? Math.round(f) : Math.round(f * 100) / 100}`;

function Causes({ found, timeZone }: { found: WhyHere; timeZone: string }) {
  const { why, wait, productName } = found;
  const telling = why.causes.filter((c) => Math.abs(Math.log(c.factor)) > TELLING);
  return (
    <div className="mt-1 grid gap-1 rounded-box bg-base-200 p-3 text-base" data-testid="why">
      <p>
        <strong>{productName}</strong>: the label says {duration(why.labelMin)} to {MILESTONE_NAME[wait.milestone]}
        {why.assumed && " (estimated, not on the label)"}; here it is <strong>{duration(why.waitMin)}</strong>.
      </p>
      {telling.length === 0 && <p>Nothing differs much from the label.</p>}
      {telling.map(({ cause, factor }) => (
        <div key={cause} className="grid grid-cols-[minmax(0,1fr)_5.5rem_4rem] items-center gap-2">
          <span>{CAUSE[cause][factor > 1 ? 0 : 1]}</span>
          <svg viewBox="-50 0 100 10" className="h-3 w-full" aria-hidden>
            <path d="M0 0v10" stroke="currentColor" />
            <rect
              x={factor > 1 ? 0 : Math.max(-50, (50 * Math.log(factor)) / BAR_FULL)}
              y="2"
              width={Math.min(50, Math.abs((50 * Math.log(factor)) / BAR_FULL))}
              height="6"
              fill={factor > 1 ? "var(--closing)" : "var(--open)"}
            />
          </svg>
          <strong className="text-right">{times(factor)}</strong>
        </div>
      ))}
      <p className="soft text-sm">
        Each brought in after the one before; together they make {times(why.waitMin / why.labelMin)}. Estimates of the
        film model.
      </p>
      {found.warmth && <Warmer found={found} offer={found.warmth} timeZone={timeZone} />}
    </div>
  );
}

/** A warm box that opens an evening: from when, how warm, what it saves; taken with one press. */
function Warmer({ found, offer, timeZone }: { found: WhyHere; offer: WarmthOffer; timeZone: string }) {
  const { act, busy } = useAct();
  const at = (min: number) => dayClock(min, timeZone);
  const iso = (min: number) => new Date(min * MS_PER_MIN).toISOString();
  const take = async () => {
    const stay = {
      kind: "warm-box",
      from: iso(offer.fromMin),
      to: iso(offer.toMin),
      tempC: offer.boxC,
      airflowMS: null,
    };
    const put = await act(() => addLocalAirAction(found.modelId, found.partId, stay));
    if (put.ok)
      offerUndo(
        "The warm box is in the air of the part: plan again",
        () => void act(() => removeLocalAirAction(put.value.id)),
      );
  };
  return (
    <div className="mt-1 border-l-4 border-secondary pl-2" data-testid="warmth">
      <p>
        <strong>Warm box:</strong> at {tempText(offer.boxC)} from {at(offer.fromMin)}, once it is touch dry, it is ready
        by {at(offer.toMin)}. You could go on <strong>{at(offer.startMin)}</strong> instead of {at(offer.withoutMin)}{" "}
        (est.).
      </p>
      <p className="soft text-sm">
        Gentle warmth, a thermometer beside the part, no flame or glowing wire near solvent.
      </p>
      <button type="button" className="btn btn-sm mt-1" disabled={busy} onClick={() => void take()}>
        Put it in the warm box
      </button>
    </div>
  );
}

/** Opens the share of each cause in a wait, against the label. */
export function WhySoLong({ regionId, opId, timeZone }: { regionId: string; opId: string; timeZone: string }) {
  const [found, setFound] = useState<WhyHere | string | null>(null);
  const [asking, setAsking] = useState(false);
  const ask = async () => {
    if (found) return setFound(null);
    setAsking(true);
    try {
      const outcome = await whyWaitAction(regionId, opId);
      setFound(outcome.ok ? outcome.value : outcome.problem.detail);
    } catch {
      setFound("The application did not answer.");
    } finally {
      setAsking(false);
    }
  };
  return (
    <div className="mt-2">
      <button
        type="button"
        className="link min-h-11 min-w-11"
        aria-expanded={found !== null}
        disabled={asking}
        onClick={() => void ask()}
      >
        Why so long?
      </button>
      {typeof found === "string" && <p role="alert">{found}</p>}
      {found !== null && typeof found !== "string" && <Causes found={found} timeZone={timeZone} />}
    </div>
  );
}
