import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-md p-6">
      <h1 className="mb-2">Nothing here</h1>
      <p className="mb-4">
        This address leads to nothing in your club. It may have been removed, or belong to another club.
      </p>
      <Link href="/season" className="bench-button">
        To the season
      </Link>
    </main>
  );
}
