import { growerLetter } from '@/core/follow-up/letters/letter';
import { growerText } from '@/core/follow-up/letters/text-message';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import { clubUnits } from '@/server/platform/club-units';
import type { Context } from '@/server/platform/context';
import { deliverLetters } from '@/server/platform/outbox';
import { wordingFor } from '../wordings';
import { keepLetters, type Letter, writtenLetter } from './keep-letters';
import { letterAsk, planLetters, type PlannedLetter, reachable } from './letter-plan';
import { makeLink } from './links';

export interface LettersWritten {
  sent: number;
  /** Letters that wait for the mail service. */
  waiting: number;
  /** People who had a letter within the week. */
  held: number;
}

/**
 * Writes to those of some people who may be written to and of whose grafts something is due: one letter a person for all
 * of it, once a week at most, and of one thing three times at most.
 *
 * @param wanted whether what is due of a person is reason to write now
 * @param actorId whoever asks for it; null where it goes by itself
 * @throws UseCaseError conflict where somebody else wrote in this moment, or leave was taken back
 */
export async function writeLetters(
  context: Context,
  personIds: readonly string[],
  {
    wanted,
    actorId,
    subjectId,
  }: { wanted: (planned: PlannedLetter) => boolean; actorId: string | null; subjectId: string },
): Promise<LettersWritten> {
  const { db, actor } = context;
  const { clubId } = actor;
  const planned = (await planLetters(context, personIds)).filter(
    (each) => reachable(each.person) && each.asks.length > 0 && wanted(each),
  );
  const due = planned.filter(({ held }) => !held);
  const club = (await db.clubs.findOne({ where: { id: clubId }, raw: true }))!;
  const { lengthUnit } = await clubUnits(db, clubId);
  const letters = await Promise.all(
    due.map((each) => makeLetter(context, each, { language: club.language, unit: lengthUnit })),
  );
  await keepLetters(context, letters, { due, actorId, subjectId, action: 'round sent' });
  return {
    sent: letters.length,
    waiting: await deliverLetters(context, clubId),
    held: planned.length - due.length,
  };
}

interface Making {
  language: string;
  unit: Context['actor']['lengthUnit'];
}

async function makeLetter(context: Context, planned: PlannedLetter, { language, unit }: Making): Promise<Letter> {
  const { actor, now } = context;
  const { person, asks } = planned;
  const { row: link, url } = makeLink(context, asks[0]!.asked.due!.roundId!, person.id, 'mail');
  const wording = wordingFor(person, { language });
  const to = writtenTo(person)!;
  const write = to.byText ? growerText : growerLetter;
  const { subject, text } = write(wording, {
    name: person.name ?? '',
    club: actor.clubName,
    asks: asks.map((ask) => letterAsk(ask, wording, unit)),
    told: planned.told,
    url,
  });
  const letter = await writtenLetter(context, person, { subject, text, link, letters: planned.letters });
  return {
    ...letter,
    asks: asks.map(({ asked }) => ({
      messageId: letter.message.id,
      unionId: asked.union.id,
      clubId: actor.clubId,
      roundId: asked.due!.roundId!,
      personId: person.id,
      sentAt: now,
    })),
  };
}
