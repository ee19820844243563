import type { ReactNode } from "react";
import type { MishapSign } from "@/core/model";

/** A face seen from above or a film cut through, with what went wrong on it: drawn by ourselves, one a sign. 64 by 44. */
const GROUND = <path d="M4 36h56" strokeWidth="3" />;
const film = (d: string, fill = "currentColor") => <path d={d} fill={fill} fillOpacity="0.22" />;
const FLAT = film("M4 24h56v12H4z");
const face = <rect x="6" y="5" width="52" height="34" rx="3" fill="currentColor" fillOpacity="0.14" />;
const dots = (...at: readonly (readonly [number, number, number])[]) =>
  at.map(([x, y, r]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} />);

const ART: Readonly<Record<MishapSign, ReactNode>> = {
  lifting: (
    <>
      {GROUND}
      {film("M4 27c6-14 10-14 14 0 4-18 10-18 15 0 4-14 9-14 13 0 4-9 9-9 14 0v9H4z")}
    </>
  ),
  bubbles: (
    <>
      {GROUND}
      {FLAT}
      {dots([14, 22, 4], [26, 26, 2.5], [35, 21, 5], [47, 25, 3], [54, 22, 2])}
    </>
  ),
  clogging: (
    <>
      <path d="M8 12h48v14H8z" fill="currentColor" fillOpacity="0.14" />
      <path d="M12 26c0 5 5 7 7 2m4-2c0 8 8 8 8 1m6-1c0 6 7 7 8 1" />
      {GROUND}
    </>
  ),
  cracks: (
    <>
      {face}
      <path d="M12 6l8 12-5 8 10 12M20 18l14-3 8 8 10-4M34 15l2-9M42 23l-3 15" />
    </>
  ),
  flakes: (
    <>
      {GROUND}
      {film("M4 24h22l6 12H4z")}
      {film("M38 15l18-6 4 9-18 6z")}
      <path d="M34 30l6-7" strokeDasharray="2 3" />
    </>
  ),
  "fish-eyes": (
    <>
      {face}
      {dots([18, 15, 5], [40, 20, 7], [24, 30, 4], [50, 32, 3])}
      {dots([18, 15, 1], [40, 20, 1.6], [24, 30, 0.8])}
    </>
  ),
  run: (
    <>
      {face}
      <path d="M20 5v16a4 4 0 0 0 8 0V12m10-7v24a4.5 4.5 0 0 0 9 0V9" />
    </>
  ),
  streak: (
    <>
      {face}
      <path d="M16 8c2 10-2 18 1 28M28 7c-1 12 3 20 0 31M42 8c3 8-2 20 1 29" strokeWidth="3.5" opacity="0.55" />
    </>
  ),
  rough: (
    <>
      {GROUND}
      {film("M4 26l3-4 3 3 3-5 4 5 3-3 3 4 4-6 3 5 4-3 3 4 3-5 4 5 3-4 4 4 3-5 4 5 2-2v10H4z")}
    </>
  ),
  "orange-peel": (
    <>
      {GROUND}
      {film("M4 25c3-4 7-4 10 0 3-4 7-4 10 0 3-4 7-4 10 0 3-4 7-4 10 0 3-4 7-4 10 0 2-2 4-3 6-2v13H4z")}
    </>
  ),
  haze: (
    <>
      {GROUND}
      {FLAT}
      <path d="M8 19c4-4 8 3 12-1s8 3 12-1 8 3 12-1 8 2 12 0M12 12c4-4 8 3 12-1s8 3 12-1 8 3 12-1" opacity="0.7" />
    </>
  ),
  silvered: (
    <>
      {face}
      <rect x="15" y="13" width="34" height="18" strokeDasharray="3 2" />
      <path d="M20 26l6-9M28 27l4-6M38 25l6-8" opacity="0.6" />
    </>
  ),
  patchy: (
    <>
      {face}
      <path
        d="M10 12c8-5 14 2 10 8s-12 3-10-8zM34 20c6-8 18-4 16 4s-18 8-16-4z"
        fill="currentColor"
        fillOpacity="0.35"
      />
    </>
  ),
  "shows-through": (
    <>
      {GROUND}
      {film("M4 32h18c8-1 12-8 20-8h18v12H4z")}
      <path d="M8 28h10" strokeDasharray="2 2" />
    </>
  ),
  "wrong-shade": (
    <>
      <rect x="6" y="8" width="24" height="28" fill="currentColor" fillOpacity="0.12" />
      <rect x="34" y="8" width="24" height="28" fill="currentColor" fillOpacity="0.5" />
      <path d="M28 22h8M32 18v8" />
    </>
  ),
  scratches: (
    <>
      {face}
      <path d="M10 34L34 8M18 37L44 9M30 37L54 12M9 20L20 8" />
    </>
  ),
  sunken: (
    <>
      {film("M4 20h18c4 9 16 9 20 0h18v16H4z")}
      <path d="M22 20h20" strokeDasharray="2 3" />
    </>
  ),
  eaten: (
    <>
      {film("M4 16h10c0 8 6 9 7 3 2 12 11 14 12 4 1 8 9 8 9-1 1-6 2-6 4-6h14v22H4z")}
      <path d="M18 8l2 5m10-7v6m10-4l-2 5" />
    </>
  ),
  weeping: (
    <>
      {face}
      <path
        d="M20 12c-5 8-5 11 0 12 5-1 5-4 0-12zM40 17c-6 10-6 14 0 15 6-1 6-5 0-15z"
        fill="currentColor"
        fillOpacity="0.4"
      />
    </>
  ),
  aged: (
    <>
      {face}
      <circle cx="50" cy="11" r="5" />
      <path d="M12 30c10-3 14 4 24 0M12 22c6-2 10 2 16 0" strokeDasharray="3 3" />
    </>
  ),
  nib: (
    <>
      {GROUND}
      {film("M4 26h20c4-8 12-8 14 0h22v10H4z")}
      <circle cx="31" cy="26" r="2.5" fill="currentColor" />
      <path d="M44 23c4-8 8-2 10-8" />
    </>
  ),
  "foreign-mist": (
    <>
      {face}
      {dots(
        [12, 12, 1],
        [18, 9, 1.4],
        [24, 14, 1],
        [16, 19, 1.2],
        [30, 10, 1],
        [26, 21, 1.4],
        [36, 16, 1],
        [20, 27, 1],
        [42, 11, 0.8],
      )}
    </>
  ),
  bleed: (
    <>
      <rect x="6" y="5" width="26" height="34" fill="currentColor" fillOpacity="0.35" />
      <path d="M32 5c3 4-1 6 4 8s-3 5 2 8-4 6 1 9-5 5-1 9" />
      <rect x="33" y="5" width="25" height="34" strokeDasharray="3 3" />
    </>
  ),
  dropped: (
    <>
      <path d="M24 6h14v12H24z" transform="rotate(24 31 12)" fill="currentColor" fillOpacity="0.25" />
      <path d="M20 10l-6 8m32-10l5 7M31 24v6" />
      <path d="M10 36h44" strokeWidth="3" />
    </>
  ),
  touched: (
    <>
      {face}
      <path d="M24 14c4-7 14-6 15 2s-2 16-8 17-12-8-7-19zM28 17c2-4 7-3 7 2s-1 9-4 10m-1-10c1-2 3-1 3 1" />
    </>
  ),
  "rubbed-through": (
    <>
      <path d="M8 30l14-16h34v22H8z" fill="currentColor" fillOpacity="0.22" />
      <path d="M14 26l12-12h6l-14 16z" fill="currentColor" fillOpacity="0.7" />
    </>
  ),
  "ran-out": (
    <>
      <path d="M22 12h20v26H22zM27 12V6h10v6" />
      <path d="M26 34h12" strokeDasharray="2 2" />
    </>
  ),
  slipped: (
    <>
      <path d="M14 5v20m0 0l8 12" />
      <path d="M28 22h16v10H28z" transform="rotate(38 36 27)" fill="currentColor" fillOpacity="0.25" />
      <path d="M6 40h52" strokeWidth="3" />
    </>
  ),
  "rained-on": (
    <>
      <path d="M14 6l-4 7m14-7l-4 7m14-7l-4 7m14-7l-4 7m14-7l-4 7" />
      {film("M4 26h56v10H4z")}
      {dots([16, 24, 3], [34, 24, 4], [50, 24, 2.5])}
    </>
  ),
  "product-bad": (
    <>
      <path d="M20 10h24v28H20z" />
      <path d="M20 28c6-3 10 3 14 0s6-2 10 0v10H20z" fill="currentColor" fillOpacity="0.5" />
      <path d="M27 15l10 8m0-8l-10 8" />
    </>
  ),
  "wrong-product": (
    <>
      <path d="M8 14h16v22H8zM40 14h16v22H40z" />
      <path d="M27 20h10m-4-4l4 4-4 4M37 30H27m4-4l-4 4 4 4" />
    </>
  ),
  "left-too-long": (
    <>
      <circle cx="32" cy="22" r="16" />
      <path d="M32 11v11l8 6" />
    </>
  ),
};

export const SignArt = ({ sign }: { sign: MishapSign }) => (
  <svg
    viewBox="0 0 64 44"
    className="h-11 w-16 shrink-0"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.8"
    strokeLinecap="round"
    strokeLinejoin="round"
    aria-hidden
  >
    {ART[sign]}
  </svg>
);
