"use client";

import Link from "next/link";
import type { BenchScreen } from "@/contracts";
import { clock, duration, relativeDay } from "@/format";
import { usePlanArrives } from "../plan/PlanStatus";

/** "Tonight, 19:00–21:30: five things, 70 min of hands-on, then leave." */
export function SessionCard({ screen, nowMin }: { screen: BenchScreen; nowMin: number }) {
  const { session, plan, making, timeZone } = screen;
  usePlanArrives(making);
  if (!session)
    return (
      <p className="flex-1 rounded-box bg-base-200 p-3">
        No bench session is set for the next two weeks.{" "}
        <Link className="link" href="/settings#sessions">
          Set your evenings
        </Link>
        .
      </p>
    );
  const when =
    session.startMin <= nowMin
      ? `Now, until ${clock(session.endMin, timeZone)}`
      : `${relativeDay(session.startMin, nowMin, timeZone)}–${clock(session.endMin, timeZone)}`;
  return (
    <section
      aria-label="This session"
      className="flex flex-1 flex-wrap items-baseline gap-x-3 rounded-box bg-base-200 px-4 py-3"
    >
      <strong className="first-letter:uppercase">{when}:</strong>
      <SessionWork screen={screen} planned={plan?.answer.outcome === "planned"} />
      <PlanNews making={making} plan={plan} />
    </section>
  );
}

/** That what follows may still move, or is out of date. */
function PlanNews({ making, plan }: Pick<BenchScreen, "making" | "plan">) {
  if (making.state === "making")
    return (
      <span role="status" className="flex items-center gap-2 self-center font-semibold">
        <span className="loading loading-spinner loading-sm" aria-hidden />
        Planning…
      </span>
    );
  if (making.why !== null)
    return (
      <Link className="link font-semibold text-error" href="/plan">
        The plan could not be made; look there
      </Link>
    );
  if (!plan || plan.fresh) return null;
  return (
    <Link className="link font-semibold text-warning" href="/plan">
      The plan is out of date; plan again
    </Link>
  );
}

function SessionWork({ screen, planned }: { screen: BenchScreen; planned: boolean }) {
  const { plan, session } = screen;
  if (!planned || plan?.answer.outcome !== "planned" || !session)
    return (
      <span>
        no timetable yet.{" "}
        <Link className="link" href="/plan">
          Plan everything
        </Link>
      </span>
    );
  const ops = plan.answer.ops.filter((o) => o.state !== "done" && o.startMin < session.endMin);
  const minutes = ops.reduce((sum, o) => sum + o.handsOnMin, 0);
  if (ops.length === 0) return <span>nothing to do; let it dry.</span>;
  const last = Math.max(...ops.map((o) => o.endMin));
  return (
    <span>
      {ops.length} thing{ops.length === 1 ? "" : "s"}, {duration(minutes)} of hands-on, last one done{" "}
      {clock(last, screen.timeZone)}, then leave.
    </span>
  );
}
