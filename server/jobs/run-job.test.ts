import { describe, expect, it } from 'vitest';
import type { AdjustedUnion } from '@/core/findings/mixed/adjusted-design';
import { runJob, JobTooLong } from './run-job';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
/** Keepers of many hands and lots, whose model takes a while. */
const unions = (count: number): AdjustedUnion[] =>
  Array.from({ length: count }, (_, i) => ({
    alive: (i * 7919) % 13 > 3,
    method: 'whip',
    score: null,
    fatal: null,
    groups: { wood_lot: `l${i % 37}`, stock_lot: `s${i % 11}`, workshop: `w${i % 9}`, grafter: `g${i % 61}` },
  }));

describe('jobs of the pool', () => {
  it('take plain data to a thread and bring the result back, telling how far they are', async () => {
    const shares: number[] = [];
    const fit = await runJob('fit mixed', [unions(4000)], { limit: 60_000, tell: (share) => shares.push(share) });
    expect(fit.unions).toBe(4000);
    expect(shares.every((share) => share > 0 && share < 1)).toBe(true);
    expect(shares.length).toBeGreaterThan(0);
  });
  it('that take too long are ended alone: others go on, and the next is done', async () => {
    const long = runJob('fit mixed', [unions(400_000)], { limit: 30 });
    const short = runJob('read roster', [bytes('name,email\nOna Ferrel,ona@reed.example')]);
    await expect(long).rejects.toThrow(JobTooLong);
    expect((await short).lines).toHaveLength(1);
    expect((await runJob('read roster', [bytes('name\nBram Ode')])).lines).toHaveLength(1);
  });
  it('count their time from when they begin, not from when they were asked', async () => {
    // Four on two threads: the later two wait longer than any of them may take.
    const alone = performance.now();
    await runJob('fit mixed', [unions(4000)], { limit: 60_000 });
    const limit = 2.2 * (performance.now() - alone) + 200;
    const fits = await Promise.all(Array.from({ length: 6 }, () => runJob('fit mixed', [unions(4000)], { limit })));
    expect(fits.map((fit) => fit.unions)).toEqual(Array<number>(6).fill(4000));
  });
  it('say in words what they cannot do', async () => {
    const refused = runJob('fit mixed', [[]]);
    await expect(refused).rejects.toThrow(/\w+ .*\w+/);
    await expect(refused).rejects.not.toBeInstanceOf(JobTooLong);
  });
});
