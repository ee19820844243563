"use client";

import { useState } from "react";
import { findJars, type JarTraits, jarsLike } from "@/core/reference";
import { JarButton } from "./JarButton";

interface Question<K extends keyof JarTraits> {
  readonly key: K;
  readonly asks: string;
  readonly answers: readonly (readonly [JarTraits[K], string])[];
}
const CLEANS: Question<"cleansWith"> = {
  key: "cleansWith",
  asks: "What cleans the brush, and how does it smell?",
  answers: [
    ["water", "water; hardly any smell"],
    ["alcohol", "alcohol; smells of it"],
    ["spirit", "white spirit; oily smell"],
    ["strong", "thinner or acetone; sharp, sweet smell"],
    ["nothing", "nothing once it is hard; it sets by itself or by light"],
  ],
};
const DRY: Question<"dryIn"> = {
  key: "dryIn",
  asks: "Touch dry in",
  answers: [
    ["minutes", "minutes"],
    ["hours", "hours"],
  ],
};
const PARTS: Question<"parts"> = {
  key: "parts",
  asks: "One part, or two that are mixed?",
  answers: [
    [1, "one"],
    [2, "two"],
  ],
};

/** Which kind of jar it is: by what people call it, or by three things anybody can tell without reading. */
export function JarChooser({ choose }: { choose: (jar: string) => void }) {
  const [words, setWords] = useState("");
  const [asked, setAsked] = useState(false);
  const [told, setTold] = useState<Partial<JarTraits>>({});
  const like = new Set(jarsLike(asked ? told : {}).map((r) => r.id));
  const found = findJars(words).filter((r) => like.has(r.id));
  return (
    <div className="grid gap-3 pb-4">
      <label className="grid gap-1.5 text-sm">
        What is it called, or what is it for?
        <input
          type="search"
          className="input w-full"
          placeholder="filler primer, satin spray, stopper…"
          value={words}
          // biome-ignore lint/a11y/noAutofocus: adding a product was asked for; this is its first question
          autoFocus
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter" && found[0]) choose(found[0].id);
          }}
        />
      </label>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" aria-expanded={asked} onClick={() => setAsked(!asked)}>
          I do not know what kind
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => choose("blank")}>
          A blank card
        </button>
      </div>
      {asked && (
        <div className="grid gap-2 rounded-box bg-base-200 p-3">
          <Ask question={CLEANS} told={told} tell={setTold} />
          <Ask question={DRY} told={told} tell={setTold} />
          <Ask question={PARTS} told={told} tell={setTold} />
        </div>
      )}
      <p className="soft text-sm" role="status">
        {found.length === 0
          ? "No kind fits all of that. Take a word or an answer back, or begin a blank card."
          : `${found.length} ${found.length === 1 ? "kind fits" : "kinds fit"}. Choosing one fills the card with what such jars usually say; what a danger hangs on stays to be read off your own label.`}
      </p>
      <ul className="grid gap-1">
        {found.map((r) => (
          <li key={r.id}>
            <JarButton row={r} choose={choose} also />
          </li>
        ))}
      </ul>
    </div>
  );
}

function Ask<K extends keyof JarTraits>({
  question,
  told,
  tell,
}: {
  question: Question<K>;
  told: Partial<JarTraits>;
  tell: (told: Partial<JarTraits>) => void;
}) {
  const { key, asks, answers } = question;
  return (
    <fieldset>
      <legend className="text-sm font-semibold">{asks}</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {[...answers, [undefined, "I cannot say"] as const].map(([value, words]) => (
          <label key={words} className="flex min-h-7 items-center gap-1.5 text-sm">
            <input
              type="radio"
              className="radio radio-sm"
              name={`ask-${key}`}
              checked={told[key] === value}
              onChange={() => tell({ ...told, [key]: value })}
            />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
