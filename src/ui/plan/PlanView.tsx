"use client";

import { CalendarDays, Download, RefreshCw } from "lucide-react";
import type { ReactNode } from "react";
import { makePlanAction } from "@/app/actions";
import type { PlanScreen } from "@/contracts";
import type { PlannedOp } from "@/core/plan";
import { useAct } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";
import { noticeText, workText } from "../messages";
import type { LaneOf } from "../timeline/Lane";
import { Timeline } from "../timeline/Timeline";
import { Conflict, Refused } from "./Blocked";
import { Chosen } from "./Chosen";
import { Finish } from "./Finish";
import { SessionList } from "./SessionList";
import { WhatIf } from "./WhatIf";

type Planned = Extract<NonNullable<PlanScreen["plan"]>["answer"], { outcome: "planned" }>;

export function PlanView({ screen }: { screen: PlanScreen }) {
  const { plan } = screen;
  const { act, busy } = useAct();
  const make = () => void act(() => makePlanAction(screen.modelId));
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-3 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-xl font-bold">Plan</h1>
        <button type="button" className={`btn ${plan?.fresh ? "" : "btn-primary"}`} disabled={busy} onClick={make}>
          <RefreshCw className="size-4" aria-hidden />
          {plan ? "Plan again" : "Plan everything"}
        </button>
        {plan && !plan.fresh && (
          <p role="status" className="font-semibold text-warning">
            Something this plan was made from has changed since, or its hour has passed. Plan again to see what that
            does.
          </p>
        )}
        <span className="flex-1" />
        {plan?.answer.outcome === "planned" && (
          <a className="btn btn-sm" href={`/api/v1/models/${screen.modelId}/plan.ics`} download>
            <CalendarDays className="size-4" aria-hidden />
            Calendar file
          </a>
        )}
        <a className="btn btn-sm" href={`/api/v1/models/${screen.modelId}?download`} download>
          <Download className="size-4" aria-hidden />
          Model as JSON
        </a>
      </div>
      <WhatIf screen={screen} />
      {!plan && (
        <p className="rounded-box bg-base-200 p-6 text-lg">
          No plan yet. One press lays washing, drying, keying, every coat and every wait of all parts into your bench
          sessions.
        </p>
      )}
      {plan?.answer.outcome === "nothing-to-plan" && (
        <p className="rounded-box bg-base-200 p-6 text-lg">
          Nothing to plan yet: no region has layers on it.{" "}
          <a className="link" href="/stacks">
            Build a stack
          </a>{" "}
          first.
        </p>
      )}
      {plan?.answer.outcome === "refused" && <Refused answer={plan.answer} screen={screen} />}
      {plan?.answer.outcome === "circular" && (
        <p role="alert" className="rounded-box border-2 border-warning p-4">
          Not planned: parts go onto each other in a circle, so none could ever be fitted first. Take one of the
          fittings out under “How it goes together”.
        </p>
      )}
      {plan?.answer.outcome === "conflict" && <Conflict answer={plan.answer} screen={screen} />}
      {plan?.answer.outcome === "planned" && <Timetable answer={plan.answer} screen={screen} />}
      {plan && <Notices screen={screen} notices={plan.answer.notices} />}
    </main>
  );
}

function Timetable({ answer, screen }: { answer: Planned; screen: PlanScreen }) {
  const { params, set } = useAddress();
  const even = params.get("axis") === "even";
  const chosen = answer.ops.find((o) => o.id === params.get("op")) ?? null;
  const productName = (op: PlannedOp) => (op.productId === null ? null : (screen.products[op.productId]?.name ?? null));
  const titleOf = (op: PlannedOp) => workText(op, productName(op));
  const lanes = screen.regions.flatMap((r): LaneOf[] => {
    const ops = answer.ops.filter((o) => o.regionId === r.id);
    const curedMin = answer.finish.find((f) => f.regionId === r.id)?.curedMin ?? null;
    return ops.length > 0 ? [{ regionId: r.id, name: r.name, ops, curedMin }] : [];
  });
  const spine = new Set(answer.spine);
  return (
    <>
      <Finish answer={answer} screen={screen} titleOf={titleOf} />
      <div className="flex flex-wrap items-center gap-4 text-sm">
        <Legend />
        <span className="flex-1" />
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="toggle toggle-sm"
            checked={!even}
            onChange={() => set({ axis: even ? null : "even" })}
          />
          draw bench time wide
        </label>
      </div>
      {screen.backdrop && (
        <Timeline
          lanes={lanes}
          back={screen.backdrop}
          nowMin={screen.nowMin}
          timeZone={screen.timeZone}
          even={even}
          spine={spine}
          chosen={chosen?.id ?? null}
          choose={(id) => set({ op: id === chosen?.id ? null : id })}
          titleOf={titleOf}
        />
      )}
      {chosen && (
        <Chosen
          op={chosen}
          screen={screen}
          title={titleOf(chosen)}
          onSpine={spine.has(chosen.id)}
          close={() => set({ op: null })}
        />
      )}
      <SessionList answer={answer} screen={screen} titleOf={titleOf} choose={(id) => set({ op: id })} />
    </>
  );
}

const LEGEND: readonly (readonly [ReactNode, string])[] = [
  [<rect key="a" y="3" width="22" height="12" rx="2" fill="var(--ink)" />, "hands-on"],
  [<path key="b" d="M0 15L12 3M6 15L18 3M12 15L22 5" stroke="var(--wet)" strokeWidth="1.8" />, "wet, drying"],
  [<path key="c" d="M0 6h22M0 12h22" stroke="var(--open)" strokeWidth="1.8" />, "ready, window open"],
  [
    <path
      key="d"
      d="M2 5h.01M9 5h.01M16 5h.01M5 11h.01M12 11h.01M19 11h.01"
      stroke="var(--grain)"
      strokeWidth="3"
      strokeLinecap="round"
    />,
    "sandable",
  ],
  [
    <path key="e" d="M0 9h12M4 5l4 4-4 4M10 5l4 4-4 4M20 3v12" stroke="var(--closing)" strokeWidth="1.8" fill="none" />,
    "window shuts",
  ],
  [<path key="f" d="M0 9h22" stroke="var(--color-secondary)" strokeWidth="4" />, "holds the finish"],
];

function Legend() {
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1" aria-label="Legend">
      {LEGEND.map(([mark, words]) => (
        <li key={words} className="flex items-center gap-1.5">
          <svg viewBox="0 0 22 18" className="h-4 w-6" aria-hidden>
            {mark}
          </svg>
          {words}
        </li>
      ))}
    </ul>
  );
}

function Notices({
  screen,
  notices,
}: {
  screen: PlanScreen;
  notices: NonNullable<PlanScreen["plan"]>["answer"]["notices"];
}) {
  if (notices.length === 0) return null;
  const byRegion = screen.regions
    .map((r) => ({ ...r, list: [...new Set(notices.filter((n) => n.regionId === r.id).map(noticeText))] }))
    .filter((r) => r.list.length > 0);
  return (
    <section aria-label="What the plan takes for granted" className="rounded-box bg-base-200 p-3">
      <h2 className="font-bold">Taken for granted, and to mind</h2>
      <ul className="mt-1 grid gap-0.5 text-sm">
        {byRegion.map((r) => (
          <li key={r.id}>
            <a className="link font-semibold" href={`/stacks?region=${r.id}`}>
              {r.name}
            </a>
            : {r.list.join(" ")}
          </li>
        ))}
      </ul>
    </section>
  );
}
