"use client";

import { BellOff, BellRing, Sun } from "lucide-react";
import { type RefObject, useEffect, useRef } from "react";
import type { BenchScreen } from "@/contracts";
import type { BenchTile } from "@/core/plan";
import { useAddress } from "../hooks/useAddress";
import { useFocusNext } from "../hooks/useFocusNext";
import { useNowMs } from "../hooks/useNow";
import { useReached } from "../hooks/useReached";
import { useRefresh } from "../hooks/useRefresh";
import { useSheet } from "../hooks/useSheet";
import { LookSheet } from "../mishap/LookSheet";
import { MishapSheet } from "../mishap/MishapSheet";
import { useWrong } from "../mishap/useWrong";

import { FinishedTile } from "./FinishedTile";
import { Kept, withKept } from "./Kept";
import { useKeptDeeds } from "./kept-deeds";
import { SessionCard } from "./SessionCard";
import { Tile } from "./Tile";
import { Tonight } from "./Tonight";
import { useAwake } from "./useAwake";
import { useBell } from "./useBell";

const REFRESH_MS = 60_000;

type Zone = BenchTile["zone"];
const ZONES: readonly { readonly zone: Zone; readonly title: string; readonly none: string }[] = [
  { zone: "in-hand", title: "In hand", none: "Nothing started. Take something that is ready." },
  { zone: "ready", title: "Ready", none: "Nothing is due; everything is drying or done." },
  { zone: "drying", title: "Drying", none: "Nothing is drying." },
  { zone: "held", title: "Not now", none: "" },
];

/** A wait that ran out since the page was made is ready now: the board follows the clock, not the last load. */
const zoneAt = (tile: BenchTile, nowMin: number): Zone => {
  if (tile.zone === "ready" && tile.wait?.shutsMin != null && tile.wait.shutsMin < nowMin) return "held";
  if (tile.zone !== "drying" || !tile.wait || tile.wait.likelyMin > nowMin) return tile.zone;
  return tile.check?.barred ? "held" : "ready";
};

/** The tab's title counts down to the next thing, for a phone face down on the bench. */
function useTitle(tiles: readonly BenchTile[], nowMin: number): void {
  const ready = tiles.filter((t) => zoneAt(t, nowMin) === "ready").length;
  const next = tiles
    .flatMap((t) => (zoneAt(t, nowMin) === "drying" ? [t.wait!.likelyMin] : []))
    .sort((a, b) => a - b)[0];
  const left = next === undefined ? "" : ` · next in ${Math.max(1, Math.ceil(next - nowMin))} min`;
  const title = `${ready} ready${left} · Elm Bench`;
  // at every tick: the router puts its own title back when the page is made anew
  useEffect(() => {
    if (document.title !== title) document.title = title;
  });
}

/** After a deed the keyboard stays with the part it was done to, where it is by now; of a part that is done, with what is ready. */
function useNextAtBench(key: string): RefObject<HTMLElement | null> {
  const board = useRef<HTMLElement>(null);
  const heldBy = useRef<string | null>(null);
  useEffect(() => {
    const note = (e: FocusEvent) => {
      const tile = (e.target as HTMLElement).closest<HTMLElement>("article[data-region]");
      heldBy.current = tile?.dataset.region ?? null;
    };
    document.addEventListener("focusin", note);
    return () => document.removeEventListener("focusin", note);
  }, []);
  useFocusNext(key, () => {
    if (heldBy.current === null) return null;
    const own = board.current?.querySelector<HTMLElement>(
      `article[data-region="${CSS.escape(heldBy.current)}"] .btn-lg:not(:disabled)`,
    );
    return own ?? board.current?.querySelector<HTMLElement>('[data-zone="ready"] .btn-primary');
  });
  return board;
}

export function BenchBoard({ screen: seen }: { screen: BenchScreen }) {
  const refresh = useRefresh();
  const kept = useKeptDeeds();
  const { reached } = useReached();
  const nowMin = useNowMs() / 60_000;
  const { params, set } = useAddress();
  const one = seen.models.find((m) => m.id === params.get("model")) ?? null;
  const mine = seen.tiles.filter((t) => one === null || one.regionIds.includes(t.regionId));
  const screen = { ...seen, tiles: mine.flatMap((t) => withKept(t, kept, nowMin) ?? []) };
  useTitle(screen.tiles, nowMin);
  useEffect(() => {
    if (!reached) return;
    const timer = setInterval(() => document.visibilityState === "visible" && refresh(), REFRESH_MS);
    return () => clearInterval(timer);
  }, [refresh, reached]);
  const ready = screen.tiles.filter((t) => t.op && zoneAt(t, nowMin) === "ready");
  const bell = useBell(new Map(ready.map((t) => [`${t.regionId} ${t.op!.id}`, screen.names[t.regionId] ?? ""])));
  const awake = useAwake();
  const inZone = (zone: Zone) => screen.tiles.filter((t) => zoneAt(t, nowMin) === zone);
  const finished = inZone("finished");
  const wrong = useWrong();
  const look = useSheet<string>();
  const board = useNextAtBench(screen.tiles.map((t) => `${t.regionId} ${zoneAt(t, nowMin)} ${t.op?.id}`).join());
  return (
    <main ref={board} className="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 text-lg" data-plan={screen.making.state}>
      <h1 className="sr-only">Bench</h1>
      <div className="flex flex-wrap items-stretch gap-2">
        <SessionCard screen={screen} nowMin={nowMin} />
        <button type="button" className="btn h-auto min-h-12" aria-pressed={bell.on} onClick={bell.toggle}>
          {bell.on ? <BellRing className="size-5" aria-hidden /> : <BellOff className="size-5" aria-hidden />}
          {bell.on ? "Rings when ready" : "Silent"}
        </button>
        {seen.models.length > 1 && (
          <select
            className="select h-auto min-h-12 w-52"
            aria-label="Whose parts are shown"
            value={one?.id ?? ""}
            onChange={(e) => set({ model: e.target.value || null })}
          >
            <option value="">all on the bench</option>
            {seen.models.map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
              </option>
            ))}
          </select>
        )}
        {awake.can && (
          <button type="button" className="btn h-auto min-h-12" aria-pressed={awake.on} onClick={awake.toggle}>
            <Sun className="size-5" aria-hidden />
            {awake.on ? "Screen stays on" : "Screen may sleep"}
          </button>
        )}
      </div>
      <Kept timeZone={screen.timeZone} nowMin={nowMin} />
      <div className="grid items-start gap-4 lg:grid-cols-3">
        {ZONES.map(({ zone, title, none }) => {
          const tiles = inZone(zone);
          if (tiles.length === 0 && none === "") return null;
          return (
            <section key={zone} aria-label={title} className="grid gap-3" data-zone={zone}>
              <h2 className="border-b-2 border-base-content/60 pb-1 text-xl font-bold">
                {title}
                {tiles.length > 0 && <span className="soft ml-2 font-normal">{tiles.length}</span>}
              </h2>
              {tiles.length === 0 && <p className="soft">{none}</p>}
              {tiles.map((tile) => (
                <Tile
                  key={tile.regionId}
                  tile={tile}
                  zone={zone}
                  screen={screen}
                  nowMin={nowMin}
                  goWrong={(reportId) => wrong.open({ regionId: tile.regionId, reportId })}
                  look={() => look.open(tile.regionId)}
                />
              ))}
            </section>
          );
        })}
      </div>
      <Tonight screen={screen} />
      {finished.length > 0 && (
        <section aria-label="Done" className="grid gap-2">
          <h2 className="border-b-2 border-base-content/60 pb-1 text-xl font-bold">
            All work done <span className="soft font-normal">let it cure</span>
          </h2>
          <ul className="grid gap-3 lg:grid-cols-3">
            {finished.map(({ regionId }) => (
              <FinishedTile
                key={regionId}
                regionId={regionId}
                screen={screen}
                goWrong={(reportId) => wrong.open({ regionId, reportId })}
                look={() => look.open(regionId)}
              />
            ))}
          </ul>
        </section>
      )}
      <MishapSheet sheet={wrong} screen={screen} />
      <LookSheet sheet={look} screen={screen} />
      {screen.tiles.length === 0 && (
        <p className="rounded-box bg-base-200 p-6">
          No region has a stack yet.{" "}
          <a className="link" href="/stacks">
            Build one
          </a>
          , and its first step shows up here.
        </p>
      )}
    </main>
  );
}
