import { daysBetween, type IsoDate } from '../../units/iso-date';

export interface SeasonWindow {
  from: IsoDate;
  to: IsoDate;
}

/** The stretch of time the line shows: from eight months before the month of `today` to six after. */
export function seasonWindow(today: IsoDate, shiftMonths = 0): SeasonWindow {
  return { from: monthStart(today, shiftMonths - 8), to: monthStart(today, shiftMonths + 7) };
}

/** First of the month `months` away from the month of `date`. */
function monthStart(date: IsoDate, months: number): IsoDate {
  const index = Number(date.slice(0, 4)) * 12 + Number(date.slice(5, 7)) - 1 + months;
  return `${Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}-01`;
}

/** Where a date lies in the stretch shown, 0 at its start to 1 at its end; outside it, beyond those. */
export function placeInSeason(shown: SeasonWindow, date: IsoDate): number {
  return daysBetween(shown.from, date) / daysBetween(shown.from, shown.to);
}

/** The months of a stretch, each with its place and its month number from 1. */
export function monthsOf(
  shown: SeasonWindow,
): { start: IsoDate; month: number; year: number; at: number; end: number }[] {
  const months = [];
  for (let start = shown.from; start < shown.to;) {
    const next = monthStart(start, 1);
    months.push({
      start,
      month: Number(start.slice(5, 7)),
      year: Number(start.slice(0, 4)),
      at: placeInSeason(shown, start),
      end: placeInSeason(shown, next),
    });
    start = next;
  }
  return months;
}

/**
 * How far a temperate plant is in leaf in the middle of a month, 0 bare to 1 full: a picture of the
 * year's course by the usual calendar, no forecast.
 */
export function leafiness(month: number, hemisphere: 'north' | 'south'): number {
  const NORTH = [0, 0, 0.1, 0.4, 0.8, 1, 1, 1, 0.9, 0.5, 0.1, 0];
  return NORTH[(month - 1 + (hemisphere === 'south' ? 6 : 0)) % 12]!;
}

export interface Span {
  from: IsoDate;
  to: IsoDate;
}

/** A workshop as the line shows it. Its trail is worked out where there is room to show it, and null elsewhere. */
export interface SeasonWorkshop {
  id: string;
  title: string;
  date: IsoDate;
  trail: Trail<Span, IsoDate> | null;
}

/** What hangs on a workshop: cutting wood, waking stocks, callusing, planting out, and rounds. */
interface Trail<Stretch, Point> {
  wood: Stretch | null;
  stocks: Stretch | null;
  callus: Stretch | null;
  planting: Stretch | null;
  rounds: { name: string; date: Point }[];
}

export interface Peg {
  id: string;
  title: string;
  date: IsoDate;
  at: number;
  /** Where its tag begins: a little left of the wire, and within the line. */
  left: number;
  /** Level it hangs at, 0 highest, so that tags of near dates do not cover each other. */
  level: number;
  /** Places on the line. */
  trail: Trail<{ from: number; to: number }, number> | null;
}

/** Lays out workshops as pegs; a tag's width, what of it stands left of its wire, and the room between tags are shares of the line. */
export function layPegs(
  shown: SeasonWindow,
  workshops: readonly SeasonWorkshop[],
  tag: { width: number; before: number; gap: number },
): Peg[] {
  const place = (date: IsoDate): number => placeInSeason(shown, date);
  const stretch = (span: Span | null): { from: number; to: number } | null =>
    span ? { from: place(span.from), to: place(span.to) } : null;
  const ends: number[] = [];
  return [...workshops]
    .filter(({ date }) => date >= shown.from && date < shown.to)
    .sort((a, b) => a.date.localeCompare(b.date) || a.id.localeCompare(b.id))
    .map(({ trail, ...workshop }) => {
      const at = place(workshop.date);
      const left = Math.max(0, Math.min(at - tag.before, 1 - tag.width));
      let level = ends.findIndex((end) => end <= left);
      if (level < 0) level = ends.length;
      ends[level] = left + tag.width + tag.gap;
      return {
        ...workshop,
        at,
        left,
        level,
        trail: trail && {
          wood: stretch(trail.wood),
          stocks: stretch(trail.stocks),
          callus: stretch(trail.callus),
          planting: stretch(trail.planting),
          rounds: trail.rounds.map(({ name, date }) => ({ name, date: place(date) })),
        },
      };
    });
}
