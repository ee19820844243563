"use client";

import Link from "next/link";
import { useState } from "react";
import { takeIntoLayerAction } from "@/actions/sums";
import type { SumsScreen } from "@/contracts";
import type { Taken } from "@/core/sums";
import { filmText } from "@/format";
import { useAct } from "../hooks/useAct";

/** "2 coats", "70 µm wet", "thinned 2:1". */
function takenText({ coats, wftUm, thinRatio, depthUm }: Taken): string {
  return [
    ...(coats === undefined ? [] : [`${coats} coat${coats === 1 ? "" : "s"}`]),
    ...(depthUm == null ? [] : [`${filmText(depthUm)} deep`]),
    ...(wftUm == null ? [] : [`${filmText(wftUm)} wet a coat`]),
    ...(thinRatio ? [`thinned ${thinRatio}`] : []),
  ].join(", ");
}

/** The answer put into the layer it is of. */
export function TakeIt({
  screen,
  regionId,
  again,
}: {
  screen: SumsScreen;
  regionId: string | null;
  again: () => void;
}) {
  const { act, busy } = useAct();
  const [said, setSaid] = useState<string | null>(null);
  const name = screen.regions.find((r) => r.id === regionId)?.name ?? "";
  const take = async (t: SumsScreen["takes"][number]) => {
    const done = await act(() => takeIntoLayerAction(regionId!, t.stackRev, t.layerId, t.taken), { quiet: true });
    setSaid(done.ok ? `Layer ${t.n} of ${name} has ${takenText(t.taken)} now.` : done.problem.detail);
    again();
  };
  if (regionId === null || (screen.takes.length === 0 && said === null)) return null;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {screen.takes.map((t) => (
        <button key={t.layerId} type="button" className="btn btn-sm" disabled={busy} onClick={() => void take(t)}>
          Take it over: {name}, layer {t.n}, {takenText(t.taken)}
        </button>
      ))}
      {said && (
        <p role="status" className="w-full">
          {said}{" "}
          <Link className="link" href={`/stacks?region=${regionId}`}>
            Its stack
          </Link>
        </p>
      )}
    </div>
  );
}
