/**
 * Where to go after signing in: a path of this site and of no other, whatever the address bar says.
 *
 * @param wanted what the address asks for.
 * @param origin any address of this site; which one makes no difference.
 * @example ownPath('/wood?lot=1', 'https://bench.example') // '/wood?lot=1'
 * @example ownPath('//evil.example', 'https://bench.example') // '/week'
 */
export function ownPath(wanted: unknown, origin: string): string {
  const own = new URL(origin).origin;
  if (typeof wanted !== 'string' || !wanted.startsWith('/') || !URL.canParse(wanted, own)) return '/week';
  const { origin: came, pathname, search, hash } = new URL(wanted, own);
  const path = pathname + search + hash;
  // A browser reads the path anew: it must lead here then, too.
  return came === own && !pathname.startsWith('//') && new URL(path, own).origin === own ? path : '/week';
}
