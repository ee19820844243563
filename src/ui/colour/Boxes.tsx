"use client";

import type { ColourScreen, OrderView } from "@/contracts";

type Chosen = NonNullable<ColourScreen["chosen"]>;
type At = "open" | "laid" | "covered" | "now" | "below";

const SAID: Readonly<Record<At, string>> = {
  open: "open",
  laid: "laid",
  covered: "covered",
  now: "goes on now",
  below: "as below",
};
const PERCENT = 100;
const LEAST_SHOWN_PCT = 15;
/** Our own hatch for what lies under tape. */
const TAPE = "repeating-linear-gradient(135deg, rgb(0 0 0 / 0.38) 0 5px, rgb(255 255 255 / 0.5) 5px 10px)";

/** How a field stands while one colour of the order is laid. @param step index into the order */
function standing(productId: string | null, order: OrderView | null, step: number): At {
  const now = order?.steps[step];
  if (!order || !now) return productId === null ? "below" : "open";
  if (productId === null) return [...now.covered, ...now.covers].includes("") ? "covered" : "below";
  if (now.id === productId) return "now";
  if (order.ids.indexOf(productId) > step) return "open";
  return [...now.covered, ...now.covers].includes(productId) ? "covered" : "laid";
}

/** The face as labelled boxes to their share: what is laid, what is covered, what goes on, step by step. */
export function Boxes({
  screen,
  chosen,
  order,
  step,
  setStep,
}: {
  screen: ColourScreen;
  chosen: Chosen;
  order: OrderView | null;
  step: number;
  setStep: (step: number) => void;
}) {
  const { fields } = chosen.scheme;
  const rest = 1 - fields.reduce((sum, f) => sum + f.share, 0);
  const colourOf = (id: string | null) => screen.colours.find((c) => c.id === id);
  const ground = chosen.ground ?? "#9a9a95";
  const last = order ? order.steps.length - 1 : 0;
  const at = Math.min(step, last);
  const shown = [
    ...fields.map((f) => ({
      name: f.name,
      share: f.share,
      colour: colourOf(f.productId),
      at: standing(f.productId, order, at),
    })),
    ...(rest > 0.005 ? [{ name: "the rest", share: rest, colour: undefined, at: standing(null, order, at) }] : []),
  ];
  return (
    <section aria-label="The face" className="grid gap-2">
      <div className="flex h-40 w-full overflow-hidden rounded-box border border-base-content/40">
        {shown.map((f) => {
          const isOn = f.at === "now" || f.at === "laid" || f.at === "covered";
          return (
            <div
              key={f.name}
              className="grid min-w-0 grid-rows-[minmax(0,1fr)_auto] border-l border-base-content/50 first:border-l-0"
              style={{ flexGrow: Math.max(f.share * PERCENT, LEAST_SHOWN_PCT), flexBasis: 0 }}
              data-box={f.name}
              data-at={f.at}
            >
              <span
                className={f.at === "now" ? "outline-4 -outline-offset-4 outline-primary" : ""}
                style={{
                  backgroundColor: isOn ? (f.colour?.colour ?? ground) : ground,
                  ...(f.at === "covered" ? { backgroundImage: TAPE } : {}),
                }}
              />
              <span className="bg-base-100 px-1 py-0.5 text-center text-xs leading-tight">
                <b className="block break-words">{f.name}</b>
                {SAID[f.at]}
              </span>
            </div>
          );
        })}
      </div>
      {order && order.steps.length > 1 && (
        <label className="flex items-center gap-3 text-sm">
          <span className="w-44 truncate">
            {at + 1} of {order.steps.length}: {colourOf(order.steps[at]!.id)?.name}
          </span>
          <input
            type="range"
            className="range range-xs range-primary flex-1"
            aria-label="Step of the order"
            min={0}
            max={last}
            step={1}
            value={at}
            onChange={(e) => setStep(Number(e.target.value))}
          />
        </label>
      )}
    </section>
  );
}
