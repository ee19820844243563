import { Eye, TriangleAlert } from "lucide-react";
import type { FaceView } from "@/contracts";
import { clock } from "@/format";
import { MISHAP_NAME } from "@/messages";

/** On every tile: something new that went wrong, and what is open. Never the first of its buttons, never hidden. */
export function WrongButtons({
  name,
  reports,
  timeZone,
  goWrong,
  look,
}: {
  name: string;
  reports: FaceView["reports"];
  timeZone: string;
  goWrong: (reportId: string | null) => void;
  /** looks at it, to mark what is found */
  look: () => void;
}) {
  return (
    <div className="mt-2 flex flex-wrap gap-2">
      <button
        type="button"
        className="btn min-h-12"
        aria-label={`Something’s wrong: ${name}`}
        onClick={() => goWrong(null)}
      >
        <TriangleAlert className="size-5" aria-hidden />
        Something’s wrong
      </button>
      <button type="button" className="btn min-h-12" aria-label={`Look and mark: ${name}`} onClick={look}>
        <Eye className="size-5" aria-hidden />
        Look
      </button>
      {reports.map((r) => (
        <button key={r.id} type="button" className="btn btn-outline btn-error min-h-12" onClick={() => goWrong(r.id)}>
          {MISHAP_NAME[r.sign][0]}, {clock(r.atMin, timeZone)}
          {r.mended ? ": being mended" : ": what now?"}
        </button>
      ))}
    </div>
  );
}
