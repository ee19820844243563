"use client";

import { MoonStar, Search, Sun } from "lucide-react";
import Link from "next/link";
import { chooseModelAction } from "@/actions/parts";
import type { AirNow } from "@/contracts";
import { ago, clock, countdown, pct, relativeDay, tempByText, tempText } from "@/format";
import { useAct } from "../hooks/useAct";
import { useLiveAir } from "../hooks/useLiveAir";
import { useNowMs } from "../hooks/useNow";
import { useTheme } from "../hooks/useTheme";

export interface RibbonData {
  readonly models: readonly { readonly id: string; readonly name: string }[];
  readonly currentId: string | null;
  readonly air: AirNow;
  readonly timeZone: string;
  readonly session: { readonly startMin: number; readonly endMin: number } | null;
  readonly timer: { readonly title: string; readonly likelyMin: number } | null;
}

/** 3 °C is the least; the gauge is full at 12. */
const GAUGE_FULL_C = 12;
const LEAST_MARGIN_C = 3;

function DewGauge({ marginC }: { marginC: number }) {
  const share = Math.min(1, Math.max(0, marginC / GAUGE_FULL_C));
  const tight = marginC < LEAST_MARGIN_C;
  return (
    <span
      className={`inline-flex items-center gap-1.5 ${tight ? "font-bold text-error" : ""}`}
      title={`How far the air is above its dew point; coat only from ${tempByText(3)} up`}
    >
      <svg viewBox="0 0 60 14" className="h-3.5 w-14 md:max-[1440px]:hidden" aria-hidden>
        <rect x="0.5" y="3.5" width="59" height="7" fill="none" stroke="currentColor" />
        <rect x="1" y="4" width={58 * share} height="6" fill="currentColor" opacity="0.75" />
        <path d={`M${60 * (LEAST_MARGIN_C / GAUGE_FULL_C)} 0v14`} stroke="currentColor" strokeWidth="2" />
      </svg>
      {tempByText(marginC)} above dew point
      {tight ? ": too little" : ""}
    </span>
  );
}

function NextTimer({ timer }: { timer: NonNullable<RibbonData["timer"]> }) {
  const nowMs = useNowMs();
  const left = timer.likelyMin * 60 - nowMs / 1000;
  return (
    <Link href="/bench" className="truncate rounded-field px-2 py-1 hover:bg-base-100">
      <strong>{left > 0 ? countdown(left) : "now"}</strong> {timer.title}
    </Link>
  );
}

function Session({ session, timeZone }: { session: RibbonData["session"]; timeZone: string }) {
  const nowMin = useNowMs(30_000) / 60_000;
  if (!session)
    return (
      <Link href="/settings#sessions" className="link">
        No bench session set
      </Link>
    );
  const on = session.startMin <= nowMin && nowMin < session.endMin;
  return (
    <span className="whitespace-nowrap max-md:order-5">
      {on ? (
        <strong>Bench until {clock(session.endMin, timeZone)}</strong>
      ) : (
        <>Bench {relativeDay(session.startMin, nowMin, timeZone)}</>
      )}
    </span>
  );
}

/** What the figures rest on and how old that is. */
function Source({ air }: { air: AirNow }) {
  const nowMs = useNowMs(20_000);
  if (air.source === null || air.readMs === null)
    return <>{air.from === "forecast" ? "forecast" : "typical day, not measured"}</>;
  return (
    <>
      {air.source}, {ago(air.readMs, nowMs)}
    </>
  );
}

function ThemeSwitch() {
  const { lamp, toggle } = useTheme();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square max-md:order-3"
      onClick={toggle}
      aria-label="Switch between day bench and lamp bench"
    >
      {lamp ? <Sun className="size-4" aria-hidden /> : <MoonStar className="size-4" aria-hidden />}
    </button>
  );
}

export function AirRibbon({ data, onSearch }: { data: RibbonData; onSearch: () => void }) {
  const { act } = useAct();
  const air = useLiveAir(data.air);
  return (
    <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-base-300 bg-base-200 px-4 py-1.5 text-sm">
      {data.models.length > 0 && (
        <select
          aria-label="Model on the bench"
          className="select select-sm min-w-0 flex-1 font-bold max-md:order-1 md:w-40 md:flex-none"
          value={data.currentId ?? ""}
          onChange={(e) => void act(() => chooseModelAction(e.target.value))}
        >
          {data.models.map((m) => (
            <option key={m.id} value={m.id}>
              {m.name}
            </option>
          ))}
        </select>
      )}
      <Link
        href="/air"
        className="inline-flex flex-wrap items-center gap-x-3 rounded-field px-1 py-1 hover:bg-base-100 max-md:order-4 max-md:w-full"
        aria-label="Air now; more of it under Air"
      >
        <span>
          <strong>{tempText(air.tempC)}</strong> · <strong>{pct(air.rhPct)}</strong> RH
        </span>
        <DewGauge marginC={air.dewMarginC} />
        <span className="soft hidden max-w-56 truncate lg:inline" data-testid="air-source">
          <Source air={air} />
        </span>
      </Link>
      <Session session={data.session} timeZone={data.timeZone} />
      <span className="flex min-w-32 flex-1 justify-end max-md:order-6">
        {data.timer && <NextTimer timer={data.timer} />}
      </span>
      <button
        type="button"
        className="btn btn-sm gap-2 max-md:order-2"
        onClick={onSearch}
        aria-label="Find anything"
        aria-keyshortcuts="Control+K"
      >
        <Search className="size-4" aria-hidden /> <span className="hidden sm:inline">Find</span>{" "}
        <kbd className="kbd kbd-sm hidden min-[1440px]:inline">Ctrl K</kbd>
      </button>
      <ThemeSwitch />
    </header>
  );
}
