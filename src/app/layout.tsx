import type { Metadata, Viewport } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { type ProblemCode, USUAL_SHOWING } from "@/contracts";
import * as server from "@/server";
import { type FrameData, SentFrame } from "@/ui/components/Frame";
import { TroublePage } from "@/ui/components/Trouble";
import { Backups } from "@/ui/settings/Backups";
import { THEME_SCRIPT } from "@/ui/theme";
import { frameData } from "./frame-data";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Elm Bench", template: "%s · Elm Bench" },
  description: "Coating systems and their waits, planned for a modeller’s bench.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };
export const dynamic = "force-dynamic";

/** Where a copy in its place mends it. */
const COPY_HELPS: ReadonlySet<ProblemCode> = new Set(["storage-missing", "storage-damaged", "storage-newer"]);

function CopiesToPutBack() {
  const told = server.getBackups();
  return (
    <section className="mt-8 grid gap-2" aria-labelledby="copies-title">
      <h2 id="copies-title" className="border-b border-base-300 text-lg font-bold">
        Copies in the folder backups
      </h2>
      <Backups backups={told.ok ? told.value.backups : []} timeZone="UTC" canCopy={false} />
    </section>
  );
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("x-nonce") ?? undefined;
  const data = frameData();
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* asked for with the device's own cookie: behind the door of the local network nothing goes without it */}
        <link rel="manifest" href="/manifest.webmanifest" crossOrigin="use-credentials" />
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a constant of ours; it has to run before anything is painted */}
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body className="bg-base-100 text-base-content">
        <SentFrame
          told={JSON.stringify({
            ribbon: data.ok ? data.value.ribbon : null,
            things: data.ok ? data.value.things : [],
            unreadable: data.ok ? data.value.unreadable : [],
            serverNowMs: server.nowMs(),
            showing: data.ok ? data.value.showing : USUAL_SHOWING,
            timeZone: data.ok ? data.value.ribbon.timeZone : "UTC",
          } satisfies FrameData)}
        >
          {data.ok ? (
            children
          ) : (
            <TroublePage problem={data.problem}>{COPY_HELPS.has(data.problem.code) && <CopiesToPutBack />}</TroublePage>
          )}
        </SentFrame>
      </body>
    </html>
  );
}
