import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-3xl">Nothing hangs on this hook</h1>
      <p className="mt-3">The page or production is not here. It may have been deleted.</p>
      <p className="mt-6">
        <Link className="press press-main inline-block" href="/">
          All productions
        </Link>
      </p>
    </main>
  );
}
