import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { newEntry } from './entry';
import { openUnion } from './open-union';
import { benchState, judgement, union } from './testing/bench-state';
import type { Draft } from './use-drafts';

const method = METHODS[0]!;
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
    const open = openUnion(state, method, 's1', {});
    expect(open).toMatchObject({ number: 3, called: '1-3', draft: undefined, compared: { number: 2 } });
    expect(openUnion(state, method, 's3', {})).toMatchObject({ called: '3-1', compared: null });
  });
  it('is the draft that was left there, and no other seat’s', () => {
    const drafts = { s1: draft() };
    expect(openUnion(state, method, 's1', drafts).entry.note).toBe('half done');
    expect(openUnion(state, method, 's2', drafts).entry.note).toBe('');
  });
  it('is the one that is corrected or scored a second time', () => {
    expect(openUnion(state, method, 's1', { s1: draft({ correcting: 1 }) })).toMatchObject({
      called: '1-1',
      compared: { number: 1 },
    });
    const waits = { ...state, unseen: [{ id: 'u', seatId: 's1', number: 7 }] };
    expect(openUnion(waits, method, 's1', { s1: draft({ second: 7 }) }).called).toBe('1-7');
    // What waits for its second assessor has its number already.
    expect(openUnion(waits, method, 's1', {}).called).toBe('1-8');
  });
  it('is no draft any more once it was saved under its id', () => {
    const saved = { ...union(1, 3, 80), judgements: [judgement('d', 80)] };
    const open = openUnion({ ...state, unions: [...state.unions, saved] }, method, 's1', { s1: draft() });
    expect(open).toMatchObject({ draft: undefined, called: '1-4' });
  });
  it('is the first seat’s where the one asked for has left the room', () => {
    expect(openUnion(state, method, 'gone', {}).seat.id).toBe('s1');
  });
});
