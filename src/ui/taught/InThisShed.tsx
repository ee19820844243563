"use client";

import type { TaughtView } from "@/contracts";
import { factorText, spanText, strangeText } from "@/messages";
import { LookRows } from "./LookRows";

const SHOWN = 8;

/** How one product's waits go in this shed, and every look that says so. */
export function InThisShed({ taught, productId }: { taught: TaughtView; productId: string }) {
  const own = taught.products[productId];
  const looks = taught.looks.filter((l) => l.canId === productId);
  if (taught.count === 0 && looks.length === 0) return null;
  return (
    <section aria-label="In this shed" className="grid gap-1">
      <h3 className="font-bold">In this shed</h3>
      {own && own.count > 0 ? (
        <p>
          Its waits take <strong>{factorText(own.median)}</strong>, from {own.count} look{own.count > 1 ? "s" : ""}{" "}
          (eight in ten that it lies between {spanText(own.p10, own.p90)}). Every wait it is planned with goes by that;
          its label stays as it is.
        </p>
      ) : (
        <p className="soft">
          Nobody has looked at it yet: it is reckoned as what was looked at here, {factorText(taught.shed.median)}.
        </p>
      )}
      {own?.strange && (
        <p role="note" className="border-l-4 border-warning pl-2">
          {strangeText(own.strange)}
        </p>
      )}
      {looks.length > 0 && <LookRows looks={looks.slice(0, SHOWN)} factor={own ?? null} timeZone={taught.timeZone} />}
      {looks.length > SHOWN && <p className="soft text-sm">and {looks.length - SHOWN} older ones</p>}
    </section>
  );
}
