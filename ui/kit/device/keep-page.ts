import { send } from '../form/send';

/**
 * Asks the offline worker to keep a page and what it is made of, so that it opens without reception.
 *
 * @returns whether this browser can keep pages at all.
 */
export async function keepPage(path: string, scope: string): Promise<boolean> {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return false;
  // Private windows and some settings refuse it.
  const registration: ServiceWorkerRegistration | undefined = await navigator.serviceWorker
    .register('/offline.js', { scope, updateViaCache: 'none' })
    .catch(() => undefined);
  if (!registration) return false;
  const worker =
    registration.active ??
    (await new Promise<ServiceWorker>((resolve) => {
      const coming = registration.installing ?? registration.waiting!;
      coming.addEventListener('statechange', () => {
        if (coming.state === 'activated') resolve(coming);
      });
    }));
  worker.postMessage({ keep: new URL(path, location.origin).href, used: partsInUse() });
  return true;
}

/** Keeps a page that one works on for no reception; its session may then stay away for days. */
export async function keepToWorkOn(path: string): Promise<void> {
  if (await keepPage(path, '/')) await send('PUT', '/api/session', { keptOffline: true });
}

/** Addresses of all this page loaded from its server. The browser's own list forgets after 250, so what stands in the document is named too. */
function partsInUse(): string[] {
  const named = [...document.querySelectorAll<HTMLScriptElement>('script[src]')]
    .map(({ src }) => src)
    .concat([...document.querySelectorAll<HTMLLinkElement>('link[href]')].map(({ href }) => href))
    // Drawings further down may not be loaded yet.
    .concat([...document.querySelectorAll<HTMLImageElement>('img[src]')].map(({ src }) => src));
  return [...new Set([...performance.getEntriesByType('resource').map(({ name }) => name), ...named])].filter((name) =>
    name.startsWith(`${location.origin}/`),
  );
}

/** Forgets pages and benches kept for a person who signs out; what waits to be sent stays. */
export async function forgetKeptPages(): Promise<void> {
  if ('caches' in window) await caches.delete('pear-bench-benches-1');
  const { deviceDatabase } = await import('./device-database');
  await (await deviceDatabase()).clear('benches');
}
