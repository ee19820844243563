import type { PlanScreen } from "@/contracts";
import type { PlanAnswer, PlannedOp } from "@/core/plan";
import { clock, day, duration } from "../format";
import { SANDING_SAFETY, safetyLine } from "../messages";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;

interface Evening {
  readonly startMin: number;
  readonly endMin: number;
  readonly ops: readonly PlannedOp[];
}

/** The work still to do, by bench session. */
export function eveningsOf(
  answer: Planned,
  sessions: readonly { startMin: number; endMin: number }[],
): readonly Evening[] {
  const open = answer.ops.filter((o) => o.state !== "done");
  return sessions
    .map((s) => ({ ...s, ops: open.filter((o) => o.startMin >= s.startMin && o.startMin < s.endMin) }))
    .filter((s) => s.ops.length > 0);
}

/** Cautions of one session, each said once. */
export function cautionsOf(ops: readonly PlannedOp[], products: PlanScreen["products"]): readonly string[] {
  const lines = ops.flatMap((o) => {
    if (o.kind === "sand" || o.step === "key" || o.step === "scuff") return [`Rubbing down: ${SANDING_SAFETY}`];
    const p = o.productId === null ? undefined : products[o.productId];
    return p ? [`${p.name}: ${safetyLine(p)}`] : [];
  });
  return [...new Set(lines)];
}

export function SessionList({
  answer,
  screen,
  titleOf,
  choose,
}: {
  answer: Planned;
  screen: PlanScreen;
  titleOf: (op: PlannedOp) => string;
  choose: (opId: string) => void;
}) {
  const evenings = eveningsOf(answer, screen.backdrop?.sessions ?? []);
  const nameOf = (id: string) => screen.regions.find((r) => r.id === id)?.name ?? "";
  return (
    <section aria-label="Bench sessions" className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
      {evenings.map((e) => (
        <article key={e.startMin} className="rounded-box border border-base-300 p-3">
          <h2 className="font-bold">
            {day(e.startMin, screen.timeZone)}, {clock(e.startMin, screen.timeZone)}–{clock(e.endMin, screen.timeZone)}
          </h2>
          <p className="soft text-sm">
            {e.ops.length} piece{e.ops.length === 1 ? "" : "s"} of work,{" "}
            {duration(e.ops.reduce((sum, o) => sum + o.handsOnMin, 0))} hands-on
          </p>
          <ol className="mt-2 grid gap-1">
            {e.ops.map((o) => (
              <li key={o.id}>
                <button
                  type="button"
                  className="grid w-full grid-cols-[3.2rem_1fr] gap-x-2 rounded-field px-1 py-0.5 text-left hover:bg-base-200"
                  onClick={() => choose(o.id)}
                >
                  <strong>{clock(o.startMin, screen.timeZone)}</strong>
                  <span>
                    <span className="font-semibold">{nameOf(o.regionId)}</span>: {titleOf(o)}
                  </span>
                </button>
              </li>
            ))}
          </ol>
          <ul className="mt-2 grid gap-1 border-t border-base-300 pt-2 text-sm">
            {cautionsOf(e.ops, screen.products).map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </article>
      ))}
    </section>
  );
}
