"use client";

import { type RefObject, useEffect, useState } from "react";

const GUTTER_PX = 48;
const SECTION_PX = 330;

/** Lines from each seam of the drawing to the words about it; only where both stand side by side. */
export function Leaders({
  seamsPx,
  seams,
  list,
}: {
  seamsPx: readonly number[];
  /** the layer each seam is under, 0 = the bare face */
  seams: readonly number[];
  list: RefObject<HTMLDivElement | null>;
}) {
  const [ends, setEnds] = useState<readonly (number | null)[]>([]);
  const told = seams.join();
  useEffect(() => {
    const box = list.current;
    if (!box) return;
    const measure = () => {
      const top = box.getBoundingClientRect().top;
      setEnds(
        told.split(",").map((i) => {
          const card = box.querySelector(`[data-seam="${i}"]`);
          return card ? card.getBoundingClientRect().top - top + 16 : null;
        }),
      );
    };
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(box);
    return () => watch.disconnect();
  }, [told, list]);
  return (
    <svg
      className="pointer-events-none absolute top-0 hidden h-full xl:block"
      style={{ left: SECTION_PX - 8, width: GUTTER_PX + 8 }}
      aria-hidden
    >
      {seamsPx.map((y, i) => {
        const end = ends[i];
        return end == null ? null : (
          <path
            key={i}
            d={`M0 ${y}h10L${GUTTER_PX - 6} ${end}h14`}
            stroke="currentColor"
            strokeOpacity="0.5"
            strokeWidth="1.2"
            fill="none"
          />
        );
      })}
    </svg>
  );
}
