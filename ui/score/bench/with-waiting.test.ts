import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import type { Waiting } from '@/ui/kit/device/device-database';
import { attemptsOf, counting, judgedKeeper, latestOf, withChanges } from './bench-data';
import { benchState, judgement, keeper, LOADED, union } from './testing/bench-state';
import { newEntry } from './entry';
import { withDraft } from './use-drafts';
import { waitingItem, type WaitingChanges } from '@/ui/testing/waiting-item';
import { withWaiting } from './with-waiting';

const method = METHODS[0]!;
const known = judgement('j1', 100);
const state = benchState(1, {
  unions: [{ ...union(1, 1, 100), id: 'u1', seatId: 's', counts: 'j1', judgements: [known] }],
  seats: [{ id: 's', number: 1, name: 'Ona', briefed: true }],
  unseen: [{ id: 'u9', seatId: 's', number: 9, method: 'whip-and-tongue' }],
  keepers: [keeper(1, 7, { seatId: 's' })],
});
const item = ({ body, ...changes }: WaitingChanges = {}): Waiting =>
  waitingItem({
    judgementId: 'j2',
    number: 2,
    called: '1-2',
    assessor: { id: 'm', name: 'Maren' },
    queuedAt: 20,
    ...changes,
    body: {
      measures: exampleMeasures(method),
      marks: { hold: 'fatal' },
      note: 'here',
      correctsId: null,
      ...body,
    },
  });

describe('keepers that wait', () => {
  const ofKeeper = (judgementId: string, stage: 'joined' | 'keeper', hold: 'good' | 'poor' = 'poor') =>
    item({
      judgementId,
      number: 7,
      called: 'K7M 4XQ',
      body: { kind: 'keeper', unionId: 'k7', method: method.id, stage, marks: { hold } },
    });
  it('are judged by their own id, and are no practice of the seat', () => {
    const { unions } = withWaiting(state, [ofKeeper('a', 'joined')], LOADED);
    expect(judgedKeeper({ unions }, 'k7')).toMatchObject({ kind: 'keeper', stage: 'joined', counts: 'a' });
    expect(attemptsOf({ unions }, 's')).toHaveLength(1);
  });
  it('count by what was judged last in their making, and by the earlier one when that is taken back', () => {
    const both = [ofKeeper('a', 'joined'), ofKeeper('b', 'keeper', 'good')];
    const { unions } = withWaiting(state, both, LOADED);
    expect(judgedKeeper({ unions }, 'k7')).toMatchObject({ stage: 'keeper', counts: 'b' });
    const withdrawn = { ...both[1]!, kind: 'withdrawal', body: {} } as Waiting;
    const again = withWaiting({ ...state, unions }, [withdrawn], LOADED);
    expect(judgedKeeper(again, 'k7')).toMatchObject({ stage: 'joined', counts: 'a' });
  });
});

describe('withWaiting', () => {
  it('adds what waits, judged by the same rule, as another attempt', () => {
    const { unions } = withWaiting(state, [item()], LOADED);
    expect(unions).toHaveLength(2);
    expect(counting(unions[1]!)).toMatchObject({ id: 'j2', score: 40, waits: true, attempt: { fatal: true } });
    expect(unions[1]!.glyph.fatal).toBe('h');
    expect(attemptsOf({ unions }, 's').map(({ score }) => score)).toEqual([100, 40]);
  });
  it('lets a correction take the place of what it corrects, the earlier score kept', () => {
    const { unions } = withWaiting(state, [item({ number: 1, body: { correctsId: 'j1', marks: {} } })], LOADED);
    expect(unions).toHaveLength(1);
    expect(counting(unions[0]!)).toMatchObject({ id: 'j2', earlier: [100], waits: true });
  });
  it('sets a second judgement of the same number beside the first, which goes on counting', () => {
    const { unions } = withWaiting(state, [item({ number: 1 })], LOADED);
    expect(unions[0]).toMatchObject({ counts: 'j1' });
    expect(unions[0]!.judgements).toHaveLength(2);
  });
  it('goes on with a correction of a correction, both waiting, and of one beside the union that counts', () => {
    const twice = withWaiting(
      state,
      [
        item({ number: 1, body: { correctsId: 'j1', marks: {} } }),
        item({ judgementId: 'j3', number: 1, body: { correctsId: 'j2', marks: { hold: 'poor' } } }),
      ],
      LOADED,
    );
    expect(counting(twice.unions[0]!)).toMatchObject({ id: 'j3', earlier: [100, 100] });
    // The other assessor's is corrected: the one that counts goes on counting, and its picture stays.
    const beside = {
      ...state,
      unions: [{ ...state.unions[0]!, judgements: [known, { ...known, id: 'j8', assessorId: 'j', assessor: 'Joss' }] }],
    };
    const { unions } = withWaiting(
      beside,
      [item({ number: 1, body: { correctsId: 'j8', marks: { hold: 'fatal' } } })],
      LOADED,
    );
    expect(unions[0]).toMatchObject({ counts: 'j1', glyph: { fatal: null } });
    expect(unions[0]!.judgements.map(({ id }) => id)).toEqual(['j1', 'j2']);
    // And where the one that counts is corrected, its correction counts, not the other's.
    const counted = withWaiting(
      beside,
      [item({ number: 1, body: { correctsId: 'j1', marks: { hold: 'fatal' } } })],
      LOADED,
    ).unions[0]!;
    expect(counted).toMatchObject({ counts: 'j2', glyph: { fatal: 'h' } });
    expect(counting(counted).id).toBe('j2');
  });
  it('lets the correction that waits count after the one it corrects was taken back', () => {
    const { unions } = withWaiting(
      state,
      [
        item({ number: 1, body: { correctsId: 'j1', marks: {} } }),
        item({ kind: 'withdrawal', judgementId: 'j2', number: 1, body: {} }),
      ],
      LOADED,
    );
    expect(unions).toEqual([]);
  });
  it('takes back what is to be taken back', () => {
    expect(withWaiting(state, [item({ kind: 'withdrawal', judgementId: 'j1', body: {} })], LOADED).unions).toEqual([]);
  });
  it('shows nothing twice that the server has already, nothing refused, and nothing of another workshop', () => {
    expect(
      withWaiting(
        state,
        [item({ judgementId: 'j1' }), item({ refusal: 'no' }), item({ workshopId: 'elsewhere' })],
        LOADED,
      ).unions,
    ).toEqual(state.unions);
  });
  it('asks for no second look any more once one waits here', () => {
    expect(withWaiting(state, [item({ number: 9, body: { second: true } })], LOADED).unseen).toEqual([]);
  });
  it('leaves out what an earlier build kept and this one cannot read', () => {
    expect(
      withWaiting(state, [item({ body: { measures: { stockDiameter: { value: -4, origin: 'measured' } } } })], LOADED)
        .unions,
    ).toHaveLength(1);
  });
});

describe('latestOf', () => {
  it('keeps what is known when an answer was overtaken on its way', () => {
    const [older, newer] = [
      { ...state, takenAt: 10 },
      { ...state, takenAt: 11 },
    ];
    expect(latestOf(newer, older)).toBe(newer);
    expect(latestOf(older, newer)).toBe(newer);
    // Asked in the same moment, the later answer stands.
    const same = { ...state, takenAt: 11 };
    expect(latestOf(newer, same)).toBe(same);
  });
});

describe('withDraft', () => {
  it('changes the draft of one seat and no other, and takes one off', () => {
    const draft = (judgementId: string) => ({
      judgementId,
      entry: newEntry(method, null, 'mm'),
      past: [],
      correcting: null,
      second: null,
    });
    const two = withDraft(withDraft({}, 's1', draft('a')), 's2', draft('b'));
    expect(Object.entries(two).map(([seat, { judgementId }]) => [seat, judgementId])).toEqual([
      ['s1', 'a'],
      ['s2', 'b'],
    ]);
    expect(withDraft(two, 's1', draft('c'))).toMatchObject({ s1: { judgementId: 'c' }, s2: { judgementId: 'b' } });
    expect(withDraft(two, 's1', null)).toEqual({ s2: two.s2 });
  });
});

describe('withChanges', () => {
  it('replaces what changed, adds what is new, drops what is gone', () => {
    const other = { ...state.unions[0]!, id: 'u2', number: 2 };
    const next = withChanges(state, {
      unions: [{ ...state.unions[0]!, seenAt: 99 }, other],
      gone: [],
      unseen: [],
      takenAt: 11,
    });
    expect(next.unions.map(({ id, seenAt }) => [id, seenAt])).toEqual([
      ['u1', 99],
      ['u2', 5],
    ]);
    expect(withChanges(next, { unions: [], gone: ['u1'], unseen: [], takenAt: 12 })).toMatchObject({
      unions: [{ id: 'u2' }],
      takenAt: 12,
      unseen: [],
    });
  });
});

describe('spoiled cuts', () => {
  const cut = (id: string) => ({ id, seatId: 's', method: method.id });
  const waits = (kind: 'spoiled' | 'spoiled-back', judgementId: string, changes: Partial<Waiting> = {}) =>
    ({
      ...item({ judgementId }),
      seatId: 's',
      workshopId: state.workshop.id,
      kind,
      body: { method: method.id },
      ...changes,
    }) as unknown as Waiting;
  const ids = (known: readonly string[], ...waiting: Waiting[]) =>
    withWaiting({ ...state, spoiled: known.map(cut) }, waiting, LOADED).spoiled!.map(({ id }) => id);
  it('count with those that wait here, each once, and without those taken back here', () => {
    expect(ids(['a'], waits('spoiled', 'b'))).toEqual(['a', 'b']);
    expect(ids(['a'], waits('spoiled', 'a'))).toEqual(['a']);
    expect(ids(['a'], waits('spoiled', 'b'), waits('spoiled-back', 'a'))).toEqual(['b']);
    expect(ids(['a'], waits('spoiled', 'b', { refusal: 'no such seat' }))).toEqual(['a']);
    expect(withWaiting(state, [waits('spoiled', 'b')], LOADED).spoiled).toHaveLength(1);
  });
  it('stay as they are where the server names none that changed', () => {
    const nothing = { unions: [], gone: [], unseen: [], takenAt: 99 };
    const counted = { ...state, spoiled: [cut('a')] };
    expect(withChanges(counted, nothing).spoiled).toEqual([cut('a')]);
    expect(withChanges(counted, { ...nothing, spoiled: [] }).spoiled).toEqual([]);
  });
});
