import type { MiniFilm } from "@/contracts";

const W = 64;
const H = 80;
const BASE = 22;

/** The pile in miniature, bottom up: what lies on it filled, a layer half done pale, what is still to come in outline. */
export function MiniSection({ films, laid, begun }: { films: readonly MiniFilm[]; laid: number; begun: boolean }) {
  const total = films.reduce((sum, f) => sum + f.um, 0);
  const heights = films.map((f) => Math.max(4, (f.um / Math.max(1, total)) * (H - BASE - 4)));
  const tops = heights.map((_, i) => H - BASE - heights.slice(0, i + 1).reduce((a, b) => a + b, 0));
  const opacity = (i: number) => (i < laid ? 1 : i === laid && begun ? 0.45 : 0);
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-20 w-16 shrink-0" aria-hidden>
      <rect x="1" y={H - BASE} width={W - 2} height={BASE - 1} fill="var(--color-base-300)" stroke="var(--ink)" />
      {films.map((f, i) => (
        <rect
          key={f.layerId}
          x="1"
          y={tops[i]}
          width={W - 2}
          height={heights[i]}
          fill={f.colour}
          fillOpacity={opacity(i)}
          stroke="var(--ink)"
          strokeDasharray={i < laid ? undefined : "3 3"}
        />
      ))}
    </svg>
  );
}
