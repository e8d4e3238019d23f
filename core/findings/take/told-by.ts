import type { Sighting } from './take-state';
import { type Answer, isMilestone, MILESTONES, type RoundKind } from '../../methods/milestones';
import type { IsoDate } from '../../units/iso-date';
import { type Made, milestonesTold } from '../../follow-up/asked-union';
import type { Reading } from '../../follow-up/signs/read-signs';

/**
 * What an answer tells of a union's life. One that lives and has not come as far as the round asks has reached what
 * comes before; of a look of a later year nothing but that it lives or not is told.
 */
export function toldBy(
  made: Made,
  kind: RoundKind,
  { answer, reading, seenOn }: { answer: Answer; reading: Reading | null; seenOn: IsoDate },
): Sighting {
  if (!isMilestone(kind)) return { milestones: [kind], answer, seenOn };
  const lives = reading === 'alive' || reading === 'likely alive';
  if (answer === 'not-sure' && lives)
    return { milestones: MILESTONES.slice(0, MILESTONES.indexOf(kind)), answer: 'yes', seenOn };
  return { milestones: milestonesTold(made, kind), answer, seenOn };
}
