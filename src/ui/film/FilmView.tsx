"use client";

import { Download } from "lucide-react";
import { useMemo } from "react";
import type { FilmScreen } from "@/contracts";
import { filmDefaults } from "@/core/reference";
import type { FilmStudy } from "@/core/study";
import { duration, filmText } from "@/format";
import { FIT_NOTE, filmMilestoneName, NEVER_TEXT, STUDY_AIR_NAME } from "@/messages";
import type { FilmQuestion } from "@/workers/film";
import { useAddress } from "../hooks/useAddress";
import { Controls } from "./Controls";
import { studyCsv } from "./csv";
import { Curves, HeatMap } from "./FilmCharts";
import { FilmTable } from "./FilmTable";
import { layersOf, settingsFrom, studyInput } from "./settings";
import { useFilm } from "./useFilm";
import { WhatIf } from "./WhatIf";
import { WhoseNumber } from "./WhoseNumber";

export function FilmView({ screen }: { screen: FilmScreen }) {
  const { params, set } = useAddress();
  const key = params.toString();
  const s = useMemo(() => settingsFrom(new URLSearchParams(key), screen), [key, screen]);
  const question = useMemo((): FilmQuestion | null => {
    const input = studyInput(s, screen);
    return input && { kind: "study", input };
  }, [s, screen]);
  const { report, busy } = useFilm(question);
  const top = layersOf(s, screen).at(-1);
  if (!top)
    return (
      <main className="grid max-w-xl gap-3 p-6">
        <h1 className="text-xl font-bold">Film</h1>
        <p>
          There is no film to look at yet: the shelf holds no coating. Add a product under Shelf, or bring in the demo
          from the Bench.
        </p>
        <a className="btn btn-primary justify-self-start" href="/shelf">
          To the shelf
        </a>
      </main>
    );
  const study = report?.kind === "study" ? report.study : null;
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-5 p-4 lg:grid-cols-[280px_minmax(0,1fr)]">
      <div className="grid content-start gap-3">
        <h1 className="text-xl font-bold">Film</h1>
        <Controls screen={screen} s={s} set={set} />
      </div>
      <div className="grid min-w-0 content-start gap-4" aria-busy={busy}>
        {report?.kind === "failed" && (
          <p role="alert" className="rounded-box border-2 border-error p-3">
            The film model could not run: {report.why}. Change a setting and it tries again.
          </p>
        )}
        {!study && report?.kind !== "failed" && <p role="status">The film model is running…</p>}
        {study && (
          <>
            <Headline study={study} />
            {s.boxC !== null && <BoxNote study={study} asked={s.boxAfterMin} />}
            <HeatMap study={study} />
            <WhatIf s={s} set={set} faults={study.faults} viewMin={study.viewMin} />
            <Milestones study={study} />
            <section aria-labelledby="curves-title">
              <h2 id="curves-title" className="font-bold">
                Wettest place in the film, air beside air
              </h2>
              <CurveKey study={study} />
              <Curves study={study} sandPhi={filmDefaults(top.product).sandPhi} />
            </section>
            <Fine study={study} ms={report?.kind === "study" ? report.ms : 0} name={top.product.id} />
            <details>
              <summary className="cursor-pointer font-semibold">The same as a table</summary>
              <FilmTable study={study} />
            </details>
          </>
        )}
        <WhoseNumber key={top.product.id} screen={screen} top={top} />
      </div>
    </main>
  );
}

function Headline({ study }: { study: FilmStudy }) {
  const own = study.runs[0]!;
  const of = (m: string) => own.milestones.find((x) => x.milestone === m)?.min ?? null;
  const sand = of("sandable");
  const label = study.runs.find((r) => r.air === "label")!.milestones.find((m) => m.milestone === "sandable")!.min;
  return (
    <p className="text-lg" data-testid="film-headline">
      {own.never ? (
        <strong className="text-error">{NEVER_TEXT[own.never]}</strong>
      ) : (
        <>
          Sandable after <strong>{duration(sand ?? 0)}</strong>
          {label !== null && sand !== null && Math.abs(Math.log(sand / label)) > 0.05 && (
            <span className="soft"> ({duration(label)} in the label’s air)</span>
          )}
          , ready to recoat after <strong>{of("recoat") === null ? "never" : duration(of("recoat")!)}</strong>.
        </>
      )}
    </p>
  );
}

/** A wet film is never warmed; where the box was asked for sooner, that is said. */
function BoxNote({ study, asked }: { study: FilmStudy; asked: number }) {
  const at = study.boxAfterMin;
  if (at === null || at <= asked + 1) return null;
  return (
    <p role="status" className="border-l-4 border-error pl-2 font-semibold">
      A wet film is never warmed: it goes into the box at touch dry, after {duration(at)}, not after {duration(asked)}.
    </p>
  );
}

function CurveKey({ study }: { study: FilmStudy }) {
  const mark = {
    own: ["var(--wet)", ""],
    label: ["var(--color-neutral)", "2 4"],
    "warm-box": ["var(--closing)", "8 4"],
  } as const;
  return (
    <ul className="flex gap-5 text-sm">
      {study.runs.map((r) => (
        <li key={r.air} className="flex items-center gap-1.5">
          <svg viewBox="0 0 30 6" className="h-1.5 w-8" aria-hidden>
            <path d="M0 3h30" stroke={mark[r.air][0]} strokeWidth="3" strokeDasharray={mark[r.air][1]} />
          </svg>
          {STUDY_AIR_NAME[r.air]}
        </li>
      ))}
    </ul>
  );
}

/** Every milestone, air beside air. */
function Milestones({ study }: { study: FilmStudy }) {
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm w-auto" data-testid="film-milestones">
        <thead>
          <tr>
            <th>after the last coat</th>
            {study.runs.map((r) => (
              <th key={r.air} className="text-right">
                {STUDY_AIR_NAME[r.air]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {study.runs[0]!.milestones.map(({ milestone, assumed }, i) => (
            <tr key={milestone}>
              <th className="font-normal">
                {filmMilestoneName(milestone)}
                {assumed && <span className="text-warning"> est.</span>}
              </th>
              {study.runs.map((r) => {
                const { min, byLabelMin } = r.milestones[i]!;
                return (
                  <td key={r.air} className="text-right font-semibold">
                    {min === null ? "not in this air" : duration(min)}
                    {byLabelMin != null && min !== null && Math.abs(byLabelMin - min) >= 1 && (
                      <span className="soft block text-xs font-normal">{duration(byLabelMin)} before you looked</span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
          {study.windows
            .filter((w) => w.shutsMin !== null)
            .map((w) => (
              <tr key={w.opensMin}>
                <th className="font-normal">recoat window {study.runs.length > 2 ? "(warm box)" : "(your shed)"}</th>
                <td className="text-right font-semibold" colSpan={study.runs.length}>
                  {duration(w.opensMin)} to {duration(w.shutsMin!)}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}

/** What the run rests on, what it cost, and the run as a file. */
function Fine({ study, ms, name }: { study: FilmStudy; ms: number; name: string }) {
  const save = () => {
    const url = URL.createObjectURL(new Blob([studyCsv(study)], { type: "text/csv" }));
    const a = document.createElement("a");
    a.href = url;
    a.download = `film-${name}.csv`;
    a.click();
    URL.revokeObjectURL(url);
  };
  const { mass } = study;
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-2 text-sm">
      <button type="button" className="btn btn-sm" onClick={save}>
        <Download className="size-4" aria-hidden /> This run as CSV
      </button>
      <p className="soft max-w-prose flex-1">
        {`${filmText(study.coats.at(-1)!.topUm)} dry in ${study.coats.length} ${study.coats.length === 1 ? "coat" : "coats"}`}
        ; of {filmText(mass.appliedUm)} volatile {filmText(mass.releasedUm)} left the film, {filmText(mass.leftUm)} is
        in it
        {mass.sandedUm > 0.05 && <>, {filmText(mass.sandedUm)} was sanded off</>}. {study.steps} steps on {study.cells}{" "}
        cells, {Math.round(ms)} ms. Anchored on the labels; the family’s constants are estimates.
        {study.notes.map((n) => (
          <span key={n.name + n.note}>
            {" "}
            <strong>{n.name}:</strong> {FIT_NOTE[n.note]}
          </span>
        ))}
      </p>
    </div>
  );
}
