import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { newEntry } from './entry';
import { type Opened, openUnion as openedUnion } from './open-union';
import { benchState, judgement, keeper, LOADED, union } from './testing/bench-state';
import type { Draft } from './use-drafts';

const method = METHODS[0]!;
type Parts = Parameters<typeof openedUnion>;
const openUnion = (state: Parts[0], seatId: string, drafts: Parts[3], changes: Partial<Opened> = {}) =>
  openedUnion(state, LOADED, { seatId, keeperId: null, methodId: null, keeperStage: 'joined', ...changes }, drafts);
const draft = (changes: Partial<Draft> = {}): Draft => ({
  judgementId: 'd',
  entry: { ...newEntry(method, null, 'mm'), note: 'half done' },
  past: [],
  correcting: null,
  second: null,
  ...changes,
});
const state = benchState(3, { unions: [union(1, 1, 90), union(1, 2, 70), union(2, 1, 60)] });

describe('the union that is open at a seat', () => {
  it('is the next one, with what is kept from the last', () => {
    const open = openUnion(state, 's1', {});
    expect(open).toMatchObject({ number: 3, called: '1-3', draft: undefined, compared: { number: 2 } });
    expect(openUnion(state, 's3', {})).toMatchObject({ called: '3-1', compared: null });
  });
  it('is the draft that was left there, and no other seat’s', () => {
    const drafts = { s1: draft() };
    expect(openUnion(state, 's1', drafts).entry.note).toBe('half done');
    expect(openUnion(state, 's2', drafts).entry.note).toBe('');
  });
  it('is the one that is corrected or scored a second time', () => {
    expect(openUnion(state, 's1', { s1: draft({ correcting: 1 }) })).toMatchObject({
      called: '1-1',
      compared: { number: 1 },
    });
    const waits = { ...state, unseen: [{ id: 'u', seatId: 's1', number: 7, method: 'whip-and-tongue' }] };
    expect(openUnion(waits, 's1', { s1: draft({ second: 7 }) }).called).toBe('1-7');
    // What waits for its second assessor has its number already.
    expect(openUnion(waits, 's1', {}).called).toBe('1-8');
  });
  it('is no draft any more once it was saved under its id', () => {
    const saved = { ...union(1, 3, 80), judgements: [judgement('d', 80)] };
    const open = openUnion({ ...state, unions: [...state.unions, saved] }, 's1', { s1: draft() });
    expect(open).toMatchObject({ draft: undefined, called: '1-4' });
  });
  it('is the first seat’s where the one asked for has left the room', () => {
    expect(openUnion(state, 'gone', {}).seat.id).toBe('s1');
  });
});

describe('a keeper that is open', () => {
  const held = { ...state, keepers: [keeper(2, 4)] };
  const judged = (stage: 'joined' | 'keeper') => ({
    ...held,
    unions: [
      ...held.unions,
      {
        ...union(2, 4, 84, { stage, marks: { hold: 'poor' }, strokes: 2 }),
        id: 'k4',
        kind: 'keeper' as const,
        stage,
      },
    ],
  });
  it('is called by its tag, belongs to who holds it, and begins at the stage of the last', () => {
    const open = openUnion(held, 's1', {}, { keeperId: 'k4', keeperStage: 'keeper' });
    expect(open).toMatchObject({
      called: 'K7M 4XQ',
      seat: { id: 's2' },
      stage: 'keeper',
      draftKey: 'k4',
      judgedAt: null,
    });
    expect(open.read.measures).toBeNull();
  });
  it('starts a later stage from the figures and marks of the earlier one, as a further judgement', () => {
    const open = openUnion(judged('joined'), 's2', {}, { keeperId: 'k4' });
    expect(open).toMatchObject({
      stage: 'keeper',
      judgedAt: 'joined',
      entry: { marks: { hold: 'poor' }, correctsId: null },
    });
    expect(open.read.measures).toEqual(judgement('j', 84).measures);
    // What is only looked at in a finished keeper is judged now.
    const points = open.read.shown.grades.map(({ point }) => point.id);
    expect(points).toEqual(expect.arrayContaining(['bind', 'label']));
  });
  it('is corrected once it was judged finished', () => {
    expect(openUnion(judged('keeper'), 's2', {}, { keeperId: 'k4' }).entry.correctsId).toBe('ju2-4');
  });
  it('is no practice: the seat goes on counting without it', () => {
    expect(openUnion(judged('joined'), 's2', {})).toMatchObject({ called: '2-2', own: [{ number: 1 }] });
  });
});
