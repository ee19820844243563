"use client";

import { Printer } from "lucide-react";
import type { PlanScreen } from "@/contracts";
import type { PlannedOp } from "@/core/plan";
import { clock, day, duration, unitShown } from "@/format";
import { workText } from "@/messages";
import { markText } from "../mishap/mark-text";
import { cautionsOf, eveningsOf } from "./evenings";
import { setUpText } from "./SessionList";
import { SmallMap } from "./SmallMap";

/** One A5 card an evening: large, black on white, a box to tick, room for what was seen. */
export function PrintCard({ screen, modelName }: { screen: PlanScreen; modelName: string }) {
  const answer = screen.plan?.answer;
  if (answer?.outcome !== "planned")
    return (
      <main className="p-6 text-lg">
        There is no timetable to print yet.{" "}
        <a className="link" href="/plan">
          Plan the model
        </a>{" "}
        first.
      </main>
    );
  const { timeZone } = screen;
  const evenings = eveningsOf(answer, screen.backdrop?.sessions ?? [], screen.products);
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  const titleOf = (op: PlannedOp) => workText(op, (id) => screen.products[id]?.name);
  return (
    <main className="p-4 print:p-0">
      <div className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="text-xl font-bold">Print card</h1>
        <button type="button" className="btn btn-primary" onClick={() => window.print()}>
          <Printer className="size-4" aria-hidden />
          Print
        </button>
        <a className="btn" href="/plan?view=evenings">
          Back to the plan
        </a>
        <p className="soft">One A5 card for each of {evenings.length} evenings.</p>
      </div>
      <div className="flex flex-wrap gap-4 print:block">
        {evenings.map((e) => (
          <article key={e.startMin} className="print-card">
            <header className="flex items-baseline justify-between border-b-2 border-black pb-1">
              <h2 className="text-2xl font-bold">
                {day(e.startMin, timeZone)} {clock(e.startMin, timeZone)}–{clock(e.endMin, timeZone)}
              </h2>
              <span>{modelName}</span>
            </header>
            <p className="mt-1">
              {e.carryIn.length > 0 && (
                <>
                  <strong>Carry in:</strong>{" "}
                  {e.carryIn.map((c) => `${nameOf(c.regionId)} by ${clock(c.byMin, timeZone)}`).join(", ")}.{" "}
                </>
              )}
              <strong>Lay ready:</strong> {e.packing.join(", ")}.
            </p>
            <ol className="mt-2 grid gap-1.5 text-lg leading-tight">
              {e.lines.map((l) =>
                l.kind === "work" ? (
                  <li key={l.op.id} className="grid grid-cols-[1.2rem_3.4rem_1fr_auto] items-start gap-x-2">
                    <span className="mt-0.5 inline-block size-4 border-2 border-black" aria-hidden />
                    <strong>{clock(l.op.startMin, timeZone)}</strong>
                    <span>
                      <strong>{nameOf(l.op.regionId)}</strong>: {titleOf(l.op)}
                      {screen.schemes[l.op.regionId] && (
                        <SmallMap fields={screen.schemes[l.op.regionId]!} op={l.op} ops={answer.ops} />
                      )}
                    </span>
                    <span className="whitespace-nowrap">{duration(l.op.handsOnMin)}</span>
                  </li>
                ) : (
                  <li key={`${l.kind}${l.tool}${l.atMin}`} className="pl-8 italic">
                    {setUpText(l)}
                  </li>
                ),
              )}
            </ol>
            {screen.toFill
              .filter((f) => e.ops.some((op) => op.regionId === f.regionId))
              .map((f) => (
                <p key={f.regionId} className="mt-1 text-base leading-tight">
                  <strong>{nameOf(f.regionId)}, to see to:</strong>{" "}
                  {f.marks.map((m) => (
                    <span key={m.id} className="mr-3 whitespace-nowrap">
                      <span className="mr-1 inline-block size-3 border-2 border-black" aria-hidden />
                      {markText(m)}
                    </span>
                  ))}
                </p>
              ))}
            <ul className="mt-2 grid gap-0.5 border-t border-black pt-1 text-xs">
              {cautionsOf(e.ops, screen.products).map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
            <p className="mt-2 border-t border-black pt-1">Air read: ______ {unitShown("°C")} ______ % RH. Seen:</p>
          </article>
        ))}
      </div>
    </main>
  );
}
