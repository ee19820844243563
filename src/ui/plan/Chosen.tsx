import { X } from "lucide-react";
import type { PlanScreen } from "@/contracts";
import type { PlannedOp } from "@/core/plan";
import { clock, dayClock, degC, duration, pct, um } from "../format";
import { MILESTONE_NAME } from "../messages";
import { isFilmWait, WhySoLong } from "../waits/WhySoLong";

function heldBy(op: PlannedOp): string {
  switch (op.boundBy.kind) {
    case "now":
      return "It could start at once.";
    case "link":
      return "It starts as soon as its wait is over.";
    case "window":
      return "It is timed to meet a recoat window.";
    case "session":
      return "It waits for you: the next bench session with room.";
    case "gate":
      return "It waits for air that suits the product.";
    case "resource":
      return op.boundBy.resource === "booth"
        ? "It waits for the spraying place to be free."
        : "It waits for your hands to be free.";
  }
}

/** One piece of work: when, in what air, after what wait, and why not sooner. */
export function Chosen({
  op,
  screen,
  title,
  onSpine,
  close,
}: {
  op: PlannedOp;
  screen: PlanScreen;
  title: string;
  onSpine: boolean;
  close: () => void;
}) {
  const { timeZone } = screen;
  const name = screen.regions.find((r) => r.id === op.regionId)?.name ?? "";
  const rows: (readonly [string, string])[] = [
    [
      "When",
      `${dayClock(op.startMin, timeZone)} to ${clock(op.endMin, timeZone)}, ${duration(op.handsOnMin)} hands-on`,
    ],
    ["Air then", `${degC(op.tempC)}, ${pct(op.rhPct)} RH (expected)`],
  ];
  if (op.wftUm !== null) rows.push(["Film", `${um(op.wftUm)} wet`]);
  if (op.wait) {
    const w = op.wait;
    rows.push([
      `Waits for “${MILESTONE_NAME[w.milestone]}”`,
      `likely ${dayClock(w.likelyMin, timeZone)}, safe ${dayClock(w.safeMin, timeZone)}${w.assumed ? " (not on the label: estimated)" : ""}`,
    ]);
    if (w.shutsMin !== null) rows.push(["Window shuts", dayClock(w.shutsMin, timeZone)]);
  }
  rows.push(["Why not sooner", heldBy(op)]);
  return (
    <section aria-label={`${name}: ${title}`} className="rounded-box border-2 border-primary p-3">
      <div className="flex items-start justify-between">
        <h2 className="text-lg font-bold">
          {name}: {title}
          {onSpine && <span className="ml-2 text-sm font-normal text-secondary">holds the finish</span>}
        </h2>
        <button type="button" className="btn btn-ghost btn-sm btn-square" aria-label="Close" onClick={close}>
          <X className="size-4" aria-hidden />
        </button>
      </div>
      <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {rows.map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="soft">{k}</dt>
            <dd>{v}</dd>
          </div>
        ))}
      </dl>
      {op.wait && op.state !== "done" && isFilmWait(op.wait.milestone) && (
        <WhySoLong key={op.id} regionId={op.regionId} opId={op.id} />
      )}
    </section>
  );
}
