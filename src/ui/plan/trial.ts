import type { PlanScreen } from "@/contracts";
import { dayClock, duration, relativeDay } from "@/format";
import { conflictReason } from "@/messages";
import type { Trial } from "./useMoves";

const NAMED = 3;

/** What moving a piece of work would do, in one line. */
export function trialText(t: Trial, screen: PlanScreen, words: (opId: string) => string): string {
  const { timeZone, nowMin, plan } = screen;
  const at = dayClock(t.startMin, timeZone);
  if (!t.answer) return `${at}: there is nothing here to move.`;
  if (t.answer.outcome === "conflict") {
    const { conflict, fromOpId } = t.answer;
    const whose = conflict.opId === t.opId ? "" : ` for “${words(conflict.opId)}”`;
    return `${at} does not fit${whose}: ${conflictReason(conflict, fromOpId === null ? null : words(fromOpId))}.`;
  }
  const { doneMin, moved, slackMin } = t.answer;
  const before = plan?.answer.outcome === "planned" ? plan.answer.doneMin : doneMin;
  const end =
    Math.abs(doneMin - before) < 1
      ? "the finish stays"
      : `the finish moves ${duration(Math.abs(doneMin - before))} ${doneMin > before ? "later" : "sooner"}, to ${relativeDay(doneMin, nowMin, timeZone)}`;
  const others =
    moved.length === 0
      ? "nothing else moves"
      : `${moved.length} other${moved.length === 1 ? "" : "s"} move${moved.length === 1 ? "s" : ""} (${moved
          .slice(0, NAMED)
          .map((m) => words(m.opId))
          .join("; ")}${moved.length > NAMED ? "…" : ""})`;
  return `${at} fits: ${end}, ${others}${slackMin > 0 ? `, ${duration(slackMin)} slack` : ""}.`;
}
