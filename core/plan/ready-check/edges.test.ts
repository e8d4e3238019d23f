import { ValidationError } from 'yup';
import { describe, expect, it } from 'vitest';
import type { GroundFor } from '../../drawing/knife-edge';
import { type EdgeTest, edgesTold } from './edges';
import { edgesInput } from './edges-input';

const knife = (name: string, hand: GroundFor = 'right', passed = true): EdgeTest => ({
  id: name,
  knife: name,
  hand,
  passed,
  testedOn: '2027-03-05',
  testedBy: 'Ilse Marrow',
  sharpenedBy: 'Tam Oller',
});
const hands = (people: number, leftHanded = 0, handed = true) => ({ people, leftHanded, handed });

describe('knives as they are entered', () => {
  it('that are none are refused in words', () => {
    for (const knives of [[' '], [null], [5, 'x'], [{}], [[]], [{ knife: 5 }, { knife: null }]])
      expect(() => edgesInput.validateSync({ knives }, { context: { now: new Date() } })).toThrow(ValidationError);
  });
});

describe('edges', () => {
  it('ask for test cuts while there are none', () => {
    expect(edgesTold([], hands(4))).toMatchObject({ light: 'care', says: 'No knife has made its test cut.' });
  });
  it('count the knives that failed and name them', () => {
    const told = edgesTold([knife('1'), knife('2', 'right', false), knife('3', 'left', false)], hands(3, 1));
    expect(told).toMatchObject({ light: 'care', says: '2 of 3 knives failed the test cut: 2, 3.' });
  });
  it('want left-handed knives for left hands, unless the blades are ground on both sides', () => {
    const two = [knife('1'), knife('2')];
    expect(edgesTold(two, hands(2, 1)).says).toBe('0 of 1 knife for left hands passed the test cut.');
    expect(edgesTold([knife('1'), knife('2', 'either')], hands(2, 1)).light).toBe('go');
    expect(edgesTold(two, hands(2, 1, false)).light).toBe('go');
  });
  it('say when there are fewer than people', () => {
    expect(edgesTold([knife('1')], hands(2)).says).toContain('2 people come');
    expect(edgesTold([knife('1'), knife('2')], hands(2)).light).toBe('go');
  });
});
