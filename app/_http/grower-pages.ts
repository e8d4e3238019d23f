import type { Wording } from '@/core/follow-up/wording/wording';
import { ENGLISH } from '@/core/follow-up/wording/english';
import { GrowerError } from '@/server/follow-up/grower/grower-error';
import { openLink } from '@/server/follow-up/grower/open-link';
import type { Services } from '@/server/platform/context';
import { databaseIsAway } from '@/server/platform/database-is-away';
import { UseCaseError } from '@/server/platform/use-case-error';
import { saidPage } from '@/ui/follow-up/grower/document';

/** A page of a private link as it is sent: kept by nobody, and telling no other place where it came from. */
export function growerResponse(html: string, status = 200): Response {
  return new Response(html, {
    status,
    headers: {
      'Content-Type': 'text/html; charset=utf-8',
      'Cache-Control': 'no-store',
      // Under a stricter one browsers hide where a form comes from, and it would be refused as another page's.
      'Referrer-Policy': 'same-origin',
    },
  });
}

/** The nonce that the policy of this answer names. */
export function nonceOf(request: Request): string {
  return request.headers.get('x-nonce') ?? '';
}

/** In which language a link is read; English where it opens nothing. */
export async function wordingOfLink(services: Services, token: string): Promise<Wording> {
  return openLink(services, token).then(
    ({ wording }) => wording,
    (error: unknown) => (error as { wording?: Wording }).wording ?? ENGLISH,
  );
}

/** A refusal in the words of whoever reads. */
export function refusalWords(error: UseCaseError, { say }: Wording): string {
  return error instanceof GrowerError ? say(error.key, error.values) : say('error.unknown');
}

/** A page that says why something did not go through, and what to do. */
export async function growerRefusal(
  error: unknown,
  { services, token, nonce }: { services: Services; token: string; nonce: string },
): Promise<Response> {
  const known = error instanceof UseCaseError;
  if (!known && !databaseIsAway(error)) console.error('/r/…', error);
  const wording = known ? await wordingOfLink(services, token) : ENGLISH;
  const words = known ? refusalWords(error, wording) : wording.say('error.unknown');
  const heading = wording.say('error.heading');
  return growerResponse(saidPage({ language: wording.language, nonce, heading, words }), known ? error.status : 503);
}
