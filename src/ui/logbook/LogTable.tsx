"use client";

import { Download, Search } from "lucide-react";
import Link from "next/link";
import { useRouter, useSearchParams } from "next/navigation";
import { type FormEvent, useState } from "react";
import { takeBackAction } from "@/actions/bench";
import type { LogbookView, LogEntry } from "@/contracts";
import { clock, day, filmText, inUnits, pct, tempText, volumeText } from "@/format";
import { begunText, SIGN_NAME } from "@/messages";
import { DateInput } from "../components/DateInput";
import { useAct } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";

const KIND_NAME: Readonly<Record<LogEntry["kind"], string>> = {
  started: "Started",
  done: "Done",
  "not-yet": "Not yet",
  ready: "Was ready",
  heeded: "Look weighed",
  asked: "To be done",
  worked: "Done besides",
  measured: "Measured",
  reported: "Went wrong",
  amended: "Told more",
  answered: "Answered",
  mended: "To be mended",
  withdrawn: "Was nothing",
  settled: "Settled",
  struck: "Lesson struck",
  looked: "Looked",
  closed: "Mark gone",
  "taken-back": "Taken back",
};

const AIR_FROM: Readonly<Record<LogEntry["air"]["source"], string>> = {
  read: "read",
  measured: "measured",
  forecast: "forecast",
  typical: "as set",
};

interface LogTableProps {
  readonly book: LogbookView;
  readonly modelId: string;
}

/** What was done, without the part. A gauge's figure is read over; a product may have a figure in its name, which stays. */
function workOf({ kind, title }: LogEntry): string {
  const work = title.slice(title.indexOf(":") + 1);
  return kind === "measured" ? inUnits(work) : work;
}

function film(e: LogEntry): string {
  if (!("coats" in e) || e.coats === null) return "";
  const coats = `${e.coats} coat${e.coats > 1 ? "s" : ""}${e.wftUm === null ? "" : `, ${filmText(e.wftUm)} wet`}`;
  if (!e.used) return coats;
  return `${coats}; about ${volumeText(e.used.ml)} ${e.kind === "taken-back" ? "back in" : "out of"} the can`;
}

/** A face by name, and the way to what lies on it. */
function Place({ id, names }: { id: string; names: LogbookView["names"] }) {
  const own = names.find((n) => n.id === id);
  return own ? (
    <Link className="link link-hover" href={`/stacks?region=${id}`} prefetch={false}>
      {own.name}
    </Link>
  ) : (
    "a region deleted since"
  );
}

export function LogTable({ book, modelId }: LogTableProps) {
  const { act } = useAct();
  const { params, set } = useAddress();
  const { names, timeZone } = book;
  const region = params.get("region") ?? "";
  const kind = params.get("kind") ?? "";
  const standing = new Set(book.standing);
  const shown = book.entries.filter(
    (e) => (region === "" || e.regionId === region) && (kind === "" || e.kind === kind),
  );
  const query = params.toString();
  const here = new Set(names.map((n) => n.id));
  return (
    <main className="p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-xl font-bold">Logbook</h1>
        <select
          className="select select-sm w-52"
          aria-label="Part"
          value={region}
          onChange={(e) => set({ region: e.target.value })}
        >
          <option value="">every part</option>
          {names.map((n) => (
            <option key={n.id} value={n.id}>
              {n.name}
            </option>
          ))}
        </select>
        <select
          className="select select-sm w-40"
          aria-label="Kind of entry"
          value={kind}
          onChange={(e) => set({ kind: e.target.value })}
        >
          <option value="">everything</option>
          {Object.entries(KIND_NAME).map(([v, name]) => (
            <option key={v} value={v}>
              {name}
            </option>
          ))}
        </select>
        <Sought today={book.today} />
        <span className="soft text-sm" role="status">
          {shown.length} of {book.total}, newest first{book.more && "; older ones are found by looking for them"}
        </span>
        <span className="flex-1" />
        {(["csv", "json"] as const).map((file) => (
          <a key={file} className="btn btn-sm" href={`/api/v1/models/${modelId}/log.${file}?${query}`} download>
            <Download className="size-4" aria-hidden />
            <span className="sr-only">What is shown as </span>
            {file.toUpperCase()}
          </a>
        ))}
        <a className="btn btn-sm" href="/record">
          Record
        </a>
        <a className="btn btn-sm" href="/record?card=touch-up">
          Touch-up cards
        </a>
      </div>
      {book.total > 0 && shown.length === 0 && (
        <p className="rounded-box bg-base-200 p-6 text-lg">Nothing in the log is like that.</p>
      )}
      {book.total === 0 ? (
        <p className="rounded-box bg-base-200 p-6 text-lg">
          Nothing done yet. What you start and finish on the{" "}
          <a className="link" href="/bench">
            Bench
          </a>{" "}
          is written down here by itself, with the air it was done in.
        </p>
      ) : (
        <div className="overflow-x-auto">
          <table role="table" className="as-cards w-full sm:min-w-[860px]">
            <thead role="rowgroup">
              <tr role="row" className="border-b-2 border-base-300 text-left text-sm">
                {["When", "", "Part", "What", "Put on", "Air", "Seen, noted", ""].map((h, i) => (
                  <th key={`${h}${i}`} role="columnheader" scope="col" className="px-2 py-1 font-semibold">
                    {h || <span className="sr-only">{i === 1 ? "Kind" : "Undo"}</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody role="rowgroup">
              {shown.map((e) => {
                const atMin = Date.parse(e.at) / 60_000;
                return (
                  <tr key={e.id} role="row" className="border-b border-base-300 align-top" data-kind={e.kind}>
                    <td role="cell" className="px-2 py-1.5 whitespace-nowrap">
                      <strong>{clock(atMin, timeZone)}</strong>{" "}
                      <span className="soft text-sm">{day(atMin, timeZone)}</span>
                    </td>
                    <td
                      role="cell"
                      className={`px-2 py-1.5 whitespace-nowrap ${e.kind === "done" ? "font-semibold" : e.kind === "not-yet" ? "font-semibold text-warning" : "soft"}`}
                    >
                      {KIND_NAME[e.kind]}
                    </td>
                    <td role="cell" data-label="Part" className="px-2 py-1.5">
                      <Place id={e.regionId} names={names} />
                    </td>
                    <td role="cell" data-label="What" className="px-2 py-1.5">
                      {workOf(e)}
                      {e.override && (
                        <span className="block text-sm text-warning">went on against what was said: {e.override}</span>
                      )}
                    </td>
                    <td role="cell" data-label="Put on" className="px-2 py-1.5 whitespace-nowrap">
                      {film(e)}
                      {e.kind === "done" && e.laid && here.has(e.regionId) && (
                        <Link
                          className="link ml-2 text-sm"
                          href={`/film?region=${e.regionId}`}
                          prefetch={false}
                          aria-label={`Film: ${e.title}`}
                        >
                          film
                        </Link>
                      )}
                    </td>
                    <td role="cell" data-label="Air" className="px-2 py-1.5 whitespace-nowrap">
                      {tempText(e.air.tempC)}, {pct(e.air.rhPct)}{" "}
                      <span className="soft text-sm">{AIR_FROM[e.air.source]}</span>
                    </td>
                    <td role="cell" data-label="Seen, noted" className="px-2 py-1.5">
                      {[
                        e.kind === "not-yet" && e.sign ? SIGN_NAME[e.sign] : "",
                        "checked" in e && e.checked ? "looked for, and so" : "",
                        e.kind === "ready" ? (e.turned ? "only just" : "since when nobody knows") : "",
                        e.kind === "started" ? begunText(e) : "",
                        e.note,
                      ]
                        .filter(Boolean)
                        .join(": ")}
                      {e.by && <span className="soft block text-sm">told on {e.by}</span>}
                      {"photo" in e && e.photo && (
                        // biome-ignore lint/performance/noImgElement: comes from the local database, at its own size
                        <img
                          src={`/api/v1/photos/${e.photo}`}
                          alt={`${e.title}, as it looked`}
                          className="max-h-24 rounded-box"
                        />
                      )}
                    </td>
                    <td role="cell" className="px-2 py-1.5">
                      {e.kind === "done" && (
                        <a
                          className="link mr-3 text-sm"
                          href={`/bench?wrong=${e.regionId}`}
                          aria-label={`Something’s wrong: ${e.title}`}
                        >
                          wrong?
                        </a>
                      )}
                      {e.kind === "reported" && (
                        <a className="link mr-3 text-sm" href={`/bench?wrong=${e.regionId}&report=${e.id}`}>
                          see it
                        </a>
                      )}
                      {standing.has(e.id) && (
                        <button
                          type="button"
                          className="link text-sm"
                          aria-label={`Take back: ${e.title}`}
                          onClick={() => void act(() => takeBackAction(e.regionId, e.opId))}
                        >
                          take back
                        </button>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
    </main>
  );
}

/** Words and days to look for; the server looks, whatever the length of the log. */
function Sought({ today }: { today: string }) {
  const router = useRouter();
  const asked = useSearchParams();
  const [text, setText] = useState(asked.get("q") ?? "");
  const look = (changes: Record<string, string>) => {
    const next = new URLSearchParams(window.location.search);
    for (const [k, v] of Object.entries(changes)) {
      if (v === "") next.delete(k);
      else next.set(k, v);
    }
    router.push(`/logbook?${next}`);
  };
  const send = (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    look({ q: text.trim() });
  };
  return (
    <search>
      <form className="flex flex-wrap items-center gap-2" onSubmit={send}>
        <input
          className="input input-sm w-44"
          aria-label="Words to look for"
          placeholder="words, a product…"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <button type="submit" className="btn btn-sm btn-square" aria-label="Look for them">
          <Search className="size-4" aria-hidden />
        </button>
        {(["from", "to"] as const).map((end) => (
          <div key={end} className="flex items-center gap-1 text-sm">
            {end}
            <DateInput
              label={end === "from" ? "From this day on" : "Up to this day"}
              value={asked.get(end) ?? ""}
              today={today}
              onChange={(day) => look({ [end]: day })}
            />
          </div>
        ))}
      </form>
    </search>
  );
}
