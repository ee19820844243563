"use client";

/** Our own mistake, never the user's: said plainly, with a way on. What was saved stays saved. */
export default function Failed({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="mx-auto max-w-2xl p-8" role="alert">
      <h1 className="text-2xl font-bold">Something went wrong in Elm Bench itself</h1>
      <p className="mt-3">
        This page could not be made. It is a fault of the application, not of what you entered; everything that was
        saved is still saved.
      </p>
      <p className="mt-3">
        <strong>What now:</strong> try again. If it comes back, export the model under Parts and report it with the
        number below.
      </p>
      <p className="soft mt-3 text-sm">{error.digest ? `Fault ${error.digest}` : error.message}</p>
      <button type="button" className="btn btn-primary mt-6" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
