"use client";

import { Columns3, X } from "lucide-react";
import { useState } from "react";
import { takePlanAction } from "@/actions/plan";
import type { PlanScreen } from "@/contracts";
import type { ReplanWay, WayFound } from "@/core/plan";
import { minOfWallClock, relativeDay } from "@/format";
import { useAct } from "../hooks/useAct";
import { usePlanWorker } from "./usePlanWorker";

const SECONDS = 4;
const MS_PER_DAY = 86_400_000;

const WAY_NAME: Readonly<Record<ReplanWay, readonly [string, string]>> = {
  keep: ["Keep", "only what must moves"],
  mend: ["Mend", "tonight and tomorrow stay, later is improved"],
  afresh: ["Afresh", "everything laid out anew"],
};

/** The first moment after tomorrow, in the shed's own zone. */
function afterTomorrow({ today, timeZone, nowMin }: PlanScreen): number {
  const day = new Date(Date.parse(`${today}T00:00:00Z`) + 2 * MS_PER_DAY).toISOString().slice(0, 10);
  return minOfWallClock(`${day} 00:00`, timeZone) ?? nowMin;
}

/** What planning again comes to, three ways beside each other; one is taken for what it is. */
export function Ways({ screen, via }: { screen: PlanScreen; via: string }) {
  const { act, busy } = useAct();
  const { ask, end } = usePlanWorker();
  const [told, setTold] = useState<readonly WayFound[] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const close = () => {
    end();
    setTold(null);
    setFault(null);
  };
  const compare = async () => {
    close();
    setTold([]);
    await ask(
      { kind: "ways", freeFromMin: afterTomorrow(screen), seconds: SECONDS },
      {
        heard: (r) => r.kind === "way" && setTold((t) => [...(t ?? []), r.way]),
        broke: "The ways could not be compared; the plan is as it was.",
        fault: setFault,
      },
    );
  };
  const take = async (starts: Readonly<Record<string, number>>) => {
    const taken = await act(() => takePlanAction(via, starts, true), { quiet: true });
    if (taken.ok) close();
    else setFault(taken.problem.detail);
  };
  return (
    <>
      <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void compare()}>
        <Columns3 className="size-4" aria-hidden />
        Compare ways
      </button>
      {told && (
        <section
          aria-label="Three ways to plan again"
          className="order-last w-full rounded-box border border-base-300 bg-base-100 p-3"
          data-testid="ways"
        >
          <div className="flex items-center justify-between">
            <h2 className="font-bold">Three ways to plan again</h2>
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-label="Close the ways"
              onClick={close}
            >
              <X className="size-4" aria-hidden />
            </button>
          </div>
          <div className="overflow-x-auto">
            <table className="table table-sm">
              <thead>
                <tr>
                  <th>Way</th>
                  <th>Last work done</th>
                  <th className="text-right">Pieces moved</th>
                  <th className="text-right">Evenings changed</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {(Object.keys(WAY_NAME) as ReplanWay[]).map((way) => (
                  <Row
                    key={way}
                    way={way}
                    told={told.find((t) => t.way === way)}
                    {...{ screen, busy, take }}
                    failed={fault !== null}
                  />
                ))}
              </tbody>
            </table>
          </div>
          {fault && (
            <p role="alert" className="font-semibold text-error">
              {fault}
            </p>
          )}
        </section>
      )}
    </>
  );
}

function Row({
  way,
  told,
  screen,
  busy,
  failed,
  take,
}: {
  way: ReplanWay;
  told: WayFound | undefined;
  screen: PlanScreen;
  busy: boolean;
  failed: boolean;
  take: (starts: Readonly<Record<string, number>>) => Promise<void>;
}) {
  const [name, how] = WAY_NAME[way];
  const found = told?.found;
  return (
    <tr data-way={way}>
      <th scope="row">
        {name}
        <span className="soft block font-normal">{how}</span>
      </th>
      {found ? (
        <>
          <td>{relativeDay(found.doneMin, screen.nowMin, screen.timeZone)}</td>
          <td className="text-right">{found.moved}</td>
          <td className="text-right">{found.evenings}</td>
          <td className="text-right">
            <button
              type="button"
              className="btn btn-sm"
              disabled={busy}
              aria-label={`Take it: ${name}`}
              onClick={() => void take(found.starts)}
            >
              Take it
            </button>
          </td>
        </>
      ) : (
        <td colSpan={4} className="soft">
          {told ? "nothing can be laid out this way" : failed ? "not looked at" : "being looked for…"}
        </td>
      )}
    </tr>
  );
}
