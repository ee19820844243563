import type { PlanScreen } from "@/contracts";
import type { PlanAnswer } from "@/core/plan";
import { day, dayClock, duration, relativeDay, volumeText } from "@/format";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const SHOWN = 8;

/** What lies at another time than in the plan before. */
export function Moved({
  answer,
  screen,
  words,
}: {
  answer: Planned;
  screen: PlanScreen;
  words: (opId: string) => string;
}) {
  const { timeZone, nowMin } = screen;
  if (answer.moved.length === 0 && answer.afreshDoneMin === null) return null;
  const line = (m: Planned["moved"][number]) =>
    `${words(m.opId)}: ${dayClock(m.fromMin, timeZone)} → ${dayClock(m.toMin, timeZone)} (${duration(Math.abs(m.toMin - m.fromMin))} ${m.toMin > m.fromMin ? "later" : "sooner"})`;
  return (
    <section aria-label="What moved" className="rounded-box bg-base-200 p-3 text-sm" data-testid="moved-list">
      {answer.afreshDoneMin !== null && (
        <p>
          Kept in place as far as it could be. Laid out afresh it would be done{" "}
          {relativeDay(answer.afreshDoneMin, nowMin, timeZone)}: press “Plan again” for that.
        </p>
      )}
      {answer.moved.length > 0 && (
        <details open={answer.moved.length <= SHOWN}>
          <summary className="cursor-pointer font-bold">
            {answer.moved.length} piece{answer.moved.length === 1 ? "" : "s"} of work moved against the plan before
          </summary>
          <ul className="mt-1 grid gap-x-6 md:grid-cols-2">
            {answer.moved.map((m) => (
              <li key={m.opId}>{line(m)}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** What the plan takes of each product, against what is in the can. */
export function Stock({ answer, screen }: { answer: Planned; screen: PlanScreen }) {
  const { timeZone, products, modelId } = screen;
  if (answer.stock.length === 0) return null;
  const short = answer.stock.filter((l) => l.shortMl > 0);
  const untold = answer.stock.filter((l) => l.leftMl === null).length;
  return (
    <details className="rounded-box bg-base-200 p-3" open={short.length > 0} data-testid="stock">
      <summary className="cursor-pointer font-bold">
        Stock over the whole plan, with 15 % in reserve (estimates):{" "}
        {short.length === 0
          ? untold === 0
            ? "nothing runs short"
            : `nothing known to run short; of ${untold} nobody said what is left`
          : `${short.length} product${short.length === 1 ? " runs" : "s run"} short`}
      </summary>
      <a className="link text-sm" href={`/api/v1/models/${modelId}/shopping.csv`} download>
        Shopping list as CSV
      </a>
      <div className="overflow-x-auto">
        <table className="table table-sm mt-1">
          <thead className="text-base-content">
            <tr>
              <th>Product</th>
              <th className="text-right">Needs</th>
              <th className="text-right">Left</th>
              <th className="text-right">Short</th>
              <th>Has to be there by</th>
            </tr>
          </thead>
          <tbody>
            {answer.stock.map((l) => (
              <tr key={l.productId}>
                <td>{products[l.productId]?.name}</td>
                <td className="text-right">
                  {l.partial && "over "}
                  {volumeText(l.needMl)}
                </td>
                <td className="text-right">{l.leftMl === null ? "not told" : volumeText(l.leftMl)}</td>
                <td className="text-right">
                  {l.shortMl > 0 ? (
                    <strong className="text-error">{volumeText(l.shortMl)}</strong>
                  ) : l.leftMl === null ? (
                    "not known"
                  ) : (
                    "–"
                  )}
                </td>
                <td>{dayClock(l.byMin, timeZone)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

/** Finished faces to be looked at again. */
export function FollowUps({ answer, screen }: { answer: Planned; screen: PlanScreen }) {
  if (answer.followUps.length === 0) return null;
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  const days = [...new Set(answer.followUps.map((f) => f.days))];
  return (
    <details className="rounded-box bg-base-200 p-3 text-sm">
      <summary className="cursor-pointer font-bold">
        Look at it again: {days.map((d) => `${d} days`).join(" and ")} after
      </summary>
      <ul className="mt-1 grid gap-x-6 md:grid-cols-2">
        {answer.followUps.map((f) => (
          <li key={`${f.regionId}${f.days}`}>
            {day(f.atMin, screen.timeZone)}: {nameOf(f.regionId)} (weeping, sinking, cracks, lifting edges)
          </li>
        ))}
      </ul>
    </details>
  );
}
