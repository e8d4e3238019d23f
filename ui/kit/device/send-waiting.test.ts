import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Sent } from '../form/send';
import { deviceDatabase } from './device-database';
import { nextTry } from './next-try';
import { oneSender } from './one-sender';
import { waitingItem, type WaitingChanges } from '@/ui/testing/waiting-item';
import { type Sender, sendWaiting, STUCK } from './send-waiting';
import { allWaiting, changeWaiting, dropWaiting, keepWaiting, type NewWaiting, takeBackUnsent } from './waiting-queue';

const MAREN = { id: 'maren', name: 'Maren' };
const JOSS = { id: 'joss', name: 'Joss' };
const item = (judgementId: string, changes: WaitingChanges = {}): NewWaiting =>
  waitingItem({ judgementId, assessor: MAREN, body: { note: judgementId }, ...changes });
const ok: Sent<unknown> = { ok: true, data: {} };
const no = (status: number, message = 'no'): Sent<unknown> => ({ ok: false, status, message, fields: {} });
const waiting = async (): Promise<string[]> =>
  (await allWaiting()).filter((waiting) => waiting.deliveredAt === null).map(({ judgementId }) => judgementId);

beforeEach(async () => {
  await (await deviceDatabase()).clear('waiting');
});

/** What becomes of one judgement or withdrawal at the server. */
type Fate = (id: string, body: { note?: string }, method: string) => Sent<unknown>;

/** A server with the two addresses that the sender knows: one judgement, and many with an answer for each. */
function server(fate: Fate): { send: Sender; asked: string[] } {
  const asked: string[] = [];
  const send: Sender = async (method, url, body) => {
    if (url !== '/api/judgements') {
      const id = url.split('/').at(-1)!;
      asked.push(`${method} ${id}`);
      return fate(id, (body ?? {}) as { note?: string }, method);
    }
    const { judgements } = body as { judgements: { id: string; note: string }[] };
    asked.push(`batch ${judgements.map(({ id }) => id).join(' ')}`);
    const results = [];
    for (const { id, ...rest } of judgements) {
      const sent = fate(id, rest, 'PUT');
      // No line, no time or no room is no answer about one of them, but about the request.
      if (!sent.ok && (sent.status === 0 || sent.status === 401 || sent.status === 429)) return sent;
      results.push({
        id,
        ...(sent.ok ? { status: 200 } : { status: sent.status, message: sent.message, fields: sent.fields }),
      });
    }
    return { ok: true, data: { results } };
  };
  return { send, asked };
}
const hangs: Sent<unknown> = { ok: false, status: 0, timedOut: true, message: 'no answer', fields: {} };
let clock = 5000;
const round = (send: Sender) =>
  sendWaiting(
    'maren',
    send,
    () => clock,
    () => 1,
  );

describe('sendWaiting', () => {
  it('sends in the order things were made, each with its assessor and the time it was sent', async () => {
    for (const [number, id] of ['a', 'b', 'c'].entries()) await keepWaiting(item(id, { number }));
    const seen: unknown[] = [];
    const { send, asked } = server((id, body) => {
      seen.push(body);
      return ok;
    });
    expect(await round(send)).toBe('done');
    expect(asked).toEqual(['batch a b c']);
    expect(seen[0]).toEqual({ note: 'a', assessorId: 'maren', sentAt: '1970-01-01T00:00:05.000Z' });
    expect(await waiting()).toEqual([]);
    // Kept until a fresh state of the bench holds them, and not sent again.
    expect(await allWaiting()).toHaveLength(3);
    expect(
      await round(async () => {
        throw new Error('nothing is left to send');
      }),
    ).toBe('done');
  });
  it('takes no more than 25 at a time, and a single one to its own address', async () => {
    for (let i = 0; i < 51; i++) await keepWaiting(item(`j${i}`, { number: i }));
    const { send, asked } = server(() => ok);
    expect(await round(send)).toBe('done');
    expect(asked.map((request) => request.split(' ').length - 1)).toEqual([25, 25, 1]);
    expect(asked[2]).toBe('PUT j50');
  });
  it.each([
    [0, 'unreachable'],
    [429, 'unreachable'],
    [401, 'signed-out'],
  ] as const)('keeps everything on %i and says so', async (status, outcome) => {
    for (const [i, id] of ['a', 'b'].entries()) await keepWaiting(item(id, { number: i }));
    const { send, asked } = server(() => no(status));
    expect(await round(send)).toBe(outcome);
    expect(asked).toHaveLength(1);
    expect(await waiting()).toEqual(['a', 'b']);
    expect((await allWaiting())[0]).toMatchObject({ tries: 1, refusal: null });
  });
  it.each([
    [500, false],
    [503, false],
    [0, true],
  ])('gives up a round when the server fails at two in a row (status %i, hanging: %s)', async (status, timedOut) => {
    for (let i = 0; i < 6; i++) await keepWaiting(item(`j${i}`, { number: i }));
    const { send, asked } = server(() => (timedOut ? hangs : no(status)));
    expect(await round(send)).toBe('unreachable');
    expect(asked).toEqual(['batch j0 j1 j2 j3 j4 j5', 'PUT j0', 'PUT j1']);
    expect(await waiting()).toHaveLength(6);
  });
  it.each([
    ['hangs', hangs],
    ['fails', no(500)],
    ['is too busy for it', no(503)],
  ])('steps past the one at which the server %s, shows it, and goes on with the rest', async (_what, failure) => {
    for (let i = 0; i < 5; i++) await keepWaiting(item(`j${i}`, { number: i }));
    const { send, asked } = server((id) => (id === 'j0' ? failure : ok));
    expect(await round(send)).toBe('done');
    expect(await waiting()).toEqual(['j0']);
    // What comes later does not travel with it, nor wait for it.
    clock += 60_000;
    await keepWaiting(item('late', { number: 9 }));
    await round(send);
    expect(await waiting()).toEqual(['j0']);
    clock += 60_000;
    await round(send);
    expect((await allWaiting()).find(({ judgementId }) => judgementId === 'j0')!.stumbles).toBeGreaterThanOrEqual(
      STUCK,
    );
    // Asked again later and later, not at every round.
    const before = asked.length;
    await round(send);
    expect(asked).toHaveLength(before);
    clock += 120_000;
    await round(send);
    expect(asked).toHaveLength(before + 1);
    const { send: mended } = server(() => ok);
    clock += 120_000;
    expect(await round(mended)).toBe('done');
    expect(await waiting()).toEqual([]);
  });
  it('holds back what was made of a union after something that fails', async () => {
    await keepWaiting(item('first'));
    await keepWaiting(item('correction', { body: { correctsId: 'first' } }));
    await keepWaiting(item('other', { number: 2 }));
    await keepWaiting(item('first', { kind: 'withdrawal', body: {} }));
    const { send, asked } = server((id) => (id === 'first' ? no(500) : ok));
    for (let i = 0; i < 5; i++) {
      clock += 120_000;
      await round(send);
    }
    expect(await waiting()).toEqual(['first', 'correction', 'first']);
    expect(asked.filter((request) => request === 'DELETE first' || request === 'PUT correction')).toEqual([]);
  });
  it('keeps what the server refuses with its words, and goes on with the rest', async () => {
    for (const id of ['a', 'b']) await keepWaiting(item(id));
    expect(await round(server((id) => (id === 'a' ? no(422, 'The seat was not found.') : ok)).send)).toBe('done');
    expect((await allWaiting()).map(({ refusal, deliveredAt }) => [refusal, deliveredAt])).toEqual([
      ['The seat was not found.', null],
      [null, clock],
    ]);
  });
  it('stops without refusing anything when somebody else is signed in meanwhile', async () => {
    const another: Sent<unknown> = { ok: false, status: 403, message: 'another', fields: { assessorId: 'another' } };
    await keepWaiting(item('a'));
    expect(await round(server(() => another).send)).toBe('other-assessor');
    await keepWaiting(item('b'));
    expect(await round(server(() => another).send)).toBe('other-assessor');
    for (const kept of await allWaiting()) expect(kept).toMatchObject({ refusal: null, deliveredAt: null });
  });
  it('leaves another assessor’s judgements alone', async () => {
    await keepWaiting(item('a', { assessor: JOSS }));
    await keepWaiting(item('b'));
    const { send, asked } = server(() => ok);
    await round(send);
    expect(asked).toEqual(['PUT b']);
    expect(await waiting()).toEqual(['a']);
  });
  it('takes back after it sent, and counts taking back what never arrived as done', async () => {
    await keepWaiting(item('a'));
    await keepWaiting(item('a', { kind: 'withdrawal', body: {} }));
    const { send, asked } = server((_id, _body, method) => (method === 'DELETE' ? no(404) : ok));
    expect(await round(send)).toBe('done');
    expect(asked).toEqual(['PUT a', 'DELETE a']);
    expect(await waiting()).toEqual([]);
  });
  it('makes nothing of an answer it cannot read', async () => {
    for (const [i, id] of ['a', 'b'].entries()) await keepWaiting(item(id, { number: i }));
    await round(async (_method, url) => (url === '/api/judgements' ? { ok: true, data: {} } : no(500)));
    expect(await waiting()).toEqual(['a', 'b']);
  });
  it('brings every judgement to the server once with its own content, whatever is lost on the way', async () => {
    const fate = fc.constantFrom('arrives', 'never arrives', 'answer lost', 'server down', 'hangs', 'twice');
    await fc.assert(
      fc.asyncProperty(
        fc.array(fate, { minLength: 5, maxLength: 40 }),
        fc.integer({ min: 1, max: 12 }),
        async (fates, count) => {
          await (await deviceDatabase()).clear('waiting');
          const ids = Array.from({ length: count }, (_, i) => `j${i}`);
          for (const [number, id] of ids.entries()) await keepWaiting(item(id, { number }));
          const saved = new Map<string, unknown>();
          let turn = 0;
          const save: Fate = (id, { note }) => {
            if (saved.has(id) && saved.get(id) !== note) return no(409);
            saved.set(id, note);
            return ok;
          };
          const { send } = server((id, body, method) => {
            const what = turn < fates.length ? fates[turn]! : 'arrives';
            turn++;
            if (what === 'never arrives') return no(0);
            if (what === 'server down') return no(503);
            const answer = save(id, body, method);
            if (what === 'twice') return save(id, body, method);
            return what === 'answer lost' ? no(0) : what === 'hangs' ? hangs : answer;
          });
          for (let i = 0; i < 90 && (await waiting()).length > 0; i++) {
            clock += 60_000;
            await round(send);
          }
          expect([...saved.entries()].sort()).toEqual(ids.map((id) => [id, id]).sort());
          expect(await waiting()).toEqual([]);
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('nextTry', () => {
  it('waits twice as long each time, a minute at most, and never at the same moment for all', () => {
    expect([0, 1, 2, 3, 9, 500].map((failures) => nextTry(failures, 1))).toEqual([
      2000, 4000, 8000, 16_000, 60_000, 60_000,
    ]);
    fc.assert(
      fc.property(fc.nat(50), fc.double({ min: 0, max: 0.999, noNaN: true }), (failures, chance) => {
        const wait = nextTry(failures, chance);
        expect(wait).toBeGreaterThanOrEqual(nextTry(failures, 1) / 2);
        expect(wait).toBeLessThanOrEqual(nextTry(failures, 1));
      }),
    );
  });
});

describe('oneSender', () => {
  it('lets one window send and tells the others so at once', async () => {
    let held = false;
    const locks = {
      request: async (_name: string, _options: object, work: (lock: object | null) => unknown) => {
        if (held) return work(null);
        held = true;
        try {
          return await work({});
        } finally {
          held = false;
        }
      },
    } as unknown as LockManager;
    let open = (): void => undefined;
    const first = oneSender(
      () =>
        new Promise<string>((resolve) => {
          open = () => resolve('sent');
        }),
      'busy',
      locks,
    );
    expect(await oneSender(async () => 'sent', 'busy', locks)).toBe('busy');
    open();
    expect(await first).toBe('sent');
    expect(await oneSender(async () => 'sent', 'busy', locks)).toBe('sent');
    // Where a browser has no locks, everybody sends.
    expect(await oneSender(async () => 'sent', 'busy', undefined)).toBe('sent');
  });
});

describe('the queue', () => {
  it('takes back what never left, and nothing that may have arrived', async () => {
    await keepWaiting(item('a'));
    await sendWaiting(
      'maren',
      async () => no(0),
      () => 1,
    );
    await keepWaiting(item('b'));
    expect(await takeBackUnsent('a')).toBe(false);
    expect(await takeBackUnsent('b')).toBe(true);
    expect(await takeBackUnsent('unknown')).toBe(false);
    expect(await waiting()).toEqual(['a']);
  });
  it('changes and drops single items, and minds none that are gone', async () => {
    await keepWaiting(item('a'));
    const order = (await allWaiting())[0]!.order!;
    await changeWaiting(order, { refusal: 'no' });
    expect((await allWaiting())[0]!.refusal).toBe('no');
    await dropWaiting([order, 999]);
    await changeWaiting(order, { refusal: 'again' });
    expect(await allWaiting()).toEqual([]);
  });
});
