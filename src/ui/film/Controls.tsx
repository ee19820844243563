"use client";

import { useEffect, useState } from "react";
import type { FilmScreen } from "@/contracts";
import { MATERIALS } from "@/core/model";
import { ownGapMin } from "@/core/reference";
import { duration, filmText, tempText } from "@/format";
import { MATERIAL_NAME } from "@/messages";
import { boxLimitC, type FilmSettings, LIMITS, layersOf } from "./settings";

type Set = (changes: Readonly<Record<string, string | null>>) => void;

function Slider({
  name,
  label,
  value,
  least,
  most,
  step,
  say,
  set,
  reset,
}: {
  name: string;
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  say: (v: number) => string;
  set: Set;
  /** what "as it was" is called; null = nothing has been changed */
  reset: string | null;
}) {
  // the hand moves faster than the address: what is dragged shows at once
  const [shown, setShown] = useState(value);
  useEffect(() => setShown(value), [value]);
  const move = (v: number) => {
    setShown(v);
    set({ [name]: String(v) });
  };
  return (
    <div className="grid gap-0.5">
      <div className="flex items-baseline justify-between gap-2 text-sm">
        <label htmlFor={`film-${name}`}>{label}</label>
        <span>
          <output htmlFor={`film-${name}`} className="font-bold">
            {say(shown)}
          </output>
          {reset && (
            <button type="button" className="link ml-2 text-xs" onClick={() => set({ [name]: null })}>
              {reset}
            </button>
          )}
        </span>
      </div>
      <input
        id={`film-${name}`}
        type="range"
        className="range range-xs range-primary w-full"
        min={least}
        max={most}
        step={step}
        value={Math.min(most, Math.max(least, shown))}
        aria-valuetext={say(shown)}
        onChange={(e) => move(Number(e.target.value))}
      />
    </div>
  );
}

const VIEWS: readonly (readonly [number, string])[] = [
  [360, "6 h"],
  [1440, "1 day"],
  [2880, "2 days"],
  [10_080, "7 days"],
  [20_160, "14 days"],
];

/** What is looked at, how it is put on, and in what air. */
export function Controls({ screen, s, set }: { screen: FilmScreen; s: FilmSettings; set: Set }) {
  const layers = layersOf(s, screen);
  const top = layers.at(-1);
  const choose = (value: string) => {
    const [kind, id] = value.split(":");
    const fresh = { wftUm: null, coats: null, gapMin: null, act: null, actAfterMin: null };
    set({ ...fresh, region: kind === "region" ? id! : null, product: kind === "product" ? id! : null });
  };
  return (
    <form
      className="grid content-start gap-3"
      onSubmit={(e) => e.preventDefault()}
      aria-label="What the film model runs"
    >
      <label className="grid gap-1 text-sm">
        Film
        <select className="select w-full font-semibold" value={s.subject} onChange={(e) => choose(e.target.value)}>
          {screen.piles.length > 0 && (
            <optgroup label="Planned stacks">
              {screen.piles.map((p) => (
                <option key={p.regionId} value={`region:${p.regionId}`}>
                  {p.name}: {p.layers.at(-1)!.product.name}
                </option>
              ))}
            </optgroup>
          )}
          <optgroup label="One product by itself">
            {screen.products.map((p) => (
              <option key={p.id} value={`product:${p.id}`}>
                {p.name}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
      {top && (
        <fieldset className="grid gap-2 rounded-box border border-base-300 p-3">
          <legend className="px-1 text-sm font-bold">Put on{layers.length > 1 ? ", top layer" : ""}</legend>
          <Slider
            name="wftUm"
            label="Wet film of each coat"
            value={top.wftUm}
            least={Math.max(1, Math.round(top.product.label.wftUm * 0.25))}
            most={Math.round(top.product.label.wftUm * 3)}
            step={1}
            say={filmText}
            set={set}
            reset={s.wftUm === null ? null : "as planned"}
          />
          <Slider
            name="coats"
            label="Coats"
            value={top.coats}
            least={LIMITS.coats[0]}
            most={LIMITS.coats[1]}
            step={1}
            say={String}
            set={set}
            reset={s.coats === null ? null : "as planned"}
          />
          {top.coats > 1 && (
            <Slider
              name="gapMin"
              label="Gap between them"
              value={top.coatGapMin ?? top.product.label.gapMin ?? ownGapMin(top.product)}
              least={LIMITS.gapMin[0]}
              most={LIMITS.gapMin[1]}
              step={1}
              say={duration}
              set={set}
              reset={s.gapMin === null ? null : "as labelled"}
            />
          )}
        </fieldset>
      )}
      <Airs screen={screen} s={s} set={set} />
      <label className="grid gap-1 text-sm">
        Look ahead
        <select
          className="select select-sm w-full"
          value={VIEWS.find(([m]) => m === s.viewMin)?.[0] ?? ""}
          onChange={(e) => set({ viewMin: e.target.value || null })}
        >
          <option value="">until it sands, and a while on</option>
          {VIEWS.map(([m, words]) => (
            <option key={m} value={m}>
              {words}
            </option>
          ))}
        </select>
      </label>
    </form>
  );
}

const range = (name: keyof typeof LIMITS) => ({ least: LIMITS[name][0], most: LIMITS[name][1] });

const STEADY = [
  { name: "tempC", label: "Temperature", usual: 20, step: 0.5, say: tempText, ...range("tempC") },
  { name: "rhPct", label: "Humidity", usual: 50, step: 1, say: (v: number) => `${v} % RH`, ...range("rhPct") },
  {
    name: "airflowMS",
    label: "Moving air",
    usual: 0.1,
    step: 0.05,
    say: (v: number) => `${Math.round(v * 100) / 100} m/s`,
    ...range("airflowMS"),
  },
] as const;
const BOX = [
  { name: "boxAfterMin", label: "In after", step: 10, say: duration, ...range("boxAfterMin") },
  { name: "boxForMin", label: "For", step: 30, say: duration, ...range("boxForMin") },
] as const;

function Airs({ screen, s, set }: { screen: FilmScreen; s: FilmSettings; set: Set }) {
  const steady = s.tempC !== null || s.rhPct !== null || s.airflowMS !== null;
  const now = screen.shed[0]!;
  const limit = boxLimitC(s, screen);
  const alone = s.subject.startsWith("product:");
  return (
    <fieldset className="grid gap-2 rounded-box border border-base-300 p-3">
      <legend className="px-1 text-sm font-bold">Air</legend>
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="toggle toggle-sm"
          checked={!steady}
          onChange={(e) =>
            set(
              e.target.checked
                ? { tempC: null, rhPct: null, airflowMS: null }
                : { tempC: String(Math.round(now.tempC)), rhPct: String(Math.round(now.rhPct)), airflowMS: "0.1" },
            )
          }
        />
        your shed, hour by hour
      </label>
      {steady &&
        STEADY.map((one) => <Slider key={one.name} {...one} value={s[one.name] ?? one.usual} set={set} reset={null} />)}
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="toggle toggle-sm"
          checked={s.boxC !== null && limit !== null}
          disabled={limit === null}
          onChange={(e) => set({ boxC: e.target.checked ? String(Math.min(38, limit ?? 38)) : null })}
        />
        warm box
      </label>
      {alone && (
        <label className="grid gap-1 text-sm">
          on
          <select
            aria-label="Material under it"
            className="select select-sm w-full"
            value={s.material ?? ""}
            onChange={(e) => set({ on: e.target.value || null })}
          >
            <option value="">choose the material: its limit holds</option>
            {MATERIALS.map((m) => (
              <option key={m} value={m}>
                {MATERIAL_NAME[m]}
              </option>
            ))}
          </select>
        </label>
      )}
      {limit === null && !alone && <p className="soft text-sm">No warmth until its material is told.</p>}
      {s.boxC !== null && limit !== null && (
        <>
          <Slider
            name="boxC"
            label={`Box, at most ${tempText(limit)}`}
            value={Math.min(s.boxC, limit)}
            least={20}
            most={limit}
            step={1}
            say={tempText}
            set={set}
            reset={null}
          />
          {BOX.map((one) => (
            <Slider key={one.name} {...one} value={s[one.name]} set={set} reset={null} />
          ))}
          <p className="border-l-4 border-secondary pl-2 text-sm">
            Only after touch dry, vented, no bare element, never an aerosol can. The safety data sheet decides.
          </p>
        </>
      )}
    </fieldset>
  );
}
