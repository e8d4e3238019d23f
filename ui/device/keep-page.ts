/**
 * Asks the offline worker to keep a page and what it is made of, so that it opens without reception.
 *
 * @returns whether this browser can keep pages at all.
 */
export async function keepPage(path: string, scope: string): Promise<boolean> {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return false;
  const registration = await navigator.serviceWorker.register('/offline.js', { scope, updateViaCache: 'none' });
  const worker = registration.active ?? (await new Promise<ServiceWorker>((resolve) => {
    const coming = registration.installing ?? registration.waiting!;
    coming.addEventListener('statechange', () => { if (coming.state === 'activated') resolve(coming); });
  }));
  const used = performance.getEntriesByType('resource').map(({ name }) => name).filter((name) => name.startsWith(location.origin));
  worker.postMessage({ keep: new URL(path, location.origin).href, used });
  return true;
}

/** Forgets pages and benches kept for a person who signs out; what waits to be sent stays. */
export async function forgetKeptPages(): Promise<void> {
  if ('caches' in window) await caches.delete('pear-bench-benches-1');
  const { deviceDatabase } = await import('./device-database');
  await (await deviceDatabase()).clear('benches');
}
