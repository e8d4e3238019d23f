import { describe, expect, it } from 'vitest';
import { ANSWERS, MILESTONES } from '../methods/milestones';
import { METHODS, methodById } from '../methods/registry';
import { shownTechnique } from '../methods/shown-technique';
import { WAYS_ON } from '../methods/variant';
import { thisWeek } from './this-week';

const careOf = (id: string) => shownTechnique(methodById(id)).aftercare;
const COMBINATIONS = METHODS.flatMap((method) =>
  method.variants.flatMap(({ id, wayOn }) =>
    MILESTONES.flatMap((milestone) => ANSWERS.map((answer) => [method.id, id, wayOn, milestone, answer] as const)),
  ),
);

describe('what to do this week', () => {
  it('is what the method’s own timetable asks for', () => {
    expect(thisWeek('outdoors', 'healed', 'yes', careOf('cleft'), 'mm')).toMatch(
      /^Look at the seal and close cracks\./,
    );
    expect(thisWeek('outdoors', 'growing', 'yes', careOf('cleft'), 'mm')).toContain('at 150 to 250 mm of growth');
    // At the bench there is no seal to look at outdoors; what is next is planting.
    const bench = thisWeek('bench', 'healed', 'yes', careOf('whip-and-tongue'), 'mm');
    expect(bench).not.toContain('seal');
    expect(bench).toContain('Plant out');
  });

  it('does not expect a bud of late summer or a patch of autumn to show before spring', () => {
    for (const [wayOn, method] of [
      ['sleeping-bud', 'chip'],
      ['sleeping-bud', 't-bud'],
      ['sleeping-patch', 'patch'],
    ] as const) {
      const healed = thisWeek(wayOn, 'healed', 'yes', careOf(method), 'mm');
      expect(healed).toContain('before spring nothing more will show');
      expect(healed).not.toMatch(/head back|cut the stock/i);
      expect(thisWeek(wayOn, 'healed', 'dead', careOf(method), 'mm')).toContain(
        'a second bud can go on the other side',
      );
    }
  });

  it('goes on at once with a bud that is forced and a patch of spring', () => {
    expect(thisWeek('forced-bud', 'healed', 'yes', careOf('t-bud'), 'mm')).toMatch(
      /Slit the rubber on the side away from the bud once the bud is seen alive/,
    );
    expect(thisWeek('spring-patch', 'healed', 'yes', careOf('patch'), 'mm')).toMatch(/cut the stock above it/);
  });

  it('leaves covers shut, and says how long buds may sleep under them', () => {
    expect(thisWeek('covered', 'healed', 'yes', careOf('inlay'), 'mm')).toContain('Leave the cover shut');
    expect(thisWeek('covered', 'healed', 'not-sure', careOf('bark'), 'mm')).toContain('up to 4 weeks');
  });

  it('looks again before anything is cut, and tells the code of what is lost', () => {
    expect(thisWeek('outdoors', 'healed', 'dead', careOf('cleft'), 'mm')).toContain(
      'look once more before you cut anything',
    );
    expect(thisWeek('outdoors', 'season', 'not-found', careOf('cleft'), 'mm')).toContain('the code on it');
  });

  it.each(COMBINATIONS)(
    'has something to say of a %s, %s (%s), %s: %s',
    (method, _variant, wayOn, milestone, answer) => {
      const words = thisWeek(wayOn, milestone, answer, careOf(method), 'mm');
      expect(words.length).toBeGreaterThan(20);
      expect(words).toMatch(/[.]$/);
      // Nobody is told of a leaf stub where dormant wood has none, or of a seal where there is a bud.
      if (wayOn === 'spring-chip') expect(words).not.toContain('stub');
      if (wayOn.endsWith('bud') || wayOn.endsWith('patch')) expect(words).not.toContain('Look at the seal');
    },
  );

  it('is written for every way a union lives on, and every way is some method’s', () => {
    const used = new Set(METHODS.flatMap(({ variants }) => variants.map(({ wayOn }) => wayOn)));
    expect([...used].sort()).toEqual([...WAYS_ON].sort());
  });
});
