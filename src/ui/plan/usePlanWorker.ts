import { useEffect, useRef } from "react";
import { planInputAction } from "@/actions/plan";
import type { PlanQuestion, PlanReport } from "@/workers/plan";

/** Asks the planner's worker over the bench as it stands, one question at a time; what is asked ends what was asked before. */
export function usePlanWorker() {
  const worker = useRef<Worker | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  /** @param broke what to say where it could not be answered @param fault told why, where the bench itself could not be sent */
  const ask = async (
    question: PlanQuestion,
    { heard, broke, fault }: { heard: (r: PlanReport) => void; broke: string; fault: (why: string) => void },
  ) => {
    end();
    const sent = await planInputAction();
    if (!sent.ok) return fault(sent.problem.detail);
    const own = new Worker(new URL("../../workers/plan.ts", import.meta.url));
    worker.current = own;
    own.onerror = () => fault(broke);
    own.onmessage = ({ data }: MessageEvent<PlanReport>) => (data.kind === "failed" ? fault(broke) : heard(data));
    own.postMessage({ kind: "open", ...sent.value } satisfies PlanQuestion);
    own.postMessage(question);
  };
  return { ask, end };
}
