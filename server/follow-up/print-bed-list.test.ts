import { execFileSync } from 'node:child_process';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { formatCode } from '@/core/codes/plant-code';
import { ANYWHERE } from '@/core/aftercare/places/place';
import { movePlants } from '@/server/aftercare/places/move-plants';
import { putPlace } from '@/server/aftercare/places/put-place';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { getWorkshop } from '@/server/plan/workshops';
import { refusalOf, testClub, type TestClub, testKeepers, type TestWorkshop } from '@/server/testing/test-club';
import { printBedList } from './print-bed-list';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
const homes = uuid();
const empty = uuid();
const LATER = new Date('2027-07-06T08:00:00Z');

const wordsOf = (pdf: Buffer): string =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf }).toString().replaceAll(/\s+/g, ' ');

beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club, 2);
  const lead = club.as('lead');
  keepers = await listKeepers(lead, workshop.id);
  const { siteId } = await getWorkshop(lead, workshop.id);
  for (const [id, name] of [
    [homes, 'Gardens by the reeds'],
    [empty, 'Bare ground'],
  ] as const)
    await putPlace(lead, id, { siteId, kind: 'home', name, capacity: 100, version: 0 });
  await movePlants(lead, uuid(), {
    moves: keepers.slice(0, 4).map(({ id }) => ({ plantId: id, from: null, to: ANYWHERE })),
    toPlaceId: homes,
    on: '2027-03-06',
  });
});

describe('a list of what stands in a place', () => {
  it('has each plant that stands there with its code, and none that stands elsewhere', async () => {
    const words = wordsOf(await printBedList(club.as('viewer', LATER), homes, { paper: 'A4' }));
    expect(words).toContain('Gardens by the reeds');
    for (const { code } of keepers.slice(0, 4)) expect(words).toContain(formatCode(code));
    for (const { code } of keepers.slice(4)) expect(words).not.toContain(formatCode(code));
    expect(words).toContain('Grey Heron');
  });
  it('says what to look for once it can be seen, and asks nothing before', async () => {
    const early = await printBedList(club.as('viewer', new Date('2027-03-10T08:00:00Z')), homes, { paper: 'A4' });
    expect(wordsOf(early)).not.toContain('?');
    const later = await printBedList(club.as('viewer', LATER), homes, { paper: 'A4' });
    expect(wordsOf(later).match(/Is there a new shoot of 50 mm or more\?/g)).toHaveLength(4);
    const { actor, ...rest } = club.as('viewer', LATER);
    const inches = await printBedList({ ...rest, actor: { ...actor, lengthUnit: 'in' } }, homes, { paper: 'Letter' });
    expect(wordsOf(inches)).not.toMatch(/\d mm/);
  });
  it('has its headings whole', async () => {
    const words = wordsOf(await printBedList(club.as('viewer', LATER), homes, { paper: 'A4' }));
    expect(words).not.toContain('…');
  });
  it('fits the other paper too', async () => {
    const pdf = await printBedList(club.as('viewer', LATER), homes, { paper: 'Letter' });
    expect(execFileSync('pdfinfo', ['-'], { input: pdf }).toString()).toMatch(/612 x 792/);
  });
  it('of a place where nothing stands is refused with what to do', async () => {
    expect(await refusalOf(printBedList(club.as('lead', LATER), empty, { paper: 'A4' }))).toMatchObject({
      refusal: 'invalid',
      message: expect.stringContaining('Move plants there first') as string,
    });
  });
  it('of an unknown place, on unknown paper or of another club is refused', async () => {
    const other = await testClub();
    expect(await refusalOf(printBedList(club.as('lead'), uuid(), { paper: 'A4' }))).toMatchObject({
      refusal: 'not-found',
    });
    expect(await refusalOf(printBedList(club.as('lead'), homes, { paper: 'A0' }))).toMatchObject({
      refusal: 'invalid',
    });
    expect(await refusalOf(printBedList(other.as('lead'), homes, { paper: 'A4' }))).toMatchObject({
      refusal: 'not-found',
    });
  });
});
