"use client";

import { Camera, X } from "lucide-react";
import { type KeyboardEvent, type MouseEvent, useId, useMemo, useState } from "react";
import { afterLookAction, finishAction } from "@/actions/bench";
import { lookAction } from "@/actions/mishaps";
import type { BenchScreen, FaceView } from "@/contracts";
import { MARK_KINDS, MARK_SIZES, type MarkKind, type MarkSize } from "@/core/model";
import type { BenchTile } from "@/core/plan";
import { MARK_NAME, MARK_SIZE_NAME } from "@/messages";
import { freshId } from "../fresh-id";
import { useUpload } from "../hooks/upload";
import { useAct } from "../hooks/useAct";
import type { Sheet } from "../hooks/useSheet";
import { markText } from "./mark-text";

interface Mark {
  readonly id: string;
  readonly kind: MarkKind;
  readonly size: MarkSize;
  readonly at: { readonly x: number; readonly y: number } | null;
  readonly note: string;
}

interface LookProps {
  readonly tile: Pick<BenchTile, "regionId" | "op" | "zone">;
  readonly name: string;
  readonly view: FaceView;
  readonly close: () => void;
}

/** A look at a face: a picture of it or none, what was found and where, and what comes of it. */
export function LookSheet({ sheet, screen }: { sheet: Sheet<string>; screen: BenchScreen }) {
  const regionId = sheet.about;
  const tile = screen.tiles.find((t) => t.regionId === regionId);
  const view = regionId === null ? undefined : screen.faces[regionId];
  const name = regionId === null ? "" : (screen.names[regionId] ?? "");
  return (
    <dialog ref={sheet.ref} className="modal modal-bottom" aria-label={`Look: ${name}`}>
      {tile && view && <Look key={sheet.n} tile={tile} name={name} view={view} close={sheet.close} />}
    </dialog>
  );
}

function Look({ tile, name, view, close }: LookProps) {
  const { act, busy } = useAct();
  const [photo, setPhoto] = useState<string | null>(null);
  const [marks, setMarks] = useState<readonly Mark[]>([]);
  const [brush, setBrush] = useState<BrushState>({
    kind: "pit",
    size: "plain",
    note: "",
  });
  const add = (at: Mark["at"]) => setMarks((m) => [...m, { id: freshId(), ...brush, at }]);
  const isRound = tile.op?.kind === "inspect";
  const keep = async (found: "nothing" | "more" | null) => {
    const kept = await act(() => lookAction(tile.regionId, { photo, marks: found === "nothing" ? [] : marks }));
    if (!kept.ok) return;
    if (isRound && found !== null) {
      const opId = tile.op!.id;
      const asPlanned = { opId, minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
      if (tile.zone === "in-hand" && found === "nothing") await act(() => finishAction(tile.regionId, asPlanned));
      await act(() => afterLookAction(tile.regionId, opId, found));
    }
    close();
  };
  return (
    <div className="modal-box grid h-dvh max-h-dvh w-full max-w-5xl content-start gap-4 rounded-none p-4">
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-2xl leading-tight font-bold">{name}: what do you see?</h2>
        <button type="button" className="btn btn-lg" onClick={close}>
          Back to the bench
        </button>
      </div>
      <Brush brush={brush} set={setBrush} />
      <div className="grid items-start gap-4 lg:grid-cols-2">
        {view.photo && (
          <figure className="grid gap-1">
            <MarkedPhoto
              hash={view.photo}
              marks={view.marks.filter((m) => m.photo === view.photo)}
              alt={`${name}, at the last look`}
            />
            <figcaption className="soft text-base">at the last look</figcaption>
          </figure>
        )}
        <div className="grid gap-2">
          {photo && <MarkedPhoto hash={photo} marks={marks} alt={`${name}, now`} place={add} />}
          <PhotoButton name={name} has={photo !== null} take={setPhoto} />
          <button type="button" className="btn btn-lg" onClick={() => add(null)}>
            Add a {MARK_NAME[brush.kind].toLowerCase()} {photo ? "without a place" : "to the list"}
          </button>
          <ol className="grid gap-1 text-lg" aria-label="Marks">
            {marks.map((m, n) => (
              <li key={m.id} className="flex min-h-11 items-center gap-2">
                <span className="soft w-6 tabular-nums">{n + 1}</span>
                <span className="flex-1">
                  {markText(m)}
                  {m.at && <span className="sr-only">, {placeText(m.at)}</span>}
                </span>
                <button
                  type="button"
                  className="btn btn-ghost btn-square size-11"
                  aria-label={`Take mark ${n + 1} away`}
                  onClick={() => setMarks(marks.filter((x) => x.id !== m.id))}
                >
                  <X className="size-5" aria-hidden />
                </button>
              </li>
            ))}
          </ol>
        </div>
      </div>
      <div className="flex flex-wrap gap-2 border-t border-base-300 pt-3">
        {isRound && (
          <button
            type="button"
            className="btn btn-lg"
            disabled={busy || marks.length > 0}
            onClick={() => void keep("nothing")}
          >
            Nothing found: no more rounds
          </button>
        )}
        <button
          type="button"
          className="btn btn-primary btn-lg"
          disabled={busy || (marks.length === 0 && photo === null)}
          onClick={() => void keep(isRound && marks.length > 0 ? "more" : null)}
        >
          {marks.length === 0
            ? "Keep the picture"
            : isRound
              ? `Keep the list of ${marks.length}: one round more`
              : `Keep the list of ${marks.length}`}
        </button>
      </div>
    </div>
  );
}

const placeText = ({ x, y }: { x: number; y: number }): string =>
  `${y < 1 / 3 ? "top" : y > 2 / 3 ? "bottom" : "middle"} ${x < 1 / 3 ? "left" : x > 2 / 3 ? "right" : "centre"}`;

type BrushState = { kind: MarkKind; size: MarkSize; note: string };

function Brush({ brush, set }: { brush: BrushState; set: (b: BrushState) => void }) {
  return (
    <div className="grid gap-2">
      <fieldset className="flex flex-wrap gap-2">
        <legend className="sr-only">Kind of mark</legend>
        {MARK_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={kind === brush.kind}
            className={`btn min-h-12 ${kind === brush.kind ? "btn-neutral" : ""}`}
            onClick={() => set({ ...brush, kind })}
          >
            {MARK_NAME[kind]}
          </button>
        ))}
      </fieldset>
      <fieldset className="flex flex-wrap items-center gap-2">
        <legend className="sr-only">Size of mark</legend>
        {MARK_SIZES.map((size) => (
          <button
            key={size}
            type="button"
            aria-pressed={size === brush.size}
            className={`btn min-h-12 ${size === brush.size ? "btn-neutral" : ""}`}
            onClick={() => set({ ...brush, size })}
          >
            {MARK_SIZE_NAME[size]}
          </button>
        ))}
        <label className="text-base">
          Note
          <input
            className="input ml-2 w-52"
            value={brush.note}
            maxLength={200}
            placeholder="by the hatch"
            onChange={(e) => set({ ...brush, note: e.target.value })}
          />
        </label>
      </fieldset>
    </div>
  );
}

function PhotoButton({ name, has, take }: { name: string; has: boolean; take: (hash: string) => void }) {
  const id = useId();
  const { take: upload, busy, fault } = useUpload(take);
  return (
    <div>
      <label htmlFor={id} className={`btn btn-lg w-full ${busy ? "btn-disabled" : ""}`}>
        <Camera className="size-5" aria-hidden />
        {busy ? "Making it smaller…" : has ? "Another picture" : "A picture to mark on"}
        <span className="sr-only"> of {name}</span>
      </label>
      <input
        id={id}
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        onChange={(e) => void upload(e.target.files?.[0])}
      />
      {fault && <p className="text-base text-error">{fault}</p>}
    </div>
  );
}

/** How far an arrow key moves the cross, as a share of the picture. */
const STEP = 0.02;
const clamp = (x: number): number => Math.min(1, Math.max(0, x));

/** A picture with its marks as numbered points. With `place`, pressing on it sets one; so do the arrow keys and Enter. */
function MarkedPhoto({
  hash,
  marks,
  alt,
  place,
}: {
  hash: string;
  marks: readonly Pick<Mark, "id" | "kind" | "size" | "at" | "note">[];
  alt: string;
  place?: (at: { x: number; y: number }) => void;
}) {
  const [size, setSize] = useState({ w: 4, h: 3 });
  const [cross, setCross] = useState<{ x: number; y: number } | null>(null);
  const r = Math.max(size.w, size.h) / 45;
  // the cross moves over hundreds of marks that stay where they are
  const points = useMemo(
    () =>
      marks.map((m, n) =>
        m.at ? (
          <g key={m.id} transform={`translate(${m.at.x * size.w} ${m.at.y * size.h})`} pointerEvents="none">
            <circle
              r={r * (m.size === "deep" ? 1.3 : m.size === "fine" ? 0.8 : 1)}
              fill="#fbf7ee"
              stroke="#99281c"
              strokeWidth={r / 5}
            />
            <text textAnchor="middle" dominantBaseline="central" fontSize={r * 1.1} fontWeight="700" fill="#25211a">
              {n + 1}
            </text>
          </g>
        ) : null,
      ),
    [marks, size, r],
  );
  const press = (e: MouseEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    place?.({ x: clamp((e.clientX - box.left) / box.width), y: clamp((e.clientY - box.top) / box.height) });
  };
  const key = (e: KeyboardEvent<SVGSVGElement>) => {
    const at = cross ?? { x: 0.5, y: 0.5 };
    const move = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[e.key];
    if (move) setCross({ x: clamp(at.x + move[0]!), y: clamp(at.y + move[1]!) });
    else if (e.key === "Enter" || e.key === " ") place?.(at);
    else return;
    e.preventDefault();
  };
  const told = marks.map((m, n) => `${n + 1} ${markText(m)}`).join("; ");
  const keys = place
    ? {
        tabIndex: 0,
        role: "application" as const,
        "aria-label": `${alt}. Arrow keys move a cross, Enter sets a mark. ${told}`,
        onClick: press,
        onKeyDown: key,
        onFocus: () => setCross((c) => c ?? { x: 0.5, y: 0.5 }),
        onBlur: () => setCross(null),
      }
    : { role: "img" as const, "aria-label": told || "no marks" };
  return (
    <div className="relative overflow-hidden rounded-box border border-base-300">
      {/* biome-ignore lint/performance/noImgElement: comes from the local database, at its own size */}
      <img
        src={`/api/v1/photos/${hash}`}
        alt={alt}
        className="block w-full"
        decoding="async"
        onLoad={(e) => setSize({ w: e.currentTarget.naturalWidth, h: e.currentTarget.naturalHeight })}
      />
      <svg
        viewBox={`0 0 ${size.w} ${size.h}`}
        className={`absolute inset-0 size-full ${place ? "cursor-crosshair" : ""}`}
        {...keys}
      >
        <title>{told || "no marks"}</title>
        {points}
        {cross && (
          <path
            d={`M${cross.x * size.w - r} ${cross.y * size.h}h${2 * r}M${cross.x * size.w} ${cross.y * size.h - r}v${2 * r}`}
            stroke="#99281c"
            strokeWidth={r / 4}
            pointerEvents="none"
          />
        )}
      </svg>
    </div>
  );
}
