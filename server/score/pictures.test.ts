import sharp from 'sharp';
import { METHODS } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { assessorAgreement } from './agreement';
import { cardByToken, listCards, makeCardLink, printCards } from './cards';
import { addCutLook, listCutLooks } from './cut-looks';
import { erasePerson } from '@/server/club/erase-person';
import { putJudgement } from './judgements';
import { addPhoto, listPhotos, putPhotoScale, readPhoto, removePhoto } from './photos';
import { answerRecalibration, openRecalibration } from './recalibration';
import { putScoringSettings, USUAL_SCORING } from './scoring-settings';
import {
  judgementBody,
  NOW,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { openUnion } from './union-page';
import { wallBlocks, wallFollower, wallState } from './wall';

let club: TestClub;
let workshop: TestWorkshop;
let unionId: string;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
  ({ unionId } = await putJudgement(club.as('assistant'), uuid(), judgementBody(workshop)));
});

const picture = (width: number, height: number): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: '#7a6' } })
    .withExif({ IFD3: { GPSLatitude: '47/1 0/1 0/1', GPSLatitudeRef: 'N' } })
    .jpeg()
    .toBuffer();

describe('pictures of a union', () => {
  it('are scaled down, encoded anew and stripped of where they were taken', async () => {
    const original = await picture(4000, 3000);
    expect((await sharp(original).metadata()).exif).toBeDefined();
    const id = uuid();
    await Promise.all([1, 2, 3].map(() => addPhoto(club.as('assistant'), unionId, id, original)));
    const photos = await listPhotos(club.as('viewer'), unionId);
    expect(photos).toMatchObject([{ id, width: 1600, height: 1200, scale: null, version: 0 }]);
    const kept = await sharp(await readPhoto(club.as('viewer'), id)).metadata();
    expect(kept).toMatchObject({ format: 'jpeg', width: 1600, height: 1200 });
    expect(kept.exif).toBeUndefined();
    expect(kept.xmp).toBeUndefined();
  });
  it('are turned upright, and small ones are left as large as they are', async () => {
    const id = uuid();
    await addPhoto(
      club.as('assistant'),
      unionId,
      id,
      await sharp({ create: { width: 300, height: 100, channels: 3, background: '#a67' } })
        .withMetadata({ orientation: 6 })
        .jpeg()
        .toBuffer(),
    );
    expect((await listPhotos(club.as('viewer'), unionId)).find((photo) => photo.id === id)).toMatchObject({
      width: 100,
      height: 300,
    });
    await removePhoto(club.as('assistant'), id);
    await removePhoto(club.as('assistant'), id);
    expect(await refusalOf(readPhoto(club.as('viewer'), id))).toMatchObject({ refusal: 'not-found' });
  });
  it('are refused when they are none, damaged, or far too many pixels', async () => {
    const drawing = new TextEncoder().encode(
      '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="file:///etc/passwd"/></svg>',
    );
    expect((await refusalOf(addPhoto(club.as('lead'), unionId, uuid(), drawing))).message).toContain('SVG is none');
    expect(
      (await refusalOf(addPhoto(club.as('lead'), unionId, uuid(), new Uint8Array([0xff, 0xd8, 0xff, 0, 1, 2]))))
        .message,
    ).toContain('no picture that can be read');
    const whole = await picture(800, 600);
    expect(
      (await refusalOf(addPhoto(club.as('lead'), unionId, uuid(), whole.subarray(0, whole.length / 3)))).message,
    ).toContain('damaged');
    const vast = await sharp({
      create: { width: 12_000, height: 12_000, channels: 3, background: '#fff' },
      limitInputPixels: false,
    })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect((await refusalOf(addPhoto(club.as('lead'), unionId, uuid(), vast))).message).toContain('80 million pixels');
    expect(await refusalOf(addPhoto(club.as('viewer'), unionId, uuid(), whole))).toMatchObject({
      refusal: 'forbidden',
    });
    expect(await refusalOf(addPhoto(club.as('lead'), uuid(), uuid(), whole))).toMatchObject({ refusal: 'not-found' });
  });
  it('get a scale once; a second hand is told, and marks that measure nothing are refused', async () => {
    const [photo] = await listPhotos(club.as('viewer'), unionId);
    const scale = {
      kind: 'ruler',
      points: [
        { x: 100, y: 100 },
        { x: 900, y: 100 },
      ],
      size: 40,
    };
    expect(
      (
        await refusalOf(
          putPhotoScale(club.as('lead'), photo!.id, {
            version: 0,
            scale: {
              ...scale,
              points: [
                { x: 1, y: 1 },
                { x: 2, y: 1 },
              ],
            },
          }),
        )
      ).message,
    ).toContain('too close');
    expect(
      (await refusalOf(putPhotoScale(club.as('lead'), photo!.id, { version: 0, scale: { ...scale, size: 0 } })))
        .message,
    ).toContain('more than 0');
    await putPhotoScale(club.as('lead'), photo!.id, { version: 0, scale });
    expect(await refusalOf(putPhotoScale(club.as('assistant'), photo!.id, { version: 0, scale }))).toMatchObject({
      refusal: 'conflict',
    });
    expect((await listPhotos(club.as('viewer'), unionId))[0]).toMatchObject({ scale, version: 1 });
  });
});

describe('a union that was cut open', () => {
  it('gets a second look beside what was computed; looks are added and never changed', async () => {
    const id = uuid();
    const look = {
      callus: 'parts',
      contactSeen: '62,5'.replace(',', '.'),
      lookedOn: '2027-03-06',
      note: 'dry at the tip',
    };
    await Promise.all([1, 2].map(() => addCutLook(club.as('assistant'), unionId, id, look)));
    expect(await listCutLooks(club.as('viewer'), unionId)).toMatchObject([
      { callus: 'parts', contactSeen: 0.625, by: 'The assistant' },
    ]);
    const { looks, union, rows } = await openUnion(club.as('viewer'), workshop.id, unionId);
    expect([looks.length, union.counts.contact, rows.length]).toEqual([1, 1, 1]);
    expect(
      (await refusalOf(addCutLook(club.as('assistant'), unionId, uuid(), { ...look, lookedOn: '2027-06-01' }))).message,
    ).toContain('still to come');
    expect(
      (await refusalOf(addCutLook(club.as('assistant'), unionId, uuid(), { ...look, lookedOn: '2027-01-01' }))).message,
    ).toContain('before the workshop');
    expect(
      (await refusalOf(addCutLook(club.as('assistant'), unionId, uuid(), { ...look, contactSeen: 101 }))).message,
    ).toContain('0 to 100');
  });
});

describe('cards', () => {
  it('tell what was made and what to train; a link opens one card and ends with the person', async () => {
    await putJudgement(club.as('assistant'), uuid(), judgementBody(workshop, { number: 2, marks: { clean: 'poor' } }));
    const cards = await listCards(club.as('viewer'), workshop.id);
    expect(cards[0]).toMatchObject({
      seat: 1,
      unions: [{ number: 1, score: 100 }, { number: 2 }],
      train: [{ point: 'clean', times: 1, outOf: 2 }],
    });
    expect(cards[2]).toMatchObject({ unions: [], first: null, last: null, train: [] });
    expect((await printCards(club.as('viewer'), workshop.id, { paper: 'A4' })).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await refusalOf(printCards(club.as('viewer'), workshop.id, { paper: 'A3' }))).message).toContain(
      'A4 or Letter',
    );
    const { url } = await makeCardLink(club.as('assistant'), workshop.id, workshop.seatIds[0]!);
    const token = url.split('/').at(-1)!;
    expect(await cardByToken(club.services, token)).toMatchObject({
      name: 'Person 1',
      clubName: 'Reed Islet Grafters',
    });
    expect(await refusalOf(cardByToken(club.services, 'another'))).toMatchObject({ refusal: 'not-found' });
    await erasePerson(club.as('lead'), workshop.personIds[0]!);
    expect(await refusalOf(cardByToken(club.services, token))).toMatchObject({ refusal: 'gone' });
    expect(await refusalOf(makeCardLink(club.as('lead'), workshop.id, workshop.seatIds[0]!))).toMatchObject({
      refusal: 'conflict',
    });
  });
});

describe('the wall', () => {
  it('tells how far the room is and the commonest fault, and no score', async () => {
    await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(workshop, { seatId: workshop.seatIds[1], number: 1, marks: { clean: 'poor' } }),
    );
    const blocks = await wallBlocks(club.as('viewer'), workshop.id);
    const state = await wallState(club.as('viewer'), workshop.id, blocks);
    expect(state).toMatchObject({
      totals: { people: 3, unions: 3, ready: 0 },
      people: [
        { label: '1', seen: 2 },
        { label: '2', seen: 1 },
        { label: '3', seen: 0 },
      ],
      // No step draws this one: the union it was found on is shown.
      fault: { name: 'Clean', times: 2, outOf: 3, shown: null, union: { point: 'clean' } },
    });
    expect(JSON.stringify({ people: state.people, totals: state.totals })).not.toMatch(/score|95/);
    expect((await wallState(club.as('viewer'), workshop.id, blocks)).seq).toBe(state.seq);
    await putScoringSettings(club.as('lead'), workshop.id, {
      ...USUAL_SCORING,
      wall: 'totals',
      changeId: uuid(),
      version: 0,
    });
    const bare = await wallState(club.as('viewer'), workshop.id, blocks);
    expect(bare.people).toEqual([]);
    expect(bare.seq).not.toBe(state.seq);
    // Whoever follows gets the same state until something changed.
    const follow = wallFollower(club.as('viewer'), workshop.id, blocks);
    const [once, again] = [await follow(NOW), await follow(NOW)];
    expect(again).toBe(once);
    await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(workshop, { seatId: workshop.seatIds[1], number: 2 }),
    );
    expect((await follow(NOW)).totals.unions).toBe(once.totals.unions + 1);
  });
  it('draws the step a fault comes from, right beside wrong, where one draws it', async () => {
    for (const number of [3, 4, 5])
      await putJudgement(
        club.as('assistant'),
        uuid(),
        judgementBody(workshop, { seatId: workshop.seatIds[1], number, marks: { tongue: 'poor' } }),
      );
    const { fault } = await wallState(club.as('viewer'), workshop.id, await wallBlocks(club.as('viewer'), workshop.id));
    expect(fault).toMatchObject({
      name: 'Tongue',
      times: 3,
      union: null,
      shown: { looks: expect.stringContaining('the split runs') },
    });
    expect(fault!.shown!.wrong).not.toEqual(fault!.shown!.right);
  });
});

describe('recalibration', () => {
  it('keeps the first answer of each assessor, and tells the rubric’s grades only after it', async () => {
    const open = (role: 'lead' | 'assistant') => openRecalibration(club.as(role), workshop.id, 5);
    const before = await open('lead');
    expect(before.unions).toHaveLength(8);
    expect(JSON.stringify(before.unions)).not.toContain('truth');
    const answer = {
      workshopId: workshop.id,
      method: before.workshop.method,
      seed: 5,
      nth: 0,
      marks: { hold: 'poor', [pointsOf(METHODS[0]!).find(({ stage }) => stage === 'wrapped')!.id]: 'poor' },
    };
    expect(
      await refusalOf(answerRecalibration(club.as('lead'), uuid(), { ...answer, marks: { nonsense: 'poor' } })),
    ).toMatchObject({ refusal: 'invalid' });
    await answerRecalibration(club.as('lead'), uuid(), answer);
    await answerRecalibration(club.as('lead'), uuid(), { ...answer, marks: { hold: 'fatal' } });
    const after = await open('lead');
    expect(after.unions[0]!.answered!.marks).toEqual({ hold: 'poor' });
    expect(after.unions[1]!.answered).toBeNull();
    expect(after.assessors).toEqual([]);
    expect((await open('assistant')).unions[0]!.answered).toBeNull();
    expect(await refusalOf(openRecalibration(club.as('viewer'), workshop.id, 5))).toMatchObject({
      refusal: 'forbidden',
    });
    expect((await refusalOf(answerRecalibration(club.as('lead'), uuid(), { ...answer, nth: 8 }))).refusal).toBe(
      'invalid',
    );
    for (let nth = 1; nth < 8; nth++) await answerRecalibration(club.as('lead'), uuid(), { ...answer, nth, marks: {} });
    expect((await open('lead')).assessors).toMatchObject([{ name: 'The lead', answered: 8 }]);
  });
});

describe('assessorAgreement', () => {
  it('compares what was scored blind, and says how many still wait', async () => {
    const day = await testWorkshop(club);
    await putScoringSettings(club.as('lead'), day.id, { ...USUAL_SCORING, blindRate: 1, changeId: uuid(), version: 0 });
    for (let n = 1; n <= 8; n++) {
      const at = new Date(NOW.getTime() + n * 600_000);
      await putJudgement(
        club.as('assistant', at),
        uuid(),
        judgementBody(day, { number: n, marks: n % 2 === 0 ? { hold: 'poor' } : {} }),
      );
      if (n < 8)
        await putJudgement(
          club.as('lead', at),
          uuid(),
          judgementBody(day, { number: n, second: true, marks: n % 2 === 0 ? {} : { hold: 'poor' } }),
        );
    }
    const { agreement, waiting, advice, nameOf } = await assessorAgreement(club.as('lead'), day.id, 'workshop');
    expect(waiting).toBe(1);
    expect(agreement.unions).toBe(7);
    expect(agreement.pairs[0]!.points.hold).toMatchObject({ n: 7, same: 0 });
    expect(agreement.pairs[0]!.points.hold!.kappa).toBeLessThan(0);
    expect(agreement.pairs[0]!.points.tongue).toMatchObject({ n: 7, same: 7, kappa: null });
    expect(advice[0]!.words).toContain('graded “Hold” differently on 7 of 7 unions');
    expect(Object.values(nameOf).sort()).toEqual(['The assistant', 'The lead']);
    expect((await assessorAgreement(club.as('viewer'), workshop.id, 'method')).agreement.unions).toBe(7);
  });
});
