"use client";

import { Plus, X } from "lucide-react";
import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { applyTouchesAction } from "@/actions/colour";
import type { ColourScreen } from "@/contracts";
import { isOneOf, SEAL_KINDS, TOUCH_KINDS, type Touch, type TouchKind } from "@/core/model";
import { TOUCH_FACTS } from "@/core/reference";
import { inUnits } from "@/format";
import { SEAL_MISSING, TOUCH_NAME, TOUCH_STOP, TOUCH_WHY } from "@/messages";
import { NumberCell, TextCell } from "../components/cells";
import { useAct } from "../hooks/useAct";
import type { SaveField } from "../hooks/useRow";
import { type Fault, faultOf } from "./fault";

type Chosen = NonNullable<ColourScreen["chosen"]>;
const PERCENT = 100;
const isSeal = isOneOf(SEAL_KINDS);

const usualName = (kind: TouchKind, touches: readonly Touch[]): string => {
  const plain = TOUCH_NAME[kind].toLowerCase();
  for (let n = 1; ; n++) {
    const name = n === 1 ? plain : `${plain} ${n}`;
    if (!touches.some((t) => t.name === name)) return name;
  }
};

/** Markings and dirt of one face: what there is to be, in which order it comes, and with which clears between. */
export function Touches({ screen, chosen, saveField }: { screen: ColourScreen; chosen: Chosen; saveField: SaveField }) {
  const { act, busy } = useAct();
  const [fault, setFault] = useState<Fault | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  // what was said last shows at once, and the next change goes on from there
  const [touches, setTouches] = useState(chosen.touches);
  const pending = useRef(0);
  useEffect(() => {
    if (pending.current === 0) setTouches(chosen.touches);
  }, [chosen.touches]);
  const put = async (next: readonly Touch[]) => {
    setSaid(null);
    setTouches(next);
    pending.current += 1;
    const problem = await saveField({ touches: next });
    pending.current -= 1;
    if (problem !== null) setTouches(chosen.touches);
    setFault(faultOf(problem));
  };
  const own = (n: number, edit: Partial<Touch>) => touches.map((t, k) => (k === n ? { ...t, ...edit } : t));
  const save =
    (n: number): SaveField =>
    async (told) => {
      const name = typeof told.name === "string" ? { name: told.name } : {};
      const share = typeof told.share === "number" ? { share: told.share / PERCENT } : {};
      const count = typeof told.count === "number" ? { count: told.count } : {};
      await put(own(n, { ...name, ...share, ...count }));
      return null;
    };
  const suitable = (kind: TouchKind) => screen.touchProducts.filter((p) => TOUCH_FACTS[kind].roles.includes(p.role));
  const add = (kind: TouchKind) => {
    const [first] = suitable(kind).sort((a, b) => Number(b.owned) - Number(a.owned));
    if (!first)
      return setFault({ path: "", message: `There is nothing on the shelf for ${TOUCH_NAME[kind].toLowerCase()}.` });
    const share = TOUCH_FACTS[kind].rank === 0 ? 0.05 : 1;
    void put([...touches, { name: usualName(kind, touches), kind, productId: first.id, share, count: 1 }]);
  };
  const lay = async () => {
    const done = await act(() => applyTouchesAction(chosen.regionId, chosen.stackRev), { quiet: true });
    setSaid(done.ok ? "They lie in the pile now, in this order." : done.problem.detail);
  };
  const at = fault?.path.match(/^touches\.(\d+)/);
  const { steps, missing, inStack, begun } = chosen.finishing;
  const productName = (id: string) =>
    screen.touchProducts.find((p) => p.id === id)?.name ?? screen.clearNames[id] ?? id;
  return (
    <section aria-label="Markings and dirt" className="grid gap-2">
      <h3 className="font-bold">Markings and dirt</h3>
      {touches.map((t, n) => (
        <div key={t.name} className="grid gap-1 rounded-field bg-base-200/60 p-2" data-touch={t.kind}>
          <div className="flex items-center gap-2">
            <span className="soft w-36 shrink-0 text-sm">{TOUCH_NAME[t.kind]}</span>
            <TextCell
              value={t.name}
              field="name"
              label={`Name of ${t.name}`}
              save={save(n)}
              className="min-w-0 flex-1"
            />
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-label={`Take ${t.name} out`}
              onClick={() => void put(touches.filter((_, k) => k !== n))}
            >
              <X className="size-4" aria-hidden />
            </button>
          </div>
          <div className="flex flex-wrap items-center gap-2">
            <select
              className="select select-sm min-w-0 flex-1 basis-44"
              aria-label={`Made with, ${t.name}`}
              value={t.productId}
              onChange={(e) => void put(own(n, { productId: e.target.value }))}
            >
              {suitable(t.kind).map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                  {p.owned ? "" : " (to buy)"}
                </option>
              ))}
            </select>
            <NumberCell
              value={Math.round(1000 * t.share) / 10}
              field="share"
              label={`Share of the face, ${t.name}`}
              unit="% of it"
              save={save(n)}
              className="w-28"
            />
            <NumberCell
              value={t.count}
              field="count"
              label={`Pieces, ${t.name}`}
              unit="pieces"
              save={save(n)}
              className="w-28"
            />
          </div>
        </div>
      ))}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {at ? `${touches[Number(at[1])]?.name ?? "one of them"}: ` : ""}
          {inUnits(fault.message)}
        </p>
      )}
      <label className="flex items-center gap-2">
        <Plus className="size-4" aria-hidden />
        <select
          className="select select-sm w-60"
          aria-label="Add a marking or a trace of weather"
          value=""
          onChange={(e) => add(e.target.value as TouchKind)}
        >
          <option value="">Add a marking, damage, dirt…</option>
          {TOUCH_KINDS.map((k) => (
            <option key={k} value={k}>
              {TOUCH_NAME[k]}
            </option>
          ))}
        </select>
      </label>
      {steps.length > 0 && (
        <ol className="grid gap-1" aria-label="In this order">
          {steps.map((s, n) => (
            <li
              key={`${s.kind}-${s.name ?? n}`}
              className={`rounded-field px-2 py-1 ${isSeal(s.kind) ? "border border-dashed border-secondary/60" : "bg-base-200/60"}`}
              data-step={s.kind}
            >
              <span className="font-semibold">
                {n + 1}. {TOUCH_NAME[s.kind]}
              </span>
              : {productName(s.productId)}
              {s.name !== null && s.name !== TOUCH_NAME[s.kind].toLowerCase() ? `, ${s.name}` : ""}
              {s.isGrave && <strong className="text-error"> Its stack has a word to say on it.</strong>}
              <span className="soft block text-sm">
                {TOUCH_WHY[s.kind]}
                {isSeal(s.kind) || !TOUCH_STOP[s.kind] ? "" : ` ${TOUCH_STOP[s.kind]}`}
              </span>
            </li>
          ))}
        </ol>
      )}
      {missing.map((kind) => (
        <p key={kind} className="font-semibold text-warning">
          {SEAL_MISSING[kind]}
        </p>
      ))}
      {(steps.length > 0 || !inStack) && (
        <div className="flex flex-wrap items-center gap-3">
          <button
            type="button"
            className={`btn ${inStack ? "" : "btn-primary"}`}
            disabled={busy || inStack || begun}
            onClick={() => void lay()}
          >
            {inStack ? "They lie in the pile so" : "Put them into the pile"}
          </button>
          <Link className="link" href={`/stacks?region=${chosen.regionId}`}>
            What its stack says
          </Link>
        </div>
      )}
      {begun && !inStack && (
        <p>
          Some of it lies on the part already, and what is on the part stays in the pile: change the rest in its stack.
        </p>
      )}
      {said && <p role="status">{said}</p>}
    </section>
  );
}
