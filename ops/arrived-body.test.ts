import { createServer, request as httpRequest, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { bodyGate, type BodyLimits, type BodyRefusal } from './arrived-body';

const LIMITS: BodyLimits = {
  most: 300_000,
  mostTyped: 300_000,
  patience: 100,
  patienceWithFiles: 1000,
  atOnce: 100,
  fromOne: 80,
  room: 10_000_000,
};
let server: Server;

/** A server that tells the length of each body once it is there, or why it was refused. */
async function serve(limits: Partial<BodyLimits> = {}): Promise<{ port: number; gate: ReturnType<typeof bodyGate> }> {
  const gate = bodyGate({ ...LIMITS, ...limits });
  server = createServer((request, response) => {
    void gate.arrive(request, 'one router').then(async (arrived) => {
      if (typeof arrived === 'string') return void response.setHeader('Connection', 'close').end(arrived);
      let text = '';
      for await (const chunk of arrived.request.setEncoding('utf8')) text += chunk;
      arrived.forget();
      response.end(`${text.length} ${text.slice(0, 1)}${text.slice(-1)} ${arrived.request.headers['content-length']}`);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { port: (server.address() as AddressInfo).port, gate };
}
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

/** Sends a body, or only its first part, and gives the answer. */
function send(
  port: number,
  body: string,
  { ends = true, type = 'application/json', length = true } = {},
): Promise<string> {
  return new Promise((resolve, reject) => {
    const call = httpRequest(
      {
        port,
        method: 'PUT',
        headers: { 'Content-Type': type, ...(length ? { 'Content-Length': body.length + (ends ? 0 : 1000) } : {}) },
      },
      (answer) => {
        let text = '';
        answer.setEncoding('utf8').on('data', (part: string) => (text += part));
        answer.once('end', () => resolve(text));
      },
    );
    call.once('error', reject);
    call.write(body);
    if (ends) call.end();
  });
}

describe('a body that arrives', () => {
  it('is handed on whole, small from memory and large from a file, with or without its length', async () => {
    const { port } = await serve();
    for (const size of [0, 2, 60_000, 64_001, 290_000])
      for (const length of [true, false]) {
        const body = size === 0 ? '' : `a${'x'.repeat(size - 2)}z`;
        expect(await send(port, body, { length })).toBe(`${size} ${size === 0 ? '' : 'az'} ${size}`);
      }
  });
  it('is refused where it is too large, also where it never says how large it will be', async () => {
    const { port } = await serve();
    for (const length of [true, false]) expect(await send(port, 'x'.repeat(300_001), { length })).toBe('too-large');
  });
  it('of forty that never end keeps nobody out: others are answered meanwhile, and they are told in the end', async () => {
    const { port, gate } = await serve({ patience: 400 });
    const hanging = Array.from({ length: 40 }, () => send(port, '{"a":', { ends: false }));
    await expect.poll(gate.under).toBe(40);
    expect(await send(port, '{}')).toBe('2 {} 2');
    expect(new Set(await Promise.all(hanging))).toEqual(new Set<BodyRefusal>(['too-slow']));
    expect(gate.under()).toBe(0);
  });
  it('with a photo has the time a thin line takes', async () => {
    const { port } = await serve({ patience: 10, patienceWithFiles: 600 });
    const slow = send(port, 'part', { ends: false, type: 'multipart/form-data; boundary=x' });
    const first = await Promise.race([
      slow,
      new Promise((resolve) => setTimeout(() => resolve('still under way'), 200)),
    ]);
    expect(first).toBe('still under way');
    expect(await slow).toBe('too-slow');
  });
  it('of sixty phones behind one router all arrive; one address alone does not take all there is', async () => {
    const { port } = await serve({ fromOne: 60, patience: 2000 });
    expect(await Promise.all(Array.from({ length: 60 }, () => send(port, '{}')))).toEqual(Array(60).fill('2 {} 2'));
    const hanging = Array.from({ length: 60 }, () => send(port, '{', { ends: false }).catch(() => 'gone'));
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await send(port, '{}')).toBe('too-many');
    server.closeAllConnections();
    await Promise.all(hanging);
  });
  it('takes no more room than there is, and gives it back', async () => {
    const { port } = await serve({ room: 200_000 });
    expect(await send(port, 'x'.repeat(250_000))).toBe('too-many');
    for (let i = 0; i < 5; i++) expect(await send(port, 'x'.repeat(190_000))).toBe('190000 xx 190000');
  });
});
