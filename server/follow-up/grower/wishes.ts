import { transact } from '@/db/transact';
import { holdGuard } from '@/db/guard';
import { audit } from '@/server/platform/audit';
import type { Services } from '@/server/platform/context';
import { erasePersonRows } from '@/server/club/erase-person';
import { wordings } from '../wordings';
import { GrowerError } from './grower-error';
import { openLink } from './open-link';

/** Gives or takes back the leave to be written to. The link goes on working. */
export async function setLeave(services: Services, token: string, mayContact: boolean): Promise<void> {
  const { link } = await openLink(services, token);
  const { db, now } = services;
  await transact(db, async (transaction) => {
    await holdGuard(db, transaction, link.clubId, 'leave to write');
    await db.people.update({ mayContact }, { where: { clubId: link.clubId, id: link.personId }, transaction });
    await audit(db, transaction, {
      clubId: link.clubId,
      actorId: null,
      action: mayContact ? 'leave given' : 'leave taken back',
      subjectId: link.personId,
      at: now,
    });
    await services.deeds.add(now, { what: 'leave', clubId: link.clubId, personId: link.personId, mayContact });
  });
}

/** In which language they are written to. */
export async function setLanguage(services: Services, token: string, language: string): Promise<void> {
  const { link } = await openLink(services, token);
  if (!wordings().some((wording) => wording.language === language)) throw new GrowerError('invalid', 'error.choice');
  const { db, now } = services;
  await transact(db, async (transaction) => {
    await db.people.update({ language }, { where: { clubId: link.clubId, id: link.personId }, transaction });
    await audit(db, transaction, {
      clubId: link.clubId,
      actorId: null,
      action: 'language chosen',
      subjectId: link.personId,
      at: now,
    });
  });
}

/** Closes the link for good: nobody opens it any more. What was told stays. */
export async function closeLink(services: Services, token: string): Promise<void> {
  const { link } = await openLink(services, token);
  const { db, now } = services;
  await transact(db, async (transaction) => {
    await db.reportLinks.update({ withdrawnAt: now }, { where: { clubId: link.clubId, id: link.id }, transaction });
    await audit(db, transaction, {
      clubId: link.clubId,
      actorId: null,
      action: 'links withdrawn',
      subjectId: link.personId,
      at: now,
    });
    await services.deeds.add(now, { what: 'link closed', clubId: link.clubId, linkId: link.id });
  });
}

/** Erases the person behind the link, and with it every link they have. */
export async function eraseMe(services: Services, token: string): Promise<void> {
  const { link } = await openLink(services, token);
  await erasePersonRows(services, link.clubId, link.personId, null);
}
