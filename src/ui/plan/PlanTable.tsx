"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef } from "react";
import type { PlanScreen } from "@/contracts";
import type { PlanAnswer, PlannedOp } from "@/core/plan";
import { clock, dayClock, duration } from "@/format";
import { MILESTONE_NAME } from "@/messages";
import { heldBy } from "./Chosen";
import { mayMove } from "./may-move";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const ROW_PX = 44;

/** The timetable as a table, in the order of the work: the same answers without the drawing. Only the rows in sight are there. */
export function PlanTable({
  answer,
  screen,
  titleOf,
  chosen,
  choose,
}: {
  answer: Planned;
  screen: PlanScreen;
  titleOf: (op: PlannedOp) => string;
  chosen: string | null;
  choose: (opId: string) => void;
}) {
  const { timeZone } = screen;
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  const spine = new Set(answer.spine);
  const ops = answer.ops.filter((o) => o.state !== "done");
  const box = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: ops.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 10,
    initialRect: { width: 1200, height: 600 },
  });
  const items = rows.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = rows.getTotalSize() - (items.at(-1)?.end ?? 0);
  return (
    <section
      ref={box}
      className="max-h-[66vh] overflow-auto rounded-box border border-base-300"
      aria-label="Timetable as a table"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
    >
      <table className="table table-sm" aria-rowcount={ops.length + 1}>
        <thead className="sticky top-0 z-10 bg-base-200 text-base-content">
          <tr>
            <th>Start</th>
            <th>End</th>
            <th>Part</th>
            <th>Work</th>
            <th>Waits for</th>
            <th>Latest safe start</th>
            <th>Slack</th>
            <th>Why then</th>
          </tr>
        </thead>
        <tbody>
          {above > 0 && (
            <tr aria-hidden style={{ height: above }}>
              <td colSpan={8} />
            </tr>
          )}
          {items.map((item) => {
            const o = ops[item.index]!;
            return (
              <tr
                key={o.id}
                data-index={item.index}
                aria-rowindex={item.index + 2}
                ref={rows.measureElement}
                className={`${chosen === o.id ? "bg-base-200" : ""} ${mayMove(o)}`}
              >
                <td className="whitespace-nowrap">{dayClock(o.startMin, timeZone)}</td>
                <td>{clock(o.endMin, timeZone)}</td>
                <td className="font-semibold">{nameOf(o.regionId)}</td>
                <td>
                  <button type="button" className="link text-left" onClick={() => choose(o.id)}>
                    {titleOf(o)}
                  </button>
                  {o.locked && <span className="badge badge-sm ml-1">pinned</span>}
                  {o.state === "in-hand" && <span className="badge badge-sm ml-1">in hand</span>}
                </td>
                <td>
                  {o.wait ? `${MILESTONE_NAME[o.wait.milestone]}, ${dayClock(o.wait.likelyMin, timeZone)}` : "nothing"}
                </td>
                <td className="whitespace-nowrap">{o.latestMin === null ? "" : dayClock(o.latestMin, timeZone)}</td>
                <td className="whitespace-nowrap">
                  {spine.has(o.id) ? "holds the finish" : o.slackMin < 1 ? "none" : duration(o.slackMin)}
                </td>
                <td className="text-sm">{o.state === "planned" ? heldBy(o) : ""}</td>
              </tr>
            );
          })}
          {below > 0 && (
            <tr aria-hidden style={{ height: below }}>
              <td colSpan={8} />
            </tr>
          )}
        </tbody>
      </table>
    </section>
  );
}
