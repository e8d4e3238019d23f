import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { formatCode } from '@/core/codes/plant-code';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { refusalOf, testClub, type TestClub, testWorkshop, type TestWorkshop } from '@/server/testing/test-club';
import { replyAddress } from '../letters/reply-address';
import { addRound } from '../rounds';
import { readInbox } from './read-inbox';
import { listReplies, readInboxNow, settleReply, unreadReplies } from './replies';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
let folder: string;
const NOW = new Date('2027-05-05T09:00:00Z');

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 2 });
  keepers = await listKeepers(club.as('lead'), workshop.id);
  await addRound(club.as('lead'), workshop.id, uuid(), {
    milestone: 'growing',
    opensOn: '2027-05-01',
    closesOn: '2027-05-20',
  });
  folder = join(club.mailFolder, 'inbox');
  mkdirSync(folder);
});

const heldBy = (seat: number): Keeper[] => keepers.filter((keeper) => keeper.seat.number === seat);
/** Puts a letter into the inbox, as a mail program writes it. */
function send(
  name: string,
  {
    from,
    text,
    subject = 'Re: How are your grafts?',
    date = 'Tue, 04 May 2027 18:00:00 +0000',
  }: {
    from: string;
    text: string;
    subject?: string;
    date?: string;
  },
): void {
  const head = `From: ${from}\r\nTo: ${replyAddress(club.clubId)}\r\nSubject: ${subject}\r\nDate: ${date}\r\nMessage-ID: <${uuid()}@reed.example>\r\nContent-Type: text/plain; charset=utf-8\r\n\r\n`;
  writeFileSync(join(folder, `${name}.eml`), head + text.replaceAll('\n', '\r\n'));
}
const read = () => readInbox({ ...club.services, now: NOW });
const answers = () => club.services.db.reports.count({ where: { clubId: club.clubId } });

describe('replies by mail', () => {
  it('are kept as answers where code and word stand beyond doubt, seen on the day they were written', async () => {
    const [first, second] = heldBy(1) as [Keeper, Keeper];
    send('a', {
      from: first.seat.person.email!,
      text: `Hello!\n${formatCode(first.code)} alive\n${formatCode(second.code)} dead\n\nOn Sun, 2 May 2027 the guild wrote:\n> ${formatCode(second.code)} Grey Heron\n> alive, dead, not sure, cannot find`,
    });
    expect(await read()).toBe(1);
    expect(readdirSync(folder)).toEqual([]);
    const reports = await club.services.db.reports.findAll({ where: { clubId: club.clubId }, raw: true });
    expect(
      reports.map(({ unionId, said, answer, source, seenOn, cameOn }) => [
        unionId,
        said,
        answer,
        source,
        seenOn,
        cameOn,
      ]),
    ).toEqual(
      expect.arrayContaining([
        [first.unionId, 'alive', 'yes', 'mail', '2027-05-04', '2027-05-05'],
        [second.unionId, 'dead', 'dead', 'mail', '2027-05-04', '2027-05-05'],
      ]),
    );
    expect((await listReplies(club.as('assistant')))[0]).toMatchObject({ answers: 2, problem: '', settled: true });
  });
  it('are read once, also when the same letter lies there again', async () => {
    const [first] = heldBy(1) as [Keeper];
    const letter = { from: first.seat.person.email!, text: `${first.code} dead` };
    const before = await answers();
    send('b', letter);
    const bytes = readdirSync(folder);
    expect(bytes).toHaveLength(1);
    await Promise.all([read(), read()]);
    expect(await answers()).toBe(before + 1);
  });
  it('are shown to the instructor and never guessed where they could mean something else', async () => {
    const [own] = heldBy(1) as [Keeper];
    const [foreign] = heldBy(2) as [Keeper];
    const from = own.seat.person.email!;
    const before = await answers();
    const cases: [string, Parameters<typeof send>[1], string][] = [
      ['c1', { from, text: 'All is well here.' }, 'No code'],
      ['c2', { from, text: `${own.code} and ${heldBy(1)[1]!.code} alive` }, 'Two codes'],
      ['c3', { from, text: `${own.code} alive`, subject: 'Fwd: your grafts' }, 'somebody else’s letter'],
      ['c4', { from, text: `${foreign.code} alive` }, 'not the sender’s'],
      ['c5', { from: 'stranger@reed.example', text: `${own.code} alive` }, 'from this address'],
      ['c6', { from, text: `${own.code} is not dead` }, 'two ways'],
      ['c7', { from, text: `${own.code} alive`, date: 'Fri, 05 Mar 2027 10:00:00 +0000' }, 'before the plant'],
    ];
    for (const [name, letter] of cases) send(name, letter);
    writeFileSync(join(folder, 'c8.eml'), `To: ${replyAddress(club.clubId)}\r\n\r\n`);
    await read();
    expect(await answers()).toBe(before);
    const replies = await listReplies(club.as('assistant'));
    for (const [, , words] of cases) expect(replies.map(({ problem }) => problem).join(' | ')).toContain(words);
    expect(await unreadReplies(club.as('viewer'))).toBeGreaterThanOrEqual(cases.length);
    // A file that is no letter and names no club stays where it is.
    expect(readdirSync(folder)).toEqual(['c8.eml']);
  });
  it('are put by once somebody looked at them, and shown to nobody who may not write', async () => {
    const [open] = (await listReplies(club.as('assistant'))).filter(({ settled }) => !settled);
    const before = await unreadReplies(club.as('viewer'));
    await Promise.all([1, 2].map(() => settleReply(club.as('assistant'), open!.id)));
    expect(await unreadReplies(club.as('viewer'))).toBe(before - 1);
    expect(await refusalOf(listReplies(club.as('viewer')))).toMatchObject({ refusal: 'forbidden' });
    expect(await refusalOf(settleReply(club.as('assistant'), uuid()))).toMatchObject({ refusal: 'not-found' });
    expect(await readInboxNow(club.as('assistant', NOW))).toEqual({ read: 0 });
  });
});
