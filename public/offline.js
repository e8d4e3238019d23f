/*
 * Keeps phone cards and the scoring bench in the browser. Pages come from the network while there is
 * one and from the keep otherwise; what they are made of has its content in its name and comes from
 * the keep first, so a page kept from an earlier build still has all its parts. Whole answers are
 * kept, with their Content-Security-Policy, so that a page's nonce still fits it.
 */
const CARDS = 'pear-bench-cards-1';
const BENCHES = 'pear-bench-benches-1';
const GROWERS = 'pear-bench-growers-1';
/** A bench must not wait long for a network that is there in name only. */
const PATIENCE = 4000;
/** What a page is made of: its content is in its name. */
const isBuilt = (url) => url.pathname.startsWith('/_next/static/') || url.pathname.startsWith('/drawings/');
const isCard = (url) => url.pathname.startsWith('/cards/');
/** Pages that one works on: benches, what wants doing this week, and the guide that asks why a plant died. */
const isGuide = (url) => /^\/plants\/[^/]+\/why$/.test(url.pathname);
const isBench = (url) => /^\/workshops\/[^/]+\/score$/.test(url.pathname) || url.pathname === '/week' || isGuide(url);
/** A grower's own page, by its private link, and what it is made of. */
const isGrower = (url) => /^\/r\/[^/]+$/.test(url.pathname);
const isGrowerPart = (url) => url.pathname === '/grower.js' || url.pathname.startsWith('/fonts/');
/** A bench is one page whichever seat is open; a plant may have several unions that died. */
const keyOf = (url) => (isBench(url) && !isGuide(url) ? url.origin + url.pathname : url.href);
/** Where the names of a kept page's parts are kept. */
const partsKeyOf = (page) => `${page.origin}/kept-parts?of=${encodeURIComponent(keyOf(page))}`;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('message', (event) => {
  const { keep, used = [] } = event.data ?? {};
  if (!keep) return;
  const page = new URL(keep);
  event.waitUntil(
    (async () => {
      const cache = await caches.open(isBench(page) ? BENCHES : CARDS);
      try {
        await keepWhole(
          cache,
          page,
          used.filter((one) => isBuilt(new URL(one))),
        );
      } catch {
        // No reception now: what was kept before still counts.
      }
      if (await cache.match(keyOf(page), { ignoreVary: true })) event.source.postMessage({ kept: keep });
    })(),
  );
});

/** Keeps a page with its parts, or leaves it as it was before. */
async function keepWhole(cache, page, parts) {
  const response = await fetch(keyOf(page), { credentials: 'same-origin' });
  if (!response.ok || response.redirected) return;
  const scripts = [...(await response.clone().text()).matchAll(/<script[^>]* src="([^"]+)"/g)].map(
    ([, src]) => new URL(src, page).href,
  );
  // Whoever asked runs an earlier build than the server has now, and cannot tell all parts of the new page.
  if (!scripts.filter((src) => isBuilt(new URL(src))).every((src) => parts.includes(src))) return;
  await Promise.all(
    parts.map(async (url) => {
      if (await cache.match(url, { ignoreVary: true })) return;
      const part = await fetch(url, { credentials: 'same-origin' });
      if (!part.ok) throw new Error(`${url} is not there`);
      await cache.put(url, part);
    }),
  );
  await cache.put(partsKeyOf(page), new Response(JSON.stringify(parts)));
  // The page last: kept whole, or as it was before.
  await cache.put(keyOf(page), response);
  await dropUnused(cache);
}

/** Drops parts of earlier builds that no kept page is made of any more. */
async function dropUnused(cache) {
  const keys = await cache.keys();
  const lists = await Promise.all(
    keys
      .filter(({ url }) => new URL(url).pathname === '/kept-parts')
      .map(async (key) => (await cache.match(key)).json()),
  );
  const wanted = new Set(lists.flat());
  await Promise.all(
    keys.filter(({ url }) => isBuilt(new URL(url)) && !wanted.has(url)).map((key) => cache.delete(key)),
  );
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if ((request.mode === 'navigate' && isGrower(url)) || isGrowerPart(url)) {
    event.respondWith(grower(request, url));
  } else if (isBuilt(url)) {
    event.respondWith(caches.match(request, { ignoreVary: true }).then((kept) => kept ?? fetch(request)));
  } else if (request.mode === 'navigate' && (isCard(url) || isBench(url))) {
    event.respondWith(isBench(url) ? bench(request, url) : card(request));
  }
});

async function card(request) {
  try {
    return await fetch(request);
  } catch {
    // The very card, or the same method with other choices, rather than nothing.
    const kept =
      (await caches.match(request.url, { ignoreVary: true })) ??
      (await caches.match(request.url, { ignoreVary: true, ignoreSearch: true }));
    return kept ?? nothingKept('this card was not opened on this phone before');
  }
}

/** What the network says, unless it is there in name only, or its server is in trouble, and something is kept; throws without either. */
async function newest(request, kept) {
  const asked = fetch(request);
  const response = await (kept
    ? Promise.race([asked, new Promise((_, reject) => setTimeout(reject, PATIENCE))])
    : asked);
  // A server whose database is away is no better than none.
  return response.status >= 500 && kept ? kept : response;
}

/** From the network while there is one, and kept for when there is none; a link that was closed is kept no more. */
async function grower(request, url) {
  const cache = await caches.open(GROWERS);
  const key = url.origin + url.pathname;
  const kept = await cache.match(key, { ignoreVary: true });
  try {
    const response = await newest(request, kept);
    if (response === kept) return kept;
    if (response.ok && !response.redirected) await cache.put(key, response.clone());
    else if (response.status === 404 || response.status === 410) await cache.delete(key);
    return response;
  } catch {
    return kept ?? nothingKept('this page was not opened on this phone before');
  }
}

async function bench(request, url) {
  const cache = await caches.open(BENCHES);
  const kept = await cache.match(keyOf(url), { ignoreVary: true });
  try {
    return await newest(request, kept);
  } catch {
    return kept ?? nothingKept('this page was not opened on this device before');
  }
}

function nothingKept(what) {
  return new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No reception</title><p>There is no reception, and ${what}. Open it once where there is.</p>`,
    { status: 503, headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  );
}
