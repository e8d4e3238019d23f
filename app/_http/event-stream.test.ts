import { describe, expect, it } from 'vitest';
import { eventStream } from './event-stream';

/** Reads a stream until it has said `until`, or for a while. */
async function heard(response: Response, until: RegExp, wait = 3000): Promise<string> {
  const reader = response.body!.getReader();
  const decoder = new TextDecoder();
  let text = '';
  const end = Date.now() + wait;
  while (!until.test(text) && Date.now() < end) {
    const next = await Promise.race([
      reader.read(),
      new Promise<null>((resolve) => setTimeout(() => resolve(null), Math.max(1, end - Date.now()))),
    ]);
    if (!next || next.done) break;
    text += decoder.decode(next.value);
  }
  await reader.cancel();
  return text;
}

const ask = (headers: Record<string, string> = {}): Request => new Request('http://bench.example/events', { headers });

describe('eventStream', () => {
  it('begins with a snapshot that carries its number, and tells of changes', async () => {
    let seq = 4;
    const response = eventStream(ask(), async () => ({ seq }));
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    setTimeout(() => (seq = 5), 300);
    const text = await heard(response, /id: 5\n/);
    expect(text).toContain('retry: 1000');
    expect(text.match(/id: \d+/g)).toEqual(['id: 4', 'id: 5']);
    expect(text).toContain('data: {"seq":4}');
  });
  it('says nothing anew to a browser that has seen the present number, and gives a snapshot to one that is behind', async () => {
    expect(
      await heard(
        eventStream(ask({ 'Last-Event-ID': '7' }), async () => ({ seq: 7 })),
        /id:/,
        900,
      ),
    ).not.toContain('id:');
    expect(
      await heard(
        eventStream(ask({ 'Last-Event-ID': '5' }), async () => ({ seq: 7 })),
        /id: 7/,
      ),
    ).toContain('id: 7');
    // After a restore the database may be behind what a browser saw: the present state counts.
    expect(
      await heard(
        eventStream(ask({ 'Last-Event-ID': '9' }), async () => ({ seq: 7 })),
        /id: 7/,
      ),
    ).toContain('id: 7');
  });
  it('ends when the state cannot be read, so that the browser tries again', async () => {
    let asked = 0;
    const response = eventStream(ask(), async () => {
      asked += 1;
      if (asked > 1) throw new Error('the database is away');
      return { seq: 1 };
    });
    const text = await new Response(response.body).text();
    expect(text).toContain('id: 1');
    expect(asked).toBe(2);
  });
  it('stops asking once the browser is gone', async () => {
    let asked = 0;
    const gone = new AbortController();
    const response = eventStream(new Request('http://bench.example/events', { signal: gone.signal }), async () => ({
      seq: ++asked,
    }));
    void response.body!.getReader().read();
    await new Promise((resolve) => setTimeout(resolve, 700));
    gone.abort();
    const then = asked;
    await new Promise((resolve) => setTimeout(resolve, 1100));
    expect(asked).toBeLessThanOrEqual(then + 1);
  });
});
