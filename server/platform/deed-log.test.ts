import { appendFileSync, mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { deedLogIn, type Deed } from './deed-log';

const folder = (): string => join(mkdtempSync(join(tmpdir(), 'deeds-')), 'deeds');
const leave = (personId: string): Deed => ({ what: 'leave', clubId: 'c', personId, mayContact: false });

describe('what a restore does again', () => {
  it('is told from a moment on, in the order in which it was noted, over months', async () => {
    const log = deedLogIn(folder());
    await log.add(new Date('2027-03-31T23:00:00Z'), leave('a'), leave('b'));
    await log.add(new Date('2027-04-01T01:00:00Z'), leave('c'));
    const ids = async (since: string) =>
      (await log.since(new Date(since))).map((deed) => (deed as { personId: string }).personId);
    expect(await ids('2027-03-01T00:00:00Z')).toEqual(['a', 'b', 'c']);
    expect(await ids('2027-04-01T00:00:00Z')).toEqual(['c']);
    expect(await ids('2027-05-01T00:00:00Z')).toEqual([]);
    expect(await deedLogIn(folder()).since(new Date(0))).toEqual([]);
  });
  it('gives dates back as dates, and days as they were', async () => {
    const log = deedLogIn(folder());
    const at = new Date('2027-03-31T23:00:00Z');
    const round = {
      id: 'r',
      clubId: 'c',
      workshopId: 'w',
      milestone: 'growing' as const,
      asks: '',
      opensOn: '2027-05-01',
      closesOn: '2027-05-20',
    };
    const message = {
      id: 'm',
      clubId: 'c',
      roundId: 'r',
      personId: 'p',
      nth: 1,
      subject: '2027-03-31T23:00:00Z is when',
      state: 'delivered' as const,
      createdAt: at,
    };
    await log.add(at, { what: 'round', round }, { what: 'letter', message, asks: [] });
    expect(await log.since(new Date(0))).toMatchObject([
      { what: 'round', round },
      { what: 'letter', message, asks: [] },
    ]);
  });
  it('loses no line to one that a full disk has cut off', async () => {
    const at = new Date('2027-03-06T10:00:00Z');
    const path = folder();
    const log = deedLogIn(path);
    await log.add(at, leave('a'));
    appendFileSync(join(path, '2027-03.jsonl'), '{"at":"2027-03-06T10:00:00.000Z","what":"le');
    await log.add(at, leave('b'));
    expect((await log.since(new Date(0))).map((deed) => (deed as { personId: string }).personId)).toEqual(['a', 'b']);
  });
  it('forgets months that no backup goes back to, and no other', async () => {
    const path = folder();
    const log = deedLogIn(path);
    for (const month of ['2026-01', '2026-02', '2027-03'])
      await log.add(new Date(`${month}-15T00:00:00Z`), leave(month));
    await log.forgetBefore(new Date('2026-02-20T00:00:00Z'));
    expect(readdirSync(path).sort()).toEqual(['2026-02.jsonl', '2027-03.jsonl']);
  });
});
