import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { movedWindow } from '../../aftercare/warmth/stretched-window';
import { ROUND_KINDS } from '../../methods/milestones';
import { METHODS } from '../../methods/registry';
import { addDays } from '../../units/iso-date';
import { askedSigns, choicesOfSigns, signsOfChoices } from './asked-signs';
import { countedAnswer } from './counted-answer';
import { readSigns } from './read-signs';
import { SIGN_VARIANTS, SIGNS_BY_WAY, signsFrom } from './signs';
import { dateOfUsualDay, usualDay } from './usual-days';

describe('signs that are asked for', () => {
  it('are three taps at most, each with options of its own that are signs', () => {
    for (const variant of SIGN_VARIANTS)
      for (const kind of ROUND_KINDS) {
        const groups = askedSigns(variant, kind, 50);
        expect(groups.length).toBeLessThanOrEqual(3);
        for (const { options, after } of groups) {
          expect(new Set(options.map(({ id }) => id)).size).toBe(options.length);
          for (const { signs } of options) expect(signsFrom(signs)).toEqual(signs);
          if (after)
            expect(groups.find(({ id }) => id === after.group)!.options.map(({ id }) => id)).toEqual(
              expect.arrayContaining([...after.options]),
            );
        }
      }
  });
  it('of healing let every variant come out alive and dead once its day has come', () => {
    const day = 30;
    for (const variant of SIGN_VARIANTS) {
      const groups = askedSigns(variant, 'healed', 50);
      const readings = combinations(groups.map(({ id, options }) => options.map((option) => [id, option.id] as const)))
        .map((choices) => signsOfChoices(groups, Object.fromEntries(choices))!)
        .map((signs) => readSigns(signs, { variant, day, sinceLeaf: null }).reading);
      expect(readings, variant).toContain('likely alive');
      expect(
        readings.some((reading) => reading.includes('dead')),
        variant,
      ).toBe(true);
    }
  });
  it('go there and back', () => {
    const groups = askedSigns('bench', 'healed', 50);
    expect(choicesOfSigns(groups, signsOfChoices(groups, { callus: 'dry', holds: '' })!)).toEqual({ callus: 'dry' });
    const growing = askedSigns('spring', 'growing', 50);
    expect(choicesOfSigns(growing, { growth: 180, leaves: 'firm' })).toEqual({ growth: 'shoot', leaves: 'firm' });
    expect(choicesOfSigns(growing, { growth: 20 })).toEqual({ growth: 'begun' });
    expect(choicesOfSigns(growing, { growth: 0, scratch: 'brown' })).toEqual({ growth: 'none', scratch: 'brown' });
    expect(signsOfChoices(groups, { callus: 'blue' })).toBeNull();
    expect(signsOfChoices(groups, { shield: 'plump' })).toBeNull();
  });
});

describe('an answer', () => {
  const spring = (day: number) => ({ variant: 'spring' as const, day, sinceLeaf: null });
  it('of dead said too early counts as not sure and is asked again on the day dead can be known', () => {
    expect(countedAnswer({ kind: 'healed', question: 'buds-swelling', signs: {}, said: 'dead' }, spring(21))).toEqual(
      expect.objectContaining({ answer: 'not-sure', why: 'dead-too-early', nextLook: 56 }),
    );
    expect(countedAnswer({ kind: 'growing', question: 'shoot', signs: {}, said: 'dead' }, spring(60))).toMatchObject({
      answer: 'dead',
      secondTry: true,
    });
  });
  it('of not sure alone is never dead, however late: time by itself kills nothing', () => {
    for (const { variants } of METHODS)
      for (const { wayOn, rounds } of variants)
        for (const { milestone, question } of rounds)
          for (const day of [1, 40, 90, 400])
            for (const sinceLeaf of [null, 10, 60, 150]) {
              const told = { kind: milestone, question, signs: {}, said: 'unsure' as const };
              const when = { variant: SIGNS_BY_WAY[wayOn], day, sinceLeaf };
              expect(countedAnswer(told, when), `${wayOn} ${milestone} ${day} ${sinceLeaf}`).toMatchObject({
                answer: 'not-sure',
              });
            }
  });
  it('of a plain yes stands for the signs that were asked for, for every variant and round there is', () => {
    for (const { variants } of METHODS)
      for (const { wayOn, rounds } of variants)
        for (const { milestone, question, trigger } of rounds) {
          const variant = SIGNS_BY_WAY[wayOn];
          const day = trigger.kind === 'days' ? trigger.earliest : 200;
          const sinceLeaf = milestone === 'growing' && trigger.kind === 'phase' ? 20 : null;
          const yes = countedAnswer(
            { kind: milestone, question, signs: {}, said: 'alive' },
            { variant, day, sinceLeaf },
          );
          expect([wayOn, milestone, yes.answer]).toEqual([wayOn, milestone, 'yes']);
        }
  });
  it('that lives and is short yet is no shoot, and asked again', () => {
    expect(
      countedAnswer({ kind: 'growing', question: 'shoot', signs: { growth: 20 }, said: '' }, spring(56)),
    ).toMatchObject({ answer: 'not-sure', reading: 'likely alive', why: 'short-yet', nextLook: 70 });
  });
  it('of a cut that nobody finds is none', () => {
    expect(countedAnswer({ kind: 'season', question: null, signs: {}, said: 'not-found' }, spring(200))).toMatchObject({
      answer: 'not-found',
      reading: null,
    });
  });
  it('once a year is taken at its word', () => {
    const told = (said: 'alive' | 'dead' | 'unsure') =>
      countedAnswer({ kind: 'year', question: null, signs: {}, said }, spring(900)).answer;
    expect([told('alive'), told('dead'), told('unsure')]).toEqual(['yes', 'dead', 'not-sure']);
  });
});

describe('days of usual warmth', () => {
  const warmth = fc
    .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 80 })
    .map((rates) => ({ rates, references: rates.map(() => 0.5) }));
  it('are the last that windows say has come', () => {
    fc.assert(
      fc.property(warmth, fc.integer({ min: 0, max: 120 }), (known, days) => {
        const day = usualDay('2027-03-06', addDays('2027-03-06', days), known);
        const falls = (usual: number): number => movedWindow([usual, usual, usual], known.rates, known.references)[0];
        expect(falls(day)).toBeLessThanOrEqual(days);
        expect(falls(day + 1)).toBeGreaterThan(days);
        expect(dateOfUsualDay('2027-03-06', day, known) <= addDays('2027-03-06', days)).toBe(true);
      }),
    );
  });
  it('are days of the calendar where no warmth is known', () => {
    expect(usualDay('2027-03-06', '2027-03-26')).toBe(20);
    expect(dateOfUsualDay('2027-03-06', 20)).toBe('2027-03-26');
    expect(() => usualDay('2027-03-06', '2027-03-05')).toThrow(RangeError);
  });
});

function combinations<Value>(lists: Value[][]): Value[][] {
  return lists.reduce<Value[][]>((all, list) => all.flatMap((made) => list.map((value) => [...made, value])), [[]]);
}
