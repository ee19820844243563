import type { BenchScreen } from "@/contracts";
import { clock } from "@/format";
import { workText } from "@/messages";
import { mayMove } from "../plan/may-move";

/** The work of this session in the order the plan has it. */
export function Tonight({ screen }: { screen: BenchScreen }) {
  const { plan, session, timeZone } = screen;
  if (plan?.answer.outcome !== "planned" || !session) return null;
  const ops = plan.answer.ops.filter((o) => o.state !== "done" && o.startMin < session.endMin);
  if (ops.length === 0) return null;
  return (
    <section aria-label="This session in order">
      <h2 className="border-b-2 border-base-content/60 pb-1 text-xl font-bold">In this order</h2>
      <ol className="mt-2 gap-x-8 md:columns-2">
        {ops.map((o) => (
          <li key={o.id} className={`grid grid-cols-[4rem_1fr] gap-2 break-inside-avoid py-0.5 ${mayMove(o)}`}>
            <strong>{clock(o.startMin, timeZone)}</strong>
            <span>
              <span className="font-semibold">{screen.names[o.regionId]}</span>:{" "}
              {workText(o, (id) => screen.products[id]?.name)}
              {o.state === "in-hand" && <span className="soft"> (in hand)</span>}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
