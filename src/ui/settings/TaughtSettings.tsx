"use client";

import type { TaughtView } from "@/contracts";
import { dayClock } from "@/format";
import { factorText, spanText, WORK_KIND_NAME } from "@/messages";
import { useAskNow } from "../hooks/useNow";
import type { SaveField } from "../hooks/useRow";
import { LookRows } from "../taught/LookRows";

const SHOWN = 15;
const MS_PER_MIN = 60_000;

/** What the shed has taught of its waits, whether that holds, and the looks it rests on. */
export function TaughtSettings({ taught, save }: { taught: TaughtView; save: SaveField }) {
  const { likely, safe } = taught.calibration;
  return (
    <section aria-labelledby="taught" className="grid gap-2">
      <h2 id="taught" className="border-b border-base-300 text-lg font-bold">
        What the shed has taught
      </h2>
      {taught.count === 0 ? (
        <p className="soft">
          Nothing yet. Every “not yet”, “it is ready” and every step begun on the Bench tells how long films really take
          here, and all waits go by it.
        </p>
      ) : (
        <>
          <p>
            Whatever the paint, waits here take <strong>{factorText(taught.shed.median)}</strong> (
            {spanText(taught.shed.p10, taught.shed.p90)}; est.), from {taught.count} look{taught.count > 1 ? "s" : ""}.
            What single products add to that stands on their cards.
          </p>
          <table className="w-fit [&_td]:px-3 [&_td]:py-1 [&_th]:px-3 [&_th]:py-1 [&_th]:text-left">
            <caption className="sr-only">Whether what was foretold has held</caption>
            <thead>
              <tr>
                <th scope="col">Foretold</th>
                <th scope="col">looks that tell</th>
                <th scope="col">ready by then</th>
                <th scope="col">meant to be</th>
              </tr>
            </thead>
            <tbody>
              <Held name="likely" {...likely} meant="half" />
              <Held name="safe" {...safe} meant="nine in ten" />
            </tbody>
          </table>
        </>
      )}
      {taught.hands.length > 0 && (
        <table className="w-fit [&_td]:px-3 [&_td]:py-1 [&_th]:px-3 [&_th]:py-1 [&_th]:text-left">
          <caption className="px-3 text-left font-semibold">Your own hands, against the minutes reckoned</caption>
          <thead>
            <tr>
              <th scope="col">Work</th>
              <th scope="col">takes</th>
              <th scope="col">from</th>
              <th scope="col">left out</th>
            </tr>
          </thead>
          <tbody>
            {taught.hands.map((h) => (
              <tr key={h.kind}>
                <th scope="row" className="font-normal">
                  {WORK_KIND_NAME[h.kind]}
                </th>
                <td>{factorText(h.factor)}</td>
                <td className="tabular-nums">{h.count}</td>
                <td>{h.leftOut === 0 ? "–" : `${h.leftOut}: forgot to press, or pressed both at once`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <HandsSince taught={taught} save={save} />
      {taught.looks.length > 0 && (
        <details>
          <summary className="cursor-pointer">The newest looks, one by one</summary>
          <LookRows
            looks={taught.looks.slice(0, SHOWN)}
            factor={taught.count > 0 ? taught.shed : null}
            timeZone={taught.timeZone}
            names={taught.names}
          />
        </details>
      )}
    </section>
  );
}

/** From when on one's own minutes count: another brush, another bench, somebody else's hands. */
function HandsSince({ taught, save }: { taught: TaughtView; save: SaveField }) {
  const askNow = useAskNow();
  const { handsSince, hands, timeZone } = taught;
  if (handsSince === null && hands.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {handsSince !== null && (
        <>
          <p>Of your own hands only work since {dayClock(Date.parse(handsSince) / MS_PER_MIN, timeZone)} counts.</p>
          <button type="button" className="btn btn-sm" onClick={() => void save({ handsSince: null })}>
            Count all of it again
          </button>
        </>
      )}
      {hands.length > 0 && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => void save({ handsSince: new Date(askNow()).toISOString() })}
        >
          Begin anew with my hands
        </button>
      )}
    </div>
  );
}

const Held = ({ name, told, held, meant }: { name: string; told: number; held: number; meant: string }) => (
  <tr>
    <th scope="row" className="font-normal">
      {name}
    </th>
    <td className="tabular-nums">{told}</td>
    <td className="tabular-nums">{told === 0 ? "–" : `${held} (${Math.round((100 * held) / told)} %)`}</td>
    <td>{meant}</td>
  </tr>
);
