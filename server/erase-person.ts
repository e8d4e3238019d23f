import { transact } from '@/db/transact';
import { allow, type Context, type Services } from './context';
import { audit } from './audit';
import { ERASED_NAME } from './seats';
import { notFound } from './use-case-error';

/**
 * Erases what tells who a person is: name, addresses, the notes on their unions and reports, their
 * links, and the messages written to them. Their unions stay, without a name.
 */
export async function erasePersonRows({ db, mail, now }: Services, clubId: string, personId: string, actorId: string | null): Promise<void> {
  const messages = await db.messages.findAll({ where: { clubId, personId }, raw: true });
  await transact(db, async (transaction) => {
    const seats = await db.seats.findAll({ where: { clubId, personId }, transaction, raw: true });
    const unions = await db.unions.findAll({ where: { clubId, seatId: seats.map(({ id }) => id) }, transaction, raw: true });
    const unionId = unions.map(({ id }) => id);
    // Somebody's name may stand where sticks were promised to them.
    const person = await db.people.findOne({ where: { clubId, id: personId }, transaction, raw: true });
    if (person?.name) await db.woodSourceBookings.update({ whom: ERASED_NAME }, { where: { clubId, whom: person.name }, transaction });
    await db.people.update({ name: null, email: null, phone: null, mayContact: false, erasedAt: now }, { where: { clubId, id: personId }, transaction });
    await db.judgements.update({ note: '' }, { where: { clubId, unionId }, transaction });
    await db.reports.update({ note: '' }, { where: { clubId, unionId }, transaction });
    await db.cardLinks.update({ withdrawnAt: now }, { where: { clubId, seatId: seats.map(({ id }) => id), withdrawnAt: null as never }, transaction });
    await db.cutLooks.update({ note: '' }, { where: { clubId, unionId }, transaction });
    await db.keeperPermits.update({ reason: '' }, { where: { clubId, seatId: seats.map(({ id }) => id) }, transaction });
    await db.reportLinks.update({ withdrawnAt: now }, { where: { clubId, personId, withdrawnAt: null as never }, transaction });
    await audit(db, transaction, { clubId, actorId, action: 'person erased', subjectId: personId, at: now });
  });
  // After the commit, so that a failed erasure does not lose mail; a file left by a dying server is
  // removed when the erasure is asked for again, which is allowed any number of times.
  for (const { id } of messages) await mail.discard(id);
}

/** The same on the instructor's side, for somebody who asks by phone or in person. */
export async function erasePerson(context: Context, personId: string): Promise<void> {
  allow(context, 'lead');
  const { db, actor: { clubId, userId } } = context;
  if (!(await db.people.findOne({ where: { clubId, id: personId }, raw: true }))) throw notFound('The person');
  await erasePersonRows(context, clubId, personId, userId);
}
