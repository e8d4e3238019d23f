'use client';

/** Shown when a page could not be made, mostly because the database is away. */
export default function PageError({ reset }: { reset: () => void }) {
  return (
    <main className="mx-auto max-w-md p-6">
      <h1 className="mb-2">This page could not be made</h1>
      <p className="mb-4">
        The server or its database is not answering. Nothing that was saved is lost. Wait a moment and try again; if it
        stays, tell whoever runs Pear Bench.
      </p>
      <button type="button" className="bench-button" data-weight="main" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
