"use client";

import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import type { Problem, Shop } from "@/contracts";
import { clockShown, dateShown, showing } from "@/format";
import { ClockInput } from "../components/ClockInput";
import { DateInput } from "../components/DateInput";
import { offerUndo } from "../hooks/useAct";
import type { SaveField } from "../hooks/useRow";

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** Days of the week from the reader's first on; 1 = Monday. */
function weekdays(): readonly { name: string; weekday: number }[] {
  const week = WEEKDAYS.map((name, i) => ({ name, weekday: i + 1 }));
  return showing().week === "mon" ? week : [week.at(-1)!, ...week.slice(0, -1)];
}

interface SpanTimes {
  readonly from: string;
  readonly to: string;
}

/** Problem of a group, told in words beside it. */
const told = (problem: Problem | null): string | null => {
  if (!problem) return null;
  return problem.fields[0]?.message ?? problem.detail;
};

/** When the person is at the bench: a week that repeats, and the days that differ. */
export function Sessions({ shop, save, today }: { shop: Shop; save: SaveField; today: string }) {
  return (
    <section id="sessions" aria-labelledby="sessions-title" className="grid gap-3">
      <h2 id="sessions-title" className="border-b border-base-300 text-lg font-bold">
        Bench sessions
      </h2>
      <div className="grid gap-1">
        {weekdays().map(({ name, weekday }) => (
          <Weekday key={name} name={name} weekday={weekday} shop={shop} save={save} />
        ))}
      </div>
      <Exceptions shop={shop} save={save} today={today} />
    </section>
  );
}

function Weekday({ name, weekday, shop, save }: { name: string; weekday: number; shop: Shop; save: SaveField }) {
  const [fault, setFault] = useState<string | null>(null);
  const own = shop.pattern.filter((p) => p.weekday === weekday);
  const others = shop.pattern.filter((p) => p.weekday !== weekday);
  const put = async (spans: readonly SpanTimes[]) => {
    const day = spans.map((s) => ({ weekday, from: s.from, to: s.to }));
    const pattern = [...others, ...day].sort((a, b) => a.weekday - b.weekday || (a.from < b.from ? -1 : 1));
    setFault(told(await save({ pattern })));
  };
  const takeOut = async (k: number) => {
    await put(own.filter((_, n) => n !== k));
    offerUndo(`${name} ${clockShown(own[k]!.from)} taken out`, () => void put(own));
  };
  return (
    <div className="flex min-h-10 flex-wrap items-center gap-x-4 gap-y-1">
      <span className="w-28 font-semibold">{name}</span>
      {own.map((s, k) => (
        <Span
          key={`${s.from}${s.to}`}
          of={name}
          span={s}
          change={(next) => put(own.map((x, n) => (n === k ? next : x)))}
          remove={() => takeOut(k)}
        />
      ))}
      {own.length === 0 && <span className="soft">not at the bench</span>}
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() =>
          void put([...own, { from: own.length > 0 ? "14:00" : "19:00", to: own.length > 0 ? "17:00" : "21:30" }])
        }
      >
        <Plus className="size-4" aria-hidden />
        session<span className="sr-only"> on {name}</span>
      </button>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {name}: {fault}
        </p>
      )}
    </div>
  );
}

function Span({
  of,
  span,
  change,
  remove,
}: {
  of: string;
  span: SpanTimes;
  change: (s: SpanTimes) => Promise<void>;
  remove: () => Promise<void>;
}) {
  const [draft, setDraft] = useState(span);
  const commit = (next: SpanTimes) => {
    if (next.from !== span.from || next.to !== span.to) void change(next);
  };
  return (
    <span className="flex items-center gap-1">
      <ClockInput
        label={`${of} from`}
        value={draft.from}
        onChange={(from) => setDraft((d) => ({ ...d, from }))}
        onBlur={(from) => commit({ ...draft, from })}
      />
      –
      <ClockInput
        label={`${of} to`}
        value={draft.to}
        onChange={(to) => setDraft((d) => ({ ...d, to }))}
        onBlur={(to) => commit({ ...draft, to })}
      />
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label={`Take out ${of} ${clockShown(span.from)}`}
        onClick={() => void remove()}
      >
        <Trash2 className="size-4" aria-hidden />
      </button>
    </span>
  );
}

function Exceptions({ shop, save, today }: { shop: Shop; save: SaveField; today: string }) {
  const [date, setDate] = useState(today);
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [fault, setFault] = useState<string | null>(null);
  const add = async () => {
    const spans = from === "" && to === "" ? [] : [{ from, to }];
    const kept = shop.exceptions.filter((x) => x.date !== date);
    setFault(told(await save({ exceptions: [...kept, { date, spans }].sort((a, b) => (a.date < b.date ? -1 : 1)) })));
  };
  return (
    <div className="grid gap-2 rounded-box bg-base-200 p-3">
      <h3 className="font-bold">Days that differ</h3>
      {shop.exceptions.map((x) => (
        <p key={x.date} className="flex items-center gap-3">
          <strong>{dateShown(x.date)}</strong>{" "}
          {x.spans.length === 0
            ? "not at the bench"
            : x.spans.map((s) => `${clockShown(s.from)}–${clockShown(s.to)}`).join(", ")}
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={`Take out ${dateShown(x.date)}`}
            onClick={() => void save({ exceptions: shop.exceptions.filter((y) => y.date !== x.date) })}
          >
            <Trash2 className="size-4" aria-hidden />
          </button>
        </p>
      ))}
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <div className="grid gap-0.5 text-sm">
          <label htmlFor="day-date">Date</label>
          <DateInput id="day-date" value={date} onChange={setDate} today={today} />
        </div>
        <div className="grid gap-0.5 text-sm">
          <label htmlFor="day-from">From</label>
          <ClockInput id="day-from" value={from} onChange={setFrom} />
        </div>
        <div className="grid gap-0.5 text-sm">
          <label htmlFor="day-to">To</label>
          <ClockInput id="day-to" value={to} onChange={setTo} />
        </div>
        <button type="submit" className="btn btn-sm">
          Set this day
        </button>
        <span className="soft text-sm">no times: not at the bench that day</span>
      </form>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {dateShown(date)}: {fault}
        </p>
      )}
    </div>
  );
}
