import { v7 as uuid } from 'uuid';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { refusalOf, testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { putPart, readPart } from './plan-parts';

let club: TestClub;
let workshopId = '';
beforeAll(async () => {
  club = await testClub();
});
beforeEach(async () => {
  workshopId = (await testWorkshop(club)).id;
});
const put = (body: object, version: number, changeId = uuid(), by: 'lead' | 'assistant' = 'lead'): Promise<number> =>
  putPart(club.as(by), workshopId, 'room', { changeId, version }, body);
const read = (): Promise<{ version: number; body: object | null }> => readPart(club.as('viewer'), workshopId, 'room');

describe('a part of a plan', () => {
  it('is none before anybody saved it, and counts up with each saving', async () => {
    expect(await read()).toEqual({ version: 0, body: null });
    expect(await put({ width: 6 }, 0)).toBe(1);
    expect(await put({ width: 7 }, 1)).toBe(2);
    expect(await read()).toEqual({ version: 2, body: { width: 7 } });
  });
  it('is kept apart from the other parts and other workshops', async () => {
    await put({ width: 6 }, 0);
    expect(await readPart(club.as('viewer'), workshopId, 'kit')).toEqual({ version: 0, body: null });
    const other = await testWorkshop(club);
    expect(await readPart(club.as('viewer'), other.id, 'room')).toEqual({ version: 0, body: null });
  });
  it('sent twice is saved once', async () => {
    const changeId = uuid();
    expect(await Promise.all([put({ width: 6 }, 0, changeId), put({ width: 6 }, 0, changeId)])).toEqual([1, 1]);
    expect(await put({ width: 6 }, 0, changeId)).toBe(1);
    expect((await read()).version).toBe(1);
  });
  it('that somebody else saved meanwhile is not overwritten, whether it was there before or not', async () => {
    await put({ width: 6 }, 0);
    expect(await refusalOf(put({ width: 9 }, 0))).toMatchObject({
      refusal: 'conflict',
      message: expect.stringContaining('they are still here') as string,
    });
    await put({ width: 7 }, 1, uuid(), 'assistant');
    expect((await refusalOf(put({ width: 9 }, 1))).refusal).toBe('conflict');
    expect(await read()).toEqual({ version: 2, body: { width: 7 } });
    expect((await refusalOf(put({ width: 9 }, 7))).refusal).toBe('conflict');
  });
  it('of many who save at once lets one through at a time and loses nobody’s without a word', async () => {
    const tries = await Promise.allSettled(Array.from({ length: 8 }, (_, i) => put({ width: i }, 0)));
    expect(tries.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect((await read()).version).toBe(1);
  });
  it('is saved with what goes with it, or not at all', async () => {
    const broken = putPart(club.as('lead'), workshopId, 'room', { changeId: uuid(), version: 0 }, { width: 6 }, () =>
      Promise.reject(new Error('the rest could not be saved')),
    );
    await expect(broken).rejects.toThrow('the rest could not be saved');
    expect(await read()).toEqual({ version: 0, body: null });
  });
  it('leaves word of who changed it', async () => {
    await put({ width: 6 }, 0, uuid(), 'assistant');
    const rows = await club.services.db.audit.findAll({ where: { subjectId: workshopId }, raw: true });
    expect(rows.map(({ action }) => action)).toContain('plan changed: room');
    expect(rows.find(({ action }) => action === 'plan changed: room')!.actorId).toBe(club.as('assistant').actor.userId);
  });
  it('is refused for whoever may only look, another club, and a change without its head', async () => {
    expect((await refusalOf(putPart(club.as('viewer'), workshopId, 'room', {}, {}))).refusal).toBe('forbidden');
    const other = await testClub();
    const head = { changeId: uuid(), version: 0 };
    expect((await refusalOf(putPart(other.as('lead'), workshopId, 'room', head, {}))).refusal).toBe('not-found');
    for (const odd of [
      {},
      null,
      { changeId: 'x', version: 0 },
      { changeId: uuid(), version: -1 },
      { changeId: uuid() },
    ])
      expect((await refusalOf(putPart(club.as('lead'), workshopId, 'room', odd, {}))).refusal).toBe('invalid');
  });
});
