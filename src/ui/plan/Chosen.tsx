import { X } from "lucide-react";
import type { PlanScreen } from "@/contracts";
import type { PlannedOp } from "@/core/plan";
import { clock, dayClock, degC, duration, pct, um } from "../format";
import { MILESTONE_NAME } from "../messages";
import { isFilmWait, WhySoLong } from "../waits/WhySoLong";

const HELD_BY: Readonly<Record<string, string>> = {
  booth: "It waits for the spraying place to be free.",
  airbrush: "It waits for the airbrush: in use, or to be cleaned first.",
  "spray-gun": "It waits for the spray gun: in use, or to be cleaned first.",
  holders: "It waits for a holder to hang it on.",
  "uv-box": "It waits for the UV box.",
};

function heldBy(op: PlannedOp): string {
  switch (op.boundBy.kind) {
    case "now":
      return "It could start at once.";
    case "release":
      return "It is held back: for a product, a part that is away, or to keep the plan as it was.";
    case "lock":
      return "You pinned it there.";
    case "air":
      return "It waits until nothing wet takes harm from its dust or mist, or until the room has settled.";
    case "link":
      return "It starts as soon as its wait is over.";
    case "window":
      return "It is timed to meet a recoat window.";
    case "session":
      return "It waits for you: the next bench session with room.";
    case "gate":
      return "It waits for air that suits the product.";
    case "resource":
      return HELD_BY[op.boundBy.resource] ?? "It waits for your hands to be free.";
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
