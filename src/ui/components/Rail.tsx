"use client";

import { Popover } from "@base-ui/react/popover";
import {
  BookOpenText,
  Calculator,
  CalendarClock,
  Droplets,
  Ellipsis,
  FlaskConical,
  Hammer,
  Layers,
  Library,
  type LucideIcon,
  Palette,
  Puzzle,
  Settings,
  Wind,
} from "lucide-react";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { useState } from "react";

export const PLACES: readonly {
  readonly href: string;
  readonly name: string;
  readonly icon: LucideIcon;
  readonly go: string;
}[] = [
  { href: "/bench", name: "Bench", icon: Hammer, go: "b" },
  { href: "/parts", name: "Parts", icon: Puzzle, go: "p" },
  { href: "/shelf", name: "Shelf", icon: Library, go: "s" },
  { href: "/stacks", name: "Stacks", icon: Layers, go: "k" },
  { href: "/colour", name: "Colour", icon: Palette, go: "h" },
  { href: "/plan", name: "Plan", icon: CalendarClock, go: "l" },
  { href: "/air", name: "Air", icon: Wind, go: "a" },
  { href: "/film", name: "Film", icon: Droplets, go: "f" },
  { href: "/sums", name: "Sums", icon: Calculator, go: "u" },
  { href: "/coupons", name: "Coupons", icon: FlaskConical, go: "c" },
  { href: "/logbook", name: "Logbook", icon: BookOpenText, go: "o" },
];

function Place({ href, name, icon: Icon, active }: { href: string; name: string; icon: LucideIcon; active: boolean }) {
  return (
    <Link
      href={href}
      aria-current={active ? "page" : undefined}
      className={`flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 border-b-4 px-1 py-2 text-[13px] md:flex-none md:border-b-0 md:border-l-4 ${active ? "border-primary bg-base-100 font-bold" : "border-transparent hover:bg-base-100/60"}`}
    >
      <Icon aria-hidden className="size-5" />
      {name}
    </Link>
  );
}

/** On a phone these are under the thumb; the others are behind "more". */
const AT_HAND: ReadonlySet<string> = new Set(["/bench", "/plan", "/stacks", "/shelf", "/parts"]);
const SETTINGS = { href: "/settings", name: "Settings", icon: Settings } as const;

/** Places that have no room on a phone's bar. */
function More({ path }: { path: string }) {
  const [open, setOpen] = useState(false);
  const rest = [...PLACES.filter((p) => !AT_HAND.has(p.href)), SETTINGS];
  const here = rest.find((p) => path.startsWith(p.href));
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className={`flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 border-b-4 px-1 py-2 text-[13px] md:hidden ${here ? "border-primary bg-base-100 font-bold" : "border-transparent"}`}
      >
        <Ellipsis aria-hidden className="size-5" />
        {here ? here.name : "More"}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Positioner className="z-50" side="top" align="end" sideOffset={6}>
          <Popover.Popup
            className="grid w-44 rounded-box border border-base-300 bg-base-100 p-2 shadow-lg"
            aria-label="More places"
          >
            {rest.map(({ href, name, icon: Icon }) => (
              <Link
                key={href}
                href={href}
                aria-current={path.startsWith(href) ? "page" : undefined}
                className="flex min-h-12 items-center gap-3 rounded-field px-3 hover:bg-base-200"
                onClick={() => setOpen(false)}
              >
                <Icon aria-hidden className="size-5" />
                {name}
              </Link>
            ))}
          </Popover.Popup>
        </Popover.Positioner>
      </Popover.Portal>
    </Popover.Root>
  );
}

export function Rail() {
  const path = usePathname();
  return (
    <nav
      aria-label="Main"
      className="order-last flex shrink-0 border-base-300 bg-base-200 max-md:border-t md:order-first md:w-[88px] md:flex-col md:overflow-y-auto md:border-r"
    >
      <Link
        href="/bench"
        className="hidden py-3 text-center leading-tight font-bold text-secondary md:block"
        aria-label="Elm Bench, to the bench"
      >
        Elm
        <br />
        Bench
      </Link>
      {PLACES.map((p) => (
        <div key={p.href} className={AT_HAND.has(p.href) ? "contents" : "hidden md:contents"}>
          <Place {...p} active={path.startsWith(p.href)} />
        </div>
      ))}
      <span className="hidden flex-1 md:block" />
      <div className="hidden md:contents">
        <Place {...SETTINGS} active={path.startsWith(SETTINGS.href)} />
      </div>
      <More path={path} />
    </nav>
  );
}
