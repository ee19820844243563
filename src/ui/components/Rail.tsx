"use client";

import {
  BookOpenText,
  CalendarClock,
  Droplets,
  FlaskConical,
  Hammer,
  Layers,
  Library,
  type LucideIcon,
  Puzzle,
  Settings,
  Wind,
} from "lucide-react";
import Link from "next/link";
import { usePathname } from "next/navigation";

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
  { href: "/plan", name: "Plan", icon: CalendarClock, go: "l" },
  { href: "/air", name: "Air", icon: Wind, go: "a" },
  { href: "/film", name: "Film", icon: Droplets, go: "f" },
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

export function Rail() {
  const path = usePathname();
  return (
    <nav
      aria-label="Main"
      className="order-last flex shrink-0 overflow-x-auto border-base-300 bg-base-200 max-md:border-t md:order-first md:w-[88px] md:flex-col md:border-r"
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
        <Place key={p.href} {...p} active={path.startsWith(p.href)} />
      ))}
      <span className="hidden flex-1 md:block" />
      <Place href="/settings" name="Settings" icon={Settings} active={path.startsWith("/settings")} />
    </nav>
  );
}
