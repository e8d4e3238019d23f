/** Somebody of whose grafts nothing was heard in a round. */
export interface Unheard {
  personId: string;
  /** Grafts of theirs that nobody told of. */
  grafts: number;
  /** Days since they were first asked; 0 for who was not asked yet. */
  days: number;
  /** They can be called at all. */
  hasPhone: boolean;
}

/** What is known of a round's take: counts of all it asked of. */
export interface Heard {
  alive: number;
  dead: number;
  unknown: number;
}

/** What a call would do. */
export interface Call extends Unheard {
  /** Share of all by which the bounds come nearer when all of theirs are told of. */
  narrows: number;
  /** Between what the take could lie after this call and those before it. */
  width: number;
}

/** The least and the most the take could be, of all that were handed over. */
export function takeBounds({ alive, dead, unknown }: Heard): { least: number; most: number } | null {
  const all = alive + dead + unknown;
  return all === 0 ? null : { least: alive / all, most: (alive + unknown) / all };
}

/**
 * Whom to phone first: the calls that bring least and most nearest to each other. Each graft that is told of takes one
 * nth off the width between them, alive or dead, so that whoever has most of them comes first; of two alike, who was
 * asked longest ago. Without a number nobody is called, and they come last.
 *
 * @throws RangeError when counts are none, or more is unheard than unknown
 */
export function whomToPhone(people: readonly Unheard[], heard: Heard): Call[] {
  const all = heard.alive + heard.dead + heard.unknown;
  const grafts = people.reduce((sum, person) => sum + person.grafts, 0);
  if (Object.values(heard).some((count) => !(Number.isInteger(count) && count >= 0)) || grafts > heard.unknown)
    throw new RangeError('Counts are whole and not below 0, and no more is unheard of than is not known.');
  let unknown = heard.unknown;
  return [...people]
    .sort((a, b) => Number(b.hasPhone) - Number(a.hasPhone) || b.grafts - a.grafts || b.days - a.days)
    .map((person) => {
      unknown -= person.grafts;
      return { ...person, narrows: person.grafts / all, width: unknown / all };
    });
}
