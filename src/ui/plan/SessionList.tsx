import type { PlanScreen } from "@/contracts";
import type { PlanAnswer, PlannedOp } from "@/core/plan";
import { clock, day, duration } from "@/format";
import { cautionsOf, type Evening, type EveningLine, eveningsOf } from "./evenings";
import { mayMove } from "./may-move";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;

interface ListProps {
  readonly screen: PlanScreen;
  readonly titleOf: (op: PlannedOp) => string;
  readonly choose: (opId: string) => void;
}

/** Every evening with what to carry in and lay ready, the work in its order, and the loadings and cleanings between. */
export function SessionList({ answer, ...rest }: ListProps & { answer: Planned }) {
  const { screen } = rest;
  const evenings = eveningsOf(answer, screen.backdrop?.sessions ?? [], screen.products);
  const idle = (screen.backdrop?.sessions ?? []).filter(
    (s) =>
      s.startMin > screen.nowMin && s.startMin < answer.doneMin && !evenings.some((e) => e.startMin === s.startMin),
  );
  return (
    <section aria-label="Bench sessions" className="grid gap-3">
      {idle.length > 0 && (
        <p className="soft text-sm">
          Nothing to do on {idle.map((s) => day(s.startMin, screen.timeZone)).join(", ")}: films are drying, or nothing
          fits.
        </p>
      )}
      <div className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
        {evenings.map((e) => (
          <Card key={e.startMin} evening={e} {...rest} />
        ))}
      </div>
    </section>
  );
}

function Card({ evening: e, screen, titleOf, choose }: ListProps & { evening: Evening }) {
  const { timeZone } = screen;
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  return (
    <article className="rounded-box border border-base-300 p-3">
      <h2 className="font-bold">
        {day(e.startMin, timeZone)}, {clock(e.startMin, timeZone)}–{clock(e.endMin, timeZone)}
      </h2>
      <p className="soft text-sm">
        {e.ops.length} piece{e.ops.length === 1 ? "" : "s"} of work,{" "}
        {duration(e.ops.reduce((sum, o) => sum + o.handsOnMin, 0))} hands-on
        {e.cleanings > 0 && `, ${e.cleanings} cleaning${e.cleanings === 1 ? "" : "s"}`}
      </p>
      {e.carryIn.length > 0 && (
        <p className="mt-1 text-sm">
          <strong>Carry in</strong>{" "}
          {e.carryIn.map((c) => `${nameOf(c.regionId)} by ${clock(c.byMin, timeZone)}`).join(", ")}{" "}
          <span className="soft">(est.: as warm as the room when coated)</span>
        </p>
      )}
      <p className="mt-1 text-sm">
        <strong>Lay ready</strong> {e.packing.join(", ")}
      </p>
      <ol className="mt-2 grid gap-1">
        {e.lines.map((l) => (
          <Line
            key={l.kind === "work" ? l.op.id : `${l.kind}${l.atMin}`}
            line={l}
            {...{ timeZone, nameOf, titleOf, choose }}
          />
        ))}
      </ol>
      <ul className="mt-2 grid gap-1 border-t border-base-300 pt-2 text-sm">
        {cautionsOf(e.ops, screen.products).map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </article>
  );
}

/** What a tool needs, in words. */
export const setUpText = (l: Exclude<EveningLine, { kind: "work" }>): string =>
  l.kind === "clean"
    ? `Clean the ${l.tool} (${l.minutes} min) and load ${l.next}`
    : `Load the ${l.tool} with ${l.next}`;

function Line({
  line,
  timeZone,
  nameOf,
  titleOf,
  choose,
}: Omit<ListProps, "screen"> & { line: EveningLine; timeZone: string; nameOf: (id: string) => string }) {
  if (line.kind !== "work")
    return (
      <li className="grid grid-cols-[3.2rem_1fr] gap-x-2 px-1 text-sm italic">
        <span>{clock(line.atMin, timeZone)}</span>
        <span>{setUpText(line)}</span>
      </li>
    );
  const { op } = line;
  return (
    <li>
      <button
        type="button"
        className={`grid w-full grid-cols-[3.2rem_1fr] gap-x-2 rounded-field px-1 py-0.5 text-left hover:bg-base-200 ${mayMove(op)}`}
        onClick={() => choose(op.id)}
      >
        <strong>{clock(op.startMin, timeZone)}</strong>
        <span>
          <span className="font-semibold">{nameOf(op.regionId)}</span>: {titleOf(op)}
        </span>
      </button>
    </li>
  );
}
