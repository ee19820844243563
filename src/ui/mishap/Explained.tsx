"use client";

import { useState } from "react";
import { amendAction, answerAction, mendAction, settleAction, strikeAction, withdrawAction } from "@/actions/mishaps";
import type { CauseView, LessonView, ReportView, WayView } from "@/contracts";
import { MISHAP_EXTENTS } from "@/core/model";
import { duration, relativeDay } from "@/format";
import {
  causeText,
  chanceText,
  EXTENT_NAME,
  factText,
  LESSON_ON,
  lessonText,
  mendText,
  NO_WAY_TEXT,
  questionText,
  RECIPE_NAME,
  reasonText,
} from "@/messages";
import { PhotoField } from "../components/PhotoField";
import { VerdictMark } from "../components/VerdictMark";
import { useAct } from "../hooks/useAct";
import { Swap } from "./Swap";

interface ExplainedProps {
  readonly view: ReportView;
  readonly regionId: string;
  readonly nameOf: (productId: string) => string | undefined;
  readonly colourOf: (productId: string) => string | undefined;
  readonly timeZone: string;
  readonly nowMin: number;
  /** what is shown is to be explained anew */
  readonly again: () => void;
  /** nothing more is to be done here */
  readonly close: () => void;
}

/** Why, how sure, what mends it at what price, and what not to do again. */
export function Explained(props: ExplainedProps) {
  const { view } = props;
  return (
    <div className="grid gap-5" data-testid="explained">
      <Extent {...props} />
      <section aria-label="Why">
        <h3 className="border-b-2 border-base-content/60 text-xl font-bold">Why</h3>
        <p className="soft text-sm">Ranked by what the log and the film model say. A ranking, not a certainty.</p>
        <ol className="mt-2 grid gap-3">
          {view.causes.map((c) => (
            <Cause key={c.id} cause={c} {...props} />
          ))}
        </ol>
        <Questions {...props} />
      </section>
      {!view.report.closed && <Ways {...props} />}
      {view.lessons.length > 0 && <Lessons lessons={view.lessons} />}
      {view.report.closed ? <Closed {...props} /> : <Closing {...props} />}
    </div>
  );
}

function Extent({ view, regionId, again }: ExplainedProps) {
  const { act, busy } = useAct();
  const { id, extent, place, closed } = view.report;
  const [where, setWhere] = useState(place ?? "");
  const [photo, setPhoto] = useState<string | null>(null);
  const told = async (over: { extent?: string; place?: string; photo?: string | null }) => {
    const sent = { reportId: id, extent, place: where.trim() || null, photo: null, ...over };
    if ((await act(() => amendAction(regionId, sent))).ok) again();
  };
  if (closed) return null;
  return (
    <fieldset className="flex flex-wrap items-end gap-2" disabled={busy}>
      <legend className="soft text-base">How much of it?</legend>
      {MISHAP_EXTENTS.map((e) => (
        <button
          key={e}
          type="button"
          aria-pressed={e === extent}
          className={`btn btn-lg ${e === extent ? "btn-neutral" : ""}`}
          onClick={() => void told({ extent: e })}
        >
          {EXTENT_NAME[e]}
        </button>
      ))}
      <label className="text-base">
        Where
        <input
          className="input ml-2 w-44"
          value={where}
          maxLength={80}
          placeholder="left edge"
          onChange={(e) => setWhere(e.target.value)}
          onBlur={() => where.trim() !== (place ?? "") && void told({})}
        />
      </label>
      <PhotoField
        label="what went wrong"
        small
        hash={photo}
        save={(hash) => {
          setPhoto(hash);
          if (hash) void told({ photo: hash });
        }}
      />
    </fieldset>
  );
}

function Cause({ cause, view, regionId, close }: ExplainedProps & { cause: CauseView }) {
  const { act, busy } = useAct();
  const settle = async () => {
    if ((await act(() => settleAction(regionId, { reportId: view.report.id, cause: cause.id }))).ok) close();
  };
  return (
    <li className="rounded-box bg-base-200 p-3">
      <p className="text-lg font-bold">
        {causeText(cause.id)}{" "}
        <span className="soft text-base font-normal">{chanceText(cause.chance, cause.for.length > 0)}</span>
      </p>
      <ul className="text-base">
        {cause.for.map((e) => (
          <li key={e.fact}>
            <span aria-hidden>+ </span>
            <span className="sr-only">for it: </span>
            {factText(e.fact, e.known)}
            {e.known.opIds.length > 0 && (
              <a className="link soft ml-2 text-sm" href={`/logbook?region=${regionId}`}>
                in the log
              </a>
            )}
          </li>
        ))}
        {cause.against.slice(0, 2).map((e) => (
          <li key={e.fact} className="soft">
            <span aria-hidden>− </span>
            <span className="sr-only">against it: </span>
            {factText(e.fact, e.known)}
          </li>
        ))}
      </ul>
      {!view.report.closed && (
        <button type="button" className="btn btn-outline mt-2 min-h-12" disabled={busy} onClick={() => void settle()}>
          That was it: close, keep the lesson
        </button>
      )}
    </li>
  );
}

function Questions({ view, regionId, again }: ExplainedProps) {
  const { act, busy } = useAct();
  if (view.questions.length === 0) return null;
  const answer = async (fact: string, yes: boolean) => {
    if ((await act(() => answerAction(regionId, { reportId: view.report.id, fact, yes }))).ok) again();
  };
  return (
    <div className="mt-3 grid gap-2">
      <p className="soft text-base">An answer here would tell most:</p>
      {view.questions.map((fact) => (
        <fieldset key={fact} className="flex flex-wrap items-center gap-2" disabled={busy}>
          <legend className="sr-only">{questionText(fact)}</legend>
          <span className="min-w-0 flex-1 text-lg" aria-hidden>
            {questionText(fact)}
          </span>
          <button type="button" className="btn btn-lg w-20" onClick={() => void answer(fact, true)}>
            Yes
          </button>
          <button type="button" className="btn btn-lg w-20" onClick={() => void answer(fact, false)}>
            No
          </button>
        </fieldset>
      ))}
    </div>
  );
}

function Ways(props: ExplainedProps) {
  const { ways } = props.view;
  const [swapping, setSwapping] = useState(false);
  const open = ways.filter((w) => w.ok);
  const shut = ways.filter((w) => !w.ok);
  return (
    <section aria-label="Ways to mend it">
      <h3 className="border-b-2 border-base-content/60 text-xl font-bold">Put it right</h3>
      <ul className="mt-2 grid gap-3 lg:grid-cols-2">
        {open.map((way) => (
          <Way key={way.recipe} way={way} swap={() => setSwapping(true)} {...props} />
        ))}
      </ul>
      {swapping && (
        <div className="mt-3">
          <Swap {...props} layerId={null} swapped={props.close} />
        </div>
      )}
      {shut.length > 0 && (
        <p className="soft mt-2 text-base">
          {shut.map((w) => `${RECIPE_NAME[w.recipe][0]}: ${w.ok ? "" : NO_WAY_TEXT[w.why]}`).join("; ")}.
        </p>
      )}
    </section>
  );
}

function Way({
  way,
  view,
  regionId,
  nameOf,
  timeZone,
  nowMin,
  close,
  swap,
}: ExplainedProps & { way: WayView; swap: () => void }) {
  const { act, busy } = useAct();
  if (!way.ok) return null;
  const { price } = way;
  const [name, how] = RECIPE_NAME[way.recipe];
  const steps = mendText(way.mend, (id) => nameOf(id) ?? null);
  const barred = price.stops.length > 0;
  const put = async () => {
    if ((await act(() => mendAction(regionId, { reportId: view.report.id, recipe: way.recipe }))).ok) close();
  };
  return (
    <li className="flex flex-col rounded-box border border-base-300 bg-base-100 p-3" data-recipe={way.recipe}>
      <p className="flex items-center gap-2 text-lg font-bold">
        {name}
        {price.verdict !== "ok" && <VerdictMark verdict={price.verdict} />}
        {way.tried && <span className="soft text-base font-normal">tried before</span>}
      </p>
      <p className="text-base">{how}</p>
      {steps.length > 0 && (
        <ol className="soft mt-1 list-decimal pl-5 text-base">
          {steps.map((s, n) => (
            <li key={`${n} ${s}`}>{s}</li>
          ))}
        </ol>
      )}
      {barred && <p className="mt-1 text-base text-error">{price.stops.map((c) => reasonText(c, [])).join(" ")}</p>}
      <p className="mt-auto pt-2 text-base">
        {price.handsMin > 0 ? `${duration(price.handsMin)} of hands` : "no work"}
        {way.cost !== null && way.cost >= 0.01 && `, paint for ${way.cost.toFixed(2)}`}
        {price.rightMin !== null && `; right again ${relativeDay(price.rightMin, nowMin, timeZone)}`}
        {price.movesMin !== null && price.movesMin > 0 && `; this face is done ${duration(price.movesMin)} later`}
        {price.movesMin === 0 && price.handsMin > 0 && "; this face is done no later"}
        <span className="soft"> (est.)</span>
      </p>
      {way.recipe === "swap" ? (
        <button type="button" className="btn btn-lg mt-2" onClick={swap}>
          See what there is
        </button>
      ) : (
        <button
          type="button"
          className={`btn btn-lg mt-2 ${way.recipe === "leave" ? "btn-outline" : "btn-primary"}`}
          disabled={busy || barred}
          onClick={() => void put()}
        >
          {way.recipe === "leave" ? "Leave it so" : "Put it into the plan"}
        </button>
      )}
    </li>
  );
}

function Lessons({ lessons }: { lessons: readonly LessonView[] }) {
  return (
    <section aria-label="Lessons" className="text-base">
      <h3 className="font-bold">Learnt before</h3>
      <ul>
        {lessons.map((l) => (
          <li key={l.reportId}>
            {l.where}, {causeText(l.cause).toLowerCase()}: {lessonText(l.shift)} ({LESSON_ON[l.on]})
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A report that is closed, with the lesson it left. */
function Closed({ view, regionId, close }: ExplainedProps) {
  const { act, busy } = useAct();
  const { id, cause, recipes } = view.report;
  const strike = async () => {
    if ((await act(() => strikeAction(regionId, { reportId: id }))).ok) close();
  };
  return (
    <div className="flex flex-wrap items-center gap-3 border-t border-base-300 pt-3">
      <p className="text-lg">
        Closed{cause ? `: ${causeText(cause).toLowerCase()}` : ""}
        {recipes.length > 0 &&
          `; mended by: ${recipes.map((r) => RECIPE_NAME[r as keyof typeof RECIPE_NAME]?.[0].toLowerCase() ?? r).join(", ")}`}
        .
      </p>
      {cause !== null && (
        <button type="button" className="btn" disabled={busy} onClick={() => void strike()}>
          Strike its lesson out
        </button>
      )}
    </div>
  );
}

function Closing({ view, regionId, close }: ExplainedProps) {
  const { act, busy } = useAct();
  const reportId = view.report.id;
  const run = async (action: () => ReturnType<typeof withdrawAction>) => {
    if ((await act(action)).ok) close();
  };
  return (
    <div className="flex flex-wrap gap-2 border-t border-base-300 pt-3">
      <button
        type="button"
        className="btn"
        disabled={busy}
        onClick={() => void run(() => settleAction(regionId, { reportId, cause: null }))}
      >
        Close it, cause unknown
      </button>
      <button
        type="button"
        className="btn"
        disabled={busy}
        onClick={() => void run(() => withdrawAction(regionId, { reportId }))}
      >
        It was nothing
      </button>
    </div>
  );
}
