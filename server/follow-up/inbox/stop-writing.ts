import type { Transaction } from 'sequelize';
import { holdGuard } from '@/db/guard';
import type { ClubRow, PersonRow } from '@/db/models/club-rows';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import { writeEml } from '@/exchange/eml';
import { audit } from '@/server/platform/audit';
import type { Services } from '@/server/platform/context';
import { wordingFor } from '../wordings';

/** Makes the one letter that confirms a wish not to be written to; it is sent once the wish is kept. */
export async function prepareConfirmation(
  { mail, now }: Pick<Services, 'mail' | 'now'>,
  club: ClubRow,
  replyId: string,
  person: PersonRow,
): Promise<void> {
  const { say } = wordingFor(person, club);
  const text = [
    say('letter.hello', { name: person.name ?? '' }),
    '',
    say('letter.stopped', { club: club.name }),
    say('letter.stopped-again'),
    '',
    say('letter.sign', { club: club.name }),
    '',
  ].join('\n');
  const eml = await writeEml({
    id: replyId,
    from: { name: club.name, address: 'follow-up@pear-bench.invalid' },
    to: { name: person.name ?? '', address: writtenTo(person)!.address },
    subject: say('letter.stopped-subject'),
    text,
    date: now,
  });
  await mail.prepare(replyId, eml);
}

/** Takes the leave to write to some people back, as they asked by mail; their links go on working. */
export async function stopWriting(
  { db, deeds, now }: Pick<Services, 'db' | 'deeds' | 'now'>,
  clubId: string,
  people: readonly PersonRow[],
  transaction: Transaction,
): Promise<void> {
  await holdGuard(db, transaction, clubId, 'leave to write');
  for (const { id: personId } of people) {
    await db.people.update({ mayContact: false }, { where: { clubId, id: personId }, transaction });
    await audit(db, transaction, {
      clubId,
      actorId: null,
      action: 'leave taken back by mail',
      subjectId: personId,
      at: now,
    });
    await deeds.add(now, { what: 'leave', clubId, personId, mayContact: false });
  }
}
