"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useMemo, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Toaster } from "sonner";
import type { Showing } from "@/contracts";
import { showAs } from "@/format";
import { NowProvider } from "../hooks/useNow";
import { AirRibbon, type RibbonData } from "./AirRibbon";
import { type Findable, Finder } from "./Finder";
import { OutOfReach } from "./OutOfReach";
import { PLACES, Rail } from "./Rail";
import { useOnDevice } from "./Sent";

export interface FrameData {
  readonly ribbon: RibbonData | null;
  readonly things: readonly Findable[];
  /** rows of the database nobody could read */
  readonly unreadable: readonly { readonly what: string; readonly count: number }[];
  readonly serverNowMs: number;
  readonly timeZone: string;
  readonly showing: Showing;
}

/** The same with what it shows as one text, and drawn on the device, as `Sent` has it; until then its outline. */
export function SentFrame({ told, children }: { readonly told: string; readonly children: ReactNode }) {
  return useOnDevice() ? <Drawn told={told}>{children}</Drawn> : <Outline>{children}</Outline>;
}

function Drawn({ told, children }: { readonly told: string; readonly children: ReactNode }) {
  const data = useMemo(() => JSON.parse(told) as FrameData, [told]);
  return <Frame {...data}>{children}</Frame>;
}

/** Where rail, air and screen will be. */
const Outline = ({ children }: { readonly children: ReactNode }) => (
  <div className="flex h-dvh flex-col md:flex-row">
    <div className="order-last min-h-14 shrink-0 border-base-300 bg-base-200 max-md:border-t md:order-first md:w-[88px] md:border-r" />
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="min-h-11 border-b border-base-300 bg-base-200" />
      <div className="min-h-0 flex-1 overflow-auto">{children}</div>
    </div>
  </div>
);

const SHORTCUTS: readonly (readonly [keys: string, what: string])[] = [
  ["Ctrl K or ⌘ K", "Find anything"],
  ["?", "This list"],
  ...PLACES.map((p) => [`g then ${p.go}`, `Go to ${p.name}`] as const),
  ["← and →", "Between tabs"],
  ["Enter", "Save the field you are in"],
  ["Esc", "Leave the field as it was; close what is open"],
];

/** Rail, air ribbon, search and shortcuts: the same on every screen. */
function Frame({
  ribbon,
  things,
  unreadable,
  serverNowMs,
  timeZone,
  showing,
  children,
}: FrameData & { readonly children: ReactNode }) {
  // before anything inside it is drawn, so that every figure on the page speaks the same units
  showAs(showing);
  const router = useRouter();
  const [finding, setFinding] = useState(false);
  const help = useRef<HTMLDialogElement>(null);
  useHotkeys("mod+k", () => setFinding(true), { preventDefault: true, enableOnFormTags: true });
  useHotkeys("shift+slash, ?", () => help.current?.showModal(), { useKey: true });
  useHotkeys(
    PLACES.map((p) => `g>${p.go}`),
    (_event, pressed) => {
      const place = PLACES.find((p) => p.go === pressed.keys?.at(-1));
      if (place) router.push(place.href);
    },
  );
  return (
    <NowProvider serverNowMs={serverNowMs} timeZone={timeZone}>
      <a href="#content" className="btn btn-primary absolute top-1 left-1 z-50 -translate-y-20 focus:translate-y-0">
        Skip to content
      </a>
      <div className="flex h-dvh flex-col md:flex-row print:block print:h-auto">
        <div className="contents print:hidden">
          <Rail />
        </div>
        <div className="flex min-h-0 min-w-0 flex-1 flex-col print:block">
          {ribbon && (
            <div className="contents print:hidden">
              <AirRibbon data={ribbon} onSearch={() => setFinding(true)} />
            </div>
          )}
          <OutOfReach />
          {unreadable.length > 0 && (
            <p role="status" className="bg-warning px-4 py-1 text-warning-content print:hidden">
              Left aside, because it could not be read:{" "}
              {unreadable.map((u) => `${u.what}${u.count > 1 ? ` (${u.count})` : ""}`).join(", ")}. Nothing of it was
              deleted; a backup may hold it whole.
            </p>
          )}
          <div id="content" className="relative min-h-0 flex-1 overflow-auto print:overflow-visible" tabIndex={-1}>
            {children}
          </div>
        </div>
      </div>
      <Finder open={finding} onOpenChange={setFinding} things={things} />
      <dialog ref={help} className="modal" aria-labelledby="shortcuts-title">
        <div className="modal-box">
          <h2 id="shortcuts-title" className="text-lg font-bold">
            Shortcuts
          </h2>
          <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
            {SHORTCUTS.map(([keys, what]) => (
              <div key={keys} className="contents">
                <dt>
                  <kbd className="kbd">{keys}</kbd>
                </dt>
                <dd className="py-1">{what}</dd>
              </div>
            ))}
          </dl>
          <form method="dialog" className="modal-action">
            <button type="submit" className="btn">
              Close
            </button>
          </form>
        </div>
      </dialog>
      <Toaster position="bottom-center" closeButton />
    </NowProvider>
  );
}
