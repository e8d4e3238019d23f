import { describe, expect, it } from 'vitest';
import type { DeviceQueue } from '@/ui/kit/device/use-device-queue';
import { rendered } from '@/ui/testing/rendered';
import { unionLife } from '@/ui/testing/union-life';
import { KeepOne } from './keep-one';
import type { AtPlant } from './at-plant';

const at: AtPlant = {
  plantId: 'p',
  code: 'K7M4XQ',
  me: { id: 'maren', name: 'Maren' },
  mayChange: true,
  unit: 'mm',
  queue: { waiting: [], link: 'online' } as unknown as DeviceQueue,
  marks: { isMarked: () => false, mark: () => Promise.resolve() } as unknown as AtPlant['marks'],
};
const bud = (place: string, changes: object = {}) => unionLife({ unionId: place, place, keepsOne: true, ...changes });
const [front, back] = [bud('the one in front'), bud('the one behind')];

describe('which of two buds is kept', () => {
  it('is asked where both live, of whoever may enter it', () => {
    const { words, buttons } = rendered(<KeepOne lives={[front, back]} at={at} />);
    expect(words).toContain('Which bud is kept?');
    expect(buttons).toEqual(['Headed back above the one in front', 'Headed back above the one behind']);
    expect(rendered(<KeepOne lives={[front, back]} at={{ ...at, mayChange: false }} />).html).toBe('');
  });
  it('is no question where one is dead or cut away, of scions round a stump, or of one bud', () => {
    for (const lives of [
      [front, bud('the one behind', { state: 'dead' })],
      [front, bud('the one behind', { state: 'cut-away' })],
      [bud('the first scion', { keepsOne: false }), bud('the second scion', { keepsOne: false })],
      [front],
    ])
      expect(rendered(<KeepOne lives={lives} at={at} />).html).toBe('');
  });
});
