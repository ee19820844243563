"use client";

import { useRef } from "react";
import type { BenchScreen } from "@/contracts";
import { LookSheet } from "../mishap/LookSheet";
import { OpenMarks } from "../mishap/OpenMarks";
import { WrongButtons } from "../mishap/WrongButtons";

/** A face all of whose work is done: looked at again, and told of when something shows months later. */
export function FinishedTile({
  regionId,
  screen,
  goWrong,
}: {
  regionId: string;
  screen: BenchScreen;
  goWrong: (reportId: string | null) => void;
}) {
  const look = useRef<HTMLDialogElement>(null);
  const name = screen.names[regionId] ?? "";
  const view = screen.faces[regionId];
  return (
    <li data-region={regionId} className="rounded-box border border-base-300 p-3">
      <p className="font-bold">{name}</p>
      <WrongButtons
        name={name}
        reports={view?.reports ?? []}
        timeZone={screen.timeZone}
        goWrong={goWrong}
        look={() => look.current?.showModal()}
      />
      <OpenMarks regionId={regionId} marks={view?.marks ?? []} name={name} />
      {view && <LookSheet ref={look} tile={{ regionId, op: null, zone: "finished" }} name={name} view={view} />}
    </li>
  );
}
