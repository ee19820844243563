import { useId } from "react";
import type { MaterialGroup, Sheen, Verdict } from "@/core/model";
import { GROOVE_PER_DFT } from "@/core/reference";
import { figureRead, filmText, showing } from "@/format";
import { VerdictShape, verdictInk } from "../components/VerdictMark";
import { BAR_LENGTHS_UM, type FilmIn, sectionGeometry } from "./geometry";
import { MaterialPattern } from "./textures";

export interface SectionFilm extends FilmIn {
  readonly name: string;
  /** its place in the pile, from 1: what leaves no film has a place and is not drawn */
  readonly n: number;
  /** the layer whose foot its seam is, 0 = the bare face */
  readonly seam: number;
  /** #rrggbb */
  readonly colour: string;
  readonly sheen: Sheen;
  /** of the seam below this film */
  readonly verdict: Verdict;
  /** of the face it lies on, (0, 1]; absent = all of it */
  readonly share?: number | undefined;
}

interface SectionProps {
  readonly films: readonly SectionFilm[];
  readonly group: MaterialGroup | null;
  readonly materialName: string;
  readonly ridgeUm: number | null;
  readonly detailUm: number | null;
}

const W = 330;
const H = 470;
/** x where the plain pile ends and the groove begins */
const GROOVE_X = 206;
const GROOVE_DEEP_PX = 64;
const TOP = 34;
const FACE_LEAST = 96;

/** Round figures in whatever unit films are read in. */
const BAR_MIL = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200] as const;
const barLengths = (): readonly number[] =>
  showing().film === "mil" ? BAR_MIL.map((mil) => figureRead(mil, "µm")) : BAR_LENGTHS_UM;

/** y of each seam in the drawing, bottom first, for the leaders to the cards beside it. */
export function seamHeights(films: readonly FilmIn[]): readonly number[] {
  const g = sectionGeometry(films, H - TOP - FACE_LEAST);
  return g.bands.map((b) => TOP + b.topPx + b.heightPx);
}

/** The pile as it will lie on the face, to a µm scale: what is buried, what is drowned, what sanding took. */
export function Section({ films, group, materialName, ridgeUm, detailUm }: SectionProps) {
  const id = useId();
  const g = sectionGeometry(films, H - TOP - FACE_LEAST, barLengths());
  const face = TOP + (films.length > 0 ? g.facePx : 120);
  const build = films.reduce((sum, f) => sum + f.addedUm - f.takenUm, 0);
  const title = `Section through ${films.length} layers on ${materialName}, ${filmText(build)} in all`;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width={W} height={H} role="img" aria-label={title} className="block">
      <defs>
        <MaterialPattern id={`${id}m`} group={group ?? "resin"} />
        <pattern id={`${id}g`} width="5" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 5L5 0" stroke="var(--ink)" strokeOpacity="0.45" strokeWidth="0.8" />
        </pattern>
      </defs>
      <Ground id={id} face={face} detail={detailUm !== null} />
      {films.map((film, i) => {
        const b = g.bands[i]!;
        const whole = detailUm === null ? W - 24 : GROOVE_X - 12;
        const width = whole * drawnShare(film);
        // beside a spot whatever lies over it goes down to the face
        const over = films.slice(i + 1).find((f) => drawnShare(f) === 1);
        return (
          <g key={`${film.name}${i}`}>
            {width < whole && (
              <rect
                x={12 + width}
                y={TOP + b.topPx}
                width={whole - width}
                height={b.heightPx}
                fill={over?.colour ?? "var(--color-base-100)"}
              />
            )}
            <rect
              x="12"
              y={TOP + b.topPx}
              width={width}
              height={b.heightPx}
              fill={film.colour}
              stroke="var(--ink)"
              strokeWidth="0.8"
            >
              {width < whole && <title>{`on spots, ${Math.round(100 * film.share!)} % of the face`}</title>}
            </rect>
            <SheenMark sheen={film.sheen} y={TOP + b.topPx} height={b.heightPx} right={12 + width} />
            {b.broken && (
              // no farther than the film goes
              <svg width={12 + width} height={H} overflow="hidden" aria-hidden>
                <BreakLine y={TOP + b.topPx + b.heightPx / 2} />
              </svg>
            )}
          </g>
        );
      })}
      {ridgeUm !== null && (
        <Ridges
          face={face}
          px={ridgeUm * g.pxPerUm}
          right={detailUm === null ? W - 12 : GROOVE_X}
          fill={`url(#${id}m)`}
        />
      )}
      {detailUm !== null && <Groove films={films} face={face} pxPerUm={g.pxPerUm} detailUm={detailUm} />}
      {films.map(
        (film, i) =>
          film.takenUm > 0 && (
            <Ghost
              key={`${film.name}${i}`}
              film={film}
              edge={TOP + g.bands[i]!.topPx}
              px={g.bands[i]!.ghostPx}
              fill={`url(#${id}g)`}
            />
          ),
      )}
      {films.map((film, i) => (
        <SeamTag
          key={`${film.name}${i}`}
          n={film.n}
          top={TOP + g.bands[i]!.topPx}
          height={g.bands[i]!.heightPx}
          verdict={film.verdict}
        />
      ))}
      <ScaleBar um={g.barUm} px={g.barUm * g.pxPerUm} />
      {films.length === 0 && (
        <text x={W / 2} y={TOP + 60} textAnchor="middle" fill="currentColor">
          nothing on it yet
        </text>
      )}
      <text
        x="14"
        y={H - 8}
        fontSize="14"
        fill="currentColor"
        stroke="var(--color-base-100)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {materialName}
      </text>
    </svg>
  );
}

/** Spots are drawn as wide as can be seen, however small they are. */
const drawnShare = ({ share = 1 }: Pick<SectionFilm, "share">): number => (share < 1 ? Math.max(SPOT_DRAWN, share) : 1);
const SPOT_DRAWN = 0.35;

function Ground({ id, face, detail }: { id: string; face: number; detail: boolean }) {
  const right = detail ? GROOVE_X : W - 12;
  const d = detail
    ? `M12 ${face}H${right}V${face + GROOVE_DEEP_PX}H${W - 12}V${H - 2}H12Z M${W - 34} ${face}H${W - 12}V${face + GROOVE_DEEP_PX}H${W - 34}Z`
    : `M12 ${face}H${right}V${H - 2}H12Z`;
  return <path d={d} fill={`url(#${id}m)`} stroke="var(--ink)" strokeWidth="1.4" />;
}

/** Print ridges stand up into the first films; their height is to scale, their pitch is not. */
function Ridges({ face, px, right, fill }: { face: number; px: number; right: number; fill: string }) {
  const pitch = 26;
  const n = Math.floor((right - 12) / pitch);
  const d = Array.from({ length: n }, (_, i) => `M${12 + i * pitch} ${face}q${pitch / 2} ${-2 * px} ${pitch} 0`).join(
    "",
  );
  return (
    <path d={d} fill={fill} stroke="var(--ink)" strokeWidth="1">
      <title>Print ridges, to the height scale</title>
    </path>
  );
}

/** What the rub took off again, drawn where it stood. */
function Ghost({ film, edge, px, fill }: { film: SectionFilm; edge: number; px: number; fill: string }) {
  const label = `${filmText(film.takenUm)} sanded off`;
  return (
    <g>
      <rect x={GROOVE_X - 64} y={edge - px} width={58} height={px} fill="var(--color-base-100)" fillOpacity="0.55" />
      <rect
        x={GROOVE_X - 64}
        y={edge - px}
        width={58}
        height={px}
        fill={fill}
        stroke="var(--ink)"
        strokeDasharray="3 3"
        strokeWidth="1"
      >
        <title>{label}</title>
      </rect>
      <text
        x={GROOVE_X + 4}
        y={edge - px / 2 + 4}
        fontSize="13"
        fill="currentColor"
        stroke="var(--color-base-100)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {label}
      </text>
    </g>
  );
}

/** The narrowest groove with the film on its walls; drawn to the height scale where it fits, smaller and said so where not. */
function Groove({
  films,
  face,
  pxPerUm,
  detailUm,
}: {
  films: readonly SectionFilm[];
  face: number;
  pxPerUm: number;
  detailUm: number;
}) {
  const room = W - 34 - GROOVE_X;
  const scale = Math.min(pxPerUm, room / detailUm);
  const right = GROOVE_X + detailUm * scale;
  const keeps = films.map((f) => f.addedUm - f.takenUm);
  const buildUm = keeps.reduce((a, b) => a + b, 0);
  const leftUm = Math.max(0, detailUm - GROOVE_PER_DFT * buildUm);
  const floor = face + GROOVE_DEEP_PX;
  // each film lies on both walls, so half of what it narrows the groove by stands on either
  const upTo = keeps.map((_, i) => (GROOVE_PER_DFT / 2) * scale * keeps.slice(0, i + 1).reduce((a, b) => a + b, 0));
  return (
    <g>
      {films
        .map((f, i) => ({ f, t: Math.min((right - GROOVE_X) / 2, upTo[i]!), i }))
        .reverse()
        .map(({ f, t, i }) => (
          <path
            key={`${f.name}${i}`}
            d={`M${GROOVE_X} ${face}h${t}V${floor - t}H${right - t}V${face}H${right}V${floor}H${GROOVE_X}Z`}
            fill={f.colour}
            stroke="var(--ink)"
            strokeWidth="0.6"
          />
        ))}
      <g textAnchor="middle" fontSize="13" fill="currentColor">
        <text x={(GROOVE_X + W - 12) / 2} y={face - 34}>
          {filmText(detailUm)} groove
        </text>
        <text x={(GROOVE_X + W - 12) / 2} y={face - 10} fontWeight="700">
          keeps {filmText(leftUm)}
        </text>
        {scale < pxPerUm && (
          <text
            x={(GROOVE_X + W - 12) / 2}
            y={floor + 18}
            stroke="var(--color-base-300)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            1 : {Math.round(pxPerUm / scale)} of the heights
          </text>
        )}
      </g>
    </g>
  );
}

/** Gloss carries a bright line under its top edge, satin a broken one, matt a row of grains. */
const SHEEN_DASH: Readonly<Record<Sheen, string | undefined>> = { gloss: undefined, satin: "14 8", matt: "0.1 6" };
const SHEEN_LEAST_PX = 11;

function SheenMark({ sheen, y, height, right }: { sheen: Sheen; y: number; height: number; right: number }) {
  if (height < SHEEN_LEAST_PX) return null;
  return (
    <path
      d={`M118 ${y + 4}H${right - 8}`}
      stroke="#ffffff"
      strokeOpacity="0.75"
      strokeWidth="2"
      strokeLinecap="round"
      strokeDasharray={SHEEN_DASH[sheen]}
    />
  );
}

function BreakLine({ y }: { y: number }) {
  return (
    <path
      d={`M8 ${y}l40 -7 10 14 40 -14 10 14 40 -14 10 14 54 -10`}
      stroke="var(--color-base-100)"
      strokeWidth="5"
      fill="none"
    />
  );
}

function SeamTag({ n, top, height, verdict }: { n: number; top: number; height: number; verdict: Verdict }) {
  const y = top + height;
  return (
    <g>
      <text
        x="20"
        y={top + height / 2 + 4.5}
        fontSize="13"
        fontWeight="700"
        fill="var(--ink)"
        stroke="var(--color-base-100)"
        strokeWidth="3.5"
        paintOrder="stroke"
      >
        {height >= 12 ? n : ""}
      </text>
      <g transform={`translate(90 ${y - 9})`} className={verdictInk(verdict)}>
        <circle cx="12" cy="9" r="12" fill="var(--color-base-100)" stroke="currentColor" />
        <g transform="translate(3.6 2.7) scale(0.7)">
          <VerdictShape verdict={verdict} />
        </g>
      </g>
    </g>
  );
}

function ScaleBar({ um: length, px }: { um: number; px: number }) {
  return (
    <g stroke="currentColor" strokeWidth="1.6" aria-hidden>
      <path d={`M14 10h${px}M14 6v8M${14 + px} 6v8`} fill="none" />
      <text x={20 + px} y="15" fontSize="13" stroke="none" fill="currentColor">
        {filmText(length)}, heights to scale
      </text>
    </g>
  );
}
