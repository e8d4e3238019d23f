import { describe, expect, it } from 'vitest';
import type { SiteVisits } from '@/core/aftercare/visits/visit-sheet';
import { rendered } from '@/ui/testing/rendered';
import { SiteVisitsBoard } from './site-visits-board';

const site = (changes: Partial<SiteVisits> = {}): SiteVisits =>
  ({
    siteId: 's',
    site: 'Boathouse orchard',
    today: '2027-03-10',
    plants: 12,
    open: 30,
    rule: { weekdays: [6], dates: ['2027-04-01'], most: null, version: 2 },
    visits: [
      { on: '2027-03-13', plants: 1, tasks: 1, alarms: 0, minutes: 20 },
      { on: '2027-03-20', plants: 7, tasks: 9, alarms: 2, minutes: 95 },
    ],
    unreached: [
      { name: 'Loosen the tie', variety: 'Grey Heron', from: '2027-03-15', to: '2027-03-18', plants: 3 },
      { name: 'Water', variety: 'Late Bittern', from: '2027-03-16', to: '2027-03-16', plants: 1 },
    ],
    ...changes,
  }) as SiteVisits;
const board = (changes: Partial<SiteVisits> = {}, mayChange = true) =>
  rendered(<SiteVisitsBoard site={site(changes)} mayChange={mayChange} />);

describe('the visits of a site', () => {
  it('say what each is for, and which ties are past their last day', () => {
    const { words, html } = board();
    expect(words).toContain('12 plants, 30 tasks in the next four months');
    expect(words).toContain('13 Mar 20271 task on 1 plant, about 20 min');
    expect(words).toContain('9 tasks on 7 plants');
    expect(words.match(/past the last day/g)).toHaveLength(1);
    expect(words).toContain('2 ties past the last day');
    for (const on of ['2027-03-13', '2027-03-20']) {
      expect(html).toContain(`href="/visits/s/${on}"`);
      expect(html).toContain(`href="/api/visits/s/${on}?paper=A4"`);
    }
    expect(html).toContain('aria-label="Sheet for 13 Mar 2027 on paper"');
  });
  it('name what none of them reaches, with its days', () => {
    const { words } = board();
    expect(words).toContain('Loosen the tie: 3 plants of Grey Heron, 15 Mar 2027 to 18 Mar 2027');
    expect(words).toMatch(/Water: 1 plant of Late Bittern, 16 Mar 2027(?! to)/);
    expect(board({ unreached: [] }).words).not.toContain('No visit reaches');
  });
  it('are found once it is said when one can go', () => {
    expect(board({ rule: null, visits: [], unreached: [] }).words).toContain(
      'Say on which days you can go, and the visits are found.',
    );
    expect(board({ visits: [], unreached: [] }).words).toContain(
      'Nothing of the next four months falls on a day one can go.',
    );
  });
  it('remember the days that were chosen', () => {
    const { html, buttons } = board();
    const checked = [...html.matchAll(/<input type="checkbox"([^>]*)\/>([A-Z][a-z]{2})/g)]
      .filter(([, attributes]) => attributes!.includes('checked'))
      .map(([, , name]) => name);
    expect(checked).toEqual(['Sat']);
    expect(buttons).toEqual(expect.arrayContaining(['Find the visits', 'Add this day', 'Leave out 1 Apr 2027']));
    expect(board({ rule: { weekdays: [], dates: [], most: 4, version: 1 } as SiteVisits['rule'] }).html).toMatch(
      /inputMode="numeric"[^>]*value="4"|inputmode="numeric"[^>]*value="4"/i,
    );
  });
  it('are looked at, and not changed, by whoever may not', () => {
    const { html, buttons } = board({}, false);
    expect(html).toMatch(/<fieldset disabled=""/);
    expect(buttons).not.toContain('Find the visits');
  });
});
