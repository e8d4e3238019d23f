import { formatCode } from '../../codes/plant-code';
import type { Wording } from '../wording/wording';

/** Something to do, of all plants of one person that want it alike. */
export interface TaskOfLetter {
  name: string;
  /** Until when, in a sentence. */
  until: string;
  /** What comes of leaving it; empty where that is nothing. */
  missed: string;
  codes: readonly string[];
}

export interface TaskLetterFacts {
  name: string;
  club: string;
  tasks: readonly TaskOfLetter[];
  /** A second letter, about a last day. */
  last: boolean;
  url: string;
}

/**
 * A letter about what is to be done on somebody's grafts: all of it in one.
 *
 * @throws RangeError where nothing is to be done
 */
export function taskLetter(
  { say }: Wording,
  { name, club, tasks, last, url }: TaskLetterFacts,
): { subject: string; text: string } {
  if (tasks.length === 0) throw new RangeError('A letter names one task at least.');
  const count = tasks.length;
  const text = [
    say('letter.hello', { name }),
    '',
    say(last ? 'letter.tasks-last' : 'letter.tasks-first', { count }),
    '',
    ...tasks.flatMap(({ name: task, until, missed, codes }) => [
      task,
      say('letter.tasks-plants', { codes: codes.map(formatCode).join(', '), until }),
      ...(missed === '' ? [] : [say('letter.tasks-otherwise', { missed })]),
      '',
    ]),
    say('letter.tasks-tap'),
    url,
    '',
    say('letter.tasks-often'),
    '',
    say('letter.tasks-consent', { club }),
    '',
    say('letter.sign', { club }),
    '',
  ];
  return { subject: say('letter.tasks-subject', { count }), text: text.join('\n') };
}
