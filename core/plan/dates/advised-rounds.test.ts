import { describe, expect, it } from 'vitest';
import { METHODS, methodById } from '../../methods/registry';
import { north } from '../climate/testing/climates';
import type { PlannedMethod } from './planned-method';
import { advisedRounds } from './advised-rounds';
import { siteCalendar, type SiteYear } from './taught-on';
import { datedPlan } from './dated-plan';

const lake: SiteYear = { hemisphere: 'north', climate: north, edits: {}, observations: [] };
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
const rounds = (date: string, methods: PlannedMethod[], site = lake) => {
  const calendar = siteCalendar(site, METHODS);
  return advisedRounds(
    methods.map((method) => calendar.on(method, date)),
    date,
  );
};

describe('the rounds of a day', () => {
  it('are asked together where methods ask the same at the same time, and apart where they do not', () => {
    const both = rounds('2027-03-20', [plan('whip-and-tongue'), plan('splice'), plan('cleft', { place: 'field' })]);
    expect(both.map(({ milestone, asks }) => [milestone, asks.map(({ method }) => method.id)])).toEqual([
      ['healed', ['whip-and-tongue', 'splice']],
      ['healed', ['cleft']],
      // A graft from the bench is kept cool, and grows later than one outdoors.
      ['growing', ['cleft']],
      ['growing', ['whip-and-tongue', 'splice']],
      ['season', ['whip-and-tongue', 'splice', 'cleft']],
      ['wintered', ['whip-and-tongue', 'splice', 'cleft']],
    ]);
    const [bench, field] = both;
    expect(field!.due.from > bench!.due.from).toBe(true);
  });
  it('follow the day: the same chip in April and in August', () => {
    expect(rounds('2027-04-21', [plan('chip', { place: 'field' })]).map(({ milestone }) => milestone)).toEqual([
      'healed',
      'growing',
      'season',
      'wintered',
    ]);
    const august = rounds('2027-08-25', [plan('chip', { place: 'field' })]);
    expect(august.map(({ milestone }) => milestone)).toEqual(['healed', 'growing']);
    expect(august[1]!.due.from.slice(0, 4)).toBe('2028');
  });
  it('hang on the leaf fall of the site: earlier in the hills', () => {
    const cold = {
      ...north,
      normals: { low: north.normals.low.map((t) => t - 4), high: north.normals.high.map((t) => t - 4) },
    };
    const at = (site: SiteYear) =>
      rounds('2027-03-20', [plan('whip-and-tongue')], site).find(({ milestone }) => milestone === 'season')!.due.from;
    expect(at({ ...lake, climate: cold }) < at(lake)).toBe(true);
  });
  it('are on the list of dates under ids that a calendar knows again, each once', () => {
    const { dates } = datedPlan(
      {
        title: 'Islet day',
        date: '2027-03-20',
        today: '2026-11-25',
        year: lake,
        methods: [plan('whip-and-tongue'), plan('cleft', { place: 'field' })],
        schools: {},
        rounds: [],
        lots: [],
        others: [],
        tools: [],
        temperatureUnit: 'C',
        lengthUnit: 'mm',
      },
      METHODS,
    );
    const ids = dates.filter(({ kind }) => kind === 'round').map(({ id }) => id);
    expect([...ids].sort()).toEqual(
      [
        'round-growing',
        'round-growing-whip-and-tongue-bench',
        'round-healed',
        'round-healed-cleft-usual',
        'round-season',
        'round-wintered',
      ].sort(),
    );
    const how = dates.find(({ id }) => id === 'round-healed')!.how;
    expect(how).toBe('Of a whip-and-tongue: a ring of callus along the cut, it holds to a gentle push.');
    // Asked of both, it is said once.
    expect(dates.find(({ id }) => id === 'round-season')!.how).toBe('Ask for: alive at leaf fall.');
  });
});
