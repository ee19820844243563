"use client";

import { useEffect, useRef } from "react";
import { firstAid } from "@/core/mishap/aid";
import { type FaceNow, type FilmStage, stageAt } from "@/core/mishap/face";
import type { MishapSign } from "@/core/model";
import { countdown } from "@/format";
import { aidText, HARM_LINES, HARM_NOTE, MISHAP_NAME } from "@/messages";
import { useNowMs } from "../hooks/useNow";

/** How much of the time it holds is left, 0…1. */
const shareLeft = (fromMin: number, untilMin: number, nowMin: number): number =>
  Math.max(0, Math.min(1, (untilMin - nowMin) / Math.max(1e-6, untilMin - fromMin)));

/** How long it is true, by how far the film has come. */
const HOLDS: Readonly<Record<FilmStage, string>> = {
  bare: "for now",
  wet: "while it is wet",
  touch: "until it sands",
  sandable: "until it is cured",
  cured: "for now",
};

/** What to do with one's hands now, before anything is asked: large, three lines, counted down while it holds. */
export function FirstAidCard({
  sign,
  face,
  pressedMin,
  done,
}: {
  sign: MishapSign;
  face: FaceNow;
  pressedMin: number;
  done: () => void;
}) {
  const nowMin = useNowMs() / 60_000;
  // what was right at the press is right until the film has come on
  const stage = stageAt(face, Math.max(pressedMin, nowMin));
  const aid = firstAid(sign, face, Math.max(pressedMin, nowMin));
  const until = aid.holdsUntilMin;
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => head.current?.focus(), []);
  return (
    <section
      role="alert"
      aria-label={`First aid: ${MISHAP_NAME[sign][0]}`}
      data-testid="first-aid"
      data-stage={stage}
      className="rounded-box border-l-8 border-error bg-base-200 p-4"
    >
      <h3 ref={head} tabIndex={-1} className="soft text-base font-bold" style={{ outline: "none" }}>
        {MISHAP_NAME[sign][0]}: now
      </h3>
      <ol className="mt-1 grid gap-2">
        {aid.lines.map((line) => (
          <li key={line} className="text-[1.75rem] leading-tight font-bold">
            {aidText(line)}
          </li>
        ))}
      </ol>
      {until !== null && until > nowMin && (
        <div className="mt-3">
          <div className="h-3 overflow-hidden rounded-full bg-base-300" aria-hidden>
            <div
              className="h-full bg-error"
              style={{ width: `${shareLeft(Math.min(pressedMin, nowMin), until, nowMin) * 100}%` }}
            />
          </div>
          <p className="mt-1 text-lg tabular-nums">
            {HOLDS[stage]}: about {countdown((until - nowMin) * 60)} more
          </p>
        </div>
      )}
      <div className="mt-3 flex flex-wrap items-start gap-3">
        <button type="button" className="btn btn-outline btn-lg" onClick={done}>
          Done that
        </button>
        <details className="min-w-0 flex-1 text-base">
          <summary className="min-h-11 cursor-pointer content-center">On skin, in eyes, breathed in, on fire</summary>
          <ul className="grid gap-1">
            {HARM_LINES.map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
          <p className="font-bold">{HARM_NOTE}</p>
        </details>
      </div>
    </section>
  );
}
