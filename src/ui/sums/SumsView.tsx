"use client";

import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { sumAction } from "@/actions/sums";
import type { SumsScreen } from "@/contracts";
import type { SumId } from "@/core/sums";
import { SUM_GROUPS, SUM_TEXT } from "@/messages";
import { ProductOptions } from "../components/ProductOptions";
import { FromPhoto } from "./FromPhoto";
import { SumForm } from "./SumForm";
import { SumResultView } from "./SumResultView";
import { TakeIt } from "./TakeIt";

interface Told {
  readonly productId: string | null;
  readonly regionId: string | null;
  readonly typed: Readonly<Record<string, unknown>>;
}

/** So long after the last key the sum is asked for. */
const REST_MS = 150;

/** What is typed stands in the address, so that a sum can be kept and sent. */
function addressOf(id: SumId, { productId, regionId, typed }: Told): string {
  const params = new URLSearchParams({ sum: id });
  if (productId) params.set("product", productId);
  if (regionId) params.set("region", regionId);
  for (const [name, value] of Object.entries(typed))
    params.set(name, Array.isArray(value) ? value.join(" ") : String(value ?? ""));
  return `/sums?${params}`;
}

/** Every sum of the trade: filled in from the shed, told in figures, with the formula and where it comes from. */
export function SumsView({ screen, told: first }: { screen: SumsScreen; told: Told }) {
  const [told, setTold] = useState(first);
  const [shown, setShown] = useState(screen);
  /** what the last answer was given to: until it is what is told now, nothing is taken over from what is shown */
  const [answered, setAnswered] = useState(first);
  const [isLost, setLost] = useState(false);
  const asked = useRef(0);
  const isFirst = useRef(true);
  const { id } = screen;
  useEffect(() => {
    if (isFirst.current) {
      isFirst.current = false;
      return;
    }
    asked.current += 1;
    const own = asked.current;
    const timer = setTimeout(async () => {
      window.history.replaceState(null, "", addressOf(id, told));
      try {
        const answer = await sumAction(id, { ...told, typed: { ...told.typed } });
        // what was asked before must not overtake what was asked last
        if (own !== asked.current) return;
        setLost(false);
        setAnswered(told);
        if (answer.ok) setShown(answer.value);
      } catch {
        if (own === asked.current) setLost(true);
      }
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [id, told]);
  const text = SUM_TEXT[id];
  const isWaiting = answered !== told;
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-4 p-4 lg:grid-cols-[200px_minmax(0,380px)_minmax(0,1fr)]">
      <nav aria-label="Sums" className="grid content-start gap-2 max-lg:hidden">
        <h1 className="text-xl font-bold">Sums</h1>
        {SUM_GROUPS.map(([name, ids]) => (
          <div key={name}>
            <h2 className="soft text-xs">{name}</h2>
            <ul>
              {ids.map((of) => (
                <li key={of}>
                  <Link
                    href={addressOf(of, { ...told, typed: {} })}
                    aria-current={of === id ? "page" : undefined}
                    className={`block border-l-4 px-2 text-sm leading-6 ${of === id ? "border-primary bg-base-200 font-bold" : "border-transparent hover:bg-base-200"}`}
                  >
                    {SUM_TEXT[of].title}
                  </Link>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </nav>
      <section aria-label={text.title} className="grid content-start gap-3">
        <label className="grid gap-1 lg:hidden">
          <span className="text-xl font-bold">Sums</span>
          <select
            className="select w-full"
            aria-label="Which sum"
            value={id}
            onChange={(e) => window.location.assign(addressOf(e.target.value as SumId, { ...told, typed: {} }))}
          >
            {SUM_GROUPS.map(([name, ids]) => (
              <optgroup key={name} label={name}>
                {ids.map((of) => (
                  <option key={of} value={of}>
                    {SUM_TEXT[of].title}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </label>
        <div>
          <h2 className="text-lg font-bold">{text.title}</h2>
          <p className="soft">{text.about}</p>
        </div>
        {Object.values(shown.from).some(Boolean) && <From screen={shown} told={told} setTold={setTold} />}
        {id === "photo" && <FromPhoto take={(more) => setTold((t) => ({ ...t, typed: { ...t.typed, ...more } }))} />}
        <SumForm screen={shown} typed={told.typed} setTyped={(typed) => setTold({ ...told, typed })} />
      </section>
      <section
        aria-label="Result"
        aria-live="polite"
        aria-busy={isWaiting}
        className={`grid min-w-0 content-start gap-3 ${isWaiting ? "pointer-events-none" : ""}`}
      >
        <SumResultView screen={shown} />
        <TakeIt
          key={`${told.regionId} ${told.productId}`}
          screen={shown}
          regionId={told.regionId}
          again={() => setTold({ ...told })}
        />
        {isLost && (
          <p role="alert" className="font-semibold text-error">
            The application did not answer: what stands here is of before.
          </p>
        )}
        <p className="soft border-t border-base-300 pt-2 text-sm" data-testid="formula">
          {shown.formula}. <span>Source: {shown.source}.</span>
        </p>
      </section>
    </main>
  );
}

/** What the sum is filled in from. */
function From({ screen, told, setTold }: { screen: SumsScreen; told: Told; setTold: (told: Told) => void }) {
  const shelf = new Set(screen.shelf);
  const products = screen.products.filter((p) => shelf.has(p.id));
  return (
    <div className="grid grid-cols-2 gap-3 rounded-box bg-base-200 p-3">
      {screen.from.product && (
        <label className="grid gap-1 text-sm">
          with the product
          <select
            className="select select-sm w-full"
            value={told.productId ?? ""}
            onChange={(e) => setTold({ ...told, productId: e.target.value || null })}
          >
            <option value="">any</option>
            <ProductOptions products={products} />
          </select>
        </label>
      )}
      {screen.from.region && (
        <label className="grid gap-1 text-sm">
          on the face
          <select
            className="select select-sm w-full"
            value={told.regionId ?? ""}
            onChange={(e) => setTold({ ...told, regionId: e.target.value || null })}
          >
            <option value="">any</option>
            {screen.regions.map((r) => (
              <option key={r.id} value={r.id}>
                {r.name}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}
