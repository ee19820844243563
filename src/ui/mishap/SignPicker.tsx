"use client";

import { useState } from "react";
import type { FaceNow } from "@/core/mishap/face";
import { signsFor } from "@/core/mishap/signs";
import type { MishapSign } from "@/core/model";
import { MISHAP_NAME, SIGN_LACKS_TEXT } from "@/messages";
import { SignArt } from "./SignArt";

/** When it showed, minutes before now: causes are looked for at that hour. */
const SHOWED: readonly (readonly [number, string])[] = [
  [0, "just now"],
  [60, "an hour ago"],
  [240, "some hours ago"],
  [1440, "yesterday"],
  [4320, "days ago"],
  [14_400, "ten days ago"],
];

/** What is it? Likely ones first, as drawings with words one can hit in gloves; what cannot be comes last and says why. */
export function SignPicker({
  face,
  nowMin,
  choose,
}: {
  face: FaceNow;
  nowMin: number;
  choose: (sign: MishapSign, minutesAgo: number) => void;
}) {
  const [all, setAll] = useState(false);
  const [ago, setAgo] = useState(0);
  const offered = signsFor(face, nowMin);
  const likely = offered.filter((o) => o.likely);
  const rest = offered.filter((o) => !o.likely);
  return (
    <div className="grid gap-3">
      <Signs title="Likely now" offers={likely} choose={(sign) => choose(sign, ago)} />
      <label className="text-base">
        It showed{" "}
        <select className="select ml-1 w-44" value={ago} onChange={(e) => setAgo(Number(e.target.value))}>
          {SHOWED.map(([minutes, name]) => (
            <option key={minutes} value={minutes}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {all ? (
        <Signs title="Everything else" offers={rest} choose={(sign) => choose(sign, ago)} />
      ) : (
        <button type="button" className="btn btn-lg" onClick={() => setAll(true)}>
          All signs ({rest.length} more)
        </button>
      )}
    </div>
  );
}

function Signs({
  title,
  offers,
  choose,
}: {
  title: string;
  offers: ReturnType<typeof signsFor>;
  choose: (sign: MishapSign) => void;
}) {
  return (
    <section aria-label={title}>
      <h3 className="soft mb-1 text-base font-bold">{title}</h3>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3 lg:grid-cols-4">
        {offers.map(({ sign, lacks }) => (
          <li key={sign}>
            <button
              type="button"
              data-sign={sign}
              className={`flex h-full min-h-24 w-full items-center gap-3 rounded-box border border-base-300 p-3 max-sm:gap-2 max-sm:p-2 text-left hover:border-base-content ${lacks ? "bg-base-100 opacity-75" : "bg-base-200"}`}
              onClick={() => choose(sign)}
            >
              <SignArt sign={sign} />
              <span className="min-w-0">
                <span className="block text-lg leading-tight font-bold">{MISHAP_NAME[sign][0]}</span>
                <span className="soft block text-sm leading-tight">
                  {lacks ? SIGN_LACKS_TEXT[lacks] : MISHAP_NAME[sign][1]}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
