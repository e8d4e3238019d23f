import { UseCaseError } from '@/server/platform/use-case-error';

/** A page behind a private link, in the bright-sun theme; a link that does not open says why. Looking changes nothing: mail programs and previews open links too. */
export async function PrivateLink<T>({ opened, show }: { opened: Promise<T>; show: (page: T) => React.ReactNode }) {
  let inside: React.ReactNode;
  try {
    inside = show(await opened);
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
    inside = (
      <>
        <h1 className="mb-2">This link does not open</h1>
        <p>{error.message}</p>
      </>
    );
  }
  return <main className="sun mx-auto min-h-dvh max-w-md bg-paper px-4 py-5 text-ink">{inside}</main>;
}
