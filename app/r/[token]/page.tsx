import type { Metadata } from 'next';
import { growerPage } from '@/server/grower-page';
import { UseCaseError } from '@/server/use-case-error';
import { GrowerAnswers } from '@/ui/grower/grower-answers';
import { services } from '../../_http/services';

export const metadata: Metadata = { title: 'Your grafts', robots: { index: false } };

export default async function Grower({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  // Looking changes nothing: mail programs and previews open links too.
  const page = await growerPage(services(), token).catch((error: unknown) => {
    if (error instanceof UseCaseError) return error;
    throw error;
  });
  return (
    <main className="sun mx-auto min-h-dvh max-w-md bg-paper px-4 py-5 text-ink">
      {page instanceof UseCaseError ? (
        <>
          <h1 className="mb-2">This link does not open</h1>
          <p>{page.message}</p>
        </>
      ) : (
        <GrowerAnswers token={token} page={page} />
      )}
    </main>
  );
}
