import type { Verdict } from "@/core/model";
import { VERDICT_NAME } from "@/messages";

const INK: Readonly<Record<Verdict, string>> = {
  ok: "text-success",
  care: "text-warning",
  test: "text-info",
  stop: "text-error",
};

export const verdictInk = (verdict: Verdict): string => INK[verdict];

/** Four shapes before four colours: hairline, notched line, hollow diamond, broken bar. */
export function VerdictShape({ verdict }: { verdict: Verdict }) {
  switch (verdict) {
    case "ok":
      return <path d="M2 9h20" stroke="currentColor" strokeWidth="1.6" />;
    case "care":
      return <path d="M2 9h6l4 5 4-5h6" stroke="currentColor" strokeWidth="2.4" fill="none" />;
    case "test":
      return <path d="M12 2l8 7-8 7-8-7z" stroke="currentColor" strokeWidth="2.2" fill="none" />;
    case "stop":
      return <path d="M2 6h8v6H2zM14 6h8v6h-8z" fill="currentColor" />;
  }
}

export function VerdictMark({ verdict, words = true }: { verdict: Verdict; words?: boolean }) {
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold whitespace-nowrap ${INK[verdict]}`}>
      <svg
        viewBox="0 0 24 18"
        className="h-4 w-6 shrink-0"
        aria-hidden={words}
        role={words ? undefined : "img"}
        aria-label={words ? undefined : VERDICT_NAME[verdict]}
      >
        <VerdictShape verdict={verdict} />
      </svg>
      {words && VERDICT_NAME[verdict]}
    </span>
  );
}
