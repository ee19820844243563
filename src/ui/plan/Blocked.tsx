import type { PlanScreen } from "@/contracts";
import type { PlanAnswer } from "@/core/plan";
import { dayClock, duration } from "@/format";
import { conflictText, freeingText, pieceText, reasonText, remedyText, tooLongText, workText } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";

const nameOf = (screen: PlanScreen, id: string): string => screen.regions.find((r) => r.id === id)?.name ?? "";

/** A plan over a stop is refused: every stop named, with the way out. */
export function Refused({
  answer,
  screen,
}: {
  answer: Extract<PlanAnswer, { outcome: "refused" }>;
  screen: PlanScreen;
}) {
  return (
    <section role="alert" className="rounded-box border-2 border-error p-4">
      <h2 className="text-lg font-bold">
        Not planned: {answer.stops.length === 1 ? "a stop stands" : `${answer.stops.length} stops stand`} in the way
      </h2>
      <ul className="mt-2 grid gap-3">
        {answer.stops.map(({ regionId, verdict }) => (
          <li key={regionId + verdict.key} className="grid gap-0.5">
            <span className="flex flex-wrap items-center gap-2">
              <VerdictMark verdict="stop" />
              <strong>{nameOf(screen, regionId)}</strong> {reasonText(verdict.code, verdict.missing)}
            </span>
            <span className="pl-8 text-sm">{verdict.remedy.map(remedyText).join(" · ")}</span>
            <span className="pl-8 text-sm">
              {verdict.kind === "safety" ? (
                <strong className="text-error">A safety stop: it cannot be overridden.</strong>
              ) : (
                <>
                  Mend it, or write down why it will hold, under{" "}
                  <a className="link" href={`/stacks?region=${regionId}`}>
                    its stack
                  </a>
                  .
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Parts kept out of a plan that the others have, by a stop or by work longer than any session: named, with the way out. */
export function Stopped({ notices, screen }: { notices: PlanAnswer["notices"]; screen: PlanScreen }) {
  const stopped = notices.flatMap((n) => (n.kind === "stopped" ? [n] : []));
  const long = notices.flatMap((n) => (n.kind === "too-long" ? [n] : []));
  if (stopped.length + long.length === 0) return null;
  return (
    <section role="alert" className="rounded-box border-2 border-error p-3">
      <h2 className="font-bold">Not planned; the rest is</h2>
      <ul className="mt-1 grid gap-1 text-sm">
        {stopped.map((n) => (
          <li key={`${n.regionId} ${n.code} ${n.layer}`} className="flex flex-wrap items-center gap-2">
            <VerdictMark verdict="stop" />
            <a className="link font-bold" href={`/stacks?region=${n.regionId}`}>
              {nameOf(screen, n.regionId)}
            </a>
            {reasonText(n.code, [])}
            {n.stop === "safety" ? (
              <strong className="text-error">A safety stop: it cannot be overridden.</strong>
            ) : (
              "Mend it, or write down why it will hold, under its stack."
            )}
          </li>
        ))}
        {long.map((n) => (
          <li key={n.regionId} className="flex flex-wrap items-center gap-x-2">
            <a className="link font-bold" href={`/stacks?region=${n.regionId}`}>
              {nameOf(screen, n.regionId)}
            </a>
            {tooLongText(n)} Lengthen a session under{" "}
            <a className="link" href="/settings#sessions">
              Bench sessions
            </a>
            , or split the part.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A plan that cannot fit names what is in the way and what would free it. */
export function Conflict({
  answer,
  screen,
}: {
  answer: Extract<PlanAnswer, { outcome: "conflict" }>;
  screen: PlanScreen;
}) {
  const words = (op: NonNullable<typeof answer.from>) =>
    `${nameOf(screen, op.regionId)}: ${workText(op, (id) => screen.products[id]?.name)}`;
  const text = conflictText(answer, words(answer.op), answer.from ? words(answer.from) : null);
  const byId = new Map([...answer.ops, answer.op].map((o) => [o.id, o]));
  const named = (id: string) => {
    const op = byId.get(id);
    return op ? words(op) : "another piece of work";
  };
  const names = {
    op: named,
    link: (id: string) => {
      const [from = "", to = ""] = id.split(">");
      return `from “${named(from)}” to “${named(to)}”`;
    },
    when: (atMin: number) => dayClock(atMin, screen.timeZone),
    span: duration,
  };
  return (
    <section role="alert" className="rounded-box border-2 border-warning p-4">
      <h2 className="text-lg font-bold">{text.title}</h2>
      <p className="mt-1">{text.way}</p>
      {answer.set.length > 0 && (
        <>
          <h3 className="mt-2 font-bold">What stands in the way together: none of it can be spared</h3>
          <ul className="list-disc pl-6">
            {answer.set.map((p) => (
              <li key={JSON.stringify(p)}>{pieceText(p, names)}</li>
            ))}
          </ul>
        </>
      )}
      <h3 className="mt-2 font-bold">
        {answer.frees.length > 0 ? "Tried, and any one of these frees it" : "What was tried did not free it"}
      </h3>
      <ul className="list-disc pl-6">
        {answer.frees.map((f) => (
          <li key={JSON.stringify(f)}>{freeingText(f, names)}</li>
        ))}
      </ul>
      <p className="mt-2 flex gap-3">
        <a className="link" href="/settings#sessions">
          Bench sessions
        </a>
        <a className="link" href="/settings#air">
          Air
        </a>
        <a className="link" href={`/stacks?region=${answer.op.regionId}`}>
          Its stack
        </a>
      </p>
    </section>
  );
}
