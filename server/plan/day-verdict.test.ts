import { beforeAll, describe, expect, it } from 'vitest';
import { addSite, putClimate } from '@/server/club/sites';
import { refusalOf, testClub, type TestClub } from '@/server/testing/test-club';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { dayVerdict } from './day-verdict';

let club: TestClub;
let siteId: string;
const NAMES = { method: 'whip-and-tongue', scionSpecies: 'Pear', stockSpecies: 'quince' };
beforeAll(async () => {
  club = await testClub();
  const site = await addSite(club.as('lead'), { name: 'Reed shore', hemisphere: 'north', timeZone: 'Europe/Zurich' });
  siteId = site.id;
});
const on = (date: string, changes: object = {}) =>
  dayVerdict(club.as('assistant'), { siteId, date, ...NAMES, ...changes });

describe('the verdict on a day that is being planned', () => {
  it('goes by the usual calendar where a site has no year yet, and by its own year then', async () => {
    expect(await on('2027-03-06')).toMatchObject({ chance: 'edge', why: expect.stringContaining('no normals yet') });
    const { normals, lastFrost, firstFrost, frostMargin } = CLIMATES[0]!;
    const climate = { normals, lastFrost, firstFrost, frostMargin };
    await putClimate(club.as('lead'), siteId, { ...climate, source: 'a test', version: 0 });
    expect(await on('2027-03-20')).toMatchObject({ chance: 'open', place: 'at the bench' });
    expect((await on('2027-10-20')).chance).toBe('shut');
  });
  it('is told to members of the club alone, of sites of their own', async () => {
    const other = await testClub();
    expect(await refusalOf(dayVerdict(other.as('lead'), { siteId, date: '2027-03-20', ...NAMES }))).toMatchObject({
      refusal: 'not-found',
    });
  });
  it('asks for what is missing', async () => {
    for (const changes of [{ date: 'soon' }, { method: 'glue' }, { scionSpecies: ' ' }, { siteId: 'x' }])
      expect(await refusalOf(on('2027-03-20', changes)), JSON.stringify(changes)).toMatchObject({ refusal: 'invalid' });
  });
});
