"use client";

import { Download, Printer } from "lucide-react";
import Link from "next/link";
import type { RecordView } from "@/contracts";
import { PrintButton } from "./PrintButton";
import { RecordSheet } from "./RecordSheet";

interface ScreenProps {
  readonly record: RecordView;
  readonly regionId: string | null;
  readonly only: "all" | "touch-up";
}

/** The record on screen: a sheet, and above it what is kept of it. */
export function RecordScreen({ record, regionId, only }: ScreenProps) {
  const query = regionId === null ? "" : `&region=${regionId}`;
  return (
    <main className="grid gap-4 p-4">
      <nav aria-label="Record" className="mx-auto flex w-full max-w-[46rem] flex-wrap items-center gap-2 print:hidden">
        <Link className={`btn btn-sm ${only === "all" ? "btn-active" : ""}`} href={`/record?card=all${query}`}>
          Whole record
        </Link>
        <Link
          className={`btn btn-sm ${only === "touch-up" ? "btn-active" : ""}`}
          href={`/record?card=touch-up${query}`}
        >
          Touch-up cards
        </Link>
        {regionId !== null && (
          <Link className="link text-sm" href={`/record?card=${only}`}>
            all faces
          </Link>
        )}
        <span className="flex-1" />
        <PrintButton>
          <Printer className="size-4" aria-hidden />
          Print
        </PrintButton>
        <a className="btn btn-sm" href={`/api/v1/models/${record.model.id}/record.html`} download>
          <Download className="size-4" aria-hidden />
          One file to keep
        </a>
      </nav>
      <RecordSheet record={record} photo={(hash) => `/api/v1/photos/${hash}`} only={only} regionId={regionId} />
    </main>
  );
}
