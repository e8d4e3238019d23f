import { describe, expect, it } from 'vitest';
import type { TakeBoard, TakeGroupView } from '@/core/findings/boards/board-views';
import { EVERYTHING } from '@/core/findings/facts/findings-filter';
import { takeOfStates } from '@/core/findings/take/take-of-plants';
import type { TakeState } from '@/core/findings/take/take-state';
import { rendered } from '@/ui/testing/rendered';
import { ModelWaiting } from '../models/model-waiting';
import { OutlookTable } from '../score/outlook-table';
import { TakeGroups } from './take-groups';
import { UnheardSlider } from './unheard-slider';

const group = (name: string, states: TakeState[], drawn = true): TakeGroupView => ({
  level: name,
  name,
  take: takeOfStates(states),
  twins: [],
  marks: drawn
    ? states.map((state, i) => marks.push({ called: `Q-${i}`, href: `/plants/${name} ${i}`, state }) - 1)
    : null,
});
const marks: TakeBoard['marks'] = [];
const scope = {
  whose: 'of the club',
  filter: EVERYTHING,
  choices: { methods: [], years: [], lots: [], sites: [] },
  keepers: 5,
};

describe('keepers by what they share', () => {
  const groups = [group('Old Lantern', ['alive', 'dead', 'unknown']), group('Heron Slip', ['alive', 'alive'])];
  it('are seen one by one, each a link to its plant that says its fate', () => {
    const { html, words, buttons } = rendered(
      <TakeGroups board={{ scope, marks, kinds: [{ kind: 'variety', groups, more: 0 }] }} />,
    );
    expect(html.match(/href="\/plants\//g)).toHaveLength(5);
    expect(html).toContain('title="Q-1, died"');
    expect(words).toContain('1 live, 1 died, 1 unknown');
    expect(buttons[0]).toMatch(/^Variety/);
  });
  it('are bars where there are too many', () => {
    const many = group('Copper Buoy', Array<TakeState>(2000).fill('alive'), false);
    const kinds = [{ kind: 'variety' as const, groups: [many], more: 15_558 }];
    const { html, words } = rendered(<TakeGroups board={{ scope, marks, kinds }} />);
    expect(html).toContain('2000 live, 0 died');
    expect(html).not.toContain('/plants/');
    expect(words).toContain('15,558 more are counted and not listed');
  });
  it('say nothing where there is nobody', () => {
    expect(rendered(<TakeGroups board={{ scope, marks, kinds: [] }} />).html).toBe('');
  });
});

describe('those not heard of', () => {
  const counts = { alive: 30, dead: 10, unknown: 8 };
  it('say what the take would be, and where it turns', () => {
    const { words } = rendered(<UnheardSlider unheard={{ counts, reminded: { alive: 5, dead: 5 } }} groups={[]} />);
    expect(words).toContain('The 8 nobody heard of');
    expect(words).toMatch(/as often as those who answered only after a reminder, 71\s%/);
    expect(words).toMatch(/Only if at least 45\s% of those not heard of live/);
  });
  it('say which of two is ahead, and of neither where both did alike', () => {
    const two = (first: TakeState[], second: TakeState[]): string =>
      rendered(
        <UnheardSlider
          unheard={{ counts, reminded: { alive: 0, dead: 0 } }}
          groups={[group('Old Lantern', first), group('Heron Slip', second)]}
        />,
      ).words;
    const states = (alive: number, dead: number, unknown: number): TakeState[] => [
      ...Array<TakeState>(alive).fill('alive'),
      ...Array<TakeState>(dead).fill('dead'),
      ...Array<TakeState>(unknown).fill('unknown'),
    ];
    expect(two(['alive', 'alive'], ['alive', 'dead'])).toContain('do not tell which is better');
    expect(two(states(40, 4, 2), states(20, 20, 3))).toContain('Old Lantern is ahead whatever became of those');
    expect(two(states(20, 20, 30), states(30, 3, 30))).toMatch(/Heron Slip is ahead among those heard of/);
  });
  it('leave out the reminded below ten, and all of it where all were heard of', () => {
    const few = rendered(<UnheardSlider unheard={{ counts, reminded: { alive: 5, dead: 4 } }} groups={[]} />);
    expect(few.words).not.toContain('reminder');
    const all = { counts: { ...counts, unknown: 0 }, reminded: { alive: 0, dead: 0 } };
    expect(rendered(<UnheardSlider unheard={all} groups={[]} />).html).toBe('');
  });
});

describe('what is not there yet', () => {
  const nothing = () => undefined;
  it('says how far a model is, what is missing, or why there is none', () => {
    const shown = (view: Parameters<typeof ModelWaiting>[0]['view'], failed = false) =>
      rendered(<ModelWaiting view={view} failed={failed} again={nothing} />);
    expect(shown({ state: 'reckoning', share: 0.4 }).html).toContain('value="40"');
    expect(shown(null).words).toContain('Being reckoned');
    expect(shown({ state: 'refused', words: 'All 9 died.' }).words).toContain('All 9 died.');
    expect(shown(null, true).buttons).toEqual(['Ask again']);
    const missing = { known: 6, rarer: 1, missing: 30 };
    expect(shown({ state: 'missing', sentence: 'About 30 more answers would do.', missing }).words).toContain(
      '30 more',
    );
  });
  it('asks for forecasts where nobody made one', () => {
    expect(rendered(<OutlookTable outlooks={[]} />).words).toContain('Nobody was asked yet');
    const take = takeOfStates(['alive', 'dead']);
    expect(rendered(<OutlookTable outlooks={[{ said: 'yes', by: 'maker', take }]} />).words).toContain('the maker');
  });
});
