import type { WaitReport } from "@/core/plan";

const R = 34;
const AROUND = 2 * Math.PI * R;

/** Fills toward the likely time; the notch past the top is the safe one. */
export function Ring({ wait, nowMin }: { wait: WaitReport; nowMin: number }) {
  const span = Math.max(1, wait.safeMin - wait.fromMin);
  const share = Math.min(1, Math.max(0, (nowMin - wait.fromMin) / span));
  const likely = (wait.likelyMin - wait.fromMin) / span;
  const mark = (at: number, long: number) => {
    const a = 2 * Math.PI * at - Math.PI / 2;
    const from = R - long;
    return `M${40 + from * Math.cos(a)} ${40 + from * Math.sin(a)}L${40 + (R + 5) * Math.cos(a)} ${40 + (R + 5) * Math.sin(a)}`;
  };
  const reached = nowMin >= wait.likelyMin;
  return (
    <svg viewBox="0 0 80 80" className="size-20 shrink-0" aria-hidden>
      <circle cx="40" cy="40" r={R} fill="none" stroke="var(--color-base-300)" strokeWidth="9" />
      <circle
        cx="40"
        cy="40"
        r={R}
        fill="none"
        stroke={reached ? "var(--open)" : "var(--wet)"}
        strokeWidth="9"
        strokeDasharray={`${share * AROUND} ${AROUND}`}
        transform="rotate(-90 40 40)"
      />
      <path d={mark(likely, 9)} stroke="var(--ink)" strokeWidth="3" />
      <path d={mark(1, 4)} stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
