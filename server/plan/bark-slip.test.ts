import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { SIGNS } from '@/core/plan/phenology/observation';
import { METHODS } from '@/core/methods/registry';
import { siteCalendar } from '@/core/plan/dates/taught-on';
import { addObservation, addSite, listObservations } from '@/server/club/sites';
import { testClub } from '@/server/testing/test-club';
import { barkSlip } from './bark-slip';

describe('what is seen at a site', () => {
  it('can be noted, every sign there is, and test cuts and waterings tell whether bark will slip', async () => {
    const club = await testClub();
    const now = new Date('2027-05-20T06:00:00Z');
    const lead = club.as('lead', now);
    const frosts = { lastFrost: '04-24', firstFrost: '10-28' };
    const site = await addSite(lead, { name: 'Slip bank', hemisphere: 'north', timeZone: 'Europe/Zurich', ...frosts });
    for (const sign of SIGNS)
      if (sign !== 'bark-slips')
        await addObservation(lead, site.id, uuid(), { species: 'Quince', sign, seenOn: '2027-05-19', note: '' });
    const observations = await listObservations(lead, site.id);
    expect(new Set(observations.map(({ sign }) => sign)).size).toBe(SIGNS.length - 1);
    const year = { hemisphere: site.hemisphere, climate: site.climate, edits: {}, observations: [] };
    const known = { site, entered: [], calendar: siteCalendar(year, METHODS), today: '2027-05-20' };
    const morning = (seen: typeof observations) =>
      ['quince', 'mulberry'].map(
        (kind) => barkSlip(lead, { ...known, observations: seen }, [kind], '2027-05-20')[0]!.outlook.parts[0]!.odds,
      );
    expect(barkSlip(lead, { ...known, observations: [] }, ['quince', 'pear'], '2027-05-20')).toMatchObject([
      { species: 'quince, pear' },
    ]);
    // A test cut of quince says nothing of mulberry.
    expect(morning([])[0]).toBe('likely');
    expect(morning(observations)[0]).not.toBe('likely');
    expect(morning(observations)[1]).toBe(morning([])[1]);
    // So far ahead nobody knows the weather.
    const [far] = barkSlip(lead, { ...known, observations }, ['quince'], '2027-08-01');
    expect(JSON.stringify(far!.outlook.why)).toContain('Neither rain nor watering');
  });
});
