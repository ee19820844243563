"use client";

import { Check } from "lucide-react";
import type { FoundView } from "@/contracts";
import type { Product } from "@/core/model";
import { filmText } from "@/format";
import { BEFORE_NAME, HEAVINESS_NAME, PREP_NAME, reasonText, TOTAL_NAME, totalText } from "@/messages";
import { VerdictMark } from "../../components/VerdictMark";
import { MiniSection } from "../../section/MiniSection";

type ProductOf = (id: string) => Product;

/** One layer as a line of work. */
function layerLine(found: FoundView, i: number, productOf: ProductOf): string {
  const l = found.stack.layers[i]!;
  const before = l.before.length > 0 ? `${l.before.map((b) => BEFORE_NAME[b].toLowerCase()).join(", ")}, then ` : "";
  const coats = `${l.coats} ${HEAVINESS_NAME[l.heaviness]} ${l.coats === 1 ? "coat" : "coats"}`;
  const sand = l.sandAfter ? `, then P${l.sandAfter.grit}${l.sandAfter.wet ? " wet" : ""}` : "";
  return `${before}${productOf(l.productId).name}: ${coats}${sand}, ${filmText(found.keptUm[i]!)} left`;
}

const AXES = ["day", "hour", "risk", "money", "gram", "detailPct", "hazard"] as const;

/** A found stack: its pile in miniature, the work, what it comes to, what to mind. */
export function FoundCard({
  found,
  headline,
  productOf,
  use,
}: {
  found: FoundView;
  headline: string;
  productOf: ProductOf;
  use: (() => void) | null;
}) {
  const { stack, totals } = found;
  const films = stack.layers.map((l, i) => ({
    layerId: l.id,
    colour: productOf(l.productId).colour,
    um: found.keptUm[i]!,
  }));
  const names = stack.layers.map((l) => productOf(l.productId).name).join(" → ");
  return (
    <li className="rounded-box border border-base-300 bg-base-100 p-3" data-found={names}>
      <div className="flex gap-3">
        <MiniSection films={films} laid={films.length} begun={false} />
        <div className="min-w-0 flex-1">
          <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
            <h3 className="min-w-0 flex-1 basis-72 font-bold">{names}</h3>
            <VerdictMark verdict={found.worst} />
            {use && (
              <button type="button" className="btn btn-primary btn-sm" onClick={use} aria-label={`Use ${names}`}>
                <Check className="size-4" aria-hidden />
                Use this
              </button>
            )}
          </div>
          <p className="text-secondary">{headline}</p>
          <dl className="mt-1 flex flex-wrap gap-x-4 text-sm">
            {AXES.filter((a) => totals[a] > 0.005).map((a) => (
              <div key={a} className="flex gap-1">
                <dt className="soft">{TOTAL_NAME[a]}:</dt>
                <dd className="font-semibold">{totalText(a, totals[a])}</dd>
              </div>
            ))}
          </dl>
          {found.toBuy.length > 0 && (
            <p className="text-sm font-semibold text-warning">
              To buy: {found.toBuy.map((id) => productOf(id).name).join(", ")}
            </p>
          )}
          <details className="mt-1 text-sm">
            <summary className="cursor-pointer">
              The work{found.verdicts.length > 0 && `, and ${found.verdicts.length} to mind`}
            </summary>
            <ol className="mt-1 list-decimal pl-5">
              {stack.prep.length > 0 && <li>{stack.prep.map((s) => PREP_NAME[s].toLowerCase()).join(", ")}</li>}
              {stack.layers.map((l, i) => (
                <li key={l.id}>{layerLine(found, i, productOf)}</li>
              ))}
            </ol>
            {found.verdicts.length > 0 && (
              <ul className="mt-1 grid gap-1">
                {found.verdicts.map((v) => (
                  <li key={v.key} className="flex items-start gap-2">
                    <VerdictMark verdict={v.verdict} />
                    {reasonText(v.code, v.missing)}
                  </li>
                ))}
              </ul>
            )}
          </details>
        </div>
      </div>
    </li>
  );
}
