import { type PointerEvent as ReactPointerEvent, useCallback, useEffect, useRef, useState } from "react";
import type { PlannedOp } from "@/core/plan";
import type { Axis } from "./axis";

/** Nearer than this a press is a press, not a pull, px. */
const PULLS_FROM_PX = 5;
const GRID_MIN = 5;

export interface Drag {
  readonly op: PlannedOp;
  /** where it would start */
  readonly startMin: number;
}

/** A block pulled along its lane: told of every new moment, and once more where it is let go. Escape lets it fall back. */
export function useDrag(axis: Axis, on: { readonly over: (d: Drag) => void; readonly drop: (d: Drag) => void }) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const told = useRef(on);
  told.current = on;
  const axisNow = useRef(axis);
  axisNow.current = axis;
  const pulled = useRef<{ readonly op: PlannedOp; readonly fromPx: number; now: Drag | null } | null>(null);
  const justDropped = useRef(false);
  useEffect(() => {
    const move = (e: PointerEvent) => {
      const p = pulled.current;
      if (!p || (p.now === null && Math.abs(e.clientX - p.fromPx) < PULLS_FROM_PX)) return;
      const px = axisNow.current.x(p.op.startMin) + e.clientX - p.fromPx;
      const startMin = Math.round(axisNow.current.at(px) / GRID_MIN) * GRID_MIN;
      if (p.now?.startMin === startMin) return;
      p.now = { op: p.op, startMin };
      setDrag(p.now);
      told.current.over(p.now);
    };
    const end = (keep: boolean) => {
      const p = pulled.current;
      pulled.current = null;
      setDrag(null);
      justDropped.current = p?.now != null;
      if (keep && p?.now && p.now.startMin !== p.op.startMin) told.current.drop(p.now);
    };
    const up = () => end(true);
    const cancel = () => end(false);
    const key = (e: KeyboardEvent) => e.key === "Escape" && pulled.current && end(false);
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", up);
    window.addEventListener("pointercancel", cancel);
    window.addEventListener("keydown", key);
    return () => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", up);
      window.removeEventListener("pointercancel", cancel);
      window.removeEventListener("keydown", key);
    };
  }, []);
  const grab = useCallback((op: PlannedOp, e: ReactPointerEvent<SVGGElement>) => {
    // fingers scroll and zoom; a block is pulled with a mouse or a pen, or moved by its panel
    if (e.button !== 0 || e.pointerType === "touch") return;
    e.preventDefault();
    pulled.current = { op, fromPx: e.clientX, now: null };
  }, []);
  /** true once after a pull: the click that ends it is not a choice */
  const wasPull = useCallback(() => {
    const was = justDropped.current;
    justDropped.current = false;
    return was;
  }, []);
  return { drag, grab, wasPull };
}
