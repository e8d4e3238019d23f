import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '../../units/iso-date';
import { METHODS, methodById } from '../registry';
import { shownTechnique } from '../shown-technique';
import { dueWindow } from './due-window';
import { signWords } from './round-advice';
import { phaseWindow, type SeasonPhaseId, SEASON_PHASES, type TurnsOfYear } from './season-phases';
import { turnsOf } from '../testing/lake-year';
import { timetable } from './timetable';
import { AT_ONCE, calendarDays, event, EVERY_VISIT, EVERY_YEAR, growth, healingDays, phase } from './trigger';
import { triggerWords } from './trigger-words';

describe('triggers', () => {
  it('are said from their code, lengths in the reader’s unit', () => {
    expect(triggerWords(AT_ONCE, 'mm')).toBe('at once');
    expect(triggerWords(healingDays(10, 12, 14), 'mm')).toBe('day 10 to 14');
    expect(triggerWords(calendarDays(30, 30, 30), 'mm')).toBe('day 30');
    expect(triggerWords(growth(100), 'mm')).toBe('at 100 mm of growth');
    expect(triggerWords(growth(150, 250), 'in')).toBe('at 6 to 10 in of growth');
    expect(triggerWords(phase('late-winter'), 'mm')).toBe('late winter, before buds break');
    expect(triggerWords(phase('first-season', 2), 'mm')).toBe('second season');
    expect(triggerWords(phase('kin-in-leaf', 1, 42), 'mm')).toBe(
      'next spring, once plants of its kind are in leaf, then 6 weeks more',
    );
    expect(triggerWords(phase('late-summer', 3, -5), 'mm')).toBe('5 days before late summer, year 3');
    expect(triggerWords(event('growth-starts', 20), 'mm')).toBe('20 days after growth starts');
    expect(triggerWords(event('bud-grows'), 'mm')).toBe('once the bud grows');
    expect(triggerWords(EVERY_VISIT, 'mm')).toBe('with every visit');
    expect(triggerWords(EVERY_YEAR, 'mm')).toBe('each year');
  });

  it('are dated by days, by the turns of a place’s year and by what was seen', () => {
    expect(dueWindow(healingDays(14, 18, 21), '2027-03-06')).toEqual({ from: '2027-03-20', to: '2027-03-27' });
    // A bud of August: the late winter meant is the next one, the late summer the year after.
    expect(dueWindow(phase('late-winter'), '2027-08-14', { turnsOf })).toEqual({
      from: '2028-02-07',
      to: '2028-03-19',
    });
    expect(dueWindow(phase('late-summer'), '2027-10-01', { turnsOf })).toEqual({
      from: '2028-07-31',
      to: '2028-09-04',
    });
    expect(dueWindow(event('growth-starts', 20), '2027-03-06', { seen: { 'growth-starts': '2027-04-25' } })).toEqual({
      from: '2027-05-15',
      to: '2027-05-15',
    });
  });

  it('are not dated where nothing is known to date them by', () => {
    for (const trigger of [phase('late-winter'), event('bud-grows'), growth(100), EVERY_VISIT])
      expect(dueWindow(trigger, '2027-03-06')).toBeNull();
    // A place without frost has no day after the last one.
    const frostless = (year: number): TurnsOfYear => ({ ...turnsOf(year), 'last-frost': undefined });
    expect(dueWindow(phase('last-frost'), '2027-03-06', { turnsOf: frostless })).toBeNull();
  });

  it('of the year never begin before the union was made, and the second is about a year after the first', () => {
    const ids = Object.keys(SEASON_PHASES) as SeasonPhaseId[];
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.integer({ min: 0, max: 1500 }), (id, at) => {
        const day = addDays('2026-01-01', at);
        const [first, second] = [1, 2].map((nth) => phaseWindow(id, nth, day, turnsOf)!);
        expect(first!.to >= day).toBe(true);
        expect(dueWindow(phase(id), day, { turnsOf })!.from >= day).toBe(true);
        expect(Math.abs(daysBetween(first!.from, second!.from) - 365)).toBeLessThan(5);
        expect(daysBetween(day, first!.to)).toBeLessThan(380 + SEASON_PHASES[id].to);
      }),
    );
  });
});

describe('a timetable', () => {
  it('has the rounds of a whip in March on their days, and its tasks in words', () => {
    const whip = methodById('whip-and-tongue');
    const { rounds, tasks } = timetable(whip.variants[0]!, shownTechnique(whip), '2027-03-06', { turnsOf });
    expect(rounds.map(({ milestone, due }) => [milestone, due!.from, due!.to])).toEqual([
      ['healed', '2027-03-20', '2027-03-27'],
      // Kept cool until its kin is in leaf, 27 April: eight weeks from there.
      ['growing', '2027-06-22', '2027-06-29'],
      ['season', '2027-10-29', '2027-11-19'],
      ['wintered', '2028-04-25', '2028-05-16'],
    ]);
    const task = (id: string) => tasks.find((entry) => entry.id === id)!;
    // A coat put on at the bench lasts until midsummer; only grafts on trees are resealed in a week.
    expect(task('reseal').due).toEqual({ from: '2027-06-11', to: '2027-07-11' });
    const outdoors = timetable(whip.variants[1]!, shownTechnique(whip), '2027-03-06', { turnsOf }).tasks;
    expect(outdoors.find(({ id }) => id === 'reseal')!.due).toEqual({ from: '2027-03-12', to: '2027-03-14' });
    expect(task('plant-out').due).toEqual({ from: '2027-05-10', to: '2027-05-31' });
    expect(task('tie-up').due).toBeNull();
  });

  it.each(METHODS)('of $id: windows in order, rounds in the order of a life, everything said in words', (method) => {
    const { aftercare } = shownTechnique(method);
    for (const variant of method.variants) {
      const { rounds, tasks } = timetable(variant, { aftercare }, '2027-08-14', { turnsOf });
      for (const { due, trigger } of [...rounds, ...tasks]) {
        expect(triggerWords(trigger, 'mm').length).toBeGreaterThan(3);
        if (due) expect(due.from <= due.to).toBe(true);
      }
      expect(rounds[0]!.milestone).toBe('healed');
    }
    // Nothing is free text: with a place's year and what was seen known, only growth and what recurs has no day.
    const seen = {
      'growth-starts': '2027-09-01',
      'growth-at-tie': '2027-09-01',
      'bud-grows': '2027-09-01',
      'scions-slow': '2027-09-01',
      'wrap-off': '2027-09-01',
    } as const;
    for (const { due, trigger } of timetable(method.variants[0]!, { aftercare }, '2027-08-14', { turnsOf, seen }).tasks)
      expect(due === null).toBe(trigger.kind === 'growth' || trigger.kind === 'recurring');
  });

  it('says signs together, and what to know besides apart', () => {
    expect(signWords(['bud-green', 'stub-drops'], 'mm')).toBe(
      'plump and green, or plump to the touch under what covers it, the leaf stub, if one was left, drops at a touch',
    );
    expect(signWords(['shoot', 'sleeps-till-spring'], 'in')).toBe('a new shoot of 2 in; it sleeps until spring');
  });
});
