"use client";

import { Tabs } from "@base-ui/react/tabs";
import { CalendarDays, Download, Printer, RefreshCw } from "lucide-react";
import { type ReactNode, useRef } from "react";
import { askForPlanAction } from "@/actions/plan";
import type { PlanScreen } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { PlannedOp } from "@/core/plan";
import { noticeText, workText } from "@/messages";
import { Apart } from "../components/Apart";
import { useAct } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";
import { useFocusNext } from "../hooks/useFocusNext";
import type { LaneOf } from "../timeline/Lane";
import { Timeline } from "../timeline/Timeline";
import { Aims } from "./Aims";
import { AskOnce } from "./AskOnce";
import { Conflict, Refused, Stopped } from "./Blocked";
import { FollowUps, Moved, Stock } from "./Changes";
import { Chosen } from "./Chosen";
import { DateWays } from "./DateWays";
import { Finish } from "./Finish";
import { OnBench } from "./OnBench";
import { Outside } from "./Outside";
import { PlanStatus } from "./PlanStatus";
import { PlanTable } from "./PlanTable";
import { Search } from "./Search";
import { SessionList } from "./SessionList";
import { trialText } from "./trial";
import { useMoves } from "./useMoves";
import { type Planner, type Planners, usePlanning, withEntry } from "./usePlanning";
import { Ways } from "./Ways";
import { WhatIf } from "./WhatIf";

type Planned = Extract<NonNullable<PlanScreen["plan"]>["answer"], { outcome: "planned" }>;

export function PlanView({ screen }: { screen: PlanScreen }) {
  const { plan } = screen;
  const { act, busy, settling } = useAct();
  const planners = usePlanning(screen);
  const own = screen.models.find((m) => m.id === screen.modelId);
  const isActive = own?.state === "active";
  const on = busy || settling || screen.making.state === "making";
  const { planVia } = screen;
  const make = () => void (planVia && act(() => askForPlanAction(planVia)));
  const main = useRef<HTMLElement>(null);
  useFocusNext(`${screen.making.state} ${plan?.plannedMs}`, () =>
    screen.making.state === "making" ? null : main.current?.querySelector<HTMLElement>("[data-next]"),
  );
  return (
    <main ref={main} className="grid grid-cols-[minmax(0,1fr)] gap-2 p-3" data-plan={screen.making.state}>
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-xl font-bold">Plan</h1>
        <button
          type="button"
          className={`btn btn-sm ${plan?.fresh ? "" : "btn-primary"}`}
          disabled={on || planVia === null}
          onClick={make}
        >
          <RefreshCw className="size-4" aria-hidden />
          {plan ? "Plan again" : "Plan everything"}
        </button>
        {plan?.answer.outcome === "planned" && planVia && (
          <Apart what="The search">
            <Ways screen={screen} via={planVia} />
            <Search screen={screen} via={planVia} />
          </Apart>
        )}
        <PlanStatus making={screen.making} plan={plan} />
        <span className="flex-1" />
        {plan?.answer.outcome === "planned" && <Takeaways modelId={screen.modelId} />}
        <a className="btn btn-ghost btn-sm" href={`/api/v1/models/${screen.modelId}?download`} download>
          <Download className="size-4" aria-hidden />
          Model as JSON
        </a>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <WhatIf screen={screen} />
        <Aims screen={screen} planners={planners} />
      </div>
      {(screen.models.length > 1 || !isActive) && <OnBench screen={screen} planners={planners} />}
      <AskOnce shop={screen.shop} rev={screen.shopRev} />
      {!isActive && (
        <p className="rounded-box bg-base-200 p-6 text-lg">
          {own?.name} is {own?.state}: nothing of it is planned. Take it up again under “On the bench”.
        </p>
      )}
      {isActive && !plan && screen.making.state === "still" && (
        <p className="rounded-box bg-base-200 p-6 text-lg">
          No plan yet. One press lays washing, drying, keying, every coat and every wait of all parts into your bench
          sessions.
        </p>
      )}
      {isActive && (own?.bare || plan?.answer.outcome === "nothing-to-plan") && (
        <p className="rounded-box bg-base-200 p-6 text-lg">
          Nothing of {own?.name} to plan yet: no region has layers on it.{" "}
          <a className="link" href="/stacks">
            Build a stack
          </a>{" "}
          first.
        </p>
      )}
      {plan && plan.answer.outcome !== "refused" && <Stopped screen={screen} notices={plan.answer.notices} />}
      {plan?.answer.outcome === "refused" && <Refused answer={plan.answer} screen={screen} />}
      {plan?.answer.outcome === "circular" && (
        <p role="alert" className="rounded-box border-2 border-warning p-4">
          Not planned: parts go onto each other in a circle (
          {plan.answer.partIds.map((id) => screen.parts.find((p) => p.id === id)?.name).join(", ")}), so none could ever
          be fitted first. Take one of the fittings out below.
        </p>
      )}
      {plan?.answer.outcome === "conflict" && <Conflict answer={plan.answer} screen={screen} />}
      {plan?.answer.outcome === "planned" && <Timetable answer={plan.answer} screen={screen} planners={planners} />}
      <Outside screen={screen} planner={planners.on(screen.modelId)} />
      {plan && (
        <Notices
          screen={screen}
          notices={plan.answer.notices.filter((n) => n.kind !== "stopped" && n.kind !== "too-long")}
        />
      )}
    </main>
  );
}

function Takeaways({ modelId }: { modelId: string }) {
  return (
    <>
      <a className="btn btn-ghost btn-sm" href="/plan/card">
        <Printer className="size-4" aria-hidden />
        Print card
      </a>
      <a className="btn btn-ghost btn-sm" href={`/api/v1/models/${modelId}/plan.ics`} download>
        <CalendarDays className="size-4" aria-hidden />
        Calendar file
      </a>
    </>
  );
}

const VIEWS = [
  ["lanes", "Lanes"],
  ["evenings", "Evenings"],
  ["table", "Table"],
] as const;
type View = (typeof VIEWS)[number][0];

function Timetable({ answer, screen, planners }: { answer: Planned; screen: PlanScreen; planners: Planners }) {
  const { params, set } = useAddress();
  const isActive = screen.planVia === screen.modelId;
  const desk = useMoves(screen.plan?.plannedMs ?? 0);
  const view = (VIEWS.find(([id]) => id === params.get("view"))?.[0] ?? "lanes") satisfies View;
  const chosen = answer.ops.find((o) => o.id === params.get("op")) ?? null;
  const titleOf = (op: PlannedOp) => workText(op, (id) => screen.products[id]?.name);
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  const plannerOf = (op: PlannedOp) =>
    planners.on(screen.regions.find((r) => r.id === op.regionId)?.modelId ?? screen.modelId);
  const words = (opId: string) => {
    const op = answer.ops.find((o) => o.id === opId);
    return op ? `${nameOf(op.regionId)}: ${titleOf(op)}` : "something that is gone";
  };
  const choose = (id: string) => set({ op: id === chosen?.id ? null : id });
  return (
    <Tabs.Root className="contents" value={view} onValueChange={(v: string) => set({ view: v === "lanes" ? null : v })}>
      <Finish
        answer={answer}
        screen={screen}
        planner={isActive ? planners.on(screen.modelId) : null}
        titleOf={titleOf}
      />
      {screen.models.map((m) => (
        <DateWays key={m.id} model={m} answer={answer} screen={screen} planners={planners} />
      ))}
      <div className="flex flex-wrap items-center justify-between gap-2">
        <Tabs.List aria-label="How the plan is shown" className="tabs tabs-border" activateOnFocus>
          {VIEWS.map(([id, name]) => (
            <Tabs.Tab
              data-next={id === view || undefined}
              key={id}
              value={id}
              className={`tab ${view === id ? "tab-active font-bold" : ""}`}
              style={{ color: "var(--color-base-content)" }}
            >
              {name}
            </Tabs.Tab>
          ))}
        </Tabs.List>
        {view === "lanes" && <LaneControls screen={screen} params={params} set={set} />}
      </div>
      <Tabs.Panel value="lanes" className="contents">
        <Lanes
          answer={answer}
          screen={screen}
          plannerOf={plannerOf}
          desk={desk}
          {...{ titleOf, words, choose, params }}
          chosen={chosen}
        />
      </Tabs.Panel>
      <Tabs.Panel value="table" className="contents">
        <PlanTable answer={answer} screen={screen} titleOf={titleOf} chosen={chosen?.id ?? null} choose={choose} />
      </Tabs.Panel>
      {chosen && (
        <Chosen
          op={chosen}
          screen={screen}
          title={titleOf(chosen)}
          onSpine={answer.spine.includes(chosen.id)}
          planner={plannerOf(chosen)}
          desk={desk}
          words={words}
          close={() => set({ op: null })}
        />
      )}
      <Tabs.Panel value="evenings" className="contents">
        <SessionList answer={answer} screen={screen} titleOf={titleOf} choose={(id) => set({ op: id })} />
      </Tabs.Panel>
      <Moved answer={answer} screen={screen} words={words} />
      <Stock answer={answer} screen={screen} />
      <FollowUps answer={answer} screen={screen} />
    </Tabs.Root>
  );
}

interface LanesProps {
  readonly answer: Planned;
  readonly screen: PlanScreen;
  readonly plannerOf: (op: PlannedOp) => Planner;
  readonly desk: ReturnType<typeof useMoves>;
  readonly titleOf: (op: PlannedOp) => string;
  readonly words: (opId: string) => string;
  readonly chosen: PlannedOp | null;
  readonly choose: (opId: string) => void;
  readonly params: URLSearchParams;
}

function Lanes({ answer, screen, plannerOf, desk, titleOf, words, chosen, choose, params }: LanesProps) {
  const even = params.get("axis") === "even";
  const one = params.get("part");
  const lanes = screen.regions.flatMap((r): LaneOf[] => {
    const ops = answer.ops.filter((o) => o.regionId === r.id);
    const curedMin = answer.finish.find((f) => f.regionId === r.id)?.curedMin ?? null;
    return ops.length > 0 && (one === null || r.id === one || r.modelId === one)
      ? [{ regionId: r.id, name: r.name, ops, curedMin }]
      : [];
  });
  const { trial } = desk;
  const fits = trial === null ? null : trial.answer?.outcome === "fits";
  const drop = async (op: PlannedOp, startMin: number) => {
    const opId = op.id;
    const own = await desk.sure(opId, startMin);
    if (own?.answer?.outcome !== "fits") return;
    const at = new Date(own.answer.startMin * MS_PER_MIN).toISOString();
    const { planning, change } = plannerOf(op);
    await change({ locks: withEntry(planning.locks, opId, at) }, `${words(opId)} moved and pinned`);
    desk.forget();
  };
  return (
    <>
      {screen.backdrop && (
        <Apart what="The timeline">
          <Timeline
            lanes={lanes}
            back={screen.backdrop}
            nowMin={screen.nowMin}
            timeZone={screen.timeZone}
            even={even}
            spine={new Set(answer.spine)}
            chosen={chosen?.id ?? null}
            choose={choose}
            titleOf={titleOf}
            over={(d) => desk.ask({ kind: "move", opId: d.op.id, startMin: d.startMin })}
            drop={(d) => void drop(d.op, d.startMin)}
            trial={
              desk.failed !== null ? (
                `The trial could not be made: ${desk.failed}`
              ) : trial ? (
                <span className={fits ? "" : "font-semibold text-error"}>
                  {words(trial.opId)}: {trialText(trial, screen, words)}
                </span>
              ) : null
            }
            trialFits={fits}
            moved={answer.moved}
          />
        </Apart>
      )}
      <Legend />
    </>
  );
}

/** Which parts, and how the hours are drawn. */
function LaneControls({ screen, params, set }: { screen: PlanScreen } & ReturnType<typeof useAddress>) {
  const several = new Set(screen.regions.map((r) => r.modelId)).size > 1;
  return (
    <div className="flex flex-wrap items-center gap-4 text-sm">
      <label className="flex items-center gap-2">
        show
        <select
          className="select select-sm w-44"
          value={params.get("part") ?? ""}
          onChange={(e) => set({ part: e.target.value === "" ? null : e.target.value })}
        >
          <option value="">all parts</option>
          {screen.models
            .filter((m) => several && screen.regions.some((r) => r.modelId === m.id))
            .map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}, all of it
              </option>
            ))}
          {screen.regions.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="toggle toggle-sm"
          checked={params.get("axis") !== "even"}
          onChange={() => set({ axis: params.get("axis") === "even" ? null : "even" })}
        />
        draw bench time wide
      </label>
    </div>
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
  const byText = new Map<string, { id: string; name: string }[]>();
  for (const r of screen.regions) {
    const text = [...new Set(notices.filter((n) => n.regionId === r.id).map(noticeText))].join(" ");
    if (text !== "") byText.set(text, [...(byText.get(text) ?? []), r]);
  }
  return (
    <section aria-label="What the plan takes for granted" className="rounded-box bg-base-200 p-3">
      <h2 className="font-bold">Taken for granted, and to mind</h2>
      <ul className="mt-1 grid gap-0.5 text-sm">
        {[...byText].map(([text, regions]) => (
          <li key={regions[0]!.id}>
            {regions.slice(0, NAMED_AT_MOST).map((r, i) => (
              <span key={r.id}>
                {i > 0 && ", "}
                <a className="link font-semibold" href={`/stacks?region=${r.id}`}>
                  {r.name}
                </a>
              </span>
            ))}
            {regions.length > NAMED_AT_MOST && ` and ${regions.length - NAMED_AT_MOST} more`}: {text}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Parts with the same said of them are told together; the rest of them by number. */
const NAMED_AT_MOST = 4;
