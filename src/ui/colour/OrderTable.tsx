"use client";

import { ArrowDown, ArrowUp } from "lucide-react";
import type { ColourScreen, OrderView } from "@/contracts";
import type { Scheme } from "@/core/model";
import { duration, volumeText } from "@/format";
import { unpaintedText, whyBeforeText } from "@/messages";

type Chosen = NonNullable<ColourScreen["chosen"]>;

const signed = (n: number, one: string, many: string): string =>
  `${n > 0 ? "+" : "−"}${Math.abs(n)} ${Math.abs(n) === 1 ? one : many}`;

/** What the user's order takes against the best. */
function difference(wanted: OrderView, best: OrderView): string {
  const parts = [
    ...(wanted.coats === best.coats ? [] : [signed(wanted.coats - best.coats, "coat", "coats")]),
    ...(wanted.masks === best.masks ? [] : [signed(wanted.masks - best.masks, "mask", "masks")]),
    ...(Math.abs(wanted.handsMin - best.handsMin) < 1
      ? []
      : [
          `${wanted.handsMin > best.handsMin ? "+" : "−"}${duration(Math.abs(wanted.handsMin - best.handsMin))} of work`,
        ]),
    ...(Math.abs(wanted.waitMin - best.waitMin) < 1
      ? []
      : [
          `${wanted.waitMin > best.waitMin ? "+" : "−"}${duration(Math.abs(wanted.waitMin - best.waitMin))} of waiting`,
        ]),
  ];
  return parts.length === 0 ? "It takes no more than the best." : `Against the best: ${parts.join(", ")}.`;
}

/** Fields stuck on or printed in place of painted, each with what that saves. */
function NotPainted({ chosen: { unpainted }, nameOf }: { chosen: Chosen; nameOf: (id: string) => string }) {
  if (unpainted === null)
    return <p className="soft text-sm">Too many colours to reckon what leaving one unpainted would save.</p>;
  if (unpainted.length === 0) return null;
  return (
    <details className="text-sm" data-testid="unpainted">
      <summary className="cursor-pointer">Not painting a field: a decal, cut film, or printed in its colour</summary>
      <ul className="mt-1 grid gap-1 pl-4">
        {unpainted.map((u) => (
          <li key={u.field}>
            <strong>{u.field}</strong> {unpaintedText(u)}
            {u.onto !== null && <span className="soft">, with {nameOf(u.onto)} under it</span>}.
          </li>
        ))}
      </ul>
      <p className="soft mt-1">
        Best order against best order, its own minutes as a marking not in it. Then leave its colour out here and add it
        below as a decal or film.
      </p>
    </details>
  );
}

/** The order of the colours: why each comes where it does, what is covered before it, coats, paint and minutes. */
export function OrderTable({
  screen,
  chosen,
  order,
  change,
  step,
  setStep,
}: {
  screen: ColourScreen;
  chosen: Chosen;
  order: OrderView;
  change: (scheme: Scheme) => Promise<boolean>;
  step: number;
  setStep: (step: number) => void;
}) {
  const nameOf = (id: string) => screen.colours.find((c) => c.id === id)?.name ?? id;
  // what has no colour of its own goes by the empty id
  const fieldsOf = (id: string) =>
    chosen.scheme.fields
      .filter((f) => (f.productId ?? "") === id)
      .map((f) => f.name)
      .join(", ") || "the rest";
  const move = (n: number, by: number) => {
    const ids = order.ids.toSpliced(n, 1).toSpliced(n + by, 0, order.ids[n]!);
    setStep(n + by);
    void change({ ...chosen.scheme, order: ids });
  };
  const { best, wanted } = chosen;
  return (
    <section aria-label="Order of the colours" className="grid gap-2">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h3 className="font-bold">{wanted ? "Your order" : "The order"}</h3>
        <span className="soft text-sm">
          {wanted
            ? best && difference(wanted, best)
            : order.exact
              ? "No order takes less (est.)."
              : "More than twelve colours: the best that was found, not proved."}
        </span>
      </div>
      <ol className="grid gap-1">
        {order.steps.map((s, n) => (
          <li
            key={s.id}
            className={`grid grid-cols-[1.5rem_minmax(0,1fr)_auto] gap-x-2 rounded-box px-2 py-1.5 ${n === step ? "bg-base-200" : ""}`}
            data-step={s.id}
          >
            <span className="font-bold">{n + 1}</span>
            <div className="min-w-0">
              <p>
                <span
                  aria-hidden
                  className="mr-2 inline-block size-4 rounded border border-base-content/40 align-middle"
                  style={{ background: screen.colours.find((c) => c.id === s.id)?.colour }}
                />
                <strong>{nameOf(s.id)}</strong> on {fieldsOf(s.id)}
              </p>
              <p className="text-sm">
                {s.coats} coat{s.coats === 1 ? "" : "s"}, {volumeText(order.ml[s.id] ?? 0)}, {duration(s.handsMin)} of
                work
                {s.covers.length > 0 && (
                  <>
                    ; first cover {s.covers.map(fieldsOf).join(", ")} ({duration(s.maskMin)}
                    {s.waitMin > 0 && `, tape holds ${duration(s.waitMin)} after its last coat`})
                  </>
                )}
                {s.covered.length > 0 && <>; still covered: {s.covered.map(fieldsOf).join(", ")}</>}
              </p>
              {order.whys[n] && (
                <p className="soft text-sm">{whyBeforeText(order.whys[n], nameOf(order.ids[n + 1]!))}</p>
              )}
            </div>
            <span className="flex items-start">
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`${nameOf(s.id)} earlier`}
                disabled={n === 0}
                onClick={() => move(n, -1)}
              >
                <ArrowUp className="size-4" aria-hidden />
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`${nameOf(s.id)} later`}
                disabled={n === order.steps.length - 1}
                onClick={() => move(n, 1)}
              >
                <ArrowDown className="size-4" aria-hidden />
              </button>
            </span>
          </li>
        ))}
      </ol>
      <p className="soft text-sm" data-testid="order-sum">
        Altogether {order.coats} coats, {order.masks} mask{order.masks === 1 ? "" : "s"}, {duration(order.handsMin)} of
        work
        {order.waitMin > 0 && `, ${duration(order.waitMin)} until tape may lie`}. Waits by the labels, minutes est.
      </p>
      <NotPainted chosen={chosen} nameOf={nameOf} />
      {wanted && (
        <button
          type="button"
          className="btn btn-sm justify-self-start"
          onClick={() => void change({ ...chosen.scheme, order: null })}
        >
          The best order again
        </button>
      )}
    </section>
  );
}
