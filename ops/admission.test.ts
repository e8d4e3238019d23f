import { describe, expect, it } from 'vitest';
import { admission, type Answer } from './admission';

const soon = (ms = 5): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

const leaveOf = (answer: Answer): (() => void) => {
  if (!('leave' in answer)) throw new Error('There was no room.');
  return answer.leave;
};

describe('admission', () => {
  it('lets so many in at once, the others one by one in their order, and none twice', async () => {
    const ask = admission({ atOnce: 3, waiting: 100, patience: 5000 });
    let inside = 0;
    let most = 0;
    const order: number[] = [];
    await Promise.all(
      Array.from({ length: 40 }, async (_, i) => {
        const leave = leaveOf(await ask());
        inside++;
        most = Math.max(most, inside);
        order.push(i);
        await soon(1);
        inside--;
        leave();
        leave();
      }),
    );
    expect(most).toBe(3);
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(order).toHaveLength(40);
  });
  it('turns away who finds the queue full or waits too long, says when to come again, and forgets them', async () => {
    const ask = admission({ atOnce: 1, waiting: 1, patience: 30 });
    const leave = leaveOf(await ask());
    const waits = ask();
    expect(await ask()).toEqual({ again: 1 });
    expect(await waits).toEqual({ again: 1 });
    leave();
    leaveOf(await ask());
  });
  it('turns away at once whose turn would not come in time, by how long work has taken', async () => {
    const ask = admission({ atOnce: 1, waiting: 1000, patience: 200 });
    for (let i = 0; i < 30; i++) {
      const leave = leaveOf(await ask());
      await soon(40);
      leave();
    }
    const inside = leaveOf(await ask());
    const began = performance.now();
    const answers = Array.from({ length: 30 }, () => ask());
    const last = await answers.at(-1)!;
    expect(last).toEqual({ again: 1 });
    expect(performance.now() - began).toBeLessThan(100);
    inside();
    // Who was told to wait is let in.
    leaveOf(await answers[0]!)();
  });
  it('holds a place no longer than asked, so that who hangs inside keeps nobody out', async () => {
    const ask = admission({ atOnce: 1, waiting: 5, patience: 5000, hold: 40 });
    const hanging = leaveOf(await ask());
    const began = performance.now();
    const second = leaveOf(await ask());
    expect(performance.now() - began).toBeGreaterThan(30);
    // Given back late, it is not given twice.
    hanging();
    let third = false;
    const waits = ask().then(() => {
      third = true;
    });
    await soon(5);
    expect(third).toBe(false);
    second();
    await waits;
    expect(third).toBe(true);
  });
});
