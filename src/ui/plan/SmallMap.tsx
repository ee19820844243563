import { useId } from "react";
import type { PlanScreen } from "@/contracts";
import type { PlannedOp } from "@/core/plan";

const WIDE = 220;
const HIGH = 30;
const LEAST = 18;
/** Letters that fit a box of so many px. */
const PX_A_LETTER = 6;

/** Fields of a face under tape when a piece of work is begun: those masked so far and not bared again; a mask counts itself. */
function coveredAt(ops: readonly PlannedOp[], op: PlannedOp): ReadonlySet<string> {
  const covered = new Set<string>();
  const before = ops
    .filter((o) => o.regionId === op.regionId && (o.kind === "mask" || o.kind === "unmask") && o.places)
    .sort((a, b) => a.startMin - b.startMin);
  for (const o of before) {
    if (o.id !== op.id && o.startMin > op.startMin) break;
    for (const name of o.places!) {
      if (o.kind === "mask") covered.add(name);
      else covered.delete(name);
    }
    if (o.id === op.id) break;
  }
  return covered;
}

/** The face as boxes to their share, in black and white: hatched what is under tape, framed what the work is on. */
export function SmallMap({
  fields,
  op,
  ops,
}: {
  fields: PlanScreen["schemes"][string];
  op: PlannedOp;
  ops: readonly PlannedOp[];
}) {
  const hatch = useId();
  const own = new Set(op.places ?? []);
  if (!fields.some((f) => own.has(f.name))) return null;
  const covered = coveredAt(ops, op);
  const rest = 1 - fields.reduce((sum, f) => sum + f.share, 0);
  const shown = [...fields, ...(rest > 0.005 ? [{ name: "rest", share: rest }] : [])];
  const wide = shown.map((f) => Math.max(LEAST, f.share * WIDE));
  const scale = WIDE / wide.reduce((a, b) => a + b, 0);
  const said = shown
    .map((f) => `${f.name}${covered.has(f.name) ? " covered" : own.has(f.name) ? " now" : ""}`)
    .join(", ");
  let x = 0;
  return (
    <svg width={WIDE} height={HIGH} role="img" aria-label={said} className="mt-0.5 block" data-testid="small-map">
      <defs>
        <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="#000" strokeWidth="1.6" />
        </pattern>
      </defs>
      {shown.map((f, n) => {
        const w = wide[n]! * scale;
        const at = x;
        x += w;
        const isCovered = covered.has(f.name);
        return (
          <g key={f.name}>
            <rect
              x={at + 1}
              y="1"
              width={w - 2}
              height={HIGH - 2}
              fill={isCovered ? `url(#${hatch})` : "#fff"}
              stroke="#000"
              strokeWidth={own.has(f.name) ? 2.5 : 0.8}
            />
            {!isCovered && f.name.length * PX_A_LETTER < w && (
              <text x={at + w / 2} y={HIGH / 2 + 4} fontSize="11" textAnchor="middle" fill="#000">
                {f.name}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
