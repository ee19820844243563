"use client";

import { useState } from "react";
import { askForPlanAction } from "@/actions/plan";
import type { PlanScreen } from "@/contracts";
import type { RoundsFound, RoundsWay } from "@/core/plan";
import { MOST_ROUNDS } from "@/core/reference";
import { duration, relativeDay } from "@/format";
import { useAct } from "../hooks/useAct";
import type { Planner } from "./usePlanning";
import { usePlanWorker } from "./usePlanWorker";

/** Each is a search of its own. */
const SECONDS = 3;
const ROUNDS_WAYS = ["none", "likely", "safe"] as const satisfies readonly RoundsWay[];

/** Rounds of look, fill, sand and prime on every face of the model at once; each can still be told its own. */
export function RoundsForAll({ screen, planner }: { screen: PlanScreen; planner: Planner }) {
  const [fault, setFault] = useState<string | null>(null);
  const [tried, setTried] = useState<readonly RoundsFound[] | null>(null);
  const { ask } = usePlanWorker();
  const { act } = useAct();
  const faces = screen.regions.filter((r) => r.modelId === screen.modelId).map((r) => r.id);
  const told = faces.map((id) => planner.planning.rounds[id] ?? null);
  const isAlike = told.every((n) => n === told[0]);
  const tell = async (value: string) => {
    const rounds = value === "" ? {} : Object.fromEntries(faces.map((id) => [id, Number(value)]));
    setFault(await planner.change({ rounds }, "Rounds changed on every face"));
  };
  if (faces.length === 0) return null;
  const compare = () => {
    setFault(null);
    setTried([]);
    return ask(
      { kind: "rounds", regionIds: faces, seconds: SECONDS },
      {
        heard: (r) => r.kind === "rounds" && setTried((t) => [...(t ?? []), r.tried]),
        broke: "The rounds could not be compared; the plan is as it was.",
        fault: setFault,
      },
    );
  };
  const take = async ({ rounds }: RoundsFound) => {
    const wrong = await planner.change({ rounds }, "Rounds changed on every face");
    setFault(wrong);
    if (wrong !== null) return;
    // what was compared was laid out anew: keeping the plan as it lay would not end when it was told to
    await act(() => askForPlanAction(screen.planVia ?? screen.modelId));
    setTried(null);
  };
  return (
    <div className="grid content-start gap-1">
      <label className="grid gap-0.5">
        <span className="soft text-sm">Rounds of look, fill, sand, prime</span>
        <select
          className="select select-sm w-44"
          aria-label="Rounds on every face"
          value={isAlike ? (told[0] ?? "") : "mixed"}
          disabled={planner.busy}
          onChange={(e) => void tell(e.target.value)}
        >
          {!isAlike && <option value="mixed">told face by face</option>}
          <option value="">usual on every face</option>
          {Array.from({ length: MOST_ROUNDS + 1 }, (_, n) => (
            <option key={n} value={n}>
              {n === 0 ? "none on any face" : `${n} on every face`}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-xs w-fit" disabled={planner.busy} onClick={() => void compare()}>
        Compare none, likely and safe
      </button>
      {tried && (
        <ul aria-label="Rounds compared" className="grid gap-1" data-testid="rounds-compared">
          {ROUNDS_WAYS.map((way) => {
            const own = tried.find((t) => t.way === way);
            return (
              <li key={way} className="flex flex-wrap items-center gap-x-2" data-rounds={way}>
                <span className="font-semibold">{NAME[way]}</span>
                {!own && <span className="soft">{fault === null ? "being looked for…" : "not looked at"}</span>}
                {own && !own.found && <span className="soft">no plan this way</span>}
                {own?.found && (
                  <>
                    <span>
                      done {relativeDay(own.found.doneMin, screen.nowMin, screen.timeZone)}, {own.found.evenings}{" "}
                      evenings, {duration(own.found.handsOnMin)} of work
                    </span>
                    <button
                      type="button"
                      className="btn btn-xs btn-outline"
                      disabled={planner.busy}
                      aria-label={`Plan with it: ${NAME[way]}`}
                      onClick={() => void take(own)}
                    >
                      Plan with it
                    </button>
                  </>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
const NAME: Readonly<Record<RoundsWay, string>> = {
  none: "no rounds",
  likely: "the likely number",
  safe: "what nine in ten need",
};
