import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METHODS, methodById } from '../../methods/registry';
import { variantWith } from '../../methods/variant';
import { usualTurns } from '../../plan/phenology/turns-of-year';
import { addDays, daysBetween } from '../../units/iso-date';
import { cropRound } from '../crop-round';
import { roundDays } from './round-days';
import { type AskedFacts, PATIENCE, unionAsks } from './union-asks';

const turnsOf = usualTurns('north');
const whip = variantWith(methodById('whip-and-tongue'), 'outdoors');
const days = roundDays(whip, '2027-03-20', { turnsOf });
const round = { id: 'r1', milestone: 'healed' as const, opensOn: '2027-04-10', closesOn: '2027-05-01' };
const asked = (changes: Partial<AskedFacts>) =>
  unionAsks({ days, rounds: [round], answers: [], ended: false, today: '2027-04-12', ...changes });
const due = (changes: Partial<AskedFacts>) => asked(changes).filter(({ state }) => state === 'due');

describe('days of rounds', () => {
  it('follow the variant: a bud of August sleeps until spring, and is then asked for two milestones at once', () => {
    const bud = variantWith(methodById('chip'), 'late-summer');
    const all = roundDays(bud, '2027-08-10', { turnsOf });
    expect(all.map(({ key }) => key)).toEqual([
      'healed',
      'growing',
      'year-2029',
      'year-2030',
      'year-2031',
      'year-2032',
    ]);
    expect(all[0]!.due).toEqual({ from: '2027-08-20', to: '2027-08-24' });
    expect(all[1]!.answers).toBe('wintered');
    expect(all[1]!.due.from.slice(0, 4)).toBe('2028');
  });
  it('of healing stretch in the cold and shorten in the warm, between the bounds of the model', () => {
    const cold = { rates: Array<number>(60).fill(0.1), references: Array<number>(60).fill(0.4) };
    const warm = { rates: Array<number>(60).fill(0.8), references: Array<number>(60).fill(0.4) };
    const from = (warmth?: typeof cold) =>
      daysBetween('2027-03-20', roundDays(whip, '2027-03-20', { turnsOf, ...(warmth ? { warmth } : {}) })[0]!.due.from);
    expect([from(), from(cold), from(warm)]).toEqual([21, 42, 13]);
  });
  it('come at most once a year after the first spring, for every variant there is', () => {
    for (const { variants } of METHODS)
      for (const variant of variants) {
        const all = roundDays(variant, '2027-06-10', { turnsOf });
        const yearly = all.filter(({ kind }) => kind === 'year').map(({ due: window }) => window.from);
        expect(yearly.length).toBeGreaterThan(3);
        yearly.slice(1).forEach((day, i) => expect(daysBetween(yearly[i]!, day)).toBeGreaterThan(300));
      }
  });
});

describe('what is asked of a union', () => {
  it('is asked on its own day and not before, whenever its round opens', () => {
    const early = { ...round, opensOn: '2027-03-25' };
    expect(due({ rounds: [early], today: '2027-04-09' })).toEqual([]);
    expect(due({ rounds: [early], today: '2027-04-10' }).map(({ key }) => key)).toEqual(['healed']);
  });
  it('is asked again on the day it can be told, by itself', () => {
    const answers = [{ roundId: 'r1', answer: 'not-sure' as const, nextLookOn: '2027-05-15' }];
    expect(asked({ answers })[0]).toMatchObject({ state: 'again', askOn: '2027-05-15' });
    const again = asked({ answers, today: '2027-05-15' });
    expect(again.find(({ key }) => key === 'growing')!.state).toBe('due');
    expect(asked({ answers: [{ ...answers[0]!, nextLookOn: '2027-05-01' }], today: '2027-05-02' })[0]).toMatchObject({
      state: 'due',
      lookedBefore: true,
    });
  });
  it('is not asked any more once it died, was told, or nobody answered for long', () => {
    expect(due({ ended: true })).toEqual([]);
    expect(due({ answers: [{ roundId: 'r1', answer: 'yes', nextLookOn: null }] })).toEqual([]);
    expect(asked({ today: '2027-08-01' }).find(({ key }) => key === 'growing')!.state).toBe('over');
  });
  it('has a round of its own made by hand, such as the crop year', () => {
    const crop = { id: 'c', milestone: 'crop' as const, opensOn: '2030-09-01', closesOn: '2030-10-01' };
    expect(due({ rounds: [crop], today: '2030-09-10' }).map(({ key, roundId }) => [key, roundId])).toEqual([
      ['crop-2030', 'c'],
    ]);
  });
  it('is one thing at a time at most, on any day', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METHODS.flatMap(({ variants }) => variants)),
        fc.integer({ min: 0, max: 2200 }),
        fc.constantFrom('yes', 'not-sure', null),
        (variant, later, answer) => {
          const own = roundDays(variant, '2027-05-20', { turnsOf });
          const rounds = own.map(({ kind, due: { from, to } }, i) => ({
            id: String(i),
            milestone: kind,
            opensOn: from,
            closesOn: to,
          }));
          const answers = answer === null ? [] : [{ roundId: '0', answer, nextLookOn: addDays(own[0]!.due.from, 7) }];
          const today = addDays('2027-05-20', later);
          const all = unionAsks({ days: own, rounds, answers, ended: false, today });
          expect(all.filter(({ state }) => state === 'due').length).toBeLessThanOrEqual(1);
          for (const ask of all) if (ask.state === 'due') expect(ask.askOn <= today).toBe(true);
        },
      ),
    );
  });
});

describe('the crop year', () => {
  it('is offered once a plant can bear, once a year', () => {
    expect(cropRound('2027-03-06', '2028-05-01', [])).toBeNull();
    expect(cropRound('2027-03-06', '2029-09-01', [])).toEqual({ opensOn: '2029-09-01', closesOn: '2029-10-31' });
    expect(cropRound('2027-03-06', '2029-09-01', ['2029-02-01'])).toBeNull();
    expect(cropRound('2027-03-06', '2030-09-01', ['2029-09-01'])).not.toBeNull();
  });
});

describe('how long a round goes on asking', () => {
  // Alone: another that falls due would be asked in its place.
  const alone = (today: string) => asked({ today, days: days.slice(0, 1) })[0]!;
  const last = alone('2027-04-12').due.to;
  const stateOn = (today: string) => alone(today).state;
  it('is four weeks beyond its last day, and no day longer', () => {
    expect(PATIENCE).toBe(28);
    expect(stateOn(last)).toBe('due');
    expect(stateOn(addDays(last, 1))).toBe('due');
    expect(stateOn(addDays(last, 28))).toBe('due');
    expect(stateOn(addDays(last, 29))).toBe('over');
  });
});
