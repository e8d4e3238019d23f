import { formatCode } from '../../codes/plant-code';
import type { Position } from '../../methods/position';
import type { IsoDate } from '../../units/iso-date';
import type { Wording } from '../wording/wording';
import { groupedBy } from '../../units/grouped-by';

/** What a letter asks of one union. */
export interface LetterAsk {
  code: string;
  /** With how it was made. */
  variety: string;
  position: Position;
  /** As it is put. */
  question: string;
  workshop: { title: string; date: IsoDate };
  /** Letters that asked it before, since it was last told of. */
  before: number;
  /** It was looked at before, and could not be told then. */
  lookedBefore: boolean;
}

export interface LetterFacts {
  name: string;
  club: string;
  /** All that is asked of this person now, at least one. */
  asks: readonly LetterAsk[];
  /** How many of their grafts were told of already, of those asked in this spell. */
  told: number;
  url: string;
}

/** Of one question so many letters are written: a first one and two reminders. */
export const MOST_LETTERS = 3;

/** Seconds in which one graft is told of: to find its tag, look, and tap. Our guess. */
const SECONDS_EACH = 20;

/**
 * A letter that asks how somebody's grafts do: one for all that is due, each question once, worded by who has not
 * answered yet and by how often they were asked.
 *
 * @throws RangeError where nothing is asked
 */
export function growerLetter(
  wording: Wording,
  { name, club, asks, told, url }: LetterFacts,
): { subject: string; text: string } {
  if (asks.length === 0) throw new RangeError('A letter asks of one graft at least.');
  const { say, day } = wording;
  const before = Math.max(...asks.map((ask) => ask.before));
  const last = asks.every((ask) => ask.before >= MOST_LETTERS - 1);
  const days = [...new Set(asks.map(({ workshop }) => workshop.date))];
  const count = asks.length;
  const subject =
    days.length > 1
      ? say('letter.subject-several')
      : say(last ? 'letter.subject-last' : before > 0 ? 'letter.subject-again' : 'letter.subject', {
          day: day(days[0]!),
        });
  const minutes = Math.max(1, Math.ceil((count * SECONDS_EACH) / 60));
  const opening = asks.every(({ lookedBefore }) => lookedBefore)
    ? say('letter.look-again', { count })
    : before === 0
      ? say('letter.first', { count, minutes })
      : told > 0
        ? say('letter.some-yet', { count })
        : say('letter.none-yet', { count, minutes });
  const text = [
    say('letter.hello', { name }),
    '',
    opening,
    '',
    ...blocks(wording, asks),
    say('letter.tap'),
    url,
    '',
    say('letter.reply'),
    ...(last ? ['', say('letter.last')] : []),
    '',
    say('letter.consent', { club }),
    '',
    say('letter.sign', { club }),
    '',
  ];
  return { subject, text: text.join('\n') };
}

/** By day and question, with the plants it is put of. */
function blocks({ say, day }: Wording, asks: readonly LetterAsk[]): string[] {
  const groups = groupedBy(asks, ({ workshop, question }) => `${workshop.date} ${workshop.title}\n${question}`);
  return [...groups.values()].flatMap((group) => {
    const { workshop, question } = group[0]!;
    return [
      say('letter.workshop', { title: workshop.title, day: day(workshop.date) }),
      say('letter.question', { question }),
      ...group.map(({ code, variety, position }) =>
        position === 'sole'
          ? `  ${say('letter.plant', { code: formatCode(code), variety })}`
          : `  ${say('letter.plant-place', { code: formatCode(code), variety, place: say(`place.${position}`) })}`,
      ),
      '',
    ];
  });
}
