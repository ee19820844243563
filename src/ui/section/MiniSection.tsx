import type { MiniFilm } from "@/contracts";

const W = 64;
const H = 80;
const BASE = 22;

/** The pile in miniature, bottom up: what lies on it filled, what is still to come in outline. */
export function MiniSection({ films, upTo }: { films: readonly MiniFilm[]; upTo: string | null }) {
  const total = films.reduce((sum, f) => sum + f.um, 0);
  const at = films.findIndex((f) => f.layerId === upTo);
  const on = upTo === null ? 0 : at < 0 ? films.length : at;
  let y = H - BASE;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-20 w-16 shrink-0" aria-hidden>
      <rect x="1" y={H - BASE} width={W - 2} height={BASE - 1} fill="var(--color-base-300)" stroke="var(--ink)" />
      {films.map((f, i) => {
        const h = Math.max(4, (f.um / Math.max(1, total)) * (H - BASE - 4));
        y -= h;
        const laid = i < on;
        return (
          <rect
            key={f.layerId}
            x="1"
            y={y}
            width={W - 2}
            height={h}
            fill={laid || i === on ? f.colour : "none"}
            fillOpacity={laid ? 1 : 0.35}
            stroke="var(--ink)"
            strokeDasharray={laid ? undefined : "3 3"}
          />
        );
      })}
    </svg>
  );
}
