import { type RefObject, useCallback, useEffect, useRef, useState } from "react";

const LEAST = 0.15;
const MOST = 6;
const STEP = 1.25;
const held = (z: number): number => Math.min(MOST, Math.max(LEAST, z));

/** Wheel and fingers over an element. @returns how to stop listening */
function listen(el: HTMLElement, by: (factor: number, atPx?: number) => void): () => void {
  const wheel = (e: WheelEvent) => {
    if (!e.ctrlKey && !e.metaKey) return;
    e.preventDefault();
    by(e.deltaY < 0 ? STEP : 1 / STEP, e.clientX - el.getBoundingClientRect().left);
  };
  const fingers = new Map<number, number>();
  let apart = 0;
  const spread = () => {
    const xs = [...fingers.values()];
    return Math.abs(xs[0]! - xs[1]!);
  };
  const down = (e: PointerEvent) => {
    if (e.pointerType !== "touch") return;
    fingers.set(e.pointerId, e.clientX);
    if (fingers.size === 2) apart = spread();
  };
  const move = (e: PointerEvent) => {
    if (!fingers.has(e.pointerId)) return;
    fingers.set(e.pointerId, e.clientX);
    if (fingers.size !== 2 || apart < 20) return;
    const now = spread();
    if (Math.abs(now / apart - 1) < 0.05) return;
    const xs = [...fingers.values()];
    by(now / apart, (xs[0]! + xs[1]!) / 2 - el.getBoundingClientRect().left);
    apart = now;
  };
  const up = (e: PointerEvent) => void fingers.delete(e.pointerId);
  el.addEventListener("wheel", wheel, { passive: false });
  el.addEventListener("pointerdown", down);
  el.addEventListener("pointermove", move);
  for (const kind of ["pointerup", "pointercancel"] as const) el.addEventListener(kind, up);
  return () => {
    el.removeEventListener("wheel", wheel);
    el.removeEventListener("pointerdown", down);
    el.removeEventListener("pointermove", move);
    for (const kind of ["pointerup", "pointercancel"] as const) el.removeEventListener(kind, up);
  };
}

/**
 * Zoom of a scrolling drawing: wheel with Ctrl or the command key, two fingers, or + − 0 while it has the focus. What lies under
 * the pointer stays there. The plain wheel and one finger scroll, as everywhere.
 * @param leftPx width of what stands left of the drawing and does not zoom
 */
export function useZoom(scroller: RefObject<HTMLElement | null>, leftPx: number, start: number) {
  const [zoom, setZoom] = useState(held(start));
  const keep = useRef<{ readonly px: number; readonly share: number } | null>(null);
  const by = useCallback(
    (factor: number, atPx?: number) => {
      const el = scroller.current;
      if (!el) return;
      const px = atPx ?? el.clientWidth / 2;
      const drawn = Math.max(1, el.scrollWidth - leftPx);
      keep.current = { px, share: (el.scrollLeft + px - leftPx) / drawn };
      setZoom((z) => held(z * factor));
    },
    [scroller, leftPx],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs after each zoom, when the new width is there
  useEffect(() => {
    const el = scroller.current;
    const at = keep.current;
    keep.current = null;
    if (el && at) el.scrollLeft = at.share * Math.max(1, el.scrollWidth - leftPx) + leftPx - at.px;
  }, [zoom]);
  useEffect(() => {
    const el = scroller.current;
    if (!el) return;
    return listen(el, by);
  }, [scroller, by]);
  const onKey = useCallback(
    (e: { readonly key: string }) => {
      if (e.key === "+" || e.key === "=") by(STEP);
      else if (e.key === "-") by(1 / STEP);
      else if (e.key === "0") setZoom(1);
    },
    [by],
  );
  return { zoom, by, reset: useCallback(() => setZoom(1), []), onKey };
}
