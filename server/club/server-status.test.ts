import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { addressWithoutIds, noteDone, noteFault } from '@/server/platform/server-record';
import { NOW, refusalOf, testClub, type TestClub } from '@/server/testing/test-club';
import { LAST_DRILL, serverStatus } from './server-status';

let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});
const folder = (): string => mkdtempSync(join(tmpdir(), 'backups-'));

describe('the status of the server', () => {
  it('is for the lead alone', async () => {
    for (const role of ['assistant', 'viewer'] as const)
      expect(await refusalOf(serverStatus(club.as(role), folder()))).toMatchObject({ refusal: 'forbidden' });
  });
  it('asks for a practised restore until there is one of the last year', async () => {
    const backups = folder();
    expect(await serverStatus(club.as('lead'), backups)).toMatchObject({ drill: null, drillDue: true, backup: null });
    const practised = (daysAgo: number) => {
      const at = new Date(NOW.getTime() - daysAgo * 86_400_000).toISOString();
      writeFileSync(join(backups, LAST_DRILL), JSON.stringify({ at, file: 'x.tar.gz', rows: 12 }));
      return serverStatus(club.as('lead'), backups);
    };
    expect((await practised(364)).drillDue).toBe(false);
    expect((await practised(366)).drillDue).toBe(true);
    // Cut off by a full disk: as if there were none.
    writeFileSync(join(backups, LAST_DRILL), '{"at":"20');
    expect((await serverStatus(club.as('lead'), backups)).drill).toBeNull();
  });
  it('counts the same fault once with how often, and finds room on a disk whose folder is not made yet', async () => {
    noteFault('The page /week could not be shown');
    noteFault('The page /week could not be shown');
    noteFault('Something sent to /api/judgements could not be saved');
    noteDone('ask');
    const status = await serverStatus(club.as('lead'), join(folder(), 'none', 'yet'));
    expect(status.faults.map(({ what, times }) => [what, times])).toEqual(
      expect.arrayContaining([
        ['The page /week could not be shown', 2],
        ['Something sent to /api/judgements could not be saved', 1],
      ]),
    );
    expect(status.mail.lastAsked).not.toBeNull();
    expect(status.disk.all).toBeGreaterThan(status.disk.free);
    expect(status.memory.used).toBeGreaterThan(10_000_000);
  });
  it('counts letters that wait, of its own club only', async () => {
    const before = (await serverStatus(club.as('lead'), folder())).mail;
    const other = await testClub();
    expect((await serverStatus(other.as('lead'), folder())).mail).toMatchObject({ waiting: 0, unread: 0 });
    expect(before).toMatchObject({ waiting: 0, unread: 0, lastRead: null, lastWritten: null });
  });
});

describe('addressWithoutIds', () => {
  it.each([
    ['/workshops/0190a9c2-7a61-7b32-9df6-111111111111/score?seat=2', '/workshops/…/score'],
    ['/r/a-secret/plants/0190a9c2-7a61-7b32-9df6-111111111111', '/r/…'],
    ['/api/r/a-secret/answers', '/api/r/…'],
    ['/password/secret', '/password/…'],
    ['/week', '/week'],
  ])('%s is %s', (path, shown) => {
    expect(addressWithoutIds(path)).toBe(shown);
  });
});
