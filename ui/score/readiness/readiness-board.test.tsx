import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import type { ReadinessPerson } from './person-row';
import { ReadinessBoard } from './readiness-board';

const good = (score: number) => ({ score, fatal: false, recut: false });
const person = (number: number, changes: Partial<ReadinessPerson> = {}): ReadinessPerson => ({
  seatId: `s${number}`,
  number,
  name: `Person ${number}`,
  attempts: [good(60), good(70), good(76), good(71)],
  ready: false,
  open: false,
  said: null,
  outlook: { next: { mean: 74, from: 66, to: 82 }, attempts: 5.3, beyond: false },
  left: 2,
  minutes: 61,
  needsHelp: true,
  within: 0.08,
  line: null,
  ...changes,
});
const board = (changes: Partial<ComponentProps<typeof ReadinessBoard>> = {}) =>
  rendered(
    <ReadinessBoard
      workshopId="w"
      mayChange
      rule={{ last: 3, score: 75 }}
      planned={4}
      minutesLeft={null}
      over={false}
      people={[
        person(1),
        person(2, {
          ready: true,
          open: true,
          needsHelp: false,
          attempts: [good(80), good(90), good(85)],
          outlook: null,
          within: 1,
        }),
      ]}
      {...changes}
    />,
  );

describe('the readiness board', () => {
  it('names who needs help before the day, on it by the time that is left, and not after it', () => {
    expect(board().words).toContain(
      'Will hardly be ready by what is planned: 1 Person 1. More likely than not the 4 practice unions of the plan will not do.',
    );
    expect(board({ minutesLeft: 35 }).words).toContain(
      'Will hardly be ready today without help: 1 Person 1. More likely than not the 35 minutes of cutting left',
    );
    expect(board({ minutesLeft: 0 }).words).toContain(
      'By the day’s plan no time for cutting is left. Sit down beside them',
    );
    const after = board({ over: true }).words;
    expect(after).not.toContain('hardly be ready');
    expect(after).toContain('Not ready when the day ended: 1 Person 1.');
  });
  it('tells how many more unions it may take, and the chance within what is left', () => {
    const { words } = board({ minutesLeft: 35 });
    expect(words).toContain('about 6 more unions');
    expect(words).toContain(
      'Chance to be ready within the 2 the day still has time for: 8 %. About 60 minutes of cutting.',
    );
    expect(board({ people: [person(1, { left: 0, within: 0, minutes: null })], minutesLeft: 3 }).words).toContain(
      'The day has no time for another union.',
    );
  });
  it('says nothing it does not know', () => {
    expect(
      board({ people: [person(1, { attempts: [good(60)], outlook: null, within: null, needsHelp: false })] }).words,
    ).toContain('too early to tell');
    const wide = board({
      people: [person(1, { outlook: { next: null, attempts: null, beyond: false }, within: null, needsHelp: false })],
    }).words;
    expect(wide).toContain('not known');
    expect(wide).toContain('its scores still lie too far apart to tell within 30 points');
    expect(board({ people: [person(1, { outlook: { next: null, attempts: 60, beyond: true } })] }).words).toContain(
      'not in sight',
    );
  });
  it('tells fatal and recut unions from the others in words as well', () => {
    const { words } = board({
      people: [
        person(1, {
          attempts: [
            { score: 40, fatal: true, recut: false },
            { score: 60, fatal: false, recut: true },
            { score: null, fatal: false, recut: false },
          ],
        }),
      ],
    });
    expect(words).toMatch(/40 fatal\s?60 recut\s?–/);
  });
  it('lets assistants through and back with a reason, and viewers look', () => {
    expect(board().buttons).toEqual(expect.arrayContaining(['Let through Person 1', 'Keep back Person 2']));
    expect(board({ people: [person(1), person(2)] }).buttons).toContain('Let all 2 through');
    expect(board({ mayChange: false }).buttons.join()).not.toMatch(/Let|Keep/);
    expect(
      board({ people: [person(1, { said: { may: false, reason: 'cut towards the hand', by: 'Maren' } })] }).words,
    ).toContain('kept back by Maren: cut towards the hand');
  });
});
