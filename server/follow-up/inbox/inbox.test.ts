import { mkdirSync, readdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { formatCode } from '@/core/codes/plant-code';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { refusalOf, testClub, type TestClub, testWorkshop, type TestWorkshop } from '@/server/testing/test-club';
import { planLetters } from '../letters/letter-plan';
import { replyAddress } from '../letters/reply-address';
import { sendRound } from '../letters/send-round';
import { addRound } from '../rounds';
import { readInbox } from './read-inbox';
import { listReplies, readInboxNow, readReplyAgain, settleReply, unreadReplies } from './replies';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
let folder: string;
let roundId: string;
const NOW = new Date('2027-06-26T09:00:00Z');

beforeAll(async () => {
  club = await testClub();
  // Of two clubs nobody can guess whose a letter is.
  await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 2 });
  keepers = await listKeepers(club.as('lead'), workshop.id);
  roundId = uuid();
  await addRound(club.as('lead'), workshop.id, roundId, {
    milestone: 'growing',
    opensOn: '2027-06-22',
    closesOn: '2027-07-11',
  });
  folder = join(club.mailFolder, 'inbox');
  mkdirSync(folder);
});

const heldBy = (seat: number): Keeper[] => keepers.filter((keeper) => keeper.seat.number === seat);
/** Letters that were written to people, by whom they went to. */
const written = new Map<string, string>();
/** A letter of ours to a person, which a reply can answer. */
async function letterTo(personId: string): Promise<string> {
  const known = written.get(personId);
  if (known) return known;
  const id = uuid();
  written.set(personId, id);
  await club.services.db.messages.create({
    id,
    clubId: club.clubId,
    roundId,
    personId,
    nth: 1,
    subject: 'How are your grafts?',
    state: 'delivered',
    createdAt: NOW,
  });
  return id;
}
interface Sent {
  from: string;
  text: string;
  subject?: string;
  date?: string | null;
  /** The letter it answers, by the address it goes to or by its Message-ID. */
  to?: string;
  answers?: string;
}
/** Puts a letter into the inbox, as a mail program writes it. */
function send(name: string, { from, text, subject = 'Re: How are your grafts?', date, to, answers }: Sent): void {
  const head = [
    `From: ${from}`,
    `To: ${to ?? 'follow-up@pear-bench.invalid'}`,
    `Subject: ${subject}`,
    ...(date === null ? [] : [`Date: ${date ?? 'Fri, 25 Jun 2027 18:00:00 +0000'}`]),
    `Message-ID: <${uuid()}@reed.example>`,
    ...(answers ? [`In-Reply-To: <${answers}@pear-bench.invalid>`] : []),
    'Content-Type: text/plain; charset=utf-8',
  ];
  writeFileSync(join(folder, `${name}.eml`), `${head.join('\r\n')}\r\n\r\n${text.replaceAll('\n', '\r\n')}`);
}
/** A reply to the letter its writer had. */
async function reply(name: string, keeper: Keeper, letter: Omit<Sent, 'from' | 'to' | 'answers'>): Promise<void> {
  const { person } = keeper.seat;
  send(name, { ...letter, from: person.email!, to: replyAddress(await letterTo(person.id)) });
}
const read = () => readInbox({ ...club.services, now: NOW });
const answers = () => club.services.db.reports.count({ where: { clubId: club.clubId } });

describe('replies by mail', () => {
  it('are kept as answers where code and word stand beyond doubt, seen on the day they were written', async () => {
    const [first, second] = heldBy(1) as [Keeper, Keeper];
    await reply('a', first, {
      text: `Hello!\n${formatCode(first.code)} alive\n${formatCode(second.code)} dead\n\nOn Sun, 2 May 2027 the guild wrote:\n> ${formatCode(second.code)} Grey Heron\n> alive, dead, not sure, cannot find`,
    });
    expect(await read()).toEqual({ read: 1, aside: 0, nobodys: 0 });
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
        [first.unionId, 'alive', 'yes', 'mail', '2027-06-25', '2027-06-26'],
        [second.unionId, 'dead', 'dead', 'mail', '2027-06-25', '2027-06-26'],
      ]),
    );
    expect((await listReplies(club.as('assistant')))[0]).toMatchObject({ answers: 2, problem: '', settled: true });
  });
  it('are read once, also when the same letter lies there again', async () => {
    const [first] = heldBy(1) as [Keeper];
    const before = await answers();
    // By its Message-ID, as mail programs answer that do not know the address it should go to.
    const { id, email } = first.seat.person;
    send('b', { from: email!, text: `${first.code} dead`, answers: await letterTo(id) });
    const bytes = readdirSync(folder);
    expect(bytes).toHaveLength(1);
    await Promise.all([read(), read()]);
    expect(await answers()).toBe(before + 1);
  });
  it('are shown to the instructor and never guessed where they could mean something else', async () => {
    const [own] = heldBy(1) as [Keeper];
    const [foreign] = heldBy(2) as [Keeper];
    const from = own.seat.person.email!;
    const mine = { to: replyAddress(await letterTo(own.seat.person.id)) };
    const theirs = { to: replyAddress(await letterTo(foreign.seat.person.id)) };
    const before = await answers();
    const cases: [string, Sent, string][] = [
      ['c1', { from, text: 'All is well here.', ...mine }, 'No code'],
      ['c2', { from, text: `${own.code} and ${heldBy(1)[1]!.code} alive`, ...mine }, 'Two codes'],
      ['c3', { from, text: `${own.code} alive`, subject: 'Fwd: your grafts', ...mine }, 'somebody else’s letter'],
      ['c4', { from, text: `${foreign.code} alive`, ...mine }, 'not the sender’s'],
      ['c5', { from: 'stranger@reed.example', text: `${own.code} alive`, ...mine }, 'from this address'],
      ['c6', { from, text: `${own.code} is not dead`, ...mine }, 'something else'],
      ['c7', { from, text: `${own.code} alive`, date: 'Fri, 05 Mar 2027 10:00:00 +0000', ...mine }, 'before the plant'],
      // Somebody who writes in another's name has had no letter, or one that was theirs.
      [
        'c8',
        { from, text: `${own.code} dead`, to: `answers-${club.clubId}@pear-bench.invalid` },
        'none of our letters',
      ],
      ['c9', { from, text: `${own.code} dead `, ...theirs }, 'none of our letters'],
    ];
    for (const [name, letter] of cases) send(name, letter);
    await read();
    expect(await answers()).toBe(before);
    const replies = await listReplies(club.as('assistant'));
    for (const [, , words] of cases) expect(replies.map(({ problem }) => problem).join(' | ')).toContain(words);
    expect(await unreadReplies(club.as('viewer'))).toBeGreaterThanOrEqual(cases.length);
    expect(readdirSync(folder)).toEqual([]);
  });
  it('have each a fate of its own: what cannot be opened, read or given to a club stops none of the others', async () => {
    const [own] = heldBy(2) as [Keeper];
    const told = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const warned = vi.spyOn(console, 'warn').mockImplementation(() => undefined);
    mkdirSync(join(folder, 'aaa.eml'));
    symlinkSync('/nowhere/at/all', join(folder, 'aab.eml'));
    symlinkSync('aac.eml', join(folder, 'aac.eml'));
    for (let i = 0; i < 205; i++) writeFileSync(join(folder, `b${i}.eml`), `From: a@b.example\r\n\r\nHello ${i}`);
    await reply('z', own, { text: `${own.code} alive` });
    const before = await answers();
    // A turn takes so many; the next goes on.
    for (let turn = 0; turn < 3; turn++) await read();
    expect(await answers()).toBe(before + 1);
    expect(readdirSync(folder).sort()).toEqual(['no-club']);
    expect(readdirSync(join(folder, 'no-club'))).toHaveLength(208);
    expect(warned.mock.calls.flat().join()).toContain('b7.eml is for no club');
    told.mockRestore();
    warned.mockRestore();
  });
  it('without a date, of a graft of tomorrow, wait for somebody to look', async () => {
    const [own] = heldBy(2) as [Keeper];
    await reply('d', own, { text: `${own.code} dead`, date: null });
    const before = await answers();
    const early = { ...club.services, now: new Date('2027-03-05T09:00:00Z') };
    const { code } = own;
    expect(await readInbox(early)).toEqual({ read: 1, aside: 0, nobodys: 0 });
    expect(await answers()).toBe(before);
    const found = (await listReplies(club.as('assistant'))).find(
      ({ text, settled }) => text === `${code} dead` && !settled,
    );
    expect(found).toBeDefined();
    expect(found!.problem).not.toBe('');
  });
  it('that break what reads them are put aside and shown with their file', async () => {
    const [own] = heldBy(1) as [Keeper];
    await reply('e', own, { text: `${own.code} alive, and well` });
    const told = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const { db } = club.services;
    const broken = vi.spyOn(db.people, 'findAll').mockRejectedValueOnce(new RangeError('a fault of ours'));
    expect(await read()).toEqual({ read: 0, aside: 1, nobodys: 0 });
    broken.mockRestore();
    expect(told.mock.calls.flat().join()).toContain('a fault of ours');
    told.mockRestore();
    const [first] = (await listReplies(club.as('assistant'))).filter(({ aside }) => aside !== '');
    expect(first).toMatchObject({ aside: 'e.eml', settled: false, problem: expect.stringContaining('went wrong') });
    expect(readdirSync(join(folder, 'put-aside'))).toEqual(['e.eml']);
  });
  it('that were put aside are read again when asked, once, and are never lost on the way', async () => {
    const asides = async () => (await listReplies(club.as('assistant'))).filter(({ aside }) => aside === 'e.eml');
    const [first] = await asides();
    expect(await refusalOf(readReplyAgain(club.as('viewer'), first!.id))).toMatchObject({ refusal: 'forbidden' });
    const before = await answers();
    expect(await readReplyAgain(club.as('assistant', NOW), first!.id)).toEqual({ read: 1, aside: 0, nobodys: 0 });
    expect(await answers()).toBe(before + 1);
    expect(await asides()).toEqual([]);
    expect(readdirSync(join(folder, 'put-aside'))).toEqual([]);
    expect(await refusalOf(readReplyAgain(club.as('assistant', NOW), first!.id))).toMatchObject({
      refusal: 'not-found',
    });
  });
  it('are put by once somebody looked at them, and shown to nobody who may not write', async () => {
    const [open] = (await listReplies(club.as('assistant'))).filter(({ settled }) => !settled);
    const before = await unreadReplies(club.as('viewer'));
    await Promise.all([1, 2].map(() => settleReply(club.as('assistant'), open!.id)));
    expect(await unreadReplies(club.as('viewer'))).toBe(before - 1);
    expect(await refusalOf(listReplies(club.as('viewer')))).toMatchObject({ refusal: 'forbidden' });
    expect(await refusalOf(settleReply(club.as('assistant'), uuid()))).toMatchObject({ refusal: 'not-found' });
    expect(await readInboxNow(club.as('assistant', NOW))).toEqual({ read: 0, aside: 0, nobodys: 0 });
  });
});

describe('a wish not to be written to', () => {
  const person = (id: string) => club.services.db.people.findByPk(id, { raw: true });
  it('is acted on at once, confirmed once, and keeps what was told beside it', async () => {
    const [own] = heldBy(2) as [Keeper];
    const before = await answers();
    await reply('stop', own, { text: `${formatCode(own.code)} alive and please do not write again` });
    await Promise.all([read(), read()]);
    expect(await answers()).toBe(before + 1);
    expect((await person(own.seat.person.id))!.mayContact).toBe(false);
    const [kept] = (await listReplies(club.as('assistant'))).filter(({ stopped }) => stopped);
    expect(kept).toMatchObject({ answers: 1, problem: '', settled: true });
    const confirmed = await club.services.mail.read(kept!.id);
    expect(confirmed!.subject).toBe('No more letters about your grafts');
    expect(confirmed!.to).toContain(own.seat.person.email!);
    // Asked again, there is nothing to stop and nothing to confirm.
    await reply('again', own, { text: 'Stop writing to me!' });
    await read();
    expect((await listReplies(club.as('assistant'))).filter(({ stopped }) => stopped)).toHaveLength(1);
    await club.services.db.people.update({ mayContact: true }, { where: { id: own.seat.person.id } });
  });
  it('is heard where the rest has to be looked at, and from an address we write to without a letter of ours', async () => {
    const [own] = heldBy(2) as [Keeper];
    await reply('both', own, { text: `${formatCode(own.code)} was eaten by a goat. Please stop writing to me.` });
    await read();
    expect((await person(own.seat.person.id))!.mayContact).toBe(false);
    const shown = (await listReplies(club.as('assistant'))).find(({ text }) => text.includes('goat'))!;
    expect(shown).toMatchObject({ stopped: true, settled: false });
    await settleReply(club.as('assistant'), shown.id);
    await club.services.db.people.update({ mayContact: true }, { where: { id: own.seat.person.id } });
  });
  it('is no wish where it only sounds like one', async () => {
    const [own] = heldBy(2) as [Keeper];
    await reply('rain', own, { text: 'The rain did not stop. Please do not stop writing.' });
    await read();
    expect((await person(own.seat.person.id))!.mayContact).toBe(true);
  });
});

describe('a reply that waits to be looked at', () => {
  it('stops letters to its sender until somebody has', async () => {
    const [own] = heldBy(1) as [Keeper];
    const later = club.as('lead', new Date('2027-07-08T09:00:00Z'));
    const held = async () => (await planLetters(later, [own.seat.person.id]))[0]!.held;
    for (const { id, settled } of await listReplies(later)) if (!settled) await settleReply(later, id);
    expect(await held()).toBe(false);
    await reply('waits', own, { text: `${formatCode(own.code)} was alive in May` });
    await read();
    expect(await held()).toBe(true);
    const waits = (await listReplies(later)).find(({ settled }) => !settled)!;
    await settleReply(later, waits.id);
    expect(await held()).toBe(false);
  });
});

describe('a death by mail', () => {
  it('is kept before any round asked of the plant, and no other news is', async () => {
    const other = await testWorkshop(club, 1);
    const { woodLotId, stockLotId } = other;
    await makeKeepers(club.as('lead'), other.id, { woodLotId, stockLotId, each: 2 });
    const own = (await listKeepers(club.as('lead'), other.id)).filter(({ seat }) => seat.number === 1);
    const [first, second] = own as [Keeper, Keeper];
    await reply('dead', first, { text: `${formatCode(first.code)} is dead` });
    await reply('alive', second, { text: `${formatCode(second.code)} is alive` });
    await read();
    const facts = (keeper: Keeper) => club.services.db.unionFacts.findByPk(keeper.unionId, { raw: true });
    expect(await facts(first)).toMatchObject({ firstDeadOn: '2027-06-25' });
    expect(await facts(second)).toMatchObject({ firstAliveOn: null });
    const shown = (await listReplies(club.as('assistant'))).find(({ text }) => text.includes('is alive'));
    expect(shown).toMatchObject({ settled: false, problem: 'Nothing can be told of one of its plants yet.' });
  });
});

describe('a text message', () => {
  it('goes to a number that was left without an address, and its answer comes back from there', async () => {
    const { db, mail } = club.services;
    const other = await testWorkshop(club, 1);
    const { woodLotId, stockLotId } = other;
    await makeKeepers(club.as('lead'), other.id, { woodLotId, stockLotId, each: 1 });
    const [own] = (await listKeepers(club.as('lead'), other.id)).filter(({ seat }) => seat.number === 3);
    const personId = own!.seat.person.id;
    await db.people.update({ phone: '+99 70 8811', mayContact: true }, { where: { id: personId } });
    const asks = uuid();
    const opened = club.as('lead', new Date('2027-06-23T09:00:00Z'));
    await addRound(opened, other.id, asks, { milestone: 'growing', opensOn: '2027-06-22', closesOn: '2027-07-11' });
    await sendRound(opened, asks, { sentSoFar: 0 });
    const [message] = await db.messages.findAll({ where: { personId }, raw: true });
    const sent = (await mail.read(message!.id))!;
    expect(sent.to).toContain('+99708811@texts.pear-bench.invalid');
    expect(sent.text).toContain(formatCode(own!.code));
    expect(sent.text.length).toBeLessThan(320);
    const before = await answers();
    const from = '+99708811@texts.pear-bench.invalid';
    send('text', { from, text: `${own!.code} alive`, subject: '' });
    // A number that nobody left here, and one that had no message, answer nothing.
    send('stranger', { from: '+99709999@texts.pear-bench.invalid', text: `${own!.code} dead`, subject: '' });
    await read();
    expect(await answers()).toBe(before + 1);
    expect(await db.reports.findOne({ where: { unionId: own!.unionId }, raw: true })).toMatchObject({ said: 'alive' });
    send('stop', { from, text: 'STOP', subject: '' });
    await read();
    expect((await db.people.findByPk(personId, { raw: true }))!.mayContact).toBe(false);
  });
});

describe('the plants beside a letter', () => {
  it('are its writer’s, those it names first, with what was told of them', async () => {
    const [own] = heldBy(1) as [Keeper];
    await reply('beside', own, { text: `${formatCode(own.code)} looks poorly after the hail` });
    await read();
    const shown = (await listReplies(club.as('assistant'))).find(({ text }) => text.includes('hail'))!;
    expect(shown.plants[0]).toMatchObject({ code: own.code, named: true, variety: own.wood.variety });
    expect(shown.plants.slice(1).every(({ named }) => !named)).toBe(true);
    expect(shown.plants.length).toBeGreaterThanOrEqual(heldBy(1).length);
    await settleReply(club.as('assistant'), shown.id);
    const settled = (await listReplies(club.as('assistant'))).find(({ id }) => id === shown.id)!;
    expect(settled.plants).toEqual([]);
  });
});
