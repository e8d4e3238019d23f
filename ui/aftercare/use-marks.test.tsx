import { describe, expect, it } from 'vitest';
import type { Waiting } from '@/ui/kit/device/device-database';
import type { DeviceQueue } from '@/ui/kit/device/use-device-queue';
import { rendered } from '@/ui/testing/rendered';
import { useMarks } from './use-marks';

const ME = { id: 'maren', name: 'Maren' };
const MARK = { unionId: 'u1', task: 'suckers', occurrence: 0 };

/** Whether a task counts as done on a device where this waits. */
function marked(...waiting: Partial<Waiting>[]): boolean {
  const queue = { waiting: waiting as Waiting[], link: 'online' } as unknown as DeviceQueue;
  function Shown() {
    return <output>{String(useMarks(queue, ME).isMarked(MARK))}</output>;
  }
  return rendered(<Shown />).words.includes('true');
}

const tap = (changes: object = {}): Partial<Waiting> => ({
  kind: 'marks',
  judgementId: 'tap',
  refusal: null,
  body: { marks: [MARK], outcome: 'done', on: '2027-04-01', reason: '' },
  ...changes,
});

describe('a task on a device', () => {
  it('counts as done while its tap waits, of that union and that time only', () => {
    expect(marked(tap())).toBe(true);
    expect(marked()).toBe(false);
    expect(marked(tap({ body: { ...tap().body, marks: [{ ...MARK, occurrence: 1 }] } }))).toBe(false);
    expect(marked(tap({ body: { ...tap().body, marks: [{ ...MARK, unionId: 'u2' }] } }))).toBe(false);
  });
  it('is open again when the tap waits to be taken back, or the server would not have it', () => {
    expect(marked(tap(), { kind: 'marks-back', judgementId: 'tap', refusal: null, body: {} })).toBe(false);
    expect(marked(tap({ refusal: 'The plant was not found.' }))).toBe(false);
  });
});
