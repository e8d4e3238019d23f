import { afterEach, describe, expect, it, vi } from 'vitest';
import { send } from './send';

afterEach(() => vi.unstubAllGlobals());
const answering = (answer: () => Promise<Response>) => {
  const fetched = vi.fn(answer);
  vi.stubGlobal('fetch', fetched);
  return fetched;
};

describe('send', () => {
  it('sends JSON and gives back what came', async () => {
    const fetched = answering(() => Promise.resolve(Response.json({ made: 3 })));
    expect(await send('POST', '/api/x', { a: 1 })).toEqual({ ok: true, data: { made: 3 } });
    expect(fetched).toHaveBeenCalledWith('/api/x', {
      method: 'POST',
      signal: expect.any(AbortSignal),
      body: '{"a":1}',
      headers: { 'Content-Type': 'application/json' },
    });
  });
  it('sends forms as they are, and takes an answer without content', async () => {
    const fetched = answering(() => Promise.resolve(new Response(null, { status: 204 })));
    const form = new FormData();
    expect(await send('PUT', '/api/x', form)).toEqual({ ok: true, data: undefined });
    expect(fetched).toHaveBeenCalledWith('/api/x', { method: 'PUT', signal: expect.any(AbortSignal), body: form });
  });
  it('passes on a refusal with its fields', async () => {
    answering(() =>
      Promise.resolve(
        Response.json({ message: 'Enter a title.', fields: { title: 'Enter a title.' } }, { status: 422 }),
      ),
    );
    expect(await send('POST', '/api/x', {})).toEqual({
      ok: false,
      status: 422,
      message: 'Enter a title.',
      fields: { title: 'Enter a title.' },
    });
  });
  it('tells a server that is away from one that answers nonsense', async () => {
    answering(() => Promise.reject(new TypeError('Failed to fetch')));
    expect(await send('POST', '/api/x')).toMatchObject({
      ok: false,
      status: 0,
      message: expect.stringContaining('cannot be reached') as string,
    });
    answering(() => Promise.resolve(new Response('<html>', { status: 502 })));
    expect(await send('POST', '/api/x')).toMatchObject({
      ok: false,
      status: 502,
      message: expect.stringContaining('nothing is known to be saved') as string,
    });
  });
});
