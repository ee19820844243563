"use client";

import Link from "next/link";
import { useCallback, useEffect, useRef, useState } from "react";
import { applySchemeAction } from "@/actions/colour";
import { editNodeAction } from "@/actions/parts";
import type { ColourScreen } from "@/contracts";
import type { Scheme } from "@/core/model";
import { areaText } from "@/format";
import { useAct } from "../hooks/useAct";
import { useRow } from "../hooks/useRow";
import { Boxes } from "./Boxes";
import { Edges } from "./Edges";
import { Fields } from "./Fields";
import { type Fault, faultOf } from "./fault";
import { OrderTable } from "./OrderTable";
import { Touches } from "./Touches";

type Chosen = NonNullable<ColourScreen["chosen"]>;

/** The scheme of one face: which colour lies where, in which order they are laid, and what is covered when. */
export function ColourView({ screen, chosen: seen }: { screen: ColourScreen; chosen: Chosen }) {
  const { act, busy } = useAct();
  const [fault, setFault] = useState<Fault | null>(null);
  const [step, setStep] = useState(0);
  const [said, setSaid] = useState<string | null>(null);
  const write = useCallback(
    (rev: number, fields: Record<string, unknown>) => editNodeAction("region", seen.regionId, rev, fields),
    [seen.regionId],
  );
  const { saveField } = useRow(seen.rev, write);
  // what was said last shows at once, and the next change goes on from there
  const [scheme, setScheme] = useState(seen.scheme);
  const pending = useRef(0);
  useEffect(() => {
    if (pending.current === 0) setScheme(seen.scheme);
  }, [seen.scheme]);
  const chosen: Chosen = { ...seen, scheme };
  const change = async (next: Scheme): Promise<boolean> => {
    setSaid(null);
    setScheme(next);
    pending.current += 1;
    const problem = await saveField({ scheme: next });
    pending.current -= 1;
    if (problem !== null) setScheme(seen.scheme);
    setFault(faultOf(problem));
    return problem === null;
  };
  const put = async () => {
    const done = await act(() => applySchemeAction(chosen.regionId, chosen.stackRev), { quiet: true });
    setSaid(done.ok ? "The colours lie in the pile now, with their masks." : done.problem.detail);
  };
  const order = chosen.wanted ?? chosen.best;
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-5 p-4 lg:grid-cols-[170px_minmax(0,1fr)_minmax(0,1fr)]">
      <nav aria-label="Faces" className="flex gap-1 overflow-x-auto lg:grid lg:content-start">
        <h1 className="text-xl font-bold max-lg:sr-only">Colour</h1>
        {screen.regions.map((r) => (
          <Link
            key={r.id}
            href={`/colour?region=${r.id}`}
            aria-current={r.id === chosen.regionId ? "true" : undefined}
            className={`rounded-box border-l-4 px-2.5 py-1.5 leading-tight ${r.id === chosen.regionId ? "border-primary bg-base-200 font-bold" : "border-transparent hover:bg-base-200"}`}
          >
            {r.name}
            {r.fields > 0 && <span className="soft block text-sm font-normal">{r.fields} fields</span>}
          </Link>
        ))}
      </nav>
      <div className="grid min-w-0 content-start gap-4">
        <div>
          <h2 className="text-lg font-bold">{chosen.name}</h2>
          <p className="soft">
            {chosen.areaCm2 === null ? "No area is told: an ordinary face is taken." : areaText(chosen.areaCm2)}
          </p>
        </div>
        {chosen.scheme.fields.length > 0 && (
          <Boxes screen={screen} chosen={chosen} order={order} step={step} setStep={setStep} />
        )}
        <Fields screen={screen} chosen={chosen} change={change} fault={fault} />
        {chosen.scheme.fields.length > 1 && <Edges chosen={chosen} change={change} fault={fault} />}
      </div>
      <div className="grid min-w-0 content-start gap-4">
        {order ? (
          <>
            <OrderTable screen={screen} chosen={chosen} order={order} change={change} step={step} setStep={setStep} />
            <div className="flex flex-wrap items-center gap-3">
              <button
                type="button"
                className={`btn ${chosen.inStack ? "" : "btn-primary"}`}
                disabled={busy || chosen.inStack || chosen.begun}
                onClick={() => void put()}
              >
                {chosen.inStack ? "It lies in the pile so" : "Put it into the pile"}
              </button>
              <Link className="link" href={`/stacks?region=${chosen.regionId}`}>
                Its stack
              </Link>
            </div>
            {chosen.begun && !chosen.inStack && (
              <p>
                A colour of it lies on the part already, and what is on the part stays in the pile: change the rest in
                its stack.
              </p>
            )}
            {said && <p role="status">{said}</p>}
          </>
        ) : (
          <p className="rounded-box bg-base-200 p-4">
            Name the fields of this face and choose their colours; one without stays as it is below. The order of the
            colours, their masks, coats and paint follow.
          </p>
        )}
        <Touches screen={screen} chosen={chosen} saveField={saveField} />
      </div>
    </main>
  );
}
