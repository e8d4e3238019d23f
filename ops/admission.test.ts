import { describe, expect, it } from 'vitest';
import { admission } from './admission';

const soon = (ms = 5): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

describe('admission', () => {
  it('lets so many in at once, the others one by one in their order, and none twice', async () => {
    const ask = admission({ atOnce: 3, waiting: 100, patience: 5000 });
    let inside = 0;
    let most = 0;
    const order: number[] = [];
    await Promise.all(
      Array.from({ length: 40 }, async (_, i) => {
        const leave = (await ask())!;
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
  it('turns away who finds the queue full or waits too long, and forgets them', async () => {
    const ask = admission({ atOnce: 1, waiting: 1, patience: 30 });
    const leave = (await ask())!;
    const waits = ask();
    expect(await ask()).toBeNull();
    expect(await waits).toBeNull();
    leave();
    expect(await ask()).not.toBeNull();
  });
  it('holds a place no longer than asked, so that who hangs inside keeps nobody out', async () => {
    const ask = admission({ atOnce: 1, waiting: 5, patience: 5000, hold: 40 });
    const hanging = (await ask())!;
    const began = performance.now();
    const second = (await ask())!;
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
