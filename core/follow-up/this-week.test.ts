import { describe, expect, it } from 'vitest';
import { ANSWERS, MILESTONES } from '../methods/milestones';
import { METHODS, methodById } from '../methods/registry';
import { shownTechnique } from '../methods/shown-technique';
import { thisWeek } from './this-week';

const mm = (value: number): string => `${value} mm`;
const careOf = (id: string) => shownTechnique(methodById(id)).aftercare;

describe('what to do this week', () => {
  it('is what the method’s own timetable asks for', () => {
    expect(thisWeek('healed', 'yes', careOf('whip-and-tongue'), mm)).toMatch(/^Look at the seal and close cracks\./);
    // A bud has no seal; its stock's shoots are left until it grows.
    const bud = thisWeek('healed', 'yes', careOf('chip'), mm);
    expect(bud).not.toContain('seal');
    expect(bud).toContain('once the bud grows');
    expect(thisWeek('growing', 'yes', careOf('cleft'), mm)).toContain('at 150 mm to 250 mm of growth');
  });

  it('looks again before anything is cut, and tells the code of what is lost', () => {
    expect(thisWeek('healed', 'dead', careOf('chip'), mm)).toContain('look once more before you cut anything');
    expect(thisWeek('season', 'not-found', careOf('chip'), mm)).toContain('the code on it');
  });

  it.each(METHODS)('has something to say after every answer: $id', (method) => {
    for (const milestone of MILESTONES)
      for (const answer of ANSWERS)
        expect(thisWeek(milestone, answer, careOf(method.id), mm).length).toBeGreaterThan(20);
  });
});
