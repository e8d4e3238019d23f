import { describe, expect, it } from 'vitest';
import type { Tie } from '../ties/ties';
import { shadeTonight } from './shade-tonight';

const day = (date: string, high: number) => ({ date, low: 15, high, rain: null });
const foil = (state: Tie['state']): Tie => ({
  id: 'foil',
  since: '2027-05-01',
  latest: null,
  strained: false,
  state,
  offTask: 'foil-off',
});
const bark = {
  madeOn: '2027-05-01',
  today: '2027-05-20',
  outdoors: true,
  materials: ['cloth-tape', 'sealant'],
  ties: [],
  marks: [],
  forecast: [day('2027-05-20', 24), day('2027-05-21', 33), day('2027-05-22', 34)],
  hot: 30,
};

describe('paint or shade by tonight', () => {
  it('is asked of what is dark and uncovered and meets a hot day', () => {
    expect(shadeTonight(bark)).toEqual({ on: '2027-05-21', high: 33, occurrence: 0 });
    expect(shadeTonight({ ...bark, materials: ['insulating-tape'] })).not.toBeNull();
  });
  it('is asked of nothing else: light, indoors, painted, under foil, long made, or with cool days ahead', () => {
    expect(shadeTonight({ ...bark, materials: ['stretch-tape'] })).toBeNull();
    expect(shadeTonight({ ...bark, outdoors: false })).toBeNull();
    expect(shadeTonight({ ...bark, marks: [{ task: 'dark-seal', outcome: 'done' }] })).toBeNull();
    expect(shadeTonight({ ...bark, marks: [{ task: 'dark-seal', outcome: 'not-needed' }] })).toBeNull();
    expect(shadeTonight({ ...bark, ties: [foil('on')] })).toBeNull();
    expect(shadeTonight({ ...bark, today: '2027-08-30', forecast: [day('2027-08-30', 36)] })).toBeNull();
    expect(shadeTonight({ ...bark, forecast: [day('2027-05-20', 29.9), day('2027-05-24', 36)] })).toBeNull();
    expect(shadeTonight({ ...bark, forecast: [] })).toBeNull();
  });
  it('is asked again where it was left undone, and where the foil came off', () => {
    expect(shadeTonight({ ...bark, marks: [{ task: 'dark-seal', outcome: 'skipped' }] })?.occurrence).toBe(1);
    expect(shadeTonight({ ...bark, ties: [foil('off')] })).not.toBeNull();
    expect(shadeTonight({ ...bark, hot: 33 })?.high).toBe(33);
  });
});
