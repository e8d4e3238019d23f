import { describe, expect, it } from 'vitest';
import { readLogger } from '@/exchange/logger-csv';
import { simulatedLog } from './simulated-logger';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('the simulated logger', () => {
  it('writes what can be read, faults and all', () => {
    const order = {
      from: '2027-01-01T00:00:00Z',
      days: 10,
      everyMinutes: 30,
      target: 2,
      unit: 'F' as const,
      faults: ['gap', 'repeats', 'disorder', 'warm-days'] as ('gap' | 'repeats' | 'disorder' | 'warm-days')[],
    };
    const read = readLogger(bytes(simulatedLog(order)), 'UTC', null);
    if ('problem' in read) throw new Error(read.problem);
    expect(read.notes.join(' ')).toMatch(/°F.*out of order.*repeated/);
    expect(read.run.values.length).toBeLessThan(480);
    expect(Math.max(...read.run.values)).toBeGreaterThan(6);
    expect(simulatedLog(order)).toBe(simulatedLog(order));
  });
  it('says in the file that it is simulated', () => {
    expect(
      simulatedLog({ from: '2027-01-01T00:00:00Z', days: 1, everyMinutes: 60, target: 2, unit: 'C', faults: [] }).split(
        '\r\n',
      )[0],
    ).toBe('time,temperature_c,simulated');
  });
});
