import { describe, expect, it } from 'vitest';
import { readSentFile } from './run-job';
import { READERS } from './read-files';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
/** A minute's log from an instant on, low by night and high by day, with one warm hour. */
function minutes(count: number, from = Date.UTC(2027, 0, 1)): string {
  const lines = ['time,temperature_c'];
  for (let i = 0; i < count; i++)
    lines.push(
      `${new Date(from + i * 60_000).toISOString().slice(0, 19)}Z,${(i === 777 ? 9.5 : i === 12_345 ? -3.25 : 2 + Math.sin(i / 700)).toFixed(2)}`,
    );
  return lines.join('\n');
}
const run = (text: string, zone = 'UTC') => readSentFile('read run', bytes(text), zone, null);

describe('the thread that reads files', () => {
  it('sums a long log up by all its readings and not by some, and keeps every one', async () => {
    const read = await run(minutes(60_000));
    if ('problem' in read) throw new Error(read.problem);
    expect(read.summary).toMatchObject({ readings: 60_000, high: 9.5, low: -3.25, gaps: [] });
    expect(read.summary.hoursBelow).toBeCloseTo(1 / 60, 6);
    expect(read.plotted.length).toBeLessThanOrEqual(5000);
    for (const value of [9.5, -3.25]) expect(read.plotted.some((reading) => reading.value === value)).toBe(true);
    const { gunzipSync } = await import('node:zlib');
    expect(gunzipSync(read.series)).toHaveLength(60_000 * 16);
  });
  it('keeps this thread free meanwhile', async () => {
    const text = minutes(200_000);
    await run(minutes(10));
    let worst = 0;
    let last = performance.now();
    const watch = setInterval(() => {
      worst = Math.max(worst, performance.now() - last);
      last = performance.now();
    }, 5);
    await run(text);
    clearInterval(watch);
    // A busy machine makes a timer late; reading 200,000 lines here would keep it waiting for seconds.
    expect(worst).toBeLessThan(400);
  });
  it.each([
    ['half a million bad lines', `time,temperature_c\n${'nonsense,nonsense\n'.repeat(440_000)}`],
    ['one long line', 'x'.repeat(8_000_000)],
    ['nothing but commas', ','.repeat(8_000_000)],
    ['nothing but quotes', '"'.repeat(8_000_000)],
    ['an open quote', `time,temperature_c\n"${'a,b\n'.repeat(2_000_000)}`],
    ['empty lines', '\n'.repeat(8_000_000)],
    ['old line ends', 'a,b\r'.repeat(2_000_000)],
    ['semicolons', 'a;b;c;d;e\n'.repeat(800_000)],
  ])(
    'says of %s in all four readers what is wrong, and goes on with the next file',
    async (_what, text) => {
      for (const kind of Object.keys(READERS) as (keyof typeof READERS)[]) {
        const read = kind === 'run' ? await run(text) : await readSentFile(`read ${kind as 'roster'}`, bytes(text));
        expect((read as { problem: string | null }).problem, kind).toBeTruthy();
      }
      expect(await run('time,temperature_c\n2027-01-01,2\n2027-01-02,3')).toMatchObject({ summary: { readings: 2 } });
    },
    60_000,
  );
});
