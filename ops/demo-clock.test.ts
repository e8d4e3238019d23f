import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { clockNow } from '@/server/platform/clock';
import { clockMove, keepClockMove } from './demo-clock';

let data: string;
beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'pear-bench-clock-'));
});
afterEach(() => {
  rmSync(data, { recursive: true });
  delete process.env.PEAR_BENCH_CLOCK_OFFSET;
});
const NOW = new Date('2026-12-01T17:45:12Z');

describe('the clock of a demo', () => {
  it('is moved by whole days, so that the hour stays', () => {
    const move = clockMove(data, '2027-05-10', NOW);
    expect(new Date(NOW.getTime() + move).toISOString()).toBe('2027-05-10T17:45:12.000Z');
    expect(clockMove(data, '2026-12-01', NOW)).toBe(0);
    expect(clockMove(data, '2026-11-30', NOW)).toBe(-86_400_000);
  });
  it('runs on from there at the next start, until it is set right again', () => {
    expect(clockMove(data, undefined, NOW)).toBe(0);
    const move = clockMove(data, '2027-05-10', NOW);
    keepClockMove(data, move);
    expect(clockMove(data, undefined, new Date('2026-12-04T08:00:00Z'))).toBe(move);
    keepClockMove(data, clockMove(data, '2026-12-05', new Date('2026-12-05T08:00:00Z')));
    expect(clockMove(data, undefined, NOW)).toBe(0);
  });
  it('is the one all of the server goes by', () => {
    process.env.PEAR_BENCH_CLOCK_OFFSET = String(40 * 86_400_000);
    expect(Math.abs(clockNow().getTime() - Date.now() - 40 * 86_400_000)).toBeLessThan(5000);
  });
});
