'use client';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-3xl">This sheet could not be laid out</h1>
      <p className="mt-3">Nothing stored has changed. If it happens again, restart the server.</p>
      <p className="mt-6">
        <button type="button" className="press press-main" onClick={reset}>
          Try again
        </button>
      </p>
    </main>
  );
}
