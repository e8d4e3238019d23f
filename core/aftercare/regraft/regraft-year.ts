import { counted } from '../../units/counted';
import { formatDate, type IsoDate, addDays } from '../../units/iso-date';
import type { Place } from '../../methods/use';
import type { MethodFacts } from '../../methods/method-facts';
import { askedMethod } from '../../plan/dates/planned-method';
import type { SiteYear, siteCalendar } from '../../plan/dates/taught-on';
import type { OpenSeason, RegraftWay, RegraftYear } from './regraft-ways';

/** Half a year on, days: seasons are told in northern months. */
const HALF_YEAR = 183;

/**
 * The year of a scion on a stock that holds a day, as the site has it; by the usual calendar where the site has no
 * normals.
 */
export function regraftYear(
  calendar: Pick<ReturnType<typeof siteCalendar>, 'phenology' | 'yearOf'>,
  { hemisphere }: Pick<SiteYear, 'hemisphere'>,
  { scion, stock }: { scion: string; stock: string },
  day: IsoDate,
): RegraftYear {
  const year = calendar.phenology(stock, day);
  const seasons = (method: MethodFacts, place: Place): OpenSeason[] => {
    const found = calendar.yearOf(askedMethod(method.id, place, { scion, stock }), day);
    if (!found)
      return method.use.seasons
        .filter(({ places }) => !places || places.includes(place))
        .map((season) => ({ season, days: usualDays(season, year.from, hemisphere) }));
    return found.windows.flatMap(({ season, window }): OpenSeason[] => {
      if ('never' in window) return [];
      return [{ season, days: 'always' in window ? null : { from: window.from.best, to: window.to.best } }];
    });
  };
  return { scion: calendar.phenology(scion, day), stock: year, seasons };
}

function usualDays(
  { from, to }: { from: string; to: string },
  cycleFrom: IsoDate,
  hemisphere: 'north' | 'south',
): { from: IsoDate; to: IsoDate } {
  const dated = (monthDay: string): IsoDate =>
    addDays(`${cycleFrom.slice(0, 4)}-${monthDay}`, hemisphere === 'south' ? HALF_YEAR : 0);
  return { from: dated(from), to: dated(to) };
}

/** Names of methods in their variants, by id: "Chip bud in late summer". */
type MadeWords = (way: Pick<RegraftWay, 'method' | 'variant'>) => string;

/** The way that comes next, as the name of a task. */
export function regraftName(way: RegraftWay, madeWords: MadeWords): string {
  return `Graft the stock again: ${wayWords(way, madeWords)}`;
}

/** A way in words: "chip bud in late summer, into the other side". */
export function wayWords(way: RegraftWay, madeWords: MadeWords): string {
  const made = madeWords(way);
  return `${made.charAt(0).toLowerCase()}${made.slice(1)}${way.otherSide ? ', into the other side' : ''}`;
}

/** Which wood a way wants, in a sentence. */
export function regraftWoodWords({ wood, cut }: Pick<RegraftWay, 'wood' | 'cut'>, sticksLeft: number): string {
  switch (wood) {
    case 'left':
      return `${counted(sticksLeft, 'dormant stick')} of it ${sticksLeft === 1 ? 'is' : 'are'} left.`;
    case 'to-cut':
      return `Cut dormant wood of it from ${formatDate(cut!.from)} to ${formatDate(cut!.to)}.`;
    case 'fresh':
      return 'Cut fresh on the day.';
    case 'sought':
      return 'It wants dormant wood, and none of it is left here: ask who has some in the cold.';
  }
}
