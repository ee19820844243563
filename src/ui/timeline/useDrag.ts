import { type PointerEvent as ReactPointerEvent, useCallback, useEffect, useRef, useState } from "react";
import type { PlannedOp } from "@/core/plan";
import type { Axis } from "./axis";

/** Nearer than this a press is a press, not a pull, px. */
const PULLS_FROM_PX = 5;
const GRID_MIN = 5;
/** A finger that rests on a block so long has taken hold of it; one that goes off sooner scrolls. */
const FINGER_HOLDS_MS = 350;
const FINGER_STRAYS_PX = 10;

export interface Drag {
  readonly op: PlannedOp;
  /** where it would start */
  readonly startMin: number;
}

/**
 * A block pulled along its lane, by mouse or pen at once, by a finger once it has rested on it: told of every new moment, and once more
 * where it is let go. Escape, or a second finger, lets it fall back.
 */
export function useDrag(axis: Axis, on: { readonly over: (d: Drag) => void; readonly drop: (d: Drag) => void }) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const told = useRef(on);
  told.current = on;
  const axisNow = useRef(axis);
  axisNow.current = axis;
  const pulled = useRef<{ readonly op: PlannedOp; readonly fromPx: number; now: Drag | null } | null>(null);
  const justDropped = useRef(false);
  const finger = useRef<{ readonly fromPx: number; readonly timer: number } | null>(null);
  useEffect(() => {
    const lift = () => {
      if (finger.current) window.clearTimeout(finger.current.timer);
      finger.current = null;
    };
    const move = (e: PointerEvent) => {
      if (finger.current && Math.abs(e.clientX - finger.current.fromPx) > FINGER_STRAYS_PX) lift();
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
      lift();
      const p = pulled.current;
      pulled.current = null;
      setDrag(null);
      justDropped.current = p?.now != null;
      if (keep && p?.now && p.now.startMin !== p.op.startMin) told.current.drop(p.now);
    };
    const up = () => end(true);
    const cancel = () => end(false);
    const key = (e: KeyboardEvent) => e.key === "Escape" && pulled.current && end(false);
    const down = (e: PointerEvent) => e.isPrimary || end(false);
    // a block in hand is not scrolled away under the finger, nor answered with a menu
    const still = (e: Event) => pulled.current && e.preventDefault();
    window.addEventListener("pointerdown", down);
    window.addEventListener("touchmove", still, { passive: false });
    window.addEventListener("contextmenu", still);
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", up);
    window.addEventListener("pointercancel", cancel);
    window.addEventListener("keydown", key);
    return () => {
      lift();
      window.removeEventListener("pointerdown", down);
      window.removeEventListener("touchmove", still);
      window.removeEventListener("contextmenu", still);
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", up);
      window.removeEventListener("pointercancel", cancel);
      window.removeEventListener("keydown", key);
    };
  }, []);
  const grab = useCallback((op: PlannedOp, e: ReactPointerEvent<SVGGElement>) => {
    if (e.button !== 0 || !e.isPrimary) return;
    const fromPx = e.clientX;
    if (e.pointerType === "touch") {
      const take = () => {
        const now = { op, startMin: op.startMin };
        pulled.current = { op, fromPx, now };
        setDrag(now);
      };
      finger.current = { fromPx, timer: window.setTimeout(take, FINGER_HOLDS_MS) };
      return;
    }
    e.preventDefault();
    pulled.current = { op, fromPx, now: null };
  }, []);
  /** true once after a pull: the click that ends it is not a choice */
  const wasPull = useCallback(() => {
    const was = justDropped.current;
    justDropped.current = false;
    return was;
  }, []);
  return { drag, grab, wasPull };
}
