"use client";

import { Zap } from "lucide-react";
import type { EarlyStart, PlannedOp } from "@/core/plan";
import { dayClock, duration, pct } from "@/format";
import { filmFaultText, MILESTONE_NAME } from "@/messages";
import type { useMoves } from "./useMoves";

/** "If you hurry this": what would be violated, what the film would do, and what that costs against what it saves. */
export function EarlyStartBox({
  op,
  desk,
  timeZone,
}: {
  op: PlannedOp;
  desk: ReturnType<typeof useMoves>;
  timeZone: string;
}) {
  const own = desk.hurried?.opId === op.id ? desk.hurried : null;
  if (!own)
    return (
      <button type="button" className="btn btn-sm mt-2" onClick={() => desk.ask({ kind: "hurry", opId: op.id })}>
        <Zap className="size-4" aria-hidden />
        What if you hurry this?
      </button>
    );
  return (
    <section
      className="mt-2 rounded-field border border-base-300 p-2"
      aria-label="If you hurry this"
      data-testid="hurry"
    >
      <h3 className="font-bold">If you hurry this</h3>
      {own.hurry ? (
        <Told h={own.hurry} timeZone={timeZone} />
      ) : (
        <p>
          It cannot be sooner for hurrying: what holds it is not a film, or the first free moment is the planned one.
        </p>
      )}
    </section>
  );
}

function Told({ h, timeZone }: { h: EarlyStart; timeZone: string }) {
  const worth = h.costToGain > 1;
  return (
    <>
      <p>
        The first free moment is {dayClock(h.atMin, timeZone)}, {duration(h.savedMin)} sooner. The film is then short of
        “{MILESTONE_NAME[h.milestone]}” with a chance of {pct(100 * h.chance)} (estimate).
      </p>
      <ul className="mt-1 list-disc pl-5">
        {h.faults.length === 0 && (
          <li>The simulated film shows no fault of its own; the scatter of real ones is in the chance.</li>
        )}
        {h.faults.map((f) => (
          <li key={f.kind}>{filmFaultText(f)}</li>
        ))}
      </ul>
      <p className="mt-1">
        Taking it off and doing it again: about {duration(h.redoHandsOnMin)} of hands-on and {duration(h.redoDelayMin)}{" "}
        until you are back here. Times its chance that is {duration(h.chance * h.redoDelayMin)} against{" "}
        {duration(h.savedMin)} saved: <strong>{worth ? "it does not pay." : "on the odds alone it may pay."}</strong>
      </p>
    </>
  );
}
