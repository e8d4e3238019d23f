import { describe, expect, it } from 'vitest';
import { keepLatest } from './keep-latest';

describe('keepLatest', () => {
  it('makes a result once for all who ask for the same, and no more than it may keep', async () => {
    const latest = keepLatest<number>('few', 1400);
    let made = 0;
    const ask = (from: string): Promise<number> => latest.get([from], async () => ++made);
    expect(await Promise.all([ask('whip'), ask('whip')])).toEqual([1, 1]);
    expect(latest.peek(['chip'])).toBeNull();
    await ask('chip');
    await ask('patch');
    expect(latest.peek(['whip'])).toBeNull();
    expect(await latest.peek(['patch'])).toBe(3);
  });
  it('makes anew what failed', async () => {
    const latest = keepLatest<string>('few', 1400);
    await expect(latest.get('a', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect(await latest.get('a', async () => 'drawn')).toBe('drawn');
  });
});
