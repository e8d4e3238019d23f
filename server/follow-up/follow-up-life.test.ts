import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { erasePerson } from '@/server/club/erase-person';
import { exportCsv } from '@/server/findings/exports';
import { workshopFindings } from '@/server/findings/findings';
import { growerPage } from './grower/grower-page';
import { ownCopy } from './grower/own-copy';
import { saveAnswer, saveGrowerPhoto } from './grower/save-answers';
import { closeLink, eraseMe, setLeave } from './grower/wishes';
import { contradictions, settleContradiction } from './settle';
import { putJudgement } from '@/server/score/judgements';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { printSlips } from './print-slips';
import { enterReport } from './entering/enter-report';
import { latestReports } from './reports';
import { deliverLetters, outbox } from '@/server/platform/outbox';
import { withdrawLinks } from './letters/links';
import { sendRound } from './letters/send-round';
import { addRound, moveClosing } from './rounds';
import {
  judgementBody,
  refusalOf,
  testClub,
  testKeepers,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
const roundId = uuid();
const OPEN = new Date('2027-06-23T08:00:00Z');
const at = (date: string) => ({ ...club.services, now: new Date(`${date}T08:00:00Z`) });

beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club);
  await addRound(club.as('lead'), workshop.id, roundId, {
    milestone: 'growing',
    opensOn: '2027-06-22',
    closesOn: '2027-07-11',
  });
});

const tokens = async (person: string): Promise<string[]> =>
  (await outbox(club.as('lead')))
    .filter(({ to }) => to.startsWith(person))
    .map(({ text }) => /\/r\/([\w-]+)/.exec(text!)![1]!);
const files = (): string[] => readdirSync(club.mailFolder);

describe('a round', () => {
  it('is checked: after the workshop, closing after opening, each milestone once', async () => {
    const add = (round: object) => refusalOf(addRound(club.as('lead'), workshop.id, uuid(), round));
    expect(await add({ milestone: 'healed', opensOn: '2027-03-01', closesOn: '2027-04-01' })).toMatchObject({
      fields: { opensOn: 'Before the workshop.' },
    });
    expect(await add({ milestone: 'healed', opensOn: '2027-04-01', closesOn: '2027-04-01' })).toMatchObject({
      refusal: 'invalid',
    });
    expect(await add({ milestone: 'growing', opensOn: '2027-06-22', closesOn: '2027-07-11' })).toMatchObject({
      refusal: 'conflict',
    });
    expect(await add({ milestone: 'fruit', opensOn: '2027-06-22', closesOn: '2027-07-11' })).toMatchObject({
      refusal: 'invalid',
    });
  });
  it('writes to those who gave leave and an address, once for many clicks', async () => {
    const sent = await Promise.allSettled(
      [1, 2, 3].map(() => sendRound(club.as('lead', OPEN), roundId, { sentSoFar: 0 })),
    );
    expect(
      sent
        .filter(({ status }) => status === 'fulfilled')
        .map((settled) => (settled as PromiseFulfilledResult<{ sent: number }>).value.sent),
    ).toEqual([2]);
    expect(files().filter((name) => name.endsWith('.eml'))).toHaveLength(2);
    expect(files().filter((name) => name.endsWith('.pending'))).toHaveLength(0);
    const letter = (await outbox(club.as('assistant')))[0]!;
    expect(letter.text).toContain('https://bench.example/r/');
    expect(letter.text).toContain('Is there a new shoot of 50 mm or more?');
    expect(await refusalOf(outbox(club.as('viewer')))).toMatchObject({ refusal: 'forbidden' });
  });
  it('keeps only hashes of its links', async () => {
    const [token] = await tokens('Person 1');
    expect(Buffer.from(token!, 'base64url')).toHaveLength(32);
    const links = await club.services.db.reportLinks.findAll({ where: { clubId: club.clubId }, raw: true });
    expect(JSON.stringify(links)).not.toContain(token);
  });
  it('hands over what a dying server had left waiting', async () => {
    const [message] = await club.services.db.messages.findAll({ where: { clubId: club.clubId }, raw: true });
    await club.services.db.messages.update({ state: 'queued' }, { where: { clubId: club.clubId, id: message!.id } });
    const sent = join(club.mailFolder, `${message!.id}.eml`);
    const text = readFileSync(sent);
    writeFileSync(join(club.mailFolder, `${message!.id}.pending`), text);
    await deliverLetters(club.as('lead', OPEN));
    await deliverLetters(club.as('lead', OPEN));
    expect(readFileSync(sent)).toEqual(text);
    expect(files()).toHaveLength(2);
  });
});

describe('a private link', () => {
  it('shows its person their own plants, and looking changes nothing', async () => {
    const [token] = await tokens('Person 1');
    const counts = async () =>
      Promise.all(
        [club.services.db.reports, club.services.db.audit].map((table) =>
          (table as typeof club.services.db.reports).count({ where: { clubId: club.clubId } }),
        ),
      );
    const before = await counts();
    const page = await growerPage(at('2027-06-24'), token!);
    expect(page).toMatchObject({ name: 'Person 1', left: 2, mayContact: true, clubName: 'Reed Islet Grafters' });
    expect(page.grafts.map(({ variety, kind, told }) => [variety, kind, told])).toEqual([
      ['Grey Heron', 'growing', null],
      ['Grey Heron', 'growing', null],
    ]);
    expect(page.grafts[0]!.groups.map(({ id }) => id)).toEqual(['growth', 'leaves', 'scratch']);
    expect(await counts()).toEqual(before);
  });
  it('takes an answer for each plant, changed at will, the same id once, and says what it means', async () => {
    const [token] = await tokens('Person 1');
    const { grafts } = await growerPage(at('2027-06-24'), token!);
    const id = uuid();
    const { unionId } = grafts[0]!;
    const doubtful = { unionId, signs: { growth: 'none', scratch: 'green' } };
    expect(await saveAnswer(at('2027-06-24'), token!, uuid(), doubtful)).toMatchObject({
      reading: 'Too early to tell.',
      next: expect.stringContaining('Look again about') as string,
    });
    const dead = { unionId, signs: { growth: 'none', scratch: 'brown' } };
    const [back] = await Promise.all([1, 2, 3].map(() => saveAnswer(at('2027-06-25'), token!, id, dead)));
    expect(back).toMatchObject({ reading: 'It is dead.', next: '' });
    // A failing sign, and in the same breath what can still be tried.
    expect(back!.second[0]).toMatch(
      /^Chip bud forced to grow at once: from .* 2027\. Its wood is cut fresh that day\./,
    );
    expect(back!.second.length).toBeLessThanOrEqual(3);
    expect((await growerPage(at('2027-06-25'), token!)).grafts[0]!.told).toMatchObject({
      choices: { growth: 'none', scratch: 'brown' },
      back: { reading: 'It is dead.' },
    });
    expect(await club.services.db.reports.count({ where: { clubId: club.clubId } })).toBe(2);
    expect(
      await refusalOf(saveAnswer(at('2027-06-25'), token!, id, { ...dead, signs: { growth: 'shoot' } })),
    ).toMatchObject({ refusal: 'conflict' });
    const grown = {
      unionId: grafts[1]!.unionId,
      signs: { leaves: 'firm' },
      growth: '3',
      growthUnit: 'in',
      note: 'fine',
    };
    await saveAnswer(at('2027-06-25'), token!, uuid(), grown);
    const { db } = club.services;
    const report = await db.reports.findOne({ where: { unionId: grafts[1]!.unionId }, raw: true });
    expect(report).toMatchObject({ answer: 'yes', reading: 'alive', source: 'link', enteredBy: null });
    expect(report!.signs).toEqual({ growth: 76.2, leaves: 'firm' });
    // What the grower measured moves the plan of the plant.
    expect(await db.unionObservations.findOne({ where: { id: report!.id }, raw: true })).toMatchObject({
      kind: 'height',
      lengthMm: 76.2,
      seenBy: null,
    });
  });
  it('takes no answer for a plant of somebody else, and none that is none', async () => {
    const [token] = await tokens('Person 1');
    const [other] = await tokens('Person 2');
    const foreign = (await growerPage(at('2027-06-24'), other!)).grafts[0]!.unionId;
    const own = (await growerPage(at('2027-06-24'), token!)).grafts[0]!.unionId;
    const answer = (input: object, day = '2027-06-26') => refusalOf(saveAnswer(at(day), token!, uuid(), input));
    expect(await answer({ unionId: foreign, said: 'dead' })).toMatchObject({ refusal: 'not-found' });
    for (const [input, message] of [
      [{ said: 'perhaps' }, 'none of those offered'],
      [{ signs: { callus: 'ring' } }, 'none of those offered'],
      [{}, 'Tap what you see'],
      [{ said: 'dead', seenOn: '2027-06-27' }, 'still to come'],
      [{ said: 'dead', seenOn: '2027-03-05' }, 'before it was grafted'],
      [{ said: 'dead', seenOn: 'soon' }, 'year-month-day'],
      [{ growth: 'long' }, 'as a number'],
      [{ said: 'dead', note: 'q'.repeat(501) }, '500 characters'],
    ] as const)
      expect((await answer({ unionId: own, ...input })).message).toContain(message);
  });
  it('takes a photo once, however often it is sent at once, and what is none says so', async () => {
    const [token] = await tokens('Person 1');
    const { unionId } = (await growerPage(at('2027-06-26'), token!)).grafts[0]!;
    const photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: 'green' } })
      .jpeg()
      .toBuffer();
    const photoId = uuid();
    const send = (bytes: Buffer, id = photoId) =>
      saveGrowerPhoto(at('2027-06-26'), token!, { unionId, photoId: id }, bytes);
    await Promise.all([1, 2, 3, 4].map(() => send(photo)));
    expect(await club.services.db.photos.count({ where: { clubId: club.clubId, unionId } })).toBe(1);
    expect((await refusalOf(send(Buffer.from('<svg/>'), uuid()))).message).toContain('no photo');
    expect((await growerPage(at('2027-06-26'), token!)).grafts[0]!.photos).toBe(1);
    const large = await sharp({ create: { width: 8000, height: 5000, channels: 3, background: 'green' } })
      .jpeg()
      .toBuffer();
    await send(large, uuid());
    const kept = await club.services.db.photos.findAll({ where: { unionId }, attributes: ['width'], raw: true });
    expect(Math.max(...kept.map(({ width }) => width))).toBeLessThanOrEqual(1600);
  });
  it('opens for more than a year, and unknown ones say what to do', async () => {
    const [token] = await tokens('Person 1');
    expect((await growerPage(at('2028-05-25'), token!)).name).toBe('Person 1');
    expect((await refusalOf(growerPage(at('2028-08-22'), token!))).message).toContain('expired');
    expect(await refusalOf(growerPage(at('2027-06-24'), 'nonsense'))).toMatchObject({
      refusal: 'not-found',
      message: expect.stringContaining('ask the club') as string,
    });
    await moveClosing(club.as('lead', OPEN), roundId, { closesOn: '2027-07-21' });
  });
  it('is made anew by a reminder, the earlier one going on, and all end when withdrawn', async () => {
    const remind = (day: string) => sendRound(club.as('lead', new Date(`${day}T08:00:00Z`)), roundId, { sentSoFar: 2 });
    // One letter a week at most, whoever sends.
    expect(await remind('2027-06-29')).toEqual({ sent: 0, waiting: 0, held: 1 });
    expect(await remind('2027-07-01')).toEqual({ sent: 1, waiting: 0, held: 0 });
    const [first, second] = (await tokens('Person 2')) as [string, string];
    expect(first).not.toBe(second);
    for (const token of [first, second]) expect((await growerPage(at('2027-07-02'), token)).name).toBe('Person 2');
    expect(await tokens('Person 1')).toHaveLength(1);
    await withdrawLinks(club.as('assistant', OPEN), roundId, workshop.personIds[1]!);
    for (const token of [first, second])
      expect((await refusalOf(growerPage(at('2027-07-02'), token))).message).toContain('withdrawn');
  });
});

describe('slips', () => {
  it('carry a private link only for those who gave leave', async () => {
    const links = () => club.services.db.reportLinks.count({ where: { clubId: club.clubId, kind: 'slip' } });
    expect((await printSlips(club.as('lead', OPEN), roundId, {})).subarray(0, 5).toString()).toBe('%PDF-');
    expect(await links()).toBe(0);
    await printSlips(club.as('lead', OPEN), roundId, { paper: 'Letter', personIds: [workshop.personIds[0]] });
    expect(await links()).toBe(1);
  });
});

describe('findings', () => {
  it('count alive, dead and unknown, with practice beside', async () => {
    const keepers = await listKeepers(club.as('lead'), workshop.id);
    const third = keepers.filter(({ seat }) => seat.number === 3);
    await enterReport(club.as('assistant', OPEN), uuid(), {
      roundId,
      unionId: third[0]!.unionId,
      said: 'alive',
      source: 'phone',
      note: '=1+1',
    });
    await putJudgement(club.as('lead'), uuid(), judgementBody(workshop));
    await putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number: 2, marks: { hold: 'fatal' } }));
    const findings = await workshopFindings(club.as('viewer'), workshop.id);
    expect(findings.handedOver).toBe(6);
    const growing = findings.milestones.find(({ milestone }) => milestone === 'growing')!;
    expect(growing).toMatchObject({
      asked: true,
      alive: 2,
      dead: 1,
      unknown: 3,
      rate: 2 / 3,
      bounds: { low: 2 / 6, high: 5 / 6 },
    });
    // Alive now counts as healed, but no round asked that, so no rate is made of it.
    expect(findings.milestones[0]).toMatchObject({ asked: false, alive: 2, dead: 0, rate: null, interval: null });
    expect(findings.students.map(({ practice, meanScore, keepers: held }) => [practice, meanScore, held])).toEqual([
      [2, 70, 2],
      [0, null, 2],
      [0, null, 2],
    ]);
  });
  it('flag alive after dead, count it as unknown, and follow once the instructor settles it', async () => {
    const wintered = uuid();
    await addRound(club.as('lead'), workshop.id, wintered, {
      milestone: 'wintered',
      opensOn: '2028-04-01',
      closesOn: '2028-04-20',
    });
    const dead = (await latestReports(club.as('lead'), workshop.id)).find(({ answer }) => answer === 'dead')!;
    const later = club.as('lead', new Date('2028-04-12T09:00:00Z'));
    await enterReport(later, uuid(), { roundId: wintered, unionId: dead.unionId, said: 'alive', source: 'slip' });
    const flagged = await workshopFindings(club.as('viewer'), workshop.id);
    expect(flagged.contradicted.map(({ unionId }) => unionId)).toEqual([dead.unionId]);
    expect(flagged.milestones.find(({ milestone }) => milestone === 'growing')).toMatchObject({
      alive: 2,
      dead: 0,
      unknown: 4,
    });
    const [both] = await contradictions(club.as('viewer'), workshop.id);
    expect(both!.dead.map(({ reportId }) => reportId)).toEqual([dead.id]);
    expect(both!.alive[0]).toMatchObject({
      seenOn: '2028-04-12',
      words: expect.stringContaining('on a slip') as string,
    });
    const settle = (input: object, who = later) => refusalOf(settleContradiction(who, dead.unionId, input));
    expect((await settle({ setAside: [uuid()], why: 'x' })).refusal).toBe('not-found');
    expect((await settle({ setAside: [dead.id], why: '' })).fields.why).toContain('Say why');
    expect((await settle({ setAside: [dead.id, both!.alive[0]!.reportId], why: 'both' })).message).toContain(
      'One side',
    );
    await settleContradiction(later, dead.unionId, { setAside: [dead.id], why: 'tags were swapped' });
    await settleContradiction(later, dead.unionId, { setAside: [dead.id], why: 'tags were swapped' });
    expect(await contradictions(club.as('viewer'), workshop.id)).toEqual([]);
    const settled = await workshopFindings(club.as('viewer'), workshop.id);
    expect(settled.contradicted).toEqual([]);
    expect(settled.milestones.find(({ milestone }) => milestone === 'growing')).toMatchObject({ alive: 3, dead: 0 });
    // Kept, with who set it aside and why.
    expect(await club.services.db.reports.findOne({ where: { id: dead.id }, raw: true })).toMatchObject({
      answer: 'dead',
      setAsideWhy: 'tags were swapped',
    });
  });
  it('leave as CSV, without names and without formulas', async () => {
    const reports = await exportCsv(club.as('viewer'), workshop.id, 'reports');
    expect(reports).toContain("'=1+1");
    const unions = await exportCsv(club.as('viewer'), workshop.id, 'unions');
    expect(unions.split('\r\n')).toHaveLength(1 + 8 + 1);
    const judgements = await exportCsv(club.as('viewer'), workshop.id, 'judgements');
    expect(judgements.split('\r\n')[0]).toContain('stockBark_mm,stockBark_origin');
    expect(judgements).toContain(',assumed,');
    for (const table of [reports, unions, judgements]) expect(table).not.toContain('Person 1');
  });
});

describe('erasing', () => {
  it('stops writing on request, while the link goes on', async () => {
    const [token] = await tokens('Person 1');
    await setLeave(at('2027-07-03'), token!, false);
    expect((await growerPage(at('2027-07-03'), token!)).mayContact).toBe(false);
    const later = club.as('lead', new Date('2027-07-11T08:00:00Z'));
    expect(await sendRound(later, roundId, { sentSoFar: 3 })).toEqual({ sent: 1, waiting: 0, held: 0 });
    expect((await tokens('Person 1')).length).toBe(1);
  });
  it('gives a copy of all that is kept of oneself, and of nobody else', async () => {
    const [token] = await tokens('Person 1');
    const copy = JSON.stringify(await ownCopy(at('2027-07-03'), token!));
    for (const part of ['Person 1', 'Reed Islet Grafters', 'Grey Heron', '"countedAs":"yes"', 'fine'])
      expect(copy).toContain(part);
    expect(copy).not.toMatch(/Person [23]/);
  });
  it('closes a link by itself, and what was told stays', async () => {
    const token = (await tokens('Person 2')).at(0)!;
    await closeLink(at('2027-07-12'), token);
    expect((await refusalOf(growerPage(at('2027-07-12'), token))).message).toContain('withdrawn');
  });
  it('takes name, addresses, notes, links and messages of a person, and leaves the unions', async () => {
    const [token] = await tokens('Person 1');
    await eraseMe(at('2027-07-04'), token!);
    const person = await club.services.db.people.findOne({ where: { id: workshop.personIds[0]! }, raw: true });
    expect(person).toMatchObject({ name: null, email: null, phone: null });
    expect(person!.erasedAt).not.toBeNull();
    for (const name of files()) expect(readFileSync(join(club.mailFolder, name), 'utf8')).not.toContain('Person 1');
    expect((await refusalOf(growerPage(at('2027-07-04'), token!))).refusal).toBe('gone');
    expect(await club.services.db.reports.count({ where: { clubId: club.clubId, note: 'fine' } })).toBe(0);
    expect((await workshopFindings(club.as('viewer'), workshop.id)).students[0]).toMatchObject({
      name: 'Erased person',
      practice: 2,
      keepers: 2,
    });
    expect((await outbox(club.as('lead'))).some(({ to, text }) => to === 'erased' && text === null)).toBe(true);
  });
  it('is the lead’s to do for somebody who asks by phone', async () => {
    expect(await refusalOf(erasePerson(club.as('assistant'), workshop.personIds[1]!))).toMatchObject({
      refusal: 'forbidden',
    });
    expect(await refusalOf(erasePerson(club.as('lead'), uuid()))).toMatchObject({ refusal: 'not-found' });
    await erasePerson(club.as('lead'), workshop.personIds[1]!);
    await erasePerson(club.as('lead'), workshop.personIds[1]!);
    expect(files().filter((name) => readFileSync(join(club.mailFolder, name), 'utf8').includes('Person 2'))).toEqual(
      [],
    );
  });
});

describe('answers that meet', () => {
  it('each take a turn of their own, and the last of them counts, whatever a clock says', async () => {
    const own = await testWorkshop(club, 1);
    await makeKeepers(club.as('lead'), own.id, { woodLotId: own.woodLotId, stockLotId: own.stockLotId, each: 2 });
    const round = uuid();
    await addRound(club.as('lead'), own.id, round, {
      milestone: 'growing',
      opensOn: '2027-06-22',
      closesOn: '2027-07-11',
    });
    const [keeper] = await listKeepers(club.as('lead'), own.id);
    const report = (said: string, when = OPEN) =>
      enterReport(club.as('lead', when), uuid(), {
        unionId: keeper!.unionId,
        said,
        note: '',
        roundId: round,
        source: 'phone',
      });
    await Promise.all(Array.from({ length: 8 }, () => report('unsure')));
    // From a server whose clock is a day behind.
    await report('dead', new Date('2027-06-22T08:00:00Z'));
    const rows = await club.services.db.reports.findAll({
      where: { roundId: round },
      order: [['turn', 'ASC']],
      raw: true,
    });
    expect(rows.map(({ turn }) => turn)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect((await latestReports(club.as('lead'), own.id)).map(({ answer }) => answer)).toEqual(['dead']);
    const fact = await club.services.db.unionFacts.findOne({ where: { unionId: keeper!.unionId }, raw: true });
    expect(fact?.growing).toBe('dead');
  });
});
