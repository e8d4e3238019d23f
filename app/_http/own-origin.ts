import { UseCaseError } from '@/server/platform/use-case-error';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Refuses what a page of another site sends. Browsers say where a request comes from; what is ours is
 * the public address, since a Host header says only what a caller wants it to. Names of this machine
 * count as one: on it, people open either.
 *
 * @throws UseCaseError for a request that changes things and comes from elsewhere.
 */
export function refuseForeignOrigin(request: Request, publicAddress: string): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  if (origin === null ? site === null || site === 'same-origin' || site === 'none' : isOwn(origin, publicAddress))
    return;
  throw new UseCaseError(
    'forbidden',
    `This request came from another address and was refused. Open Pear Bench at ${publicAddress} and try again there.`,
  );
}

function isOwn(origin: string, publicAddress: string): boolean {
  if (!URL.canParse(origin)) return false;
  const [came, own] = [new URL(origin), new URL(publicAddress)];
  if (came.origin === own.origin) return true;
  return (
    LOOPBACK.has(came.hostname) &&
    LOOPBACK.has(own.hostname) &&
    came.protocol === own.protocol &&
    came.port === own.port
  );
}
