import { readFileSync } from 'node:fs';
import { createServer as createHttp, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { join } from 'node:path';
import compression from 'compression';
import sirv from 'sirv';
import { admission } from './admission';
import { bodyGate, type BodyRefusal } from './arrived-body';

export interface ServeOptions {
  host: string;
  port: number;
  cert?: string | undefined;
  key?: string | undefined;
  /** Take the caller's address from X-Forwarded-For, which only a proxy of ours can be trusted with. */
  behindProxy?: boolean;
}

/** Pages and calls worked on at once, how many may queue, and for how long: a class that comes online together. */
const ROOM = { atOnce: 32, waiting: 1000, patience: 30_000 };
/**
 * Drawing a page is the processor's work. Twenty drawn in turns are all done when the last is, so few are
 * drawn at once. After so many ms one has been drawn or waits for its reader's network, and holds up nobody.
 */
const DRAWN = { atOnce: 2, waiting: 1000, patience: 30_000, hold: 500 };

/**
 * Bodies arrive before a place is taken for them. An address is a club's whole shed, so its share is wide and counts only
 * what is under way; somebody who never ends what they send is cut off after the time a form or a photo takes on a thin line.
 */
const BODIES = {
  most: 200_000_000,
  patience: 15_000,
  patienceWithFiles: 60_000,
  atOnce: 1000,
  fromOne: 300,
  room: 500_000_000,
};
const BODY_WORDS: Record<Exclude<BodyRefusal, 'gone'>, [status: number, words: string]> = {
  'too-large': [413, 'That is more than fits here. Send it smaller, or in parts.'],
  'too-slow': [
    408,
    'It did not arrive in time, so nothing was saved. What you entered is still here; try again where the line is better.',
  ],
  'too-many': [503, 'Very many are sending right now. Nothing was saved yet; try again in a moment.'],
  'no-space': [
    507,
    'The disk of the server is full, so nothing was saved. What you entered is still here; tell whoever runs Pear Bench.',
  ],
};

/**
 * Answers are made small with the least work. At the usual level it took the processor from drawing: with 20
 * people on two cores the p95 of all pages was 249 to 267 ms, at this one 202, and without any 190.
 */
const compress = compression({ level: 1 });

/** On every answer, whoever gives it. */
const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
};
/** Seconds. */
const YEAR = 31_536_000;
/** Only once people come over HTTPS anyway. */
const HSTS = `max-age=${YEAR}`;
/** Where Next looks for what was built. */
const STATIC = '/_next/static';

/** Serves the production build. Settings reach the application by its environment, set before this is called. */
export async function serve({ host, port, cert, key, behindProxy = false }: ServeOptions): Promise<Server> {
  Object.assign(process.env, { NODE_ENV: 'production' });
  const { default: next } = await import('next');
  const app = next({ dev: false, dir: process.cwd(), hostname: host, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  // Written compressed by the build; what is not there is Next's to refuse.
  const built = sirv(join(process.cwd(), process.env.PEAR_BENCH_BUILD ?? '.next', 'static'), {
    brotli: true,
    gzip: true,
    immutable: true,
    maxAge: YEAR,
  });
  const secure = process.env.PEAR_BENCH_PUBLIC_URL?.startsWith('https:') ?? false;
  const enter = admission(ROOM);
  const enterDrawn = admission(DRAWN);
  const bodies = bodyGate(BODIES);
  const listener = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    if (secure) response.setHeader('Strict-Transport-Security', HSTS);
    if (!isPath(request.url))
      return refuse(response, 400, 'This address cannot be read. Check it, or go back and follow the link again.');
    const forwarded = String(request.headers['x-forwarded-for'] ?? '')
      .split(',')
      .at(-1)
      ?.trim();
    request.headers['x-client-address'] = (behindProxy && forwarded) || request.socket.remoteAddress || 'unknown';
    if (request.url!.startsWith(`${STATIC}/`) && ['GET', 'HEAD'].includes(request.method!)) {
      const url = request.url!;
      request.url = url.slice(STATIC.length);
      await new Promise<void>((resolve) => {
        response.once('close', resolve);
        built(request, response, () => resolve());
      });
      if (response.headersSent) return;
      request.url = url;
    }
    // What is built is read from the disk, a stream stays, and whoever asks whether all is well is answered in any press.
    const free =
      request.url!.startsWith(`${STATIC}/`) ||
      request.headers.accept === 'text/event-stream' ||
      request.url === '/api/health';
    const bodiless = ['GET', 'HEAD', 'OPTIONS'].includes(request.method!);
    const arrived = bodiless ? { request, forget: () => undefined } : await bodies.arrive(request, addressOf(request));
    if (typeof arrived === 'string') {
      if (arrived === 'gone' || response.destroyed) return;
      response.setHeader('Connection', 'close');
      if (arrived === 'too-many') response.setHeader('Retry-After', '5');
      return refuse(response, ...BODY_WORDS[arrived]);
    }
    response.once('close', arrived.forget);
    const page = !free && request.method === 'GET' && !/^\/(api|drawings)\//.test(request.url!);
    const entered = free ? { leave: (): void => undefined } : await (page ? enterDrawn() : enter());
    if (!('leave' in entered)) {
      response.setHeader('Retry-After', String(entered.again));
      return refuse(
        response,
        503,
        `Very many are at it right now. Nothing was saved yet; try again in ${entered.again === 1 ? 'a moment' : `${entered.again} seconds`}.`,
      );
    }
    const { leave } = entered;
    // Gone while it queued: its place is for the next.
    if (response.destroyed) return leave();
    response.once('close', leave);
    // Once its answer is made, the place is for the next, however slowly it is fetched.
    const end = response.end.bind(response) as (...rest: unknown[]) => ServerResponse;
    response.end = ((...rest: unknown[]) => {
      leave();
      return end(...rest);
    }) as typeof response.end;
    // Its types are those of a framework that is not ours; it asks for no more than Node's own two.
    await new Promise<void>((resolve) => compress(request as never, response as never, () => resolve()));
    await handle(arrived.request, response);
  };
  const listen = (request: IncomingMessage, response: ServerResponse): void => {
    listener(request, response).catch((error: unknown) => {
      if (request.destroyed || response.destroyed) return;
      console.error('A request failed before it was answered:', error);
      if (!response.headersSent) refuse(response, 500, 'Something went wrong on the server. Try again.');
    });
  };
  const server =
    cert && key ? createHttps({ cert: readFileSync(cert), key: readFileSync(key) }, listen) : createHttp(listen);
  // Longer than proxies and browsers keep a line, so that none sends into one that is being closed.
  server.keepAliveTimeout = 75_000;
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  return server;
}

const addressOf = ({ headers }: IncomingMessage): string => String(headers['x-client-address']);

/** True for a path whose percent signs can be decoded, without a character that ends texts elsewhere. */
function isPath(url: string | undefined): boolean {
  try {
    return url !== undefined && !decodeURIComponent(new URL(url, 'http://any.invalid').pathname).includes('\0');
  } catch {
    return false;
  }
}

function refuse(response: ServerResponse, status: number, message: string): void {
  response.writeHead(status, {
    'Content-Type': 'application/json; charset=utf-8',
    'Cache-Control': 'no-store',
    'Content-Security-Policy': "default-src 'none'; frame-ancestors 'none'",
  });
  response.end(JSON.stringify({ message, fields: {} }));
}

/** Stops taking requests, gives those under way a moment, then cuts what is left. */
export function stopServing(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => resolve());
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  });
}
