import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { SeasonWorkshop } from '@/core/planning/season-line';
import { SeasonLine } from './season-line';

const workshop = (id: string, date: string, rounds: { name: string; date: string }[] = []): SeasonWorkshop => ({
  id, title: `Workshop ${id}`, date, trail: { wood: { from: '2027-01-05', to: '2027-02-01' }, stocks: null, callus: null, planting: null, rounds },
});

function line(chosen: string | null, workshops: SeasonWorkshop[], shiftMonths = 0): string {
  return renderToStaticMarkup(<SeasonLine today="2027-02-10" hemisphere="north" shiftMonths={shiftMonths} chosen={chosen} workshops={workshops} />);
}

describe('the season line', () => {
  const both = [workshop('a', '2027-03-06', [{ name: 'Healed', date: '2027-03-27' }]), workshop('b', '2026-09-05')];
  it('is a way around: a link to each workshop, the chosen one marked', () => {
    const html = line('a', both);
    expect(html.match(/href="\/workshops\/[ab]\/plan"/g)).toHaveLength(2);
    expect(html.match(/aria-current="page"/g)).toHaveLength(1);
    expect(html).toMatch(/aria-current="page"[^>]*href="\/workshops\/a\/plan"/);
  });
  it('marks today and the months, with the year where it turns', () => {
    const html = line(null, both);
    expect(html).toContain('today');
    expect(html).toContain('Jan 2027');
    expect(line(null, both, 24)).not.toContain('>today<');
  });
  it('writes out what trails the chosen workshop, and only that', () => {
    expect(line('a', both)).toContain('>healed<');
    expect(line('b', both)).not.toContain('>healed<');
    expect(line('a', both)).toContain('>cut wood<');
  });
  it('leaves out what lies beyond it', () => {
    expect(line(null, [workshop('old', '2019-03-02')])).not.toContain('Workshop old');
  });
});
