"use client";

import { ArrowLeft } from "lucide-react";
import { useMemo, useState } from "react";
import { toast } from "sonner";
import { chooseWayAction, saveStackAction } from "@/actions/stacks";
import type { FindRequest, FoundView, StackView } from "@/contracts";
import { fromPrepRows, type Product, prepRows, SHEENS, type Stack, withSteps } from "@/core/model";
import type { WayOfWorking } from "@/core/reference";
import { MATERIAL_NAME, SHEEN_NAME, tradeText, whyText } from "@/messages";
import { useAct } from "../../hooks/useAct";
import { useAddress } from "../../hooks/useAddress";
import { freshLayerId } from "../layers";
import { FoundCard } from "./FoundCard";
import { useFind } from "./useFind";
import { Schools, WayEditor } from "./Ways";
import { WhyNot } from "./WhyNot";

const UNTIL: Readonly<Record<FindRequest["want"]["until"], string>> = {
  primer: "a primer",
  colour: "a colour",
  clear: "a colour under a clear",
  "clear-alone": "a clear alone",
};

export interface WayChoice {
  readonly ways: readonly WayOfWorking[];
  readonly chosenId: string;
  readonly ownIds: readonly string[];
}

/** With nothing laid yet: as far as what is owned goes. */
function endOf(shelf: readonly Product[]): FindRequest["want"]["until"] {
  const owns = (role: Product["role"]) => shelf.some((p) => p.role === role && p.owned !== false);
  if (owns("colour")) return "colour";
  return owns("clear") ? "clear-alone" : "primer";
}

/** The question as the pile stands: its own colour and end, if it has them. */
function firstWant(stack: Stack, shelf: readonly Product[], productOf: (id: string) => Product): FindRequest["want"] {
  const roles = stack.layers.map((l) => productOf(l.productId));
  const colour = roles.findLast((p) => p.role === "colour");
  const clear = roles.at(-1)?.role === "clear";
  return {
    until: stack.layers.length === 0 ? endOf(shelf) : clear ? (colour ? "clear" : "clear-alone") : "colour",
    colourId: colour?.id ?? null,
    sheen: null,
    onlyOwned: true,
    allowTests: false,
  };
}

/** The best stacks for a region, the trades between them, and why not others. */
export function FindPanel({
  view,
  products,
  choice,
}: {
  view: StackView;
  products: readonly Product[];
  choice: WayChoice;
}) {
  const { node, partName } = view.chosen;
  const { region, stack } = node;
  const { set } = useAddress();
  const { act } = useAct();
  const productOf = useMemo(() => {
    const byId = new Map([...view.products, ...products].map((p) => [p.id, p]));
    return (id: string) => byId.get(id)!;
  }, [view.products, products]);
  const [want, setWant] = useState(() => firstWant(stack, products, productOf));
  const [wayId, setWayId] = useState(choice.chosenId);
  const [editing, setEditing] = useState(false);
  const request: FindRequest = { wayId, want };
  const { view: found, problem, busy } = useFind(region.id, request);
  const way = choice.ways.find((w) => w.id === wayId) ?? choice.ways[0]!;
  const use = async (f: FoundView) => {
    const layers = f.stack.layers.map((l) => ({ ...l, id: freshLayerId() }));
    const saved = await act(() =>
      saveStackAction(region.id, node.stackRev, {
        // the user’s own order of getting ready stays; what the finder counts on and it lacks is put where it usually stands
        ...fromPrepRows(withSteps(prepRows(stack), f.stack.prep)),
        layers,
      }),
    );
    if (!saved.ok) return;
    set({ find: null });
    toast.success("The stack is on the region", {
      duration: 15_000,
      action: {
        label: "Undo",
        onClick: () => void act(() => saveStackAction(region.id, saved.value.rev, stack)),
      },
    });
  };
  return (
    <div className="grid content-start gap-4">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <button type="button" className="btn btn-sm" onClick={() => set({ find: null })}>
          <ArrowLeft className="size-4" aria-hidden />
          To the stack
        </button>
        <h1 className="text-xl font-bold">
          Stacks for {partName}, {region.name}
        </h1>
        <span className="soft">{region.material ? MATERIAL_NAME[region.material] : "material not given"}</span>
      </div>
      <Question want={want} setWant={setWant} products={products}>
        <label className="grid gap-0.5 text-sm">
          Way of working
          <select
            className="select w-52"
            value={wayId}
            onChange={(e) => {
              setWayId(e.target.value);
              setEditing(false);
              void act(() => chooseWayAction(e.target.value));
            }}
          >
            {choice.ways.map((w) => (
              <option key={w.id} value={w.id}>
                {w.name}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn self-end bg-base-100"
          aria-expanded={editing}
          onClick={() => setEditing(!editing)}
        >
          {choice.ownIds.includes(wayId) ? "Edit this way" : "Look at it, copy it"}
        </button>
      </Question>
      {editing && (
        <WayEditor
          key={wayId}
          way={way}
          own={choice.ownIds.includes(wayId)}
          saved={(id) => {
            setWayId(id);
            setEditing(false);
          }}
        />
      )}
      {problem && (
        <p role="alert" className="rounded-box border-2 border-error p-3 font-semibold">
          {problem.detail}
        </p>
      )}
      <div aria-live="polite" aria-busy={busy}>
        {found === null && !problem && <p className="text-lg">Looking through the shelf…</p>}
        {found?.outcome === "none" && <NoneHolds found={found} productOf={productOf} />}
        {found?.outcome === "found" && <Results found={found} productOf={productOf} use={(f) => void use(f)} />}
      </div>
      <WhyNot
        key={JSON.stringify(request)}
        regionId={region.id}
        request={request}
        products={products}
        productOf={productOf}
        use={(f) => void use(f)}
      />
      <details>
        <summary className="cursor-pointer font-bold">
          Where good practice differs, and the side “{way.name}” takes
        </summary>
        <div className="mt-2">
          <Schools way={way} />
        </div>
      </details>
    </div>
  );
}

/** Nothing holds here: what is in the way. */
function NoneHolds({
  found,
  productOf,
}: {
  found: Extract<ReturnType<typeof useFind>["view"], { outcome: "none" }>;
  productOf: (id: string) => Product;
}) {
  return (
    <div className="rounded-box border-2 border-warning p-3">
      <p className="text-lg font-bold">
        {found.exact
          ? "No stack from this shelf holds here."
          : "The search was cut short before it found a stack that holds; there may be one all the same."}
      </p>
      <ul className="list-disc pl-5">
        {found.reasons.map((r) => (
          <li key={JSON.stringify(r)}>{whyText(r, (id) => productOf(id).name)}</li>
        ))}
      </ul>
    </div>
  );
}

function Question({
  want,
  setWant,
  products,
  children,
}: {
  want: FindRequest["want"];
  setWant: (w: FindRequest["want"]) => void;
  products: readonly Product[];
  children: React.ReactNode;
}) {
  const colours = products.filter((p) => p.role === "colour");
  const coloured = want.until === "colour" || want.until === "clear";
  return (
    <div className="flex flex-wrap gap-3 rounded-box bg-base-200 p-3">
      <label className="grid gap-0.5 text-sm">
        It ends in
        <select
          className="select w-48"
          value={want.until}
          onChange={(e) => setWant({ ...want, until: e.target.value as typeof want.until })}
        >
          {Object.entries(UNTIL).map(([k, name]) => (
            <option key={k} value={k}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {coloured && (
        <label className="grid gap-0.5 text-sm">
          Colour
          <select
            className="select w-52"
            value={want.colourId ?? ""}
            onChange={(e) => setWant({ ...want, colourId: e.target.value || null })}
          >
            <option value="">any colour</option>
            {colours.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="grid gap-0.5 text-sm">
        Sheen
        <select
          className="select w-28"
          value={want.sheen ?? ""}
          onChange={(e) => setWant({ ...want, sheen: (e.target.value || null) as typeof want.sheen })}
        >
          <option value="">any</option>
          {SHEENS.map((s) => (
            <option key={s} value={s}>
              {SHEEN_NAME[s]}
            </option>
          ))}
        </select>
      </label>
      {children}
      <div className="flex w-full flex-wrap gap-x-5 gap-y-1">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={want.onlyOwned}
            onChange={(e) => setWant({ ...want, onlyOwned: e.target.checked })}
          />
          Only what I own
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={want.allowTests}
            onChange={(e) => setWant({ ...want, allowTests: e.target.checked })}
          />
          Also stacks that want a coupon first
        </label>
      </div>
    </div>
  );
}

function Results({
  found,
  productOf,
  use,
}: {
  found: Extract<ReturnType<typeof useFind>["view"], { outcome: "found" }>;
  productOf: (id: string) => Product;
  use: (f: FoundView) => void;
}) {
  const key = (f: FoundView) =>
    JSON.stringify(f.stack.layers.map((l) => [l.productId, l.coats, l.heaviness, l.before]));
  const traded = new Set(found.trades.map((t) => key(t.found)));
  const rest = found.best.filter((f) => !traded.has(key(f)));
  const now = found.asItStands;
  return (
    <div className="grid gap-3">
      {now && (
        <p className="rounded-box border border-base-300 p-3" data-testid="as-it-stands">
          <strong>The stack as it stands:</strong>{" "}
          {now.outcome === "best" && "nothing on the shelf does better by this way of working."}
          {now.outcome === "dearer" && `against the best, ${tradeText(now.trade)}.`}
          {now.outcome === "never" &&
            `not to be built as it is. ${now.reasons.map((r) => whyText(r, (id) => productOf(id).name)).join(" ")}`}
        </p>
      )}
      <h2 className="text-lg font-bold">Worth choosing between</h2>
      <ul className="grid gap-2">
        {found.trades.map((t) => (
          <FoundCard
            key={key(t.found)}
            found={t.found}
            headline={tradeText(t)}
            productOf={productOf}
            use={() => use(t.found)}
          />
        ))}
      </ul>
      {rest.length > 0 && (
        <details open={found.trades.length < 3}>
          <summary className="cursor-pointer font-bold">Next best by this way of working: {rest.length} more</summary>
          <ul className="mt-2 grid gap-2">
            {rest.map((f) => (
              <FoundCard
                key={key(f)}
                found={f}
                headline="beaten in everything by one above, or nearly the same"
                productOf={productOf}
                use={() => use(f)}
              />
            ))}
          </ul>
        </details>
      )}
      <p className="soft text-sm">
        {found.options} ways of laying what the shelf holds were searched
        {found.exact
          ? "; the list is proved: nothing better was left out."
          : "; the search was cut short, so better ones may exist."}{" "}
        Days run until the part can be handled, in the mean of the next three days’ air; risk, weights and hazards are
        estimates.
      </p>
    </div>
  );
}
