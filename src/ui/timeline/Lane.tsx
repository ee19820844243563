import type { PointerEvent } from "react";
import type { PlannedOp } from "@/core/plan";
import { clock, dayClock } from "@/format";
import { MILESTONE_NAME } from "@/messages";
import { mayMove } from "../plan/may-move";
import type { Axis } from "./axis";
import type { TextureIds } from "./Textures";

/** Height of a lane, its middle, and of a block in it, px. */
export const LANE_PX = 44;
const MID = LANE_PX / 2;
const BLOCK = 22;
const WAIT = 14;

export interface LaneOf {
  readonly regionId: string;
  readonly name: string;
  readonly ops: readonly PlannedOp[];
  readonly curedMin: number | null;
}

interface LaneProps {
  readonly lane: LaneOf;
  readonly axis: Axis;
  readonly ids: TextureIds;
  readonly spine: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly choose: (opId: string) => void;
  readonly titleOf: (op: PlannedOp) => string;
  readonly timeZone: string;
  /** px of the axis that are in sight, with some to spare: the rest is not drawn */
  readonly sight: { readonly fromPx: number; readonly toPx: number };
  readonly grab: (op: PlannedOp, e: PointerEvent<SVGGElement>) => void;
}

/** One region's work: solid blocks, textured waits, window ends, and the drying after the last of it. */
export function Lane({ lane, axis, ids, spine, chosen, choose, titleOf, timeZone, sight, grab }: LaneProps) {
  const last = lane.ops.at(-1);
  const seen = lane.ops.filter((op) => {
    const from = axis.x(Math.min(op.startMin, op.wait?.fromMin ?? op.startMin));
    return from <= sight.toPx && axis.x(Math.max(op.endMin, op.wait?.shutsMin ?? op.endMin)) >= sight.fromPx;
  });
  return (
    <g>
      <path d={`M0 ${LANE_PX - 0.5}H${axis.widthPx}`} stroke="var(--ink)" strokeOpacity="0.2" />
      {seen.map(
        (op) => op.wait && <WaitBar key={op.id} op={op} axis={axis} ids={ids} afterMin={endBefore(lane.ops, op)} />,
      )}
      {last && <Curing fromMin={last.endMin} toMin={lane.curedMin ?? axis.toMin} axis={axis} done={lane.curedMin} />}
      {seen.map((op) => (
        <Block
          key={op.id}
          op={op}
          axis={axis}
          onSpine={spine.has(op.id)}
          chosen={chosen === op.id}
          choose={choose}
          grab={grab}
          label={`${lane.name}: ${titleOf(op)}, ${dayClock(op.startMin, timeZone)} to ${clock(op.endMin, timeZone)}${op.state === "done" ? ", done" : op.state === "in-hand" ? ", in hand" : ""}${op.locked ? ", pinned" : ""}`}
        />
      ))}
    </g>
  );
}

/** End of the lane's work before a piece of it: its wait is drawn from there, what lay before is that piece's own. */
function endBefore(ops: readonly PlannedOp[], op: PlannedOp): number {
  const i = ops.indexOf(op);
  return i > 0 ? Math.min(op.startMin, ops[i - 1]!.endMin) : 0;
}

/** Hatch thins out toward the milestone; then the open window, to its shutting if it has one. */
function WaitBar({ op, axis, ids, afterMin }: { op: PlannedOp; axis: Axis; ids: TextureIds; afterMin: number }) {
  const wait = op.wait!;
  const a = axis.x(Math.max(wait.fromMin, afterMin));
  const b = Math.max(a, axis.x(Math.min(wait.likelyMin, op.startMin)));
  const c = axis.x(op.startMin);
  const shut = wait.shutsMin === null ? null : axis.x(wait.shutsMin);
  const sanding = wait.milestone === "sandable";
  const h = WAIT;
  return (
    <g>
      {b - a > 1 && (
        <g>
          <title>{`waits for ${MILESTONE_NAME[wait.milestone]}`}</title>
          <rect x={a} y={MID - h / 2} width={(b - a) / 2} height={h} fill={`url(#${ids.drying})`} />
          <rect
            x={(a + b) / 2}
            y={MID - h / 2}
            width={(b - a) / 2}
            height={h}
            fill={`url(#${ids.drying})`}
            opacity="0.45"
          />
          <rect x={a} y={MID - h / 2} width={b - a} height={h} fill="none" stroke="var(--wet)" />
        </g>
      )}
      {c - b > 1 &&
        (sanding ? (
          <rect x={b} y={MID - h / 2} width={c - b} height={h} fill={`url(#${ids.grain})`} />
        ) : (
          <path d={`M${b} ${MID - 3}H${c}M${b} ${MID + 3}H${c}`} stroke="var(--open)" strokeWidth="1.6" />
        ))}
      {shut !== null && (
        <g>
          <title>the recoat window shuts here</title>
          <path
            d={`M${c} ${MID + 16}H${shut}M${shut - 4} ${MID + 12}v8`}
            stroke="var(--closing)"
            strokeWidth="1.8"
            fill="none"
          />
          <path
            d={`M${shut - 11} ${MID + 12}l4 4-4 4M${shut - 17} ${MID + 12}l4 4-4 4`}
            stroke="var(--closing)"
            strokeWidth="1.4"
            fill="none"
          />
        </g>
      )}
    </g>
  );
}

const LABEL_FROM_PX = 38;

/** What fits on a block. */
const shortName = (op: PlannedOp): string => {
  if (op.kind === "coat") return op.round ? `round ${op.round}` : op.of > 1 ? `${op.coat} of ${op.of}` : "coat";
  return op.step === null ? SHORT[op.kind] : op.step.split("-")[0]!;
};
const SHORT: Readonly<Record<PlannedOp["kind"], string>> = {
  prep: "prep",
  before: "prep",
  coat: "coat",
  "part-coat": "part",
  sand: "sand",
  helper: "wipe",
  turn: "turn",
  inspect: "look",
  mask: "mask",
  unmask: "unmask",
  scour: "scour",
  fit: "fit",
  dress: "dress",
  hold: "hold",
  "touch-in": "touch",
  guide: "guide",
  extra: "again",
};

function Block({
  op,
  axis,
  onSpine,
  chosen,
  choose,
  grab,
  label,
}: {
  op: PlannedOp;
  axis: Axis;
  onSpine: boolean;
  chosen: boolean;
  choose: (id: string) => void;
  grab: LaneProps["grab"];
  label: string;
}) {
  const x = axis.x(op.startMin);
  const w = Math.max(5, axis.x(op.endMin) - x);
  const pick = () => choose(op.id);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      onClick={pick}
      onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && pick()}
      onPointerDown={(e) => op.state === "planned" && grab(op, e)}
      className={`${op.state === "planned" ? "cursor-grab" : "cursor-pointer"} ${mayMove(op)}`}
      data-op={op.id}
    >
      <title>{label}</title>
      <rect
        x={x}
        y={MID - BLOCK / 2}
        width={w}
        height={BLOCK}
        rx="2"
        fill={op.state === "done" ? "var(--color-base-100)" : "var(--ink)"}
        stroke="var(--ink)"
        strokeWidth={chosen ? 0 : 1.2}
      />
      {w >= LABEL_FROM_PX && op.state === "planned" && (
        <text x={x + w / 2} y={MID + 4} fontSize="12" textAnchor="middle" fill="var(--color-base-100)" aria-hidden>
          {shortName(op)}
        </text>
      )}
      {op.state === "in-hand" && (
        <rect x={x} y={MID - BLOCK / 2} width={w} height={BLOCK} rx="2" fill="var(--color-primary)" />
      )}
      {chosen && (
        <rect
          x={x - 3}
          y={MID - BLOCK / 2 - 3}
          width={w + 6}
          height={BLOCK + 6}
          rx="4"
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth="2.5"
        />
      )}
      {onSpine && op.state !== "done" && (
        <path d={`M${x} ${MID - BLOCK / 2 - 5}h${w}`} stroke="var(--color-secondary)" strokeWidth="3.5" />
      )}
      {op.locked && (
        <path
          d={`M${x + w - 5} ${MID - BLOCK / 2 - 10}v7M${x + w - 9} ${MID - BLOCK / 2 - 10}h8M${x + w - 5} ${MID - BLOCK / 2 - 3}v5`}
          stroke="var(--color-primary)"
          strokeWidth="2.4"
        />
      )}
      {op.state === "done" && w > 12 && (
        <path d={`M${x + w / 2 - 5} ${MID}l4 4 7-8`} stroke="var(--ink)" strokeWidth="2" fill="none" />
      )}
    </g>
  );
}

function Curing({ fromMin, toMin, axis, done }: { fromMin: number; toMin: number; axis: Axis; done: number | null }) {
  const a = axis.x(fromMin);
  const b = axis.x(toMin);
  if (b - a < 2) return null;
  const inside = done !== null && done < axis.toMin;
  return (
    <g>
      <title>curing through</title>
      <rect
        x={a}
        y={MID - 5}
        width={b - a}
        height="10"
        fill="none"
        stroke="var(--ink)"
        strokeOpacity="0.55"
        strokeDasharray="3 3"
      />
      {inside && <path d={`M${b + 2} ${MID}l4 5 8-11`} stroke="var(--ink)" strokeWidth="2" fill="none" />}
    </g>
  );
}
