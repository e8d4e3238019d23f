import type { Context, Services } from '@/server/platform/context';
import { databaseIsAway, isCrowded, isNoId } from '@/server/platform/database-is-away';
import { isId } from '@/core/inputs/fields';
import { addressWithoutIds, noteFault } from '@/server/platform/server-record';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { refuseForeignOrigin } from './own-origin';
import { readJson, USUAL_MOST_JSON } from './read-body';
import { publicUrl, services } from './services';
import { callingContext } from './session';

type Params = Record<string, string>;
type RouteContext = { params: Promise<Params> };

export interface Call {
  params: Params;
  request: Request;
  /** The body as JSON; a refusal in words when it is not. */
  body: () => Promise<unknown>;
}

type Result = Response | object | void;
export type Handler = (request: Request, route: RouteContext) => Promise<Response>;

/** What a route takes at most. */
interface Limits {
  /** Bytes of JSON; the usual is enough for a form. */
  mostJson?: number;
}

/** Parts of addresses that are no ids. */
const NO_IDS = new Set(['method', 'step', 'token', 'table', 'year', 'day', 'model', 'file']);

/** A route for anybody. */
export function handlePublic(
  work: (services: Services, call: Call) => Promise<Result>,
  { mostJson = USUAL_MOST_JSON }: Limits = {},
): Handler {
  return async (request, route) => {
    try {
      refuseForeignOrigin(request, publicUrl());
      const params = (await route.params) ?? {};
      for (const [name, value] of Object.entries(params))
        if (!NO_IDS.has(name) && !isId(value)) throw notFound('What this address names');
      const result = await work(services(), { params, request, body: () => readJson(request, mostJson) });
      if (result instanceof Response) return result;
      return result === undefined
        ? new Response(null, { status: 204 })
        : Response.json(result, { headers: { 'Cache-Control': 'no-store' } });
    } catch (error) {
      return refusal(error, request);
    }
  };
}

/**
 * A route for members, whose look is remembered while it lasts; one that `stays` goes on looking and
 * sees what changes. Whoever is not signed in gets 401 before anything else is looked at.
 */
export function handle(
  work: (context: Context, call: Call) => Promise<Result>,
  { stays = false, ...limits }: Limits & { stays?: boolean } = {},
): Handler {
  return handlePublic(async (shared, call) => {
    const context = await callingContext(call.request.method === 'GET' && !stays);
    if (!context)
      throw new UseCaseError(
        'signed-out',
        'You are signed out. Sign in and try again; what you entered stays on the screen.',
      );
    return work(context, call);
  }, limits);
}

function refusal(error: unknown, request: Request): Response {
  const headers = { 'Cache-Control': 'no-store' };
  if (error instanceof UseCaseError) {
    return Response.json({ message: error.message, fields: error.fields }, { status: error.status, headers });
  }
  if (isNoId(error)) return refusal(notFound('What this names'), request);
  if (databaseIsAway(error)) {
    const message = isCrowded(error)
      ? 'Very many are at it right now, so this was not saved yet. What you entered is still here; try again in a moment.'
      : 'The database is not answering, so nothing was saved yet. What you entered is still here; try again in a moment.';
    return Response.json({ message, fields: {} }, { status: 503, headers: { ...headers, 'Retry-After': '3' } });
  }
  // Whoever has gone away hears nothing, and it is no fault of ours.
  if (request.signal.aborted) return new Response(null, { status: 499, headers });
  const { pathname } = new URL(request.url);
  noteFault(
    request.method === 'GET'
      ? `${addressWithoutIds(pathname)} could not be answered`
      : `Something sent to ${addressWithoutIds(pathname)} could not be saved`,
  );
  // The path is left out for private links, whose path is their secret.
  console.error(request.method, pathname.startsWith('/api/r/') ? '/api/r/…' : pathname, error);
  return Response.json(
    {
      message:
        'Something went wrong on the server, so nothing was saved. Try again; if it stays, tell whoever runs Pear Bench.',
      fields: {},
    },
    { status: 500, headers },
  );
}

/** A file to save or to open. */
export function fileResponse(
  bytes: Buffer | string,
  type: string,
  name: string,
  disposition: 'inline' | 'attachment' = 'attachment',
): Response {
  return new Response(typeof bytes === 'string' ? bytes : new Uint8Array(bytes), {
    headers: {
      'Content-Type': type,
      'Content-Disposition': `${disposition}; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
}
