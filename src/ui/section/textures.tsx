import type { MaterialGroup } from "@/core/model";

const INK = "var(--ink)";
const MARKS: Readonly<Record<MaterialGroup, { readonly w: number; readonly h: number; readonly d: string }>> = {
  plastic: { w: 14, h: 7, d: "M0 6.5h14M3 3h8" },
  resin: { w: 12, h: 12, d: "M3 3h.01M9 8h.01M5 11h.01" },
  foam: { w: 22, h: 20, d: "M6 2l6 0 3 5-3 5-6 0-3-5zM17 10l5 0M15 7l2 3-2 5M6 12l-2 5" },
  metal: { w: 8, h: 8, d: "M-1 9L9 -1M3 9L9 3M-1 5L5 -1" },
  porous: { w: 40, h: 14, d: "M0 4c10-4 14 4 24 0s12 2 16 0M0 11c8 3 16-3 24 0s12-2 16 0" },
  laminate: { w: 12, h: 12, d: "M0 3h6M6 9h6M3 6v6M9 0v6" },
};

/** Each kind of material has its own texture, so that no colour is needed to tell them apart. */
export function MaterialPattern({ id, group }: { id: string; group: MaterialGroup }) {
  const { w, h, d } = MARKS[group];
  return (
    <pattern id={id} width={w} height={h} patternUnits="userSpaceOnUse">
      <rect width={w} height={h} fill="var(--color-base-300)" />
      <path d={d} stroke={INK} strokeOpacity="0.5" strokeWidth="1.3" strokeLinecap="round" fill="none" />
    </pattern>
  );
}
