import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import { lookInput } from './photos/cut-look-input';
import { permitInput } from './readiness/permit-input';
import { settingsInput } from './rubric/settings-input';

const OWN_ID = '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e5f';

describe('the settings of scoring', () => {
  const whole = { ready: { last: 3, score: 75 }, blindRate: 0.2, wall: 'names' };
  it('are taken at both ends of their ranges', () => {
    expect(refusals(settingsInput, whole)).toEqual({});
    expect(refusals(settingsInput, { ...whole, ready: { last: 10, score: 100 }, blindRate: 0 })).toEqual({});
    expect(taken(settingsInput, { ...whole, ready: { last: '1', score: '1' }, blindRate: '1' })).toEqual({
      ...whole,
      ready: { last: 1, score: 1 },
      blindRate: 1,
    });
  });
  it('are refused beside their field', () => {
    expect(refusals(settingsInput, { ready: { last: 0, score: 101 }, blindRate: 1.5, wall: 'faces' })).toEqual({
      'ready.last': 'The number of last unions must be 1 or more.',
      'ready.score': 'The score to reach must be 100 or less.',
      blindRate: 'No more than all.',
      wall: 'Choose what the wall shows.',
    });
  });
});

describe('leave for the good plants', () => {
  it('is given with a reason, to somebody', () => {
    expect(refusals(permitInput, { seatIds: [OWN_ID], may: true, reason: 'steady hands' })).toEqual({});
    expect(refusals(permitInput, { seatIds: [], may: false, reason: '  ' })).toEqual({
      seatIds: 'Choose who.',
      reason: 'Say why, in a few words; it is kept.',
    });
    expect(refusals(permitInput, { seatIds: [OWN_ID, 'seat 2'], may: true, reason: 'steady' })).toEqual({
      'seatIds[1]': 'Choose a seat again; its identity is damaged.',
    });
  });
});

describe('a union cut open', () => {
  const look = { callus: 'parts', lookedOn: '2026-03-10' };
  it('may leave its share open', () => {
    expect(taken(lookInput, { ...look, contactSeen: '' })).toEqual({ ...look, contactSeen: null, note: '' });
    expect(taken(lookInput, { ...look, contactSeen: '62,5' })).toMatchObject({ contactSeen: 62.5 });
  });
  it.each([
    ['-1', 'A share is 0 to 100 %.'],
    ['100.5', 'A share is 0 to 100 %.'],
    ['most', 'Enter the share in figures.'],
  ])('has no share of %s', (contactSeen, words) => {
    expect(refusals(lookInput, { ...look, contactSeen })).toEqual({ contactSeen: words });
  });
  it('has a callus line', () => {
    expect(refusals(lookInput, { ...look, callus: 'some' })).toEqual({ callus: 'Say how far the callus line goes.' });
  });
});
