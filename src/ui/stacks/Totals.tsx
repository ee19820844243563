"use client";

import { CalendarClock } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { askForPlanAction } from "@/actions/plan";
import type { StackView } from "@/contracts";
import { duration, filmText, relativeDay } from "@/format";
import { useAct } from "../hooks/useAct";

/** Lays the work of the model out, and goes to where it is shown. */
function PlanIt({ modelId }: { modelId: string }) {
  const router = useRouter();
  const { act, busy } = useAct();
  const plan = async () => {
    const asked = await act(() => askForPlanAction(modelId));
    if (asked.ok) router.push("/plan");
  };
  return (
    <button type="button" className="btn btn-sm bg-base-100" disabled={busy} onClick={() => void plan()}>
      <CalendarClock className="size-4" aria-hidden />
      Plan the work
    </button>
  );
}

/** What the pile comes to. */
export function Totals({ view, nowMin, timeZone }: { view: StackView; nowMin: number; timeZone: string }) {
  const { buildUm, massG, cost, handsOnMin, aloneDoneMin } = view.totals;
  const rows: readonly (readonly [string, string])[] = [
    ["Build", buildUm > 0 ? `${filmText(buildUm)} dry` : "–"],
    ["Weight added", massG === null ? "needs the area" : `${massG < 10 ? massG.toFixed(1) : Math.round(massG)} g est.`],
    ["Cost", cost === null ? "needs area, packs and prices" : `${cost.toFixed(2)} est.`],
    ["Hands-on", handsOnMin === null ? "–" : duration(handsOnMin)],
    [
      "Done, alone",
      aloneDoneMin === null ? "cannot be planned as it stands" : relativeDay(aloneDoneMin, nowMin, timeZone),
    ],
  ];
  return (
    <div className="rounded-box bg-base-200 p-3">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {rows.map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="soft">{k}</dt>
            <dd className="font-semibold">{v}</dd>
          </div>
        ))}
      </dl>
      <p className="soft mt-1 text-sm">
        “Done, alone” plans only this region from now, in your air as it is measured and told, and in your sessions.
      </p>
      {buildUm > 0 && (
        <div className="mt-1 flex flex-wrap items-center gap-3">
          {aloneDoneMin !== null && !view.planned && <PlanIt modelId={view.modelId} />}
          <Link href={`/film?region=${view.chosen.node.region.id}`} className="link text-sm">
            See this film dry
          </Link>
        </div>
      )}
    </div>
  );
}
