"use client";

import { Command } from "cmdk";
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
      overlayClassName="fixed inset-0 z-40 bg-black/40"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(560px,92vw)] -translate-x-1/2 rounded-box border border-base-300 bg-base-100 p-2 shadow-xl"
    >
      <Command.Input className="input w-full" placeholder="Part, product (under any of its names), place…" />
      <Command.List className={`mt-2 max-h-[50vh] overflow-y-auto ${HEADING}`}>
        <Command.Empty className="p-4">Nothing goes by that name here.</Command.Empty>
        <Command.Group heading="Places">
          {[...PLACES, { href: "/settings", name: "Settings" }].map((p) => (
            <Command.Item key={p.href} className={ITEM} onSelect={() => go(p.href)}>
              {p.name}
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Parts">
          {things
            .filter((t) => t.kind === "part")
            .map((t) => (
              <Command.Item
                key={t.id}
                value={`${t.name} ${t.id}`}
                className={ITEM}
                onSelect={() => go(`/stacks?region=${t.id}`)}
              >
                {t.name}
              </Command.Item>
            ))}
        </Command.Group>
        <Command.Group heading="Shelf">
          {things
            .filter((t) => t.kind === "product")
            .map((t) => (
              <Command.Item
                key={t.id}
                value={`${t.name} ${t.id}`}
                keywords={searchWords(t.name, t.also)}
                className={ITEM}
                onSelect={() => go(`/shelf?product=${t.id}`)}
              >
                {t.name}
              </Command.Item>
            ))}
        </Command.Group>
        <Command.Group heading="Do">
          <Command.Item className={ITEM} onSelect={() => go("/parts?add=part")}>
            Add a part
          </Command.Item>
          <Command.Item className={ITEM} onSelect={() => go("/shelf?product=new")}>
            Add a product
          </Command.Item>
          <Command.Item className={ITEM} onSelect={() => go("/settings#air")}>
            Change the air
          </Command.Item>
          <Command.Item className={ITEM} onSelect={() => go("/settings#sessions")}>
            Change bench sessions
          </Command.Item>
        </Command.Group>
      </Command.List>
    </Command.Dialog>
  );
}
