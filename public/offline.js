/*
 * Keeps phone cards in the browser. Pages come from the network while there is one and from the
 * keep otherwise; what they are made of has its content in its name and comes from the keep first.
 * Whole answers are kept, with their Content-Security-Policy, so that a page's nonce still fits it.
 */
const KEEP = 'pear-bench-cards-1';
const isBuilt = (url) => url.pathname.startsWith('/_next/static/');

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('message', (event) => {
  const { keep, used = [] } = event.data ?? {};
  if (!keep) return;
  event.waitUntil((async () => {
    const cache = await caches.open(KEEP);
    try {
      await Promise.all([keep, ...used.filter((one) => isBuilt(new URL(one)))].map(async (url) => {
        const response = await fetch(url, { credentials: 'same-origin' });
        if (response.ok) await cache.put(url, response);
      }));
    } catch {
      // No reception now: what was kept before still counts.
    }
    if (await cache.match(keep, { ignoreVary: true })) event.source.postMessage({ kept: keep });
  })());
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (isBuilt(url)) {
    event.respondWith(caches.match(request, { ignoreVary: true }).then((kept) => kept ?? fetch(request)));
  } else if (request.mode === 'navigate' && url.pathname.startsWith('/cards/')) {
    event.respondWith(fetch(request).then(async (response) => {
      if (response.ok) await (await caches.open(KEEP)).put(request.url, response.clone());
      return response;
    }).catch(async () => {
      // The very card, or the same method with other choices, rather than nothing.
      const kept = (await caches.match(request.url, { ignoreVary: true })) ?? (await caches.match(request.url, { ignoreVary: true, ignoreSearch: true }));
      return kept ?? new Response('<!doctype html><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No reception</title><p>There is no reception, and this card was not opened on this phone before. Open it once where there is.</p>', { status: 503, headers: { 'Content-Type': 'text/html; charset=utf-8' } });
    }));
  }
});
