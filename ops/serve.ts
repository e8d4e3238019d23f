import { readFileSync } from 'node:fs';
import { createServer as createHttp, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createHttps } from 'node:https';

export interface ServeOptions {
  host: string;
  port: number;
  cert?: string | undefined;
  key?: string | undefined;
  /** Take the caller's address from X-Forwarded-For, which only a proxy of ours can be trusted with. */
  behindProxy?: boolean;
}

/** Serves the production build. Settings reach the application by its environment, set before this is called. */
export async function serve({ host, port, cert, key, behindProxy = false }: ServeOptions): Promise<Server> {
  Object.assign(process.env, { NODE_ENV: 'production' });
  const { default: next } = await import('next');
  const app = next({ dev: false, dir: process.cwd(), hostname: host, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const listener = (request: IncomingMessage, response: ServerResponse): void => {
    const forwarded = String(request.headers['x-forwarded-for'] ?? '').split(',').at(-1)?.trim();
    request.headers['x-client-address'] = (behindProxy && forwarded) || request.socket.remoteAddress || 'unknown';
    void handle(request, response);
  };
  const server = cert && key ? createHttps({ cert: readFileSync(cert), key: readFileSync(key) }, listener) : createHttp(listener);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  return server;
}

/** Stops taking requests, gives those under way a moment, then cuts what is left. */
export function stopServing(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => resolve());
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  });
}
