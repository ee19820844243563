"use client";

import { useCallback, useEffect, useState } from "react";
import { explainAction, withdrawAction } from "@/actions/mishaps";
import type { BenchScreen, ReportView } from "@/contracts";
import type { MishapSign } from "@/core/model";
import { MISHAP_NAME } from "@/messages";
import { useDeed } from "../bench/useDeed";
import { useAct } from "../hooks/useAct";
import { useNowMs } from "../hooks/useNow";
import type { Sheet } from "../hooks/useSheet";
import { Explained } from "./Explained";
import { FirstAidCard } from "./FirstAidCard";
import { SignPicker } from "./SignPicker";
import { WentOn } from "./WentOn";

/** The face, and an open report to go on with; null = something new. */
export interface WrongAbout {
  readonly regionId: string;
  readonly reportId: string | null;
}

interface WrongProps {
  readonly about: WrongAbout;
  readonly screen: BenchScreen;
  readonly close: () => void;
}

/** Over the whole height: what is it, what to do now, why, and how it is put right. */
export function MishapSheet({ sheet, screen }: { sheet: Sheet<WrongAbout>; screen: BenchScreen }) {
  const { about } = sheet;
  const name = about ? (screen.names[about.regionId] ?? "") : "";
  return (
    <dialog ref={sheet.ref} className="modal modal-bottom" aria-label={`Something’s wrong: ${name}`}>
      {about && screen.faces[about.regionId] && (
        <Wrong key={sheet.n} about={about} screen={screen} close={sheet.close} />
      )}
    </dialog>
  );
}

function Wrong({ about: { regionId, reportId }, screen, close }: WrongProps) {
  const { products, timeZone } = screen;
  const name = screen.names[regionId] ?? "";
  const view = screen.faces[regionId]!;
  const nowMin = useNowMs() / 60_000;
  const { deed } = useDeed();
  const { act } = useAct();
  const known = view.reports.find((r) => r.id === reportId) ?? null;
  const [sign, setSign] = useState<{ sign: MishapSign; atMin: number } | null>(
    known && { sign: known.sign, atMin: known.atMin },
  );
  const [id, setId] = useState<string | null>(reportId);
  const [explained, setExplained] = useState<ReportView | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [aided, setAided] = useState(false);
  const explain = useCallback(
    async (report: string) => {
      const told = await explainAction(regionId, report).catch(() => null);
      if (told === null) setFault("Elm Bench is out of reach. The report is kept; why and what mends it come later.");
      else if (told.ok) setExplained(told.value);
      else setFault(told.problem.detail);
    },
    [regionId],
  );
  useEffect(() => {
    if (id !== null) void explain(id);
  }, [id, explain]);
  const choose = async (s: MishapSign, minutesAgo: number) => {
    // the card is there before anybody is asked; what was seen is written down behind it
    setSign({ sign: s, atMin: nowMin });
    const outcome = await deed(
      {
        kind: "report",
        regionId,
        opId: `${regionId}:note:new`,
        title: `${name}: ${MISHAP_NAME[s][0]}`,
        input: { sign: s, minutesAgo },
      },
      { quiet: true },
    );
    if (!outcome.ok) setFault(outcome.problem.detail);
    else if (outcome.value === null)
      setFault("Kept on this device. Why and what mends it come once Elm Bench is reached.");
    else setId((outcome.value as { id: string }).id);
  };
  /** A press beside: what was reported was none, and the signs are there again. */
  const another = async (report: string) => {
    if (!(await act(() => withdrawAction(regionId, { reportId: report }))).ok) return;
    setSign(null);
    setId(null);
    setExplained(null);
    setAided(false);
  };
  // one that is closed is only read again: there is nothing left to be done with one's hands
  const shown = sign?.sign ?? explained?.report.sign ?? null;
  return (
    <div className="modal-box h-dvh max-h-dvh w-full max-w-5xl rounded-none p-4" data-testid="mishap-sheet">
      <div className="mb-3 flex items-start justify-between gap-3">
        <h2 className="text-2xl leading-tight font-bold">
          {name}: {shown ? MISHAP_NAME[shown][0].toLowerCase() : id === null ? "what is wrong?" : "what was wrong"}
        </h2>
        <span className="flex flex-wrap justify-end gap-2">
          {sign !== null && id !== null && known === null && (
            <button type="button" className="btn btn-lg" onClick={() => void another(id)}>
              Not that
            </button>
          )}
          <button type="button" className="btn btn-lg" onClick={close}>
            Back to the bench
          </button>
        </span>
      </div>
      {sign === null && id === null ? (
        <SignPicker face={view.face} nowMin={nowMin} choose={(s, ago) => void choose(s, ago)} />
      ) : (
        <div className="grid gap-5">
          {sign !== null && !aided && (
            <FirstAidCard sign={sign.sign} face={view.face} pressedMin={sign.atMin} done={() => setAided(true)} />
          )}
          {fault && <p className="rounded-box bg-base-200 p-3">{fault}</p>}
          {shown === "wrong-product" && view.face.top !== null && !explained?.report.closed && (
            <WentOn
              regionId={regionId}
              opId={view.face.top.opId}
              plannedId={view.face.top.productId}
              part={name}
              products={Object.values(products)}
              told={() => id !== null && void explain(id)}
            />
          )}
          {explained ? (
            <Explained
              view={explained}
              regionId={regionId}
              nameOf={(p) => products[p]?.name}
              colourOf={(p) => products[p]?.colour}
              timeZone={timeZone}
              nowMin={nowMin}
              again={() => id !== null && void explain(id)}
              close={close}
            />
          ) : (
            !fault && <p className="soft">Looking through the log…</p>
          )}
        </div>
      )}
    </div>
  );
}
