import type { ModelOnBench, PlanScreen } from "@/contracts";
import type { PlanAnswer, PlannedOp } from "@/core/plan";
import { duration, relativeDay } from "@/format";
import { MILESTONE_NAME, overNightText, verifiedText } from "@/messages";
import { RoundsForAll } from "./RoundsForAll";
import type { Planner } from "./usePlanning";

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

/** Time at the bench within a span: nights and days away are nobody's to lose. */
const benchMin = (sessions: readonly { startMin: number; endMin: number }[], fromMin: number, toMin: number): number =>
  sessions.reduce((sum, s) => sum + Math.max(0, Math.min(s.endMin, toMin) - Math.max(s.startMin, fromMin)), 0);

/** How far from the best a plan can be at the most, counted in time at the bench. */
function boundText({ doneMin, boundMin }: Planned, { nowMin, timeZone, backdrop }: PlanScreen): string {
  if (doneMin - boundMin < 5) return "No order of work could end sooner.";
  const over = benchMin(backdrop?.sessions ?? [], boundMin, doneMin);
  return `Whatever the order of work, it cannot end before ${relativeDay(boundMin, nowMin, timeZone)}: at most ${duration(over)} of bench time from the best.`;
}

/** By when a model was wished for, and how its own last work lies against that. */
function Due({
  model: { name, state, dueMin, doneMin },
  named,
  nowMin,
  timeZone,
}: {
  model: ModelOnBench;
  named: boolean;
  nowMin: number;
  timeZone: string;
}) {
  if (state !== "active" || dueMin === null || doneMin === null) return null;
  const late = doneMin > dueMin;
  return (
    <span data-testid="due">
      <span className="soft"> · </span>
      <strong className={late ? "text-error" : ""}>
        {late ? `${duration(doneMin - dueMin)} late` : `${duration(dueMin - doneMin)} to spare`}
      </strong>{" "}
      {named ? `for ${name}, wished` : "wished"} for by {relativeDay(dueMin - 1, nowMin, timeZone)}
    </span>
  );
}

/** When it is done, what it takes, and what that hinges on. */
export function Finish({
  answer,
  screen,
  planner,
  titleOf,
}: {
  answer: Planned;
  screen: PlanScreen;
  /** of the model looked at; null = it is in no plan */
  planner: Planner | null;
  titleOf: (op: PlannedOp) => string;
}) {
  const { nowMin, timeZone, plan } = screen;
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  const moved = plan?.beforeDoneMin == null ? null : answer.doneMin - plan.beforeDoneMin;
  const active = screen.models.filter((m) => m.state === "active");
  const on = hinge(answer, titleOf, nameOf);
  const waits = answer.caution === "safe" ? "safe waits, nine in ten" : "likely waits, even odds";
  const overNight = answer.overNight ?? [];
  const first = on?.split(";")[0] ?? null;
  return (
    <section aria-label="Finish" className="rounded-box bg-base-200 px-3 py-2">
      <details className="group">
        <summary className="cursor-pointer">
          <span data-testid="finish" data-done-min={answer.doneMin}>
            Last work done <strong className="text-lg">{relativeDay(answer.doneMin, nowMin, timeZone)}</strong>
          </span>
          {moved !== null && (
            <span data-testid="moved">
              {" "}
              (<Moved byMin={moved} />)
            </span>
          )}
          <span className="soft"> · </span>
          {duration(answer.handsOnMin)} hands-on in {answer.sessions} session{answer.sessions === 1 ? "" : "s"}
          {screen.models.map((m) => (
            <Due key={m.id} model={m} named={active.length > 1} {...{ nowMin, timeZone }} />
          ))}
          {first && (
            <span className="group-open:hidden">
              <span className="soft"> · hinges on </span>
              {first}
            </span>
          )}
        </summary>
        <div className="mt-2 flex flex-wrap items-start gap-x-10 gap-y-2">
          <div>
            <h2 className="soft text-sm">Reckoned with</h2>
            <p>{waits}</p>
          </div>
          <div>
            <h2 className="soft text-sm">Through cured</h2>
            <p className="font-bold">
              {answer.curedMin === null
                ? "farther than is planned ahead"
                : relativeDay(answer.curedMin, nowMin, timeZone)}
            </p>
          </div>
          <div>
            <h2 className="soft text-sm">Tools loaded anew</h2>
            <p>{answer.cleanings}×</p>
          </div>
          {planner && <RoundsForAll screen={screen} planner={planner} />}
          {on && (
            <div className="max-w-[36rem] min-w-64 flex-1">
              <h2 className="soft text-sm">The finish hinges on</h2>
              <p>{on}.</p>
            </div>
          )}
        </div>
        {overNight.length > 0 && (
          <p className="w-full text-sm" data-testid="over-night">
            <span className="soft">Left over night though no wait asks for it:</span> {overNightText(overNight, nameOf)}
            .
          </p>
        )}
        <p className="soft w-full text-sm">
          {answer.checkedOps} pieces of work checked against every window, session and pair of hands.{" "}
          <span data-testid="verified">{verifiedText(answer.verified)}</span>{" "}
          <span data-testid="bound">{boundText(answer, screen)}</span> Waits are estimates.
        </p>
        {answer.overrides.map((o) => (
          <p key={o.regionId + o.key} className="w-full text-sm">
            <strong>{nameOf(o.regionId)}: going ahead against a stop because</strong> {o.reason}
          </p>
        ))}
      </details>
    </section>
  );
}
