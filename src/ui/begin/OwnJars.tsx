"use client";

import { X } from "lucide-react";
import { useRef, useState } from "react";
import { FILM_ROLES, isOneOf, type JarId } from "@/core/model";
import { findJars, jarRow } from "@/core/reference";
import { JarButton } from "../shelf/JarButton";

/** What most cupboards hold, offered before anything is typed. */
const COMMON: readonly JarId[] = [
  "primer-aerosol",
  "filler-primer-aerosol",
  "water-primer",
  "stopper",
  "water-acrylic",
  "lacquer-spray",
  "hobby-enamel",
  "water-varnish",
  "matt-spray",
];
const SHOWN = 6;

interface OwnProps {
  readonly jars: readonly JarId[];
  readonly set: (jars: readonly JarId[]) => void;
  readonly fault: string | null;
  /** the question before it is answered: it is this one's turn */
  readonly next: boolean;
}

/** Kinds one owns: typed by what they are called, the first that fits taken with Enter. */
export function OwnJars({ jars, set, fault, next }: OwnProps) {
  const [words, setWords] = useState("");
  const field = useRef<HTMLInputElement>(null);
  const found = findJars(words).filter((r) => isOneOf(FILM_ROLES)(r.facts.role) && !jars.includes(r.id));
  const offered = words.trim() === "" ? found.filter((r) => COMMON.includes(r.id)) : found.slice(0, SHOWN);
  const add = (id: JarId) => {
    set([...jars, id]);
    setWords("");
    field.current?.focus();
  };
  return (
    <div className="grid gap-2">
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
      {jars.length > 0 && (
        <ul className="flex flex-wrap gap-2" aria-label="You have">
          {jars.map((id) => (
            <li key={id} className="flex items-center gap-1 rounded-field bg-base-200 py-0.5 pl-3">
              {jarRow(id).name}
              <button
                type="button"
                className="btn btn-ghost btn-sm btn-square"
                aria-label={`Take out ${jarRow(id).name}`}
                onClick={() => set(jars.filter((j) => j !== id))}
              >
                <X className="size-4" aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <label className="grid gap-1 text-sm">
        What is on the can, or what you call it
        <input
          ref={field}
          type="search"
          // biome-ignore lint/a11y/noAutofocus: the question before was just answered, this is the next
          autoFocus={next}
          className="input w-full max-w-md"
          placeholder="filler primer, satin spray, stopper…"
          value={words}
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== "Enter" || words.trim() === "") return;
            e.preventDefault();
            if (found[0]) add(found[0].id);
          }}
        />
      </label>
      <ul className="grid gap-1 sm:grid-cols-2" aria-label="Kinds that fit">
        {offered.map((r) => (
          <li key={r.id}>
            <JarButton row={r} choose={add} />
          </li>
        ))}
      </ul>
      {offered.length === 0 && words.trim() !== "" && (
        <p role="status">No kind goes by that. Try what it is for, or add it under Shelf as a blank card.</p>
      )}
    </div>
  );
}
