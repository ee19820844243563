import type { ReactNode } from "react";
import type { Problem } from "@/contracts";
import { TROUBLE } from "@/messages";

/** What, why and what now: for a whole page that cannot be shown. */
export function TroublePage({ problem, children }: { problem: Problem; children?: ReactNode }) {
  const words = TROUBLE[problem.code];
  return (
    <main className="mx-auto max-w-2xl p-8" role="alert">
      <h1 className="text-2xl font-bold">{words.title}</h1>
      <p className="mt-3">{words.what}</p>
      <p className="mt-3">
        <strong>What now:</strong> {words.now}
      </p>
      <p className="soft mt-3 text-sm">{problem.detail}</p>
      {/* a whole load: what stands around the page could not be made either */}
      <a href="/bench" className="btn btn-primary mt-6">
        Try again
      </a>
      {children}
    </main>
  );
}
