"use client";

import Link from "next/link";
import { saveShopAction } from "@/actions/settings";
import type { Shop } from "@/contracts";
import { clockShown, tempText } from "@/format";
import { useAct } from "../hooks/useAct";

const DAY = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Sessions alike said together: "Mon, Tue, Thu 19:00–21:30; Sat 10:00–16:00". */
function sessionsText({ pattern }: Pick<Shop, "pattern">): string {
  const spans = new Map<string, string[]>();
  for (const { weekday, from, to } of pattern) {
    const span = `${clockShown(from)}–${clockShown(to)}`;
    spans.set(span, [...(spans.get(span) ?? []), DAY[weekday - 1]!]);
  }
  return [...spans].map(([span, days]) => `${days.join(", ")} ${span}`).join("; ");
}

/** A plan hangs on when one is at the bench and how warm it is there: asked once, until either was told or found right. */
export function AskOnce({ shop, rev }: { shop: Shop; rev: number }) {
  const { act, busy } = useAct();
  if (rev > 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 rounded-box border-2 border-info p-3" data-ask="shed">
      <p className="min-w-60 flex-1">
        Nobody has told yet when you are at the bench and how warm the shed is. It is planned with{" "}
        <strong>{sessionsText(shop)}</strong>, and air of about <strong>{tempText(shop.air.meanC)}</strong>.
      </p>
      <Link className="btn btn-sm" href={`/settings?back=${encodeURIComponent("/plan")}#sessions`}>
        Tell it
      </Link>
      <button
        type="button"
        className="btn btn-sm"
        disabled={busy}
        onClick={() => void act(() => saveShopAction(rev, { air: {} }))}
      >
        It is right so
      </button>
    </div>
  );
}
