import { written } from '../../units/prose';
import { shownTechnique } from '../../methods/shown-technique';
import { describe, expect, it } from 'vitest';
import type { Climate } from '../climate/normals';
import { north as climate } from '../climate/testing/climates';
import { METHODS, methodById } from '../../methods/registry';
import { assumptionsWith } from '../phenology/assumptions';
import { addDays, daysBetween } from '../../units/iso-date';
import { datedPlan, type PlanFacts } from './dated-plan';
import type { PlannedMethod } from './planned-method';
import { seasonStretches } from './season-finder';
import { siteCalendar, type SiteYear } from './taught-on';
import { woodNeed, woodWindow } from './wood-dates';

const shore: Climate = {
  ...climate,
  lastFrost: '09-22',
  firstFrost: '05-12',
  normals: {
    low: [13, 13, 11.5, 9, 6, 3.5, 2.5, 3, 5, 7, 9, 11.5],
    high: [23.5, 23.5, 21.5, 18, 14.5, 11.5, 10.5, 11.5, 14, 16.5, 19, 21.5],
  },
};
const bay: Climate = {
  lastFrost: null,
  firstFrost: null,
  frostMargin: 0,
  normals: { low: Array(12).fill(20), high: Array(12).fill(28) },
};
const site = (changes: Partial<SiteYear> = {}): SiteYear => ({
  hemisphere: 'north',
  climate,
  edits: {},
  observations: [],
  ...changes,
});
const plan = (method: string, changes: Partial<PlannedMethod> = {}): PlannedMethod => ({
  method,
  place: methodById(method).use.places[0]!,
  scionSpecies: 'pear',
  stockSpecies: 'pear',
  practiceEach: 4,
  keepersEach: 2,
  practiceOn: 'prunings',
  ...changes,
});
const facts = (changes: Partial<PlanFacts> = {}): PlanFacts => ({
  title: 'Islet day',
  date: '2027-03-20',
  today: '2026-11-25',
  year: site(),
  methods: [plan('whip-and-tongue')],
  schools: {},
  rounds: [],
  lots: [],
  others: [],
  tools: [],
  temperatureUnit: 'C',
  lengthUnit: 'mm',
  ...changes,
});
const open = (year: SiteYear, planned: PlannedMethod, from = '2027-01-01', to = '2027-12-31') => {
  const calendar = siteCalendar(year, METHODS);
  return seasonStretches(from, to, (date) => calendar.yearOf(planned, date)!);
};

describe('the season finder', () => {
  it('covers every day once, with a reason wherever it is shut', () => {
    for (const { id } of METHODS) {
      const stretches = open(site(), plan(id));
      expect(stretches[0]!.from).toBe('2027-01-01');
      expect(stretches.at(-1)!.to).toBe('2027-12-31');
      stretches.slice(1).forEach((stretch, i) => expect(stretch.from).toBe(addDays(stretches[i]!.to, 1)));
      for (const { why } of stretches) expect(written(why, 'mm').length, id).toBeGreaterThan(5);
    }
  });
  it('has every method open some time of the year at a cool lake, and an edge between open and shut', () => {
    for (const { id } of METHODS) {
      const stretches = open(site(), plan(id));
      expect(
        stretches.some(({ chance }) => chance === 'open'),
        id,
      ).toBe(true);
      stretches
        .slice(1)
        .forEach((stretch, i) =>
          expect([stretch.chance, stretches[i]!.chance].sort().join(' '), id).not.toBe('open shut'),
        );
    }
  });
  it('puts winter work into spring, bark work after it, budding before the frost', () => {
    const first = (id: string): string => open(site(), plan(id)).find(({ chance }) => chance === 'open')!.from;
    expect(first('whip-and-tongue') < first('inlay')).toBe(true);
    expect(first('inlay') < first('t-bud')).toBe(true);
    const last = open(site(), plan('t-bud'))
      .filter(({ chance }) => chance === 'open')
      .at(-1)!.to;
    // Late enough for a cool autumn, and early enough to knit.
    expect(daysBetween(last, '2027-10-28')).toBeGreaterThanOrEqual(28);
  });
  it('forces buds from ripe budwood in June until too little season is left for the shoot to ripen', () => {
    for (const method of ['t-bud', 'chip']) {
      const forced = open(site(), plan(method, { place: 'field' })).filter(
        ({ season }) => season?.variant === 'early-summer',
      );
      expect(forced.length, method).toBeGreaterThan(0);
      // 110 days before the usual first frost of 28 October, and 20 for what nobody has measured.
      expect(forced.at(-1)!.to <= addDays('2027-10-28', -110 + 20), method).toBe(true);
      expect(
        forced.some(({ from, to }) => from <= '2027-06-15' && to >= '2027-06-15'),
        method,
      ).toBe(true);
    }
    const short = site({ climate: { ...climate, firstFrost: '09-10' } });
    const calendar = siteCalendar(short, METHODS);
    const { verdict, variant } = calendar.on(plan('t-bud'), '2027-06-15');
    expect(verdict.season?.variant).not.toBe('early-summer');
    expect(variant.id).toBeDefined();
    expect(open(short, plan('t-bud')).every(({ season }) => season?.variant !== 'early-summer')).toBe(true);
  });
  it('turns round in the south', () => {
    const south = site({ hemisphere: 'south', climate: shore });
    const whip = open(south, plan('whip-and-tongue')).filter(({ chance }) => chance === 'open');
    expect(whip.every(({ from, to }) => from >= '2027-06-01' && to <= '2027-10-15')).toBe(true);
    const bud = open(south, plan('t-bud')).filter(({ chance }) => chance === 'open');
    expect(bud.some(({ from }) => from < '2027-04-01')).toBe(true);
  });
  it('takes dormant wood by post where it never freezes, and budding at every flush', () => {
    const posted = open(site({ climate: bay }), plan('cleft'));
    expect(posted).toHaveLength(1);
    expect(posted[0]).toMatchObject({ chance: 'open', why: expect.stringContaining('come by post') });
    expect(open(site({ climate: bay }), plan('t-bud')).every(({ chance }) => chance === 'open')).toBe(true);
  });
  it('waits where it never freezes until the shoots of a flush that was noted are firm', () => {
    const noted = site({ climate: bay, observations: [{ species: 'pear', sign: 'flush', on: '2027-06-01' }] });
    const verdict = (date: string) => siteCalendar(noted, METHODS).on(plan('t-bud'), date).verdict;
    expect(verdict('2027-05-30').chance).toBe('open');
    expect(verdict('2027-06-20')).toMatchObject({ chance: 'edge', hangsOn: 'flush-hard' });
    expect(String(verdict('2027-06-20').why)).toContain('6 Jul 2027');
    expect(verdict('2027-07-06').chance).toBe('open');
  });
  it('follows what was seen', () => {
    const calendar = siteCalendar(
      site({ observations: [{ species: 'pear', sign: 'bark-slips', on: '2027-04-20' }] }),
      METHODS,
    );
    expect(calendar.on(plan('inlay'), '2027-04-25').verdict.chance).toBe('open');
    expect(siteCalendar(site(), METHODS).on(plan('inlay'), '2027-04-21').verdict.chance).toBe('shut');
  });
  it('falls back on the usual calendar without normals, and says so', () => {
    const { verdict } = siteCalendar(site({ climate: null }), METHODS).on(plan('whip-and-tongue'), '2027-03-20');
    expect(verdict).toMatchObject({
      chance: 'edge',
      why: 'By the usual calendar only: this site has no normals yet.',
    });
    expect(
      siteCalendar(site({ climate: null }), METHODS).on(plan('whip-and-tongue'), '2027-07-20').verdict.why,
    ).toContain('early February');
  });
});

describe('dates of a workshop', () => {
  const at = (planFacts: PlanFacts, id: string) =>
    datedPlan(planFacts, METHODS).dates.find((plannedDate) => plannedDate.id === id)!;
  it('hang on the day as the trade counts them', () => {
    expect(woodWindow('2027-03-20', 'bench', assumptionsWith({}))).toMatchObject({
      from: addDays('2027-03-20', -70),
      to: addDays('2027-03-20', -28),
    });
    expect(at(facts(), 'wood-cut-bench')).toMatchObject({ from: '2027-01-09', to: '2027-02-20' });
    expect(at(facts(), 'stocks-warm')).toMatchObject({ from: '2027-03-07', to: '2027-03-13' });
    expect(at(facts(), 'callus')).toMatchObject({ from: '2027-03-20', to: '2027-04-03' });
    // Across the change of clocks on 28 March it is still fourteen days.
    expect(daysBetween(at(facts(), 'callus').from, at(facts(), 'callus').to)).toBe(14);
    // Out after the last frost of a late year: 24 April and twelve days.
    expect(at(facts(), 'cool')).toMatchObject({ from: '2027-04-04', to: '2027-05-05' });
    expect(at(facts(), 'plant-out').from).toBe('2027-05-06');
    expect(at(facts(), 'round-healed')).toMatchObject({ from: '2027-04-03', to: '2027-04-10' });
  });
  it('say of knitting and planting what the school of the day says', () => {
    const other = facts({ schools: { 'knit-seen': 'unwrap-one', planting: 'deep' } });
    expect([facts(), other].map((plan) => at(plan, 'callus').how)).toEqual([
      expect.stringContaining('known by looking through the thin wrap.'),
      expect.stringContaining('known by unwrapping one of the batch.'),
    ]);
    expect([facts(), other].map((plan) => at(plan, 'plant-out').how)).toEqual([
      'After the last frost of a late year, the union well above the soil.',
      'After the last frost of a late year, nearly up to the union.',
    ]);
  });
  it('say of roots what the school of the day says', () => {
    for (const [answer, words] of [
      ['half', 'Trim the roots by half'],
      ['hard', 'Trim the roots hard'],
      ['leave', 'Pot with the roots left long'],
    ] as const)
      expect(at(facts({ schools: { 'root-trim': answer } }), 'stocks-warm').how).toContain(words);
  });
  it('in the south are those of its own winter', () => {
    const planFacts = facts({
      year: site({ hemisphere: 'south', climate: shore }),
      date: '2027-08-14',
      today: '2027-05-01',
    });
    const cut = at(planFacts, 'wood-cut-bench');
    expect(cut.from >= '2027-06-05' && cut.to <= '2027-07-17').toBe(true);
    expect(at(planFacts, 'plant-out').from).toBe('2027-10-04');
    // Both sides of the change of clocks in the south, 26 September 2027.
    expect(daysBetween(at(planFacts, 'cool').from, at(planFacts, 'cool').to)).toBe(
      daysBetween('2027-08-29', '2027-10-03'),
    );
  });
  it('keep wood within its sleep, though the window would be longer', () => {
    const planFacts = facts({ methods: [plan('inlay')], date: '2027-06-05' });
    const swell = siteCalendar(site(), METHODS).phenology('pear', '2027-06-05').swell!;
    expect(at(planFacts, 'wood-cut-leaf').to < swell.early).toBe(true);
    expect(at(planFacts, 'wood-cut-leaf').from).toBe('2027-02-13');
  });
  it('bleed, water and test only where it is wanted', () => {
    expect(at(facts(), 'water')).toBeUndefined();
    expect(at(facts(), 'bleed-cut')).toBeUndefined();
    const walnut = facts({
      methods: [plan('bark', { scionSpecies: 'walnut', stockSpecies: 'walnut', place: 'field' })],
      date: '2027-06-10',
    });
    expect(at(walnut, 'bleed-cut')).toMatchObject({ from: '2027-05-31', to: '2027-06-03' });
    expect(at(walnut, 'water')).toMatchObject({ from: '2027-06-03', to: '2027-06-09' });
    expect(at(walnut, 'slip-test').from).toBe('2027-06-09');
  });
  it('cut budwood on the day itself, or the day before for a spring patch', () => {
    expect(at(facts({ methods: [plan('t-bud')], date: '2027-08-05' }), 'budwood-cut')).toMatchObject({
      from: '2027-08-05',
    });
    expect(at(facts({ methods: [plan('t-bud')], date: '2027-08-05', lengthUnit: 'in' }), 'budwood-cut').how).toContain(
      '1/2 in of leaf stalk',
    );
    expect(at(facts({ methods: [plan('patch')], date: '2027-06-05' }), 'budwood-cut')).toMatchObject({
      from: '2027-06-04',
    });
  });
  it('have ids of their own, which stay when the day moves', () => {
    const ids = (date: string): string[] =>
      datedPlan(facts(), METHODS, date)
        .dates.map(({ id }) => id)
        .sort();
    expect(new Set(ids('2027-03-20')).size).toBe(ids('2027-03-20').length);
    expect(ids('2027-03-27')).toEqual(ids('2027-03-20'));
  });
  it('keep rounds that were set only with the day they were set for, and advise those that were not', () => {
    const set = { milestone: 'healed' as const, opensOn: '2027-04-08', closesOn: '2027-04-20' };
    const rounds = (planFacts: PlanFacts, date?: string) =>
      datedPlan(planFacts, METHODS, date).dates.filter(({ kind }) => kind === 'round');
    const planFacts = facts({ rounds: [{ ...set, asks: '' }] });
    expect(rounds(planFacts)[0]).toMatchObject({ id: 'round-healed', from: '2027-04-08' });
    expect(rounds(planFacts).filter(({ id }) => id.startsWith('round-healed'))).toHaveLength(1);
    expect(rounds(planFacts).map(({ id }) => id)).toContain('round-growing');
    expect(rounds(planFacts, '2027-03-27')[0]!.from).not.toBe('2027-04-08');
  });
  it('name a second round of a milestone by whom it asks, so that a calendar has both', () => {
    const [first, second] = facts().methods;
    const set = { milestone: 'healed' as const, opensOn: '2027-04-08', closesOn: '2027-04-20' };
    const planFacts = facts({
      rounds: [
        { ...set, asks: `${first!.method}/bench` },
        { ...set, asks: `${(second ?? first)!.method}/outdoors` },
      ],
    });
    const healed = datedPlan(planFacts, METHODS).dates.filter(({ id }) => id.startsWith('round-healed'));
    expect(new Set(healed.map(({ id }) => id)).size).toBe(2);
    expect(healed[0]!.how).toMatch(/^The round that was set for /);
  });
});

describe('conflicts', () => {
  const ids = (planFacts: PlanFacts, date?: string): string[] =>
    datedPlan(planFacts, METHODS, date).conflicts.map(({ id }) => id);
  it('are none for a day in its season, and each has a way out', () => {
    expect(ids(facts())).toEqual([]);
    const all = [
      ...datedPlan(facts(), METHODS, '2027-08-01').conflicts,
      ...datedPlan(facts(), METHODS, '2026-10-01').conflicts,
    ];
    expect(all.length).toBeGreaterThan(1);
    for (const { says, remedy } of all) expect(says.length > 10 && remedy.length > 10).toBe(true);
  });
  it('name wood that would be cut awake, or before it sleeps', () => {
    expect(ids(facts({ methods: [plan('bark', { place: 'field' })] }), '2027-09-01')).toContain('wood-late-pear');
    expect(ids(facts(), '2026-12-05')).toContain('wood-early-pear');
  });
  it('name a lot cut after dormancy ended, or after the day', () => {
    const lot = (cutOn: string) =>
      facts({ date: '2027-06-05', methods: [plan('inlay')], lots: [{ name: 'Grey Heron', species: 'pear', cutOn }] });
    expect(ids(lot('2027-05-20'))).toContain('lot-late-Grey Heron');
    expect(ids(lot('2027-02-20'))).toEqual([]);
    expect(ids(lot('2027-07-01'))).toContain('lot-after-Grey Heron');
    expect(ids(lot('2026-09-01'))).toContain('lot-early-Grey Heron');
  });
  it('name budwood older than five days', () => {
    const lot = (cutOn: string) =>
      facts({ date: '2027-08-30', methods: [plan('t-bud')], lots: [{ name: 'Night Ferry', species: 'pear', cutOn }] });
    expect(ids(lot('2027-08-24'))).toContain('budwood-old-Night Ferry');
    expect(ids(lot('2027-08-25'))).toEqual([]);
  });
  it('name tools wanted in two places on one day', () => {
    const other = {
      title: 'Far shore',
      date: '2027-03-20',
      site: 'Farshore barn',
      elsewhere: true,
      tools: shownTechnique(methodById('splice')).tools,
    };
    const { tools } = other;
    expect(ids(facts({ tools, others: [other] }))).toEqual(['tools-Far shore']);
    expect(ids(facts({ tools, others: [{ ...other, elsewhere: false }] }))).toEqual([]);
    expect(ids(facts({ tools, others: [{ ...other, date: '2027-03-21' }] }))).toEqual([]);
  });
  it('say that a day is past, and what was due and is not entered', () => {
    expect(ids(facts({ today: '2027-04-01' }))).toContain('past');
    expect(ids(facts({ today: '2027-03-01' }))).toContain('late-wood-cut-bench');
    expect(
      ids(facts({ today: '2027-03-01', lots: [{ name: 'Grey Heron', species: 'pear', cutOn: '2027-01-20' }] })),
    ).not.toContain('late-wood-cut-bench');
  });
  it('knows what kind of wood each method wants', () => {
    const need = (id: string, date: string): string => woodNeed(siteCalendar(site(), METHODS).on(plan(id), date));
    expect(need('whip-and-tongue', '2027-03-20')).toBe('bench');
    expect(need('inlay', '2027-06-05')).toBe('leaf');
    expect(need('t-bud', '2027-08-05')).toBe('budwood');
    expect(need('patch', '2027-06-05')).toBe('spring-bud');
    expect(need('side-veneer', '2027-07-15')).toBe('tip');
  });
});
