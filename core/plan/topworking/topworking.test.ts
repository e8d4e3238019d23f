import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import type { Limb } from './limb';
import { methodForLimb, programmeWarnings, programmeYears, suggestProgramme } from './programme';
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
const tree = [
  limb('north', { height: 1600 }),
  limb('east', { height: 1300, bearing: 90, caliper: 45 }),
  limb('south', { height: 700, bearing: 180 }),
  limb('fork', { angle: 18, bearing: 240 }),
];

describe('suggestProgramme', () => {
  const planned = suggestProgramme(tree, 'north', 3, METHODS);
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
    expect(methodForLimb(130, 'north', METHODS)).toBeNull();
    expect(methodForLimb(3, 'north', METHODS)).toBeNull();
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
    ['no nurse limb', [limb('a', { deed: 'graft', method: methodForLimb(30, 'north', METHODS) })], /Keep one/],
    [
      'a nurse limb gone too soon',
      [
        limb('a', { deed: 'graft', year: 2, method: methodForLimb(30, 'north', METHODS) }),
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
    const view = treeView(suggestProgramme(tree, 'north', 3, METHODS));
    const labels = view.items.flatMap((item) => (item.kind === 'label' ? [item.text] : []));
    for (let i = 1; i <= tree.length; i++) expect(labels.filter((text) => text.startsWith(`${i}, y`))).toHaveLength(2);
    for (const item of view.items)
      for (const [x, y] of item.kind === 'path' ? item.points : [item.at])
        expect(x >= -1 && x <= view.width + 1 && y >= -6 && y <= view.height + 1).toBe(true);
  });
});
