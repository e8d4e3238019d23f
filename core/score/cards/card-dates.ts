import type { PersonCard } from './person-card';

/** Something that is due on what goes home. */
export interface CardDate {
  from: string;
  to: string;
  /** A look that is asked after later, as against something to do. */
  look: boolean;
  what: string;
  missed: string | null;
}

/**
 * All that is due on what somebody takes home, looks and tasks together, in the order of their days.
 *
 * @example datesOnCard({ looks: [{ from: '2027-03-20', to: '2027-03-27', lookFor: 'callus', method: '' }], tasks: [] })
 */
export function datesOnCard({ looks, tasks }: Pick<PersonCard, 'looks' | 'tasks'>): CardDate[] {
  const all: CardDate[] = [
    ...tasks.map(({ from, to, name, method, missed }) => ({
      from,
      to,
      look: false,
      what: method ? `${method}: ${name}` : name,
      missed,
    })),
    ...looks.map(({ from, to, lookFor, method }) => ({
      from,
      to,
      look: true,
      what: `${method ? `${method}, look` : 'Look'}: ${lookFor}`,
      missed: null,
    })),
  ];
  return all.sort((a, b) => a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
}
