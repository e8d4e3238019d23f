import type { Context, Services } from '@/server/context';
import { UseCaseError } from '@/server/use-case-error';
import { publicUrl, services } from './services';
import { currentActor } from './session';

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

/** A route for anybody. */
export function handlePublic(work: (services: Services, call: Call) => Promise<Result>): Handler {
  return async (request, route) => {
    try {
      refuseForeignOrigin(request);
      const result = await work(services(), { params: await route.params, request, body: () => jsonBody(request) });
      if (result instanceof Response) return result;
      return result === undefined ? new Response(null, { status: 204 }) : Response.json(result, { headers: { 'Cache-Control': 'no-store' } });
    } catch (error) {
      return refusal(error, request);
    }
  };
}

/** A route for members: whoever is not signed in gets 401 before anything else is looked at. */
export function handle(work: (context: Context, call: Call) => Promise<Result>): Handler {
  return handlePublic(async (given, call) => {
    const actor = await currentActor();
    if (!actor) throw new UseCaseError('signed-out', 'You are signed out. Sign in and try again; what you entered stays on the screen.');
    return work({ ...given, actor }, call);
  });
}

/** Browsers say where a request comes from; one that changes things must come from our own pages. */
function refuseForeignOrigin(request: Request): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const origin = request.headers.get('origin');
  if (origin === null) return;
  const own = [request.headers.get('host'), new URL(publicUrl()).host];
  if (!URL.canParse(origin) || !own.includes(new URL(origin).host)) {
    throw new UseCaseError('forbidden', 'This request came from another site and was refused.');
  }
}

async function jsonBody(request: Request): Promise<unknown> {
  try {
    return await request.json();
  } catch {
    throw new UseCaseError('invalid', 'The request could not be read. Reload the page and try again.');
  }
}

function refusal(error: unknown, request: Request): Response {
  const headers = { 'Cache-Control': 'no-store' };
  if (error instanceof UseCaseError) {
    return Response.json({ message: error.message, fields: error.fields }, { status: error.status, headers });
  }
  if (databaseIsAway(error)) {
    const message = 'The database is not answering, so nothing was saved yet. What you entered is still here; try again in a moment.';
    return Response.json({ message, fields: {} }, { status: 503, headers: { ...headers, 'Retry-After': '3' } });
  }
  // The path is left out for private links, whose path is their secret.
  console.error(request.method, new URL(request.url).pathname.startsWith('/api/r/') ? '/api/r/…' : new URL(request.url).pathname, error);
  return Response.json({ message: 'Something went wrong on the server, so nothing was saved. Try again; if it stays, tell whoever runs Pear Bench.', fields: {} }, { status: 500, headers });
}

export function databaseIsAway(error: unknown): boolean {
  const { name = '', parent } = (error ?? {}) as { name?: string; parent?: { code?: string; sqlState?: string; fatal?: boolean } };
  if (/^Sequelize(Connection|HostNot|AccessDenied)/.test(name)) return true;
  return parent?.sqlState === '08S01' || parent?.sqlState === '08000' || parent?.fatal === true || /^(ECONN|EPIPE|ER_CONNECTION|ER_SOCKET|ER_CMD_CONNECTION_CLOSED|ER_SERVER_SHUTDOWN)/.test(parent?.code ?? '');
}

/** A file to save or to open. */
export function fileResponse(bytes: Buffer | string, type: string, name: string, disposition: 'inline' | 'attachment' = 'attachment'): Response {
  return new Response(typeof bytes === 'string' ? bytes : new Uint8Array(bytes), {
    headers: { 'Content-Type': type, 'Content-Disposition': `${disposition}; filename="${name}"`, 'Cache-Control': 'no-store' },
  });
}
