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
  it('goes by two frost dates that were entered with the site, in the south as well', async () => {
    const frosts = { lastFrost: '10-05', firstFrost: '05-10', appleBloom: '10-12' };
    const place = { hemisphere: 'south' as const, timeZone: 'Pacific/Auckland' };
    const site = await addSite(club.as('lead'), { name: 'South bank', ...place, ...frosts });
    expect(site.climateSource).toBe('estimated from frost dates and apple bloom');
    expect((await on('2027-09-05', { siteId: site.id })).chance).toBe('open');
    expect((await on('2027-03-20', { siteId: site.id })).chance).toBe('shut');
    const wrong = (changes: object) =>
      refusalOf(addSite(club.as('lead'), { name: 'Nowhere', ...place, ...frosts, ...changes }));
    expect((await wrong({ firstFrost: '' })).fields).toEqual({ firstFrost: 'Give both or neither.' });
    expect((await wrong({ lastFrost: '24 April' })).fields!.lastFrost).toContain('such as 04-24');
    expect((await wrong({ lastFrost: '05-01' })).message).toContain('Check the frost dates');
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
