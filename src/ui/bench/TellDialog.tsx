"use client";

import { type FormEvent, type Ref, useEffect, useState } from "react";
import { tellAction, weighWorkAction } from "@/actions/bench";
import type { NamedFilm, Problem, WorkWeighed } from "@/contracts";
import { type ExtraKind, type ExtraWork, type Product, type Role, STRIP_WAYS, type StripWay } from "@/core/model";
import { STRIP_FACTS } from "@/core/reference";
import { figureField, figureTyped } from "@/format";
import {
  EXTRA_NAME,
  EXTRA_NOTE,
  reasonText,
  remedyText,
  STRIP_WAY_NAME,
  STRIP_WAY_NOTE,
  WETTING_NAME,
} from "@/messages";
import { ProductOptions } from "../components/ProductOptions";
import { VerdictMark } from "../components/VerdictMark";
import { useAct } from "../hooks/useAct";
import { Choice } from "./Choice";
import { Figure } from "./Figure";

type What = ExtraKind | "measured";
const WHATS = ["wash", "wipe", "rub", "strip", "measured"] as const satisfies readonly What[];
const OF_FILMS: ReadonlySet<What> = new Set<What>(["strip", "measured"]);
const HOWS = ["rinse", "soak"] as const;

interface TellProps {
  readonly ref: Ref<HTMLDialogElement>;
  readonly regionId: string;
  readonly name: string;
  /** films that lie on it, bottom first: what a strip or a gauge is told of */
  readonly laid: readonly NamedFilm[];
  /** it came with a finish or a seal on it */
  readonly covered: boolean;
  readonly products: readonly Product[];
}

/** What a light rub takes, µm. */
const USUAL_RUB_UM = 5;
const EMPTY = {
  what: "wash" as What,
  done: true,
  how: "rinse" as (typeof HOWS)[number],
  grit: "400",
  wet: true,
  /** as typed; null = the usual */
  takesUm: null as string | null,
  downTo: "",
  way: "by-hand" as StripWay,
  withId: "",
  awayH: "",
  layerId: "",
  dftUm: "",
  minutesAgo: "0",
  note: "",
};
type Draft = typeof EMPTY;

function workOf(d: Draft): ExtraWork | { kind: string } {
  switch (d.what) {
    case "wash":
      return { kind: "wash", how: d.how, ...withOf(d) };
    case "wipe":
      return { kind: "wipe", ...withOf(d) };
    case "rub":
      return {
        kind: "rub",
        grit: figureTyped(d.grit, "") as number,
        wet: d.wet,
        takesUm: (d.takesUm === null ? USUAL_RUB_UM : figureTyped(d.takesUm, "µm")) as number,
      };
    case "strip":
      return {
        kind: "strip",
        downTo: d.downTo || null,
        way: d.way,
        ...(STRIP_FACTS[d.way].needs === "stripper" ? withOf(d) : {}),
        ...(d.way === "blasted" && d.awayH !== "" ? { awayH: figureTyped(d.awayH, "h") as number } : {}),
      };
    default:
      return { kind: d.what };
  }
}
const withOf = ({ withId }: Draft): { withId?: string } => (withId === "" ? {} : { withId });

/** What it would do to what lies there, asked anew whenever the draft changes; null = nothing known yet. */
function useWeighed(regionId: string, told: unknown): WorkWeighed | null {
  const [weighed, setWeighed] = useState<WorkWeighed | null>(null);
  const asked = JSON.stringify(told);
  useEffect(() => {
    let off = false;
    if (asked === "null") return;
    // out of reach nothing is known of it; what is sent is weighed again
    void weighWorkAction(regionId, JSON.parse(asked))
      .catch(() => null)
      .then((o) => {
        if (!off) setWeighed(o?.ok ? o.value : null);
      });
    return () => {
      off = true;
    };
  }, [regionId, asked]);
  return weighed;
}

function toldOf(d: Draft, layerId: string): unknown {
  const minutesAgo = figureTyped(d.minutesAgo, "min") ?? 0;
  if (d.what === "measured")
    return { kind: "measured", layerId, dftUm: figureTyped(d.dftUm, "µm"), minutesAgo, note: d.note };
  return d.done
    ? { kind: "worked", work: workOf(d), minutesAgo, note: d.note }
    : { kind: "asked", work: workOf(d), note: d.note };
}

/** What no step of the pile asks for: washed again, rubbed down, stripped, measured; done already, or to be done next. */
export function TellDialog(props: TellProps) {
  const [open, setOpen] = useState(false);
  return (
    <dialog
      ref={props.ref}
      className="modal"
      aria-label={`Something else: ${props.name}`}
      onFocus={() => setOpen(true)}
      onClose={() => setOpen(false)}
    >
      <TellForm {...props} open={open} />
    </dialog>
  );
}

function TellForm({ regionId, name, laid, covered, products, open }: TellProps & { open: boolean }) {
  const { act, busy } = useAct();
  const [draft, setDraft] = useState<Draft>(EMPTY);
  const [problem, setProblem] = useState<Problem | null>(null);
  const set = (over: Partial<Draft>) => setDraft({ ...draft, ...over });
  const layerId = draft.layerId || (laid.at(-1)?.layerId ?? "");
  const weighed = useWeighed(regionId, open ? toldOf(draft, layerId) : null);
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const dialog = e.currentTarget.closest("dialog");
    const outcome = await act(() => tellAction(regionId, toldOf(draft, layerId)), { quiet: true });
    setProblem(outcome.ok ? null : outcome.problem);
    if (!outcome.ok) return;
    setDraft(EMPTY);
    dialog?.close();
  };
  return (
    <form className="modal-box grid gap-3" onSubmit={(e) => void send(e)} noValidate>
      <h2 className="text-xl font-bold">{name}: something else</h2>
      <fieldset className="grid grid-cols-2 gap-2">
        <legend className="mb-1">What?</legend>
        {WHATS.filter((w) => laid.length > 0 || !OF_FILMS.has(w) || (w === "strip" && covered)).map((w) => (
          <Choice key={w} name={`what-${regionId}`} on={draft.what === w} choose={() => set({ what: w })}>
            {EXTRA_NAME[w]}
          </Choice>
        ))}
      </fieldset>
      <Details
        draft={draft}
        set={set}
        laid={laid}
        layerId={layerId}
        problem={problem}
        id={regionId}
        products={products}
        ways={weighed?.ways ?? STRIP_WAYS}
      />
      {weighed && weighed.verdicts.length > 0 && (
        <ul className="grid gap-1" aria-label="What it would do">
          {weighed.verdicts.map((v) => (
            <li key={v.rule} className="flex items-start gap-2" data-rule={v.rule}>
              <VerdictMark verdict={v.verdict} />
              <span>
                {reasonText(v.code, v.missing)}{" "}
                <span className="soft">{v.remedy.slice(0, 1).map((r) => remedyText(r))}</span>
              </span>
            </li>
          ))}
        </ul>
      )}
      {draft.what !== "measured" && (
        <fieldset className="grid grid-cols-2 gap-2">
          <legend className="sr-only">Done or to be done</legend>
          <Choice name={`done-${regionId}`} on={draft.done} choose={() => set({ done: true })}>
            Done already
          </Choice>
          <Choice name={`done-${regionId}`} on={!draft.done} choose={() => set({ done: false })}>
            To be done next
          </Choice>
        </fieldset>
      )}
      {(draft.done || draft.what === "measured") && (
        <Figure
          id={`${regionId}-minutesAgo`}
          label="When"
          unit="min ago"
          value={draft.minutesAgo}
          fault={faultOf(problem, "minutesAgo")}
          onChange={(minutesAgo) => set({ minutesAgo })}
        />
      )}
      <label className="text-base">
        Note
        <input className="input w-full" value={draft.note} onChange={(e) => set({ note: e.target.value })} />
      </label>
      <p className="soft text-base">{EXTRA_NOTE[draft.what]}</p>
      {problem && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
      <div className="modal-action">
        <button type="button" className="btn btn-lg" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
          Leave it
        </button>
        <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
          Write it down
        </button>
      </div>
    </form>
  );
}

const faultOf = (problem: Problem | null, path: string): string | null =>
  problem?.fields.find((f) => f.path === path)?.message ?? null;

interface DetailsProps {
  readonly draft: Draft;
  readonly set: (over: Partial<Draft>) => void;
  readonly laid: TellProps["laid"];
  readonly layerId: string;
  readonly problem: Problem | null;
  readonly id: string;
  readonly products: readonly Product[];
  readonly ways: readonly StripWay[];
}

const CLEANERS: ReadonlySet<Role> = new Set<Role>(["degreaser", "thinner"]);
const STRIPPERS: ReadonlySet<Role> = new Set<Role>(["stripper", "thinner", "degreaser"]);

/** What each kind has to say for itself. */
function Details({ draft, set, laid, layerId, problem, id, products, ways }: DetailsProps) {
  const liquid = (usual: string, roles: ReadonlySet<Role>) => (
    <label className="text-base">
      With
      <select
        className="select w-full"
        value={draft.withId}
        aria-invalid={faultOf(problem, "work.withId") !== null}
        onChange={(e) => set({ withId: e.target.value })}
      >
        <option value="">{usual}</option>
        <ProductOptions products={products.filter((p) => p.owned !== false && roles.has(p.role))} />
      </select>
    </label>
  );
  const layerChoice = (label: string, value: string, choose: (v: string) => void, bare: string | null) => (
    <label className="text-base">
      {label}
      <select className="select w-full" value={value} onChange={(e) => choose(e.target.value)}>
        {bare !== null && <option value="">{bare}</option>}
        {laid.map((l) => (
          <option key={l.layerId} value={l.layerId}>
            {l.name}
          </option>
        ))}
      </select>
    </label>
  );
  switch (draft.what) {
    case "wash":
      return (
        <>
          <fieldset className="grid grid-cols-2 gap-2">
            <legend className="sr-only">How</legend>
            {HOWS.map((h) => (
              <Choice key={h} name={`how-${id}`} on={draft.how === h} choose={() => set({ how: h })}>
                {WETTING_NAME[h]}
              </Choice>
            ))}
          </fieldset>
          {liquid("soap and water", CLEANERS)}
        </>
      );
    case "rub":
      return (
        <div className="grid grid-cols-3 items-end gap-3">
          <Figure
            id={`${id}-grit`}
            label="Paper"
            unit="P"
            value={draft.grit}
            fault={faultOf(problem, "work.grit")}
            onChange={(grit) => set({ grit })}
          />
          <Figure
            id={`${id}-takes`}
            label="Takes off"
            unit="µm"
            value={draft.takesUm ?? figureField(USUAL_RUB_UM, "µm")}
            fault={faultOf(problem, "work.takesUm")}
            onChange={(takesUm) => set({ takesUm })}
          />
          <label className="flex min-h-10 items-center gap-2 text-base">
            <input
              type="checkbox"
              className="checkbox"
              checked={draft.wet}
              onChange={(e) => set({ wet: e.target.checked })}
            />
            wet
          </label>
        </div>
      );
    case "strip":
      return (
        <>
          {layerChoice("Down to", draft.downTo, (downTo) => set({ downTo }), "the material")}
          <fieldset className="grid grid-cols-2 gap-2">
            <legend className="mb-1">How?</legend>
            {ways.map((w) => (
              <Choice key={w} name={`way-${id}`} on={draft.way === w} choose={() => set({ way: w })}>
                {STRIP_WAY_NAME[w]}
              </Choice>
            ))}
          </fieldset>
          <p className="soft text-base">{STRIP_WAY_NOTE[draft.way]}</p>
          {STRIP_FACTS[draft.way].needs === "stripper" && liquid("– which product –", STRIPPERS)}
          {draft.way === "bath" && (
            <button
              type="button"
              className="btn"
              onClick={() => set({ way: ways.includes("blasted") ? "blasted" : "stripper" })}
            >
              It does not fit the tub
            </button>
          )}
          {draft.way === "blasted" && (
            <Figure
              id={`${id}-awayH`}
              label={`Back after (usually ${STRIP_FACTS.blasted.awayH} h)`}
              unit="h"
              value={draft.awayH}
              fault={faultOf(problem, "work.awayH")}
              onChange={(awayH) => set({ awayH })}
            />
          )}
        </>
      );
    case "measured":
      return (
        <div className="grid grid-cols-2 gap-3">
          {layerChoice("Layer", layerId, (v) => set({ layerId: v }), null)}
          <Figure
            id={`${id}-dft`}
            label="Dry film"
            unit="µm"
            value={draft.dftUm}
            fault={faultOf(problem, "dftUm")}
            onChange={(dftUm) => set({ dftUm })}
          />
        </div>
      );
    case "wipe":
      return liquid("a clean cloth", CLEANERS);
  }
}
