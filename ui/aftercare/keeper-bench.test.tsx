import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import type { KeeperLine, KeeperMethod } from './keeper-line';
import { KeeperBench } from './keeper-bench';

const keeper = (id: string, code: string, seatId: string, voided = false): KeeperLine => ({
  id,
  code,
  voided,
  woodLotId: 'w',
  stockLotId: 's',
  seatId,
  unions: [
    {
      unionId: `u${id}`,
      made: 'Whip-and-tongue at the bench',
      method: 'splice',
      place: '',
      judged: '',
      madeOn: '2027-03-06',
      helped: false,
    },
  ],
});
const SEATS = [1, 2, 3].map((number) => ({ id: `s${number}`, number, name: `Person ${number}` }));
const splice = (notReady: number[]): KeeperMethod => ({
  id: 'splice',
  name: 'Splice',
  promised: 2,
  make: 3,
  notReady: SEATS.filter(({ number }) => notReady.includes(number)),
  positions: [],
  variants: [],
});
const bench = (changes: Partial<ComponentProps<typeof KeeperBench>> = {}) =>
  rendered(
    <KeeperBench
      unit="mm"
      workshopId="x"
      present={3}
      methods={[splice([])]}
      members={[]}
      mayChange
      wood={[{ id: 'w', variety: 'Grey Heron', ribbon: 'marsh' }]}
      stocks={[{ id: 's', stockType: 'Reedmoor' }]}
      seats={SEATS}
      keepers={[keeper('k1', 'K7M4XQ', 's1'), keeper('k2', 'W4C4TF', 's1', true), keeper('k3', 'SZFA38', 's3')]}
      {...changes}
    />,
  );

describe('the keepers', () => {
  it('lie by seat with code, variety and stock; voided ones say so', () => {
    const { words, buttons } = bench();
    expect(words).toMatch(/1\s?Person 1.*K7M 4XQ.*Grey Heron.*Reedmoor.*W4C 4TF.*voided.*3\s?Person 3.*SZF A38/);
    expect(words).not.toContain('Person 2K');
    expect(buttons.filter((label) => /K7M|W4C|SZF/.test(label))).toHaveLength(3);
    expect(words).toContain('Splice: 2 promised to each of 3 present, 3 made each so that they live; 2 are made.');
  });
  it('name who is not ready, and where somebody may be let through', () => {
    const by = (notReady: number[]) => bench({ methods: [splice(notReady)] });
    expect(by([2]).words).toContain('Not ready for living wood by splice: 2 Person 2.');
    expect(by([1, 2]).words).toContain('Not ready for living wood by splice: 1 Person 1, 2 Person 2.');
    const all = by([1, 2, 3]);
    expect(all.words).toContain('Not ready for living wood by splice: nobody is yet.');
    expect(all.html).toContain('href="/workshops/x/score/readiness?method=splice"');
  });
  it('tell what was judged of them, and that nobody judged the others', () => {
    const [first, ...others] = [keeper('k1', 'K7M4XQ', 's1'), keeper('k3', 'SZFA38', 's3')];
    const judged = { ...first!, unions: [{ ...first!.unions[0]!, place: 'the upper one', judged: 'finished 84' }] };
    const { words } = bench({ keepers: [judged, ...others] });
    expect(words).toMatch(/K7M 4XQ.*the upper one, finished 84.*SZF A38.*not judged/);
  });
  it('are looked at and not touched by viewers', () => {
    const { buttons, words } = bench({ mayChange: false });
    expect(buttons.join()).not.toMatch(/K7M|Make/);
    expect(words).toContain('K7M 4XQ');
  });
  it('are told how to be made while there are none', () => {
    expect(bench({ keepers: [] }).words).toContain('No keepers yet. Make them in one step');
  });
});
