import { describe, expect, it } from 'vitest';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { METHODS } from '@/core/methods/registry';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { addDays } from '@/core/units/iso-date';
import { siteCalendar } from '@/core/plan/dates/taught-on';

/** Runs of the same variant over two years of days, in their order. */
function runsOf(at: (date: string) => string, days = 730): string[] {
  const runs: string[] = [];
  for (let i = 0; i < days; i++) {
    const variant = at(addDays('2027-01-01', i));
    if (runs.at(-1) !== variant) runs.push(variant);
  }
  return runs;
}

describe.each(CLIMATES.map((climate) => [climate.name, climate] as const))(
  'the variant that is proposed: %s',
  (_name, site) => {
    const { hemisphere, normals, lastFrost, firstFrost, frostMargin } = site;
    const climate = { normals, lastFrost, firstFrost, frostMargin };
    const calendar = siteCalendar({ hemisphere, climate, edits: {}, observations: [] }, METHODS);
    it.each(METHODS.map((method) => [method.id, method] as const))(
      'of %s goes once round a year, and never back',
      (id, method) => {
        for (const place of method.use.places)
          for (const kind of ['pear', 'plum', 'walnut', 'fig', 'lemon']) {
            const on = (date: string) =>
              calendar.on(
                {
                  method: id,
                  place,
                  scionSpecies: kindOf(kind),
                  stockSpecies: kindOf(kind),
                  practiceEach: 0,
                  keepersEach: 0,
                  practiceOn: 'prunings',
                },
                date,
              );
            const runs = runsOf((date) => on(date).variant.id);
            // Two years: each variant comes twice at most, and the first one may come once more at the end.
            expect(runs.length, `${id} ${place} ${kind}: ${runs.join(' ')}`).toBeLessThanOrEqual(
              2 * new Set(runs).size + 1,
            );
            const { fitting, variant } = on('2027-08-15');
            expect(fitting[0]).toBe(variant);
          }
      },
    );
  },
);
