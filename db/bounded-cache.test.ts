import { describe, expect, it } from 'vitest';
import { boundedCache, cacheKey, cacheSizes, sizeOf } from './bounded-cache';

describe('a cache with a bound in bytes', () => {
  it('lets go of what was asked for longest ago, and keeps nothing larger than itself', () => {
    const cache = boundedCache<string>('test of bounds', 10_000);
    const long = 'x'.repeat(3000);
    for (const key of ['a', 'b']) cache.set(key, key + long);
    expect(cache.get('a')).toBe(`a${long}`);
    for (const key of ['c', 'd']) cache.set(key, key + long);
    // The first was asked for since, so the second goes.
    expect([cache.get('a'), cache.get('b'), cache.get('c')]).toEqual([`a${long}`, undefined, `c${long}`]);
    expect(cacheSizes()['test of bounds']).toBeLessThanOrEqual(10_000);
    cache.set('huge', 'x'.repeat(20_000));
    expect(cache.get('huge')).toBeUndefined();
    cache.delete('c');
    expect(cache.get('c')).toBeUndefined();
  });
  it('is one in a process, by its name', () => {
    boundedCache<number>('test of names', 5000).set('k', 7);
    expect(boundedCache<number>('test of names', 5000).get('k')).toBe(7);
    expect(boundedCache<number>('another name', 5000).get('k')).toBeUndefined();
  });
  it('counts bytes of what it cannot write out too, and more for more', () => {
    expect(sizeOf('x'.repeat(5000))).toBeGreaterThan(5000);
    expect(sizeOf(new Map([['key', 'x'.repeat(5000)]]))).toBeGreaterThan(5000);
    expect(sizeOf({ words: 'x'.repeat(5000), act: () => 1 })).toBeGreaterThan(5000);
  });
  it('keys by kind and by all a thing is made from', () => {
    expect(cacheKey('plan', [1, '2'])).toBe(cacheKey('plan', [1, '2']));
    const others = [
      cacheKey('plan', [1, 2]),
      cacheKey('plan', ['1', '2']),
      cacheKey('plans', [1, '2']),
      cacheKey('plan', null),
    ];
    expect(new Set([cacheKey('plan', [1, '2']), ...others]).size).toBe(5);
  });
});
