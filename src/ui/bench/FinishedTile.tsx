import type { BenchScreen } from "@/contracts";
import { day } from "@/format";
import { OpenMarks } from "../mishap/OpenMarks";
import { WrongButtons } from "../mishap/WrongButtons";

/** A face all of whose work is done: looked at again, and told of when something shows months later. */
export function FinishedTile({
  regionId,
  screen,
  goWrong,
  look,
}: {
  regionId: string;
  screen: BenchScreen;
  goWrong: (reportId: string | null) => void;
  look: () => void;
}) {
  const name = screen.names[regionId] ?? "";
  const view = screen.faces[regionId];
  const due = screen.looksDue[regionId];
  return (
    <li data-region={regionId} className="rounded-box border border-base-300 p-3">
      <p className="font-bold">{name}</p>
      {due && (
        <p>
          Look at it again: {due.days} {due.days === 1 ? "day" : "days"} on, due {day(due.dueMin, screen.timeZone)}.
        </p>
      )}
      <WrongButtons
        name={name}
        reports={view?.reports ?? []}
        timeZone={screen.timeZone}
        goWrong={goWrong}
        look={look}
      />
      <OpenMarks regionId={regionId} marks={view?.marks ?? []} name={name} />
    </li>
  );
}
