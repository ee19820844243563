"use client";

import { useState } from "react";
import { editNodeAction } from "@/actions/parts";
import { askForPlanAction } from "@/actions/plan";
import { saveShopAction } from "@/actions/settings";
import type { ModelOnBench, PlanScreen } from "@/contracts";
import type { DateTried, DateTry, PlanAnswer } from "@/core/plan";
import { clockShown, day as dayOf, duration, relativeDay } from "@/format";
import { useAct } from "../hooks/useAct";
import type { Planners } from "./usePlanning";
import { usePlanWorker } from "./usePlanWorker";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
/** Each try is a search of its own. */
const SECONDS = 2;

interface Told {
  readonly tried: readonly DateTried[];
  readonly of: number | null;
}

/** A date that is missed: what might be done about it, tried one by one with what each gives; one press does it. */
export function DateWays({
  model,
  answer,
  screen,
  planners,
}: {
  model: ModelOnBench;
  answer: Planned;
  screen: PlanScreen;
  planners: Planners;
}) {
  const { act, busy } = useAct();
  const { ask, end } = usePlanWorker();
  const [told, setTold] = useState<Told | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const { state, dueMin, doneMin, name, spare } = model;
  const { nowMin, timeZone, planVia } = screen;
  if (state !== "active" || dueMin === null || doneMin === null || doneMin <= dueMin || planVia === null) return null;

  const look = async () => {
    setFault(null);
    setTold({ tried: [], of: null });
    await ask(
      { kind: "date", groupId: model.id, answer, spare, seconds: SECONDS },
      {
        heard: (r) => {
          if (r.kind === "tries") setTold({ tried: [], of: r.of });
          if (r.kind === "dated") setTold((t) => t && { ...t, tried: [...t.tried, r.tried] });
        },
        broke: "That could not be tried; the plan is as it was.",
        fault: setFault,
      },
    );
  };

  const done = (way: DateTry): Promise<string | null> => {
    const said = (o: { ok: boolean; problem?: { detail: string } }) => (o.ok ? null : (o.problem?.detail ?? null));
    const shed = async (edit: Record<string, unknown>) =>
      said(await act(() => saveShopAction(screen.shopRev, edit), { quiet: true }));
    switch (way.kind) {
      case "session": {
        const day = spare.find((s) => s.startMin === way.session.startMin)!;
        const own = { date: day.date, spans: day.spans };
        const others = screen.shop.exceptions.filter((x) => x.date !== day.date);
        return shed({ exceptions: [...others, own].sort((a, b) => (a.date < b.date ? -1 : 1)) });
      }
      case "cover":
        return shed({ habits: { covered: true } });
      case "likely":
        return shed({ caution: "likely" });
      case "rounds": {
        const planner = planners.on(model.id);
        const none = Object.fromEntries(way.regionIds.map((id) => [id, 0]));
        return planner.change({ rounds: { ...planner.planning.rounds, ...none } }, "Rounds left out");
      }
      case "rest": {
        const other = screen.models.find((m) => m.id === way.groupId)!;
        return act(() => editNodeAction("model", other.id, other.rev, { state: "resting" }), { quiet: true }).then(
          said,
        );
      }
    }
  };
  const take = async (way: DateTry) => {
    end();
    const wrong = await done(way);
    if (wrong !== null) return setFault(wrong);
    await act(() => askForPlanAction(planVia));
    setTold(null);
  };
  const called = (way: DateTry): string => {
    switch (way.kind) {
      case "session": {
        const day = spare.find((s) => s.startMin === way.session.startMin);
        return day
          ? `one session more: ${dayOf(day.startMin, timeZone)}, ${clockShown(day.from)}–${clockShown(day.to)}`
          : "one session more";
      }
      case "cover":
        return "wet parts put under a cover, so that others may be sanded and sprayed beside them";
      case "rounds": {
        const faces = way.regionIds.map((id) => screen.regions.find((r) => r.id === id)?.name ?? "").join(", ");
        return `no rounds of fill, sand and prime on ${faces}`;
      }
      case "rest":
        return `${screen.models.find((m) => m.id === way.groupId)?.name ?? "the other"} rests`;
      case "likely":
        return "likely waits (even odds) in place of safe ones";
    }
  };
  const going = told !== null && fault === null && (told.of === null || told.tried.length < told.of);
  return (
    <section
      aria-label={`The date of ${name}`}
      className="rounded-box border-2 border-warning px-3 py-2"
      data-testid="date-ways"
    >
      <div className="flex flex-wrap items-center gap-3">
        <p>
          <strong>{name}</strong> ends {duration(doneMin - dueMin)} after its date.
        </p>
        {told === null && (
          <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void look()}>
            Try what would help
          </button>
        )}
        {going && (
          <span role="status" className="soft">
            trying {told.tried.length + 1}
            {told.of !== null && ` of ${told.of}`}…
          </span>
        )}
      </div>
      {told && (
        <ul className="mt-1 grid gap-1">
          {told.tried.map((t) => (
            <Tried
              key={called(t.way)}
              {...{ busy, dueMin, doneMin, nowMin, timeZone }}
              what={called(t.way)}
              tried={t}
              take={() => void take(t.way)}
            />
          ))}
          {told.of === 0 && <li>Nothing is left to try: the work itself takes longer than there is time.</li>}
        </ul>
      )}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </section>
  );
}

function Tried({
  what,
  tried,
  busy,
  dueMin,
  doneMin,
  nowMin,
  timeZone,
  take,
}: {
  what: string;
  tried: DateTried;
  busy: boolean;
  dueMin: number;
  doneMin: number;
  nowMin: number;
  timeZone: string;
  take: () => void;
}) {
  const ends = tried.doneMin;
  const helps = ends !== null && ends < doneMin;
  return (
    <li className="flex flex-wrap items-center gap-x-3" data-try={tried.way.kind}>
      <span className="min-w-64 flex-1">{what}</span>
      <span className={ends !== null && ends <= dueMin ? "font-bold text-success" : ""}>
        {ends === null
          ? "no plan this way"
          : !helps
            ? "no sooner"
            : `done ${relativeDay(ends, nowMin, timeZone)}, ${ends <= dueMin ? "in time" : `still ${duration(ends - dueMin)} late`}`}
      </span>
      {helps && (
        <button type="button" className="btn btn-sm" disabled={busy} aria-label={`Do it: ${what}`} onClick={take}>
          Do it
        </button>
      )}
    </li>
  );
}
