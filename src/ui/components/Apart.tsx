"use client";

import type { ReactNode } from "react";
import { ErrorBoundary } from "react-error-boundary";

/**
 * Keeps a chart, a timeline or a worker's panel apart: where it falls over, the rest of the page stays and says so, and it can be tried
 * again. What it shows stands in a table or in words elsewhere on its screen.
 */
export function Apart({ what, children }: { readonly what: string; readonly children: ReactNode }) {
  return (
    <ErrorBoundary
      fallbackRender={({ resetErrorBoundary }) => (
        <div role="alert" className="rounded-box border border-error p-4">
          <p className="font-semibold">{what} could not be drawn: a fault of the application. Nothing is lost.</p>
          <button type="button" className="btn btn-sm mt-2" onClick={resetErrorBoundary}>
            Try again
          </button>
        </div>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
