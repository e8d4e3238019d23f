import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SeasonWorkshop } from '@/core/plan/dates/season-line';
import { addDays } from '@/core/units/iso-date';
import { rendered } from '@/ui/testing/rendered';
import { SeasonLine } from './season-line';

const workshop = (id: string, date: string, changes: Partial<SeasonWorkshop> = {}): SeasonWorkshop => ({
  id,
  title: `Workshop ${id}`,
  date,
  trail: null,
  ...changes,
});
const line = (workshops: SeasonWorkshop[], chosen: string | null = null) =>
  rendered(<SeasonLine today="2027-03-06" shiftMonths={0} hemisphere="north" workshops={workshops} chosen={chosen} />);
const trail = {
  wood: { from: '2027-01-05', to: '2027-02-10' },
  stocks: { from: '2027-02-20', to: '2027-03-01' },
  callus: { from: '2027-03-06', to: '2027-03-20' },
  planting: { from: '2027-07-10', to: '2027-07-30' },
  rounds: [{ name: 'Growing', date: '2027-05-02' }],
};

describe('the season line', () => {
  it('has a way to each workshop, the chosen one told to those who do not see it', () => {
    const { html, words } = line([workshop('a', '2027-02-06'), workshop('b', '2027-04-10')], 'b');
    expect(html).toContain('href="/workshops/a/plan"');
    expect(
      /<a[^>]*aria-current="page"[^>]*href="\/workshops\/b\/plan"|<a[^>]*href="\/workshops\/b\/plan"[^>]*aria-current="page"/.test(
        html,
      ),
    ).toBe(true);
    expect(html.match(/aria-current/g)).toHaveLength(1);
    expect(words).toContain('6 Feb 2027');
  });
  it('writes the dates that hang on the chosen workshop out, and only those', () => {
    const chosen = line([workshop('a', '2027-03-06', { trail })], 'a').words;
    for (const name of ['cut wood', 'wake stocks', 'plant out', 'growing']) expect(chosen).toContain(name);
    expect(line([workshop('a', '2027-03-06', { trail })]).words).not.toContain('cut wood');
  });
  it('marks today, while today is on it', () => {
    expect(line([]).words).toContain('today');
    expect(
      rendered(<SeasonLine today="2027-03-06" shiftMonths={36} hemisphere="south" workshops={[]} chosen={null} />)
        .words,
    ).not.toContain('today');
  });
  it('hangs no tag over another, however close the workshops', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 300 }), { maxLength: 12 }), (days) => {
        const { html } = line(days.map((day, i) => workshop(`w${i}`, addDays('2026-11-01', day))));
        const tags = [...html.matchAll(/style="left:([\d.]+)%;top:([\d.]+)%;width:([\d.]+)%;height:([\d.]+)%"/g)].map(
          (match) => match.slice(1).map(Number) as [number, number, number, number],
        );
        for (const [i, [left, top, width, height]] of tags.entries()) {
          expect(left >= 0 && left + width <= 100.01 && top + height <= 100.01).toBe(true);
          for (const [x, y] of tags.slice(i + 1))
            expect(Math.abs(left - x) >= width - 0.01 || Math.abs(top - y) >= height - 0.01).toBe(true);
        }
      }),
      { numRuns: 30 },
    );
  });
});
