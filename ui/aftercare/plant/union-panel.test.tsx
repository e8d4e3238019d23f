import { describe, expect, it } from 'vitest';
import type { LifeEvent, UnionLife, WordedTask, WordedWay } from '@/core/aftercare/life/plant-life';
import type { DeviceQueue } from '@/ui/kit/device/use-device-queue';
import { rendered } from '@/ui/testing/rendered';
import { unionLife } from '@/ui/testing/union-life';
import { EventList } from './event-list';
import { UnionPanel } from './union-panel';
import type { AtPlant } from './at-plant';

const marked = new Set<string>();
const at = (changes: Partial<AtPlant> = {}): AtPlant => ({
  plantId: 'p',
  code: 'K7M4XQ',
  me: { id: 'maren', name: 'Maren' },
  mayChange: true,
  unit: 'mm',
  queue: { waiting: [], link: 'online' } as unknown as DeviceQueue,
  marks: {
    isMarked: ({ task }: { task: string }) => marked.has(task),
    mark: () => Promise.resolve(),
  } as unknown as AtPlant['marks'],
  ...changes,
});
const task = (name: string, changes: Partial<WordedTask> = {}): WordedTask =>
  ({
    task: name,
    occurrence: 0,
    name: `Do ${name}`,
    missed: '',
    when: '',
    due: { from: '2027-05-01', best: '2027-05-05', to: '2027-05-10' },
    latest: null,
    late: false,
    alarm: false,
    movedBy: 0,
    ...changes,
  }) as unknown as WordedTask;
const panel = (changes: Partial<UnionLife> = {}, here: Partial<AtPlant> = {}) =>
  rendered(<UnionPanel life={unionLife(changes)} at={at(here)} />);

describe('what is due on a union', () => {
  it('is each task with its last day and what happens otherwise, done with one tap', () => {
    const { words, buttons } = panel({ now: [task('suckers', { missed: 'they take the sap' })] });
    expect(words).toContain('Do suckers');
    expect(words).toContain('Until 10 May 2027. Otherwise: they take the sap');
    expect(buttons).toContain('Done: Do suckers');
  });
  it('says what is late, and loudest a tie past its last day', () => {
    expect(panel({ now: [task('suckers', { late: true })] }).words).toContain('Was due by 10 May 2027.');
    const tie = panel({ now: [task('binding-off', { alarm: true, latest: '2027-05-02' })] });
    expect(tie.words).toContain('Its last day was 2 May 2027.');
    expect(tie.html).toContain('border-loud');
    expect(panel({ now: [task('suckers')] }).html).not.toContain('border-loud');
  });
  it('says by how much the weather moved it', () => {
    expect(panel({ now: [task('look', { movedBy: 5 })] }).words).toContain('cold days moved it by 5 days.');
    expect(panel({ now: [task('look', { movedBy: -1 })] }).words).toContain('warm days moved it by 1 day.');
    expect(panel({ next: [task('look', { movedBy: 3 })] }).words).toContain('(cold days moved it by 3 days)');
  });
  it('is nothing more once it was tapped, also while the tap still waits', () => {
    marked.add('suckers');
    const { words, buttons } = panel({ now: [task('suckers')], missed: [task('suckers')] });
    expect(words).not.toContain('Do suckers');
    expect(buttons).not.toContain('Done: Do suckers');
    marked.clear();
  });
  it('can still be done after all where it was missed', () => {
    const { words, buttons } = panel({ missed: [task('first-look')] });
    expect(words).toContain('Missed (1)');
    expect(buttons).toContain('Done: Do first-look');
  });
  it('tells what comes next and what waits for something to be seen', () => {
    const { words } = panel({
      next: [task('prune', { due: { from: '2027-11-20', best: '2027-12-01', to: '2027-12-20' } })],
      waiting: [{ task: 'tie', name: 'Tie it in', when: 'at a hand of growth' }],
    });
    expect(words).toContain('20 Nov 2027Do prune');
    expect(words).toContain('at a hand of growthTie it in');
    expect(panel().words).toContain('Nothing is planned.');
  });
  it('is looked at only by whoever may not mark it', () => {
    expect(panel({ now: [task('suckers')], missed: [task('look')] }, { mayChange: false }).buttons).toEqual([]);
  });
});

describe('how fast it grows', () => {
  const growth = (slow: boolean): UnionLife['growth'] =>
    ({ perWeek: 21, kin: { count: 12, perWeek: 35 }, slow }) as UnionLife['growth'];
  it('is a figure beside its kin, in the unit of whoever reads', () => {
    expect(panel({ growth: growth(false) }).words).toContain(
      'It grew 21 mm a week when it was last measured; 12 plants of its variety and method made 35 mm.',
    );
    expect(panel({ growth: growth(false) }, { unit: 'in' }).words).not.toMatch(/\d mm/);
    expect(panel({ growth: growth(true) }).words).toContain(
      'That is slow: look at water, suckers and the nurse growth.',
    );
  });
  it('is compared with nothing where too few were measured', () => {
    const alone = { ...growth(false)!, kin: null } as UnionLife['growth'];
    expect(panel({ growth: alone }).words).toContain('too few of its kind were measured to compare it with');
    expect(panel().words).not.toContain('It grew');
  });
});

describe('what is round the stem', () => {
  const tie = (state: string, changes: object = {}): UnionLife['ties'][number] =>
    ({
      id: 'rubber',
      words: 'Rubber strip',
      state,
      since: '2027-03-06',
      latest: '2027-05-20',
      strained: false,
      offTask: 'binding-off',
      ...changes,
    }) as unknown as UnionLife['ties'][number];
  it('says of each tie whether it is on, until when, and takes one tap', () => {
    const on = panel({ ties: [tie('on')] });
    expect(on.words).toContain('Rubber strip on, last day 20 May 2027');
    expect(on.buttons).toContain('Rubber strip is off');
    const alarm = panel({ ties: [tie('alarm', { strained: true })] });
    expect(alarm.words).toContain('still on, last day 20 May 2027, brought forward by growth');
    expect(alarm.html).toContain('border-loud');
    const off = panel({ ties: [tie('off')] });
    expect(off.words).toContain('off since 6 Mar 2027');
    expect(off.buttons).toContain('Rubber strip is on');
    expect(panel({ ties: [tie('on', { latest: null })] }).words).toContain('it stays, and is looked at on every visit');
  });
  it('is off at once where its tap still waits', () => {
    marked.add('binding-off');
    const { words, buttons } = panel({ ties: [tie('alarm')] });
    expect(words).not.toContain('still on');
    expect(buttons).toContain('Rubber strip is on');
    marked.clear();
  });
});

describe('a union that died', () => {
  const way = (changes: Partial<WordedWay> = {}): WordedWay => ({
    method: 'chip',
    methodName: 'Chip bud',
    variant: 'late-summer',
    words: 'Chip bud in late summer, into the other side',
    from: '2027-08-01',
    to: '2027-08-25',
    season: 'this',
    wood: 'fresh',
    woodWords: 'Cut fresh on the day.',
    cut: null,
    otherSide: true,
    stock: { from: 6, to: null },
    ...changes,
  });
  it('leads to why, and to what can still be done', () => {
    const { words, html, buttons } = panel({ state: 'dead', second: [way()], stockCaliper: 9 });
    expect(html).toContain('href="/plants/K7M4XQ/why?union=u"');
    expect(words).toContain('Chip bud in late summer, into the other side');
    expect(words).toContain('Cut fresh on the day. Stock from 6 mm.');
    expect(words).toContain('For its stock of 9 mm.');
    expect(buttons).toContain('Join it to this plant');
  });
  it('says until when what is open is open, and when the rest is', () => {
    const ways = [
      way({ from: '2020-05-01', to: '2099-05-20' }),
      way({ method: 'cleft', from: '2098-03-01', to: '2098-04-01', stock: { from: 10, to: 60 } }),
    ];
    const { words } = panel({ state: 'dead', second: ways });
    expect(words).toContain('Until 20 May 2099');
    expect(words).toContain('1 Mar 2098 to 1 Apr 2098');
    expect(words).toContain('Stock 10 mm to 60 mm.');
  });
  it('wants the stock measured, and says so where nothing is left to do', () => {
    expect(panel({ state: 'dead', second: [way()] }).words).toContain('Measure the stock');
    expect(panel({ state: 'dead', second: [] }).words).toContain('This season and the next are over for it.');
  });
  it('is not asked of one that lives', () => {
    expect(panel().html).not.toContain('/why?union');
    expect(panel().words).not.toContain('second chance');
  });
});

describe('all of it as a list', () => {
  const events: LifeEvent[] = [
    { id: '1', on: '2027-03-06', kind: 'made', words: 'Made' },
    { id: '2', on: '2027-04-01', kind: 'done', words: 'Suckers', actionId: 'a', by: 'Joss' },
    { id: '3', on: '2027-04-10', to: '2027-04-20', kind: 'due', words: 'Loosen the tie' },
    { id: '4', on: '2027-04-12', kind: 'growth', words: '30 mm', observationId: 'o' },
  ];
  it('has each thing with its day, and takes back only what somebody entered', () => {
    const { words, buttons } = rendered(<EventList events={events} at={at()} />);
    expect(words).toContain('All of it as a list (4)');
    expect(words).toContain('Loosen the tie until 20 Apr 2027');
    expect(words).toContain('Suckers (Joss)');
    expect(buttons).toEqual(['Take back: Suckers', 'Take back: 30 mm']);
  });
  it('is read only by whoever may not change it', () => {
    expect(rendered(<EventList events={events} at={at({ mayChange: false })} />).buttons).toEqual([]);
  });
});
