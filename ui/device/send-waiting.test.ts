import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Sent } from '../form/send';
import { deviceDatabase } from './device-database';
import { sendWaiting } from './send-waiting';
import { allWaiting, changeWaiting, dropWaiting, keepWaiting, type NewWaiting, takeBackUnsent } from './waiting-queue';

const MAREN = { id: 'maren', name: 'Maren' };
const JOSS = { id: 'joss', name: 'Joss' };
const item = (judgementId: string, changes: Partial<NewWaiting> = {}): NewWaiting => ({
  kind: 'judgement', judgementId, workshopId: 'w', seatId: 's', number: 1, called: '1-1', assessor: MAREN, body: { note: judgementId }, queuedAt: 1, ...changes,
});
const ok: Sent<unknown> = { ok: true, data: {} };
const no = (status: number, message = 'no'): Sent<unknown> => ({ ok: false, status, message, fields: {} });
const waiting = async (): Promise<string[]> => (await allWaiting()).filter((one) => one.deliveredAt === null).map(({ judgementId }) => judgementId);

beforeEach(async () => {
  await (await deviceDatabase()).clear('waiting');
});

describe('sendWaiting', () => {
  it('sends in the order things were made, each with its assessor and the time it was sent', async () => {
    for (const id of ['a', 'b', 'c']) await keepWaiting(item(id));
    const seen: [string, string, Record<string, unknown>][] = [];
    expect(await sendWaiting('maren', async (method, url, body) => { seen.push([method, url, body as Record<string, unknown>]); return ok; }, () => 5000)).toBe('done');
    expect(seen.map(([method, url]) => `${method} ${url}`)).toEqual(['PUT /api/judgements/a', 'PUT /api/judgements/b', 'PUT /api/judgements/c']);
    expect(seen[0]![2]).toEqual({ note: 'a', assessorId: 'maren', sentAt: '1970-01-01T00:00:05.000Z' });
    expect(await waiting()).toEqual([]);
    // Kept until a fresh state of the bench holds them, and not sent again.
    expect(await allWaiting()).toHaveLength(3);
    expect(await sendWaiting('maren', async () => { throw new Error('nothing is left to send'); }, () => 1)).toBe('done');
  });
  it.each([[0, 'unreachable'], [503, 'unreachable'], [500, 'unreachable'], [429, 'unreachable'], [401, 'signed-out']] as const)('keeps everything on %i and says so', async (status, outcome) => {
    await keepWaiting(item('a'));
    await keepWaiting(item('b'));
    let asked = 0;
    expect(await sendWaiting('maren', async () => { asked++; return no(status); }, () => 1)).toBe(outcome);
    expect(asked).toBe(1);
    expect(await waiting()).toEqual(['a', 'b']);
    expect((await allWaiting())[0]).toMatchObject({ tries: 1, refusal: null });
  });
  it('keeps what the server refuses with its words, and goes on with the rest', async () => {
    for (const id of ['a', 'b']) await keepWaiting(item(id));
    expect(await sendWaiting('maren', async (_method, url) => (url.endsWith('a') ? no(422, 'The seat was not found.') : ok), () => 1)).toBe('done');
    expect((await allWaiting()).map(({ refusal, deliveredAt }) => [refusal, deliveredAt])).toEqual([['The seat was not found.', null], [null, 1]]);
  });
  it('stops without refusing anything when somebody else is signed in meanwhile', async () => {
    await keepWaiting(item('a'));
    expect(await sendWaiting('maren', async () => ({ ok: false, status: 403, message: 'another', fields: { assessorId: 'another' } }), () => 1)).toBe('other-assessor');
    expect((await allWaiting())[0]).toMatchObject({ refusal: null, deliveredAt: null });
  });
  it('leaves another assessor’s judgements alone', async () => {
    await keepWaiting(item('a', { assessor: JOSS }));
    await keepWaiting(item('b'));
    const sent: string[] = [];
    await sendWaiting('maren', async (_method, url) => { sent.push(url); return ok; }, () => 1);
    expect(sent).toEqual(['/api/judgements/b']);
    expect(await waiting()).toEqual(['a']);
  });
  it('takes back after it sent, and counts taking back what never arrived as done', async () => {
    await keepWaiting(item('a'));
    await keepWaiting(item('a', { kind: 'withdrawal', body: {} }));
    const seen: string[] = [];
    expect(await sendWaiting('maren', async (method) => { seen.push(method); return method === 'DELETE' ? no(404) : ok; }, () => 1)).toBe('done');
    expect(seen).toEqual(['PUT', 'DELETE']);
    expect(await waiting()).toEqual([]);
  });
  it('brings every judgement to the server once with its own content, whatever is lost on the way', async () => {
    const fate = fc.constantFrom('arrives', 'never arrives', 'answer lost', 'server down', 'twice');
    await fc.assert(fc.asyncProperty(fc.array(fate, { minLength: 5, maxLength: 40 }), fc.integer({ min: 1, max: 12 }), async (fates, count) => {
      await (await deviceDatabase()).clear('waiting');
      const ids = Array.from({ length: count }, (_, i) => `j${i}`);
      for (const id of ids) await keepWaiting(item(id));
      const saved = new Map<string, unknown>();
      let turn = 0;
      const server = (url: string, body: unknown): Sent<unknown> => {
        const id = url.split('/').at(-1)!;
        const { note } = body as { note: string };
        if (saved.has(id) && saved.get(id) !== note) return no(409);
        saved.set(id, note);
        return ok;
      };
      for (let round = 0; round < 60 && (await waiting()).length > 0; round++) {
        await sendWaiting('maren', async (_method, url, body) => {
          const what = turn < fates.length ? fates[turn]! : 'arrives';
          turn++;
          if (what === 'never arrives') return no(0);
          if (what === 'server down') return no(503);
          const answer = server(url, body);
          if (what === 'twice') return server(url, body);
          return what === 'answer lost' ? no(0) : answer;
        }, () => 1);
      }
      expect([...saved.entries()].sort()).toEqual(ids.map((id) => [id, id]).sort());
      expect(await waiting()).toEqual([]);
    }), { numRuns: 30 });
  });
});

describe('the queue', () => {
  it('takes back what never left, and nothing that may have arrived', async () => {
    await keepWaiting(item('a'));
    await keepWaiting(item('b'));
    await sendWaiting('maren', async (_method, url) => (url.endsWith('a') ? no(0) : ok), () => 1);
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
