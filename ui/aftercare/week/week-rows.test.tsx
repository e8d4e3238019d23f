import { describe, expect, it } from 'vitest';
import type { WeekGroup } from '@/core/aftercare/week/week-group';
import { rendered } from '@/ui/testing/rendered';
import { DueGroupRow } from './due-group-row';
import { MarkForm } from './mark-form';
import { minutesWords } from './minutes-words';

const GROUP: WeekGroup = {
  key: 'k',
  task: 'suckers',
  name: 'Rub off shoots below the union',
  missed: 'The union is outcompeted.',
  alarm: false,
  movedBy: 0,
  from: '2027-04-03',
  to: '2027-04-10',
  latest: null,
  late: false,
  plants: [
    { unionId: 'u1', code: 'K7M2QP', called: 'K7M 2QP', occurrence: 0, place: '' },
    { unionId: 'u2', code: 'W3XY4R', called: 'W3X Y4R', occurrence: 1, place: 'the upper one' },
  ],
  minutes: 4,
  workshopId: 'w',
  workshop: 'Bench day',
  siteId: 's',
  site: 'Boathouse',
  variety: 'Grey Heron',
  method: 'Chip bud',
};
const row = (changes: Partial<WeekGroup> = {}, mayChange = true): string =>
  rendered(<DueGroupRow group={{ ...GROUP, ...changes }} mayChange={mayChange} onMark={async () => undefined} />).words;

describe('a task of this week', () => {
  it('says on how many plants, until when, and what happens otherwise', () => {
    expect(row()).toContain('2 plants of Grey Heron, chip bud');
    expect(row()).toContain('Due until 10 Apr 2027. Otherwise: The union is outcompeted.');
  });
  it('says that cold or warm days moved it, that it is late, and a tie’s last day', () => {
    expect(row({ movedBy: 5 })).toContain('Cold days moved it by 5 days.');
    expect(row({ movedBy: -1 })).toContain('Warm days moved it by 1 day.');
    expect(row({ late: true })).toContain('Was due by 10 Apr 2027.');
    expect(row({ alarm: true, latest: '2027-03-19' })).toContain('Its last day was 19 Mar 2027.');
  });
  it('is only looked at by a viewer', () => {
    expect(row({}, false)).not.toContain('Done');
  });
  it('offers every plant by its tag to be taken out of a tap', () => {
    const { words } = rendered(<MarkForm group={GROUP} onMark={async () => undefined} />);
    for (const part of ['K7M 2QP', 'W3X Y4R the upper one', 'Mark 2 plants']) expect(words).toContain(part);
  });
});

describe('minutes', () => {
  it('are said in hours from one hour on', () => {
    expect([0.2, 59, 60, 75].map(minutesWords)).toEqual(['1 min', '59 min', '1 h', '1 h 15 min']);
  });
});
