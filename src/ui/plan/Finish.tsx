import type { PlanScreen } from "@/contracts";
import type { PlanAnswer, PlannedOp } from "@/core/plan";
import { duration, relativeDay } from "@/format";
import { MILESTONE_NAME, verifiedText } from "@/messages";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;

function Moved({ byMin }: { byMin: number }) {
  if (Math.abs(byMin) < 1) return <>as before</>;
  return (
    <>
      {duration(Math.abs(byMin))} {byMin > 0 ? "later" : "sooner"} than the plan before
    </>
  );
}

const lowered = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1);

/** Why the end is when it is: the longest thing on the way there. */
function hinge(
  answer: Planned,
  titleOf: (op: PlannedOp) => string,
  nameOf: (regionId: string) => string,
): string | null {
  const spine = answer.ops.filter((o) => answer.spine.includes(o.id) && o.state !== "done");
  const last = spine.at(-1);
  if (!last) return null;
  const waits = spine.filter((o) => o.wait !== null).map((o) => ({ o, lasts: o.wait!.likelyMin - o.wait!.fromMin }));
  const longest = waits.sort((a, b) => b.lasts - a.lasts)[0];
  const end = `${nameOf(last.regionId)}, ${lowered(titleOf(last))}`;
  if (!longest || longest.lasts < 1) return end;
  return `${end}; on the way there the longest wait is “${MILESTONE_NAME[longest.o.wait!.milestone]}” before ${lowered(titleOf(longest.o))}, ${duration(longest.lasts)}`;
}

const MOST_TOLD_PCT = 100;

/** How far from the best a plan can be at the most. */
function boundText(answer: Planned, nowMin: number, timeZone: string): string {
  if (answer.doneMin - answer.boundMin < 5) return "No order of work could end sooner.";
  const overPct = Math.ceil((100 * (answer.doneMin - answer.boundMin)) / Math.max(1, answer.boundMin - nowMin));
  // where nearly all of the time to the bound is nights, a percentage of it means nothing
  if (overPct > MOST_TOLD_PCT)
    return `Whatever the order of work, it cannot end before ${relativeDay(answer.boundMin, nowMin, timeZone)}; how near the best this is, is not known.`;
  return `Whatever the order of work, it cannot end before ${relativeDay(answer.boundMin, nowMin, timeZone)}: at most ${overPct} % from the best.`;
}

/** When it is done, what it takes, and what that hinges on. */
export function Finish({
  answer,
  screen,
  titleOf,
}: {
  answer: Planned;
  screen: PlanScreen;
  titleOf: (op: PlannedOp) => string;
}) {
  const { nowMin, timeZone, plan } = screen;
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  const moved = plan?.beforeDoneMin == null ? null : answer.doneMin - plan.beforeDoneMin;
  const on = hinge(answer, titleOf, nameOf);
  return (
    <section aria-label="Finish" className="flex flex-wrap items-start gap-x-10 gap-y-2 rounded-box bg-base-200 p-3">
      <div data-testid="finish" data-done-min={answer.doneMin}>
        <h2 className="soft text-sm">
          Last work done ({answer.caution === "safe" ? "safe waits, nine in ten" : "likely waits, even odds"})
        </h2>
        <p className="text-2xl font-bold">{relativeDay(answer.doneMin, nowMin, timeZone)}</p>
        {moved !== null && (
          <p className="text-sm" data-testid="moved">
            <Moved byMin={moved} />
          </p>
        )}
      </div>
      <div>
        <h2 className="soft text-sm">Through cured</h2>
        <p className="text-lg font-bold">
          {answer.curedMin === null ? "farther than is planned ahead" : relativeDay(answer.curedMin, nowMin, timeZone)}
        </p>
      </div>
      <div>
        <h2 className="soft text-sm">Hands-on left</h2>
        <p className="text-lg font-bold">{duration(answer.handsOnMin)}</p>
        <p className="text-sm">
          in {answer.sessions} session{answer.sessions === 1 ? "" : "s"}; tools loaded anew {answer.cleanings}×
        </p>
      </div>
      {answer.dueMin !== null && (
        <div data-testid="due">
          <h2 className="soft text-sm">Wished for by {relativeDay(answer.dueMin - 1, nowMin, timeZone)}</h2>
          <p className={`text-lg font-bold ${answer.doneMin > answer.dueMin ? "text-error" : ""}`}>
            {answer.doneMin > answer.dueMin
              ? `${duration(answer.doneMin - answer.dueMin)} late`
              : `${duration(answer.dueMin - answer.doneMin)} to spare`}
          </p>
          {answer.doneMin > answer.dueMin && (
            <p className="text-sm">More or longer sessions, warmer air or fewer rounds would help; or a later date.</p>
          )}
        </div>
      )}
      {on && (
        <div className="max-w-96 min-w-64 flex-1">
          <h2 className="soft text-sm">The finish hinges on</h2>
          <p>{on}.</p>
        </div>
      )}
      <p className="soft w-full text-sm">
        {answer.checkedOps} pieces of work checked against every window, session and pair of hands.{" "}
        <span data-testid="verified">{verifiedText(answer.verified)}</span>{" "}
        <span data-testid="bound">{boundText(answer, nowMin, timeZone)}</span> Waits are estimates.
      </p>
      {answer.overrides.map((o) => (
        <p key={o.regionId + o.key} className="w-full text-sm">
          <strong>{nameOf(o.regionId)}: going ahead against a stop because</strong> {o.reason}
        </p>
      ))}
    </section>
  );
}
