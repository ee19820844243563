import { SOURCES, type Source } from "@/core/model";
import { SOURCE_NAME } from "@/messages";

const R = 6;

/** How well a figure is founded: a disc filled by rank, ringed when it is the shop's own. */
export function EvidenceMark({ source, words = false }: { source: Source; words?: boolean }) {
  const share = SOURCES.indexOf(source) / (SOURCES.length - 1);
  const angle = 2 * Math.PI * share;
  const [x, y] = [8 + R * Math.sin(angle), 8 - R * Math.cos(angle)];
  const own = source === "own-log" || source === "own-coupon";
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap" title={SOURCE_NAME[source]}>
      <svg viewBox="0 0 16 16" className="size-4 shrink-0" aria-hidden>
        <circle cx="8" cy="8" r={R} fill="none" stroke="currentColor" strokeWidth={own ? 2.4 : 1.2} />
        {share === 1 ? (
          <circle cx="8" cy="8" r={R} fill="currentColor" />
        ) : (
          share > 0 && (
            <path
              d={`M8 8V${8 - R}A${R} ${R} 0 ${share > 0.5 ? 1 : 0} 1 ${x.toFixed(2)} ${y.toFixed(2)}Z`}
              fill="currentColor"
            />
          )
        )}
      </svg>
      <span className={words ? "text-sm" : "sr-only"}>{SOURCE_NAME[source]}</span>
    </span>
  );
}
