import type { Phenology } from './phenology';
import type { AssumptionById } from './assumptions';
import type { SeasonTurn, TurnsOfYear } from '../../methods/timetable/season-phases';
import { addDays, type IsoDate } from '../../units/iso-date';

type Hemisphere = 'north' | 'south';

/** Turns of the northern temperate year by the usual calendar, where a site knows nothing of its own. */
const USUAL_TURNS: Record<SeasonTurn, string> = {
  midsummer: '06-21',
  'buds-swell': '03-20',
  'leaves-out': '04-18',
  'last-frost': '05-01',
  'leaf-fall': '11-05',
};

/** The turns of a year by the calendar; half a year on in the south. */
export function usualTurns(hemisphere: Hemisphere): (year: number) => TurnsOfYear {
  const inYear = (year: number, monthDay: string): IsoDate => {
    if (hemisphere === 'north') return `${year}-${monthDay}`;
    const moved = addDays(`${year}-${monthDay}`, 183);
    return `${year}${moved.slice(4)}`;
  };
  return (year) =>
    Object.fromEntries(Object.entries(USUAL_TURNS).map(([turn, monthDay]) => [turn, inYear(year, monthDay)]));
}

/**
 * The turns of a species' year at a site, from its phenology; a turn that does not happen there is left out.
 *
 * @param phenology of the species in the cycle that holds a day.
 */
export function turnsOfYear(
  hemisphere: Hemisphere,
  phenology: (date: IsoDate) => Phenology,
  assumption: AssumptionById,
): (year: number) => TurnsOfYear {
  return (year) => {
    // Cycles run from midwinter to midwinter, which in the south is in July; the leaves of a cycle fall before it begins.
    const cycles = [`${year}-03-01`, `${year}-09-01`, `${year + 1}-03-01`].map(phenology);
    const inYear = (days: (IsoDate | undefined)[]): IsoDate | undefined =>
      days.find((day) => day?.startsWith(String(year)));
    const fallen = cycles.map(({ dormant }) => dormant && addDays(dormant.best, -assumption('sleep-lag').value));
    return {
      midsummer: `${year}-${hemisphere === 'north' ? '06-21' : '12-21'}`,
      'buds-swell': inYear(cycles.map(({ swell }) => swell?.best)),
      'leaves-out': inYear(cycles.map(({ leavesOut }) => leavesOut?.best)),
      'last-frost': inYear(cycles.map(({ lastFrost }) => lastFrost?.best)),
      'leaf-fall': inYear(fallen.map((day) => day ?? undefined)),
    };
  };
}
