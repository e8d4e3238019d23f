import { formatDate } from '../../units/iso-date';
import type { PersonCard } from './person-card';

/** Something that is due on what goes home. */
export interface CardLine {
  /** Its days, or what the plant shows by then; as words. */
  when: string;
  /** A look that is asked after later, as against something to do. */
  look: boolean;
  what: string;
  missed: string | null;
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const by = (method: string, what: string): string => (method ? `${method}: ${what}` : capital(what));

/**
 * All that is due on what somebody takes home: looks and tasks together in the order of their days, then what waits
 * for the plant to show it, such as a tie that comes off at so much growth.
 *
 * @example linesOnCard({ looks: [], tasks: [{ name: 'Tie off', due: null, when: 'at 150 mm of growth', missed: null,
 *   method: '' }] })[0].when // 'At 150 mm of growth'
 */
export function linesOnCard({ looks, tasks }: Pick<PersonCard, 'looks' | 'tasks'>): CardLine[] {
  const dated = [
    ...tasks.flatMap(({ due, name, missed, method }) =>
      due ? [{ ...due, look: false, what: by(method, name), missed }] : [],
    ),
    ...looks.map(({ from, to, lookFor, method }) => ({
      from,
      to,
      look: true,
      what: `${method ? `${method}, look` : 'Look'}: ${lookFor}`,
      missed: null,
    })),
  ].sort((a, b) => a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
  return [
    ...dated.map(({ from, to, ...line }) => ({
      ...line,
      when: from === to ? formatDate(from) : `${formatDate(from)} to ${formatDate(to)}`,
    })),
    ...tasks
      .filter(({ due }) => due === null)
      .map(({ name, when, missed, method }) => ({
        when: capital(when),
        look: false,
        what: by(method, name),
        missed,
      })),
  ];
}
