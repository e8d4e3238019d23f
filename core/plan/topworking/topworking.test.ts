import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import type { Limb } from './limb';
import { type GraftDay, methodForLimb, programmeWarnings, programmeYears, suggestProgramme } from './programme';
import { treeView } from './tree-view';

const limb = (name: string, changes: Partial<Limb> = {}): Limb => ({
  id: name,
  name,
  height: 1000,
  bearing: 0,
  angle: 50,
  caliper: 30,
  deed: 'leave',
  year: 1,
  method: null,
  ...changes,
});
/** A day by the usual calendar, at a site without a year of its own. */
const MAY: GraftDay = { date: '2027-05-10', climate: 'north', atSite: null };
const tree = [
  limb('north', { height: 1600 }),
  limb('east', { height: 1300, bearing: 90, caliper: 45 }),
  limb('south', { height: 700, bearing: 180 }),
  limb('fork', { angle: 18, bearing: 240 }),
];

describe('suggestProgramme', () => {
  const planned = suggestProgramme(tree, MAY, 3, METHODS);
  it('takes narrow forks out, keeps the lowest limb as nurse to the last year, and grafts the rest by caliper', () => {
    expect(Object.fromEntries(planned.map(({ name, deed, year }) => [name, `${deed} ${year}`]))).toEqual({
      north: 'graft 1',
      east: 'graft 2',
      south: 'nurse 3',
      fork: 'remove 1',
    });
    for (const { deed, method, caliper } of planned) {
      if (deed !== 'graft') continue;
      const { stock } = METHODS.find(({ id }) => id === method)!.use;
      expect(caliper >= stock.from && caliper <= stock.to).toBe(true);
    }
    expect(programmeWarnings(planned, 'mm', METHODS)).toEqual([]);
  });
  it('leaves nothing of the old kind at the end', () => {
    const years = programmeYears(planned);
    expect(years.map(({ left }) => left.length)).toEqual([2, 1, 0]);
    expect(years[0]!.nurse.map(({ name }) => name)).toEqual(['south']);
  });
  it('has no method for a limb too thick or too thin', () => {
    expect(methodForLimb(130, MAY, METHODS)).toBeNull();
    expect(methodForLimb(3, MAY, METHODS)).toBeNull();
  });
});

describe('the day of the grafting', () => {
  const on = (date: string, climate: GraftDay['climate'] = 'north') =>
    methodForLimb(30, { date, climate, atSite: null }, METHODS);
  it('decides the method: cleft while stocks wake, under the bark once it slips, none in summer', () => {
    expect(on('2027-03-25')).toBe('cleft');
    expect(['bark', 'inlay', 'four-flap']).toContain(on('2027-05-20'));
    expect(on('2027-07-20')).toBeNull();
  });
  it('is six months on in the south', () => {
    expect(on('2027-09-25', 'south')).toBe('cleft');
    expect(on('2027-03-25', 'south')).toBeNull();
  });
  it('goes by the year of a site that has one, and says what is out of season or at risk', () => {
    const seasons = Object.fromEntries(
      METHODS.map(({ id }) => [id, { open: [], shut: 'Wait until about 2 May 2027.' }]),
    );
    const cleft = METHODS.find(({ id }) => id === 'cleft')!.use.seasons[0]!;
    const day: GraftDay = { date: '2027-04-20', climate: 'north', atSite: seasons };
    expect(methodForLimb(30, day, METHODS)).toBeNull();
    const late: GraftDay = {
      ...day,
      atSite: {
        ...seasons,
        cleft: { open: [{ season: cleft, hangsOn: 'In an early year the stocks are in leaf.' }], shut: '' },
      },
    };
    expect(methodForLimb(30, late, METHODS)).toBe('cleft');
    const grafted = [limb('a', { deed: 'graft', method: 'cleft' }), limb('n', { deed: 'nurse' })];
    expect(programmeWarnings(grafted, 'mm', METHODS, day)).toEqual([
      'Cleft is out of season on 20 Apr 2027 (a). Wait until about 2 May 2027.',
    ]);
    expect(programmeWarnings(grafted, 'mm', METHODS, late)).toEqual([
      'Cleft on 20 Apr 2027 is possible, with a risk (a). In an early year the stocks are in leaf.',
    ]);
    // What was grafted already is not asked about again.
    expect(programmeWarnings([{ ...grafted[0]!, graftedOn: '2027-04-18' }, grafted[1]!], 'mm', METHODS, day)).toEqual(
      [],
    );
  });
});

describe('programmeWarnings', () => {
  it.each([
    [
      'a narrow fork grafted',
      [
        limb('fork', { angle: 20, deed: 'graft', method: METHODS[0]!.id, caliper: 12 }),
        limb('n', { deed: 'nurse', year: 1 }),
      ],
      /take it out/,
    ],
    ['no nurse limb', [limb('a', { deed: 'graft', method: methodForLimb(30, MAY, METHODS) })], /Keep one/],
    [
      'a nurse limb gone too soon',
      [
        limb('a', { deed: 'graft', year: 2, method: methodForLimb(30, MAY, METHODS) }),
        limb('n', { deed: 'nurse', year: 1 }),
      ],
      /a year longer/,
    ],
    [
      'a method the caliper does not suit',
      [limb('a', { caliper: 70, deed: 'graft', method: METHODS[0]!.id }), limb('n', { deed: 'nurse', year: 1 })],
      /Cut it further out/,
    ],
    ['limbs not decided', [limb('a')], /not decided/],
    ['more than three years', [limb('n', { deed: 'nurse', year: 4 })], /two or three/],
  ])('tells of %s', (_name, limbs, message) => {
    expect(programmeWarnings(limbs, 'mm', METHODS).join(' ')).toMatch(message);
  });
});

describe('treeView', () => {
  it('draws each limb twice, numbered, within its paper', () => {
    const view = treeView(suggestProgramme(tree, MAY, 3, METHODS));
    const labels = view.items.flatMap((item) => (item.kind === 'label' ? [item.text] : []));
    for (let i = 1; i <= tree.length; i++) expect(labels.filter((text) => text.startsWith(`${i}, y`))).toHaveLength(2);
    for (const item of view.items)
      for (const [x, y] of item.kind === 'path' ? item.points : [item.at])
        expect(x >= -1 && x <= view.width + 1 && y >= -6 && y <= view.height + 1).toBe(true);
  });
});
