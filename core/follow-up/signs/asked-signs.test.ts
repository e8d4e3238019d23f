import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { movedWindow } from '../../aftercare/warmth/stretched-window';
import { ROUND_KINDS } from '../../methods/milestones';
import { METHODS } from '../../methods/registry';
import { addDays } from '../../units/iso-date';
import { signWords } from '../../methods/timetable/round-advice';
import { asksWithoutWinter, withoutWinter } from '../asks/without-winter';
import { questionSaid } from '../round-question';
import { ENGLISH } from '../wording/english';
import { askedSigns, choicesOfSigns, type SignGroup, signsOfChoices } from './asked-signs';
import { countedAnswer } from './counted-answer';
import { readSigns } from './read-signs';
import { SIGN_VARIANTS, SIGNS_BY_WAY, signsFrom } from './signs';
import { dateOfUsualDay, usualDay } from './usual-days';

/** Taps on the longest way through groups that hang on one another. */
function mostTaps(groups: SignGroup[], seen: Record<string, string> = {}, at = 0): number {
  const group = groups[at];
  if (!group) return 0;
  const asked = !group.after || group.after.options.includes(seen[group.after.group] ?? '');
  if (!asked) return mostTaps(groups, seen, at + 1);
  return 1 + Math.max(...group.options.map(({ id }) => mostTaps(groups, { ...seen, [group.id]: id }, at + 1)));
}

describe('a bench graft that is kept cool', () => {
  const seen = (changes: { day: number; sinceOut?: number | null }) => ({
    variant: 'bench' as const,
    sinceLeaf: null,
    ...changes,
  });
  it('is not dead because nothing grew: day 56 in the store says nothing, day 30 after planting out does', () => {
    expect(readSigns({ growth: 0 }, seen({ day: 56 })).reading).toBe('likely dead');
    expect(readSigns({ growth: 0 }, seen({ day: 56, sinceOut: null }))).toMatchObject({
      reading: 'wait',
      nextLook: 63,
    });
    expect(readSigns({ growth: 0 }, seen({ day: 60, sinceOut: 4 }))).toMatchObject({ reading: 'wait', nextLook: 67 });
    expect(readSigns({ growth: 0 }, seen({ day: 86, sinceOut: 30 })).reading).toBe('likely dead');
  });
  it('shows its callus by the days since it was made, and its growth by those since it was planted out', () => {
    const ring = { callus: 'ring', holds: 'yes' } as const;
    expect(readSigns(ring, seen({ day: 14, sinceOut: null })).reading).toBe('likely alive');
    expect(readSigns({ growth: 60 }, seen({ day: 40, sinceOut: null })).reading).toBe('wait');
    expect(readSigns({ growth: 60 }, seen({ day: 75, sinceOut: 30 })).reading).toBe('alive');
    expect(readSigns({ said: 'dead' }, seen({ day: 40, sinceOut: null }))).toMatchObject({
      reading: 'wait',
      nextLook: 68,
    });
    expect(() => readSigns({}, seen({ day: 3, sinceOut: -1 }))).toThrow(RangeError);
  });
});

describe('where no winter comes', () => {
  it('nothing is asked of leaf fall, summer or spring, of no method and variant', () => {
    for (const { variants } of METHODS)
      for (const variant of variants) {
        const placed = withoutWinter(variant);
        for (const { question, signs, milestone } of placed.rounds) {
          const said = `${questionSaid(ENGLISH, { kind: milestone, question }, 'mm')} ${signWords(signs, 'mm')}`;
          expect(said, `${variant.id} ${milestone}`).not.toMatch(/spring|leaf fall|leaves are falling|summer/i);
          const groups = askedSigns(SIGNS_BY_WAY[variant.wayOn], milestone, 50, !asksWithoutWinter(placed));
          if (milestone === 'season' || milestone === 'wintered')
            expect(groups.map(({ id }) => ENGLISH.say(`sign.${id}`)).join(' ')).not.toMatch(/spring|summer/i);
        }
        expect(placed.rounds).toHaveLength(variant.rounds.length);
      }
  });
});

describe('signs that are asked for', () => {
  it('in a growing round are whether a bud or a patch is green and sound, not its growth alone', () => {
    for (const [variant, group, counts] of [
      ['patch-spring', 'patch', { patch: 'green', bud: 'sound', growth: 0 }],
      ['bud-early', 'shield', { shield: 'plump', growth: 0 }],
    ] as const) {
      expect(askedSigns(variant, 'growing', 50).map(({ id }) => id)).toContain(group);
      const told = { kind: 'growing', question: 'shoot', said: '' } as const;
      const asleep = countedAnswer({ ...told, signs: counts }, { variant, day: 60, sinceLeaf: null });
      // It lives and sleeps: asked again, and not counted as grown.
      expect(asleep).toMatchObject({ answer: 'not-sure', reading: 'likely alive', why: 'short-yet', nextLook: 74 });
    }
  });
  it('are three taps at most, each with options of its own that are signs', () => {
    for (const variant of SIGN_VARIANTS)
      for (const kind of ROUND_KINDS) {
        const groups = askedSigns(variant, kind, 50);
        expect(mostTaps(groups), `${variant} ${kind}`).toBeLessThanOrEqual(3);
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
  it('to how it is says that it lives, and nothing of how far it has come', () => {
    const lives = (kind: 'healed' | 'growing' | 'season' | 'wintered' | 'year', signs = {}) =>
      countedAnswer({ kind, question: 'shoot', signs, said: 'alive', howIsIt: true }, spring(60));
    expect(lives('growing')).toMatchObject({
      answer: 'not-sure',
      reading: 'likely alive',
      why: 'length-untold',
      nextLook: 74,
    });
    expect(lives('healed')).toMatchObject({ answer: 'not-sure', reading: 'likely alive', why: 'signs-untold' });
    for (const later of ['season', 'wintered', 'year'] as const)
      expect(lives(later)).toMatchObject({ answer: 'yes', why: 'said-alive' });
    // With a length it is what the round asks.
    expect(lives('growing', { growth: 50 })).toMatchObject({ answer: 'yes', reading: 'alive' });
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
