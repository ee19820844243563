"use client";

import { Ellipsis } from "lucide-react";
import { useRef } from "react";
import { afterLookAction, finishAction, takeBackAction } from "@/actions/bench";
import type { BenchScreen, NamedFilm } from "@/contracts";
import type { BenchTile } from "@/core/plan";
import type { Operation } from "@/core/work";
import { clock, countdown, duration, filmText, relativeDay } from "@/format";
import { againstTexts, MILESTONE_NAME, safetyLine, sumsOfWork, workHow, workSafety, workText } from "@/messages";
import { SumLinks } from "../components/SumLinks";
import { useAct } from "../hooks/useAct";
import { LessonLine } from "../mishap/LessonLine";
import { OpenMarks } from "../mishap/OpenMarks";
import { WrongButtons } from "../mishap/WrongButtons";
import { MiniSection } from "../section/MiniSection";
import { isFilmWait, WhySoLong } from "../waits/WhySoLong";
import { DoneDialog } from "./DoneDialog";
import { LookDialog } from "./LookDialog";
import { Ring } from "./Ring";
import { StartDialog } from "./StartDialog";
import { TellDialog } from "./TellDialog";
import { useDeed } from "./useDeed";

/** How far up the pile this step finds the part. */
function pileAt(op: Operation, films: readonly NamedFilm[]) {
  const at = films.findIndex((f) => f.layerId === op.layerId);
  const lying = films.filter((f) => f.lies).length;
  const laid = op.layerId === null ? lying : op.kind === "sand" ? at + 1 : at;
  return { films, laid: Math.max(0, laid), begun: op.kind === "coat" && op.coat > 1 };
}

/** One part as it stands now: what it is at or waits for, the big buttons, the cautions of the product in hand. */
/** On a phone beside the booth it is pressed with a gloved thumb. */
const DEED = "btn btn-primary btn-lg max-sm:min-h-16 max-sm:basis-full max-sm:text-xl";

export function Tile({
  tile,
  zone,
  screen,
  nowMin,
  goWrong,
  look,
}: {
  tile: BenchTile;
  zone: BenchTile["zone"];
  screen: BenchScreen;
  nowMin: number;
  /** something went wrong with it: something new, or a report to go on with */
  goWrong: (reportId: string | null) => void;
  /** looks at it, to mark what is found */
  look: () => void;
}) {
  const { act, busy: acting } = useAct();
  const { deed, busy: doing, settling } = useDeed();
  // one press is one deed, until the board shows what came of it
  const busy = acting || doing || settling;
  const done = useRef<HTMLDialogElement>(null);
  const wait = useRef<HTMLDialogElement>(null);
  const against = useRef<HTMLDialogElement>(null);
  const besides = useRef<HTMLDialogElement>(null);
  const op = tile.op!;
  const pile = pileAt(op, screen.films[tile.regionId] ?? []);
  const productId = op.productId ?? op.withId ?? null;
  const product = productId === null ? null : (screen.products[productId] ?? null);
  const title = workText(op, (id) => screen.products[id]?.name);
  const name = screen.names[tile.regionId] ?? "";
  const caution = product ? safetyLine(product) : workSafety(op);
  const how = workHow(op, op.productId === null ? null : product);
  const sums = sumsOfWork(op, product);
  const check = tile.check;
  const barred = check?.barred ?? false;
  const care = screen.care[tile.regionId] ?? null;
  const start = () =>
    barred || care?.due || care?.fresh
      ? against.current?.showModal()
      : void deed({ kind: "start", regionId: tile.regionId, opId: op.id, title: `${name}: ${title}`, input: {} });
  return (
    <article
      className="rounded-box border border-base-300 bg-base-100 p-3"
      aria-label={`${name}: ${title}`}
      data-region={tile.regionId}
      data-op={op.id}
    >
      <TileHead
        tile={tile}
        zone={zone}
        pile={pile}
        name={name}
        title={title}
        nowMin={nowMin}
        tell={() => besides.current?.showModal()}
      />
      {tile.wait && (
        <Waiting
          tile={tile}
          nowMin={nowMin}
          timeZone={screen.timeZone}
          handleMin={screen.faces[tile.regionId]?.face.top?.handleMin ?? null}
        />
      )}
      {tile.wait && zone === "drying" && isFilmWait(tile.wait.milestone) && (
        <WhySoLong key={op.id} regionId={tile.regionId} opId={op.id} timeZone={screen.timeZone} />
      )}
      {zone === "in-hand" && tile.startedMin !== null && (
        <p className="mt-2">
          Started {clock(tile.startedMin, screen.timeZone)}, {duration(nowMin - tile.startedMin)} ago;{" "}
          {duration(op.handsOnMin)} planned.
        </p>
      )}
      {(zone === "held" || (zone === "drying" && barred)) && <Against tile={tile} />}
      <div className="mt-3 flex flex-wrap gap-2">
        {zone === "held" && (
          <a className="btn btn-lg flex-1" href={`/stacks?region=${tile.regionId}`}>
            See its stack
          </a>
        )}
        {zone === "held" && check?.barred && !check.stops.some((v) => v.kind === "safety") && (
          <button type="button" className="btn btn-lg" disabled={busy} onClick={start}>
            Start all the same…
          </button>
        )}
        {zone === "in-hand" && (
          <button type="button" className={`${DEED} flex-1`} onClick={() => done.current?.showModal()}>
            Done…
          </button>
        )}
        {zone === "in-hand" && (
          <button
            type="button"
            className="btn btn-lg"
            disabled={busy}
            onClick={() => void act(() => takeBackAction(tile.regionId, op.id))}
          >
            Not started after all
          </button>
        )}
        {zone === "ready" && (
          <button type="button" className={`${DEED} flex-1`} disabled={busy} onClick={start}>
            Start
          </button>
        )}
        {zone === "ready" && tile.wait && (
          <button type="button" className="btn btn-lg" onClick={() => wait.current?.showModal()}>
            Not yet…
          </button>
        )}
        {zone === "drying" && (
          <button type="button" className="btn btn-lg" onClick={() => wait.current?.showModal()}>
            Looked…
          </button>
        )}
        {zone === "drying" && (
          <button type="button" className="btn btn-lg" disabled={busy} onClick={start}>
            It is ready: start
          </button>
        )}
      </div>
      <WrongButtons
        name={name}
        reports={screen.faces[tile.regionId]?.reports ?? []}
        timeZone={screen.timeZone}
        goWrong={goWrong}
        look={look}
      />
      {zone !== "drying" && (
        <LessonLine
          lessons={screen.lessons}
          about={{
            productId: op.productId,
            belowId: screen.faces[tile.regionId]?.face.top?.productId ?? null,
            tape: op.kind === "mask" || op.kind === "unmask",
          }}
        />
      )}
      <OpenMarks
        regionId={tile.regionId}
        marks={screen.faces[tile.regionId]?.marks ?? []}
        name={name}
        underColour={op.kind === "coat" && (product?.role === "colour" || product?.role === "clear")}
      />
      {op.kind === "inspect" && zone !== "drying" && <Looked tile={tile} inHand={zone === "in-hand"} />}
      {zone !== "drying" && caution && <p className="mt-2 border-l-4 border-secondary pl-2 text-base">{caution}</p>}
      {zone !== "drying" && how && (
        <details className="mt-2 text-base">
          <summary className="min-h-11 cursor-pointer content-center">How it is done well</summary>
          <p>{how}</p>
          {sums.length > 0 && <SumLinks ids={sums} product={productId ?? undefined} region={tile.regionId} />}
        </details>
      )}
      <DoneDialog ref={done} tile={tile} name={name} title={title} air={screen.air} nowMin={nowMin} />
      <StartDialog ref={against} tile={tile} name={name} title={title} product={product} care={care} />
      <TellDialog
        ref={besides}
        regionId={tile.regionId}
        name={name}
        laid={pile.films.filter((f) => f.lies)}
        covered={screen.covered.includes(tile.regionId)}
        products={Object.values(screen.products)}
      />
      <LookDialog ref={wait} regionId={tile.regionId} opId={op.id} name={name} title={title} />
    </article>
  );
}

/** What is against it at this minute, in words. */
function Against({ tile }: { tile: BenchTile }) {
  return (
    <ul className="mt-2 border-l-4 border-error pl-2 text-base" aria-label="Against it now">
      {againstTexts(tile).map((t) => (
        <li key={t}>{t}</li>
      ))}
    </ul>
  );
}

/** What a look for faults found: nothing ends the rounds here, much adds one. */
function Looked({ tile, inHand }: { tile: BenchTile; inHand: boolean }) {
  const { act, busy } = useAct();
  const opId = tile.op!.id;
  const told = async (found: "nothing" | "more") => {
    const asPlanned = { opId, minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
    if (inHand && found === "nothing" && !(await act(() => finishAction(tile.regionId, asPlanned))).ok) return;
    await act(() => afterLookAction(tile.regionId, opId, found));
  };
  return (
    <div className="mt-2 flex flex-wrap gap-2">
      <button type="button" className="btn flex-1" disabled={busy} onClick={() => void told("nothing")}>
        Nothing to fill: no more rounds
      </button>
      <button type="button" className="btn flex-1" disabled={busy} onClick={() => void told("more")}>
        It will take one round more
      </button>
    </div>
  );
}

function Waiting({
  tile,
  nowMin,
  timeZone,
  handleMin,
}: {
  tile: BenchTile;
  nowMin: number;
  timeZone: string;
  /** before then a finger marks it; null = nobody can say */
  handleMin: number | null;
}) {
  const wait = tile.wait!;
  const left = (wait.likelyMin - nowMin) * 60;
  const shuts = wait.shutsMin;
  return (
    <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-base">
      {left > 0 && (
        <>
          <dt className="soft">left</dt>
          <dd className="text-2xl leading-8 font-bold" data-testid="countdown">
            {countdown(left)}
          </dd>
        </>
      )}
      <dt className="soft">likely</dt>
      <dd className="font-bold">
        {relativeDay(wait.likelyMin, nowMin, timeZone)}
        {wait.assumed && <span className="font-normal text-warning"> estimated, not on the label</span>}
      </dd>
      <dt className="soft">safe</dt>
      <dd>{relativeDay(wait.safeMin, nowMin, timeZone)}</dd>
      {handleMin !== null && handleMin > nowMin && (
        <>
          <dt className="soft">hands off</dt>
          <dd>until {relativeDay(handleMin, nowMin, timeZone)}, only by its holder</dd>
        </>
      )}
      {wait.forbidden !== null && (
        <>
          <dt className="soft">nothing over it</dt>
          <dd>
            {relativeDay(wait.forbidden.fromMin, nowMin, timeZone)} to{" "}
            {relativeDay(wait.forbidden.toMin, nowMin, timeZone)}
          </dd>
        </>
      )}
      {shuts !== null && (
        <>
          <dt className="soft">window shuts</dt>
          <dd className={shuts <= nowMin ? "font-bold text-error" : "font-bold text-warning"}>
            {shuts <= nowMin
              ? `shut since ${relativeDay(shuts, nowMin, timeZone)}: see its stack`
              : relativeDay(shuts, nowMin, timeZone)}
          </dd>
        </>
      )}
    </dl>
  );
}

interface HeadProps {
  readonly tile: BenchTile;
  readonly zone: BenchTile["zone"];
  readonly pile: ReturnType<typeof pileAt>;
  readonly name: string;
  readonly title: string;
  readonly nowMin: number;
  /** says what no step of the pile asks for */
  readonly tell: () => void;
}

/** Which part, at which step, and how far; with what it waits for as a ring. */
function TileHead({ tile, zone, pile, name, title, nowMin, tell }: HeadProps) {
  const op = tile.op!;
  return (
    <div className="flex items-start gap-3">
      {tile.wait && zone === "drying" ? <Ring wait={tile.wait} nowMin={nowMin} /> : <MiniSection {...pile} />}
      <div className="min-w-0 flex-1">
        <h3 className="text-xl leading-tight font-bold">{name}</h3>
        <p className="leading-snug">
          {zone === "drying" && tile.wait ? `until ${MILESTONE_NAME[tile.wait.milestone]}, then ` : ""}
          {zone === "drying" ? title.charAt(0).toLowerCase() + title.slice(1) : title}
        </p>
        <p className="soft text-sm">
          {tile.done} of {tile.of} steps done{op.wftUm !== null && <> · {filmText(op.wftUm)} wet planned</>}
        </p>
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-square size-12 -mt-2 -mr-2"
        aria-label={`Something else: ${name}`}
        title="Something else: washed, rubbed down, stripped, measured"
        onClick={tell}
      >
        <Ellipsis className="size-5" aria-hidden />
      </button>
    </div>
  );
}
