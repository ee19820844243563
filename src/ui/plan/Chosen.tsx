"use client";

import { Pin, PinOff, X } from "lucide-react";
import { useEffect, useState } from "react";
import type { PlanScreen } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { PlannedOp } from "@/core/plan";
import { MOST_ROUNDS } from "@/core/reference";
import { clock, dayClock, duration, filmText, minOfWallClock, pct, tempText, wallClock } from "@/format";
import { MILESTONE_NAME, sumsOfWork } from "@/messages";
import { ClockInput } from "../components/ClockInput";
import { DateInput } from "../components/DateInput";
import { SumLinks } from "../components/SumLinks";
import { SwapHere } from "../mishap/SwapHere";
import { isFilmWait, WhySoLong } from "../waits/WhySoLong";
import { EarlyStartBox } from "./EarlyStartBox";
import { trialText } from "./trial";
import type { useMoves } from "./useMoves";
import { type Planner, withEntry, without } from "./usePlanning";

const HELD_BY: Readonly<Record<string, string>> = {
  booth: "It waits for the spraying place to be free.",
  airbrush: "It waits for the airbrush: in use, or to be cleaned first.",
  "spray-gun": "It waits for the spray gun: in use, or to be cleaned first.",
  holders: "It waits for a holder to hang it on.",
  "uv-box": "It waits for the UV box.",
};

export function heldBy(op: PlannedOp): string {
  switch (op.boundBy.kind) {
    case "now":
      return "It could start at once.";
    case "release":
      return "It waits for a product to arrive, or for the part to come back.";
    case "kept":
      return "It could be sooner: it lay there before, or is held for the sake of the rest.";
    case "lock":
      return "You pinned it there.";
    case "air":
      return "It waits until nothing wet takes harm from its dust or mist, or until the room has settled.";
    case "link":
      return "It starts as soon as its wait is over.";
    case "window":
      return "It is timed to meet a recoat window.";
    case "session":
      return "It waits for you: the next bench session with room.";
    case "gate":
      return "It waits for air that suits the product.";
    case "resource":
      return HELD_BY[op.boundBy.resource] ?? "It waits for your hands to be free.";
  }
}

interface ChosenProps {
  readonly op: PlannedOp;
  readonly screen: PlanScreen;
  readonly title: string;
  readonly onSpine: boolean;
  readonly planner: Planner;
  readonly desk: ReturnType<typeof useMoves>;
  readonly words: (opId: string) => string;
  readonly close: () => void;
}

/** One piece of work: when, in what air, after what wait, why not sooner, how late it may be; and what can be changed about it. */
export function Chosen({ op, screen, title, onSpine, planner, desk, words, close }: ChosenProps) {
  const { timeZone } = screen;
  const name = screen.regions.find((r) => r.id === op.regionId)?.name ?? "";
  const sums = sumsOfWork(op, op.productId === null ? null : (screen.products[op.productId] ?? null));
  const rows: (readonly [string, string])[] = [
    [
      "When",
      `${dayClock(op.startMin, timeZone)} to ${clock(op.endMin, timeZone)}, ${duration(op.handsOnMin)} hands-on${op.batch ? ` (together with ${op.batch.length - 1} more)` : ""}`,
    ],
    ["Air then", `${tempText(op.tempC)}, ${pct(op.rhPct)} RH (expected)`],
  ];
  if (op.wftUm !== null) rows.push(["Film", `${filmText(op.wftUm)} wet`]);
  if (op.wait) {
    const w = op.wait;
    rows.push([
      `Waits for “${MILESTONE_NAME[w.milestone]}”`,
      `likely ${dayClock(w.likelyMin, timeZone)}, safe ${dayClock(w.safeMin, timeZone)}${w.assumed ? " (not on the label: estimated)" : ""}`,
    ]);
    if (w.shutsMin !== null) rows.push(["Window shuts", dayClock(w.shutsMin, timeZone)]);
    if (w.forbidden !== null)
      rows.push([
        "Forbidden gap",
        `${dayClock(w.forbidden.fromMin, timeZone)} to ${dayClock(w.forbidden.toMin, timeZone)} (estimate): nothing goes on in between`,
      ]);
  }
  if (op.state === "planned") {
    rows.push(["Why not sooner", heldBy(op)]);
    rows.push([
      "Slack",
      op.slackMin < 1 ? "none: the finish moves with it" : `${duration(op.slackMin)} before the finish moves`,
    ]);
    if (op.latestMin !== null) rows.push(["Latest safe start", dayClock(op.latestMin, timeZone)]);
  }
  return (
    <section aria-label={`${name}: ${title}`} className="rounded-box border-2 border-primary p-3">
      <div className="flex items-start justify-between">
        <h2 className="text-lg font-bold">
          {name}: {title}
          {onSpine && <span className="ml-2 text-sm font-normal text-secondary">holds the finish</span>}
        </h2>
        <button type="button" className="btn btn-ghost btn-sm btn-square" aria-label="Close" onClick={close}>
          <X className="size-4" aria-hidden />
        </button>
      </div>
      <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[1.3fr_1fr]">
        <div>
          <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
            {rows.map(([k, v]) => (
              <div key={k} className="contents">
                <dt className="soft">{k}</dt>
                <dd>{v}</dd>
              </div>
            ))}
          </dl>
          {op.wait && op.state !== "done" && isFilmWait(op.wait.milestone) && (
            <WhySoLong key={op.id} regionId={op.regionId} opId={op.id} timeZone={timeZone} />
          )}
          {op.state === "planned" && op.wait && <EarlyStartBox op={op} desk={desk} timeZone={timeZone} />}
          {op.kind === "coat" &&
            op.state === "planned" &&
            op.layerId !== null &&
            !op.mend &&
            op.round === undefined && (
              <SwapHere
                key={`swap ${op.layerId}`}
                of={screen.products[op.productId!]?.name ?? ""}
                regionId={op.regionId}
                layerId={op.layerId}
                nameOf={(id) => screen.products[id]?.name}
                colourOf={(id) => screen.products[id]?.colour}
                nowMin={screen.nowMin}
                timeZone={timeZone}
              />
            )}
          {op.state !== "done" && sums.length > 0 && (
            <SumLinks ids={sums} product={op.productId ?? undefined} region={op.regionId} />
          )}
        </div>
        {op.state === "planned" && (
          <Change key={op.id} op={op} screen={screen} planner={planner} desk={desk} words={words} />
        )}
      </div>
    </section>
  );
}

type ChangeProps = Pick<ChosenProps, "op" | "screen" | "planner" | "desk" | "words">;

/** Start, pin, minutes, rounds and company of one piece of work. */
function Change({ op, screen, planner, desk, words }: ChangeProps) {
  const { planning } = planner;
  const [fault, setFault] = useState<string | null>(null);
  const change = async (edit: Parameters<Planner["change"]>[0], what: string) =>
    setFault(await planner.change(edit, what));
  return (
    <div className="grid content-start gap-2 rounded-field bg-base-200 p-3">
      <StartAt
        op={op}
        screen={screen}
        desk={desk}
        words={words}
        pin={(at) => change({ locks: withEntry(planning.locks, op.id, at) }, "Pinned")}
        busy={planner.busy}
      />
      {op.locked && (
        <button
          type="button"
          className="btn btn-sm w-fit"
          disabled={planner.busy}
          onClick={() => void change({ locks: without(planning.locks, op.id) }, "Pin taken out")}
        >
          <PinOff className="size-4" aria-hidden />
          Take the pin out
        </button>
      )}
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          const text = String(new FormData(e.currentTarget).get("minutes")).trim();
          const minutes = text === "" ? null : Number.isNaN(Number(text)) ? (text as unknown as number) : Number(text);
          void change({ minutes: withEntry(planning.minutes, op.id, minutes) }, "Minutes changed");
        }}
      >
        <label className="flex items-center gap-2">
          Hands-on
          <span className="input input-sm w-28">
            <input
              name="minutes"
              className="text-right"
              inputMode="numeric"
              aria-label="Hands-on minutes"
              defaultValue={planning.minutes[op.id] ?? ""}
              placeholder={String(op.handsOnMin)}
            />
            <span className="soft text-xs">min</span>
          </span>
        </label>
        <button type="submit" className="btn btn-sm" disabled={planner.busy}>
          Keep
        </button>
      </form>
      {op.round !== undefined && (
        <label className="flex items-center gap-2">
          Rounds of look, fill, sand, prime
          <select
            className="select select-sm w-20"
            value={planning.rounds[op.regionId] ?? ""}
            disabled={planner.busy}
            onChange={(e) =>
              void change(
                {
                  rounds: withEntry(
                    planning.rounds,
                    op.regionId,
                    e.target.value === "" ? null : Number(e.target.value),
                  ),
                },
                "Rounds changed",
              )
            }
          >
            <option value="">usual</option>
            {Array.from({ length: MOST_ROUNDS + 1 }, (_, n) => (
              <option key={n} value={n}>
                {n}
              </option>
            ))}
          </select>
        </label>
      )}
      {op.round !== undefined && (
        <label className="flex items-center gap-2">
          Filled with
          <select
            className="select select-sm w-52"
            value={planning.fills?.[op.regionId] ?? ""}
            disabled={planner.busy}
            onChange={(e) =>
              void change(
                { fills: withEntry(planning.fills ?? {}, op.regionId, e.target.value || null) },
                "Filler of the rounds changed",
              )
            }
          >
            <option value="">the putty of its stack</option>
            {Object.values(screen.products)
              .filter((p) => p.role === "putty")
              .map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
          </select>
        </label>
      )}
      {op.round !== undefined && (
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            const names = String(new FormData(e.currentTarget).get("places"))
              .split(",")
              .map((n) => n.trim())
              .filter((n) => n !== "");
            void change(
              { fillPlaces: withEntry(planning.fillPlaces ?? {}, op.regionId, names.length > 0 ? names : null) },
              "Where the rounds are filled changed",
            );
          }}
        >
          <label className="flex items-center gap-2">
            Filled at
            <input
              name="places"
              className="input input-sm w-52"
              aria-label="Places the rounds are filled at, with commas between"
              defaultValue={(planning.fillPlaces?.[op.regionId] ?? []).join(", ")}
              placeholder="wherever a look finds something"
            />
          </label>
          <button type="submit" className="btn btn-sm" disabled={planner.busy}>
            Keep the places
          </button>
        </form>
      )}
      <Together op={op} screen={screen} planner={planner} change={change} words={words} />
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}

/** Another start, tried at once: what it would move is told before anything is kept. */
function StartAt({
  op,
  screen,
  desk,
  words,
  pin,
  busy,
}: Pick<ChangeProps, "op" | "screen" | "desk" | "words"> & {
  pin: (at: string | null) => Promise<void>;
  busy: boolean;
}) {
  const { timeZone } = screen;
  const [planned] = useState(() => wallClock(op.startMin, timeZone).split(" ") as [string, string]);
  const [date, setDate] = useState(planned[0]);
  const [clockAt, setClockAt] = useState(planned[1]);
  const { ask, trial } = desk;
  const atMin = minOfWallClock(`${date} ${clockAt}`, timeZone);
  useEffect(() => {
    if (atMin !== null && atMin !== op.startMin) ask({ kind: "move", opId: op.id, startMin: atMin });
  }, [ask, atMin, op.id, op.startMin]);
  const own = trial?.opId === op.id && atMin !== null && trial.startMin === atMin ? trial : null;
  const isFits = own?.answer?.outcome === "fits";
  return (
    <div className="grid gap-1">
      <div className="flex flex-wrap items-center gap-2">
        <span className="flex items-center gap-2">
          Start
          <DateInput label="Start on" value={date} onChange={setDate} today={screen.today} />
          <ClockInput label="Start at" value={clockAt} onChange={setClockAt} />
        </span>
        <button
          type="button"
          className="btn btn-sm"
          disabled={busy || atMin === null || (atMin !== op.startMin && !isFits)}
          onClick={() => void pin(new Date((atMin ?? op.startMin) * MS_PER_MIN).toISOString())}
        >
          <Pin className="size-4" aria-hidden />
          {atMin === op.startMin ? "Pin it here" : "Move and pin"}
        </button>
      </div>
      {own && (
        <p role="status" className={isFits ? "" : "font-semibold text-error"}>
          {trialText(own, screen, words)}
        </p>
      )}
    </div>
  );
}

/** Coats of the same product that could be laid in the same go. */
function Together({
  op,
  screen,
  planner,
  change,
  words,
}: Pick<ChangeProps, "op" | "screen" | "planner" | "words"> & {
  change: (edit: Parameters<Planner["change"]>[0], what: string) => Promise<void>;
}) {
  const { planning } = planner;
  const { plan } = screen;
  if (op.kind !== "coat" || plan?.answer.outcome !== "planned") return null;
  const own = planning.batches.find((b) => b.includes(op.id));
  const others = plan.answer.ops.filter(
    (o) =>
      o.kind === "coat" &&
      o.state === "planned" &&
      o.productId === op.productId &&
      o.regionId !== op.regionId &&
      !own?.includes(o.id),
  );
  const without = planning.batches.map((b) => b.filter((id) => id !== op.id)).filter((b) => b.length > 1);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {others.length > 0 && (
        <select
          className="select select-sm w-60"
          aria-label="Lay together with"
          value=""
          disabled={planner.busy}
          onChange={(e) => {
            const added = e.target.value;
            const rest = planning.batches.map((b) =>
              b.filter((id) => id !== op.id && id !== added && !own?.includes(id)),
            );
            void change(
              { batches: [...rest.filter((b) => b.length > 1), [...(own ?? [op.id]), added]] },
              "Laid together",
            );
          }}
        >
          <option value="">Lay together with…</option>
          {others.map((o) => (
            <option key={o.id} value={o.id}>
              {words(o.id)}
            </option>
          ))}
        </select>
      )}
      {own && (
        <button
          type="button"
          className="btn btn-sm"
          disabled={planner.busy}
          onClick={() => void change({ batches: without }, "Laid by itself")}
        >
          Lay it by itself
        </button>
      )}
    </div>
  );
}
