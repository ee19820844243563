"use client";

import { Command } from "cmdk";
import { ArrowRight, Library, Puzzle, Settings, TriangleAlert } from "lucide-react";
import { useRouter } from "next/navigation";
import { REGIONAL_DOUBLES } from "@/messages";
import { PLACES } from "./Rail";

export interface Findable {
  readonly kind: "part" | "product";
  readonly id: string;
  readonly name: string;
  readonly also: readonly string[];
}

/** Everything a name goes by, so that any regional double finds it. */
export function searchWords(name: string, also: readonly string[]): string[] {
  const own = [name, ...also].map((w) => w.toLowerCase());
  const doubles = REGIONAL_DOUBLES.filter((row) => row.some((w) => own.some((o) => o.includes(w)))).flat();
  return [...also, ...doubles];
}

/** Two things of one name are told apart by what comes after this; nobody searches for it. */
const AND_ID = "\u0000";

/** Every word typed stands somewhere in it, whatever the order; nothing that only resembles. */
export function holdsWords(told: string, search: string, keywords: readonly string[] = []): number {
  const value = told.split(AND_ID)[0]!;
  const place = [value, ...keywords].join(" ").toLowerCase();
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  if (!words.every((w) => place.includes(w))) return 0;
  return value.toLowerCase().startsWith(search.trim().toLowerCase()) ? 1 : 0.5;
}

const DEEDS: readonly (readonly [href: string, name: string])[] = [
  ["/begin", "One part: what can I put on it?"],
  ["/parts?add=part", "Add a part"],
  ["/shelf?product=new", "Add a product"],
  ["/settings#air", "Change the air"],
  ["/settings#sessions", "Change bench sessions"],
  ["/settings#showing", "Change units, clock and dates"],
];
const ROW = "flex items-center gap-3";

const HEADING =
  "[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:font-bold";
const ITEM =
  "cursor-pointer rounded-field px-3 py-2 data-[selected=true]:bg-primary data-[selected=true]:text-primary-content";

export function Finder({
  open,
  onOpenChange,
  things,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  things: readonly Findable[];
}) {
  const router = useRouter();
  const go = (href: string) => {
    onOpenChange(false);
    router.push(href);
  };
  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpenChange}
      label="Find anything"
      loop
      filter={holdsWords}
      overlayClassName="fixed inset-0 z-40 bg-black/40"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(560px,92vw)] -translate-x-1/2 rounded-box border border-base-300 bg-base-100 p-2 shadow-xl"
    >
      <Command.Input className="input w-full" placeholder="Part, product (under any of its names), place…" />
      <Command.List className={`mt-2 max-h-[50vh] overflow-y-auto ${HEADING}`}>
        <Command.Empty className="p-4">Nothing goes by that name here.</Command.Empty>
        <Command.Group heading="Places">
          {[...PLACES, { href: "/settings", name: "Settings", icon: Settings }].map(({ href, name, icon: Icon }) => (
            <Command.Item key={href} value={name} className={ITEM} onSelect={() => go(href)}>
              <span className={ROW}>
                <Icon className="size-4 shrink-0" aria-hidden />
                {name}
              </span>
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Parts">
          {things
            .filter((t) => t.kind === "part")
            .map((t) => (
              <Command.Item
                key={t.id}
                value={`${t.name}${AND_ID}${t.id}`}
                className={ITEM}
                onSelect={() => go(`/stacks?region=${t.id}`)}
              >
                <span className={ROW}>
                  <Puzzle className="size-4 shrink-0" aria-hidden />
                  {t.name}
                </span>
              </Command.Item>
            ))}
        </Command.Group>
        <Command.Group heading="Something’s wrong">
          {things
            .filter((t) => t.kind === "part")
            .map((t) => (
              <Command.Item
                key={t.id}
                value={`Something’s wrong: ${t.name}${AND_ID}${t.id}`}
                className={ITEM}
                onSelect={() => go(`/bench?wrong=${t.id}`)}
              >
                <span className={ROW}>
                  <TriangleAlert className="size-4 shrink-0" aria-hidden />
                  Something’s wrong: {t.name}
                </span>
              </Command.Item>
            ))}
        </Command.Group>
        <Command.Group heading="Shelf">
          {things
            .filter((t) => t.kind === "product")
            .map((t) => (
              <Command.Item
                key={t.id}
                value={`${t.name}${AND_ID}${t.id}`}
                keywords={searchWords(t.name, t.also)}
                className={ITEM}
                onSelect={() => go(`/shelf?product=${t.id}`)}
              >
                <span className={ROW}>
                  <Library className="size-4 shrink-0" aria-hidden />
                  {t.name}
                </span>
              </Command.Item>
            ))}
        </Command.Group>
        <Command.Group heading="Do">
          {DEEDS.map(([href, name]) => (
            <Command.Item key={href} value={name} className={ITEM} onSelect={() => go(href)}>
              <span className={ROW}>
                <ArrowRight className="size-4 shrink-0" aria-hidden />
                {name}
              </span>
            </Command.Item>
          ))}
        </Command.Group>
      </Command.List>
    </Command.Dialog>
  );
}
