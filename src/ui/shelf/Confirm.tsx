"use client";

import type { Confirmable, JarId } from "@/core/model";
import { jarRow } from "@/core/reference";
import { CARRIER_NAME } from "@/messages";

/** What is asked of the label in hand, and where on it the answer stands. */
const ASKS: Readonly<Record<Confirmable, { readonly says: (jar: JarId) => string; readonly look: string }>> = {
  carriers: {
    says: (jar) => {
      const { carriers } = jarRow(jar).facts;
      const list = carriers === "unknown" ? [] : carriers;
      return list.length === 0
        ? "Such jars dry without anything flying off."
        : `Such jars usually dry from ${list.map((c) => CARRIER_NAME[c].toLowerCase()).join(", ")}.${list.includes("ester") ? " Acetone or butanone beside them bites harder: tick it where yours names it." : ""}`;
    },
    look: "“contains…”, “thin and clean up with…”, on the back; section 3 of the safety data sheet",
  },
  hazards: {
    says: () => "Such jars usually hold isocyanate in the hardener.",
    look: "“contains isocyanates” beside the warning diamonds; section 2 and 3 of the safety data sheet",
  },
};

interface ConfirmProps {
  readonly jar: JarId;
  readonly ask: readonly Confirmable[];
  readonly confirmed: readonly Confirmable[];
  readonly set: (confirmed: readonly Confirmable[]) => void;
  readonly busy?: boolean;
}

/** One line for each fact a danger hangs on, with a drawing of where it stands: a kind of jar answers none of them. */
export function Confirm({ jar, ask, confirmed, set, busy }: ConfirmProps) {
  if (ask.length === 0) return null;
  return (
    <fieldset className="grid gap-2 rounded-box border border-warning p-3" data-testid="confirm">
      <legend className="px-1 text-sm font-bold">To be read off your own label</legend>
      {ask.map((c) => (
        <div key={c} className="grid grid-cols-[auto_1fr] items-start gap-3">
          <LabelBack at={c} />
          <div className="grid gap-1 text-sm">
            <p>{ASKS[c].says(jar)}</p>
            <p className="soft">Look for {ASKS[c].look}.</p>
            <label className="flex min-h-7 items-center gap-2 font-semibold">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                disabled={busy}
                checked={confirmed.includes(c)}
                onChange={(e) => set(e.target.checked ? [...confirmed, c] : confirmed.filter((other) => other !== c))}
              />
              {c === "carriers" ? "The card below says what my label says" : "My label says so too"}
            </label>
          </div>
        </div>
      ))}
      <p className="soft text-sm">
        Until then it counts as not known over foam, and the careful way with protection. The safety data sheet decides.
      </p>
    </fieldset>
  );
}

/** The back of a can as a sketch, the place of the answer marked. */
function LabelBack({ at }: { at: Confirmable }) {
  const mark = at === "carriers" ? { y: 50, h: 16 } : { y: 28, h: 18 };
  return (
    <svg viewBox="0 0 64 92" className="h-24 w-16" aria-hidden>
      <path d="M8 10q0-6 8-6h32q8 0 8 6v76q0 4-4 4H12q-4 0-4-4z" fill="none" stroke="currentColor" strokeWidth="2" />
      <path d="M14 14h36" stroke="currentColor" strokeWidth="3" />
      <path d="M14 20h28" stroke="currentColor" strokeOpacity="0.5" strokeWidth="2" />
      <rect
        x="11"
        y={mark.y}
        width="42"
        height={mark.h}
        rx="3"
        fill="var(--color-warning)"
        fillOpacity="0.35"
        stroke="var(--color-warning)"
      />
      <path d="M20 30l7 7-7 7-7-7zM38 30l7 7-7 7-7-7z" fill="none" stroke="var(--color-error)" strokeWidth="2" />
      <path
        d="M14 55h36M14 61h30M14 71h36M14 77h36M14 83h20"
        stroke="currentColor"
        strokeOpacity="0.6"
        strokeWidth="2"
      />
    </svg>
  );
}
