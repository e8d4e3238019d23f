import { UseCaseError } from '@/server/platform/use-case-error';

interface PrivateLinkProps<T> {
  opened: Promise<T>;
  show: (page: T) => React.ReactNode;
  /** How a refusal is said, where whoever reads has a language of their own. */
  refused?: (error: UseCaseError) => Promise<{ heading: string; words: string }>;
}

const asItIs = async ({ message }: UseCaseError) => ({ heading: 'This link does not open', words: message });

/** A page behind a private link, in the bright-sun theme; a link that does not open says why. Looking changes nothing: mail programs and previews open links too. */
export async function PrivateLink<T>({ opened, show, refused = asItIs }: PrivateLinkProps<T>) {
  let inside: React.ReactNode;
  try {
    inside = show(await opened);
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
    const { heading, words } = await refused(error);
    inside = (
      <>
        <h1 className="mb-2">{heading}</h1>
        <p>{words}</p>
      </>
    );
  }
  return <main className="sun mx-auto min-h-dvh max-w-md bg-paper px-4 py-5 text-ink">{inside}</main>;
}
