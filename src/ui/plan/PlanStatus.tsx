"use client";

import { useEffect } from "react";
import type { PlanScreen } from "@/contracts";
import { useRefresh } from "../hooks/useRefresh";

/** The event stream says when a plan is there; a line that was down just then is made up for by asking, ms. */
const ASK_AGAIN_MS = 4000;

/** Asks for the page again while a plan is being made. */
export function usePlanArrives({ state }: PlanScreen["making"]): void {
  const refresh = useRefresh();
  useEffect(() => {
    if (state !== "making") return;
    const timer = setInterval(refresh, ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [state, refresh]);
}

/** That a plan is on its way, that there will be none, or that the one there is is out of date. */
export function PlanStatus({ making, plan }: Pick<PlanScreen, "making" | "plan">) {
  usePlanArrives(making);
  if (making.state === "making")
    return (
      <p role="status" className="flex items-center gap-2 font-semibold">
        <span className="loading loading-spinner loading-sm" aria-hidden />
        Planning… {plan && "What is greyed may still move."}
      </p>
    );
  if (making.why !== null)
    return (
      <p role="alert" className="font-semibold text-error">
        The plan could not be made: {making.why}. What you said is kept; plan again.
      </p>
    );
  if (!plan || plan.fresh) return null;
  return (
    <p role="status" className="font-semibold text-warning">
      Something this plan was made from has changed since, or its hour has passed. Plan again to see what that does.
    </p>
  );
}
