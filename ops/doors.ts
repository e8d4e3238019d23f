import type { IncomingMessage, ServerResponse } from 'node:http';
import { admission } from './admission';
import { bodyGate, type BodyRefusal } from './arrived-body';

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
  mostTyped: 2_000_000,
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

/** Takes a request in: its body first, then a place for it; null where it was refused or has gone. */
type Enter = (request: IncomingMessage, response: ServerResponse, free: boolean) => Promise<IncomingMessage | null>;

/** The doors of the house. What is `free` needs no place: it costs next to nothing, or stays. */
export function openDoors(): Enter {
  const enter = admission(ROOM);
  const enterDrawn = admission(DRAWN);
  const bodies = bodyGate(BODIES);
  return async (request, response, free) => {
    const bodiless = ['GET', 'HEAD', 'OPTIONS'].includes(request.method!);
    const arrived = bodiless ? { request, forget: () => undefined } : await bodies.arrive(request, addressOf(request));
    if (typeof arrived === 'string') {
      if (arrived === 'gone' || response.destroyed) return null;
      response.setHeader('Connection', 'close');
      if (arrived === 'too-many') response.setHeader('Retry-After', '5');
      refuse(response, ...BODY_WORDS[arrived]);
      return null;
    }
    // Gone in the moment its body was there: nothing closes any more.
    if (response.destroyed) {
      arrived.forget();
      return null;
    }
    response.once('close', arrived.forget);
    const page = !free && request.method === 'GET' && !/^\/(api|drawings)\//.test(request.url!);
    const entered = free ? { leave: (): void => undefined } : await (page ? enterDrawn() : enter());
    if (!('leave' in entered)) {
      response.setHeader('Retry-After', String(entered.again));
      refuse(
        response,
        503,
        `Very many are at it right now. Nothing was saved yet; try again in ${entered.again === 1 ? 'a moment' : `${entered.again} seconds`}.`,
      );
      return null;
    }
    const { leave } = entered;
    // Gone while it queued: its place is for the next.
    if (response.destroyed) {
      leave();
      return null;
    }
    response.once('close', leave);
    // Once its answer is made, the place is for the next, however slowly it is fetched.
    const end = response.end.bind(response) as (...rest: unknown[]) => ServerResponse;
    response.end = ((...rest: unknown[]) => {
      leave();
      return end(...rest);
    }) as typeof response.end;
    return arrived.request;
  };
}

const addressOf = ({ headers }: IncomingMessage): string => String(headers['x-client-address']);

/** Refuses in words, as the application's own routes do. */
export function refuse(response: ServerResponse, status: number, message: string): void {
  response.writeHead(status, {
    'Content-Type': 'application/json; charset=utf-8',
    'Cache-Control': 'no-store',
    'Content-Security-Policy': "default-src 'none'; frame-ancestors 'none'",
  });
  response.end(JSON.stringify({ message, fields: {} }));
}
