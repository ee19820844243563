"use client";

import { Trash2 } from "lucide-react";
import { useRef, useState } from "react";
import type { Planning, PlanScreen } from "@/contracts";
import { JOINT_LOADS } from "@/core/model";
import { HELD_BY_HAND_MIN } from "@/core/reference";
import { duration } from "@/format";
import { LOAD_NAME, reasonText } from "@/messages";
import { DateInput } from "../components/DateInput";
import { VerdictMark } from "../components/VerdictMark";
import { type Planner, withEntry } from "./usePlanning";

/** How parts go together, and what is not there yet: products on their way, parts sent out. */
export function Outside({ screen, planner }: { screen: PlanScreen; planner: Planner }) {
  const { parts } = screen;
  const { planning } = planner;
  const [fault, setFault] = useState<string | null>(null);
  const [back, setBack] = useState("");
  const own = screen.regions.filter((r) => r.modelId === screen.modelId);
  const change = async (edit: Partial<Planning>, what: string) => setFault(await planner.change(edit, what));
  const count = planning.joins.length + Object.keys(planning.arrivals).length + Object.keys(planning.away).length;
  const answer = screen.plan?.answer;
  const used = new Set(answer?.outcome === "planned" ? answer.ops.map((o) => o.productId) : []);
  const shortMl = new Map(answer?.outcome === "planned" ? answer.stock.map((l) => [l.productId, l.shortMl]) : []);
  const awaited = Object.values(screen.products).filter(
    (p) =>
      used.has(p.id) && (p.owned === false || (shortMl.get(p.id) ?? 0) > 0 || planning.arrivals[p.id] !== undefined),
  );
  return (
    <details className="rounded-box bg-base-200 p-3" open={fault !== null || undefined}>
      <summary className="cursor-pointer font-bold">
        How it goes together, and what is not there yet{count > 0 && ` (${count})`}
      </summary>
      {fault && (
        <p role="alert" className="mt-1 font-semibold text-error">
          {fault}
        </p>
      )}
      <div className="mt-2 grid gap-4 lg:grid-cols-2">
        <Fittings
          planning={planning}
          parts={parts}
          products={screen.products}
          joints={screen.joints}
          glues={screen.glues}
          change={change}
          busy={planner.busy}
        />
        <section aria-label="Not there yet">
          <h3 className="font-semibold">Not there yet</h3>
          <ul className="grid gap-1">
            {awaited.map((p) => (
              <DateLine
                key={p.id}
                name={p.owned === false ? `${p.name}, to buy: arrives` : `${p.name}, runs out: more arrives`}
                value={planning.arrivals[p.id] ?? ""}
                today={screen.today}
                save={(date) => change({ arrivals: withEntry(planning.arrivals, p.id, date) }, "Arrival changed")}
              />
            ))}
            {own
              .filter((r) => planning.away[r.id] !== undefined)
              .map((r) => (
                <DateLine
                  key={r.id}
                  name={`${r.name}, sent out: back`}
                  value={planning.away[r.id]!}
                  today={screen.today}
                  save={(date) => change({ away: withEntry(planning.away, r.id, date) }, "Date changed")}
                />
              ))}
          </ul>
          <form
            className="mt-1 flex flex-wrap items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              const form = new FormData(e.currentTarget);
              void change(
                { away: withEntry(planning.away, String(form.get("region")), String(form.get("back"))) },
                "Part sent out",
              );
            }}
          >
            <select name="region" className="select select-sm w-44" aria-label="Part sent out">
              {own.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.name}
                </option>
              ))}
            </select>
            sent out, back on
            <DateInput name="back" label="Back on" value={back} onChange={setBack} today={screen.today} required />
            <button type="submit" className="btn btn-sm" disabled={planner.busy}>
              Add
            </button>
          </form>
        </section>
      </div>
    </details>
  );
}

interface FittingsProps {
  readonly planning: Planning;
  readonly parts: PlanScreen["parts"];
  readonly products: PlanScreen["products"];
  readonly joints: PlanScreen["joints"];
  readonly glues: PlanScreen["glues"];
  readonly change: (fields: Partial<Planning>, told: string) => Promise<void>;
  readonly busy: boolean;
}

/** Which part goes onto which, and when. */
function Fittings({ planning, parts, products, joints, glues, change, busy }: FittingsProps) {
  const partName = (id: string) => parts.find((p) => p.id === id)?.name ?? "a part that is gone";
  return (
    <section aria-label="Fittings">
      <h3 className="font-semibold">Fittings</h3>
      <ul className="grid gap-1">
        {planning.joins.map((j, n) => (
          <li key={`${j.partId}>${j.ontoId}`} className="flex items-center gap-2">
            <span className="flex-1">
              {partName(j.partId)} onto {partName(j.ontoId)}, {JOINED_WHEN[j.when]}
              {j.glueId && `, with ${products[j.glueId]?.name ?? "an adhesive that is gone"}`}
              {(joints[j.partId] ?? []).map((v) => (
                <span key={`${v.partId}${v.rule}`} className="flex items-start gap-2" data-rule={v.rule}>
                  <VerdictMark verdict={v.verdict} /> {partName(v.partId)}: {reasonText(v.rule, v.missing)}
                </span>
              ))}
              <Glues
                choices={glues[j.partId] ?? []}
                chosenId={j.glueId ?? null}
                products={products}
                partName={partName}
                busy={busy}
                choose={(glueId) =>
                  void change(
                    { joins: planning.joins.map((k, i) => (i === n ? { ...k, glueId } : k)) },
                    "Adhesive chosen",
                  )
                }
              />
              <Load
                join={j}
                busy={busy}
                change={(told) =>
                  void change(
                    { joins: planning.joins.map((k, i) => (i === n ? { ...k, ...told } : k)) },
                    "What pulls at the joint told",
                  )
                }
              />
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-label={`Take out: ${partName(j.partId)} onto ${partName(j.ontoId)}`}
              onClick={() => void change({ joins: planning.joins.filter((_, i) => i !== n) }, "Fitting taken out")}
            >
              <Trash2 className="size-4" aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-1 flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          const form = new FormData(e.currentTarget);
          const join = {
            partId: String(form.get("part")),
            ontoId: String(form.get("onto")),
            when: String(form.get("when")) as Planning["joins"][number]["when"],
            ...(form.get("glue") ? { glueId: String(form.get("glue")) } : {}),
          };
          void change({ joins: [...planning.joins.filter((j) => j.partId !== join.partId), join] }, "Fitting added");
        }}
      >
        <PartSelect name="part" label="Part that is fitted" parts={parts} />
        onto
        <PartSelect name="onto" label="Part it goes onto" parts={parts} first={1} />
        <select name="when" className="select select-sm w-52" aria-label="When it is fitted">
          {Object.entries(JOINED_WHEN).map(([when, name]) => (
            <option key={when} value={when}>
              {name}
            </option>
          ))}
        </select>
        <select name="glue" className="select select-sm w-52" aria-label="Adhesive">
          <option value="">adhesive not named: 12 h</option>
          {Object.values(products)
            .filter((p) => p.role === "adhesive" && !p.activator && p.owned !== false)
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
        </select>
        <button type="submit" className="btn btn-sm" disabled={busy}>
          Add
        </button>
      </form>
    </section>
  );
}

type Joining = Planning["joins"][number];
type Pulled = Pick<Joining, "load" | "faceMm2">;

/** What pulls at a joint and how large its face is: whether the adhesive alone holds it. */
function Load({ join, busy, change }: { join: Joining; busy: boolean; change: (told: Pulled) => void }) {
  const face = useRef<HTMLInputElement>(null);
  const put = () => {
    const told = face.current?.value ?? "";
    const faceMm2 = told === "" ? null : Number(told);
    if (faceMm2 !== (join.faceMm2 ?? null)) change({ faceMm2 });
  };
  return (
    <span className="flex flex-wrap items-center gap-2 text-sm">
      <select
        className="select select-xs w-56"
        aria-label="What pulls at the joint"
        disabled={busy}
        value={join.load ?? ""}
        onChange={(e) => change({ load: (e.target.value || null) as Joining["load"] })}
      >
        <option value="">nobody said what pulls at it</option>
        {JOINT_LOADS.map((load) => (
          <option key={load} value={load}>
            {LOAD_NAME[load]}
          </option>
        ))}
      </select>
      {join.load && (
        <label className="flex items-center gap-1">
          smaller face
          <input
            ref={face}
            type="number"
            step="any"
            min={0.1}
            className="input input-xs w-20"
            defaultValue={join.faceMm2 ?? ""}
            disabled={busy}
            onBlur={put}
            onKeyDown={(e) => e.key === "Enter" && put()}
          />
          mm²
        </label>
      )}
    </span>
  );
}

/** Which adhesive, by what it does there and how long it takes; and why not another. */
function Glues({
  choices,
  chosenId,
  products,
  partName,
  busy,
  choose,
}: {
  choices: PlanScreen["glues"][string];
  chosenId: string | null;
  products: PlanScreen["products"];
  partName: (partId: string) => string;
  busy: boolean;
  choose: (glueId: string) => void;
}) {
  if (choices.length === 0) return null;
  return (
    <details className="text-sm">
      <summary className="cursor-pointer">Which adhesive: {choices.length} on the shelf</summary>
      <ul className="grid gap-1 pl-4">
        {choices.map(({ glueId, verdict, told, setsMin, worksMin }) => {
          const name = products[glueId]?.name ?? glueId;
          return (
            <li key={glueId} className="flex flex-wrap items-start gap-x-2" data-glue={glueId}>
              <VerdictMark verdict={verdict} />
              <span className="flex-1">
                <b>{name}</b>: {setsMin <= HELD_BY_HAND_MIN ? "held" : "clamped"} {duration(setsMin)}, worked on after{" "}
                {duration(worksMin)}.
                {told.map((v) => (
                  <span key={`${v.partId}${v.rule}`} className="block">
                    {partName(v.partId)}: {reasonText(v.rule, v.missing)}
                  </span>
                ))}
              </span>
              {glueId === chosenId ? (
                <span className="badge badge-sm badge-outline">chosen</span>
              ) : (
                <button
                  type="button"
                  className="btn btn-xs bg-base-100"
                  disabled={busy}
                  aria-label={`Join with ${name}`}
                  onClick={() => choose(glueId)}
                >
                  Take it
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}

const JOINED_WHEN: Readonly<Record<Planning["joins"][number]["when"], string>> = {
  "after-paint": "when both are painted",
  "before-paint": "joined before painting",
  primed: "joined once both are primed",
};

function PartSelect({
  name,
  label,
  parts,
  first = 0,
}: {
  name: string;
  label: string;
  parts: PlanScreen["parts"];
  first?: number;
}) {
  return (
    <select name={name} className="select select-sm w-40" aria-label={label} defaultValue={parts[first]?.id}>
      {parts.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </select>
  );
}

function DateLine({
  name,
  value,
  today,
  save,
}: {
  name: string;
  value: string;
  today: string;
  save: (date: string | null) => Promise<void>;
}) {
  return (
    <li>
      <span className="flex items-center gap-2">
        <span className="flex-1">{name}</span>
        <DateInput label={name} value={value} today={today} onChange={(day) => void save(day === "" ? null : day)} />
      </span>
    </li>
  );
}
