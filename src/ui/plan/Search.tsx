"use client";

import { Square, Telescope } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { planInputAction, takePlanAction } from "@/actions/plan";
import type { PlanScreen } from "@/contracts";
import { relativeDay } from "@/format";
import type { PlanQuestion, PlanReport } from "@/workers/plan";
import { useAct } from "../hooks/useAct";

const SECONDS = 20;

interface Going {
  readonly share: number;
  readonly tries: number;
  readonly bestMin: number | null;
}

/** A longer search in a worker: shows how it goes, can be ended at any moment, and hands over the best it has found. */
export function Search({ screen, via }: { screen: PlanScreen; via: string }) {
  const { act } = useAct();
  const worker = useRef<Worker | null>(null);
  const best = useRef<{ readonly starts: Readonly<Record<string, number>>; readonly doneMin: number } | null>(null);
  const [going, setGoing] = useState<Going | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);
  const doneNow = screen.plan?.answer.outcome === "planned" ? screen.plan.answer.doneMin : null;

  const finish = (tries: number) => {
    worker.current?.terminate();
    worker.current = null;
    setGoing(null);
    const found = best.current;
    if (!found) return setSaid("Nothing was found that could be laid out.");
    setSaid(`${tries.toLocaleString("en-GB")} timetables tried. The film model looks at the best of them.`);
    void act(() => takePlanAction(via, found.starts), { quiet: true }).then((outcome) =>
      setSaid(
        `${tries.toLocaleString("en-GB")} timetables tried. ${outcome.ok ? "The best of them is the plan now." : outcome.problem.detail}`,
      ),
    );
  };
  const start = async () => {
    setSaid(null);
    best.current = null;
    setGoing({ share: 0, tries: 0, bestMin: null });
    const sent = await planInputAction();
    if (!sent.ok) {
      setGoing(null);
      return setSaid(sent.problem.detail);
    }
    const own = new Worker(new URL("../../workers/plan.ts", import.meta.url));
    worker.current = own;
    own.onmessage = ({ data }: MessageEvent<PlanReport>) => {
      if (data.kind === "going") setGoing((g) => g && { ...g, share: data.share, tries: data.tries });
      if (data.kind === "better") {
        best.current = { starts: data.starts, doneMin: data.doneMin };
        setGoing((g) => g && { ...g, bestMin: data.doneMin });
      }
      if (data.kind === "found") {
        if (data.starts && data.doneMin !== null) best.current = { starts: data.starts, doneMin: data.doneMin };
        finish(data.tries);
      }
      if (data.kind === "failed") {
        setGoing(null);
        setSaid("The search stopped; the plan is as it was.");
      }
    };
    own.postMessage({ kind: "open", ...sent.value } satisfies PlanQuestion);
    own.postMessage({
      kind: "search",
      objective: screen.plannings[via]!.planning.objective,
      seconds: SECONDS,
    } satisfies PlanQuestion);
  };
  if (going)
    return (
      <div className="flex items-center gap-2" role="status" data-testid="search">
        <progress className="progress w-32" value={going.share} max={1} aria-label="Search" />
        <span className="text-sm">
          {going.tries.toLocaleString("en-GB")} tried
          {going.bestMin !== null && `, best so far ${relativeDay(going.bestMin, screen.nowMin, screen.timeZone)}`}
          {going.bestMin !== null && doneNow !== null && going.bestMin < doneNow && " (sooner)"}
        </span>
        <button type="button" className="btn btn-sm" onClick={() => finish(going.tries)}>
          <Square className="size-4" aria-hidden />
          Stop, take the best
        </button>
      </div>
    );
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={() => void start()}>
        <Telescope className="size-4" aria-hidden />
        Search for {SECONDS} s
      </button>
      {said && (
        <span className="text-sm" role="status">
          {said}
        </span>
      )}
    </>
  );
}
