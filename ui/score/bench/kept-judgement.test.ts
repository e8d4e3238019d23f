import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { newEntry } from './entry';
import { keptJudgement, problemOfEntry, problemOfFilledIn } from './kept-judgement';
import { openUnion } from './open-union';
import { benchState, keeper, LOADED } from './testing/bench-state';

const method = METHODS[0]!;
const state = benchState(2);
const open = openUnion(state, LOADED, { seatId: 's2', keeperId: null, methodId: null, keeperStage: 'joined' }, {});
const now = Date.UTC(2027, 2, 6, 10);
const measures = exampleMeasures(method);

describe('a judgement that is kept', () => {
  it('carries what was entered, by whom, when and for how long', () => {
    const entry = { ...newEntry(method, null, 'mm'), marks: { hold: 'poor' as const }, note: 'thin', strokes: 3 };
    const item = keptJudgement(state, { ...open, entry }, { judgementId: 'j', second: null }, measures, {
      now,
      clock: 400,
      openedAt: now - 61_000,
      filledIn: null,
    });
    expect(item).toMatchObject({ kind: 'judgement', judgementId: 'j', called: '2-1', queuedAt: now + 400 });
    expect(item.body).toEqual({
      workshopId: 'w',
      seatId: 's2',
      kind: 'practice',
      number: 1,
      unionId: null,
      method: method.id,
      variant: method.variants[0]!.id,
      stage: 'joined',
      measures,
      marks: { hold: 'poor' },
      note: 'thin',
      deviceAt: '2027-03-06T10:00:00.000Z',
      correctsId: null,
      filledInAt: null,
      seconds: 61,
      strokes: 3,
      outlook: null,
      outlookBy: null,
      second: false,
    });
  });
  it('of a keeper names the union, its stage, and who foretold what', () => {
    const held = openUnion(
      { ...state, keepers: [keeper(2, 4)] },
      LOADED,
      { seatId: 's2', keeperId: 'k4', methodId: null, keeperStage: 'keeper' },
      {},
    );
    const entry = { ...held.entry, outlook: 'hardly' as const };
    const item = keptJudgement(state, { ...held, entry }, { judgementId: 'j', second: null }, measures, {
      now,
      clock: 0,
      openedAt: now,
      filledIn: null,
    });
    expect(item.called).toBe('K7M 4XQ');
    expect(item.body).toMatchObject({
      kind: 'keeper',
      unionId: 'k4',
      stage: 'keeper',
      outlook: 'hardly',
      outlookBy: 'assessor',
    });
  });
  it('from paper has the sheet’s time and no seconds; of a second assessor it says so', () => {
    const { body } = keptJudgement(state, open, { judgementId: 'j', second: 1 }, measures, {
      now,
      clock: 0,
      openedAt: 0,
      filledIn: '2027-03-05T09:00:00Z',
    });
    expect(body).toMatchObject({ filledInAt: '2027-03-05T09:00:00.000Z', seconds: null, second: true });
  });
});

describe('what keeps it from being saved', () => {
  it('is told by the figures that are missing, as a sentence, the first in focus', () => {
    const { message, field } = problemOfEntry(open.read, method.fields);
    expect(message).toMatch(/^Enter the stock’s diameter|^Enter the stock's diameter/);
    expect(message).toMatch(/ and .* first; then it can be saved\.$/);
    expect(field).toBe('stockDiameter');
  });
  it('is told by what is wrong before what is missing', () => {
    const told = problemOfEntry({ missing: [], errors: { scionBark: 'Too thick.' } }, method.fields);
    expect(told).toEqual({ message: 'Too thick.', field: 'scionBark' });
  });
  it('is a sheet without a time, or from the future', () => {
    expect(problemOfFilledIn('', now)).toContain('Enter when');
    expect(problemOfFilledIn('2027-03-06T10:00:01Z', now)).toContain('later than now');
    expect(problemOfFilledIn('2027-03-06T09:59:59Z', now)).toBeNull();
  });
});
