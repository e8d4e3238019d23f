import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import type { KeeperLine } from './change-keepers';
import { KeeperBench } from './keeper-bench';

const keeper = (id: string, code: string, seatId: string, voided = false): KeeperLine => ({
  id,
  code,
  voided,
  woodLotId: 'w',
  stockLotId: 's',
  seatId,
});
const bench = (changes: Partial<ComponentProps<typeof KeeperBench>> = {}) =>
  rendered(
    <KeeperBench
      workshopId="x"
      promised={2}
      present={3}
      shut={[]}
      mayChange
      wood={[{ id: 'w', variety: 'Grey Heron', ribbon: 'marsh' }]}
      stocks={[{ id: 's', stockType: 'Reedmoor' }]}
      seats={[1, 2, 3].map((number) => ({ id: `s${number}`, number, name: `Person ${number}` }))}
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
    expect(words).toContain('2 promised to each of 3 present; 2 are made.');
  });
  it('name who is not ready, and where somebody may be let through', () => {
    expect(bench({ shut: [2] }).words).toContain('Not ready for living wood: seat 2.');
    expect(bench({ shut: [1, 2] }).words).toContain('Not ready for living wood: seats 1, 2.');
    const all = bench({ shut: [1, 2, 3] });
    expect(all.words).toContain('Not ready for living wood: nobody is yet.');
    expect(all.html).toContain('href="/workshops/x/score/readiness"');
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
